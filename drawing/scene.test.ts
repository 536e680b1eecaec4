import { describe, expect, test } from '@jest/globals';
import { changePiece } from '../core/document/changePiece.ts';
import { plan } from '../core/plan/planner.ts';
import type { Plan } from '../core/plan/types.ts';
import { proceduresOf } from '../core/procedure/procedure.ts';
import { tallyRing } from '../core/ring/ring.ts';
import { countsAsStitch, isChainRun, stitchOf } from '../core/ring/stitch.ts';
import { withEveryFamily } from '../core/testing/bodies.ts';
import { entry, rowsHem } from '../core/testing/hems.ts';
import { demoPlans } from '../demo/read.ts';
import { boundsIn, stitchAt } from './find.ts';
import { framesOf } from './frames.ts';
import { colourAt, sceneOf, type SceneChoice } from './scene.ts';
import { svgOf } from './svg.ts';
import { strandsOf } from './yarnFace.ts';

const small = rowsHem({ stitches: 42, rows: [{ stitch: 'dc', count: 22 }], widthCm: 30, heightCm: 31 });
const demos = demoPlans();
const EVERYWHERE = { minX: -5000, minY: -5000, maxX: 5000, maxY: 5000 };
const choice = (given: Partial<SceneChoice> = {}): SceneChoice => ({
  face: 'symbols',
  seen: 'right',
  round: null,
  ground: '#ffffff',
  ...given,
});

/** How often each round’s stitches are placed in a drawing, and the chain before them that does not count. */
function placed(svg: string, group: 'stitches' | 'posts'): readonly number[] {
  const rounds = svg.slice(svg.search(/<g class="(?:lift|round)-0">/));
  return [...rounds.matchAll(new RegExp(`<g class="${group}"[^>]*>(.*?)</g>(?=<|$)`, 'g'))].map(
    (m) => m[1]!.split('<use ').length - 1,
  );
}

/** What the counts say that a round should show: its stitches, each chain of its runs, and its ornaments. */
function counted(made: Plan): readonly number[] {
  return proceduresOf(made).flatMap(({ round: { ring }, start }) => {
    const { stitches, chains } = tallyRing(ring);
    const ornaments = ring.made.filter((s) => !countsAsStitch(s) && !isChainRun(s)).length;
    // A chain that counts is drawn link by link, stacked stitches one by one, a closing stitch in place of its chains.
    const first = start?.first.by === 'chain' && start.first.counts ? start.first.chains : 1;
    const closing = start?.close.by === 'stitch' ? 1 - start.close.space : 0;
    const stacked = start?.first.by === 'stacked' ? start.first.singles : 1;
    const round = stitches + chains + ornaments + first - 1 + stacked - 1 + closing;
    // One that does not count stands under its round.
    const lift = start?.first.by === 'chain' && !start.first.counts ? start.first.chains : 0;
    return lift > 0 ? [lift, round] : [round];
  });
}

describe('what is drawn is what is counted', () => {
  test.each(withEveryFamily(small))('%s, in symbols and in yarn', (_, made) => {
    expect(placed(svgOf(sceneOf(made, choice()), EVERYWHERE, ''), 'stitches')).toEqual(counted(made));
    const yarn = svgOf(sceneOf(made, choice({ face: 'yarn' })), EVERYWHERE, '');
    expect(placed(yarn, 'stitches').map((n, k) => n === counted(made)[k])).not.toContain(false);
  });

  test.each(demos)('%s', (_, made) => {
    expect(placed(svgOf(sceneOf(made, choice()), EVERYWHERE, ''), 'stitches')).toEqual(counted(made));
  });

  test.each([
    ['stacked', 'stitch'],
    ['counted chain', 'chain and stitch'],
    ['drawn up', 'spiral'],
  ] as const)('first stitches %s, rounds closed with %s', (first, close) => {
    const rounds = [entry({ stitch: 'dc', corner: 'chain-2', times: 3 })];
    const start = { ...small.base.start, first, close, join: 'centred' as const };
    const made = plan({ ...small, rounds, base: { ...small.base, start } });
    expect(placed(svgOf(sceneOf(made, choice()), EVERYWHERE, ''), 'stitches')).toEqual(counted(made));
  });

  test('a part of the piece shows no more than lies in it', () => {
    const [, made] = demos[0]!;
    const scene = { ...sceneOf(made, choice()), lifts: [] };
    const all = placed(svgOf(scene, EVERYWHERE, ''), 'stitches');
    const { x, y } = { x: made.finishedSize.widthMm / 2, y: -made.finishedSize.heightMm / 2 };
    const box = { minX: x - 60, maxX: x + 10, minY: y - 10, maxY: y + 60 };
    placed(svgOf(scene, box, ''), 'stitches').forEach((n, k) => {
      expect(n).toBeGreaterThan(3);
      expect(n).toBeLessThan(all[k]! / 8);
    });
  });
});

