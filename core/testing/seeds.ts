/** How much is tried by chance: a little in every run of the tests, much more when it is asked for. */

/** Seeds from 1: `few`, or as many times more as ZIG_HEM_THOROUGH says. */
export function seeds(few: number): readonly number[] {
  const times = Number(globalThis.process?.env.ZIG_HEM_THOROUGH ?? 1);
  return Array.from({ length: Math.round(few * (times > 0 ? times : 1)) }, (_, i) => i + 1);
}

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
