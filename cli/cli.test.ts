import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { logOf } from '../core/log/log.ts';
import { plan } from '../core/plan/planner.ts';
import { FAMILIES } from '../core/rounds/registry.ts';
import { flatBlanket } from '../core/testing/hems.ts';
import { STRIDES } from '../core/work/steps.ts';
import { demoPlan, demoPlans } from '../demo/read.ts';
import { run } from './program.ts';
import type { proposed } from './propose.ts';
import { USUAL_LOOK } from '../core/print/forms.ts';
import { EXPORTS, EXPORT_IDS, exported } from '../drawing/exports.ts';

const DEMO = 'demo/harbour-throw.hem.json';
const harbour = demoPlans().find(([file]) => DEMO.endsWith(file))![1];

/** The command in the process of the test. */
function hem(args: readonly string[], input = '') {
  const said: Buffer[] = [];
  const complaints: string[] = [];
  const status = run(args, {
    write: (part) => void said.push(Buffer.from(part)),
    complain: (line) => void complaints.push(`${line}\n`),
    readInput: () => Buffer.from(input),
  });
  return { status, stdout: Buffer.concat(said).toString(), stderr: complaints.join('') };
}

/** The command as it is started from a shell. */
function started(args: readonly string[], input = '') {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['cli/start.mjs', ...args], {
    input,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  return { status, stdout, stderr };
}

test('the command starts from a shell, with standard input, and says the same there', () => {
  const input = readFileSync(DEMO, 'utf8');
  expect(started(['plan', '-', '--json'], input)).toEqual(hem(['plan', '-', '--json'], input));
  expect(started(['text', '--no-such-option'])).toEqual(hem(['text', '--no-such-option']));
  expect(started(['--help'])).toEqual(hem(['--help']));
});

describe('hem', () => {
  test('plan --json tells sides, rounds, size, yarn and fit', () => {
    const { status, stdout } = hem(['plan', DEMO, '--json']);
    expect(status).toBe(0);
    const report = JSON.parse(stdout) as Record<string, never>;
    expect(Object.keys(report)).toEqual(['name', 'sides', 'rounds', 'finished', 'yarns', 'fit']);
    expect(report).toMatchObject({
      sides: [
        { name: 'A', lengthCm: 118, baseCount: 160 },
        { name: 'B', lengthCm: 152, baseCount: 212 },
        { name: 'C', lengthCm: 118, baseCount: 160 },
        { name: 'D', lengthCm: 152, baseCount: 212 },
      ],
      finished: { widthCm: 124.2, heightCm: 158.2 },
    });
  });

  test('plan --text speaks the language that is asked for', () => {
    expect(hem(['plan', DEMO, '--text', '--terms', 'uk']).stdout).toContain('htr in each st');
    expect(hem(['plan', DEMO, '--text', '--terms', 'us']).stdout).toContain('hdc in each st');
  });

  test('export writes what the application saves, each under its name', () => {
    const folder = mkdtempSync(join(tmpdir(), 'hem-export-'));
    const { status, stdout } = hem(['export', DEMO, '-o', folder]);
    expect(status).toBe(0);
    const written = stdout.trim().split('\n');
    expect(written.map((path) => path.slice(folder.length + 1))).toEqual(
      EXPORT_IDS.flatMap((id) => EXPORTS[id].files(harbour, USUAL_LOOK).map((f) => f.name)),
    );
    expect(readFileSync(written[0]!, 'utf8')).toBe(exported('text', harbour));
    expect(hem(['export', DEMO, '--as', 'counts', '-o', folder]).stdout.trim()).toBe(
      join(folder, 'harbour-throw-counts.csv'),
    );
    expect(hem(['export', DEMO, '--as', 'pictures', '-o', folder]).status).toBe(2);
  });

  test('check is silent about a sound file and names every fault of an unsound one', () => {
    expect(hem(['check', DEMO])).toEqual({ status: 0, stdout: '', stderr: '' });
    const bad = hem(['check', '-'], '{"format":"zig-hem","version":1,"id":"x","name":"y"}');
    expect(bad.status).toBe(2);
    expect(bad.stderr.trim().split('\n').length).toBeGreaterThan(3);
    expect(hem(['check', 'no-such-file']).status).toBe(2);
  });

  test('text, chart and csv speak of the same counts', () => {
    const text = hem(['text', DEMO, '--terms', 'uk']).stdout;
    const total = Number(/; (\d+) sts\)/.exec(text)![1]);
    const inAll = (form: string): string => hem(['text', DEMO, '--form', form]).stdout;
    expect(hem(['text', DEMO, '--names', 'german']).stdout).toContain(
      'Stitch names: German\n  ch = Luftmasche (Lm) · sc = feste Masche',
    );
    expect(inAll('steps')).toContain(`In all: ${total} sts.`);
    expect(inAll('card')).toContain(`Base: Slate · sc along the edge · ${total} sts`);
    expect(hem(['csv', DEMO]).stdout.split('\n')[1]).toMatch(new RegExp(`^0,Base round,.*,${total}$`));
    expect(hem(['csv', DEMO, '--yarn']).stdout).toMatch(/^yarn,metres,grams/);
    const whole = hem(['chart', DEMO, '--part', 'the whole piece']).stdout;
    const base = /<g class="round-0">(.*?)<\/g><\/g>/.exec(whole)![1]!;
    expect(base.split('<use ').length - 1).toBe(total);
    expect(hem(['text', DEMO, '--markdown']).stdout).toMatch(/^# Harbour throw/);
  });

  test('the exit code tells what stands in the way', () => {
    const file = JSON.parse(readFileSync(DEMO, 'utf8')) as Record<string, unknown>;
    const shell = {
      ...(file.rounds as object[])[0],
      id: 'odd',
      family: 'shell',
      stitch: 'hdc',
      corner: 'three',
      times: 1,
    };
    const odd = hem(['check'], JSON.stringify({ ...file, rounds: [shell] }));
    expect(odd.status).toBe(1);
    expect(odd.stderr).toMatch(/Shell edge does not fit side [AB]/);
    expect(hem(['plan'], JSON.stringify({ ...file, rounds: [shell] })).stdout).toContain(
      'Any one of these makes them fit:',
    );
    expect(hem(['text', '--no-such-option']).status).toBe(2);
    expect(hem(['chart', DEMO, '--part', 'nowhere'])).toMatchObject({ status: 2, stdout: '' });
  });

  test('what hands teach is written, read again, and foretells a border with ranges', () => {
    const WORKED = 'demo/clover-lap.hem.json';
    const taught = hem(['hands', WORKED, DEMO, '--json']);
    expect(taught.status).toBe(0);
    expect(JSON.parse(taught.stdout)).toMatchObject({ yarn: { all: { basis: 'these hands' } } });
    const folder = mkdtempSync(join(tmpdir(), 'hem-'));
    const file = join(folder, 'hands.json');
    writeFileSync(file, taught.stdout);
    const told = hem(['forecast', DEMO, '--hands', file, '--json']);
    const { minutes, rounds } = JSON.parse(told.stdout) as {
      minutes: { low: number; value: number; high: number; basis: string };
      rounds: readonly { grams: { basis: string } }[];
    };
    expect(minutes.low).toBeLessThan(minutes.value);
    expect(minutes.value).toBeLessThan(minutes.high);
    expect([minutes.basis, rounds[0]!.grams.basis]).toEqual(['these hands', 'these hands']);
    expect(hem(['hands', WORKED]).stdout).toMatch(
      /^Time: \d\.\d\d × the usual \(\d\.\d\d to \d\.\d\d\), from these hands/,
    );
    const { counted: taughtCounts } = JSON.parse(taught.stdout) as { counted: object };
    writeFileSync(
      file,
      JSON.stringify({ ...JSON.parse(taught.stdout), counted: { ...taughtCounts, sides: -1 } }),
    );
    expect(hem(['forecast', DEMO, '--hands', file])).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('counted/sides'),
    });
    expect(hem(['log', WORKED, '--csv']).stdout.split('\n')[0]).toBe('when,hem,round,kind,entry,struck');
  });

  test('rounds tells of every family what it needs and how it grows', () => {
    const report = JSON.parse(hem(['rounds', '--json']).stdout) as readonly Record<string, unknown>[];
    expect(report.map((family) => family.id)).toEqual(FAMILIES.map((family) => family.id));
    const told = hem(['rounds']).stdout.trim().split('\n');
    expect(told).toHaveLength(report.length);
    report.forEach(({ id, words }, i) => {
      expect(told[i]!.split(' ')[0]).toBe(id);
      expect(told[i]!.endsWith(` ${String(words)}`)).toBe(true);
    });
    const [plain, blocks] = ['plain', 'loop-and-block'].map((id) => report.find((f) => f.id === id)!);
    expect(plain).toMatchObject({ growsPerSide: 2, words: 'fits any count; each side gains 2 stitches' });
    expect(blocks!.words).toBe('fits any count; each side gains 2 gaps between groups');
  });

  test('steps go through a round, the fewer the longer the stride', () => {
    const steps = (stride: string): readonly string[] =>
      hem(['steps', DEMO, '--round', '1', '--stride', stride]).stdout.trim().split('\n');
    const told = STRIDES.map(steps);
    const lengths = told.map((lines) => lines.length);
    expect(lengths).toEqual([...lengths].sort((a, b) => b - a));
    expect(new Set(lengths).size).toBe(STRIDES.length);
    for (const lines of told) {
      expect(lines.join('\n')).not.toMatch(/undefined|NaN/);
      for (const side of ['Side A', 'Side B', 'Side C', 'Side D']) expect(lines.join('\n')).toContain(side);
    }
    expect(hem(['steps', DEMO, '--round', '99'])).toMatchObject({
      status: 2,
      stdout: '',
      stderr: `There is no round “99”. Use a number from 0, the base round, to ${harbour.rounds.length - 1}.\n`,
    });
  });

  test('recount says what may be wrong with a count, and what can be done', () => {
    const count = harbour.rounds[1]!.sides[1]!.tally.stitches;
    const recount = (...args: readonly string[]) =>
      hem(['recount', DEMO, '--round', '1', '--side', 'b', '--found', ...args]);
    const report = JSON.parse(recount(String(count - 1), '--json').stdout) as {
      causes: readonly { effect: readonly number[]; stitchesBack: number; words: string }[];
      repairs: readonly { kind: string; ripped: number; words: string }[];
    };
    expect(report).toMatchObject({ round: 1, side: 'B', expected: count, found: count - 1 });
    expect(report.causes.length).toBeGreaterThan(0);
    expect(report.repairs.length).toBeGreaterThan(0);
    // Of the sides that were not counted, nothing is known.
    for (const { effect } of report.causes) expect(effect[1]).toBe(-1);
    const text = recount(String(count - 1)).stdout;
    expect(text).toContain(`Side B: ${count - 1} found, ${count} expected.`);
    for (const { words } of [...report.causes, ...report.repairs]) expect(text).toContain(`  ${words}\n`);
    expect(recount(String(count)).stdout).toContain('Right.');
    expect(recount('1.5')).toMatchObject({ status: 2, stderr: expect.stringContaining('“1.5” is no count') });
    expect(hem(['recount', DEMO, '--round', '1', '--side', 'Z', '--found', '3'])).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('Use one of: A, B, C, D.'),
    });
  });

  test('the log is told entry by entry, with what was struck', () => {
    const told = hem(['log', 'demo/clover-lap.hem.json']).stdout.trim().split('\n');
    const clover = demoPlan('clover');
    expect(told).toHaveLength(logOf(clover.hem).length);
    for (const line of told) expect(line).toMatch(/^\d{4}-\d\d-\d\dT[\d:.]+Z {2}Clover lap blanket: \S/);
    expect(hem(['log', DEMO])).toEqual({ status: 0, stdout: '', stderr: '' });
  });

  test('a round that cannot be read or made is a line of the check, and its exit code', () => {
    const written = { text: 'side: *sc in nowhere*\ncorner: walk round', language: 'us' };
    const file = JSON.parse(readFileSync(DEMO, 'utf8')) as { rounds: readonly object[] };
    const own = { ...file.rounds[0], id: 'own', family: 'own', written, times: 1 };
    const input = JSON.stringify({ ...file, rounds: [...file.rounds, own] });
    const checked = hem(['check'], input);
    expect(checked.status).toBe(1);
    expect(checked.stderr).toMatch(/“nowhere”|was not understood/);
    expect(hem(['plan'], input).stdout).toContain('Some rounds cannot be worked and are left out.');
  });

  test('a bundle holds every hem, and is read like a file', () => {
    const folder = mkdtempSync(join(tmpdir(), 'hem-'));
    const zip = join(folder, 'all.zip');
    expect(hem(['bundle', DEMO, 'demo/round-rug.hem.json', '-o', zip]).status).toBe(0);
    expect(hem(['check', zip])).toMatchObject({ status: 0, stderr: '' });
    const again = hem(['bundle', zip, DEMO, '-o', '-']);
    expect(again.status).toBe(0);
    expect(again.stdout.startsWith('PK')).toBe(true);
  });

  test('propose finds borders for a wish, planned as they are told, and says why there are none', () => {
    const small = flatBlanket();
    const { status, stdout } = hem(
      ['propose', '-', '--size', '51x53', '--edge', 'lobed', '--json'],
      JSON.stringify(small),
    );
    expect(status).toBe(0);
    const { tried, suit, proposals } = JSON.parse(stdout) as ReturnType<typeof proposed>;
    expect([tried > 1000, suit > 10, proposals.length]).toEqual([true, true, 8]);
    for (const { base, rounds, widthMm, grams, looks } of proposals) {
      const made = plan({ ...small, base, rounds });
      expect(made.borderWidthMm).toBeCloseTo(widthMm, 6);
      expect(made.yarns.reduce((sum, y) => sum + y.quantity.grams * (1 + y.quantity.spread), 0)).toBeCloseTo(
        grams,
        6,
      );
      expect(looks).toContain('scalloped');
      expect(Math.abs(made.blockedSize.widthMm - 510)).toBeLessThan(20);
    }
    const none = hem(['propose', '-', '--width', '4', '--hours', '0.1'], JSON.stringify(small));
    expect([none.status, none.stdout]).toEqual([
      1,
      expect.stringMatching(/Nothing suits\.\nBut for the time/),
    ]);
    expect(hem(['propose', DEMO, '--size', '12'])).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('120x150'),
    });
    expect(hem(['propose', DEMO, '--width', '-3'])).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('--width'),
    });
  });
});
