/**
 * A round family: a way of working that crocheters know by name. It is written down as crochet, and what it
 * needs, how it grows and what it sits on are computed from that.
 */
import type { StitchKind } from '../terms/stitches.ts';
import type { CornerId } from '../terms/corners.ts';
import type { Loop } from '../ring/stitch.ts';

/** What the maker can choose about a round of a family. */
export interface Choice {
  readonly stitch: StitchKind;
  readonly corner: CornerId;
  readonly loop: Loop;
}

export interface Family {
  readonly id: string;
  readonly name: string;
  /** One line: what it looks like and what it is good for. */
  readonly about: string;
  /** What can be chosen; a single entry leaves no choice. The first of each is where a new round starts. */
  readonly stitches: readonly StitchKind[];
  readonly corners: readonly CornerId[];
  readonly loops: readonly Loop[];
  /** Worked rounds in one repeat of the family. */
  readonly roundsPerRepeat: number;
  /** Whether the family can be worked again on top of itself. */
  readonly repeatable: boolean;
  readonly edge: 'straight' | 'lobed' | 'fringed';
  /**
   * The round as written crochet in US terms.
   *
   * @param round counts the worked rounds of the entry from 0, through all its repeats
   */
  readonly write: (choice: Choice, round: number) => string;
}
