// npm test: installs what is missing, type-checks, lints, runs unit and browser tests, and says how many passed.
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { once } from 'node:events';
import { spawn } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { chromiumShell } from './chromium.mjs';
import { installPackages, run } from './install.mjs';

const chromium = fetchChromium();
installPackages();
run('npm', ['run', '--silent', 'generate']);
let failed = 0;
let passed = 0;
/** Time that every test took. */
const taken = [];
const reports = mkdtempSync(join(tmpdir(), 'zig-hem-'));
// The linter keeps one core busy for as long as all other checks, and into the unit tests.
const linted = step('lint');
for (const name of ['types', 'style', 'layers', 'unused', 'lock']) await step(name);
await tests(
  'unit',
  ['run', '--silent', 'unit', '--', '--json', `--outputFile=${join(reports, 'unit.json')}`],
  (report) => [report.numPassedTests, report.numFailedTests + report.numRuntimeErrorTestSuites],
  (report) =>
    report.testResults.flatMap(({ name, assertionResults }) =>
      assertionResults.map(({ fullName, duration }) => ({
        ms: duration ?? 0,
        name: `${relative('.', name)} › ${fullName}`,
      })),
    ),
);
await linted;
if (!(await chromium)) process.exit(1);
run('npm', ['run', '--silent', 'build']);
await tests(
  'browser',
  ['run', '--silent', 'browser'],
  (report) => [report.stats.expected, report.stats.unexpected + report.stats.flaky],
  (report) => report.suites.flatMap(specsIn),
  { PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, 'browser.json') },
);
console.log('\nThe slowest:');
for (const { ms, name } of taken.sort((a, b) => b.ms - a.ms).slice(0, 10))
  console.log(`${(ms / 1000).toFixed(1).padStart(6)} s  ${name}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);

/** A script whose exit code tells all; what it says is shown once it has ended. */
async function step(name) {
  const child = spawn('npm', ['run', '--silent', name], { stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (said += part));
  const [code] = await once(child, 'close');
  console.log(`\n— ${name}\n${said}`);
  if (code === 0) passed++;
  else failed++;
}

async function tests(name, args, counts, times, environment = {}) {
  console.log(`\n— ${name} tests`);
  const [code] = await once(
    spawn('npm', args, { stdio: 'inherit', env: { ...process.env, ...environment } }),
    'close',
  );
  const file = join(reports, `${name}.json`);
  const report = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
  const [good, bad] = report ? counts(report) : [0, 1];
  if (report) taken.push(...times(report));
  passed += good;
  failed += bad === 0 && code !== 0 ? 1 : bad;
}

/** The browser tests of a suite and of those within it. */
function specsIn({ file, specs = [], suites = [] }) {
  const own = specs.flatMap(({ title, tests: runs }) =>
    runs.map(({ results }) => ({
      ms: results.reduce((sum, { duration }) => sum + duration, 0),
      name: `e2e/${file} › ${title}`,
    })),
  );
  return [...own, ...suites.flatMap(specsIn)];
}

/** The browser of the tests, fetched where there is none, while all else goes on. @returns whether it is there */
async function fetchChromium() {
  if (existsSync(chromiumShell())) return true;
  if (process.env.CHROMIUM) {
    console.error(`There is no Chromium at ${process.env.CHROMIUM}, where CHROMIUM says that it is.`);
    process.exit(1);
  }
  console.log('Installing Chromium from Debian’s packages …');
  const install = 'apt-get install -y --no-install-recommends';
  // One command, which needs no answer while packages are installed.
  const [code] = await once(
    spawn('sh', ['-c', `apt-get update && { ${install} chromium-headless-shell || ${install} chromium; }`], {
      stdio: ['ignore', 'ignore', 'inherit'],
    }),
    'close',
  ).catch(() => [1]);
  if (code === 0) return true;
  console.error(
    'There is no Chromium here and it could not be installed from Debian’s packages. Where there are none, install Chromium\n' +
      'or Chrome in the usual way of your system, and name it: CHROMIUM=/path/to/chromium npm test',
  );
  return false;
}
