import type { Ground } from './columns';

/** The two sides of a pair, as people write them at the end of a name. */
const SIDES = /[\s,]*(?:\b(left|right)|\b([LR12]))$/i;
const OTHER: Record<string, string> = { left: 'right', l: 'r', '1': '2' };

/**
 * Lines that are the two sides of one thing and lie beside each other now: of one name but for left and right, L and R, 1
 * and 2, with sources of one kind. Nobody takes them apart without need (common practice).
 */
export function pairsOf({ document, tasks }: Pick<Ground, 'document' | 'tasks'>): [string, string][] {
  const sides = tasks.flatMap(({ line, now, source, followers }) => {
    const found = SIDES.exec(line.name.trim());
    const side = (found?.[1] ?? found?.[2])?.toLowerCase();
    if (!now || side === undefined || followers.length) return [];
    return [{ id: line.id, name: line.name.trim().slice(0, found!.index), side, now, kind: source.kind }];
  });
  return sides.flatMap((one): [string, string][] => {
    const other = sides.find(
      ({ name, side, kind, now }) =>
        side === OTHER[one.side] && name === one.name && kind === one.kind && now.device === one.now.device,
    );
    const order = document.devices.find(({ id }) => id === one.now.device)!.inlets.map(({ id }) => id);
    const beside = other && Math.abs(order.indexOf(other.now.inlet) - order.indexOf(one.now.inlet)) === 1;
    return beside ? [[one.id, other.id]] : [];
  });
}
