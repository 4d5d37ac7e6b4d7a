import { VERDICT_ORDER } from '../../check/finding';
import { lengthOf, type Piece } from '../pieces';
import { slotKey } from '../chains/chain';
import type { Column, Ground } from './columns';
import type { Model } from './model';
import { groupKey } from './places';

/** Nobody placed and every switch off: a solution of any plan. */
export function nobody({ program, out, feeds }: Model): number[] {
  const solution = new Array<number>(program.uppers.length).fill(0);
  for (const variable of out) solution[variable] = 1;
  for (const { feed, variable } of feeds) if (feed === 'off') solution[variable] = 1;
  return solution;
}

/**
 * Everybody in turn takes the best place that is still there, those with the least choice first: what somebody does by
 * hand, and where the search begins. Lines with wishes of their own, and those that share links, are left out.
 */
export function greedySolution(ground: Ground, model: Model): number[] {
  const { tasks, places } = ground;
  const { columns, cables, out, stays, seats, feeds, got } = model;
  const solution = nobody(model);
  const held = new Set(
    tasks.flatMap(({ followers }) =>
      followers.flatMap(({ inlet }) => ('device' in inlet ? [`${inlet.device} ${inlet.inlet}`] : [])),
    ),
  );
  const set = new Map<string, string>();
  const room = places.map(({ device, inlets }) => inlets.filter((inlet) => !held.has(`${device.id} ${inlet}`)).length);
  const left = new Map<string, number>(ground.pieces.map(({ key, count }) => [key, count]));
  const drawn = new Map<string, number>();
  const gotten = new Map(got.map(({ piece, variable }) => [piece.key, variable]));
  const serving = (slot: string) =>
    cables
      .filter((each) => each.slot === slot && left.get(each.piece.key)! > 0)
      .toSorted(
        (a, b) =>
          Number(a.piece.toGet ?? false) - Number(b.piece.toGet ?? false) ||
          lengthOf(a.piece.part) - lengthOf(b.piece.part),
      )[0];

  const options = tasks.map((_, n) => columns.filter(({ column }) => column.task === n && !column.covers));
  const home = ({ task, place }: Column): boolean => {
    const { now } = tasks[task];
    return places[place].device.id === now?.device && places[place].inlets.includes(now.inlet);
  };
  const cost = (column: Column): number[] => [
    column.judged.uses.filter((use) => gotten.has(use)).length,
    -VERDICT_ORDER.indexOf(column.judged.verdict),
    Number(column.feed !== 'off' && !column.needs),
    column.judged.changes + Number(!home(column)),
    column.judged.complexity,
  ];
  const less = (a: readonly number[], b: readonly number[]): number =>
    a.reduce((found, value, n) => found || value - b[n], 0);

  /** The pieces and cables that a column takes, where all of them are there. */
  const supplied = ({ judged }: Column): (() => void) | undefined => {
    const taken: Piece[] = [];
    const chosen: number[] = [];
    const slots = new Set(judged.chain.steps.flatMap(({ slot }) => (slot ? [slotKey(slot)] : [])));
    let good = true;
    for (const use of judged.uses) {
      const cable = slots.has(use) ? serving(use) : undefined;
      const piece = cable?.piece ?? ground.pieces.find(({ key }) => key === use);
      if (!piece || left.get(piece.key)! <= 0) good = false;
      else {
        left.set(piece.key, left.get(piece.key)! - 1);
        taken.push(piece);
        if (cable) chosen.push(cable.variable);
      }
    }
    if (good)
      return () => {
        for (const variable of chosen) solution[variable]++;
        for (const { key } of taken) if (gotten.has(key)) solution[gotten.get(key)!]++;
      };
    for (const { key } of taken) left.set(key, left.get(key)! + 1);
    return undefined;
  };
  const powered = ({ amps }: Column): boolean =>
    amps.every(({ device, micro }) => {
      const limit = ground.document.devices.find(({ id }) => id === device)!.feedLimit?.value;
      return limit === undefined || (drawn.get(device) ?? 0) + micro <= limit * 1000;
    });

  const order = tasks
    .map((_, n) => n)
    .filter((n) => !seats.has(n))
    .toSorted((a, b) => options[a].length - options[b].length);
  for (const n of order) {
    for (const { column, variable } of options[n].toSorted((a, b) => less(cost(a.column), cost(b.column)))) {
      const { device, group } = places[column.place];
      const key = group && groupKey(device.id, group.id);
      if (room[column.place] <= 0 || (key && (set.get(key) ?? column.feed) !== column.feed) || !powered(column))
        continue;
      const take = supplied(column);
      if (!take) continue;
      take();
      if (key) set.set(key, column.feed);
      room[column.place]--;
      for (const { device: id, micro } of column.amps) drawn.set(id, (drawn.get(id) ?? 0) + micro);
      solution[variable] = 1;
      solution[out[n]] = 0;
      const stay = stays[n];
      if (stay !== undefined && home(column)) solution[stay] = 1;
      break;
    }
  }
  for (const { group, feed, variable } of feeds) solution[variable] = Number((set.get(group) ?? 'off') === feed);
  return solution;
}
