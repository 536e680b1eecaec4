import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeAll, describe, expect, test } from '@jest/globals';
import { build } from 'esbuild';
import { plan } from '../core/plan/planner.ts';
import { demoPlans } from '../demo/read.ts';
import type { proposed } from './propose.ts';
import { EXPORTS, EXPORT_IDS, exported } from '../drawing/exports.ts';

const DEMO = 'demo/harbour-throw.hem.json';
const harbour = demoPlans().find(([file]) => DEMO.endsWith(file))![1];

/** The command in one file: a process that begins with it is there at once. */
const COMMAND = 'node_modules/.cache/hem.test.cjs';

const started = (args: readonly string[], input: string) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, args, {
    input,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  return { status, stdout, stderr };
};
const hem = (args: readonly string[], input = '') => started([COMMAND, ...args], input);

beforeAll(() =>
  build({
    entryPoints: ['cli/hem.ts'],
    bundle: true,
    platform: 'node',
    format: 'cjs',
    outfile: COMMAND,
  }),
);

describe('hem', () => {
  test('plan --json tells sides, rounds, size, yarn and fit', () => {
    const { status, stdout } = hem(['plan', DEMO, '--json']);
    expect(status).toBe(0);
    const report = JSON.parse(stdout) as Record<string, never>;
    expect(Object.keys(report)).toEqual(['name', 'sides', 'rounds', 'finished', 'yarns', 'fit']);
    expect(report).toMatchObject({
      sides: [
        { name: 'A', lengthCm: 118, baseCount: 158 },
        { name: 'B', lengthCm: 152, baseCount: 210 },
        { name: 'C', lengthCm: 118, baseCount: 158 },
        { name: 'D', lengthCm: 152, baseCount: 210 },
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
      EXPORT_IDS.flatMap((id) => EXPORTS[id].files(harbour).map((f) => f.name)),
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
    const total = Number(/In all: (\d+) sts/.exec(text)![1]);
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
    expect(started(['--import', 'tsx', 'cli/hem.ts', '--help'], '')).toMatchObject({ status: 0 });
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
      /^Time: \d\.\d\d × the rule of thumb \(\d\.\d\d to \d\.\d\d\), from these hands/,
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
    const { status, stdout } = hem(['propose', DEMO, '--size', '126x160', '--edge', 'lobed', '--json']);
    expect(status).toBe(0);
    const { tried, suit, proposals } = JSON.parse(stdout) as ReturnType<typeof proposed>;
    expect([tried > 1000, suit > 10, proposals.length]).toEqual([true, true, 8]);
    for (const { base, rounds, widthMm, grams, looks } of proposals) {
      const made = plan({ ...harbour.hem, base, rounds });
      expect(made.borderWidthMm).toBeCloseTo(widthMm, 6);
      expect(made.yarns.reduce((sum, y) => sum + y.quantity.grams * (1 + y.quantity.spread), 0)).toBeCloseTo(
        grams,
        6,
      );
      expect(looks).toContain('scalloped');
      expect(Math.abs(made.blockedSize.widthMm - 1260)).toBeLessThan(20);
    }
    const none = hem(['propose', DEMO, '--width', '4', '--hours', '0.1']);
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
