/** Lines of a pattern beside its rounds, in every form: special stitches, which side is which, faults, notes, cautions. */
import { ownName } from '../stack/stack.ts';
import { isPlanProblem } from '../plan/problems.ts';
import { careOf, whichSideOf } from '../piece/piece.ts';
import type { Plan } from '../plan/types.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import type { RoundStart } from '../procedure/roundStart.ts';
import { problemLine } from '../problems.ts';
import { stitchOf, type Stitch } from '../ring/stitch.ts';
import { abbreviation, type Language } from '../terms/stitches.ts';
import { lengthWords, plural } from '../say/measures.ts';
import { WORDS, capital } from '../terms/words.ts';
import { makingOf } from './making.ts';
import type { PatternLine, Section } from './section.ts';
import { stitchWords } from './stitchWords.ts';

const line =
  (kind: PatternLine['kind']) =>
  (text: string): PatternLine => ({ kind, text });
const plain = line('plain');

/** Every stitch that is worked, each once, the commonest kinds first. */
function stitchesUsed(plan: Plan): readonly Stitch[] {
  const used = new Map<Stitch, number>();
  for (const { ring } of plan.rounds) for (const s of ring.made) used.set(s, (used.get(s) ?? 0) + 1);
  return [...used].sort((a, b) => b[1] - a[1]).map(([s]) => s);
}

/** Stitches that a crocheter may not know by their name. */
function isSpecial(s: Stitch): boolean {
  return (
    s.form !== 'plain' || s.loop !== 'both' || s.post !== 'none' || s.kind === 'esc' || s.kind === 'hhdc'
  );
}

/** Stitches that are told how they are made; none where all are usual. */
export function specialStitches(plan: Plan, language: Language): readonly Section[] {
  // A post or a loop is told once for each kind of stitch; a group of chains is no special stitch.
  const special = stitchesUsed(plan).filter((s) => isSpecial(s));
  if (special.length === 0) return [];
  const told = new Map(special.map((s) => [stitchWords(s, language), s]));
  return [
    {
      heading: 'Special stitches',
      rounds: [],
      lines: [...told].map(([name, s]) => {
        const steps = makingOf(stitchOf(s), language, plan.hem.preferences.hand).map((step) => step.words);
        return plain(`${capital(name)}: ${steps.join('. ')}.`);
      }),
    },
  ];
}

/** Faults of what is not worked, which cannot be told in their own place; and the maker’s own notes. */
export const besideRounds = (plan: Plan): readonly PatternLine[] => [
  ...plan.problems
    .filter(
      (p) => isPlanProblem(p, 'round-too-large', 'round-makes-nothing') || p.code.startsWith('written-'),
    )
    .map((p) => line('care')(`Take care: ${problemLine(p)}`)),
  ...(plan.hem.base.betweenPosts
    ? [plain('No tops can be seen in this yarn: feel for the posts, and count the spaces between them.')]
    : []),
  ...plan.hem.rounds.flatMap((entry) =>
    entry.written?.note.trim() ? [plain(`${ownName(entry)}: ${entry.written.note.trim()}`)] : [],
  ),
  ...(plan.hem.notes.trim() ? plan.hem.notes.trim().split(/\n+/).map(plain) : []),
];

/** Ways to begin and to close that are told once: stacked stitches, a drawn-up loop, a closing stitch, a spiral. */
export function waysWords(plan: Plan, language: Language): readonly string[] {
  const procedures = proceduresOf(plan);
  const some = (test: (start: RoundStart) => boolean): boolean =>
    procedures.some(({ start }) => start !== null && test(start));
  const near = plan.hem.preferences.hand === 'right' ? 'left' : 'right';
  const sc = abbreviation('sc', language);
  return [
    ...(some((s) => s.first.by === 'stacked')
      ? [`Stacked ${sc}: the first in the place, each further one in the ${near} leg of the one before.`]
      : []),
    ...(some((s) => s.first.by === 'drawn up')
      ? [
          'To draw up a loop: pull it as tall as the st, hold it down with a finger, and turn the hook around it as the first yarn over.',
        ]
      : []),
    ...(some((s) => s.close.by === 'stitch')
      ? [
          'A closing st stands in place of the last chains and counts as their space. Work into that space around its post.',
        ]
      : []),
    ...(some((s) => s.close.by === 'nothing')
      ? [
          'In a spiral, mark the first st of each round and move the marker up: no join shows where it begins.',
        ]
      : []),
  ];
}

/** Tails as the work goes on, in words; empty where they are left for the end. */
export const tailWords = ({ hem }: Plan): string =>
  hem.base.start.ends === 'crocheted over' ? 'Crochet over tails as you go.' : '';

/** Ends at the end of the work: “Fasten off. Weave in the 4 ends: …” */
export function fastenOffWords(plan: Plan, ends: number, language: Language): string {
  const { preferences, base } = plan.hem;
  const weave = capital(WORDS[language].weaveIn);
  const far = lengthWords(50, preferences.length);
  const left = base.start.ends === 'crocheted over' ? 'what you did not crochet over of ' : '';
  return `Fasten off. ${weave} ${left}the ${plural(ends, 'end')}${plan.hem.alike.count > 1 ? ' of each piece' : ''}: run the needle ${far} under stitches, then back${left === '' ? ', through the backs of stitches of the same yarn' : ''}.`;
}

/** Which side is which on the piece. */
export function whichSide({ hem, sides }: Plan): string {
  const last = sides[sides.length - 1]!.name;
  const own = whichSideOf(hem.piece) ?? `Side A is the top edge; ${last} ends where A begins.`;
  return `${own} The plan shows which is which.`;
}

/** Cautions for the piece and the hands. */
export const CAUTIONS: readonly PatternLine[] = [
  line('caution')(
    'Caution: acrylic melts. Do not iron or steam it. Wool felts. Wash it cold, without rubbing. Count your pins in and out.',
  ),
  line('caution')('Caution: rest and stretch your hands often. Stop if they hurt.'),
];

/** Words on the piece itself, beside its border. */
export const careWords = ({ hem }: Plan): readonly string[] => {
  const care = careOf(hem.piece);
  return care === null ? [] : [care];
};
