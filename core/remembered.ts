/**
 * A function that is computed once for each object that it is given; what it finds is forgotten with the object. The object
 * must not change.
 */
export function remembered<Of extends object, Value>(compute: (of: Of) => Value): (of: Of) => Value {
  const known = new WeakMap<Of, { readonly value: Value }>();
  return (of) => {
    let found = known.get(of);
    if (!found) known.set(of, (found = { value: compute(of) }));
    return found.value;
  };
}

/** As {@link remembered}, once for each object and key. */
export function rememberedBy<Of extends object, Key extends string | number, Value>(
  compute: (of: Of, key: Key) => Value,
): (of: Of, key: Key) => Value {
  const byKeyOf = remembered<Of, Map<Key, { readonly value: Value }>>(() => new Map());
  return (of, key) => {
    const byKey = byKeyOf(of);
    let found = byKey.get(key);
    if (!found) byKey.set(key, (found = { value: compute(of, key) }));
    return found.value;
  };
}
