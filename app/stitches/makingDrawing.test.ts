import { describe, expect, test } from '@jest/globals';
import { stitchOf, type Stitch } from '../../core/ring/stitch.ts';
import { makingOf } from '../../core/print/making.ts';
import { finishedDrawing, isDrawnInSteps, makingDrawing, type DrawnPath } from '../../drawing/making.ts';
import { PLACE_TOPICS, lookAt } from './places.ts';

const STITCHES: readonly Stitch[] = [
  ...(['slst', 'sc', 'esc', 'hdc', 'hhdc', 'dc', 'tr', 'dtr'] as const).map((kind) => stitchOf({ kind })),
  stitchOf({ kind: 'dc', post: 'front' }),
  stitchOf({ kind: 'dc', post: 'back' }),
  stitchOf({ kind: 'hdc', loop: 'third' }),
  stitchOf({ kind: 'sc', form: 'together', legs: 2 }),
  stitchOf({ kind: 'dc', form: 'together', legs: 3 }),
  stitchOf({ kind: 'hdc', form: 'puff', legs: 3 }),
  stitchOf({ kind: 'dc', form: 'bobble', legs: 5 }),
  stitchOf({ kind: 'sc', form: 'twisted' }),
];

/** The front halves of the loops that lie on the hook. */
const loopsDrawn = (layers: readonly DrawnPath[]): number =>
  layers.filter((l) => l.d.startsWith('M 0 -0.32 C 0.2')).length;

describe('a step shows what its words say', () => {
  test.each(STITCHES.map((s) => [`${s.kind} ${s.form} ${s.loop} ${s.post}`, s] as const))(
    '%s: as many loops on the hook, one hook, and the place it goes into over it',
    (_, stitch) => {
      const steps = makingOf(stitch, 'us');
      steps.forEach((step, i) => {
        const layers = makingDrawing(stitch, steps, i);
        expect([i, loopsDrawn(layers)]).toEqual([i, step.loops]);
        const hook = layers.findIndex((l) => l.of === 'hook');
        expect(layers.filter((l) => l.of === 'hook')).toHaveLength(1);
        const over = layers.slice(hook).some((l) => l.of === 'fabric');
        expect([i, over]).toEqual([i, step.movement.do === 'insert']);
      });
    },
  );

  test('the finished stitch stands beside the one before', () => {
    const sc = stitchOf({ kind: 'sc' });
    const steps = makingOf(sc, 'us');
    const yarnAt = (i: number, x: number): number =>
      makingDrawing(sc, steps, i).filter((l) => l.of === 'yarn' && l.x === x && l.y === 0).length;
    expect(yarnAt(0, 0)).toBeLessThan(yarnAt(steps.length - 1, 0));
    expect(yarnAt(steps.length - 1, 1)).toBe(4);
  });

  test('what is told in words alone has a drawing of the finished stitch', () => {
    for (const form of ['picot', 'dot', 'tassel'] as const) {
      const stitch = stitchOf({ kind: 'ch', form, chains: 3, legs: 5 });
      expect(isDrawnInSteps(stitch)).toBe(false);
      expect(finishedDrawing(stitch).filter((l) => l.of === 'yarn').length).toBeGreaterThan(2);
    }
  });
});

describe('where the hook goes', () => {
  test.each(PLACE_TOPICS.map((p) => [p.name('us'), p] as const))(
    '%s has a sample that shows the place',
    (_, topic) => {
      for (const hand of ['right', 'left'] as const) {
        const made = topic.sample({ language: 'us', hand, length: 'cm', paper: 'a4' });
        expect(made.rounds[topic.round]!.sides.every((s) => !s.fit?.stuck)).toBe(true);
        const { x, y } = lookAt(topic, made);
        expect(Number.isFinite(x + y)).toBe(true);
      }
      expect(topic.words('uk')).not.toMatch(/\bsc\b/);
    },
  );
});
