/**
 * Reads written rounds back: those of a printed pattern, or rounds in the same manner that someone typed. What a
 * line says is told by how it begins; lines that say nothing about the stitches are passed over.
 *
 * The grammar inside a line is that of written crochet (docs/notation.md); here stands only what a pattern puts
 * round it: headings, “Each side: … ; repeat from * to * to the corner.”, “Corners A/B and C/D: … in the corner st.”
 */
import { held } from '../held.ts';
import { spelledOut } from './kinds.ts';
import { printProblem } from './problems.ts';
import { LIMITS } from '../limits.ts';
import { everyday } from '../notation/everyday.ts';
import { publishedRound } from './readPublished.ts';
import { parseRound } from '../notation/parse.ts';
import { done, failed, inAll, inLine, type Outcome, type Problem } from '../problems.ts';
import type { CornerRecipe, Recipe } from '../ring/recipe.ts';
import type { Language } from '../terms/stitches.ts';

export interface ReadRound {
  /** First and last round that it tells. */
  readonly from: number;
  readonly to: number;
  /** Rest of the heading after its number, such as the name; may be empty. */
  readonly name: string;
  readonly recipe: Recipe;
  /** Whether it says anything of the corners; where not, they are walked round. */
  readonly saysCorners: boolean;
  /** Corners that take something else than the recipe’s, by the sides that meet there: “A/B”. */
  readonly corners: ReadonlyMap<string, CornerRecipe>;
  /** Quiet changes by the name of the side. */
  readonly changes: ReadonlyMap<string, number>;
}

export interface ReadBase {
  /** Recipes of the corners, by the sides that meet there; the one under '' goes into all others. */
  readonly corners: ReadonlyMap<string, CornerRecipe>;
  readonly sides: readonly {
    readonly name: string;
    readonly count: number;
    /** A stitch as it is abbreviated in the text. */
    readonly stitch: string;
    /** Chains before and after each stitch; 0 for none. */
    readonly chains: number;
  }[];
}

export interface ReadPattern {
  /** Null when the text has no base round. */
  readonly base: ReadBase | null;
  readonly rounds: readonly ReadRound[];
}

interface Located {
  readonly text: string;
  /** From 1. */
  readonly line: number;
}

interface Block {
  readonly heading: Located & { readonly from: number; readonly to: number; readonly name: string };
  readonly lines: readonly Located[];
}

const HEADING = /^(?:rounds?|rows?|rnds?|r)\.?\s*(\d+)(?:\s*(?:–|-|to)\s*(\d+))?\s*[:.)]?\s*(.*)$/i;
const BASE = /^base (?:round|row|rnd)\b/i;

