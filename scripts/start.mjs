// npm start: installs what is missing, builds, serves.
import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { installPackages, run } from './install.mjs';

installPackages('to serve');
run('npm', ['run', '--silent', 'build']);
const root = fileURLToPath(new URL('..', import.meta.url));
const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
