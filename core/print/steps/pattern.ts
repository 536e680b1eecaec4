/** The written pattern of a plan, as sections of lines; the callers lay them out. */
import { careWords } from '../besideRounds.ts';
import { inKinds, kindsWords } from '../kinds.ts';
import { isDisc, turnedCorners } from '../../piece/outline.ts';
import { sidesWorked, type Plan } from '../../plan/types.ts';
import { abbreviation, type Language } from '../../terms/stitches.ts';
import { hookLabel } from '../../terms/yarnWeights.ts';
import { proceduresOf } from '../../procedure/procedure.ts';
import { WORDS, capital } from '../../terms/words.ts';
import { shortYarnName } from '../../document/yarnNames.ts';
import { cornerLines } from './cornerWords.ts';
import { startLines } from './startWords.ts';
import { endLines } from './endWords.ts';
import { baseSideLines } from './baseRoundWords.ts';
import { lengthWords, plural, rangeWords, sizeWords, yarnLengthWords } from '../../say/measures.ts';
import { countsLine, foldRounds, partLines, repeatsWords, type FoldedRounds } from './roundWords.ts';
import { rowsWords } from './rowWords.ts';
import { saidOfRows } from '../../plan/roundNames.ts';
import { termsOf } from '../abbreviations.ts';
import {
  CAUTIONS,
  besideRounds,
  fastenOffWords,
  tailWords,
  waysWords,
  specialStitches,
  whichSide,
} from '../besideRounds.ts';
import { alikeWords, inAllWords, joiningSection } from '../alike.ts';
import { yarnEndsOf } from '../../procedure/ends.ts';
import type { PatternLine, Section, WrittenPattern } from '../section.ts';

/** The pattern of a plan in a language. */
export function writtenPattern(
  plan: Plan,
  language: Language = plan.hem.preferences.language,
): WrittenPattern {
  const folded = foldRounds(plan, language);
  const kinds = inKinds(plan);
  const rows = saidOfRows(plan);
  const said = (words: string): string => rows(kinds(words));
  const inRows = (s: Section): Section => ({
    ...s,
    heading: said(s.heading),
    lines: s.lines.map((l) => ({ ...l, text: said(l.text) })),
  });
  const told = [
    materials(plan, language),
    ...specialStitches(plan, language),
    notes(plan, language),
    ...[baseSection(plan, language), ...folded.map((f) => roundsSection(plan, f))].map(inRows),
    ...joiningSection(plan, language),
    finishing(plan, language),
  ];
  return {
    title: plan.hem.name,
    made: null,
    language,
    sections: [terms(plan, told, language), ...told],
  };
}

const line =
  (kind: PatternLine['kind']) =>
  (text: string): PatternLine => ({ kind, text });
const plain = line('plain');

function section(heading: string, lines: readonly PatternLine[], rounds: readonly number[] = []): Section {
  return { heading, lines, rounds };
}

function terms(plan: Plan, told: readonly Section[], language: Language): Section {
  const texts = told.flatMap((s) => s.lines.map((l) => l.text));
  return section(`Terms: ${language.toUpperCase()} crochet terms throughout`, [
    plain(termsOf(texts, language).join(' · ')),
    plain(`Written for a ${plan.hem.preferences.hand}-handed crocheter.`),
  ]);
}

function materials(plan: Plan, language: Language): Section {
  const { hem } = plan;
  const { preferences, gauge } = hem;
  const yarnLines = plan.yarns
    .filter((y) => y.quantity.metres > 0)
    .map(({ yarn, quantity }) => {
      const grams = rangeWords(quantity.grams, quantity.spread);
      const length = yarnLengthWords(quantity.metres, preferences.length);
      return `${yarn.name}: about ${length}, ${grams} g: ${plural(quantity.balls, 'ball')} of ${yarn.ballG} g.`;
    });
  const calibrated = plan.yarns.some((y) => y.quantity.metres > 0 && y.calibration.basis !== 'rule of thumb');
  const hooks = [...new Set(plan.rounds.map((r) => r.hookMm))].filter((mm) => mm !== gauge.hookMm);
  const corners = turnedCorners(plan.body.outline).length;
  const rows = plan.body.outline.part !== undefined;
  const inches = preferences.length === 'in';
  const stitches = Math.round(gauge.stitchesPer10Cm * (inches ? 10.16 : 10)) / 10;
  return section('Piece and materials', [
    plain(
      `Piece ${sizeWords(plan.bodySize, preferences.length)}; with its border ${sizeWords(plan.finishedSize, preferences.length)}` +
        `${plan.hem.blocking === 1 ? '' : `, after blocking about ${sizeWords(plan.blockedSize, preferences.length)}`}. ` +
        `The border is ${lengthWords(plan.borderWidthMm, preferences.length)} wide.`,
    ),
    plain(
      `Hook ${hookLabel(gauge.hookMm, language)}${hooks.length > 0 ? `, and ${hooks.map((mm) => hookLabel(mm, language)).join(', ')} where a round says so` : ''}. ` +
        `${capital(WORDS[language].gauge)}: ${stitches} ${abbreviation('sc', language)} = ${inches ? '4 in' : '10 cm'}. Work a swatch; a different ${WORDS[language].gauge} changes size and yardage.`,
    ),
    ...alikeWords(plan).map(plain),
    ...yarnLines.map(plain),
    plain(
      `The whole border: ${plural(plan.rounds.length - 1, rows ? 'row' : 'round')} after the base ${rows ? 'row' : 'round'}, ${plan.rounds.reduce((sum, r) => sum + r.total, 0)} sts, about ${yarnLengthWords(
        plan.yarns.reduce((sum, y) => sum + y.quantity.metres, 0),
        preferences.length,
      )}${hem.alike.count > 1 ? ` ${inAllWords(plan)}` : ''}.`,
    ),
    plain(
      calibrated
        ? 'Estimates, refined by your weighings. Buy for the higher number, in one dye lot.'
        : 'Yarn is estimated: it can be a fifth too high or too low. Buy for the higher number, in one dye lot.',
    ),
    plain(`Also: ${markersWords(corners, rows)}yarn needle.`),
  ]);
}

