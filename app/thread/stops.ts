/** The stops of the thread: the page of each, and the one line that it has to say about a plan. */
import type { ComponentType } from 'react';
import type { Plan } from '../../core/plan/types.ts';
import { baseWords } from '../../core/words/countWords.ts';
import { plural, rangeWords, sizeWords } from '../../core/words/measures.ts';
import { placeInWords } from '../../core/words/progressWords.ts';

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

/** Rounds that cannot be read, or go beyond what can be planned, are left out. */
const leftOut = (plan: Plan): boolean =>
  plan.problems.some((p) => LEFT_OUT.has(p.code) || p.code.startsWith('written-'));
const LEFT_OUT: ReadonlySet<string> = new Set(['round-too-large', 'round-makes-nothing']);

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
    says: (plan) => baseWords(plan),
    sound: (plan) => plan.rounds[0]!.sides.every((s) => s.verdict === 'flat' || s.verdict === 'blocks out'),
  },
  {
    path: 'rounds',
    name: 'Rounds',
    page: async () => (await import('../rounds/RoundsPage.tsx')).RoundsPage,
    says: (plan) => {
      const rounds = plan.rounds.length - 1;
      if (leftOut(plan)) return `${rounds}, the rest not worked`;
      if (rounds === 0) return 'none yet';
      const odd = plan.rounds.filter((r) => !r.even).length;
      return `${rounds}, ${odd === 0 ? 'all come out even' : `${odd} not even`}`;
    },
    sound: (plan) => plan.rounds.every((r) => r.even) && !leftOut(plan),
  },
  {
    path: 'yarn',
    name: 'Yarn',
    page: async () => (await import('../yarn/YarnPage.tsx')).YarnPage,
    says: (plan) => {
      const grams = plan.yarns.reduce((sum, y) => sum + y.quantity.grams, 0);
      const balls = plan.yarns.reduce((sum, y) => sum + y.quantity.balls, 0);
      return `${rangeWords(grams, plan.yarns[0]!.quantity.spread)} g, ${plural(balls, 'ball')}`;
    },
    sound: always,
  },
  {
    path: 'pattern',
    name: 'Pattern',
    page: async () => (await import('../pattern/PatternPage.tsx')).PatternPage,
    says: (plan) =>
      `${plan.hem.preferences.language.toUpperCase()} terms, ${plural(plan.rounds.length, 'round')}`,
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
