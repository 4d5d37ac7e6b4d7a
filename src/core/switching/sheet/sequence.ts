import type { FeedName } from '../../standards/feeds';
import type { Seconds } from '../../units';
import { breach, INVARIANTS, SUPPLY_SETTLE, SUPPLY_WAIT, type Breach } from './invariants';
import type { SheetGroup, SheetLine, SheetRig } from './rig';
import { after, elapsed, live, type Action, type SheetState } from './state';

/** What somebody wants the rig to be. */
export interface Wanted {
  /** Lines that are to be plugged through. */
  plugged: ReadonlySet<string>;
  /** Of these, the ones that come out first, because something on their way is exchanged. */
  exchanged?: ReadonlySet<string>;
  /** By switch. */
  feeds: Readonly<Record<string, FeedName>>;
  /** Lines whose inlets are open in the end; with any of them, the monitors. */
  open: ReadonlySet<string>;
}

/** One step of a run sheet: what is done, where one stands for it; a wait is done anywhere. */
export interface Step {
  action: Action;
  place?: string;
}

export interface Sequence {
  steps: Step[];
  /** What is wanted and would do harm: it is not done. */
  refused: (Breach & { group: string; feed: FeedName })[];
  /** Lines that stay plugged and are muted or lose their feed for a while, because they share a switch. */
  disturbed: string[];
}

/**
 * The steps from a state to a wanted one that keep every invariant: what is open is shut, feeds go off, one wait for
 * all of them, plugs at the stage end and then at the desk, feeds on, one wait, open. Every place is visited as seldom
 * as that order allows; what nobody knows is taken as on, charged and open.
 */