/** Reads a text. Every fault of every round is named, by the line of the text. */
export function readPattern(text: string, language: Language): Outcome<ReadPattern> {
  if (text.length > LIMITS.patternLetters) {
    const values = { letters: text.length, most: LIMITS.patternLetters };
    return failed(printProblem('pattern-too-long', inAll('the text'), values));
  }
  const blocks: Block[] = [];
  let base: Located[] | null = null;
  let current: Located[] | null = null;
  spelledOut(text)
    .split(/\r?\n/)
    .forEach((raw, i) => {
      // Boxes to be ticked, whether they were or not, are no part of a round.
      const bare = raw.trim().replace(/^(?:\[[ x✓]?\] ?)+/i, '');
      const at: Located = { text: inOneWord(bare), line: i + 1 };
      const heading = HEADING.exec(at.text);
      if (heading) {
        current = [];
        const from = Number(heading[1]);
        const to = heading[2] === undefined ? from : Number(heading[2]);
        const rest = heading[3]!;
        const published = publishedRound(rest);
        if (published) {
          const block = blocks.findLast(
            ({ heading: h }) =>
              published.is === 'as' && h.from <= published.number && published.number <= h.to,
          );
          // What is worked as another round takes its lines, but not its turning.
          current =
            published.is === 'told'
              ? published.lines.map((text) => ({ text, line: i + 1 }))
              : [
                  ...published.lines.map((text) => ({ text, line: i + 1 })),
                  ...(block?.lines ?? []).filter(
                    (l) => !/^Turn/.test(l.text) && !(/, but:$/.test(rest) && isAdjustment(l.text)),
                  ),
                ];
          blocks.push({ heading: { ...at, from, to, name: '' }, lines: current });
          return;
        }
        // A heading may hold the round itself: “Round 3: *sc in next st*”.
        const labelled = /^(side|each side|all (?:a)?round|round|corner)s?\b.*:/i.test(rest);
        const inline = labelled || /\*|\b(?:in|around) (?:each|next|same|last)\b/i.test(rest);
        blocks.push({ heading: { ...at, from, to, name: inline ? '' : rest }, lines: current });
        if (inline) {
          const told = labelled ? rest : everyday(rest);
          for (const words of told.split('\n')) current.push({ text: words, line: at.line });
        }
      } else if (BASE.test(at.text)) base = current = [];
      else if (at.text !== '' && current) current.push(at);
      else if (at.text !== '' && isAlong(at.text)) {
        // A single round without a heading.
        current = [at];
        blocks.push({
          heading: { ...at, from: blocks.length + 1, to: blocks.length + 1, name: '' },
          lines: current,
        });
      }
    });
  const problems: Problem[] = [];
  let facing: Facing = 'right';
  const rounds = blocks.flatMap((block) => {
    const { here, after } = facingIn(block.lines, facing);
    facing = after;
    const outcome = readRound(block, language, here);
    if (outcome.ok) return [outcome.value];
    problems.push(...outcome.problems);
    return [];
  });
  if (blocks.length === 0) problems.push(printProblem('pattern-no-rounds', inLine(1)));
  return problems.length > 0 ? failed(...problems) : done({ base: base && readBase(base, language), rounds });
}

const isAlong = (text: string): boolean =>
  /^(each side|sides?\b|all (?:a)?round|round)\b[^:]*:/i.test(text) && !isAdjustment(text);

/** Exceptions on single sides, not the way along them. */
const isAdjustment = (text: string): boolean =>
  /counted from the (?:corner|start)\.?$|^(?:sides? [^:]+: )?(?:at the (?:first|last|last but one|\d+\w\w) (?:skip|miss)\b|do not (?:skip|miss)|after the last repeat|nothing: it has)/i.test(
    text,
  );

/** The part of a line after its first colon, without what only a person needs. */
const said = (text: string): string =>
  text
    .slice(text.indexOf(':') + 1)
    .replace(/\brep from \*/gi, 'repeat from *')
    .replace(/;\s*repeat from \* to \*[^.]*/i, '')
    .replace(/\.\s*$/, '')
    .trim();

/** Corner words as written crochet has them. */
function cornerText(words: string): { readonly corner: string; readonly pair: string | null } {
  const bare = words.replace(/[;,.]\s*(?:pm|place a marker)\b.*$/i, '').replace(/,\s*where 1 would go$/i, '');
  const pair = /^(.+) in the first of the (?:pair of|two) corner sts?, (.+) in the second$/i.exec(bare);
  if (pair) return { corner: `${pair[1]!} in corner`, pair: `${pair[1]!} in first, ${pair[2]!} in second` };
  if (/^1 st in .*, as along the sides$/i.test(bare)) return { corner: 'walk round', pair: null };
  const corner = bare
    .replace(
      /\b(?:in|over) the corner (?:ch-\d+ sp|st|picot)(?: and its neighbours| and the (?:one|\d+ sts) on each side of it)?/i,
      (found) => (/^over/i.test(found) && !/neighbours|each side/i.test(found) ? 'over corner' : 'in corner'),
    )
    .replace(/\bover the two corner sts/i, 'over corner')
    .replace(/\b(?:between|in the first of) the two corner sts/i, 'in corner')
    .replace(/^nothing$/i, 'skip');
  return { corner, pair: null };
}

