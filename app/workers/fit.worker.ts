/** Works fits away from the page. */
import { expose } from 'comlink';
import type { Hem } from '../../core/document/hem.ts';
import type { Fit } from '../../core/fit/fit.ts';
import { createPlanner, fitPlan } from '../../core/plan.ts';

const planner = createPlanner();

const work = { fit: (hem: Hem): Fit => fitPlan(planner(hem)) };

export type FitWork = typeof work;

expose(work);
