/** Practice, in words. */
import { capital } from '../terms/words.ts';
import type { Plan } from '../plan/types.ts';
import type { Prompt, MakerSkill, Table, Task } from './maker.ts';
import { plural } from '../say/measures.ts';
import { sideWords } from '../print/placeWords.ts';
import { roundWords } from '../say/rounds.ts';

export const SKILL_NAMES: Readonly<Record<MakerSkill, string>> = {
  learner: 'a learner',
  practised: 'practised',
  hasty: 'in haste',
};

export const TASK_NAMES: Readonly<Record<Task, string>> = {
  recount: 'a recount',
  repair: 'a repair',
  weigh: 'weighing',
  rip: 'ripping back',
};

/** Request to the person. */
export function promptWords(plan: Plan, prompt: Prompt, table: Table): string {
  switch (prompt) {
    case 'let work':
      return 'Let the maker work on.';
    case 'weigh':
      return `Time to weigh. The simulated scale says ${table.ballG} g.`;
    case 'count':
      return 'The round is done. Something may be wrong: count it, and type what lies there.';
    case 'stuck':
      return table.stuck
        ? `It does not come out: on ${sideWords(plan, table.stuck.side)} ${plural(Math.abs(table.stuck.off), 'stitch')} ${table.stuck.off > 0 ? 'are left over' : 'are missing'}. Count the rounds below, and find out where.`
        : '';
    case 'rip':
      return 'One thing is left to see: rip back to a place, and let the maker work on from there.';
    case 'done':
      return 'You have seen it all: a recount, a repair, weighing and ripping back. Your own hems go the same way.';
  }
}

/** Places on the table up to the next corner; null where it is far. */
export const upToCornerWords = (plan: Plan, { upToCorner }: Table): string | null =>
  upToCorner &&
  `Up to the corner at the end of ${sideWords(plan, upToCorner.side)} lie ${plural(upToCorner.places, 'stitch')} of the round below.`;

/** The table in words, round by round: “Round 1: A 35, B 36, C 35, D 35”. */
export const tableWords = (plan: Plan, { counts }: Table): readonly string[] =>
  counts.map(
    (sides, number) =>
      `${capital(roundWords(number))}: ${sides.map((c, i) => `${plan.sides[i]!.name} ${c}`).join(', ')}`,
  );
