import type { Subject } from './subject';

/** Something of a subject that is worked out once. */
export function onceEach<K, T>(find: (subject: Subject, key: K) => T): (subject: Subject, key: K) => T {
  const known = new WeakMap<Subject, Map<K, T>>();
  return (subject, key) => {
    const own = known.get(subject) ?? new Map<K, T>();
    known.set(subject, own);
    if (!own.has(key)) own.set(key, find(subject, key));
    return own.get(key)!;
  };
}