const CORNERS = /^corners?(?:\s+([^:]+))?:/i;
const names = (list: string): readonly string[] => list.split(/,\s*|\s+and\s+/).map((n) => n.trim());

/** Which face a round is worked from, and those that follow it unless they say otherwise. */
function facingIn(
  lines: readonly Located[],
  before: Facing,
): { readonly here: Facing; readonly after: Facing } {
  const says = (words: RegExp): boolean => lines.some((l) => words.test(l.text));
  if (says(/the wrong side faces you (?:now|in this (?:round|row))/i))
    return { here: 'wrong', after: 'wrong' };
  if (says(/the right side faces you again/i)) return { here: 'right', after: 'right' };
  // So it was printed before: for one round at a time.
  if (says(/the wrong side faces|^facing: wrong/i)) return { here: 'wrong', after: 'right' };
  return { here: before, after: before };
}

type Facing = 'right' | 'wrong';

function readRound({ heading, lines }: Block, language: Language, facing: Facing): Outcome<ReadRound> {
  const along = lines.filter((l) => isAlong(l.text));
  const scope = along.some((l) => /^round:|past the corners/i.test(l.text)) ? 'round' : 'side';
  const cornerLines = lines.filter((l) => CORNERS.test(l.text));
  const texts = cornerLines.map((l) => cornerText(said(l.text)));
  const extra = [
    ...(lines.some((l) => /^work on the face of|^surface: yes/i.test(l.text)) ? ['surface: yes'] : []),
    ...(facing === 'wrong' ? ['facing: wrong'] : []),
  ];
  const pairText = lines.find((l) => /^pair:/i.test(l.text))?.text ?? null;
  const written = (corner: { readonly corner: string; readonly pair: string | null } | undefined): string =>
    asNamed(
      [
        along[0] ? `${scope}: ${said(along[0].text)}` : '',
        along[1] ? `lopsided: ${said(along[1].text)}` : '',
        `corner: ${corner?.corner ?? 'walk round'}`,
        corner?.pair ? `pair: ${corner.pair}` : (pairText ?? ''),
        ...extra,
      ]
        .filter((l) => l !== '')
        .join('\n'),
    );
  const main = parseRound(written(texts[0]), language);
  if (!main.ok)
    return { ok: false, problems: main.problems.map((p) => placed(p, heading, along, cornerLines)) };
  const corners = new Map<string, CornerRecipe>();
  const problems: Problem[] = [];
  cornerLines.forEach((line, i) => {
    const list = held(CORNERS.exec(line.text), 'the line was found by its corners')[1];
    if (list === undefined) return;
    const outcome = parseRound(written(texts[i]), language);
    if (outcome.ok) for (const name of names(list)) corners.set(name, outcome.value.corner);
    else problems.push(...outcome.problems.map((p) => placed(p, heading, along, [line])));
  });
  if (problems.length > 0) return failed(...problems);
  return done({
    from: heading.from,
    to: heading.to,
    name: heading.name,
    recipe: main.value,
    saysCorners: cornerLines.length > 0 || scope === 'round',
    corners,
    changes: readChanges(lines),
  });
}

/** A fault of a composed round, at the line of the text that it came from. */
function placed(
  p: Problem,
  heading: Located,
  along: readonly Located[],
  corners: readonly Located[],
): Problem {
  const from = p.where.in === 'text' ? [...along.slice(0, 2), ...corners][p.where.line - 1] : undefined;
  return { ...p, where: inLine(from?.line ?? heading.line) };
}

/** Places whose names have several words, by one of them, so that a name has no space in it. */
const inOneWord = (text: string): string =>
  text
    .replace(/\bsp(s?) between sts\b/gi, 'between$1')
    .replace(/\bst (?:or|and) ch-sp\b/gi, 'either')
    .replace(/\bsts and ch-sps\b/gi, 'eithers');

/** The same by their names again. */
const asNamed = (text: string): string =>
  text.replace(/\beither\b/g, 'st or ch-sp').replace(/\beithers\b/g, 'sts and ch-sps');

