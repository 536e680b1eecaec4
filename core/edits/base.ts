/** Edits of the base round. */
import type { BaseRound, SideChoice } from '../base/baseRound.ts';
import type { CrossingId } from '../base/crossings.ts';
import type { SchoolId } from '../base/schools.ts';
import type { Start } from '../base/start.ts';
import type { Hem } from '../document/hem.ts';
import type { CornerId } from '../terms/corners.ts';
import type { StitchKind } from '../terms/stitches.ts';
import { edit, type Edit } from './edit.ts';

const onBase =
  (part: Partial<BaseRound>) =>
  (hem: Hem): Partial<Hem> => ({ base: { ...hem.base, ...part } });

const onSides =
  (sides: readonly number[], change: (choice: SideChoice) => SideChoice) =>
  (hem: Hem): Partial<Hem> => ({
    base: { ...hem.base, sides: hem.base.sides.map((s, i) => (sides.includes(i) ? change(s) : s)) },
  });

/** Stitches along the edge of some sides. @param name of the side that was set */
export const setCount = (name: string, sides: readonly number[], count: number): Edit =>
  edit(
    `${name} to ${count}`,
    onSides(sides, (choice) => ({ ...choice, count })),
    `count ${sides.join()}`,
  );

/** A spacing for some sides, which gives up counts by hand there. */
export const chooseSchool = (name: string, sides: readonly number[], school: SchoolId): Edit =>
  edit(
    `changed spacing of ${name}`,
    onSides(sides, (choice) => ({ ...choice, school, count: null })),
  );

/** The maker's own rate for some sides. */
export const setOwnRate = (name: string, sides: readonly number[], own: SideChoice['own']): Edit =>
  edit(
    `${name} at ${own.stitches} in ${own.spots}`,
    onSides(sides, (choice) => ({ ...choice, school: 'own', own, count: null })),
    `own ${sides.join()}`,
  );

/** How one join of some sides is crossed. */
export const crossJoin = (name: string, sides: readonly number[], join: number, crossing: CrossingId): Edit =>
  edit(
    `join ${join + 1} of ${name}`,
    onSides(sides, (choice) => ({ ...choice, crossings: { ...choice.crossings, [String(join)]: crossing } })),
  );

/** How joins are crossed where nothing else is said of one. */
export const crossJoins = (crossing: CrossingId): Edit => edit('crossing of joins', onBase({ crossing }));

export const chooseBaseStitch = (stitch: StitchKind): Edit =>
  edit('stitch of the base round', onBase({ stitch }));

export const chooseBaseCorner = (corner: CornerId): Edit => edit('base corners', onBase({ corner }));

export const chooseBaseYarn = (yarn: string): Edit => edit('yarn of the base round', onBase({ yarn }));

/** Where rounds start and join. */
export const setStart = (part: Partial<Start>): Edit =>
  edit('start of the rounds', (hem) => onBase({ start: { ...hem.base.start, ...part } })(hem));
