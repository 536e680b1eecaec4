#!/usr/bin/env node
// The command `hem`: bundled into one file when it or the core has changed since, and kept as it was compiled, so that it
// starts at once.
import { existsSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { fileURLToPath } from 'node:url';
import { Script } from 'node:vm';

const root = fileURLToPath(new URL('..', import.meta.url));
const bundle = `${root}node_modules/.cache/hem.cjs`;
const compiled = `${root}node_modules/.cache/hem.${process.version}`;

/** When a file of the command, of the core or of the drawings was last changed, or the packages were. */
function changed() {
  const sources = ['cli', 'core', 'drawing'].flatMap((folder) =>
    readdirSync(`${root}${folder}`, { recursive: true }).map((file) => `${root}${folder}/${file}`),
  );
  return Math.max(...[...sources, `${root}package-lock.json`].map((file) => statSync(file).mtimeMs));
}

if (!existsSync(bundle) || statSync(bundle).mtimeMs < changed()) {
  const { build } = await import('esbuild');
  await build({
    entryPoints: [`${root}cli/hem.ts`],
    bundle: true,
    minify: true,
    platform: 'node',
    format: 'cjs',
    outfile: bundle,
  });
  rmSync(compiled, { force: true });
}
const cachedData = existsSync(compiled) ? readFileSync(compiled) : undefined;
const script = new Script(`(require) => {${readFileSync(bundle, 'utf8')}\n}`, {
  filename: bundle,
  cachedData,
});
if (!cachedData || script.cachedDataRejected)
  process.on('exit', () => writeFileSync(compiled, script.createCachedData()));
script.runInThisContext()(createRequire(bundle));
