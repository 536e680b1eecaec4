import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { plan } from '../plan/planner.ts';
import { readHem, writeHem } from './check.ts';
import { readCounts, readGrid } from './csv.ts';
import { VERSION } from './format.ts';

const page = readFileSync('docs/file-format.md', 'utf8');
const blocks = (kind: string): readonly string[] =>
  [...page.matchAll(new RegExp(`\`\`\`${kind}\\n([\\s\\S]*?)\`\`\``, 'g'))].map((m) => m[1]!);

describe('the page on files', () => {
  test('shows a project of the version in force that is sound and can be planned', () => {
    const [text] = blocks('json');
    const outcome = readHem(text!);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    expect(outcome.value.version).toBe(VERSION);
    expect(JSON.parse(writeHem(outcome.value))).toEqual(JSON.parse(text!));
    expect(plan(outcome.value).rounds).toHaveLength(3);
  });

  test('names every version', () => {
    const versions = [...page.matchAll(/^\| (\d+) +\|/gm)].map((m) => Number(m[1]));
    expect(versions).toEqual(Array.from({ length: VERSION }, (_, i) => i + 1));
  });

  test('names every entry of a project that is more than a name', () => {
    const { properties } = JSON.parse(readFileSync('core/document/hem.schema.generated.json', 'utf8')) as {
      properties: Record<string, unknown>;
    };
    const plain = ['format', 'version', 'id', 'name', 'created', 'changed', 'pieceColour'];
    const missing = Object.keys(properties).filter((key) => !page.includes(`| \`${key}\` `));
    expect(missing).toEqual(plain);
  });

  test('shows tables that are read', () => {
    const [counts, grid] = blocks('csv');
    expect(readCounts(counts!)).toMatchObject({ ok: true, value: { sides: [{ stitches: 84 }, {}, {}, {}] } });
    expect(readGrid(grid!)).toEqual({ ok: true, value: ['#..', '##.', '###'] });
  });
});
