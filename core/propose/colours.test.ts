import { describe, expect, test } from '@jest/globals';
import type { Hem } from '../document/hem.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { idOf, idUnder } from './grammar.ts';
import { colourAtEdge } from './edgeColour.ts';
import { Palette, colourCost, dressed, dressingsOf, type Band } from './colours.ts';

const plainHem = rowsHem({});
const withColours = (colours: readonly string[], hem: Partial<Hem> = {}): Hem => ({
  ...plainHem,
  pieceColour: '#5d7a8a',
  yarns: colours.map((colour, i) => ({
    ...plainHem.yarns[0]!,
    id: `y${i + 1}`,
    name: `Yarn ${i + 1}`,
    colour,
  })),
  ...hem,
});
const bands = (...parts: readonly (readonly [string, number])[]): readonly Band[] =>
  parts.map(([yarn, heightMm]) => ({ yarn, heightMm }));

describe('colors of a border', () => {
  const palette = new Palette(withColours(['#f2e8d5', '#b4482f', '#efe6d6', '#31485c']));

  test('neighbours that are neither the same nor told apart are minded, clear ones are not', () => {
    const cost = (...of: readonly string[]): number =>
      colourCost(
        palette,
        of.map((yarn) => ({ yarn, heightMm: 10 })),
        'edge',
      );
    // Two creams are the same to the eye: one beside the other is as good as one alone, but for being one.
    expect(palette.apart('y1', 'y3')).toBeLessThan(0.02);
    expect(cost('y1', 'y3', 'y1')).toBeLessThanOrEqual(cost('y1', 'y1', 'y1') + 1);
    const near = new Palette(withColours(['#f2e8d5', '#d9ccb2', '#31485c']));
    expect(colourCost(near, bands(['y1', 20], ['y2', 8]), 'edge')).toBeGreaterThan(
      colourCost(near, bands(['y1', 20], ['y3', 8]), 'edge'),
    );
  });

  test('what stands out most is an accent, not the ground', () => {
    const accent = colourCost(palette, bands(['y1', 30], ['y2', 6]), 'edge');
    const [far] = ['y1', 'y2'].sort((a, b) => palette.apart(b, null) - palette.apart(a, null));
    const near = far === 'y1' ? 'y2' : 'y1';
    const ground = colourCost(palette, bands([far!, 30], [near, 6]), 'edge');
    const edge = colourCost(palette, bands([near, 30], [far!, 6]), 'edge');
    expect(ground).toBeGreaterThan(edge);
    expect(accent).toBeGreaterThanOrEqual(0);
  });

  test('hues near each other or far apart are liked better than those between', () => {
    const hues = new Palette(withColours(['#5f8a7a', '#8a7a2f', '#8a5d4a'], { pieceColour: '#4a6f9f' }));
    const between = (yarn: string): boolean => {
      const turned = hues.hueApart(yarn)!;
      return turned > 60 && turned < 110;
    };
    expect(['y1', 'y2', 'y3'].some(between)).toBe(true);
    expect(['y1', 'y2', 'y3'].every(between)).toBe(false);
    const cost = (yarn: string): number => colourCost(hues, bands([yarn, 10]), 'one yarn');
    const [worse] = ['y1', 'y2', 'y3'].filter(between);
    const [better] = ['y1', 'y2', 'y3'].filter((y) => !between(y) && hues.apart(y, null) > 0.12);
    expect(cost(worse!)).toBeGreaterThan(cost(better!));
    // Grey has no hue.
    expect(new Palette(withColours(['#808080'])).hueApart('y1')).toBeNull();
  });

  test('stripes of the piece go on, and are liked for it', () => {
    const striped = new Palette(
      withColours(['#f2e8d5', '#b4482f'], {
        partColours: { '1': '#b04a30', '0': '#f0e6d4', '2': '#f2e8d5' },
      }),
    );
    expect(striped.echo).toEqual(['y1', 'y2', 'y1']);
    const stripes = bands(['y1', 5], ['y2', 5], ['y1', 5]);
    expect(colourCost(striped, stripes, 'echo')).toBeLessThan(colourCost(striped, stripes, 'stripes'));
    const echo = dressingsOf(striped, { ground: 4, middle: 0, edge: 1 }).find((d) => d.kind === 'echo')!;
    expect([echo.ground, echo.edge]).toEqual([['y1', 'y2', 'y1'], ['y1']]);
    expect(new Palette(withColours(['#f2e8d5', '#b4482f'])).echo).toEqual([]);
  });

  test('only yarns of the weight that the border is planned for are used, and none that is used up', () => {
    const yarns = withColours(['#fff', '#000', '#f00', '#0f0']).yarns;
    const hem = {
      ...plainHem,
      yarns: [yarns[0]!, yarns[1]!, { ...yarns[2]!, weight: 1 as const }, { ...yarns[3]!, haveG: 0 }],
    };
    expect(new Palette(hem).yarns).toEqual(['y2', 'y1']);
    expect(
      dressingsOf(new Palette({ ...hem, yarns: [yarns[0]!] }), { ground: 3, middle: 1, edge: 1 }),
    ).toEqual([{ kind: 'one yarn', ground: ['y1'], middle: ['y1'], edge: ['y1'] }]);
  });

  test('shades go from the one that is nearest to the piece, and a dressing leaves alone what stays', () => {
    const [shades] = dressingsOf(palette, { ground: 6, middle: 0, edge: 1 }).filter(
      (d) => d.kind === 'shades',
    );
    const off = (yarn: string): number => Math.abs(palette.lightness(yarn) - palette.lightness(null));
    expect(shades!.ground).toHaveLength(6);
    expect(off(shades!.ground[0])).toBeLessThanOrEqual(off(shades!.ground.at(-1)!));
    const rounds = dressed(
      [entry({ id: 'mine' }), entry({ id: idOf('ground') }), entry({ id: idUnder('edge') })],
      shades!,
    );
    expect(rounds.map((r) => r.yarns)).toEqual([entry({}).yarns, shades!.ground, shades!.edge]);
  });

  test('lie beside the edge of the piece, not beside its middle', () => {
    const striped = withColours(['#f2e8d5'], {
      piece: {
        ...plainHem.piece,
        rows: [
          { stitch: 'dc', count: 30 },
          { stitch: 'dc', count: 2 },
        ],
      } as Hem['piece'],
      partColours: { '1': '#112233' },
    });
    // Most of the edge is of the first run, whose color is the piece’s own.
    expect(colourAtEdge(striped)).toBe('#5d7a8a');
    expect(colourAtEdge({ ...striped, partColours: { '0': '#445566', '1': '#112233' } })).toBe('#445566');
  });
});
