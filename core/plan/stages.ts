/**
 * Remembers the last result of every named stage of a computation and gives it back as long as all its inputs are the
 * same. An edit then reworks only what stands on it.
 *
 * A stage is a function of one record and of nothing else: what stands in the record is what its result is remembered by, so
 * that nothing can be read that is not compared. Inputs are compared by identity; arrays element by element, one level deep.
 *
 * State: the stages that were run, each with its inputs and its value. Invariant: after {@link pruned} only those are kept
 * that the last pass ran.
 */
export class Stages {
  private readonly kept = new Map<string, { readonly inputs: object; readonly value: unknown }>();
  private inPass = new Set<string>();

  /** @param watch hears the name of every stage that is computed, not of those that are remembered */
  constructor(private readonly watch: (stage: string) => void = () => undefined) {}

  /**
   * The stage's value, computed anew only when an input is another one than last time.
   *
   * @param compute a function of a module, which can see nothing but its inputs
   */
  run<Inputs extends object, Value>(
    name: string,
    compute: (inputs: Inputs) => Value,
    inputs: NoInfer<Inputs>,
  ): Value {
    this.inPass.add(name);
    const before = this.kept.get(name);
    if (before && sameInputs(before.inputs, inputs)) return before.value as Value;
    this.watch(name);
    const value = compute(inputs);
    this.kept.set(name, { inputs, value });
    return value;
  }

  /** Forgets what the pass that ends here did not need. */
  pruned(): void {
    for (const name of this.kept.keys()) if (!this.inPass.has(name)) this.kept.delete(name);
    this.inPass = new Set();
  }
}

/** Both are records of one stage. What one of them leaves out is as if it were undefined. */
function sameInputs(before: object, after: object): boolean {
  const [was, is] = [before as Readonly<Record<string, unknown>>, after as Readonly<Record<string, unknown>>];
  for (const name in is) if (!same(was[name], is[name])) return false;
  for (const name in was) if (!(name in is) && was[name] !== undefined) return false;
  return true;
}

const same = (a: unknown, b: unknown): boolean =>
  Object.is(a, b) ||
  (Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((x, i) => Object.is(x, b[i])));
