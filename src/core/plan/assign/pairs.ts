import { sideOf } from '../../rig/sides';
import type { Problem } from './columns';

/**
 * Lines that are the two sides of one thing and lie beside each other now: of one name but for the side, with sources of
 * one kind. Nobody takes them apart without need (common practice).
 */
export function pairsOf({ document, tasks }: Pick<Problem, 'document' | 'tasks'>): [string, string][] {
  const sides = tasks.flatMap(({ line, now, source, followers }) => {
    const found = sideOf(line.name);
    return found && now && followers.length === 0 ? [{ ...found, id: line.id, now, kind: source.kind }] : [];
  });
  return sides.flatMap((one, n): [string, string][] => {
    const other = sides
      .slice(n + 1)
      .find(
        ({ name, side, kind, now }) =>
          side === one.other && name === one.name && kind === one.kind && now.device === one.now.device,
      );
    const order = document.devices.find(({ id }) => id === one.now.device)!.inlets.map(({ id }) => id);
    const beside = other && Math.abs(order.indexOf(other.now.inlet) - order.indexOf(one.now.inlet)) === 1;
    return beside ? [[one.id, other.id]] : [];
  });
}
