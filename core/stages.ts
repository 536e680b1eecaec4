/**
 * Remembers the last result of every named stage of a computation and gives it back as long as all the
 * stage's inputs are the same references. An edit then reworks only what stands on it.
 *
 * State: the stages that were run, each with its inputs, its value and the stages that ran inside it. Invariant: after
 * {@link pruned} only stages are kept that the last pass ran, or that stand inside one whose value it took.
 */
export class Stages {
  private readonly kept = new Map<string, Kept>();
  private inPass = new Set<string>();
  private inside: Set<string> | null = null;

  /** @param watch hears the name of every stage that is computed, not of those that are remembered */
  constructor(private readonly watch: (stage: string) => void = () => undefined) {}

  /** The stage's value, computed anew only when an input is another one than last time. */
  run<T>(name: string, inputs: readonly unknown[], compute: () => T): T {
    this.inside?.add(name);
    const before = this.kept.get(name);
    if (before?.inputs.length === inputs.length && inputs.every((x, i) => Object.is(x, before.inputs[i]))) {
      this.touch(name);
      return before.value as T;
    }
    this.watch(name);
    const outer = this.inside;
    const within = new Set<string>();
    this.inside = within;
    try {
      const value = compute();
      this.kept.set(name, { inputs, value, within });
      this.inPass.add(name);
      return value;
    } finally {
      this.inside = outer;
    }
  }

  /** Forgets what the pass that ends here did not need. */
  pruned(): void {
    for (const name of this.kept.keys()) if (!this.inPass.has(name)) this.kept.delete(name);
    this.inPass = new Set();
  }

  private touch(name: string): void {
    this.inPass.add(name);
    for (const inner of this.kept.get(name)?.within ?? []) this.touch(inner);
  }
}

interface Kept {
  readonly inputs: readonly unknown[];
  readonly value: unknown;
  readonly within: ReadonlySet<string>;
}
