import { spawnSync } from 'node:child_process';
import { describe, expect, test } from '@jest/globals';

const DEMO = 'demo/harbour-throw.hem.json';

const hem = (args: readonly string[], input = '') => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['--import', 'tsx', 'cli/hem.ts', ...args], {
    input,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  return { status, stdout, stderr };
};

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
    expect(hem(['plan', DEMO, '--text', '--terms', 'uk']).stdout).toContain('*htr in next st*');
    expect(hem(['plan', DEMO, '--text', '--terms', 'us']).stdout).toContain('*hdc in next st*');
  });

  test('check is silent about a sound file and names every fault of an unsound one', () => {
    expect(hem(['check', DEMO])).toEqual({ status: 0, stdout: '', stderr: '' });
    const bad = hem(['check', '-'], '{"format":"zig-hem","version":1,"id":"x","name":"y"}');
    expect(bad.status).toBe(2);
    expect(bad.stderr.trim().split('\n').length).toBeGreaterThan(3);
    expect(hem(['check', 'no-such-file']).status).toBe(2);
  });
});
