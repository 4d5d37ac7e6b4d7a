import type { InletRef, RigDocument, Wishes } from '@/core/rig';

/** Changes to what a plan has to keep to. */

/** The rig with other wishes; none at all where nothing is left of them. */
export function withWishes(document: RigDocument, wishes: Wishes): RigDocument {
  const { wishes: _before, ...rest } = document;
  const filled = Object.fromEntries(Object.entries(wishes).filter(([, list]) => list?.length));
  return Object.keys(filled).length ? { ...rest, wishes: filled } : rest;
}

/** Pins a line to an inlet; a line that is pinned there already is let go. */
export function withPin(document: RigDocument, line: string, { device, inlet }: InletRef): RigDocument {
  const wishes = document.wishes ?? {};
  const pinned = wishes.pinned ?? [];
  const here = pinned.some((pin) => pin.line === line && pin.to.device === device && pin.to.inlet === inlet);
  const rest = pinned.filter((pin) => pin.line !== line && !(pin.to.device === device && pin.to.inlet === inlet));
  return withWishes(document, { ...wishes, pinned: here ? rest : [...rest, { line, to: { device, inlet } }] });
}
