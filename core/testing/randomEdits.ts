/** Edits as the screens make them, chosen by chance: every control of every page, with values that it lets through. */
import { inField } from '../piece/grid/grid.ts';
import { inLattice, inRings } from '../piece/grid/rearranged.ts';
import { LATTICE_IDS } from '../piece/grid/latticeIds.ts';
import { CROSSING_IDS } from '../base/crossings.ts';
import { spacingsFor } from '../base/spacings.ts';
import { OWN, type Hem, type RoundEntry } from '../document/hem.ts';
import { performed, type Edit } from '../edits/edit.ts';
import * as adjustments from '../edits/adjustments.ts';
import * as base from '../edits/base.ts';
import { constructionOf } from '../edits/constructions.ts';
import { JOIN_IDS } from '../alike/joinIds.ts';
import * as hems from '../edits/hem.ts';
import * as pieces from '../edits/piece.ts';
import * as rounds from '../edits/rounds.ts';
import * as yarns from '../edits/yarn.ts';
import { takeSolution } from '../edits/solution.ts';
import { fitHem } from '../fit/open.ts';
import { onEdgesOf, pulledTo, type Piece } from '../piece/piece.ts';
import { withEdgeAt } from '../piece/rows/runs.ts';
import { likeSides } from '../piece/symmetry.ts';
import { topOf, identityOfRound, type Plan } from '../plan/types.ts';
import { plain } from '../rounds/plain.ts';
import { FAMILIES, familyById } from '../rounds/registry.ts';
import { entriesOnto, newEntry, newOwnEntry } from '../stack/stack.ts';
import type { StitchKind } from '../terms/stitches.ts';
import type { Chance } from '../chance.ts';
import { createPlanner } from '../plan/planner.ts';
import { PIECES, on, partByChance, startByChance, startsByChance } from './anyHem.ts';
import { anyHands } from './anyHands.ts';
import { PIECE_KINDS } from '../piece/registry.ts';

type Maker = (plan: Plan, chance: Chance, id: string) => Edit | null;

const ROW_STITCHES: readonly StitchKind[] = ['sc', 'esc', 'hdc', 'hhdc', 'dc', 'tr', 'dtr'];
const ROW_KINDS = ['sc', 'hdc', 'dc', 'tr'] as const;

/** Rounds that people write, some of them not to be read, some too much. */
const WRITTEN = [
  'side: *sc in next st*\ncorner: 3 sc in corner',
  'side: sk 1, *5 hdc in next st, sk 1, sl st in next st, sk 1*\ncorner: 7 hdc in corner',
  'round: *dot, sl st in each of next 3 sts*',
  'round: *sc in each of next 4 sts, (sc, ch 3, sc) in next st*\ncorner: 2 sc in corner',
  'round: *2 dc in next ch-sp, ch 2*',
  'side: *dc2tog, ch 1*\ncorner: (2 dc, ch 2, 2 dc) in corner',
  'side: *3 dc in next st*\ncorner: walk round',
  'side: *sc in same st, sk 1*\ncorner: skip',
  'side: *FPdc around next post*\ncorner: ch 3 over corner\nfacing: wrong',
  'side: *picot, sc in next st*\ncorner: sc, picot in corner',
  'side: *999999999999999 dc in next st*\ncorner: 3 sc in corner',
  'side: *[500 dc in next st] 500 times*\ncorner: 3 sc in corner',
  'side: *((((((((dc in next st*',
  'side: *0 dc in next st*\ncorner: 0 sc in corner',
  'side: *dc in next',
  '',
];

const someSides = (plan: Plan, chance: Chance): readonly number[] => {
  const like = likeSides(plan.body);
  return chance.maybe(0.7) ? chance.pick(like) : [chance.int(0, plan.sides.length - 1)];
};

const someEntry = (plan: Plan, chance: Chance): RoundEntry | null =>
  plan.hem.rounds.length === 0 ? null : chance.pick(plan.hem.rounds);

