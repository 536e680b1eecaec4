/**
 * Serves the built application. `HOST` lets other devices reach it, `PORT` chooses the port, `TLS_CERT` and `TLS_KEY`
 * (paths of PEM files) make it https, `NAMES` lists further names under which it is reached.
 */
import { readFileSync } from 'node:fs';
import { createServer as createHttp, type Server } from 'node:http';
import { createServer as createHttps } from 'node:https';
import { fileURLToPath } from 'node:url';
import { createApp } from './app.ts';
import { addressesOf, isLoopback, namesOf } from './guard.ts';

/** Variables that are set to nothing are not set: an empty address would be every one, an empty port any. */
const given = (name: string): string | undefined => process.env[name]?.trim() || undefined;
const [HOST, PORT] = [given('HOST') ?? '127.0.0.1', given('PORT') ?? '4180'];
const [TLS_CERT, TLS_KEY, NAMES] = [given('TLS_CERT'), given('TLS_KEY'), given('NAMES') ?? ''];

function stop(words: string): never {
  console.error(words);
  process.exit(1);
}

const port = Number(PORT);
if (!Number.isInteger(port) || port < 0 || port > 65_535)
  stop(`PORT must be a whole number up to 65535, it is “${PORT}”. For example: PORT=4181 npm start`);
if ((TLS_CERT === undefined) !== (TLS_KEY === undefined))
  stop('TLS_CERT and TLS_KEY go together: the paths of a certificate and of its key, as PEM files.');

const more = NAMES.split(',').flatMap((name) => name.trim().toLowerCase() || []);
const app = createApp(fileURLToPath(new URL('../dist', import.meta.url)), namesOf(HOST, more));

function serverFor(): Server {
  if (TLS_CERT === undefined || TLS_KEY === undefined) return createHttp(app);
  try {
    return createHttps({ cert: readFileSync(TLS_CERT), key: readFileSync(TLS_KEY) }, app);
  } catch (error) {
    return stop(`The certificate cannot be used (${(error as Error).message}). See TLS_CERT and TLS_KEY.`);
  }
}

const server = serverFor();
server.headersTimeout = 10_000;
server.requestTimeout = 20_000;
server.maxHeadersCount = 100;
server.maxConnections = 200;
server.on('error', (error) =>
  stop(`Port ${port} cannot be used (${error.message}). Choose another: PORT=4181 npm start`),
);
server.listen(port, HOST, () => {
  const address = server.address();
  const at = typeof address === 'object' && address ? address.port : port;
  const scheme = TLS_CERT === undefined ? 'http' : 'https';
  console.log(`Zig Hem is open at ${scheme}://localhost:${at}`);
  if (isLoopback(HOST)) return;
  for (const name of addressesOf(HOST)) console.log(`  on other devices: ${scheme}://${name}:${at}`);
  if (scheme === 'http')
    console.log(
      '  Without https other devices cannot keep it for use without a network. See TLS_CERT in the README.',
    );
});
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    server.close(() => process.exit(0));
    server.closeAllConnections();
  });
}
