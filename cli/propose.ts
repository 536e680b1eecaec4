/** Borders that are proposed, for the command `propose`. */
import type { Plan } from '../core/plan/types.ts';
import { picked } from '../core/propose/pick.ts';
import { SLICES, searchSlice, type Obstacle, type Proposal } from '../core/propose/search.ts';
import { NO_WISH, type Look, type Skill, type Wish } from '../core/propose/wish.ts';
import { obstacleWords, reasonsOf, shapeWords } from '../core/words/proposeWords.ts';
import { plural } from '../core/words/measures.ts';
import { EXIT } from './input.ts';

export interface ProposeOptions {
  readonly width?: number;
  readonly edge?: Look | 'lobed';
  readonly skill?: Skill;
  readonly looseParts: boolean;
  readonly basket?: boolean;
  readonly hours?: number;
  readonly json?: boolean;
}

/** The wish that options say; a number that is none is told, and the process ends. */
export function wishOf({ width, edge, skill, looseParts, basket, hours }: ProposeOptions): Wish {
  for (const [name, value] of [
    ['--width', width],
    ['--hours', hours],
  ] as const) {
    if (value === undefined || value > 0) continue;
    console.error(`${name}: give a number above 0, such as 4.`);
    process.exit(EXIT.unsound);
  }
  return {
    ...NO_WISH,
    widthCm: width ?? null,
    look: edge === 'lobed' ? 'scalloped' : (edge ?? null),
    skill: skill ?? null,
    noLooseParts: !looseParts,
    fromBasket: basket ?? false,
    minutes: hours === undefined ? null : hours * 60,
  };
}

const SHOWN = 8;

export interface Proposed {
  readonly planned: number;
  readonly suit: number;
  readonly proposals: readonly Proposal[];
  readonly obstacles: Readonly<Partial<Record<Obstacle, number>>>;
}

/** The whole search, and the handful that is picked of it. */
export function proposed({ hem }: Plan, wish: Wish): Proposed {
  const parts = Array.from({ length: SLICES }, (_, slice) => searchSlice(hem, wish, slice));
  const all = parts.flatMap((p) => p.proposals);
  const obstacles: Partial<Record<Obstacle, number>> = {};
  for (const { obstacles: of } of parts)
    for (const [key, count] of Object.entries(of) as [Obstacle, number][])
      obstacles[key] = (obstacles[key] ?? 0) + count;
  return {
    planned: parts.reduce((sum, p) => sum + p.planned, 0),
    suit: all.length,
    proposals: picked(all, SHOWN),
    obstacles,
  };
}

export function proposedText(plan: Plan, { planned, suit, proposals, obstacles }: Proposed): string {
  const lines = proposals.map((p) => `${shapeWords(plan, p)}: ${reasonsOf(plan, p).join(', ')}.`);
  const nothing = ['Nothing suits.', ...obstacleWords(obstacles).map((o) => o.words)];
  return `${[`${plural(planned, 'border')} tried, ${suit} suit.`, ...(lines.length > 0 ? lines : nothing)].join('\n')}\n`;
}
