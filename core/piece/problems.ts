/** Faults of the measures of a piece. */
import { raising, type Sentences } from '../problems.ts';

export const PIECE_PROBLEMS = {
  'corners-differ': (v: { turns: number }) => ({
    what: `the corners do not close the outline: ${v.turns}° instead of 360°`,
    remedy: 'Check the corner angles: a square corner is 90°, an inner corner −90°.',
  }),
  'outline-open': (v: { gap: string; unit: string }) => ({
    what: `the outline does not close: its end lies ${v.gap} ${v.unit} from its start`,
    remedy: 'Measure the sides again, or check the corner angles.',
  }),
  'grid-apart': () => ({
    what: 'the motifs are not joined edge to edge, or leave a hole',
    remedy: 'Fill the hole, or plan the parts as pieces of their own.',
  }),
  'grid-empty': () => ({
    what: 'there is no motif in the grid',
    remedy: 'Leave at least one motif in it.',
  }),
} satisfies Sentences;

export const pieceProblem = raising(PIECE_PROBLEMS);
