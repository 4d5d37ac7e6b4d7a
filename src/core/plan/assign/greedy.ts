import { rankOf } from '../../check/finding';
import { lengthsOf } from '../chains/joins';
import type { Piece } from '../pieces';
import { valueOf } from '../program/program';
import { slotKey } from '../chains/chain';
import { isHome, isSentAway, type Column, type Problem } from './columns';
import type { Model } from './model';
import { groupKey } from '../places';
import { inletKey } from '../../gear';

/** Nobody placed and every switch off: a solution of any plan. */
export function nobody({ program, out, feeds }: Model): number[] {
  const solution = new Array<number>(program.uppers.length).fill(0);
  for (const variable of out) solution[variable] = 1;
  for (const { feed, variable } of feeds) if (feed === 'off') solution[variable] = 1;
  return solution;
}

/** How often those who found no place are let in first. */
const ROUNDS = 12;

/**
 * Everybody in turn takes the best place that is still there, those with the least choice first: what somebody does by
 * hand, and where the search begins. Whoever is left without a place comes first the next time. What is Clear stays where
 * it is; lines with wishes of their own are left out.
 * @param first numbers of tasks that come before all others that are not Clear
 */
export function greedySolution(problem: Problem, model: Model, first: readonly number[] = []): number[] {
  const { columns, out, apart } = model;
  const served = new Set(columns.flatMap(({ column: { task, covers = [] } }) => [task, ...covers]));
  const number = new Map(problem.tasks.map(({ line }, n) => [line.id, n]));
  /** Who is left out, and who is apart from the other of a pair. */
  const wronged = (solution: readonly number[]): number[] => [
    ...[...served].filter((task) => solution[out[task]] === 1),
    ...apart.flatMap(({ lines, variable }) => (solution[variable] === 1 ? lines.map((id) => number.get(id)!) : [])),
  ];
  let best = inTurn(problem, model, first);
  let last = wronged(best);
  let sooner = [...first];
  for (let round = 0; round < ROUNDS && last.length; round++) {
    sooner = [...new Set([...first, ...last.toReversed(), ...sooner])];
    const solution = inTurn(problem, model, sooner);
    last = wronged(solution);
    best = better(model, best, solution);
  }
  return best;
}

/** Which of two solutions is better by the goals, in their order. */
export function better({ stages }: Model, one: number[], other: number[] | undefined): number[] {
  if (!other) return one;
  for (const goal of stages.flatMap(({ goals }) => goals)) {
    const difference = valueOf(goal, one) - valueOf(goal, other);
    if (difference) return difference < 0 ? one : other;
  }
  return one;
}