const onRounds =
  (change: (entry: RoundEntry, chance: Chance, plan: Plan) => Edit | null): Maker =>
  (plan, chance) => {
    const entry = someEntry(plan, chance);
    return entry && change(entry, chance, plan);
  };

function anotherPiece(piece: Piece, hem: Hem, chance: Chance): Piece {
  const { int, pick, next } = chance;
  const length = (): number => Number((0.5 + next() ** 3 * 220).toFixed(1));
  switch (piece.kind) {
    case 'rows':
      return pick<() => Piece>([
        () => ({ ...piece, stitches: int(4, 180) }),
        () => ({ ...piece, widthCm: length() }),
        () => ({ ...piece, heightCm: length() }),
        () => ({ ...piece, rows: [...piece.rows, { stitch: pick(ROW_STITCHES), count: int(1, 20) }] }),
        () => ({ ...piece, rows: piece.rows.map((r) => ({ ...r, count: int(1, 60) })) }),
        () => ({ ...piece, rows: piece.rows.slice(0, 1).map((r) => ({ ...r, stitch: pick(ROW_STITCHES) })) }),
        () => ({
          ...piece,
          lastRow: pick(['stitch tops', 'between the posts'] as const),
          foundation: pick([
            'both loops of the chain',
            'one loop of the chain',
            'stitches of row 1',
            'between the posts of row 1',
          ] as const),
        }),
      ])();
    case 'motif':
      return pick<() => Piece>([
        () => ({ ...piece, corners: pick([0, 3, 4, 5, 6, 8]) }),
        () => ({ ...piece, sideCm: length() }),
        () => ({ ...piece, cornerChains: int(0, 3) }),
        () => ({
          ...piece,
          edge: {
            kind: 'solid',
            stitch: pick(ROW_STITCHES),
            stitches: int(1, 200),
            between: chance.maybe(0.3),
          },
        }),
        () => ({
          ...piece,
          edge: {
            kind: 'clustered',
            clusters: int(2, 40),
            stitchesEach: int(2, 9),
            chainsBetween: int(0, 5),
          },
        }),
      ])();
    case 'blocks':
      return pick<() => Piece>([
        () => ({ ...piece, stitch: pick(['hdc', 'dc'] as const) }),
        () => ({ ...piece, loopChains: int(1, 6) }),
        () => ({ ...piece, blocksWide: int(2, 40), blocksHigh: int(2, 40) }),
        () => ({ ...piece, widthCm: length(), heightCm: length() }),
      ])();
    case 'grid': {
      const across = Math.max(...piece.cells.map((row) => row.length));
      const toggled = (): readonly string[] => {
        const [x, y] = [int(0, across - 1), int(0, piece.cells.length - 1)];
        return piece.cells.map((row, k) => {
          const full = row.padEnd(across, '.');
          return k === y ? full.slice(0, x) + (full[x] === '#' ? '.' : '#') + full.slice(x + 1) : row;
        });
      };
      return pick<() => Piece>([
        () => ({ ...piece, cells: toggled() }),
        () => ({ ...piece, cornerChains: int(0, 3) }),
        () => inLattice(piece, { lattice: pick(LATTICE_IDS), halves: chance.maybe(0.5) }),
        () => inField(piece, { across: int(1, 5), down: int(1, 5) }),
        () => inRings(piece, int(1, 2)),
        () => ({ ...piece, halfStitches: chance.maybe(0.5) ? int(1, 40) : null }),
        () => ({ ...piece, cells: Array.from({ length: int(1, 6) }, () => '#'.repeat(int(1, 6))) }),
        () => ({
          ...piece,
          edge: chance.maybe(0.5)
            ? { kind: 'solid', stitch: 'dc', stitches: int(1, 30), between: chance.maybe(0.3) }
            : { kind: 'clustered', clusters: int(2, 9), stitchesEach: int(2, 4), chainsBetween: int(0, 2) },
        }),
        () => ({ ...piece, motifCm: length() }),
      ])();
    }
    case 'cloth':
      return pick<() => Piece>([
        () => ({ ...piece, pitchMm: int(1, 100) }),
        () => ({ ...piece, widthCm: length(), heightCm: length() }),
      ])();
    case 'knit':
      return pick<() => Piece>([
        () => ({ ...piece, fabric: pick(['garter', 'stockinette', 'ribbing'] as const) }),
        () => ({ ...piece, slipped: !piece.slipped }),
        () => ({ ...piece, stitches: int(4, 90), rows: int(2, 120) }),
        () => ({ ...piece, widthCm: length(), heightCm: length() }),
      ])();
    case 'counted':
      return pick<() => Piece>([
        () => ({ ...piece, sides: [{ lengthCm: length(), stitches: int(1, 300), turnDegrees: 0 }] }),
        () => ({
          ...piece,
          sides: Array.from({ length: 6 }, () => ({ lengthCm: 20, stitches: int(1, 60), turnDegrees: 60 })),
        }),
        () => ({ ...piece, sides: piece.sides.map((s) => ({ ...s, stitches: int(1, 200) })) }),
        () => ({ ...piece, sides: piece.sides.map((s) => ({ ...s, turnDegrees: int(-150, 170) })) }),
        () => ({ ...piece, sides: [...piece.sides.slice(0, 39), piece.sides[0]!] }),
        () => constructionOf('counted', hem),
      ])();
  }
}

