/** The shelf as pages ask for it, and how they learn that it is another. */
import type { QueryClient } from '@tanstack/react-query';
import { shelf } from './here.ts';

const queryKey = ['shelf'];

export const SHELF = { queryKey, queryFn: shelf };

/** Something was written: the shelf is read anew, wherever it is shown. */
export async function shelfChanged(queries: QueryClient): Promise<void> {
  // A first reading that goes on would be waited for instead, and may have begun before the writing.
  await queries.cancelQueries({ queryKey });
  await queries.invalidateQueries({ queryKey });
}
