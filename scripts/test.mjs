// npm test: installs what is missing, type-checks, lints, runs unit and browser tests, and says how many passed.
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { once } from 'node:events';
import { spawn } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { chromiumShell } from './chromium.mjs';
import { ENGINES, whyMissing } from './engines.mjs';
import { installPackages, run } from './install.mjs';

const INSTALL = 'DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends';
const chromium = fetchChromium();
// After it, for packages are installed one after the other.
const others = chromium.then(fetchOthers);
installPackages();
run('npm', ['run', '--silent', 'generate']);
let failed = 0;
let passed = 0;
/** Browser tests that passed only when they were tried again. */
let again = 0;
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
await others;
run('npm', ['run', '--silent', 'build']);
for (const project of ['chromium', 'engines'])
  await tests(
    project,
    ['run', '--silent', 'browser', '--', `--project=${project}`],
    // Drivers of other engines may fail by themselves: those journeys are tried twice, which is told.
    (report) => {
      again += report.stats.flaky;
      return [report.stats.expected + report.stats.flaky, report.stats.unexpected];
    },
    (report) => report.suites.flatMap(specsIn),
    { PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, `${project}.json`) },
  );
console.log('\nThe slowest:');
for (const { ms, name } of taken.sort((a, b) => b.ms - a.ms).slice(0, 10))
  console.log(`${(ms / 1000).toFixed(1).padStart(6)} s  ${name}`);
const skipped = ENGINES.map(({ name }) => whyMissing(name)).filter((why) => why !== null);
console.log(
  `\n${passed} passed, ${failed} failed${again > 0 ? `, ${again} at the second try` : ''}${skipped.length > 0 ? `, ${skipped.length} skipped: ${skipped.join('; ')}` : ''}`,
);
process.exit(failed > 0 || (process.env.EVERY_ENGINE && skipped.length > 0) ? 1 : 0);

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

/** One command, which needs no answer while packages are installed. @returns whether it went well */
async function shell(command) {
  const child = spawn('sh', ['-c', command], { stdio: ['ignore', 'ignore', 'inherit'] });
  const [code] = await once(child, 'close').catch(() => [1]);
  return code === 0;
}

/** The other engines, where there are packages of them: without them their journeys are skipped, which is told at the end. */
async function fetchOthers() {
  const wanted = ENGINES.filter(({ isThere }) => !isThere()).map(({ packages }) => packages);
  if (wanted.length === 0) return;
  console.log(`Installing ${wanted.join(' and ')} from Debian’s packages …`);
  if (!(await shell(`${INSTALL} ${wanted.join(' ')}`)))
    await shell(`apt-get update && ${INSTALL} ${wanted.join(' ')}`);
}

/** The browser of the tests, fetched where there is none, while all else goes on. @returns whether it is there */
async function fetchChromium() {
  if (existsSync(chromiumShell())) return true;
  if (process.env.CHROMIUM) {
    console.error(`There is no Chromium at ${process.env.CHROMIUM}, where CHROMIUM says that it is.`);
    process.exit(1);
  }
  console.log('Installing Chromium from Debian’s packages …');
  if (await shell(`apt-get update && { ${INSTALL} chromium-headless-shell || ${INSTALL} chromium; }`))
    return true;
  console.error(
    'There is no Chromium here and it could not be installed from Debian’s packages. Where there are none, install Chromium\n' +
      'or Chrome in the usual way of your system, and name it: CHROMIUM=/path/to/chromium npm test',
  );
  return false;
}
