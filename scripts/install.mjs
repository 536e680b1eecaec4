// Installs the packages when they are missing or the lockfile has changed since they were installed.
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const stamp = `${root}node_modules/.installed-from`;

/** Runs a command in the project folder; ends this process with its exit code when it fails. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (error) {
    console.error(`${command} could not be run: ${error.message}`);
    process.exit(1);
  }
  if (status !== 0) process.exit(status ?? 1);
}

/** @param wanted 'to serve': what building and serving need; 'all': what the checks need too */
export function installPackages(wanted = 'all') {
  const lock = createHash('sha256')
    .update(readFileSync(`${root}package-lock.json`))
    .digest('hex');
  const [installed, kind] = existsSync(stamp) ? readFileSync(stamp, 'utf8').split(' ') : [];
  if (installed === lock && (kind === 'all' || kind === wanted)) return;
  console.log('Installing packages …');
  // Exactly what the lockfile says, on every system.
  const omit = wanted === 'all' ? [] : ['--omit=dev'];
  run('npm', ['ci', ...omit, '--no-audit', '--no-fund', '--loglevel=error']);
  writeFileSync(stamp, `${lock} ${wanted}`);
}
