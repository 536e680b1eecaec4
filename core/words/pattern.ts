/** The written pattern of a plan, as sections of lines; the callers lay them out. */
import { stitchOf, type Stitch } from '../ring/stitch.ts';
import type { Plan } from '../plan.ts';
import { problemLine } from '../problems.ts';
import { abbreviation, stitchName, type Language } from '../terms/stitches.ts';
import { hookLabel } from '../terms/yarnWeights.ts';
import { baseCornerLines, baseSideLines } from './baseRoundWords.ts';
import { makingOf } from './making.ts';
import { lengthWords, plural, rangeWords, sizeWords, yarnLengthWords } from './measures.ts';
import { countsLine, foldRounds, repeatsWords, yarnName, type FoldedRounds } from './roundWords.ts';
import { joinWords, startWords } from './startWords.ts';
import { stitchWords } from './stitchWords.ts';

export interface PatternLine {
  /** `written` is crochet that the reader of patterns reads back; `care` says what is wrong and how to mend it. */
  readonly kind: 'plain' | 'written' | 'counts' | 'care' | 'caution';
  readonly text: string;
}

export interface Section {
  readonly heading: string;
  readonly lines: readonly PatternLine[];
  /** Numbers of the rounds that it tells; none for other sections. */
  readonly rounds: readonly number[];
}

export interface Pattern {
  readonly title: string;
  readonly language: Language;
  readonly sections: readonly Section[];
}

/** The pattern of a plan in a language. */
export function patternOf(plan: Plan, language: Language = plan.hem.preferences.language): Pattern {
  const folded = foldRounds(plan, language);
  return {
    title: plan.hem.name,
    language,
    sections: [
      terms(plan, language),
      materials(plan),
      ...specialStitches(plan, language),
      notes(plan),
      baseSection(plan, language),
      ...folded.map((f) => roundsSection(plan, f)),
      finishing(plan),
    ],
  };
}

const line =
  (kind: PatternLine['kind']) =>
  (text: string): PatternLine => ({ kind, text });
const plain = line('plain');

function section(heading: string, lines: readonly PatternLine[], rounds: readonly number[] = []): Section {
  return { heading, lines, rounds };
}

/** Every stitch that is worked, each once, the commonest kinds first. */
function stitchesUsed(plan: Plan): readonly Stitch[] {
  const used = new Map<Stitch, number>();
  for (const { ring } of plan.rounds) for (const s of ring.made) used.set(s, (used.get(s) ?? 0) + 1);
  return [...used].sort((a, b) => b[1] - a[1]).map(([s]) => s);
}

function terms(plan: Plan, language: Language): Section {
  const kinds = [...new Set(stitchesUsed(plan).map((s) => s.kind))];
  const words = kinds.map((k) => `${abbreviation(k, language)} ${stitchName(k, language)}`);
  const skip = language === 'us' ? 'sk skip' : 'miss: pass over';
  return section(
    language === 'us' ? 'Terms: US crochet terms throughout' : 'Terms: UK crochet terms throughout',
    [
      plain([...words, 'st stitch', 'sp space', skip].join(' · ')),
      plain(`Written for a ${plan.hem.preferences.hand}-handed crocheter.`),
    ],
  );
}

function materials(plan: Plan): Section {
  const { preferences, gauge } = plan.hem;
  const yarnLines = plan.yarns
    .filter((y) => y.quantity.metres > 0)
    .map(({ yarn, quantity }) => {
      const grams = rangeWords(quantity.grams, quantity.spread);
      const length = yarnLengthWords(quantity.metres, preferences.length);
      return `${yarn.name}: about ${length}, ${grams} g: ${plural(quantity.balls, 'ball')} of ${yarn.ballG} g.`;
    });
  const calibrated = plan.yarns.some((y) => y.quantity.metres > 0 && y.calibration.factor !== 1);
  const hooks = [...new Set(plan.rounds.flatMap((r) => r.written?.entry.hookMm ?? []))].filter(
    (mm) => mm !== gauge.hookMm,
  );
  const corners = plan.body.outline.turns.length;
  return section('Piece and materials', [
    plain(
      `Piece ${sizeWords(plan.bodySize, preferences.length)}; with its border ${sizeWords(plan.finishedSize, preferences.length)}` +
        `${plan.hem.blocking === 1 ? '' : `, after blocking about ${sizeWords(plan.blockedSize, preferences.length)}`}.`,
    ),
    plain(
      `Hook ${hookLabel(gauge.hookMm)}${hooks.length > 0 ? `, and ${hooks.map(hookLabel).join(', ')} where a round says so` : ''}. ` +
        `Gauge of the border: ${gauge.stitchesPer10Cm} stitches to 10 cm (4 in).`,
    ),
    ...yarnLines.map(plain),
    plain(
      calibrated
        ? 'Yarn is an estimate by the path of the yarn through each stitch, narrowed by what has been weighed.'
        : 'Yarn is an estimate by the path of the yarn through each stitch, ±20 % until something has been weighed.',
    ),
    plain(
      `Also: ${corners > 0 ? `${corners + 1} stitch markers, one for each corner and one for the start of the round` : 'a stitch marker for the start of the round'}; a needle for the ends.`,
    ),
  ]);
}

