/** The two sides of a pair, as people write them at the end of a name. */
const SIDES = /[\s,]*(?:\b(left|right)|\b([LR12]))$/i;
const OTHER: Record<string, string> = { left: 'right', right: 'left', l: 'r', r: 'l', '1': '2', '2': '1' };

/** A name without its side, and which side it says: left and right, L and R, 1 and 2; undefined for a name without one. */
export function sideOf(name: string): { name: string; side: string; other: string } | undefined {
  const found = SIDES.exec(name.trim());
  const side = (found?.[1] ?? found?.[2])?.toLowerCase();
  return found && side !== undefined
    ? { name: name.trim().slice(0, found.index), side, other: OTHER[side] }
    : undefined;
}
