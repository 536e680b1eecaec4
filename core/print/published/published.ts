/** The pattern as it would be published: materials, gauge, notes once, then a paragraph for each round. */
import { careWords } from '../besideRounds.ts';
import { inKinds, kindsWords } from '../kinds.ts';
import { shortYarnName } from '../../document/yarnNames.ts';
import { isDisc, turnedCorners } from '../../piece/outline.ts';
import { sidesWorked, type Plan } from '../../plan/types.ts';
import { plural, rangeWords, sizeWords, yarnLengthWords } from '../../say/measures.ts';
import { abbreviation, type Language } from '../../terms/stitches.ts';
import { WORDS, capital } from '../../terms/words.ts';
import { hookLabel, yarnWeight } from '../../terms/yarnWeights.ts';
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
import { yarnEndsOf } from '../../procedure/ends.ts';
import type { PatternLine, Section, WrittenPattern } from '../section.ts';
import { alikeWords, joiningSection } from '../alike.ts';
import { onceLines } from '../steps/roundWords.ts';
import { rowsWords } from '../steps/rowWords.ts';
import { saidOfRows } from '../../plan/roundNames.ts';
import { roundSections } from './rounds.ts';

/** The published pattern of a plan in a language. */
export function publishedPattern(
  plan: Plan,
  language: Language = plan.hem.preferences.language,
): WrittenPattern {
  const unit = plan.hem.preferences.length;
  const kinds = inKinds(plan);
  const rows = saidOfRows(plan);
  const said = (words: string): string => rows(kinds(words));
  const told = [
    ...specialStitches(plan, language),
    section('Notes', notes(plan, language)),
    section('Border', []),
    ...roundSections(plan, language).map((s) => ({
      ...s,
      heading: said(s.heading),
      lines: s.lines.map((l) => ({ ...l, text: said(l.text) })),
    })),
    ...joiningSection(plan, language),
    section('Finishing', finishing(plan, language)),
  ];
  const texts = [...told, ...materials(plan, language)].flatMap((s) => [
    s.heading,
    ...s.lines.map((l) => l.text),
  ]);
  const terms = termsOf(texts, language).join(' · ');
  const sizes = `For a piece of ${sizeWords(plan.bodySize, unit)}; ${sizeWords(plan.finishedSize, unit)} with its border${
    plan.hem.blocking === 1 ? '' : `, about ${sizeWords(plan.blockedSize, unit)} after blocking`
  }.`;
  return {
    title: `${plan.hem.name}: border`,
    made: null,
    language,
    sections: [
      section('Size', [sizes, ...alikeWords(plan)].map(plain)),
      ...materials(plan, language),
      section(`Abbreviations (${language.toUpperCase()})`, [plain(terms)]),
      ...told,
    ],
  };
}

const NUMBER_WORDS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];

/** A small number beside another: “two 50 g balls”. */
const numberWord = (count: number): string => NUMBER_WORDS[count] ?? String(count);

const plain = (text: string): PatternLine => ({ kind: 'plain', text });

const section = (heading: string, lines: readonly PatternLine[]): Section => ({ heading, lines, rounds: [] });

/** The gauge in single crochet: “13.5 sc = 10 cm”. */
export function gaugeWords({ hem: { gauge, preferences } }: Plan, language: Language): string {
  const inches = preferences.length === 'in';
  const stitches = Math.round(gauge.stitchesPer10Cm * (inches ? 10.16 : 10)) / 10;
  return `${stitches} ${abbreviation('sc', language)} = ${inches ? '4 in' : '10 cm'}`;
}

