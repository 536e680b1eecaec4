/**
 * The borders that are tried: a ground of plain rounds, a middle that can be worked on (or none), an edge (or none). Each part comes with
 * the first choices of its family; in one of them one choice may differ: its size, corner, loop, stitch, or how often it is worked. Rounds
 * that the maker wrote stand beside the families.
 */
import { OWN, type Hem, type RoundEntry } from '../document/hem.ts';
import type { Body } from '../piece/edge.ts';
import { firstChoice } from '../rounds/facts.ts';
import type { Family } from '../rounds/family.ts';
import { fillLoops } from '../rounds/fillLoops.ts';
import { plain } from '../rounds/plain.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { slipEdge } from '../rounds/slipEdge.ts';
import { newEntry, writtenRounds } from '../stack/stack.ts';

/** Choices for the rounds of a part, whatever yarn they are in. */
export type PartRounds = Pick<
  RoundEntry,
  'family' | 'stitch' | 'corner' | 'loop' | 'size' | 'times' | 'written'
>;

/** The parts of a border, innermost first. */
export interface Shape {
  readonly ground: PartRounds | null;
  readonly middle: PartRounds | null;
  readonly edge: PartRounds | null;
}

export const GROUND_STITCHES = ['sc', 'hdc', 'dc', 'tr'] as const;
/** Ground in which a middle is worked: trebles make a border by themselves. */
const UNDER_A_MIDDLE = GROUND_STITCHES.filter((stitch) => stitch !== 'tr');

/** Families that others can stand on, but plain rounds, which are the ground. */
export const MIDDLES: readonly Family[] = FAMILIES.filter(
  (f) => f.repeatable && f.id !== plain.id && f.id !== slipEdge.id,
);

/** Families that end a border. */
export const EDGES: readonly Family[] = FAMILIES.filter(
  (f) => (!f.repeatable || f.id === slipEdge.id) && f.id !== fillLoops.id,
);

/** Parts shared by the shapes that are tried one after the other. */
export interface ShapeStart {
  readonly stitch: (typeof GROUND_STITCHES)[number];
  readonly middle: PartRounds | null;
}

/** The starts of a hem’s grammar, those without a middle first. */
export function shapeStarts(hem: Hem): readonly ShapeStart[] {
  const middles = [null, ...MIDDLES.map(firstOf), ...ownLayers(hem, 'straight')];
  return middles.flatMap((middle) =>
    (middle ? UNDER_A_MIDDLE : GROUND_STITCHES).map((stitch) => ({ stitch, middle })),
  );
}

/** A family as it is first offered. */
export const firstOf = (family: Family): PartRounds => ({
  ...firstChoice(family),
  family: family.id,
  times: 1,
  written: null,
});

/** A family with one choice that is not the first. */
function variantsOf(family: Family): readonly PartRounds[] {
  const first = firstOf(family);
  return [
    ...family.stitches.slice(1).map((stitch) => ({ ...first, stitch })),
    ...family.corners.slice(1).map((corner) => ({ ...first, corner })),
    ...family.loops.slice(1).map((loop) => ({ ...first, loop })),
    ...(family.sizedCorner === null ? family.sizes.slice(1) : []).map((size) => ({ ...first, size })),
  ];
}

const EDGE_LAYERS = EDGES.map(firstOf);
const EDGE_VARIANTS = EDGES.flatMap(variantsOf);

/** Rounds that the maker wrote, in the border in hand and in those put aside; each text once. */
function ownLayers(hem: Hem, edge?: 'straight'): readonly PartRounds[] {
  const entries = [...hem.rounds, ...hem.kept.flatMap((k) => k.rounds)].filter((r) => r.family === OWN);
  const texts = new Map(entries.map((r) => [JSON.stringify(r.written), r]));
  return [...texts.values()].flatMap((r) => {
    const [round] = writtenRounds([r]).rounds;
    if (!round || (edge && (round.edge !== edge || round.recipe.surface))) return [];
    const { family, stitch, corner, loop, size, written } = r;
    return [{ family, stitch, corner, loop, size, times: 1, written }];
  });
}

/** The corner at which a plain round in a stitch lies flat around a right angle: the taller it is, the more goes in. */
const AT_RIGHT_ANGLES = { sc: 'three', hdc: 'angle', dc: 'twos', tr: 'threes' } as const;

const isSquare = ({ outline }: Body): boolean =>
  outline.turns.every((turn) => Math.abs(turn - Math.PI / 2) < 0.01);

/** A ground as it is usually worked, then those that differ from it by a corner or a loop. */
function groundsOf(stitch: ShapeStart['stitch'], body: Body): readonly [PartRounds, ...PartRounds[]] {
  const first = { ...firstOf(plain), stitch };
  if (!isSquare(body)) {
    const usual: PartRounds = { ...first, corner: 'angle' };
    return [usual, { ...usual, loop: 'back' }];
  }
  const usual: PartRounds = { ...first, corner: AT_RIGHT_ANGLES[stitch] };
  const others = (['three', 'chain-2'] as const).filter((corner) => corner !== usual.corner);
  return [usual, ...others.map((corner) => ({ ...usual, corner })), { ...usual, loop: 'back' }];
}

