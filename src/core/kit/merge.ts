import type { KitItem } from './item';

const CLASH = Symbol('changed on both sides');

type Fields = Record<string, unknown>;
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** One value of both, field by field where it has fields; a list is one value. */
function both(base: unknown, mine: unknown, theirs: unknown): unknown {
  if (same(mine, theirs) || same(base, mine)) return theirs;
  if (same(base, theirs)) return mine;
  if (!isFields(mine) || !isFields(theirs)) return CLASH;
  const before = isFields(base) ? base : {};
  const names = [...new Set([...Object.keys(theirs), ...Object.keys(mine)])];
  const fields = names.map((name) => [name, both(before[name], mine[name], theirs[name])] as const);
  if (fields.some(([, value]) => value === CLASH)) return CLASH;
  return Object.fromEntries(fields.filter(([, value]) => value !== undefined));
}

/**
 * An item with what two people have changed of it, both of whom began from `base`.
 * @param read refuses what is no item, by throwing
 * @returns undefined where both changed the same thing, or both together make no item
 */
export function mergedItem(
  base: KitItem,
  mine: KitItem,
  theirs: KitItem,
  read: (value: unknown) => KitItem,
): KitItem | undefined {
  const value = both(base, mine, theirs);
  if (value === CLASH) return undefined;
  try {
    return read(value);
  } catch {
    return undefined;
  }
}
