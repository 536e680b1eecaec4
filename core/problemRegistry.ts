/** Every problem that the core can tell of, by its code; what the pages tell of besides stands in app/problemRegistry.ts. */
import { NOTATION_PROBLEMS } from './notation/problems.ts';
import { PIECE_PROBLEMS } from './piece/problems.ts';
import { HANDS_PROBLEMS } from './hands/problems.ts';
import { DOCUMENT_PROBLEMS } from './document/problems.ts';
import { EDIT_PROBLEMS } from './edits/problems.ts';
import { PLAN_PROBLEMS } from './plan/problems.ts';
import { PRINT_PROBLEMS } from './print/problems.ts';
import { COMMON_PROBLEMS } from './problems.ts';

/** The rooms, each with its sentences. */
export const CORE_PROBLEMS = [
  COMMON_PROBLEMS,
  NOTATION_PROBLEMS,
  PIECE_PROBLEMS,
  HANDS_PROBLEMS,
  DOCUMENT_PROBLEMS,
  EDIT_PROBLEMS,
  PLAN_PROBLEMS,
  PRINT_PROBLEMS,
] as const;

type Codes<T> = T extends readonly (infer R)[] ? (R extends object ? keyof R & string : never) : never;
/** A code of the core. */
export type CoreProblemCode = Codes<typeof CORE_PROBLEMS>;

export const CORE_PROBLEM_CODES = CORE_PROBLEMS.flatMap((room) =>
  Object.keys(room),
) as readonly CoreProblemCode[];