export function sequence(rig: SheetRig, present: SheetState, wanted: Wanted): Sequence {
  const steps: Step[] = [];
  let state = present;
  const put = (action: Action, place?: string) => {
    steps.push({ action, ...(place !== undefined && { place }) });
    state = after(rig, state, action);
  };
  const refused = harmful(rig, wanted);
  const feedFor = ({ key }: SheetGroup): FeedName =>
    refused.some(({ group }) => group === key) ? 'off' : (wanted.feeds[key] ?? 'off');

  const leaving = rig.lines.filter((line) => isIn(present, line) && !stays(wanted, line));
  const coming = rig.lines.filter(
    (line) => wanted.plugged.has(line.id) && (leaving.includes(line) || !isThrough(present, line)),
  );
  const handled = new Set([...leaving, ...coming].flatMap(({ groups }) => groups));
  const turned = rig.groups.filter(
    (group) => present.feeds[group.key].feed !== feedFor(group) || (handled.has(group.key) && live(present, group.key)),
  );
  const supplied = rig.lines.filter(
    (line) =>
      state.supplies[line.id] &&
      (leaving.includes(line) || coming.includes(line) || suits(wanted, line) !== state.supplies[line.id].on),
  );
  const opened = rig.lines.filter(({ id }) => wanted.open.has(id));

  quieten();
  rest(decayLeft());
  if (comesBack()) {
    plugs('stage');
    plugs('desk');
    // Feeds come on when everything is plugged, everywhere.
    for (const place of visited([...rig.groups.map((group) => group.place), ...rig.lines.map(({ stage }) => stage)]))
      onAt(place);
  } else {
    // Nothing is left to do at the desk afterwards: its plugs come first, and nobody walks back.
    plugs('desk');
    plugs('stage');
  }
  rest(settleLeft());
  open();

  return { steps, refused, disturbed: disturbedBy(rig, present, wanted, new Set(turned.map(({ key }) => key))) };

  /** Places once each, the one where somebody stands already first. */
  function visited(places: readonly string[]): string[] {
    const distinct = [...new Set(places)];
    const here = steps.findLast(({ place }) => place !== undefined)?.place;
    return here !== undefined && distinct.includes(here)
      ? [here, ...distinct.filter((place) => place !== here)]
      : distinct;
  }

  /** Shuts whatever a feed could bang into, and the inlets that are plugged; turns off what has to be off. */
  function quieten(): void {
    const keys = new Set(turned.map(({ key }) => key));
    const banged = rig.lines.filter((line) => line.groups.some((key) => keys.has(key)) || supplied.includes(line));
    const quiet = rig.lines.filter((line) => banged.includes(line) || leaving.includes(line) || coming.includes(line));
    const places = [...quiet.map((line) => line.desk), ...turned.map(({ place }) => place)];
    if ((banged.length || turned.length) && state.monitors !== 'down')
      put({ do: 'monitors', to: 'down' }, banged[0]?.desk ?? turned[0].place);
    for (const place of visited(places)) {
      const lines = quiet.filter((line) => line.desk === place && state.muted[line.id] !== true).map(({ id }) => id);
      if (lines.length) put({ do: 'mute', lines }, place);
      offAt(place);
    }
    for (const place of visited(turned.map((group) => group.place))) offAt(place);
    for (const { id, stage } of supplied)
      if (state.supplies[id].on !== false) put({ do: 'supply', line: id, on: false }, stage);
  }

  /** Turns off the switches at a place that have to be off and may be. */
  function offAt(place: string): void {
    for (const group of turned) {
      const keep = !handled.has(group.key) && feedFor(group) !== 'off';
      const action: Action = { do: 'feed', group: group.key, to: 'off' };
      if (group.place === place && live(state, group.key) && !keep && !breach(rig, state, action)) put(action, place);
    }
  }

  /** Whether something is left to do at a desk once everything is plugged. */
  function comesBack(): boolean {
    return (
      rig.groups.some((group) => feedFor(group) !== 'off' && state.feeds[group.key].feed !== feedFor(group)) ||
      opened.some(({ id }) => state.muted[id] !== false) ||
      (opened.length > 0 && state.monitors !== 'open')
    );
  }

  /** What is left of every wait before anybody plugs; they run side by side. */
  function decayLeft(): Seconds {
    const groups = rig.groups.filter(({ key }) => handled.has(key));
    return Math.max(
      0,
      ...groups.map(({ key, decay }) => decay.seconds - elapsed(state, state.feeds[key].since)),
      ...supplied.map(({ id }) => SUPPLY_WAIT - elapsed(state, state.supplies[id].since)),
    );
  }

  function rest(seconds: Seconds): void {
    if (seconds > 0) put({ do: 'wait', seconds });
  }

  /** Everything at one end, place by place. */
  function plugs(end: 'stage' | 'desk'): void {
    for (const place of visited([...leaving, ...coming].map((line) => line[end]))) plugsAt(end, place);
  }

  /** At one place, out before in. */
  function plugsAt(end: 'stage' | 'desk', place: string): void {
    for (const line of leaving)
      if (line[end] === place && state.ends[line.id][end] !== false) put({ do: 'unplug', line: line.id, end }, place);
    for (const line of coming)
      if (line[end] === place && state.ends[line.id][end] !== true) put({ do: 'plug', line: line.id, end }, place);
  }

  /** Mains, outboard supplies and switches at a place. */
  function onAt(place: string): void {
    const here = rig.groups.filter((group) => group.place === place);
    for (const device of new Set(here.map(({ device: own }) => own))) {
      const own = here.filter((group) => group.device === device);
      const needed =
        own.some((group) => feedFor(group) !== 'off') ||
        opened.some(({ groups }) => own.some(({ key }) => groups.includes(key)));
      if (needed && state.mains[device] !== true) put({ do: 'mains', device, on: true }, place);
    }
    for (const line of rig.lines)
      if (
        line.stage === place &&
        state.supplies[line.id]?.on === false &&
        suits(wanted, line) &&
        isThrough(state, line)
      )
        put({ do: 'supply', line: line.id, on: true }, place);
    for (const group of here)
      if (state.feeds[group.key].feed !== feedFor(group))
        put({ do: 'feed', group: group.key, to: feedFor(group) }, place);
  }

  function settleLeft(): Seconds {
    const keys = new Set(opened.flatMap(({ groups }) => groups));
    return Math.max(
      0,
      ...rig.groups
        .filter(({ key }) => keys.has(key) && live(state, key))
        .map(({ key, settle }) => settle.seconds - elapsed(state, state.feeds[key].since)),
      ...opened
        .filter(({ id }) => state.supplies[id]?.on)
        .map(({ id }) => SUPPLY_SETTLE - elapsed(state, state.supplies[id].since)),
    );
  }

  function open(): void {
    for (const desk of visited(opened.map((line) => line.desk))) {
      const lines = opened.filter((line) => line.desk === desk && state.muted[line.id] !== false).map(({ id }) => id);
      if (lines.length) put({ do: 'open', lines }, desk);
    }
    if (opened.length === 0 || state.monitors === 'open') return;
    const place = opened.at(-1)!.desk;
    // Monitors hear whatever else is open, or may be.
    const others = rig.lines.filter(({ id }) => !wanted.open.has(id) && state.muted[id] !== true).map(({ id }) => id);
    if (others.length) put({ do: 'mute', lines: others }, place);
    put({ do: 'monitors', to: 'open' }, place);
  }
}

