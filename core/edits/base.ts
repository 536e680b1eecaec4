/** Edits of the base round. */
import { editProblem } from './problems.ts';
import { isAtJoin, type BaseRound, type RowRates, type SideChoice } from '../base/baseRound.ts';
import type { CrossingId } from '../base/crossings.ts';
import type { SpacingId } from '../base/spacings.ts';
import type { RoundStarts } from '../base/start.ts';
import type { Hem } from '../document/hem.ts';
import type { CornerId } from '../terms/corners.ts';
import type { StitchKind } from '../terms/stitches.ts';
import { isPartOf } from '../piece/along.ts';
import type { RowsAlong } from '../piece/part.schema.ts';
import { bodyOf } from '../piece/piece.ts';
import { inAll } from '../problems.ts';
import { beforeWork, type Edit } from './edit.ts';

const onBase =
  (part: Partial<BaseRound>) =>
  (hem: Hem): Partial<Hem> => ({ base: { ...hem.base, ...part } });

const onSides =
  (sides: readonly number[], change: (choice: SideChoice) => SideChoice) =>
  (hem: Hem): Partial<Hem> => ({
    base: { ...hem.base, sides: hem.base.sides.map((s, i) => (sides.includes(i) ? change(s) : s)) },
  });

/**
 * The border in rows along a part of the piece; null all the way around.
 *
 * @param then made of the hem with that part, as one step: its counts may follow
 */
export const borderAlong = (part: RowsAlong | null, then: (hem: Hem) => Hem = (hem) => hem): Edit =>
  beforeWork('the part that is bordered', (hem) => {
    if (part && !isPartOf(bodyOf(hem.piece), part))
      return editProblem('part-gone', inAll('the piece'), { what: 'a part with those sides' });
    return then({ ...hem, ...onBase({ part })(hem) });
  });

/**
 * So many stitches on some sides. What was placed by eye stays, as long as there are stitches enough for it.
 *
 * @param name of the side that was set
 * @param shown stitches between the middles of its corners, as every count is shown
 * @param corners what the corners add to those along the edge
 */
export const setCount = (name: string, sides: readonly number[], shown: number, corners: number): Edit =>
  beforeWork(
    `${name} to ${shown}`,
    onSides(sides, (choice) => {
      const count = shown - corners;
      const placed = Object.values(choice.spots).reduce((sum, n) => sum + n, 0);
      return { ...choice, count, spots: placed < count ? choice.spots : {} };
    }),
    `count ${sides.join()}`,
  );

/**
 * Stitches in one spot of a side, by eye; null leaves the spot to the spacing again. A count that was asked follows.
 *
 * @param spot its number from 0 in working order
 * @param was stitches that it takes now
 */
export const placeByEye = (
  name: string,
  side: number,
  spot: number,
  stitches: number | null,
  was: number,
): Edit =>
  beforeWork(`${name} by eye`, (hem) => {
    if (isAtJoin(bodyOf(hem.piece).edges[side]!, spot)) {
      return editProblem('part-gone', inAll('the base round'), { what: 'a spot outside the seams' });
    }
    return onSides([side], (choice) => {
      const { [String(spot)]: _, ...others } = choice.spots;
      const spots = stitches === null ? others : { ...others, [String(spot)]: stitches };
      const count = choice.count === null || stitches === null ? choice.count : choice.count + stitches - was;
      return { ...choice, spots, count: count === null ? null : Math.max(1, count) };
    })(hem);
  });

/** Gives all spots of a side back to the spacing. */
export const clearByEye = (name: string, side: number): Edit =>
  beforeWork(
    `${name} without what was placed by eye`,
    onSides([side], (choice) => ({ ...choice, spots: {} })),
  );

/** A spacing for some sides, which gives up counts by hand there. */
export const chooseSpacing = (name: string, sides: readonly number[], school: SpacingId): Edit =>
  beforeWork(
    `changed spacing of ${name}`,
    onSides(sides, (choice) => ({ ...choice, school, count: null })),
  );

/** The maker's own rate for some sides. */
export const setOwnRate = (name: string, sides: readonly number[], own: SideChoice['own']): Edit =>
  beforeWork(
    `${name} at ${own.stitches} in ${own.spots}`,
    onSides(sides, (choice) => ({ ...choice, school: 'own', own, count: null })),
    `own ${sides.join()}`,
  );

/** How one join of some sides is crossed. */
export const crossJoin = (name: string, sides: readonly number[], join: number, crossing: CrossingId): Edit =>
  beforeWork(
    `seam ${join + 1} of ${name}`,
    onSides(sides, (choice) => ({ ...choice, crossings: { ...choice.crossings, [String(join)]: crossing } })),
  );

/** How joins are crossed where nothing else is said of one. */
export const crossJoins = (crossing: CrossingId): Edit =>
  beforeWork('crossing of seams', onBase({ crossing }));

export const chooseBaseStitch = (stitch: StitchKind): Edit =>
  beforeWork('stitch of the base round', onBase({ stitch }));

export const chooseBaseCorner = (corner: CornerId): Edit => beforeWork('base corners', onBase({ corner }));

export const chooseBaseHook = (hookMm: number | null): Edit =>
  beforeWork('hook of the base round', onBase({ hookMm }), 'hook of the base round');

/** Whether the corner's stitches come on top of those of its end row. */
export const chooseEndRows = (endRows: BaseRound['endRows']): Edit =>
  beforeWork('corners of the rows', onBase({ endRows }));

/** One entry of the maker's own table. */
export const setRowRate = (kind: keyof RowRates, rate: number): Edit =>
  beforeWork(
    'your table of row ends',
    (hem) => onBase({ rates: { ...hem.base.rates, [kind]: rate } })(hem),
    `rate ${kind}`,
  );

export const setClusterChains = (clusterChains: number): Edit =>
  beforeWork('chains between groups', onBase({ clusterChains }), 'chains between groups');

export const chooseBaseYarn = (yarn: string): Edit => beforeWork('yarn of the base round', onBase({ yarn }));

/** Where rounds start and join. */
export const setStart = (part: Partial<RoundStarts>): Edit =>
  beforeWork('start of the rounds', (hem) => onBase({ start: { ...hem.base.start, ...part } })(hem));
