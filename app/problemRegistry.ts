/** Every problem that the application can tell of, by its code. */
import { CORE_PROBLEMS } from '../core/problemRegistry.ts';
import { HEM_PROBLEMS } from './hem/problems.ts';
import { SHELF_PROBLEMS } from './shelf/problems.ts';
import { STORAGE_PROBLEMS } from './storage/problems.ts';

/** The rooms, each with its sentences. */
export const PROBLEMS = [...CORE_PROBLEMS, STORAGE_PROBLEMS, HEM_PROBLEMS, SHELF_PROBLEMS] as const;
