/** Edits of the piece, its colour, and the gauge of the border. */
import { usualGauge } from '../hands/gauge.ts';
import type { BaseRound, SideChoice } from '../base/baseRound.ts';
import { spacingsFor } from '../base/spacings.ts';
import { changePiece } from '../document/changePiece.ts';
import type { Gauge, Hem, RoundEntry } from '../document/hem.ts';
import {
  bandsOf,
  beyondPlanning,
  bodyOf,
  partAfter,
  withRunSplit,
  withSideLength,
  workedBetween,
  type Piece,
} from '../piece/piece.ts';
import { factsOf, firstChoice } from '../rounds/facts.ts';
import { fillLoops } from '../rounds/fillLoops.ts';
import { turnsSquarely } from '../piece/symmetry.ts';
import { plain } from '../rounds/plain.ts';
import { familyById } from '../rounds/registry.ts';
import { asWorkedOn } from './rounds.ts';
import { workedRounds } from '../record/record.ts';
import { yarnWeight, type YarnWeightNumber } from '../terms/yarnWeights.ts';
import { beforeWork, edit, gone, type Edit } from './edit.ts';
import { withSizeFollowing } from './sizes.ts';
import { inAll } from '../problems.ts';

/** Another description of the piece; what is said of its sides follows. */
export const describePiece = (label: string, piece: Piece): Edit =>
  beforeWork(
    label,
    (hem) => {
      const stitchCm = 10 / hem.gauge.stitchesPer10Cm;
      const sized = withSizeFollowing(hem.piece, piece, { before: stitchCm, after: stitchCm });
      const beyond = beyondPlanning(sized, inAll('the piece'))[0];
      const changed = changePiece(hem, sized);
      return (
        beyond ?? {
          ...changed,
          ...cornersByAngle(hem, changed),
          partColours: coloursFollowing(hem, piece),
        }
      );
    },
    `piece ${label}`,
  );

/** A piece that turns at other than right angles for the first time has its corners of three worked by their angles. */
function cornersByAngle(before: Hem, { piece, base, rounds }: Pick<Hem, 'piece' | 'base' | 'rounds'>) {
  if (!turnsSquarely(bodyOf(before.piece)) || turnsSquarely(bodyOf(piece))) return {};
  const byAngle = <C extends string>(corner: C): C | 'angle' => (corner === 'three' ? 'angle' : corner);
  return {
    base: { ...base, corner: byAngle(base.corner) },
    rounds: rounds.map((r) => (r.family === plain.id ? { ...r, corner: byAngle(r.corner) } : r)),
  };
}

/** Work between the posts, where no tops are seen, along all edges and in every plain round; or into stitches again. */
export const workBetweenPosts = (between: boolean): Edit =>
  beforeWork(between ? 'between the posts' : 'into the stitches', (hem) => {
    const changed = changePiece(hem, workedBetween(hem.piece, between));
    const { edges } = bodyOf(changed.piece);
    const sides = changed.base.sides.map((side, i): SideChoice => {
      const schools = spacingsFor(edges[i]!);
      if (between) return schools.includes('between') ? { ...side, school: 'between', count: null } : side;
      return side.school === 'between' ? { ...side, school: schools[0]!, count: null } : side;
    });
    const base = { ...changed.base, betweenPosts: between, sides };
    const rounds = changed.rounds.map((entry) =>
      between
        ? asWorkedOn(base, entry)
        : { ...entry, into: entry.into === 'between' ? 'stitch' : entry.into },
    );
    return { ...changed, base, rounds };
  });

/** Parts keep their colours when they are moved, and take them along when they go. */
const coloursFollowing = ({ piece, partColours }: Hem, after: Piece): Hem['partColours'] =>
  Object.fromEntries(
    Object.entries(partColours).flatMap(([part, colour]) => {
      const now = partAfter(piece, after, Number(part));
      return now === null ? [] : [[String(now), colour] as const];
    }),
  );

/** Id of the round that comes with loops, and goes with them. */
const FILLS = 'fills-the-loops';

/**
 * Another construction. A base round worked in loops brings the round that fills them, unless what lies on it goes into
 * spaces already; with the loops that round goes again.
 */
export const chooseConstruction = (name: string, piece: Piece): Edit =>
  beforeWork(name, (hem) => {
    const beyond = beyondPlanning(piece, inAll('the piece'))[0];
    if (beyond) return beyond;
    const described = changePiece(hem, piece);
    const changed = { ...described, base: startingFlat(described.base, piece) };
    const others = changed.rounds.filter((r) => r.id !== FILLS);
    const first = others[0] && familyById(others[0].family);
    const loops = changed.base.sides.every((s) => s.school === 'loops');
    const needed = loops && !(first && factsOf(first).sitsOn === 'space');
    return {
      ...changed,
      partColours: {},
      secondReadings: {},
      rounds: needed ? [fillsLoops(changed.base.yarn), ...others] : others,
    };
  });

/** Row ends start by gauge, which lies flat whatever their rows are, blocks in loops; counts by hand stay. */
function startingFlat(base: BaseRound, piece: Piece): BaseRound {
  const { edges } = bodyOf(piece);
  const sides = base.sides.map((side, i) => {
    const { startsBy } = edges[i]!;
    return side.count === null && startsBy ? { ...side, school: startsBy } : side;
  });
  return { ...base, sides };
}

