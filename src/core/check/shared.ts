import type { Line } from '../gear';
import type { Schools } from '../schools/schools';
import type { Plugging } from '../transients';
import type { Attempt } from './attempts';
import type { Moments } from './moments';

/** What is computed once for all lines of a rig that are alike but for their name and for whom they share a switch with. */
export interface Shared {
  attempts: Map<string, Attempt>;
  plugged: Map<string, Plugging>;
  moments: Map<string, Moments>;
}

export const sharedByLines = (): Shared => ({ attempts: new Map(), plugged: new Map(), moments: new Map() });

/** What nothing is computed from. Devices matter where two lines meet. */
const WORDS: ReadonlySet<string> = new Set(['name', 'note']);

/** The same for two lines that are alike. Whom a switch reaches besides is told by name; only that it does turns a verdict. */
export function likeness({ id: _id, device, ...line }: Line, schools?: Schools): string {
  return JSON.stringify([line, line.branches?.length ? device : '', schools], (field, value: unknown) => {
    if (WORDS.has(field)) return undefined;
    return field === 'reaches' && Array.isArray(value) ? value.length > 0 : value;
  });
}

/** What is known by a key, or made now and kept. */
export function keptIn<T>(known: Map<string, T>, key: string, make: () => T): T {
  if (!known.has(key)) known.set(key, make());
  return known.get(key)!;
}
