/**
 * Remembers the last result of every named stage of a computation and gives it back as long as all the
 * stage's inputs are the same references. An edit then reworks only what stands on it.
 */
export class Stages {
  private readonly kept = new Map<string, { readonly inputs: readonly unknown[]; readonly value: unknown }>();

  /** The stage's value, computed anew only when an input is another one than last time. */
  run<T>(name: string, inputs: readonly unknown[], compute: () => T): T {
    const before = this.kept.get(name);
    if (before?.inputs.length === inputs.length && inputs.every((x, i) => Object.is(x, before.inputs[i]))) {
      return before.value as T;
    }
    const value = compute();
    this.kept.set(name, { inputs, value });
    return value;
  }
}
