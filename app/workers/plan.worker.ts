/** Works what takes longer than a frame away from the page. */
import { expose } from 'comlink';
import type { Hem, RoundEntry } from '../../core/document/hem.ts';
import type { Fit } from '../../core/fit/fit.ts';
import { fitHem } from '../../core/fit/open.ts';
import {
  compareCorners,
  compareSchools,
  firstToShow,
  otherEdges,
  roundsForWidth,
  roundsFromRest,
  type CornerForecast,
  type FirstToShow,
  type OtherEdge,
  type RoundsForSize,
  type RoundsLeft,
  type SchoolForecast,
} from '../../core/forecast/alternatives.ts';
import { createPlanner } from '../../core/plan.ts';

const planner = createPlanner();

const work = {
  fit: (hem: Hem): Fit => fitHem(hem),
  roundsFromRest: (hem: Hem, yarnId: string, restG: number): readonly RoundsLeft[] =>
    roundsFromRest(planner(hem), yarnId, restG),
  otherEdges: (hem: Hem): readonly OtherEdge[] => otherEdges(planner(hem)),
  firstToShow: (hem: Hem): FirstToShow | null => firstToShow(planner(hem)),
  compareCorners: (hem: Hem, stitch: RoundEntry['stitch'], rounds: number): readonly CornerForecast[] =>
    compareCorners(planner(hem), stitch, rounds),
  compareSchools: (hem: Hem, stitch: RoundEntry['stitch'], rounds: number): readonly SchoolForecast[] =>
    compareSchools(planner(hem), stitch, rounds),
  roundsForWidth: (hem: Hem, widthMm: number): RoundsForSize | null => roundsForWidth(planner(hem), widthMm),
};

export type PlanWork = typeof work;

expose(work);
