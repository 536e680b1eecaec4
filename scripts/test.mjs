// npm test: installs what is missing, type-checks, lints, runs unit and browser tests, and says how many passed.
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { spawn, spawnSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { installPackages, run } from './install.mjs';

installPackages();
ensureChromium();
run('npm', ['run', '--silent', 'generate']);
let failed = 0;
let passed = 0;
// Each of them keeps one core busy at most.
await Promise.all(['lint', 'style', 'layers', 'types', 'unused', 'lock'].map(step));
const reports = mkdtempSync(join(tmpdir(), 'zig-hem-'));
tests(
  'unit',
  ['run', '--silent', 'unit', '--', '--json', `--outputFile=${join(reports, 'unit.json')}`],
  (report) => [report.numPassedTests, report.numFailedTests + report.numRuntimeErrorTestSuites],
);
run('npm', ['run', '--silent', 'build']);
tests(
  'browser',
  ['run', '--silent', 'browser'],
  (report) => [report.stats.expected, report.stats.unexpected + report.stats.flaky],
  { PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, 'browser.json') },
);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);

/** A script whose exit code tells all; what it says is shown once it has ended. */
async function step(name) {
  const { code, said } = await new Promise((resolve) => {
    const child = spawn('npm', ['run', '--silent', name], { stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (said += part));
    child.on('close', (code) => resolve({ code, said }));
  });
  console.log(`\n— ${name}\n${said}`);
  if (code === 0) passed++;
  else failed++;
}

function tests(name, args, counts, environment = {}) {
  console.log(`\n— ${name} tests`);
  const { status } = spawnSync('npm', args, { stdio: 'inherit', env: { ...process.env, ...environment } });
  const file = join(reports, `${name}.json`);
  const [good, bad] = existsSync(file) ? counts(JSON.parse(readFileSync(file, 'utf8'))) : [0, 1];
  passed += good;
  failed += bad === 0 && status !== 0 ? 1 : bad;
}

function ensureChromium() {
  const path = process.env.CHROMIUM ?? '/usr/bin/chromium';
  if (existsSync(path)) return;
  console.log('Installing Chromium from Debian’s packages …');
  const apt = (...args) =>
    spawnSync('apt-get', args, { stdio: ['ignore', 'ignore', 'inherit'] }).status === 0;
  if (apt('update') && apt('install', '-y', '--no-install-recommends', 'chromium')) return;
  console.error(
    `There is no Chromium at ${path} and it could not be installed from Debian’s packages. Where there are none, install\n` +
      'Chromium or Chrome in the usual way of your system, and name it: CHROMIUM=/path/to/chromium npm test',
  );
  process.exit(1);
}
