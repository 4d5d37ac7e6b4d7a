import type { FeedName } from '../../standards/feeds';
import { complexity, familyOf, isCable, lengthOf, movable, type Piece } from '../pieces';
import { MOST_LINKS, slotKey, type Slot } from '../chains/chain';
import { Program, weightsOf, type Goal, type Stage, type Term } from '../program/program';
import type { Column, Ground } from './columns';
import { groupKey, inletKey } from './places';

/** What the variables of a program stand for. */
export interface Model {
  program: Program;
  stages: Stage[];
  columns: { column: Column; variable: number }[];
  /** By task: it is left out. */
  out: number[];
  /** By task: it stays on the inlet it is on; absent where it cannot, or where `seats` tells. */
  stays: (number | undefined)[];
  /** For tasks with an inlet of their own choice: each inlet it may be on. */
  seats: Map<number, { key: string; inlet: string; place: number; variable: number }[]>;
  /** Which pieces serve as the cable of a slot. */
  cables: { slot: string; piece: Piece; variable: number }[];
  /** What has to be got. */
  got: { piece: Piece; variable: number }[];
  /** By switch: what it is set to. */
  feeds: { group: string; feed: FeedName; variable: number }[];
  /** Wishes and limits given up, where that is allowed. */
  givenUp: { what: Relaxation; variable: number }[];
}

/** A wish or a limit that stands in the way. */
export type Relaxation =
  | { relax: 'pinned'; line: string }
  | { relax: 'forbidden'; device: string; inlet: string; line?: string }
  | { relax: 'neighbours'; lines: [string, string] }
  | { relax: 'feed limit'; device: string };

export interface ModelOptions {
  /** Wishes and limits may be given up, as few as possible. */
  relax?: boolean;
  /** Cables that turned out to be no good for a slot, by `slot piece`. */
  unfit?: ReadonlySet<string>;
}

/** Puts everything a plan must keep to, and everything it should make small, into whole numbers. */
export function modelOf(ground: Ground, columns: readonly Column[], options: ModelOptions = {}): Model {
  const builder = new Builder(ground, columns, options);
  return builder.model();
}

class Builder {
  private readonly program = new Program();
  private readonly columns: Model['columns'];
  private readonly out: number[];
  private readonly stays: Model['stays'];
  private readonly seats: Model['seats'] = new Map();
  private readonly cables: Model['cables'] = [];
  private readonly got: Model['got'] = [];
  private readonly feeds: Model['feeds'] = [];
  private readonly givenUp: Model['givenUp'] = [];
  private readonly idle: number[] = [];
  private readonly byTask: Model['columns'][];

  constructor(
    private readonly ground: Ground,
    columns: readonly Column[],
    private readonly options: ModelOptions,
  ) {
    const { tasks } = ground;
    this.columns = columns.map((column) => ({ column, variable: this.program.variable() }));
    this.byTask = tasks.map((_, task) => this.columns.filter(({ column }) => column.task === task));
    this.out = tasks.map(() => this.program.variable());
    this.stays = tasks.map(() => undefined);
  }

  model(): Model {
    this.everyTaskOnce();
    this.inlets();
    this.switches();
    this.limits();
    this.stock();
    const { program, columns, out, stays, seats, cables, got, feeds, givenUp } = this;
    return { program, stages: this.stages(), columns, out, stays, seats, cables, got, feeds, givenUp };
  }

  private everyTaskOnce(): void {
    this.byTask.forEach((own, task) =>
      this.program.row([[this.out[task], 1], ...own.map(({ variable }): Term => [variable, 1])], {
        lower: 1,
        upper: 1,
      }),
    );
  }

  /** A variable that gives a wish or a limit up; undefined where that is not allowed. */
  private giveUp(what: Relaxation): number | undefined {
    if (!this.options.relax) return undefined;
    const variable = this.program.variable();
    this.givenUp.push({ what, variable });
    return variable;
  }

