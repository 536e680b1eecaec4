/** How much is tried by chance: a little in every run of the tests, much more when it is asked for. */

function times(): number {
  const asked = Number(globalThis.process?.env.ZIG_HEM_THOROUGH ?? 1);
  return asked > 0 ? asked : 1;
}

/** First seed less one: ZIG_HEM_AFTER, for seeds that nothing was made with; 0 in every usual run. */
function after(): number {
  const asked = Number(globalThis.process?.env.ZIG_HEM_AFTER ?? 0);
  return Number.isSafeInteger(asked) && asked > 0 ? asked : 0;
}

/** Seeds from 1 on: `few`, or as many times more as ZIG_HEM_THOROUGH says. */
export const seeds = (few: number): readonly number[] =>
  Array.from({ length: Math.round(few * times()) }, (_, i) => after() + i + 1);

/**
 * Of many things that are alike a fixed part: every so-manieth of them, all when more is asked for.
 *
 * @param every 4 for a quarter of them
 * @param from which of the parts, for parts that take turns
 */
export const partOfAll = <T>(all: readonly T[], every: number, from = 0): readonly T[] =>
  times() > 1 ? all : all.filter((_, i) => i % every === from % every);

/** How long they may take, ms: so many times more, too. */
export const patience = (ms: number): number => ms * Math.max(1, times());

/** Runs something for a seed; a failure says which, and what had been done. */
export function withSeed(seed: number, work: (said: string[]) => void): void {
  const said: string[] = [];
  try {
    work(said);
  } catch (error) {
    const { message, stack } = error as Error;
    throw new Error(`seed ${seed}: ${message}\nafter: ${said.join(' > ')}\n${stack ?? ''}`, { cause: error });
  }
}
