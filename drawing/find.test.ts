import { describe, expect, test } from '@jest/globals';
import { chanceOf } from '../core/chance.ts';
import { withEveryFamily } from '../core/testing/bodies.ts';
import { rowsHem } from '../core/testing/hems.ts';
import { demoPlan, demoPlans } from '../demo/read.ts';
import { entriesIn, stitchAt, type Box } from './find.ts';
import { type Frame, symbolFramesOf, yarnFramesOf } from './frames.ts';
import { sceneOf, type DrawnRound } from './scene.ts';
import { SYMBOL_LINE, symbolOf } from './symbolFace.ts';
import { REACHING, STRAND, strandsOf } from './yarnFace.ts';

/** Points that a path stays between: its control points; of arcs their ends, as far out as their radii. */
function hullOf(path: string): readonly (readonly [number, number])[] {
  const points: [number, number][] = [];
  for (const [, command, rest] of path.matchAll(/([MLCAZ])([^MLCAZ]*)/g)) {
    const n = rest!.match(/-?\d[\d.e-]*/g)?.map(Number) ?? [];
    if (command !== 'A') for (let k = 0; k < n.length; k += 2) points.push([n[k]!, n[k + 1]!]);
    else {
      const [rx, ry, turn, , , x, y] = n as [number, number, number, number, number, number, number];
      const at = (turn * Math.PI) / 180;
      const [ox, oy] = points.at(-1)!;
      // An ellipse is drawn as two halves, whose ends lie on its long axis.
      const [mx, my] = [(ox + x) / 2, (oy + y) / 2];
      for (const side of [-1, 1]) points.push([mx - side * ry * Math.sin(at), my + side * ry * Math.cos(at)]);
      for (const side of [-1, 1]) points.push([mx + side * rx * Math.cos(at), my + side * rx * Math.sin(at)]);
      points.push([x, y]);
    }
  }
  return points;
}

/** What entry `i` of a round covers, mm: all that is drawn of it lies within. */
function drawnBox({ chart, widthMm, seen }: DrawnRound, i: number, face: 'yarn' | 'symbols'): Box {
  const made = chart.ring.made[i]!;
  const { post, top } = strandsOf(made, seen);
  const { lines, filled } = symbolOf(made);
  const yarn = yarnFramesOf(chart, i, widthMm);
  const drawn: readonly (readonly [Frame, readonly string[]])[] =
    face === 'yarn'
      ? [
          ...yarn.frames.map((f) => [f, [...post, ...top]] as const),
          ...(yarn.reach ? [[yarn.reach, REACHING] as const] : []),
        ]
      : symbolFramesOf(chart, i, widthMm).map((f) => [f, filled ? [lines, filled] : [lines]] as const);
  const xs: number[] = [];
  const ys: number[] = [];
  for (const [[a, b, c, d, e, f], paths] of drawn) {
    for (const [x, y] of paths.flatMap(hullOf)) {
      xs.push(a * x + c * y + e);
      ys.push(b * x + d * y + f);
    }
  }
  const half = ((face === 'yarn' ? STRAND.edge : SYMBOL_LINE) / 2) * widthMm;
  return {
    minX: Math.min(...xs) - half,
    maxX: Math.max(...xs) + half,
    minY: Math.min(...ys) - half,
    maxY: Math.max(...ys) + half,
  };
}

const meet = (a: Box, b: Box): boolean =>
  a.minX <= b.maxX && a.maxX >= b.minX && a.minY <= b.maxY && a.maxY >= b.minY;

const small = rowsHem({ stitches: 42, rows: [{ stitch: 'dc', count: 22 }], widthCm: 30, heightCm: 31 });
const plans = [...withEveryFamily(small), ...demoPlans()];

/** Rounds of all plans, of the piece too, with either face and from either side. */
function* drawnRounds(): Generator<readonly [what: string, face: 'yarn' | 'symbols', round: DrawnRound]> {
  for (const [name, plan] of plans) {
    for (const [face, seen] of [
      ['yarn', 'right'],
      ['symbols', 'wrong'],
    ] as const) {
      const { rounds, fabric, edge } = sceneOf(plan, { face, seen, round: null, ground: '#ffffff' });
      for (const round of [...rounds, edge, ...fabric.slice(0, 3)]) {
        if (round.chart.ring.made.length > 0) yield [`${name}, ${face}, ${seen}`, face, round];
      }
    }
  }
}

describe('what is seen in a part of the piece', () => {
  test('is every stitch of which anything is drawn there, however far it hangs over', () => {
    const chance = chanceOf(5);
    for (const [what, face, round] of drawnRounds()) {
      for (let k = 0; k < 40; k++) {
        const i = chance.int(0, round.chart.ring.made.length - 1);
        const { minX, maxX, minY, maxY } = drawnBox(round, i, face);
        for (const x of [minX, maxX]) {
          for (const y of [minY, maxY]) {
            const found = entriesIn(round, { minX: x, maxX: x, minY: y, maxY: y });
            if (!found.includes(i)) expect([what, i, round.chart.ring.made[i], found]).toBe('found');
          }
        }
      }
    }
  });

  test('is little else', () => {
    let found = 0;
    let drawn = 0;
    for (const [, face, round] of drawnRounds()) {
      const { headX, headY } = round.chart;
      const reach = 5 * round.widthMm;
      const at = Math.floor(headX.length / 3);
      const box = {
        minX: headX[at]! - reach,
        maxX: headX[at]! + reach,
        minY: headY[at]! - reach,
        maxY: headY[at]! + reach,
      };
      const entries = entriesIn(round, box);
      found += entries.length;
      drawn += entries.filter((i) => meet(box, drawnBox(round, i, face))).length;
    }
    expect(drawn).toBeGreaterThan(1000);
    expect(found / drawn).toBeLessThan(1.15);
  });
});

test('the stitch under a point is the one whose middle is nearest, and none far from all', () => {
  const plan = demoPlan('');
  const { rounds } = sceneOf(plan, { face: 'yarn', seen: 'right', round: null, ground: '#ffffff' });
  for (const round of [0, rounds.length - 1]) {
    const { chart } = rounds[round]!;
    for (const entry of [0, 7, chart.headX.length - 1]) {
      const x = (chart.headX[entry]! + chart.footX[entry]!) / 2;
      const y = (chart.headY[entry]! + chart.footY[entry]!) / 2;
      expect(stitchAt(rounds, x, y)).toEqual({ round, entry });
    }
  }
  expect(stitchAt(rounds, 1e5, 0)).toBeNull();
});