/** The parts of the borders of a start; how often its ground is worked is left to the width. */
export function borderShapes({ stitch, middle }: ShapeStart, hem: Hem, body: Body): readonly Shape[] {
  const [ground, ...grounds] = groundsOf(stitch, body);
  const family = MIDDLES.find((f) => f.id === middle?.family);
  const middles = middle ? [...(family ? variantsOf(family) : []), { ...middle, times: 2 }] : [];
  const edges = [null, ...EDGE_LAYERS, ...ownLayers(hem)];
  return [
    ...edges.map((edge) => ({ ground, middle, edge })),
    ...EDGE_VARIANTS.map((edge) => ({ ground, middle, edge })),
    ...grounds.flatMap((other) => edges.map((edge) => ({ ground: other, middle, edge }))),
    ...middles.flatMap((other) => edges.map((edge) => ({ ground, middle: other, edge }))),
  ];
}

/** The parts of a border. */
export type BorderPart = 'ground' | 'middle' | 'edge';

/** Id of the entry of a part until it is tried on; and of the entry that the part must stand on. */
export const idOf = (part: BorderPart): string => `proposed ${part}`;
export const idUnder = (part: BorderPart): string => `proposed under the ${part}`;

/** The part that an entry belongs to; undefined for what stays. */
export const borderPartOf = ({ id }: Pick<RoundEntry, 'id'>): BorderPart | undefined =>
  (['ground', 'middle', 'edge'] as const).find((part) => id === idOf(part) || id === idUnder(part));

/** A part as an entry of the stack. */
export const entryFor = (
  layer: PartRounds,
  id: string,
  yarns: readonly [string, ...string[]],
): RoundEntry => ({
  ...newEntry(plain, id, yarns[0]),
  ...layer,
  yarns,
});

function sameLayer(a: PartRounds | null, b: PartRounds | null): boolean {
  if (a === b || !a || !b) return a === b;
  return sameChoice(a, b) && a.times === b.times;
}

/** The same, however often it is worked. */
const sameChoice = (a: PartRounds, b: PartRounds): boolean =>
  a.family === b.family &&
  a.stitch === b.stitch &&
  a.corner === b.corner &&
  a.loop === b.loop &&
  a.size === b.size &&
  a.written?.text === b.written?.text;

/** Parts to keep of a border that was seen; each null for any. */
export interface Keep {
  readonly edge: PartRounds | null;
  readonly under: Pick<Shape, 'ground' | 'middle'> | null;
  /** Yarns from the piece outwards, each named once where it goes on. */
  readonly yarns: readonly string[] | null;
}

export const KEEP_NOTHING: Keep = { edge: null, under: null, yarns: null };

/** Whether a border has the parts that are to stay; how often its ground is worked may follow the width. */
export function keepsParts({ edge, under }: Keep, shape: Shape): boolean {
  if (edge && !sameLayer(shape.edge, edge)) return false;
  if (!under) return true;
  const [a, b] = [shape.ground, under.ground];
  return (a && b ? sameChoice(a, b) : a === b) && sameLayer(shape.middle, under.middle);
}

/** Yarns of a border from the piece outwards, each named once where it goes on. */
export const yarnsOf = (rounds: readonly RoundEntry[]): readonly string[] =>
  rounds
    .flatMap((r) => Array.from({ length: r.times }, (_, k) => r.yarns[k % r.yarns.length]!))
    .filter((y, i, all) => y !== all[i - 1]);

/** Which share of the look of a border its parts make, and the order of its yarns: what is seen most counts most. */
const WEIGHTS = { edge: 0.45, middle: 0.22, ground: 0.13, times: 0.08, yarns: 0.12 } as const;
/** Weight of another choice of the same family beside another family. */
const OTHER_CHOICE = 0.4;

/** How much two borders differ: 0 for the same, 1 for nothing in common. @param sameYarns whether their yarns come in the same order */
export function shapeDifference(a: Shape, b: Shape, sameYarns = true): number {
  const part = (x: PartRounds | null, y: PartRounds | null): number => {
    if (x === y) return 0;
    if (!x || !y || x.family !== y.family || (x.family === plain.id && x.stitch !== y.stitch)) return 1;
    return sameChoice(x, y) ? 0 : OTHER_CHOICE;
  };
  const [m, n] = [a.ground?.times ?? 0, b.ground?.times ?? 0];
  return (
    WEIGHTS.edge * part(a.edge, b.edge) +
    WEIGHTS.middle * part(a.middle, b.middle) +
    WEIGHTS.ground * part(a.ground, b.ground) +
    (WEIGHTS.times * Math.abs(m - n)) / Math.max(1, m, n) +
    (sameYarns ? 0 : WEIGHTS.yarns)
  );
}
