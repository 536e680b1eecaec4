/** Work away from the page: questions that take longer than a frame, and pictures. */
import { transfer } from 'comlink';
import { nanoid } from 'nanoid';
import { writeFiles, type BundledFile, type BundledPhoto } from '../../core/document/bundle.ts';
import { openBundle, type OpenedFiles } from '../../core/document/opened.ts';
import type { Hem, RoundEntry } from '../../core/document/hem.ts';
import type { Fit } from '../../core/fit/fit.ts';
import { fitHem } from '../../core/fit/open.ts';
import { evenCounts } from '../../core/fit/task.ts';
import * as alternatives from '../../core/forecast/alternatives.ts';
import { compareBorders, type Compared } from '../../core/forecast/borders.ts';
import { curesOf, type Cures } from '../../core/forecast/cures.ts';
import { tryFamilies, type Tried } from '../../core/forecast/nextRound.ts';
import { waysToSize, type SizeWay } from '../../core/forecast/sizes.ts';
import { DEMO_DEVICE } from '../../core/document/record.ts';
import { evidenceOfEach, handsFrom } from '../../core/evidence/evidence.ts';
import type { Hands } from '../../core/hands/hands.ts';
import { leaveOff, type LeaveOffGoal, type LeftOff } from '../../core/work/leaveOff.ts';
import { earlyEndsOf, type EarlyEnd } from '../../core/work/earlyEnds.ts';
import { createPlanner } from '../../core/plan/planner.ts';
import type { BaseRound } from '../../core/base/baseRound.ts';
import type { Keep } from '../../core/propose/grammar.ts';
import { prove, type Proposal } from '../../core/propose/prove.ts';
import type { BorderFound } from '../../core/propose/found.ts';
import { searchSlice, type Searched } from '../../core/propose/search.ts';
import type { Wish } from '../../core/propose/wish.ts';
import { paintPicture } from '../../drawing/picture.ts';
import { PICTURE_FORMAT } from './pictureFormat.ts';

const planner = createPlanner();
/** Hems of a backup after which the page hears how many have been read. */
const TOLD_EVERY = 20;

export const WORK = {
  fit: (hem: Hem): Fit => fitHem(hem),
  evenCounts: (hem: Hem): readonly (readonly number[])[] => {
    const made = planner(hem);
    return made.sides.map((_, side) => evenCounts(made, side));
  },
  cures: (hem: Hem): Cures | null => curesOf(planner(hem)),
  tryFamilies: (hem: Hem): readonly Tried[] => tryFamilies(planner(hem)),
  compareBorders: (hem: Hem): readonly Compared[] => compareBorders(hem),
  roundsFromRest: (hem: Hem, yarnId: string, restG: number): readonly alternatives.RoundsLeft[] =>
    alternatives.roundsFromRest(planner(hem), yarnId, restG),
  otherEdges: (hem: Hem): readonly alternatives.OtherEdge[] => alternatives.otherEdges(planner(hem)),
  firstToShow: (hem: Hem): alternatives.FirstToShow | null => alternatives.firstToShow(planner(hem)),
  compareCorners: (
    hem: Hem,
    stitch: RoundEntry['stitch'],
    rounds: number,
  ): readonly alternatives.CornerForecast[] => alternatives.compareCorners(planner(hem), stitch, rounds),
  compareSpacings: (
    hem: Hem,
    stitch: RoundEntry['stitch'],
    rounds: number,
  ): readonly alternatives.SpacingForecast[] => alternatives.compareSpacings(planner(hem), stitch, rounds),
  waysToSize: (hem: Hem, widthMm: number, heightMm: number): readonly SizeWay[] =>
    waysToSize(planner(hem), widthMm, heightMm),
  propose: (hem: Hem, wish: Wish, slice: number, keep: Keep): Searched => searchSlice(hem, wish, slice, keep),
  prove: (hem: Hem, wish: Wish, found: BorderFound, bases: readonly BaseRound[]): Proposal | null =>
    prove(hem, wish, found, bases),
  earlyEndsOf: (hem: Hem): readonly EarlyEnd[] => earlyEndsOf(planner(hem)),
  leaveOff: (hem: Hem, goal: LeaveOffGoal): readonly LeftOff[] => leaveOff(planner(hem), goal),
  hands: (hems: readonly Hem[], since: string | null): Hands =>
    handsFrom(
      // What demo hems come with was made by nobody.
      evidenceOfEach(hems, ({ id, at }) => id.device !== DEMO_DEVICE && (since === null || at >= since)),
    ),
  openBackup: (
    name: string,
    bytes: Uint8Array,
    now: Date,
    told: (done: number, of: number) => void,
  ): OpenedFiles => {
    const opened = openBundle(name, bytes, { newId: () => nanoid(10), now }, (done, of) => {
      if (done % TOLD_EVERY === 0) told(done, of);
    });
    return transfer(
      opened,
      opened.photos.map((p) => p.bytes.buffer as ArrayBuffer).filter((b, i, all) => all.indexOf(b) === i),
    );
  },
  packBackup: (
    texts: readonly BundledFile[],
    now: Date,
    photos: readonly BundledPhoto[],
  ): readonly Uint8Array[] => {
    const parts = writeFiles(texts, now, photos);
    return transfer(
      parts,
      parts.map((part) => part.buffer as ArrayBuffer),
    );
  },
  paintPicture: (hem: Hem, ground: string, pixels: number): Promise<Blob> =>
    paintPicture(
      createPlanner()(hem),
      ground,
      pixels,
      (width, height) => new OffscreenCanvas(width, height),
    ).convertToBlob(PICTURE_FORMAT),
};

export type WorkerQuestions = typeof WORK;