function inTurn(problem: Problem, model: Model, first: readonly number[]): number[] {
  const { tasks, places } = problem;
  const { program, columns, cables, out, stays, seats, unwished, feeds, apart, got, lasts } = model;
  const solution = nobody(model);
  const held = new Set(
    tasks.flatMap(({ followers }) => followers.flatMap(({ inlet }) => ('device' in inlet ? [inletKey(inlet)] : []))),
  );
  const set = new Map<string, string>();
  const room = places.map(
    ({ device, inlets }) => inlets.filter((inlet) => !held.has(inletKey({ device: device.id, inlet }))).length,
  );
  const left = new Map<string, number>(problem.pieces.map(({ key, count }) => [key, count]));
  const drawn = new Map<string, number>();
  const gotten = new Map(got.map(({ piece, variable }) => [piece.key, variable]));
  const serving = (slot: string) =>
    cables
      .filter((each) => each.slot === slot && isLeft(each.pieces))
      .toSorted(
        (a, b) =>
          Number(a.pieces[0].toGet ?? false) - Number(b.pieces[0].toGet ?? false) ||
          a.pieces.length - b.pieces.length ||
          lengthsOf(a.pieces) - lengthsOf(b.pieces),
      )[0];
  const isLeft = (pieces: readonly Piece[]): boolean =>
    pieces.every(({ key }) => left.get(key)! >= pieces.filter((each) => each.key === key).length);

  const options = tasks.map((_, n) =>
    columns.filter(({ column, variable }) => column.task === n && !column.covers && program.uppers[variable] > 0),
  );
  const home = ({ task, place }: Column): boolean => isHome(tasks[task], places[place]);
  const taken = new Set<string>();
  const isClear = (n: number): boolean => problem.clear.has(tasks[n].line.id);
  const partners = new Map(
    apart.flatMap(({ lines }) => {
      const [one, other] = lines.map((id) => tasks.findIndex(({ line }) => line.id === id));
      return [
        [one, other],
        [other, one],
      ];
    }),
  );
  type Seat = NonNullable<ReturnType<typeof seats.get>>[number];
  const isFree = ({ key }: Seat): boolean => !taken.has(key) && !held.has(key);
  const free = (n: number, place: number): Seat[] =>
    (seats.get(n) ?? []).filter((seat) => seat.place === place && isFree(seat));
  const seated = (n: number | undefined): Seat | undefined =>
    seats.get(n ?? -1)?.find(({ variable }) => solution[variable] === 1);
  const adjacent = (one: Seat, other: Seat): boolean => {
    const [{ device }, there] = [places[one.place], places[other.place].device];
    const at = ({ inlet }: Seat) => device.inlets.findIndex(({ id }) => id === inlet);
    return device === there && Math.abs(at(one) - at(other)) === 1;
  };
  /** Whether a seat is beside the other of its pair, or that one can still come beside it. */
  const besidePartner = (n: number, seat: Seat): boolean => {
    const partner = partners.get(n);
    const own = seated(partner);
    return own
      ? adjacent(seat, own)
      : (seats.get(partner ?? -1) ?? []).some((each) => isFree(each) && adjacent(seat, each));
  };
  const isApart = ({ task, place }: Column): boolean =>
    partners.has(task) && !free(task, place).some((seat) => besidePartner(task, seat));
  const cost = (column: Column): number[] => [
    column.judged.uses.filter((use) => gotten.has(use)).length,
    Number(isApart(column)),
    isClear(column.task) ? column.judged.changes + Number(!home(column)) : 0,
    Number(isSentAway(problem, column)),
    -rankOf(column.judged.verdict),
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
      const pieces = cable?.pieces ?? problem.pieces.filter(({ key }) => key === use);
      if (pieces.length === 0 || !isLeft(pieces)) good = false;
      else {
        for (const { key } of pieces) left.set(key, left.get(key)! - 1);
        taken.push(...pieces);
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
      const limit = problem.document.devices.find(({ id }) => id === device)!.feedLimit?.value;
      return limit === undefined || (drawn.get(device) ?? 0) + micro <= limit * 1000;
    });

  /** Where it sits, where that matters; undefined if there is no inlet for it. */
  const seatOf = (n: number, column: Column): { key?: string; variable?: number } | undefined => {
    const { now } = tasks[n];
    const stay = stays[n];
    if (!seats.has(n)) {
      const stayed = stay !== undefined && home(column) && !taken.has(inletKey(now!));
      return stayed ? { key: inletKey(now!), variable: stay } : {};
    }
    const possible = free(n, column.place);
    const beside = possible.filter((seat) => besidePartner(n, seat));
    const good = beside.length ? beside : possible;
    return good.find(({ key }) => now && key === inletKey(now)) ?? good[0];
  };
  const fits = ({ place, feed, also }: Column): boolean => {
    const { device, group } = places[place];
    const wanted = [...also, ...(group ? [{ group: groupKey(device.id, group.id), feed }] : [])];
    return wanted.every(({ group: key, feed: to }) => (set.get(key) ?? to) === to);
  };
  const turn = (n: number): number => (first.includes(n) ? first.indexOf(n) : Infinity);
  const order = tasks
    .map((_, n) => n)
    .filter((n) => !seats.has(n) || unwished.has(n))
    .toSorted(
      (a, b) => Number(isClear(b)) - Number(isClear(a)) || turn(a) - turn(b) || options[a].length - options[b].length,
    );
  for (const n of order) {
    const inOrder = options[n]
      .map((option) => ({ ...option, costs: cost(option.column) }))
      .toSorted((a, b) => less(a.costs, b.costs));
    for (const { column, variable } of inOrder) {
      const { device, group } = places[column.place];
      const seat = seatOf(n, column);
      if (!seat || room[column.place] <= 0 || !fits(column) || !powered(column)) continue;
      const take = supplied(column);
      if (!take) continue;
      take();
      if (group) set.set(groupKey(device.id, group.id), column.feed);
      for (const { group: key, feed } of column.also) set.set(key, feed);
      room[column.place]--;
      for (const { device: id, micro } of column.amps) drawn.set(id, (drawn.get(id) ?? 0) + micro);
      solution[variable] = 1;
      solution[out[n]] = 0;
      if (seat.key !== undefined) taken.add(seat.key);
      if (seat.variable !== undefined) solution[seat.variable] = 1;
      break;
    }
  }
  for (const { piece, variable } of lasts) solution[variable] = Number(left.get(piece.key) === 0);
  for (const { lines, variable } of apart) {
    const [one, other] = lines.map((id) => seated(tasks.findIndex(({ line }) => line.id === id)));
    solution[variable] = Number(one && other ? !adjacent(one, other) : Boolean(one ?? other));
  }
  for (const { group, feed, variable } of feeds) solution[variable] = Number((set.get(group) ?? 'off') === feed);
  return solution;
}
