import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { plan } from './plan/planner.ts';
import { factsOf } from './rounds/facts.ts';
import { familyById } from './rounds/registry.ts';
import { rowsHem } from './testing/hems.ts';

/** What examples may refer to beside the exports of their own file. */
const GIVEN = {
  rowEnds: plan(rowsHem({ rows: [{ stitch: 'dc', count: 3 }] })).body.edges[1]!,
  shellFacts: factsOf(familyById('shell')!),
  plainFacts: factsOf(familyById('plain')!),
};

const files = readdirSync('core', { recursive: true, encoding: 'utf8' }).filter(
  (f) => f.endsWith('.ts') && !f.endsWith('.test.ts') && !f.endsWith('.d.ts'),
);

const examples = files.flatMap((file) =>
  [...readFileSync(join('core', file), 'utf8').matchAll(/@example (.+?) \/\/ (.+?)(?: \*\/)?$/gm)].map(
    (m) => [file, m[1]!, m[2]!] as const,
  ),
);

describe('examples in the descriptions of functions', () => {
  test('are there', () => expect(examples.length).toBeGreaterThan(12));

  test.each(examples)('%s: %s', async (file, expression, result) => {
    const module = (await import(`./${file}`)) as Record<string, unknown>;
    const names = { ...GIVEN, ...module };
    const evaluate = (text: string): unknown =>
      // The examples of our own comments.
      // eslint-disable-next-line @typescript-eslint/no-implied-eval
      (new Function(...Object.keys(names), `return (${text});`) as (...values: unknown[]) => unknown)(
        ...Object.values(names),
      );
    expect(evaluate(expression)).toEqual(evaluate(result));
  });
});
