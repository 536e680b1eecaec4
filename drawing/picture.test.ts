import { beforeAll, describe, expect, test } from '@jest/globals';
import { demoPlans } from '../demo/read.ts';
import { paintPicture } from './picture.ts';
import { pictureSize } from './pictureSize.ts';

interface Painted {
  readonly width: number;
  readonly height: number;
  strokes: number;
  /** Of another canvas that was laid on it. */
  from: Painted | null;
}

/** A canvas that counts what is painted on it. */
class CountingCanvas implements Painted {
  strokes = 0;
  from: Painted | null = null;
  constructor(
    readonly width: number,
    readonly height: number,
  ) {}
  getContext(): unknown {
    const own: Record<string, unknown> = {
      canvas: this,
      stroke: () => void this.strokes++,
      drawImage: (other: Painted) => void (this.from = other),
    };
    return new Proxy(own, {
      get: (target, key: string) => target[key] ?? (() => undefined),
      set: () => true,
    });
  }
}

beforeAll(() => {
  const nothing = (): void => undefined;
  Object.assign(globalThis, {
    Path2D: class {
      moveTo = nothing;
      lineTo = nothing;
      arc = nothing;
      closePath = nothing;
    },
  });
});

describe('the picture of a whole piece', () => {
  test.each(demoPlans())('of %s has its proportions, and all stitches of its border', (_, plan) => {
    const { widthMm, heightMm } = pictureSize(plan);
    expect(widthMm).toBeGreaterThan(plan.finishedSize.widthMm);
    const picture = paintPicture(
      plan,
      '#ffffff',
      480,
      (width, height) => new CountingCanvas(width, height) as unknown as OffscreenCanvas,
    ) as unknown as Painted;
    expect(Math.max(picture.width, picture.height)).toBe(480);
    expect(picture.width / picture.height).toBeCloseTo(widthMm / heightMm, 1);
    // A stitch of a blanket is too small at this size: it is painted larger, and made smaller.
    const steps = [picture];
    while (steps.at(-1)!.from) steps.push(steps.at(-1)!.from!);
    const large = steps.at(-1)!;
    // By halves, and once more between pixels: any other step would beat with the stitches.
    const factors = steps.slice(1).map(({ width }, k) => width / steps[k]!.width);
    expect(factors).toEqual(factors.map((_, k) => (k === 0 ? 1 : 2)));
    const pxPerStitch = (large.width / widthMm) * Math.min(...plan.rounds.map((r) => r.stitchWidthMm));
    expect(pxPerStitch).toBeGreaterThan(3.2);
    expect(large.width * large.height).toBeLessThanOrEqual(4096 ** 2);
    const stitches = plan.rounds.reduce((sum, r) => sum + r.total, 0);
    expect(large.strokes).toBeGreaterThan(stitches);
  });
});
