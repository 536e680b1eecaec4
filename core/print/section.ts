/** A written pattern as it is laid out: sections of lines. */
import type { Language } from '../terms/stitches.ts';

export interface PatternLine {
  /** `written` is crochet that the reader of patterns reads back; `care` says what is wrong and how to mend it. */
  readonly kind: 'plain' | 'written' | 'counts' | 'care' | 'caution';
  readonly text: string;
}

export const writtenLine = (text: string): PatternLine => ({ kind: 'written', text });

/** A box to be ticked when a round is done. */
export const TICK = '[ ] ';

export interface Section {
  readonly heading: string;
  /** The heading stands in front of the first line, on the same line. */
  readonly runIn?: true;
  readonly lines: readonly PatternLine[];
  /** Numbers of the rounds that it tells; none for other sections. */
  readonly rounds: readonly number[];
}

export interface WrittenPattern {
  readonly title: string;
  /** For whom and when it was made, under the title; null where nothing is said. */
  readonly made: string | null;
  readonly language: Language;
  readonly sections: readonly Section[];
}
