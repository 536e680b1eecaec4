/** Why something cannot be done to a hem. */
import { raising, type Sentences } from '../problems.ts';

export const EDIT_PROBLEMS = {
  'yarn-in-use': (v: { yarn: string; where: string }) => ({
    what: `${v.yarn} is still used: ${v.where}`,
    remedy: 'Choose another yarn there first.',
  }),
  'yarn-last': () => ({
    what: 'this is the only yarn',
    remedy: 'Put another into the basket first.',
  }),
  'begun-stays': () => ({
    what: 'the base round has been begun, so it and the piece stay as they were then',
    remedy: 'Rip it back on the Work page to change them, or make a copy of the hem from its beginning.',
  }),
  'part-gone': (v: { what: string }) => ({
    what: `${v.what} is no longer there`,
    remedy: 'Look at the hem as it is now, and do it again where it applies.',
  }),
} satisfies Sentences;

export const editProblem = raising(EDIT_PROBLEMS);