  /** Inlets that a task is kept off by wishes of its own, with what gives the wish up. */
  private barred(task: number): { pinned?: { key: string; free?: number }; barred: Map<string, number | undefined> } {
    const { document, tasks } = this.ground;
    const { id } = tasks[task].line;
    const pin = document.wishes?.pinned?.find(({ line }) => line === id);
    const barred = new Map<string, number | undefined>();
    for (const { line, to } of document.wishes?.forbidden ?? [])
      if (line === id) barred.set(inletKey(to), this.giveUp({ relax: 'forbidden', ...to, line }));
    return {
      ...(pin && { pinned: { key: inletKey(pin.to), free: this.giveUp({ relax: 'pinned', line: id }) } }),
      barred,
    };
  }

  /** At most one line on each inlet. Lines without wishes only count as one more of those at a place of alike inlets. */
  private inlets(): void {
    const { document, tasks, places } = this.ground;
    const held = new Set(tasks.flatMap(({ followers }) => followers.flatMap(inletOf)));
    const pairs = (document.wishes?.neighbours ?? []).flatMap(([a, b]) => {
      const [first, second] = [a, b].map((id) => tasks.findIndex(({ line }) => line.id === id));
      return first >= 0 && second >= 0 ? [{ first, second, lines: [a, b] as [string, string] }] : [];
    });
    const paired = new Set(pairs.flatMap(({ first, second }) => [first, second]));
    const onInlet = new Map<string, Term[]>();
    const sit = (key: string, variable: number) => onInlet.set(key, [...(onInlet.get(key) ?? []), [variable, 1]]);
    const counted: Term[][] = places.map(() => []);
    tasks.forEach(({ now, followers }, task) => {
      const { pinned, barred } = this.barred(task);
      const own = this.byTask[task];
      if (!pinned && barred.size === 0 && !paired.has(task) && followers.length === 0) {
        for (const { column, variable } of own) counted[column.place].push([variable, 1]);
        const home =
          now && places.findIndex((place) => place.device.id === now.device && place.inlets.includes(now.inlet));
        if (home === undefined || home < 0) return;
        const stays = this.program.variable();
        this.stays[task] = stays;
        const here = own.filter(({ column }) => column.place === home);
        this.program.row([[stays, 1], ...here.map(({ variable }): Term => [variable, -1])], { upper: 0 });
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
          const variable = this.program.variable();
          seats.push({ key, inlet, place: n, variable });
          sit(key, variable);
          counted[n].push([variable, 1]);
          this.keepOff(variable, key, pinned, barred);
          return [variable];
        });
        this.program.row(
          [...possible.map((variable): Term => [variable, 1]), ...here.map(({ variable }): Term => [variable, -1])],
          { lower: 0, upper: 0 },
        );
      });
      this.seats.set(task, seats);
    });
    for (const [key, terms] of onInlet)
      if (held.has(key)) this.program.row(terms, { upper: 0 });
      else if (terms.length > 1) this.program.row(terms, { upper: 1 });
    places.forEach(({ device, inlets }, n) => {
      const free = inlets.filter((inlet) => !held.has(inletKey({ device: device.id, inlet })));
      if (counted[n].length > free.length) this.program.row(counted[n], { upper: free.length });
    });
    for (const { first, second, lines } of pairs) this.together(first, second, lines);
  }

  private keepOff(
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
      this.program.row([[variable, 1], ...(free === undefined ? [] : [[free, -1] as Term])], { upper: 0 });
  }

  /** Whoever of two neighbours sits somewhere has the other one beside it on the same device. */
  private together(first: number, second: number, lines: [string, string]): void {
    const free = this.giveUp({ relax: 'neighbours', lines });
    const { places } = this.ground;
    for (const [a, b] of [
      [first, second],
      [second, first],
    ])
      for (const seat of this.seats.get(a) ?? []) {
        const { device } = places[seat.place];
        const order = device.inlets.map(({ id }) => id);
        const at = order.indexOf(seat.inlet);
        const beside = (this.seats.get(b) ?? []).filter(
          ({ place, inlet }) => places[place].device === device && Math.abs(order.indexOf(inlet) - at) === 1,
        );
        this.program.row(
          [
            [seat.variable, 1],
            ...beside.map(({ variable }): Term => [variable, -1]),
            ...(free === undefined ? [] : [[free, -1] as Term]),
          ],
          { upper: 0 },
        );
      }
  }

  /** Every switch is at one setting, and a line is where its feed is. */
  private switches(): void {
    const { document, places, tasks } = this.ground;
    for (const device of document.devices)
      for (const group of device.groups) {
        const key = groupKey(device.id, group.id);
        const settings = (['off', ...group.offers] as FeedName[]).map((feed) => {
          const variable = this.program.variable();
          this.feeds.push({ group: key, feed, variable });
          return { feed, variable };
        });
        this.program.row(
          settings.map(({ variable }): Term => [variable, 1]),
          { lower: 1, upper: 1 },
        );
        const here = places.flatMap((place, n) => (place.device === device && place.group === group ? [n] : []));
        for (const { feed, variable } of settings)
          for (const [task] of tasks.entries()) {
            const own = this.byTask[task].filter(
              ({ column }) =>
                (here.includes(column.place) && column.feed === feed) ||
                column.also.some((other) => other.group === key && other.feed === feed),
            );
            if (own.length)
              this.program.row([[variable, -1], ...own.map(({ variable: each }): Term => [each, 1])], { upper: 0 });
          }
        // On, and nobody is there.
        const idle = this.program.variable();
        this.idle.push(idle);
        const there = this.columns.filter(
          ({ column }) =>
            (here.includes(column.place) && column.feed !== 'off') ||
            column.also.some((other) => other.group === key && other.feed !== 'off'),
        );
        this.program.row(
          [
            [idle, 1],
            ...settings.filter(({ feed }) => feed !== 'off').map(({ variable }): Term => [variable, -1]),
            ...there.map(({ variable }): Term => [variable, 1]),
          ],
          { lower: 0 },
        );
      }
  }

  /** All feeds of a device together stay within what it can give. */
  private limits(): void {
    for (const { id, feedLimit } of this.ground.document.devices) {
      if (!feedLimit) continue;
      const drawn = this.columns.flatMap(({ column, variable }): Term[] =>
        column.amps.flatMap(({ device, micro }): Term[] => (device === id && micro > 0 ? [[variable, micro]] : [])),
      );
      const most = feedLimit.value * 1000;
      if (drawn.length === 0) continue;
      const free = this.giveUp({ relax: 'feed limit', device: id });
      const all = drawn.reduce((sum, [, micro]) => sum + micro, 0);
      this.program.row([...drawn, ...(free === undefined ? [] : [[free, -all] as Term])], { upper: most });
    }
  }

  /** No more is used of anything than there is, or than is got. */
  private stock(): void {
    const { pieces } = this.ground;
    const used = new Map<string, Term[]>();
    const consume = (key: string, term: Term) => used.set(key, [...(used.get(key) ?? []), term]);
    const slots = new Map<string, Slot>();
    for (const { column, variable } of this.columns) {
      for (const key of column.judged.uses) consume(key, [variable, 1]);
      for (const { slot } of column.judged.chain.steps) if (slot) slots.set(slotKey(slot), slot);
    }
    for (const [key, { families, least }] of slots) {
      const serving = pieces.filter(
        (piece) =>
          isCable(piece.part) &&
          movable(piece) &&
          piece.count > 0 &&
          families.includes(familyOf(piece.part)) &&
          lengthOf(piece.part) >= least &&
          !this.options.unfit?.has(`${key} ${piece.key}`),
      );
      const chosen = serving.map((piece) => {
        const variable = this.program.variable(piece.count);
        this.cables.push({ slot: key, piece, variable });
        consume(piece.key, [variable, 1]);
        return variable;
      });
      this.program.row([...(used.get(key) ?? []), ...chosen.map((variable): Term => [variable, -1])], {
        lower: 0,
        upper: 0,
      });
    }
    for (const piece of pieces) {
      const terms = used.get(piece.key);
      if (!terms) continue;
      if (!piece.toGet) {
        this.program.row(terms, { upper: piece.count });
        continue;
      }
      const variable = this.program.variable(piece.count);
      this.got.push({ piece, variable });
      this.program.row([...terms, [variable, -1]], { upper: 0 });
    }
  }

  private stages(): Stage[] {
    const { tasks } = this.ground;
    const lines = tasks.map(({ followers }) => 1 + followers.length);
    const total = lines.reduce((sum, each) => sum + each, 0);
    const weigh = (of: (column: Column) => number): Term[] =>
      this.columns.flatMap(({ column, variable }): Term[] => {
        const weight = of(column);
        return weight ? [[variable, weight]] : [];
      });
    const ones = (variables: readonly number[]) => variables.map((variable): Term => [variable, 1]);
    const goal = (name: string, most: number, terms: Term[], offset = 0): Goal => ({ name, terms, most, offset });
    const given = this.givenUp.map(({ variable }) => variable);
    const got = this.got.map(({ variable }) => variable);
    const fit = [
      goal(
        'lines left out',
        total,
        this.out.map((variable, task) => [variable, lines[task]]),
      ),
      ...(given.length ? [goal('wishes given up', given.length, ones(given))] : []),
      ...(got.length ? [goal('things to get', MOST_LINKS * total, ones(got))] : []),
      goal(
        'lines to watch',
        total,
        weigh(({ watch }) => watch),
      ),
    ];
    const least = this.byTask.map((own, task) =>
      Math.min(lines[task] * weightsOf({ goals: fit })[0], ...own.map(({ column }) => column.watch)),
    );
    const feeds = [
      goal('feeds where nobody needs them', this.feeds.length + total, [
        ...ones(this.idle),
        ...weigh(({ feed, needs }) => Number(feed !== 'off' && !needs)),
      ]),
      goal(
        'voltage other than the school asks for',
        3 * total,
        weigh((column) => offVoltage(column, this.ground)),
      ),
    ];
    const moved = this.moves();
    const changes = [...weigh(({ judged }) => judged.changes), ...moved.terms, ...this.turned()];
    const parts = [
      ...weigh(({ judged }) => judged.complexity * PART),
      ...this.cables.map(({ piece, variable }): Term => [variable, Math.round(lengthOf(piece.part))]),
      ...this.got.map(({ piece, variable }): Term => [variable, complexity(piece.part) * total * PART]),
      // Of feeds that do equally well, the usual one.
      ...this.feeds.filter(({ feed }) => UNUSUAL.has(feed)).map(({ variable }): Term => [variable, PART]),
    ];
    return [
      { goals: fit, floor: least.reduce((sum, each) => sum + each, 0) },
      { goals: feeds },
      { goals: [goal('changes', 1e6, changes, moved.offset)] },
      { goals: [goal('parts, weighed', 1e9, parts)] },
    ];
  }

  /** Lines that change their inlet: as many as there are, less those that stay. */
  private moves(): { terms: Term[]; offset: number } {
    const { tasks } = this.ground;
    let offset = 0;
    const terms = tasks.flatMap(({ now }, task): Term[] => {
      offset++;
      const own = now && this.seats.get(task)?.filter(({ key }) => key === inletKey(now));
      const stays = this.stays[task];
      if (own) return own.map(({ variable }): Term => [variable, -1]);
      return stays === undefined ? [] : [[stays, -1]];
    });
    return { terms, offset };
  }

  /** Switches that change their setting. */
  private turned(): Term[] {
    const { document } = this.ground;
    const now = new Map(
      document.devices.flatMap(({ id, groups }) => groups.map((group) => [groupKey(id, group.id), group.feed])),
    );
    return this.feeds.filter(({ group, feed }) => now.get(group) !== feed).map(({ variable }): Term => [variable, 1]);
  }
}

/** Feeds that nobody expects where 48 V would do. */
const UNUSUAL: ReadonlySet<FeedName> = new Set(['P24', 'P12', 'SP48', 'T12', 'T12R']);

/** One part more weighs as much as so many metres of cable too long. */
const PART = 50;

/** What speaks against a phantom voltage on batteries: that a lower one would do, or, where nobody asks for that, that it is below 48 V. */
function offVoltage(column: Column, { places, voltage }: Ground): number {
  const { device, group } = places[column.place];
  const wanted = voltage.get(device.id);
  if (wanted === 'lowest') return column.above;
  const low = column.feed === 'P24' || column.feed === 'P12';
  return Number(wanted === '48 V' && low && group!.offers.includes('P48'));
}

const inletOf = ({ inlet }: Ground['tasks'][number]['line']): string[] => ('device' in inlet ? [inletKey(inlet)] : []);
