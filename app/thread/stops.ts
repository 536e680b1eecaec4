/** The stops of the thread: the page of each, and the one line that it has to say about a plan. */
import type { ComponentType } from 'react';
import { troublesOf, type BorderTrouble } from '../../core/forecast/troubles.ts';
import type { Plan } from '../../core/plan/types.ts';
import { baseWords } from '../../core/plan/countWords.ts';
import { plural, rangeWords, sizeWords } from '../../core/say/measures.ts';
import { placeInWords } from '../../core/work/progressWords.ts';
import { troubleInShort } from '../../core/forecast/troubleWords.ts';

export interface Stop {
  readonly path: string;
  readonly name: string;
  /** Fetched when it is first looked at. */
  readonly page: () => Promise<ComponentType>;
  readonly says: (plan: Plan) => string;
  /** False when something at this stop wants looking at. */
  readonly sound: (plan: Plan) => boolean;
}

const always = (): boolean => true;

/** Troubles that are mended at a stop, the worst first. */
const atBase = (plan: Plan): readonly BorderTrouble[] =>
  troublesOf(plan).filter((t) => t.kind === 'unlike' || (t.kind === 'not flat' && t.round === 0));
const atRounds = (plan: Plan): readonly BorderTrouble[] =>
  troublesOf(plan).filter(
    (t) =>
      ['left out', 'does not fit', 'on an edge'].includes(t.kind) || (t.kind === 'not flat' && t.round > 0),
  );
const atYarn = (plan: Plan): readonly BorderTrouble[] => troublesOf(plan).filter((t) => t.kind === 'yarn');

/** Troubles that blocking mends, or yarn that may yet last: said, but no reason to look. */
const isSound = ([worst]: readonly BorderTrouble[]): boolean =>
  !worst ||
  (worst.kind === 'not flat' && worst.verdict === 'blocks out') ||
  (worst.kind === 'yarn' && !worst.sure);

const orTrouble = (plan: Plan, troubles: readonly BorderTrouble[], words: string): string =>
  isSound(troubles) ? words : troubleInShort(plan, troubles[0]!);

/** Beside the thread: what was done. */
const LOG: Pick<Stop, 'path' | 'name' | 'page'> = {
  path: 'log',
  name: 'Log',
  page: async () => (await import('../log/LogPage.tsx')).LogPage,
};

/** Beside the thread: to another device and back. */
const CARRY: Pick<Stop, 'path' | 'name' | 'page'> = {
  path: 'carry',
  name: 'Take it to another device',
  page: async () => (await import('../carry/CarryPage.tsx')).CarryPage,
};

/** Beside the thread: which border. */
const PROPOSE: Pick<Stop, 'path' | 'name' | 'page'> = {
  path: 'propose',
  name: 'What could I do with this?',
  page: async () => (await import('../propose/ProposePage.tsx')).ProposePage,
};

/** Pages beside the thread. */
export const BESIDE = [LOG, CARRY, PROPOSE] as const;

export const STOPS: readonly Stop[] = [
  {
    path: 'piece',
    name: 'Piece',
    page: async () => (await import('../piece/PiecePage.tsx')).PiecePage,
    says: (plan) => sizeWords(plan.bodySize, plan.hem.preferences.length),
    sound: (plan) => !plan.problems.some((p) => p.where.in === 'the piece'),
  },
  {
    path: 'base',
    name: 'Base round',
    page: async () => (await import('../base/BasePage.tsx')).BasePage,
    // The counts are wanted in trouble too.
    says: (plan) =>
      [baseWords(plan), ...(isSound(atBase(plan)) ? [] : [troubleInShort(plan, atBase(plan)[0]!)])].join(
        ', ',
      ),
    sound: (plan) => isSound(atBase(plan)),
  },
  {
    path: 'rounds',
    name: 'Rounds',
    page: async () => (await import('../rounds/RoundsPage.tsx')).RoundsPage,
    says: (plan) => {
      const rounds = plan.rounds.length - 1;
      const words = rounds === 0 ? 'none yet' : `${rounds}, all fit`;
      return orTrouble(plan, atRounds(plan), words);
    },
    sound: (plan) => isSound(atRounds(plan)),
  },
  {
    path: 'yarn',
    name: 'Yarn',
    page: async () => (await import('../yarn/YarnPage.tsx')).YarnPage,
    says: (plan) => {
      const grams = plan.yarns.reduce((sum, y) => sum + y.quantity.grams, 0);
      const balls = plan.yarns.reduce((sum, y) => sum + y.quantity.balls, 0);
      const words = `${rangeWords(grams, plan.yarns[0]!.quantity.spread)} g, ${plural(balls, 'ball')}`;
      const [worst] = atYarn(plan);
      return worst ? troubleInShort(plan, worst) : words;
    },
    sound: (plan) => isSound(atYarn(plan)),
  },
  {
    path: 'pattern',
    name: 'Pattern',
    page: async () => (await import('../pattern/PatternPage.tsx')).PatternPage,
    says: (plan) =>
      `${plan.hem.preferences.language.toUpperCase()} terms, ${plural(plan.rounds.length, plan.body.outline.part ? 'row' : 'round')}`,
    sound: always,
  },
  {
    path: 'work',
    name: 'Work',
    page: async () => (await import('../work/WorkPage.tsx')).WorkPage,
    says: (plan) => placeInWords(plan),
    sound: always,
  },
];
