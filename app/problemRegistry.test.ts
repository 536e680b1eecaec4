import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { inAll, problemLine, raising, type Sentences } from '../core/problems.ts';
import { PROBLEMS } from './problemRegistry.ts';

const sources = ['core', 'app'].flatMap((top) =>
  readdirSync(top, { recursive: true, encoding: 'utf8' })
    .filter((path) => /\.tsx?$/.test(path) && !/\.test\./.test(path))
    .map((path) => readFileSync(`${top}/${path}`, 'utf8')),
);
const codes = PROBLEMS.flatMap((room) => Object.keys(room));

describe('the problems that can be told of', () => {
  test('have a code of their own, and stand in the list with their room', () => {
    expect(codes.length).toBeGreaterThan(60);
    expect(new Set(codes).size).toBe(codes.length);
    const rooms = sources.flatMap((text) => [...text.matchAll(/^export const (\w+_PROBLEMS) = \{/gm)]);
    expect(rooms).toHaveLength(PROBLEMS.length);
  });

  test('are all told somewhere', () => {
    const told = new Set(
      sources.flatMap((text) => [...text.matchAll(/\w+Problem\(\s*'([a-z-]+)'/g)].map((m) => m[1]!)),
    );
    expect(codes.filter((code) => !told.has(code))).toEqual([]);
  });

  test('have a sentence each', () => {
    for (const room of PROBLEMS)
      for (const code of Object.keys(room)) {
        const tell = raising(room as unknown as Sentences) as (
          ...told: readonly unknown[]
        ) => Parameters<typeof problemLine>[0];
        expect(problemLine(tell(code, inAll('the hem'), { help: 'other' }))).toMatch(
          /^the hem: \S.*\. \S.*\.$/,
        );
      }
  });
});
