import { mkdtempSync, mkdirSync, writeFileSync } from 'node:fs';
import { request, type Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createApp } from './app.ts';
import { addressesOf, namesOf } from './guard.ts';

let server: Server;
let home: string;

beforeAll(async () => {
  const dist = mkdtempSync(join(tmpdir(), 'zig-hem-dist-'));
  mkdirSync(join(dist, 'assets'));
  writeFileSync(join(dist, 'sw.js'), '// nothing');
  writeFileSync(join(dist, 'assets', 'part-1a2b.js'), '// a part');
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

  test('a file that is not there is not the page, and says nothing of how it was looked for', async () => {
    for (const path of ['/assets/none.js', '/none.txt', '/%E0%A4%A', '/assets/..%2f..%2fpackage.json']) {
      const response = await fetch(home + path);
      expect([path, response.status >= 400 && response.status < 500]).toEqual([path, true]);
      const text = await response.text();
      expect(text).not.toMatch(/\n\s+at |node_modules|Error:|<pre>/);
    }
  });

  test('what keeps its name is asked for anew, what has its version in its name is kept', async () => {
    const caching = async (path: string): Promise<string | null> =>
      (await fetch(home + path)).headers.get('cache-control');
    expect(await caching('/')).toBe('no-cache');
    expect(await caching('/sw.js')).toBe('no-cache');
    expect(await caching('/assets/part-1a2b.js')).toMatch(/immutable/);
    expect((await fetch(home)).headers.get('permissions-policy')).toContain('camera=()');
  });
});

describe('who may ask', () => {
  const asked = (path: string, headers: Record<string, string>, method = 'GET'): Promise<number> =>
    new Promise((resolve, reject) => {
      // A browser and fetch would not let these headers be set.
      const question = request(home + path, { method, headers }, (response) => {
        response.resume();
        resolve(response.statusCode!);
      });
      question.on('error', reject);
      question.end();
    });

  test('another host is turned away, whatever is asked', async () => {
    expect(await asked('/', { host: 'evil.example' })).toBe(421);
    expect(await asked('/api/shop/yarns', { host: 'evil.example:80' })).toBe(421);
    expect(await asked('/', { host: '127.0.0.1:9' })).toBe(200);
  });

  test('the stand-ins answer no foreign page', async () => {
    const host = home.replace('http://', '');
    expect(await asked('/api/scale/tare', { host, origin: 'https://evil.example' }, 'POST')).toBe(403);
    expect(await asked('/api/scale/tare', { host, origin: 'null' }, 'POST')).toBe(403);
    expect(await asked('/api/shop/yarns', { host, 'sec-fetch-site': 'cross-site' })).toBe(403);
    expect(await asked('/api/scale/tare', { host, origin: home }, 'POST')).toBe(204);
  });

  test('a server for this machine alone has no other names, one for its network has those of the machine', () => {
    expect([...namesOf('127.0.0.1')]).toEqual(['localhost', '127.0.0.1', '[::1]']);
    expect(namesOf('0.0.0.0').size).toBeGreaterThan(3);
    expect(namesOf('localhost', ['hems.example']).has('hems.example')).toBe(true);
    expect(addressesOf('192.0.2.7')).toEqual(['192.0.2.7']);
    expect(addressesOf('2001:db8::7')).toEqual(['[2001:db8::7]']);
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

  test('only so many pages may listen at once, and one that goes makes room', async () => {
    const open = async (): Promise<{ status: number; stop: AbortController }> => {
      const stop = new AbortController();
      const { status } = await fetch(`${home}/api/scale/readings`, { signal: stop.signal });
      return { status, stop };
    };
    const pages = [];
    for (let k = 0; k < 9; k++) pages.push(await open());
    expect(pages.map((p) => p.status)).toEqual([...Array.from({ length: 8 }, () => 200), 429]);
    pages.forEach((p) => p.stop.abort());
    await new Promise((passed) => setTimeout(passed, 200));
    const again = await open();
    expect(again.status).toBe(200);
    again.stop.abort();
  });

  test('a body that is too large or no JSON is refused in words', async () => {
    const put = (body: string): Promise<Response> =>
      fetch(`${home}/api/scale/pan`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body,
      });
    const large = await put(JSON.stringify({ grams: 1, more: 'x'.repeat(5000) }));
    expect([large.status, await large.json()]).toEqual([413, { problem: 'the request is too large' }]);
    const torn = await put('{"grams":');
    expect([torn.status, await torn.json()]).toEqual([400, { problem: 'the request cannot be read' }]);
  });

  test('anything else is not there', async () => {
    expect((await fetch(`${home}/api/none`)).status).toBe(404);
  });
});