function fillsLoops(yarn: string): RoundEntry {
  return {
    ...firstChoice(fillLoops),
    id: FILLS,
    family: fillLoops.id,
    yarns: [yarn],
    times: 1,
    cornerOpen: false,
    anew: false,
    slide: 0,
    facing: null,
    hookMm: null,
    start: null,
    written: null,
    changes: {},
    changesAt: {},
  };
}

/**
 * Some rows of a run as a run of their own, in the colour that they have.
 *
 * @param run number from the foundation
 * @param from rows of the run below them
 * @param to rows of the run up to their top
 */
export const splitRows = (run: number, from: number, to: number): Edit =>
  beforeWork('rows split', (hem) => {
    const { piece, partColours } = hem;
    const split = withRunSplit(piece, run, from, to);
    if (!split) return gone('the rows to be split');
    const colour = partColours[String(run)];
    const parts = bandsOf(split).length - bandsOf(piece).length + 1;
    return {
      ...changePiece(hem, split),
      partColours: {
        ...coloursFollowing(hem, split),
        ...(colour !== undefined &&
          Object.fromEntries(Array.from({ length: parts }, (_, k) => [String(run + k), colour]))),
      },
    };
  });

/** One side as long as the tape says, in cm. */
export const measureSide = (name: string, side: number, lengthCm: number): Edit =>
  beforeWork(
    `length of ${name}`,
    (hem) => changePiece(hem, withSideLength(hem.piece, side, lengthCm)),
    `length of side ${side}`,
  );

export const colourPiece = (pieceColour: string): Edit =>
  edit('color of the piece', () => ({ pieceColour }), 'color of the piece');

/** A part of the piece in a colour of its own, or in that of the piece. @param part by its number */
export const colourPart = (part: number, colour: string | null): Edit =>
  edit(
    'color of a part of the piece',
    ({ partColours }) => ({
      partColours: Object.fromEntries(
        Object.entries({ ...partColours, [String(part)]: colour }).filter(
          (entry): entry is [string, string] => entry[1] !== null,
        ),
      ),
    }),
    `color of part ${part}`,
  );

/** Parts of the piece in colours of their own, by their numbers, or in that of the piece; the others keep theirs. */
export const colourParts = (colours: Readonly<Record<string, string>>): Edit =>
  edit(
    'colors of the piece',
    ({ partColours, pieceColour }) => ({
      partColours: Object.fromEntries(
        Object.entries({ ...partColours, ...colours }).filter(
          ([part, colour]) => !(part in colours) || colour !== pieceColour,
        ),
      ),
    }),
    'colors of the piece',
  );

/** How the piece itself lies. */
export const sayHowItLies = (bodyLies: Hem['bodyLies']): Edit =>
  edit('how the piece itself lies', () => ({ bodyLies }));

/** A second reading of the tape along a side, cm; null takes it away. */
export const readAgain = (name: string, side: number, lengthCm: number | null): Edit =>
  edit(
    `second reading of ${name}`,
    ({ secondReadings }) => ({ secondReadings: withReading(secondReadings, side, lengthCm) }),
    `second reading ${side}`,
  );

/** A side as long as the middle of its two readings says. */
export const takeMiddle = (name: string, side: number): Edit =>
  beforeWork(`middle of two readings of ${name}`, (hem) => {
    const second = hem.secondReadings[String(side)];
    const edge = bodyOf(hem.piece).edges[side];
    if (second === undefined || !edge) return gone('the second reading');
    const middle = Number(((edge.measuredMm / 10 + second) / 2).toFixed(2));
    return {
      ...changePiece(hem, withSideLength(hem.piece, side, middle)),
      secondReadings: withReading(hem.secondReadings, side, null),
    };
  });

const withReading = (
  readings: Hem['secondReadings'],
  side: number,
  lengthCm: number | null,
): Hem['secondReadings'] => {
  const { [String(side)]: _, ...others } = readings;
  return lengthCm === null ? others : { ...others, [String(side)]: lengthCm };
};

/** Usual values of a yarn weight, in these hands, for the gauge and for every yarn. */
export const chooseWeight = (number: YarnWeightNumber): Edit =>
  edit('yarn weight', (hem) => {
    const { diameterMm, metresPer100G } = yarnWeight(number);
    return {
      gauge: usualGauge(number, hem.hands),
      yarns: hem.yarns.map((yarn) => ({ ...yarn, weight: number, diameterMm, metresPer100G })),
    };
  });

/** Gauge or hook of the border. */
export const setGauge = (part: Partial<Gauge>): Edit => {
  const what = part.hookMm === undefined ? 'gauge' : 'hook';
  return edit(
    what,
    (hem) => {
      const gauge = { ...hem.gauge, ...part };
      const stitchCm = { before: 10 / hem.gauge.stitchesPer10Cm, after: 10 / gauge.stitchesPer10Cm };
      const piece = withSizeFollowing(hem.piece, hem.piece, stitchCm);
      // A piece whose border has been begun stays as it is.
      const begun = workedRounds(hem.record).length > 0;
      return piece === hem.piece || begun ? { gauge } : { gauge, ...changePiece(hem, piece) };
    },
    what,
  );
};