/** Stitches that a crocheter may not know by their name. */
function isSpecial(s: Stitch): boolean {
  return (
    s.form !== 'plain' || s.loop !== 'both' || s.post !== 'none' || s.kind === 'esc' || s.kind === 'hhdc'
  );
}

function specialStitches(plan: Plan, language: Language): readonly Section[] {
  // A post or a loop is told once for each kind of stitch; a group of chains is no special stitch.
  const special = stitchesUsed(plan).filter((s) => isSpecial(s));
  if (special.length === 0) return [];
  const told = new Map(special.map((s) => [stitchWords(s, language), s]));
  return [
    section(
      'Special stitches',
      [...told].map(([name, s]) => {
        const steps = makingOf(stitchOf(s), language).map((step) => step.words);
        return plain(`${name.charAt(0).toUpperCase()}${name.slice(1)}: ${steps.join('. ')}.`);
      }),
    ),
  ];
}

function notes(plan: Plan): Section {
  const corners = plan.body.outline.turns.length > 0;
  const { start } = plan.hem.base;
  const climbing = corners && !(start.at === 'corner' && start.join === 'centred');
  return section('Notes', [
    plain('The right side faces you unless a round says otherwise. Work over the tail.'),
    ...(corners
      ? [
          plain(
            'A side’s count is the stitches strictly between one corner’s centre and the next’s; the centre belongs to neither side.',
          ),
          plain(
            'Put a marker into the centre of every corner as soon as it is made, and move it up in every round. The first stitch after a corner hides under the corner’s own: do not miss it.',
          ),
        ]
      : []),
    ...(climbing
      ? [
          plain(
            'The join climbs straight up while the corner moves out, so the stitches between the last corner and the join change from round to round: each round says how many there are.',
          ),
        ]
      : []),
    plain(
      'Count every side when you come to its corner. “Turn” means to the other face; to the next side you only rotate the piece.',
    ),
    // What is not worked cannot be told in its own place.
    ...plan.problems
      .filter(
        (p) =>
          p.code === 'round-too-large' || p.code === 'round-makes-nothing' || p.code.startsWith('written-'),
      )
      .map((p) => line('care')(`Take care: ${problemLine(p)}`)),
    ...(plan.hem.notes.trim() ? plan.hem.notes.trim().split(/\n+/).map(plain) : []),
  ]);
}

function baseSection(plan: Plan, language: Language): Section {
  const round = plan.rounds[0]!;
  return section(
    `Base round (${yarnName(plan, round.yarnId)})`,
    [
      plain(startWords(plan, plan.hem.base.stitch, 0)),
      ...baseCornerLines(plan, language).map(line('written')),
      ...baseSideLines(plan, language).map(line('written')),
      plain(joinWords(plan, language)),
      line('counts')(countsLine(round, plan)),
    ],
    [0],
  );
}

function roundsSection(plan: Plan, { rounds, lead, lines }: FoldedRounds): Section {
  const first = rounds[0]!;
  const last = rounds[rounds.length - 1]!;
  const several = rounds.length > 1;
  const numbers = several ? `Rounds ${first.number}–${last.number}` : `Round ${first.number}`;
  return section(
    `${numbers}: ${first.name.toLowerCase()} (${yarnName(plan, first.yarnId)})`,
    [
      ...(lead ? [plain(several ? `Before round ${first.number}: ${lead}` : lead)] : []),
      ...lines,
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
          line('counts')(countsLine(round, plan, several)),
        ];
      }),
    ],
    rounds.map((r) => r.number),
  );
}

function finishing(plan: Plan): Section {
  const ends = plan.yarns.reduce((sum, y) => sum + y.ends, 0);
  const unit = plan.hem.preferences.length;
  return section('Finishing', [
    plain(
      `Fasten off and weave in ${plural(ends, 'end')}, each over at least ${lengthWords(50, unit)} and back again. Block to ${sizeWords(plan.blockedSize, unit)}.`,
    ),
    line('caution')(
      'Caution: acrylic melts: no hot iron on it, and no steam held close. Wool may felt. Count pins back into their box.',
    ),
    line('caution')('Caution: rest the hands and stretch them; stop when they hurt.'),
  ]);
}