test('drawings with different titles share no ids, so that they can stand on one page', () => {
  const [, made] = demos[0]!;
  const ids = (title: string): readonly string[] =>
    [...svgOf(sceneOf(made, choice()), EVERYWHERE, title).matchAll(/ id="([^"]+)"/g)].map((m) => m[1]!);
  const [a, b] = [ids('Corner A/B'), ids('Side A')];
  expect(a.length).toBeGreaterThan(2);
  expect(a.filter((id) => b.includes(id))).toEqual([]);
});

test('bounds keep to what is drawn', () => {
  const [, made] = demos[0]!;
  const { rounds } = sceneOf(made, choice());
  const { maxX, maxY } = boundsIn(rounds, EVERYWHERE);
  expect(maxX).toBeLessThan(made.finishedSize.widthMm / 2 + 2 * made.stitchWidthMm);
  expect(maxY).toBeGreaterThan(made.finishedSize.heightMm / 2 - made.stitchWidthMm);
  const empty = { minX: 0, maxX: 1, minY: 0, maxY: 1 };
  expect(boundsIn(rounds, empty)).toEqual(empty);
});

describe('the side that is seen', () => {
  const [, made] = demos.find(([file]) => file.startsWith('harbour'))!;
  const left: Plan = {
    ...made,
    hem: { ...made.hem, preferences: { ...made.hem.preferences, hand: 'left' } },
  };

  test('the left hand and the wrong side mirror the drawing, both together do not', () => {
    expect(sceneOf(made, choice()).mirrored).toBe(false);
    expect(sceneOf(left, choice()).mirrored).toBe(true);
    expect(sceneOf(made, choice({ seen: 'wrong' })).mirrored).toBe(true);
    expect(sceneOf(left, choice({ seen: 'wrong' })).mirrored).toBe(false);
  });

  test('a round worked from the wrong side shows its back on the right side', () => {
    const [, layered] = withEveryFamily(small).find(([id]) => id === 'layered-posts')!;
    expect(sceneOf(layered, choice()).rounds.map((r) => r.seen)).toEqual(['right', 'wrong']);
    expect(sceneOf(layered, choice({ seen: 'wrong' })).rounds.map((r) => r.seen)).toEqual(['wrong', 'right']);
  });

  test('front and back posts, front and back loops change places', () => {
    const strands = (seen: 'right' | 'wrong', given: object): number =>
      strandsOf(stitchOf({ kind: 'dc', ...given }), seen).post.length;
    // The back shows a bar of its own.
    expect(strands('wrong', { post: 'back' })).toBe(strands('right', { post: 'front' }) + 1);
    expect(strands('wrong', { post: 'front' })).toBe(strands('right', { post: 'back' }) + 1);
    expect(strands('wrong', { loop: 'front' })).toBe(strands('right', { loop: 'back' }) + 1);
  });

  test('one round in full colour leaves fade other rounds', () => {
    const one = sceneOf(made, choice({ round: 2 }));
    const all = sceneOf(made, choice());
    expect(one.rounds.map((r, k) => r.colour === all.rounds[k]!.colour)).toEqual(
      made.rounds.map((_, k) => k === 2),
    );
  });
});