function materials(plan: Plan, language: Language): readonly Section[] {
  const { preferences, gauge } = plan.hem;
  const unit = preferences.length;
  const used = plan.yarns.filter((y) => y.quantity.metres > 0);
  const weights = [...new Set(used.map((y) => y.yarn.weight))];
  const yarns = weights.flatMap((weight) => [
    plain(`${capital(yarnWeight(weight).name[language])} weight yarn:`),
    ...used
      .filter((y) => y.yarn.weight === weight)
      .map(({ yarn, quantity: { metres, grams, spread, balls } }) =>
        plain(
          `${shortYarnName(plan.hem, yarn.id)}: about ${yarnLengthWords(metres, unit)}, ${rangeWords(grams, spread)} g (${numberWord(balls)} ${yarn.ballG} g ball${balls === 1 ? '' : 's'})`,
        ),
      ),
  ]);
  const hooks = [gauge.hookMm, ...new Set(plan.rounds.map((r) => r.hookMm))];
  const corners = turnedCorners(plan.body.outline).length;
  const markers =
    corners > 0 ? [plural(corners, 'stitch marker')] : plan.body.outline.part ? [] : ['1 stitch marker'];
  return [
    section('Materials', [
      ...yarns,
      plain(
        `${[...new Set(hooks)].map((mm) => hookLabel(mm, language)).join(' and ')} ${[`hook${new Set(hooks).size > 1 ? 's' : ''}`, ...markers, 'yarn needle'].join(' · ')}`,
      ),
      ...(used.length > 0
        ? [
            plain(
              `${plan.hem.alike.count > 1 ? `Yarn is for all ${plan.hem.alike.count}. ` : ''}Buy for the higher weight, in one dye lot.`,
            ),
          ]
        : []),
    ]),
    section(capital(WORDS[language].gauge), [
      plain(
        `${gaugeWords(plan, language)}. Work a swatch; a different ${WORDS[language].gauge} changes size and yardage.`,
      ),
    ]),
  ];
}

function notes(plan: Plan, language: Language): readonly PatternLine[] {
  const right = plan.hem.preferences.hand === 'right';
  const circle = isDisc(plan.body.outline);
  const along = right ? 'from right to left' : 'from left to right';
  const around = right ? WORDS[language].counterclockwise : 'clockwise';
  const names = sidesWorked(plan).map((side) => plan.sides[side]!.name);
  const rows = rowsWords(plan);
  const turned = turnedCorners(plan.body.outline).length > 0;
  const order =
    names.length > 8
      ? `${names.slice(0, 3).join(', ')} and so on to ${names[names.length - 1]!}`
      : names.join(', ');
  const { slipStitch, skip } = WORDS[language];
  return [
    plain(
      circle
        ? `With the right side facing, work ${along}: you go around ${around}.`
        : `With the right side facing, work ${along}${rows === null || turned ? ` along each side. Go around ${around}: ${order}` : ''}. ${whichSide(plan)}`,
    ),
    ...(rows === null ? [] : [plain(rows)]),
    ...kindsWords(plan).map(plain),
    ...careWords(plan).map(plain),
    ...(circle || !turned
      ? []
      : [
          plain(
            `Mark the middle of each corner (pm) and move the marker up each ${rows === null ? 'rnd' : 'row'}. Counts are from marker to marker; marked sts are not counted. The first st after a corner is easy to overlook: do not ${skip} it.`,
          ),
          ...(rows === null
            ? [
                plain(
                  'Sts, chains, gaps and row ends are numbered along each side from the corner just worked, corner sts left out.',
                ),
              ]
            : []),
        ]),
    plain(
      rows === null
        ? `The ${slipStitch} that closes a rnd is not counted or worked into. A ch at the start of a rnd counts as a st only where it is said.`
        : 'A ch at the start of a row counts as a st only where it is said. Places are numbered along each side from the corner or the end st just worked, those left out.',
    ),
    ...[
      [turns(plan) ? '“Turn” means flip the work over.' : '', tailWords(plan)]
        .filter((w) => w !== '')
        .join(' '),
    ]
      .filter((w) => w !== '')
      .map(plain),
    ...onceForAll(plan, language),
    ...waysWords(plan, language).map(plain),
    ...besideRounds(plan),
  ];
}

/** Whether any round is worked from the other side. */
const turns = (plan: Plan): boolean =>
  plan.rounds.some((r) => r.facing === 'wrong') || plan.hem.base.start.lastRow === 'wrong side';

/** Explanations and cautions of all rounds, each once. */
function onceForAll(plan: Plan, language: Language): readonly PatternLine[] {
  const lines = plan.rounds
    .flatMap((round) => (round.written ? onceLines(plan, round, language) : []))
    .flat();
  return [...new Map(lines.map((line) => [line.text, line])).values()];
}

function finishing(plan: Plan, language: Language): readonly PatternLine[] {
  const unit = plan.hem.preferences.length;
  return [
    plain(
      `${fastenOffWords(plan, yarnEndsOf(plan), language)} Block to ${sizeWords(plan.blockedSize, unit)}.`,
    ),
    ...CAUTIONS,
  ];
}
