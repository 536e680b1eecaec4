/** Reads how a round is closed, as its sentence ends, in the words of the step-by-step form. */
import { Unclear } from '../crochet.ts';

/** Beginnings of the words that close a round. */
const CLOSING =
  '(?:change to|cut the yarn|join|do not join|in place of last ch \\d+ close|[^;]+ in place of last \\d+ sts; do not join)';

/** What comes before a join, and the lines that close; null for a sentence that is not closed. */
export function closed(
  sentence: string,
): { readonly work: string; readonly lines: readonly string[] } | null {
  const m = new RegExp(`^(.+?); (${CLOSING}.*)\\.$`).exec(sentence);
  return m ? { work: m[1]!, lines: closeLines(m[2]!) } : null;
}

/** Lines of the words that close a round. */
export function closeLines(words: string): readonly string[] {
  const steps = /^(.+) in place of last (\d+) sts; do not join$/.exec(words);
  if (steps)
    return [
      `In place of the last ${steps[2]!} sts: ${steps[1]!.replace(' and ', ', ')}.`,
      'Do not join: the round runs out in its last st.',
    ];
  if (words === 'do not join') return ['Do not join: the next round goes on from here.'];
  const space =
    /^in place of last ch (\d+) close with (?:ch (\d+), )?(\S+) in (first .+?|top of ch-\d+|\d+\w\w of ch-\d+)(?:, the last yarn over in .+)?$/.exec(
      words,
    );
  if (space)
    return [
      `Leave out the last ch ${space[1]!}: close with ${space[2] === undefined ? '' : `ch ${space[2]} and `}1 ${space[3]!} in the ${space[4]!}, in place of its chains. It counts as the space, not as a st.`,
    ];
  if (
    /^cut the yarn and join with a needle, |^(?:change to [^;]+ in the last yarn over; )?join with (?:a sl st|ss)(?: of [^;]+)? in (?:(?:third loop of )?first .+|top of ch-\d+|\d+\w\w of ch-\d+)$/.test(
      words,
    )
  )
    return [];
  throw new Unclear(`how is “${words}” a join?`);
}
