import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { request } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeAll, expect, test } from '@jest/globals';
import { generate } from 'selfsigned';

let running: ChildProcess | null = null;

beforeAll(() => {
  // The server wants a built application; for what is tested here a page is enough.
  if (existsSync('dist/index.html')) return;
  mkdirSync('dist/assets', { recursive: true });
  writeFileSync('dist/index.html', '<p>the page</p>');
});

afterEach(() => {
  running?.kill();
  running = null;
});

/** Starts the server as npm start does. @returns what it prints until it has said where it is, or has ended */
function started(env: Readonly<Record<string, string>>): Promise<{ words: string; code: number | null }> {
  return new Promise((resolve) => {
    const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
      env: { ...process.env, NODE_OPTIONS: '', PORT: '0', ...env },
    });
    running = server;
    let words = '';
    const hear = (chunk: Buffer): void => {
      words += chunk.toString();
      // What follows the first line comes with it.
      if (words.includes('is open at')) setTimeout(() => resolve({ words, code: null }), 150);
    };
    server.stdout.on('data', hear);
    server.stderr.on('data', hear);
    server.on('exit', (code) => resolve({ words, code }));
  });
}

test('it listens on this machine alone, and on its network when it is told to', async () => {
  const alone = await started({});
  expect(alone.words.trim()).toMatch(/^Zig Hem is open at http:\/\/localhost:\d+$/);
  running?.kill();
  const wide = await started({ HOST: '0.0.0.0' });
  expect(wide.words).toMatch(/is open at http:\/\/localhost:\d+/);
  expect(wide.words).toContain('Without https');
}, 60_000);

test('an empty address or port is none: it listens on this machine alone, where it usually does', async () => {
  const { words, code } = await started({ HOST: '', PORT: ' ', TLS_CERT: '' });
  // The usual port may be taken on the machine that runs this; then that is said.
  expect(words.trim()).toMatch(
    code === null ? /^Zig Hem is open at http:\/\/localhost:4180$/ : /^Port 4180 cannot be used/,
  );
}, 60_000);

test('with a certificate it speaks https', async () => {
  const pem = await generate([{ name: 'commonName', value: 'localhost' }], { keySize: 2048 });
  const folder = mkdtempSync(join(tmpdir(), 'zig-hem-tls-'));
  const [TLS_CERT, TLS_KEY] = [join(folder, 'cert.pem'), join(folder, 'key.pem')];
  writeFileSync(TLS_CERT, pem.cert);
  writeFileSync(TLS_KEY, pem.private);
  const { words } = await started({ TLS_CERT, TLS_KEY });
  const address = /https:\/\/localhost:(\d+)/.exec(words)!;
  const status = await new Promise((resolve, reject) => {
    request({ host: '127.0.0.1', port: Number(address[1]), rejectUnauthorized: false }, (response) => {
      response.resume();
      resolve(response.statusCode);
    })
      .on('error', reject)
      .end();
  });
  expect(status).toBe(200);
}, 60_000);

test.each([
  [{ PORT: 'eighty' }, 'PORT must be a whole number'],
  [{ TLS_CERT: 'cert.pem' }, 'go together'],
  [{ TLS_CERT: '/none/cert.pem', TLS_KEY: '/none/key.pem' }, 'certificate cannot be used'],
])(
  '%j is answered with what to do',
  async (env, says) => {
    const { words, code } = await started(env);
    expect(code).toBe(1);
    expect(words).toContain(says);
    expect(words).not.toMatch(/\n\s+at /);
  },
  60_000,
);
