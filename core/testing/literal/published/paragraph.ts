/** A published paragraph, what is known of the work when it is read, and the items of its sentence. */
import type { Below } from '../below.ts';
import type { Reader } from '../crochet.ts';

/** A round of a published pattern, or several that are alike. */
export interface Paragraph {
  readonly heading: string;
  readonly lines: readonly string[];
}

/** Sides and corners in the order in which a row meets them. */
export interface AlongRow {
  readonly sides: readonly string[];
  readonly turned: readonly string[];
}

/** What is known of the work when a round is begun. */
export interface AtHand {
  readonly number: number;
  readonly below: Below;
  readonly reader: Reader;
  readonly names: readonly string[];
  readonly corners: readonly string[];
  /** Sides and corners of a row in the order in which it meets them; null all round. */
  readonly rows: AlongRow | null;
  /** Paragraphs of the rounds before. */
  readonly before: readonly Paragraph[];
}

/** Splits at commas and semicolons that stand in no bracket. */
export function items(text: string): readonly string[] {
  const found: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i < text.length; i++) {
    if ('([{'.includes(text[i]!)) depth++;
    if (')]}'.includes(text[i]!)) depth--;
    if (
      ',;'.includes(text[i]!) &&
      depth === 0 &&
      !/^, (?:counted from|in next|of (?:Base rnd|Rnd)|any one being|which is still|(?:in|between) the .+ at corner|in .+ of (?:side|the edge)|without turning)/.test(
        text.slice(i),
      )
    ) {
      found.push(text.slice(from, i).trim());
      from = i + 1;
    }
  }
  return [...found, text.slice(from).trim()].filter((p) => p !== '');
}

/** The stitches of an item, without their place. */
export const groupOf = (t: string): string =>
  t.replace(/ (?:in|around|between|over) (?:same|first and|marked|next|each) .*$/, '');