test('the stitch under a point is the one that is drawn there', () => {
  for (const [, made] of demos) {
    const { rounds } = sceneOf(made, choice());
    const last = rounds[rounds.length - 1]!;
    const { chart } = last;
    for (let i = 0; i < chart.ring.made.length; i += 37) {
      if (isChainRun(chart.ring.made[i]!)) continue;
      const x = (chart.headX[i]! + chart.footX[i]!) / 2;
      const y = (chart.headY[i]! + chart.footY[i]!) / 2;
      const found = stitchAt([last], x, y)!;
      const near = Math.hypot(
        (chart.headX[found.entry]! + chart.footX[found.entry]!) / 2 - x,
        (chart.headY[found.entry]! + chart.footY[found.entry]!) / 2 - y,
      );
      expect(near).toBeCloseTo(0, 3);
    }
    expect(stitchAt(rounds, 0, 0)).toBeNull();
  }
});

test('the links of a chain lie apart, between the stitches that it joins', () => {
  const [, looped] = withEveryFamily(small).find(([id]) => id === 'loop-and-block')!;
  const { chart, widthMm } = sceneOf(looped, choice()).rounds.find((r) =>
    r.chart.ring.made.some((s) => isChainRun(s) && s.chains >= 2),
  )!;
  const run = chart.ring.made.findIndex((s) => isChainRun(s) && s.chains >= 2);
  const links = framesOf(chart, run, widthMm);
  expect(links).toHaveLength(chart.ring.made[run]!.chains);
  for (const [k, link] of links.slice(1).entries()) {
    const distance = Math.hypot(link[4] - links[k]![4], link[5] - links[k]![5]);
    expect(distance).toBeGreaterThan(0.2 * widthMm);
  }
});

describe('the colors of the parts of a piece', () => {
  const shown = (made: Plan): ReturnType<typeof sceneOf> =>
    sceneOf(made, choice({ face: 'yarn', pieceInFull: true }));

  test('are those of its stitches, up to the edge, and no others', () => {
    const rows = [
      { stitch: 'dc' as const, count: 10 },
      { stitch: 'hdc' as const, count: 6 },
      { stitch: 'dc' as const, count: 6 },
    ];
    const hem = {
      ...small,
      piece: { ...small.piece, rows } as typeof small.piece,
      partColours: { '1': '#00aa00' },
    };
    const { fabric, edge } = shown(plan(hem));
    const own = fabric.filter((r) => r.colour === '#00aa00');
    expect(own).toHaveLength(6);
    expect(fabric.filter((r) => r.colour === hem.pieceColour)).toHaveLength(fabric.length - 6);
    // The ends of those rows on both sides.
    const ends = edge.chart.ring.made.filter((_, i) => colourAt(edge, i) === '#00aa00');
    expect(ends.map((s) => s.kind)).toEqual(Array.from({ length: 12 }, () => 'hdc'));
  });

  test('of joined motifs are theirs wherever the grid lies', () => {
    const grid = (cells: readonly string[]): Plan => {
      const piece = {
        kind: 'grid',
        lattice: 'squares',
        halves: false,
        halfStitches: null,
        cornerChains: 2,
        cells: [...cells],
        edge: { kind: 'solid', stitch: 'dc', stitches: 8, between: false },
        motifCm: 9,
      } as const;
      return plan({ ...small, ...changePiece(small, piece), partColours: { '61': '#00aa00' } });
    };
    const own = (made: Plan): number => {
      const { fabric, edge } = shown(made);
      const inside = fabric
        .filter((r) => r.colour === '#00aa00')
        .reduce((n, r) => n + r.chart.headX.length, 0);
      return inside + edge.chart.ring.made.filter((_, i) => colourAt(edge, i) === '#00aa00').length;
    };
    const stitches = own(grid(['##', '##']));
    expect(stitches).toBeGreaterThan(40);
    expect(own(grid(['###', '###', '###']))).toBe(stitches);
    expect(own(grid(['##', '#.']))).toBe(0);
  });
});