/** Whether a line's own supply is wanted on: it is plugged through in the end. */
const suits = ({ plugged }: Wanted, { id, supply }: SheetLine): boolean => supply && plugged.has(id);
const isIn = ({ ends }: SheetState, { id }: SheetLine): boolean => ends[id].stage !== false || ends[id].desk !== false;
const isThrough = ({ ends }: SheetState, { id }: SheetLine): boolean =>
  ends[id].stage === true && ends[id].desk === true;
const stays = ({ plugged, exchanged }: Wanted, { id }: SheetLine): boolean => plugged.has(id) && !exchanged?.has(id);

/** Feeds that are wanted and would harm a line that is wanted too. */
function harmful(rig: SheetRig, { plugged, feeds }: Wanted): Sequence['refused'] {
  return rig.groups.flatMap(({ key, name }): Sequence['refused'] => {
    const feed = feeds[key] ?? 'off';
    const line = rig.lines.find(({ id, stops }) => plugged.has(id) && feed !== 'off' && stops[key]?.includes(feed));
    return line ? [{ invariant: 3, why: `${name}: ${line.name} would be harmed.`, group: key, feed }] : [];
  });
}

function disturbedBy(rig: SheetRig, present: SheetState, wanted: Wanted, turned: ReadonlySet<string>): string[] {
  return rig.lines
    .filter((line) => isIn(present, line) && stays(wanted, line) && line.groups.some((key) => turned.has(key)))
    .map(({ id }) => id);
}

/** How often somebody walks from one place to another. */
export function trips(steps: readonly Step[]): number {
  const places = steps.flatMap(({ place }) => place ?? []);
  return places.filter((place, n) => n > 0 && place !== places[n - 1]).length;
}

/** The first step that would break an invariant, when steps are carried out from a state. */
export function firstBreach(
  rig: SheetRig,
  from: SheetState,
  steps: readonly Step[],
): { step: number; breach: Breach } | undefined {
  let state = from;
  for (const [step, { action }] of steps.entries()) {
    const found = breach(rig, state, action);
    if (found) return { step, breach: found };
    state = after(rig, state, action);
  }
  return undefined;
}

/** Steps with one of them carried elsewhere, or the invariant that this would break. */
export function reordered(
  rig: SheetRig,
  from: SheetState,
  steps: readonly Step[],
  at: number,
  to: number,
): { steps: Step[] } | { refused: string } {
  const rest = steps.toSpliced(at, 1);
  const moved = rest.toSpliced(to, 0, steps[at]);
  const found = firstBreach(rig, from, moved);
  return found ? { refused: `${INVARIANTS[found.breach.invariant]} ${found.breach.why}` } : { steps: moved };
}