/** Stitches or places more or fewer that an adjustment comes to: “2 hdc in sts 38 and 113, counted from the corner”. */
function changeIn(text: string): number {
  const told = said(text) === text ? text : text.includes(':') ? said(text) : text;
  const skip = /\b(?:skip|miss) (\d+) \S+ instead of (\d+)/i.exec(told);
  if (skip) return Number(skip[1]) - Number(skip[2]);
  if (/\bdo not (?:skip|miss)/i.test(told)) return -1;
  const together = [...told.matchAll(/\bover \S+ \d+ and \d+/gi)].length;
  if (together > 0) return -together;
  const increase =
    /^(\d+) .+? in (?:sts?|ch-sps?|gaps?|posts?|pairs?|betweens?|eithers?) (.+), counted from/i.exec(told);
  if (!increase) return 0;
  const places = increase[2]!.split(/,\s*|\s+and\s+/).reduce((sum, item) => {
    const every = /^(?:each|every (\d+)\w\w) from (\d+) to (\d+)$/i.exec(item.trim());
    if (!every) return sum + 1;
    return sum + Math.abs(Number(every[3]) - Number(every[2])) / Number(every[1] ?? 1) + 1;
  }, 0);
  return (Number(increase[1]) - 1) * places;
}

/** “Quiet change: on A 2 in one place once; on C skip one fewer at the first skip.” */
function readChanges(lines: readonly Located[]): ReadonlyMap<string, number> {
  const changes = new Map<string, number>();
  for (const { text } of lines) {
    if (!isAdjustment(text)) continue;
    const sides = /^sides? ([^:]+):/i.exec(text)?.[1];
    const by = changeIn(text);
    for (const name of sides === undefined ? ['A'] : names(sides)) {
      if (by !== 0) changes.set(name, (changes.get(name) ?? 0) + by);
    }
  }
  // So it was printed before.
  const line = lines.find((l) => /^quiet change:/i.test(l.text));
  for (const part of line ? said(line.text).split(/;\s*/) : []) {
    const found =
      /^on (\S+) (2 in one place|2 together|skip one more|skip one fewer)(?: (once|(\d+) times|at the first skip and the last|at the first skip))?/i.exec(
        part,
      );
    if (!found) continue;
    const times = found[4] ? Number(found[4]) : /and the last/i.test(found[3] ?? '') ? 2 : 1;
    changes.set(found[1]!, /one place|more/i.test(found[2]!) ? times : -times);
  }
  return changes;
}

function readBase(lines: readonly Located[], language: Language): ReadBase {
  const corners = new Map<string, CornerRecipe>();
  for (const { text } of lines) {
    const found = CORNERS.exec(text);
    if (!found) continue;
    const group = said(text)
      .replace(/;\s*pm\b.*$/i, '')
      .replace(/ in [^)]*$/, '');
    const outcome = parseRound(
      `side: *sc in next st*\ncorner: ${group} in corner`.replace('*sc', language === 'us' ? '*sc' : '*dc'),
      language,
    );
    if (outcome.ok)
      for (const name of found[1] === undefined ? [''] : names(found[1]))
        corners.set(name, outcome.value.corner);
  }
  const sides = lines.flatMap(({ text }) => {
    const found =
      /^(?:sides? ([^:]+)|all around): (\d+) (.+?)(?: along\b| over\b|,|:)(?:[^:]*?, (?:with )?ch (\d+) (?:between|before and after each))?/i.exec(
        text,
      );
    if (!found) return [];
    const [, list, count, stitch, chains] = found;
    return names(list ?? 'A').map((name) => ({
      name,
      count: Number(count),
      stitch: held(stitch, 'the pattern names its stitch'),
      chains: Number(chains ?? 0),
    }));
  });
  // Sides that are worked alike are told together.
  sides.sort((a, b) => sideNumber(a.name) - sideNumber(b.name));
  return { corners, sides };
}

/** Number of a side by its name: A, B … Z, A2. */
const sideNumber = (name: string): number => name.charCodeAt(0) + 26 * Number(name.slice(1) || 1);
