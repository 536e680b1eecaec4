import { mkdtempSync, mkdirSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createApp } from './app.ts';

let server: Server;
let home: string;

beforeAll(async () => {
  const dist = mkdtempSync(join(tmpdir(), 'zig-hem-dist-'));
  mkdirSync(join(dist, 'assets'));
  writeFileSync(join(dist, 'index.html'), '<meta name="csp-nonce" content="__NONCE__" /><p>the page</p>');
  await new Promise<void>((listening) => {
    server = createApp(dist).listen(0, () => listening());
  });
  const address = server.address();
  home = `http://localhost:${typeof address === 'object' && address ? address.port : 0}`;
});

afterAll(() => {
  server.closeAllConnections();
  server.close();
});

describe('the page', () => {
  test('is sent for every stop, each time with a nonce of its own that the policy names', async () => {
    const nonces = await Promise.all(
      ['/', '/hem/some/base'].map(async (path) => {
        const response = await fetch(home + path);
        const nonce = /content="([^"]+)"/.exec(await response.text())![1]!;
        expect(response.headers.get('content-security-policy')).toContain(`'nonce-${nonce}'`);
        return nonce;
      }),
    );
    expect(new Set(nonces).size).toBe(2);
  });

  test('the schema of project files is published', async () => {
    const response = await fetch(`${home}/schema/hem.json`);
    expect(response.headers.get('content-type')).toContain('application/schema+json');
    expect(await response.json()).toMatchObject({ title: 'A Zig Hem project', properties: { format: {} } });
  });

  test('the policy allows nothing from elsewhere', async () => {
    const policy = (await fetch(home)).headers.get('content-security-policy')!;
    expect(policy).toContain("default-src 'self'");
    expect(policy).not.toMatch(/https?:|unsafe-eval|\*/);
  });

  test('an asset that is not there is not the page', async () => {
    expect((await fetch(`${home}/assets/none.js`)).status).toBe(404);
  });
});

describe('the simulated shop', () => {
  const search = async (query: string) => {
    const answer = (await (await fetch(`${home}/api/shop/yarns?${query}`)).json()) as {
      simulated: boolean;
      yarns: readonly { name: string; weight: number; fibre: string }[];
    };
    expect(answer.simulated).toBe(true);
    return answer.yarns;
  };

  test('is searched by weight, fibre and name', async () => {
    expect((await search('weight=3')).every((y) => y.weight === 3)).toBe(true);
    expect((await search('q=cotton')).every((y) => y.fibre.includes('cotton'))).toBe(true);
    expect((await search('q=boulder')).map((y) => y.name)).toEqual(['Boulder']);
    expect(await search('q=nothing-like-it')).toEqual([]);
    expect((await search('')).length).toBeGreaterThan(10);
  });
});

describe('the simulated scale', () => {
  test('refuses a load that is none, and says why', async () => {
    const response = await fetch(`${home}/api/scale/pan`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ grams: -3 }),
    });
    expect(response.status).toBe(400);
    expect(await response.json()).toEqual({ problem: 'grams must be a number from 0 to 5000' });
  });

  test('sends readings one by one', async () => {
    const stop = new AbortController();
    const response = await fetch(`${home}/api/scale/readings`, { signal: stop.signal });
    const { value } = await response.body!.getReader().read();
    stop.abort();
    expect(new TextDecoder().decode(value)).toMatch(/^data: \{"simulated":true,"grams":-?[\d.]+\}\n\n/);
  });

  test('anything else is not there', async () => {
    expect((await fetch(`${home}/api/none`)).status).toBe(404);
  });
});
