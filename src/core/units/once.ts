/** Made when it is first asked for, and kept. */
export function once<T>(make: () => T): () => T {
  let made: { value: T } | undefined;
  return () => (made ??= { value: make() }).value;
}

/** Found when it is first asked for of something that is never changed, and kept with it. */
export function onceEach<K extends object, T>(find: (of: K) => T): (of: K) => T {
  const known = new WeakMap<K, { value: T }>();
  return (of) => {
    let found = known.get(of);
    if (!found) known.set(of, (found = { value: find(of) }));
    return found.value;
  };
}
