import { createPlanner } from '../../core/plan/planner.ts';

/** Plans hems that are only looked at: choices before they are taken, previews, borders beside the one in hand. */
export const trialPlan = createPlanner();
