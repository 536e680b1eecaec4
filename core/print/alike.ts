/** Many pieces with the same border in a pattern: how many, how large they are together, and how they are joined. */
import type { Joining } from '../alike/joining.ts';
import { joinRefusedWords, layoutWords, seamWords } from '../alike/joinWords.ts';
import { laidOut } from '../alike/seams.ts';
import { tilingOf } from '../alike/tilings.ts';
import { held } from '../held.ts';
import { facingSides } from '../piece/symmetry.ts';
import { listWords } from '../say/lists.ts';
import { shortYarnName } from '../document/yarnNames.ts';
import type { Plan } from '../plan/types.ts';
import { plural, sizeWords, yarnLengthWords } from '../say/measures.ts';
import { abbreviation, type Language } from '../terms/stitches.ts';
import { WORDS } from '../terms/words.ts';
import type { PatternLine, Section } from './section.ts';

/** The yarn that joins the pieces, by its id. */
export const joiningYarn = ({ hem, rounds }: Plan): string =>
  hem.alike.yarn ?? rounds[rounds.length - 1]!.yarnId;

/** The side that faces the only one that is worked, as both ends of a scarf do; null where there is none. */
export function otherEnd({ hem, body }: Pick<Plan, 'hem' | 'body'>): number | null {
  const { part } = hem.base;
  if (part?.sides !== 1 || part.from > 0 || part.to !== null) return null;
  const pair = facingSides(body).find((sides) => sides.includes(part.first));
  return pair ? (pair[0] === part.first ? pair[1] : pair[0]) : null;
}

/** “Make 24.”; of two along one side, that they may be the ends of one piece. */
function makeWords(plan: Plan): string {
  const { count } = plan.hem.alike;
  const other = count === 2 ? otherEnd(plan) : null;
  if (other === null) return `Make ${count}.`;
  const [one, facing] = [plan.sides[plan.hem.base.part?.first ?? 0], plan.sides[other]].map((s) => s?.name);
  return `Make 2: along sides ${one} and ${facing} of one piece, each begun anew, or on two pieces.`;
}

/** “Make 24. Joined, 4 across, 6 down: about 62 × 92 cm.”; nothing of a single piece. */
export function alikeWords(plan: Plan): readonly string[] {
  const { alike, preferences } = plan.hem;
  if (alike.count === 1) return [];
  const { joining, finishedSize } = plan;
  if (!joining || joining.refused !== null) return [makeWords(plan)];
  const layout = laidOut(alike);
  const tiling = held(tilingOf(plan.body.outline), 'pieces that are joined lie without gaps');
  const size = tiling.size(finishedSize, layout);
  return [
    `Make ${alike.count}. Joined, ${layoutWords(layout)}: about ${sizeWords(size, preferences.length)}.`,
  ];
}

/** How the pieces are joined, in the order in which it is done; nothing where they are not. */
export function joiningLines(plan: Plan, language: Language): readonly string[] {
  const { joining } = plan;
  if (!joining) return [];
  if (joining.refused !== null) return [joinRefusedWords(joining.refused)];
  const yarn = shortYarnName(plan.hem, joiningYarn(plan));
  return [
    ...joining.unequal.map(({ sides: [a, b], places: [one, other] }) => {
      const [first, second] = [plan.sides[a]!.name, plan.sides[b]!.name];
      return `Take care: sides ${first} and ${second} meet and do not pair off: ${one} on ${first}, ${other} on ${second}.`;
    }),
    ...(joining.join === 'as they are made'
      ? asMade(plan, joining, language)
      : inSeams(plan, joining, yarn, language)),
    `About ${yarnLengthWords(joining.metres, plan.hem.preferences.length)} of ${yarn} for joining.`,
  ];
}

