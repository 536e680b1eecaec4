import { describe, expect, test } from '@jest/globals';
import { stitchOf, type Stitch } from '../ring/stitch.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { firstChoice } from '../rounds/facts.ts';
import { recipeOf } from '../notation/parse.ts';
import { makingOf } from './making.ts';

const loops = (given: Parameters<typeof stitchOf>[0]): readonly number[] =>
  makingOf(stitchOf(given), 'us').map((s) => s.loops);

describe('loops on the hook', () => {
  test('of the plain stitches', () => {
    expect(loops({ kind: 'ch', chains: 1 })).toEqual([1]);
    expect(loops({ kind: 'slst' })).toEqual([1, 1]);
    expect(loops({ kind: 'sc' })).toEqual([1, 2, 1]);
    expect(loops({ kind: 'esc' })).toEqual([1, 2, 2, 1]);
    expect(loops({ kind: 'hdc' })).toEqual([2, 2, 3, 1]);
    expect(loops({ kind: 'hhdc' })).toEqual([2, 2, 3, 2, 1]);
    expect(loops({ kind: 'dc' })).toEqual([2, 2, 3, 2, 1]);
    expect(loops({ kind: 'tr' })).toEqual([3, 3, 4, 2, 1]);
    expect(loops({ kind: 'dtr' })).toEqual([4, 4, 5, 2, 1]);
  });

  test('of those worked together, and of clusters', () => {
    expect(loops({ kind: 'sc', form: 'together', legs: 2 })).toEqual([1, 2, 2, 3, 1]);
    expect(Math.max(...loops({ kind: 'dc', form: 'together', legs: 2 }))).toBe(4);
    expect(Math.max(...loops({ kind: 'hdc', form: 'together', legs: 2 }))).toBe(5);
    expect(loops({ kind: 'dc', form: 'together', legs: 3 }).at(-2)).toBe(4);
    expect(Math.max(...loops({ kind: 'hdc', form: 'puff', legs: 3 }))).toBe(7);
    expect(Math.max(...loops({ kind: 'ch', form: 'dot', chains: 3, legs: 5 }))).toBe(6);
    expect(loops({ kind: 'dc', form: 'bobble', legs: 5 }).at(-2)).toBe(6);
  });

  test('every stitch of every family ends with one loop and a finished post', () => {
    const stitches = new Set<Stitch>();
    for (const family of FAMILIES) {
      for (let k = 0; k < family.roundsPerRepeat; k++) {
        const { side, corner } = recipeOf(family.write(firstChoice(family), k));
        for (const i of side.flatMap((s) => (s.do === 'repeat' ? s.body : [s]))) {
          if (i.do === 'work') i.what.forEach((s) => stitches.add(s));
          if (i.do === 'make') stitches.add(i.what);
        }
        corner.group.forEach((s) => stitches.add(s));
      }
    }
    expect(stitches.size).toBeGreaterThan(15);
    for (const stitch of stitches) {
      const last = makingOf(stitch, 'uk').at(-1)!;
      expect([stitch, last.loops, last.built]).toEqual([stitch, 1, 1]);
    }
  });
});

test('each language has its own word for the yarn going over the hook', () => {
  const dc = stitchOf({ kind: 'dc' });
  expect(makingOf(dc, 'us')[0]!.words).toBe('Yarn over');
  expect(makingOf(dc, 'uk')[0]!.words).toBe('Yarn round hook');
});

test('the place that the hook goes into is told', () => {
  const words = (given: Parameters<typeof stitchOf>[0]): string =>
    makingOf(stitchOf(given), 'us')
      .map((s) => s.words)
      .join('. ');
  expect(words({ kind: 'hdc', loop: 'third' })).toContain('third loop');
  expect(words({ kind: 'dc', post: 'front' })).toContain('around the post from the front');
  expect(words({ kind: 'sc', form: 'together', legs: 2 })).toContain('in the next stitch');
  expect(words({ kind: 'dc', form: 'bobble', legs: 3 })).toContain('The same twice more, in the same stitch');
});