/** One maker for every kind of control; those of rounds come up more often. */
const MAKERS: readonly Maker[] = [
  // Piece
  ({ hem }, chance) =>
    pieces.chooseConstruction('construction', constructionOf(chance.pick(PIECE_KINDS), hem)),
  (_, chance) => pieces.workBetweenPosts(chance.maybe(0.5)),
  ({ hem }, chance) => base.borderAlong(chance.maybe(0.5) ? null : partByChance(chance, hem.piece)),
  (_, chance) => pieces.sayHowItLies(chance.pick(['flat', 'ripples', 'cups'])),
  (plan, chance) =>
    pieces.readAgain(
      'a side',
      chance.int(0, plan.sides.length - 1),
      chance.maybe(0.8) ? 0.5 + chance.next() * 200 : null,
    ),
  (plan, chance) => pieces.takeMiddle('a side', chance.int(0, plan.sides.length - 1)),
  (_, chance) =>
    pieces.colourPart(chance.int(0, 70), chance.maybe(0.7) ? chance.pick(['#aa3344', '#efe6d0']) : null),
  (_, chance) => pieces.colourParts({ [String(chance.int(0, 70))]: '#aa3344', '61': '#efe6d0' }),
  ({ hem }, chance) => pieces.describePiece('a field', anotherPiece(hem.piece, hem, chance)),
  ({ hem }, chance) => pieces.describePiece('another', anotherPiece(hem.piece, hem, chance)),
  ({ sides }, chance) => {
    const side = chance.int(0, sides.length - 1);
    return pieces.measureSide(sides[side]!.name, side, chance.int(1, 300));
  },
  ({ hem: { piece } }, chance) => {
    const { what, least, most, told } = chance.pick(onEdgesOf(piece));
    return pieces.describePiece(what, told(piece, chance.int(Math.ceil(least), Math.min(most, 200))));
  },
  ({ hem: { piece } }, chance) => {
    const cm = chance.int(1, 200) / 2;
    const pulled = pulledTo(piece, chance.maybe(0.5) ? { widthCm: cm } : { heightCm: cm });
    return pulled && pieces.describePiece('pulled', pulled);
  },
  ({ hem: { piece } }, chance) => {
    if (piece.kind !== 'rows') return null;
    const run = chance.int(0, piece.rows.length - 1);
    return pieces.splitRows(run, chance.int(0, 30), chance.int(1, 60));
  },
  ({ hem: { piece } }, chance) => {
    if (piece.kind !== 'rows' || piece.rows.length < 2) return null;
    const rows = withEdgeAt(piece.rows, chance.int(0, piece.rows.length - 2), chance.int(1, 60));
    return pieces.describePiece('rows moved', { ...piece, rows });
  },
  (_, chance) => pieces.chooseWeight(chance.pick([0, 1, 2, 3, 4, 5, 6, 7])),
  (_, chance) => pieces.setGauge({ stitchesPer10Cm: chance.int(4, 40) }),
  (_, chance) => pieces.setGauge({ hookMm: chance.int(1, 40) / 2 }),
  (_, chance) => pieces.colourPiece(chance.pick(['#ffffff', '#123456'])),
  // Base round
  (plan, chance) => {
    const sides = someSides(plan, chance);
    const count = plan.sides[sides[0]!]!.count + chance.int(-12, 12);
    return count < 1 ? null : base.setCount('A', sides, count, 0);
  },
  (plan, chance) => {
    const sides = someSides(plan, chance);
    return base.chooseSpacing('A', sides, chance.pick(spacingsFor(plan.body.edges[sides[0]!]!)));
  },
  (plan, chance) =>
    base.setOwnRate('A', someSides(plan, chance), { stitches: chance.int(1, 6), spots: chance.int(1, 6) }),
  (plan, chance) => {
    const sides = someSides(plan, chance);
    const joins = plan.body.edges[sides[0]!]!.joins.length;
    if (joins === 0) return null;
    return base.crossJoin('A', sides, chance.int(0, joins - 1), chance.pick(CROSSING_IDS));
  },
  (_, chance) => base.crossJoins(chance.pick(CROSSING_IDS)),
  (_, chance) => base.chooseBaseStitch(chance.pick(['sc', 'esc', 'hdc', 'dc'] as const)),
  (_, chance) => base.chooseBaseCorner(chance.pick(plain.corners.filter((c) => c !== 'rounded'))),
  ({ hem }, chance) => base.chooseBaseYarn(chance.pick(hem.yarns).id),
  (plan, chance) => {
    const side = chance.int(0, plan.sides.length - 1);
    const { placement } = plan.sides[side]!;
    if (placement.length === 0) return null;
    const spot = chance.int(0, placement.length - 1);
    const stitches = chance.maybe(0.2) ? null : chance.int(0, 4);
    return base.placeByEye('A', side, spot, stitches, placement[spot]!);
  },
  ({ sides }, chance) => base.clearByEye('A', chance.int(0, sides.length - 1)),
  (_, chance) => base.chooseBaseHook(chance.pick([null, 3, 5.5])),
  (_, chance) => base.chooseEndRows(chance.pick(['added', 'own'] as const)),
  (_, chance) => base.setRowRate(chance.pick(ROW_KINDS), chance.int(0, 12) / 2),
  (_, chance) => base.setClusterChains(chance.int(0, 3)),
  ({ sides }, chance) => base.setStart(startsByChance(chance, sides.length)),
  // Rounds: from the library with what it brings, and as a family alone
  ...Array.from({ length: 6 }, (): Maker => (plan, chance, id) => {
    const family = chance.pick(FAMILIES);
    const top = topOf(plan);
    const yarn = chance.pick(plan.hem.yarns).id;
    return rounds.addRounds(`added ${family.id}`, entriesOnto(top.ring, family, yarn, [`${id}g`, id]));
  }),
  ...Array.from({ length: 2 }, (): Maker => ({ hem }, chance, id) => {
    const family = chance.pick(FAMILIES);
    return rounds.addRounds(`added ${family.id} alone`, [newEntry(family, id, hem.yarns[0]!.id)]);
  }),
  ({ hem }, chance, id) => {
    const entry = newOwnEntry(id, hem.yarns[0]!.id, chance.pick(['us', 'uk'] as const));
    return rounds.addRounds('your round', [
      { ...entry, written: { ...entry.written!, text: chance.pick(WRITTEN) } },
    ]);
  },
  onRounds((entry, chance) =>
    entry.family === OWN ? rounds.writeRound(entry.id, chance.pick(WRITTEN)) : null,
  ),
  onRounds((entry, chance) =>
    entry.family === OWN
      ? rounds.nameRound(
          entry.id,
          chance.pick([{ name: 'Sea “foam” <1>' }, { name: '' }, { note: 'Two lines.\nHook 4.' }]),
        )
      : null,
  ),
  ...Array.from({ length: 3 }, () =>
    onRounds((entry, chance, { hem }) => rounds.moveRound(entry.id, chance.pick(hem.rounds).id)),
  ),
  ...Array.from({ length: 2 }, () => onRounds((entry) => rounds.removeRound(entry))),
  onRounds((entry, chance, { sides }) =>
    adjustments.makeUpFor(
      entry.id,
      chance.int(0, entry.times - 1),
      sides.map(() => chance.pick([0, 0, 1, -1, 3, -3])),
    ),
  ),
  onRounds((entry, chance) => rounds.leaveOffRounds([{ entry, fewer: chance.int(1, entry.times) }])),
  ...Array.from({ length: 3 }, () =>
    onRounds((entry, chance, { hem }) => {
      const family = familyById(entry.family);
      const { pick } = chance;
      return rounds.chooseRound(
        entry,
        'a choice',
        pick<() => rounds.EntryChoice>([
          () => ({ stitch: pick(family?.stitches ?? [entry.stitch]) }),
          () => ({ corner: pick(family?.corners ?? [entry.corner]) }),
          () => ({ cornerOpen: chance.maybe(0.5) }),
          () => ({ anew: chance.maybe(0.5) }),
          () => ({ slide: chance.int(0, 9) }),
          () => ({ loop: pick(family?.loops ?? [entry.loop]) }),
          () => ({ into: pick(family?.places ?? [entry.into]) }),
          () => ({ size: pick(family?.sizes ?? [entry.size]) }),
          () => ({ times: (family?.repeatable ?? true) ? chance.int(1, chance.maybe(0.05) ? 100 : 4) : 1 }),
          () => ({ facing: pick([null, 'right', 'wrong'] as const) }),
          () => ({ hookMm: pick([null, 2, 5.5, 15]) }),
          () => ({ yarns: Array.from({ length: chance.int(1, 3) }, () => pick(hem.yarns).id) }),
          () => ({ start: chance.maybe(0.5) ? null : startByChance(chance, hem.base.sides.length) }),
        ])(),
      );
    }),
  ),
  ({ hem, rounds: worked }, chance) => {
    const { solutions } = fitHem(hem);
    const stack = worked.slice(1).map((r) => r.written!);
    return solutions.length === 0 ? null : takeSolution(stack, chance.pick(solutions));
  },
  // Many alike
  ({ hem }, chance) =>
    hems.describeAlike(
      chance.pick([
        { count: chance.int(1, 40) },
        { across: chance.int(1, 9) },
        { done: chance.int(0, 9) },
        { join: chance.pick(JOIN_IDS) },
        { yarn: chance.pick([null, chance.pick(hem.yarns).id]) },
      ]),
    ),
  // Borders kept
  (_, __, id) => rounds.keepBorder(id),
  ({ hem }, chance, id) => (hem.kept.length === 0 ? null : rounds.copyBorder(chance.pick(hem.kept).id, id)),
  ({ hem }, chance) =>
    hem.kept.length === 0 ? null : rounds.takeUpBorder(chance.pick(hem.kept).id, 'a border'),
  ({ hem }, chance) => (hem.kept.length === 0 ? null : rounds.discardBorder(chance.pick(hem.kept).id, 'one')),
  ({ hem }, chance) =>
    hem.kept.length === 0
      ? null
      : rounds.renameBorder(chance.pick(hem.kept).id, chance.pick(['Taller', '', 'A “b” <c>'])),
  // Yarn
  ({ hem }, _, id) => yarns.addYarn({ ...hem.yarns[0]!, id, name: 'Another yarn', haveG: null }),
  ({ hem }, chance) => yarns.removeYarn(chance.pick(hem.yarns).id),
  ({ hem }, chance) =>
    yarns.describeYarn(chance.pick(hem.yarns).id, 'a field', {
      ...chance.pick([
        { haveG: chance.int(0, 400) },
        { haveG: null },
        { ballG: chance.int(1, 200) },
        { metresPer100G: chance.int(5, 800) },
        { diameterMm: chance.int(1, 120) / 10 },
        { price: chance.int(0, 12) },
      ]),
    }),
  ({ hem, rounds: worked }, chance, id) => {
    const round = chance.pick(worked);
    return yarns.noteWeighing(
      chance.maybe(0.5)
        ? {
            id,
            yarn: chance.pick(hem.yarns).id,
            of: { kind: 'swatch', stitch: chance.pick(['sc', 'hdc', 'dc', 'tr'] as const), stitches: 100 },
            grams: chance.int(1, 300) / 10,
          }
        : {
            id,
            yarn: round.yarnId,
            of: { kind: 'round', round: identityOfRound(round) },
            grams: chance.int(1, 900) / 10,
          },
    );
  },
  ({ hem }, chance) =>
    hem.weighIns.length === 0 ? null : yarns.removeWeighing(chance.pick(hem.weighIns).id),
  // What the maker says
  (_, chance) => hems.rename(chance.pick(['A', 'Moth & flame', '  ', '=1+1'])),
  (_, chance) => hems.prefer('language', chance.pick(['us', 'uk'] as const)),
  (_, chance) => hems.prefer('hand', chance.pick(['right', 'left'] as const)),
  (_, chance) => hems.prefer('length', chance.pick(['cm', 'in'] as const)),
  (_, chance) => hems.writeNotes(chance.pick(['', 'For the hall.\n[x](javascript:alert(1))'])),
  (_, chance) => hems.writeMade({ madeFor: chance.pick(['', 'Ada']), madeOn: chance.pick(['', 'winter']) }),
  ({ hem }) => hems.takeUpVersion({ ...hem, name: 'As it was', rounds: hem.rounds.slice(1) }),
  (_, chance) => hems.reckonWith(chance.maybe(0.3) ? null : anyHands(chance), null),
  ({ hem }, chance, id) => {
    const border = chance.pick([hem, ...hem.kept]);
    return rounds.tryOn({ base: border.base, rounds: border.rounds }, id, 'a try');
  },
  ({ hem }, chance, id) => {
    const border = chance.pick([hem, ...hem.kept]);
    return rounds.putAside({ base: border.base, rounds: border.rounds }, id, 'beside');
  },
  (_, chance) => hems.setPace(chance.int(1, 200)),
  (_, chance) => hems.setBlocking(chance.int(80, 130) / 100),
];

/** An edit that a screen could make of a plan; null when the control that came up is not there. */
export const randomEdit: Maker = (plan, chance, id) => chance.pick(MAKERS)(plan, chance, id);

/** More stitches in a round make tests slow, and say no more. */
const MOST_STITCHES = 4000;

/** A hem of any piece, once edits by chance have been done to it. @param said hears what was done */
export function anyEdited(chance: Chance, said?: (label: string) => void): Hem {
  const planner = createPlanner();
  let hem = on(chance.pick(PIECES)[1]);
  for (let k = 0; k < 12; k++) {
    const next = randomEdit(planner(hem), chance, `e${k}`);
    const outcome = next && performed(hem, next);
    if (!outcome?.ok || planner(outcome.value).rounds.some((r) => r.total > MOST_STITCHES)) continue;
    hem = outcome.value;
    said?.(next!.label);
  }
  return hem;
}
