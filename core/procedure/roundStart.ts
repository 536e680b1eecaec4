/** The start of a round or a row, as it was found. */
import type { RoundStarts } from '../base/start.ts';
import type { Stitch } from '../ring/stitch.ts';
import type { RoundBeginning } from './candidates.ts';
import type { Close, CloseRefused } from './close.ts';
import type { First, FirstRefused } from './first.ts';

/** Ways in which new yarn comes in without being joined. */
export type YarnChange = Exclude<RoundStarts['colour'], 'anew'>;

export interface RoundStart {
  /** Number of the first entry in the order of work. */
  readonly at: number;
  readonly beginning: RoundBeginning;
  /** The place that the first entry sits in, of the ring below or of the edge. */
  readonly place: number;
  /** Yarn is joined there: new yarn, or the same that was cut. */
  readonly joins: boolean;
  /** New yarn came in as the round before was closed; null where none did. */
  readonly change: YarnChange | null;
  /** Begun where the maker chose, not where the round before was joined. */
  readonly anew: boolean;
  readonly first: First;
  readonly close: Close;
  /** The entry of the ring in which the round is joined: its first stitch, or the space that a stitch closes; of a row its last. */
  readonly join: number;
  /** Lower stitches at the beginning of a spiral of tall ones, and at its end. */
  readonly up: readonly Stitch[];
  readonly down: readonly Stitch[];
  /** Choices of the maker that this round cannot follow. */
  readonly refused: { readonly first: FirstRefused | null; readonly close: CloseRefused | null };
}