/** The same as a section of a pattern; none where they are not joined. */
export function joiningSection(plan: Plan, language: Language): readonly Section[] {
  const lines = joiningLines(plan, language).map((text): PatternLine => ({
    kind: text.startsWith('Take care') ? 'care' : 'plain',
    text,
  }));
  return lines.length === 0 ? [] : [{ heading: 'Joining', lines, rounds: [] }];
}

function inSeams(plan: Plan, joining: Joining, yarn: string, language: Language): readonly string[] {
  const { slipStitch } = WORDS[language];
  const sc = abbreviation('sc', language);
  const pairs = joining.pairs
    .map(({ sides, joins }, k) => `${k === 0 ? plural(joins, 'join') : joins} where ${metWords(plan, sides)}`)
    .join(', ');
  const way = {
    'slip stitch': `With ${yarn}, hold two pieces with right sides together and ${slipStitch} through both in each pair of sts, ch-sps and corners.`,
    'single crochet': `With ${yarn}, hold two pieces with wrong sides together and work ${sc} through both in each pair of sts, ch-sps and corners: a ridge on the right side.`,
    flat: `With ${yarn}, lay two pieces side by side, right sides up, and ${slipStitch} in the back loops of each pair of sts, in each pair of ch-sps and corners: it lies flat.`,
    sewn: `With ${yarn} and a yarn needle, lay two pieces side by side, right sides up, and sew the back loops of each pair of sts together, and each pair of ch-sps and corners.`,
  }[joining.join as 'slip stitch' | 'single crochet' | 'flat' | 'sewn'];
  const crossing = joining.seams.some((s) => s.crosses > 0);
  return [
    `${way} From corner to corner that is ${pairs}, corners included.`,
    ...seamWords(joining.seams),
    ...(crossing ? ['Where a seam runs over another, go on over it without a gap.'] : []),
    `Each seam leaves 2 ends, ${joining.ends} in all.`,
  ];
}

function asMade(
  plan: Plan,
  { chains, layout, pairs, withCorners }: Joining,
  language: Language,
): readonly string[] {
  const { slipStitch } = WORDS[language];
  const last = plan.rounds.length - 1;
  const rnd = last === 0 ? 'the base rnd' : `Rnd ${last}`;
  const ways = chains.map((n) => {
    const before = Math.floor(n / 2);
    const after = n - 1 - before;
    const parts = [
      ...(before > 0 ? [`ch ${before}`] : []),
      `${slipStitch} in the ch-${n} sp across`,
      ...(after > 0 ? [`ch ${after}`] : []),
    ];
    return `for a ch-${n} sp: ${parts.join(', ')}`;
  });
  const meet = (where: 'in a row' | 'between rows'): string =>
    listWords(pairs.filter((p) => p.where === where).map(({ sides }) => metWords(plan, sides)));
  const [inRow, between] = [meet('in a row'), meet('between rows')];
  return [
    `Work the first piece whole. On each further piece work ${rnd} as written, but where a side meets a finished piece make a ${slipStitch} in place of one ch of each space, the middle one where there is one${withCorners ? ', its corners included' : ''}: ${ways.join('; ')}.`,
    ...(inRow === '' ? [] : [`In a row ${inRow}.`]),
    ...(between === '' ? [] : [`Between rows ${between}.`]),
    `Go row by row: the first of a row is joined to the row above, each further one to ${layout.rows > 1 ? 'that, too, and to ' : ''}the piece beside it.`,
  ];
}

/** “side A meets C”, or, of pieces that are turned around, “two sides A meet”. */
function metWords({ sides }: Plan, [a, b]: readonly [number, number]): string {
  const [first, second] = [sides[a]!.name, sides[b]!.name];
  return a === b ? `two sides ${first} meet` : `side ${first} meets ${second}`;
}

/** “of 24 pieces”, behind sums of yarn and time; nothing of a single one. */
export const inAllWords = ({ hem: { alike } }: Plan): string =>
  alike.count === 1 ? '' : `for all ${plural(alike.count, 'piece')}`;
