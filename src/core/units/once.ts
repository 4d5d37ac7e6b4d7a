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

interface Found<K extends object, T> {
  made?: { value: T };
  further: WeakMap<K, Found<K, T>>;
}

/** The same for things that follow each other, none of which is ever changed. */
export function onceEachRun<K extends object, T>(find: (of: readonly K[]) => T): (of: readonly K[]) => T {
  const none: Found<K, T> = { further: new WeakMap() };
  return (of) => {
    let found = none;
    for (const each of of) {
      let next = found.further.get(each);
      if (!next) found.further.set(each, (next = { further: new WeakMap() }));
      found = next;
    }
    return (found.made ??= { value: find(of) }).value;
  };
}