function markersWords(corners: number, rows: boolean): string {
  if (rows)
    return corners > 0
      ? `${plural(corners, 'stitch marker')} for ${corners === 1 ? 'the corner' : 'the corners'}; `
      : '';
  return corners > 0
    ? `${corners + 1} stitch markers, one for each corner and one for the start of the round; `
    : 'a stitch marker for the start of the round; ';
}

function notes(plan: Plan, language: Language): Section {
  const corners = turnedCorners(plan.body.outline).length > 0;
  const rows = rowsWords(plan);
  const { skip } = WORDS[language];
  return section('Before you begin', [
    ...directionLines(plan, language).map(plain),
    ...kindsWords(plan).map(plain),
    ...careWords(plan).map(plain),
    ...(tailWords(plan) === '' ? [] : [plain(tailWords(plan))]),
    ...(corners
      ? [
          plain(
            `Mark each corner stitch or corner space as you make it (pm: place marker). Move the marker up every ${rows === null ? 'round' : 'row'}. Count from marker to marker; do not count the marked sts.`,
          ),
          plain(`The first st after a corner hides behind it: do not ${skip} it.`),
        ]
      : []),
    plain(
      corners
        ? '“Turn” means flip the work over. At a corner, just carry on along the next side.'
        : rows === null
          ? '“Turn” means flip the work over. Count the round when you come back to the start marker.'
          : '“Turn” means flip the work over.',
    ),
    ...(rows === null
      ? [
          plain(
            `Do not count the ${language === 'us' ? 'sl sts' : 'slip stitches (ss)'} that join or move you to the start, and do not work into them.`,
          ),
        ]
      : []),
    ...waysWords(plan, language).map(plain),
    ...besideRounds(plan),
  ]);
}

/** Which way round the work goes, and which side is which. */
function directionLines(plan: Plan, language: Language): readonly string[] {
  const right = plan.hem.preferences.hand === 'right';
  const along = right ? 'from right to left' : 'from left to right';
  const around = right ? WORDS[language].counterclockwise : 'clockwise';
  if (isDisc(plan.body.outline)) {
    return [`With the right side facing, work ${along}: you go around ${around}.`];
  }
  const names = sidesWorked(plan).map((side) => plan.sides[side]!.name);
  const rows = rowsWords(plan);
  const order =
    names.length > 8
      ? `${names.slice(0, 3).join(', ')} and so on to ${names[names.length - 1]}`
      : names.join(', ');
  const go =
    rows === null || turnedCorners(plan.body.outline).length > 0
      ? ` along each side. Go around ${around}: ${order}`
      : '';
  return [
    `With the right side facing, work ${along}${go}.`,
    whichSide(plan),
    ...(rows === null ? [] : [rows]),
  ];
}

function baseSection(plan: Plan, language: Language): Section {
  const procedure = proceduresOf(plan)[0]!;
  const { round } = procedure;
  return section(
    `Base round (${shortYarnName(plan.hem, round.yarnId)})`,
    [
      ...(round.hookMm === plan.hem.gauge.hookMm
        ? []
        : [plain(`Hook ${hookLabel(round.hookMm, language)}.`)]),
      ...startLines(plan, procedure, language).map(plain),
      ...baseSideLines(plan, procedure, language).map(line('written')),
      ...cornerLines(plan, procedure, language).map(line('written')),
      ...endLines(plan, procedure, language).map(plain),
      line('counts')(countsLine(plan, round)),
    ],
    [0],
  );
}

function roundsSection(plan: Plan, { rounds, starts, lines, ends }: FoldedRounds): Section {
  const first = rounds[0]!;
  const last = rounds[rounds.length - 1]!;
  const several = rounds.length > 1;
  const numbers = several ? `Rounds ${first.number}–${last.number}` : `Round ${first.number}`;
  return section(
    `${numbers}: ${first.name.toLowerCase()} (${shortYarnName(plan.hem, first.yarnId)})`,
    [
      ...partLines(starts).map(plain),
      ...lines,
      ...partLines(ends).map(plain),
      ...rounds.flatMap((round) => {
        const repeats = repeatsWords(plan, round);
        return [
          ...(repeats
            ? [
                line('counts')(
                  several ? repeats.replace('Repeats', `Repeats in round ${round.number}`) : repeats,
                ),
              ]
            : []),
          line('counts')(countsLine(plan, round, several)),
        ];
      }),
    ],
    rounds.map((r) => r.number),
  );
}

function finishing(plan: Plan, language: Language): Section {
  const ends = yarnEndsOf(plan);
  const unit = plan.hem.preferences.length;
  return section('Finishing', [
    plain(`${fastenOffWords(plan, ends, language)} Block to ${sizeWords(plan.blockedSize, unit)}.`),
    ...CAUTIONS,
  ]);
}
