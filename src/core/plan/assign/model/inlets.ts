import type { Term } from '../../program/program';
import { pairsOf } from '../pairs';
import type {} from '../../places';
import { giveUp, type Draft, type Model } from './draft';
import { inletKey } from '../../../gear';

/** At most one line on each inlet. Lines without wishes only count as one more of those at a place of alike inlets. */
export function inlets(draft: Draft): void {
  const { document, tasks, places } = draft.problem;
  const held = new Set(tasks.flatMap(({ followers }) => followers.flatMap(inletOf)));
  const wanted = document.wishes?.neighbours ?? [];
  const named = pairsOf(draft.problem).filter(
    (pair) => !wanted.some((wish) => pair.every((id) => (wish as readonly string[]).includes(id))),
  );
  const pairs = [
    ...wanted.map((lines) => ({ lines, wished: true })),
    ...named.map((lines) => ({ lines, wished: false })),
  ].flatMap(({ lines, wished }) => {
    const [first, second] = lines.map((id) => tasks.findIndex(({ line }) => line.id === id));
    return first >= 0 && second >= 0 ? [{ first, second, lines, wished }] : [];
  });
  const paired = new Set(pairs.flatMap(({ first, second }) => [first, second]));
  const wishedFor = new Set(pairs.flatMap(({ first, second, wished }) => (wished ? [first, second] : [])));
  const onInlet = new Map<string, Term[]>();
  const sit = (key: string, variable: number) => onInlet.set(key, [...(onInlet.get(key) ?? []), [variable, 1]]);
  const counted: Term[][] = places.map(() => []);
  tasks.forEach(({ now, followers }, task) => {
    const { pinned, barred } = wishesOf(draft, task);
    const own = draft.byTask[task];
    if (!pinned && barred.size === 0 && !paired.has(task) && followers.length === 0) {
      for (const { column, variable } of own) counted[column.place].push([variable, 1]);
      const home =
        now && places.findIndex((place) => place.device.id === now.device && place.inlets.includes(now.inlet));
      if (home === undefined || home < 0) return;
      const stays = draft.program.variable();
      draft.stays[task] = stays;
      const here = own.filter(({ column }) => column.place === home);
      draft.program.row([[stays, 1], ...here.map(({ variable }): Term => [variable, -1])], { upper: 0 });
      sit(inletKey(now!), stays);
      return;
    }
    const seats: NonNullable<ReturnType<Model['seats']['get']>> = [];
    places.forEach((place, n) => {
      const here = own.filter(({ column }) => column.place === n);
      if (here.length === 0) return;
      const possible = place.inlets.flatMap((inlet) => {
        const key = inletKey({ device: place.device.id, inlet });
        // A bundle is judged on one inlet of a place; the others are alike.
        const variable = draft.program.variable();
        seats.push({ key, inlet, place: n, variable });
        sit(key, variable);
        counted[n].push([variable, 1]);
        keepOff(draft, variable, key, pinned, barred);
        return [variable];
      });
      draft.program.row(
        [...possible.map((variable): Term => [variable, 1]), ...here.map(({ variable }): Term => [variable, -1])],
        { lower: 0, upper: 0 },
      );
    });
    draft.seats.set(task, seats);
    if (!pinned && barred.size === 0 && !wishedFor.has(task)) draft.unwished.add(task);
  });
  for (const [key, terms] of onInlet)
    if (held.has(key)) draft.program.row(terms, { upper: 0 });
    else if (terms.length > 1) draft.program.row(terms, { upper: 1 });
  places.forEach(({ device, inlets }, n) => {
    const free = inlets.filter((inlet) => !held.has(inletKey({ device: device.id, inlet })));
    if (counted[n].length > free.length) draft.program.row(counted[n], { upper: free.length });
  });
  for (const { first, second, lines, wished } of pairs) together(draft, first, second, lines, wished);
}

/** Inlets that a task is kept off by wishes of its own, with what gives the wish up. */
function wishesOf(
  draft: Draft,
  task: number,
): { pinned?: { key: string; free?: number }; barred: Map<string, number | undefined> } {
  const { document, tasks } = draft.problem;
  const { id } = tasks[task].line;
  const pin = document.wishes?.pinned?.find(({ line }) => line === id);
  const barred = new Map<string, number | undefined>();
  for (const { line, to } of document.wishes?.forbidden ?? [])
    if (line === id) barred.set(inletKey(to), giveUp(draft, { relax: 'forbidden', ...to, line }));
  return {
    ...(pin && { pinned: { key: inletKey(pin.to), free: giveUp(draft, { relax: 'pinned', line: id }) } }),
    barred,
  };
}

function keepOff(
  draft: Draft,
  variable: number,
  key: string,
  pinned: { key: string; free?: number } | undefined,
  barred: Map<string, number | undefined>,
): void {
  const wishes = [
    ...(pinned && pinned.key !== key ? [pinned.free] : []),
    ...(barred.has(key) ? [barred.get(key)] : []),
  ];
  for (const free of wishes)
    draft.program.row([[variable, 1], ...(free === undefined ? [] : [[free, -1] as Term])], { upper: 0 });
}

/** A variable for a pair that is not beside each other any more. */
function takenApart(draft: Draft, lines: [string, string]): number {
  const variable = draft.program.variable();
  draft.apart.push({ lines, variable });
  return variable;
}

/** Whoever of two neighbours sits somewhere has the other one beside it on the same device. */
function together(draft: Draft, first: number, second: number, lines: [string, string], wished: boolean): void {
  const free = wished ? giveUp(draft, { relax: 'neighbours', lines }) : takenApart(draft, lines);
  const { places } = draft.problem;
  for (const [a, b] of [
    [first, second],
    [second, first],
  ])
    for (const seat of draft.seats.get(a) ?? []) {
      const { device } = places[seat.place];
      const order = device.inlets.map(({ id }) => id);
      const at = order.indexOf(seat.inlet);
      const beside = (draft.seats.get(b) ?? []).filter(
        ({ place, inlet }) => places[place].device === device && Math.abs(order.indexOf(inlet) - at) === 1,
      );
      draft.program.row(
        [
          [seat.variable, 1],
          ...beside.map(({ variable }): Term => [variable, -1]),
          ...(free === undefined ? [] : [[free, -1] as Term]),
        ],
        { upper: 0 },
      );
    }
}

const inletOf = ({ inlet }: Draft['problem']['tasks'][number]['line']): string[] =>
  'device' in inlet ? [inletKey(inlet)] : [];
