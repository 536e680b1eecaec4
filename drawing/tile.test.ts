import { beforeAll, describe, expect, test } from '@jest/globals';
import { demoPlans } from '../demo/read.ts';
import { EDGE, levelFor, paintTile, placesIn, scaleOf, wholePiece, type TilePlace } from './tile.ts';
import { symbolFramesOf } from './frames.ts';
import { sceneOf, type Scene } from './scene.ts';

/** A canvas that notes where strokes are painted. */
class NotingCanvas {
  readonly width = EDGE;
  readonly height = EDGE;
  readonly strokes: (readonly [number, number])[] = [];
  private at: readonly [number, number] = [0, 0];
  fills = 0;
  getContext(): unknown {
    const nothing = (): void => undefined;
    return {
      canvas: this,
      setTransform: (...[, , , , x, y]: number[]) => void (this.at = [x!, y!]),
      stroke: () => void this.strokes.push(this.at),
      fill: () => void this.fills++,
      resetTransform: nothing,
      save: nothing,
      restore: nothing,
      clip: nothing,
      fillRect: nothing,
      setLineDash: nothing,
      beginPath: nothing,
      closePath: nothing,
      lineTo: nothing,
      arc: nothing,
    };
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

function noted(scene: Scene, place: TilePlace): NotingCanvas {
  const canvas = new NotingCanvas();
  paintTile(canvas as unknown as OffscreenCanvas, scene, place);
  return canvas;
}

const scenes = demoPlans().map(([name, plan]): readonly [string, Scene] => [
  name,
  sceneOf(plan, { face: 'symbols', seen: 'right', round: null, ground: '#ffffff' }),
]);

describe('tiles of a scene', () => {
  test.each([0.1, 0.7, 1, 3.3, 20])('at least as sharp as asked for: scale %s', (scale) => {
    expect(scaleOf(levelFor(scale))).toBeGreaterThanOrEqual(scale * 0.999);
    expect(scaleOf(levelFor(scale))).toBeLessThan(scale * 1.42);
  });

  test('cover a canvas without a gap, the middle first', () => {
    const view = { x: 123, y: -77, scale: 3 };
    const level = levelFor(view.scale);
    const places = placesIn(view, 800, 600, level);
    const size = EDGE / scaleOf(level);
    const holds = (x: number, y: number): boolean =>
      places.some(
        ({ column, row }) =>
          column * size <= x && x <= (column + 1) * size && row * size <= y && y <= (row + 1) * size,
      );
    for (let i = 0; i <= 20; i++) {
      for (let j = 0; j <= 20; j++) {
        expect(holds(view.x + ((i / 20 - 0.5) * 800) / 3, view.y + ((j / 20 - 0.5) * 600) / 3)).toBe(true);
      }
    }
    const [first] = places;
    expect(first!.column * size).toBeLessThanOrEqual(view.x);
    expect((first!.column + 1) * size).toBeGreaterThanOrEqual(view.x);
  });

  test.each(scenes)('four of them hold the whole of %s, as bands', (_, scene) => {
    const places = wholePiece(scene);
    expect(places).toHaveLength(4);
    const size = EDGE / scaleOf(places[0]!.level);
    const { headX, headY } = scene.rounds[scene.rounds.length - 1]!.chart;
    expect(Math.max(...headX, ...headY)).toBeLessThan(size);
    expect(Math.min(...headX, ...headY)).toBeGreaterThan(-size);
    expect(noted(scene, places[0]!).fills).toBeGreaterThan(0);
  });

  test.each(scenes)('every stitch in a tile of %s is painted in it, at its place', (_, scene) => {
    const level = levelFor(20 / scene.rounds[0]!.widthMm);
    const scale = scaleOf(level);
    const size = EDGE / scale;
    const { chart, widthMm } = scene.rounds[0]!;
    const { footX, footY } = chart;
    const place = { level, column: Math.floor(footX[0]! / size), row: Math.floor(footY[0]! / size) };
    const { strokes } = noted(scene, place);
    const inside = [...footX].flatMap((_x, i) => {
      const [, , , , x, y] = symbolFramesOf(chart, i, widthMm)[0]!;
      const at = [x * scale - place.column * EDGE, y * scale - place.row * EDGE] as const;
      return at.every((d) => d > 0 && d < EDGE) ? [at] : [];
    });
    expect(inside.length).toBeGreaterThan(0);
    for (const [x, y] of inside) {
      expect(strokes.some(([sx, sy]) => Math.hypot(sx - x, sy - y) < 0.01)).toBe(true);
    }
    // A mirrored scene has the same tiles.
    expect(noted({ ...scene, mirrored: true }, place).strokes).toEqual(strokes);
  });
});
