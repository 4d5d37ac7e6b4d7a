import { transient, type Element, type Netlist } from '../circuit';
import { CONNECTORS, asDrawn, inletKind, lineCircuit, reader, type Line, type LineCircuit } from '../gear';
import { dbu, type Dbu, type Ohms, type Seconds, type Volts } from '../units';

/** Feed resistors of one pair may differ by this share (IEC 61938, from memory); the step is computed for the worst pair. */
const MISMATCH = 0.004;
/** A switch without a ramp of its own. */
const SUDDEN: Seconds = 1e-4;
/** What the filter of a feed holds, and through what a switched-off feed is held to ground where it is (assumed; devices differ). */
const FILTER = 10e-6;
const HELD = 10;
/** Leakage of a switched-off feed where the inlet has no figure for it. */
const BLEEDER = 165e3;
/** When the switch opens. */
const OPENS: Seconds = 1e-3;
/** Share of the largest value that a step may be wrong by; what comes of it was within 0.4 % of a thousand times finer steps. */
const TOLERANCE = 1e-2;
/** Longest decay that is followed. */
const LONGEST: Seconds = 600;

/** What an inlet hears when its feed comes on. */
export interface SwitchOn {
  /** Peak between the amplifier's two sides. */
  volts: Volts;
  /** The level of a sine with that peak, before any gain. */
  level: Dbu;
  /** Until the step has fallen to a hundredth of its peak. */
  settles: Seconds;
}

export interface SwitchOff {
  /** Until less than `threshold` is left at the source's contacts; undefined if that takes longer than ten minutes. */
  decay?: Seconds;
  threshold: Volts;
}

const feedOf = (netlist: Netlist) =>
  netlist.elements.find((e): e is Extract<Element, { type: 'voltageSource' }> => e.name === 'inlet.feed');

/** The netlist with its feed rising from nothing; undefined without a live feed. */
export function comingOn(line: Line, ramp: Seconds = SUDDEN): { circuit: LineCircuit; netlist: Netlist } | undefined {
  const circuit = lineCircuit(asDrawn(line), { mismatch: MISMATCH, unequal: true, moving: true });
  const feed = feedOf(circuit.netlist);
  if (!feed) return undefined;
  const wave = [
    { at: 0, value: 0 },
    { at: Math.max(ramp, SUDDEN), value: feed.volts },
  ];
  return { circuit, netlist: withElement(circuit.netlist, feed, [{ ...feed, wave }]) };
}

/** The netlist with its feed cut off at once, charged as it stood. */
export function goingOff(line: Line): { circuit: LineCircuit; netlist: Netlist } | undefined {
  const circuit = lineCircuit(asDrawn(line), { moving: true });
  const feed = feedOf(circuit.netlist);
  if (!feed) return undefined;
  const supply = 'feed.supply';
  return {
    circuit,
    netlist: withElement(circuit.netlist, feed, [
      { ...feed, a: supply },
      {
        type: 'switch',
        name: 'feed.switch',
        a: supply,
        b: feed.a,
        closed: true,
        closedOhms: 0.1,
        events: [{ at: OPENS, closed: false }],
      },
      { type: 'resistor', name: 'feed.bleeder', a: feed.a, b: feed.b, ohms: leakage(line) },
      { type: 'capacitor', name: 'feed.filter', a: feed.a, b: feed.b, farads: FILTER },
    ]),
  };
}

/** What a switched-off feed sees to ground: next to nothing where the device holds it there, else its leakage. */
function leakage({ inlet }: Line): Ohms {
  const kind = inletKind(inlet.kind);
  const read = reader(kind, inlet);
  if ('switchedOff' in kind.choices && read.choice('switchedOff') === 'held') return HELD;
  return 'bleeder' in kind.figures ? read.value('bleeder') : BLEEDER;
}

const withElement = (netlist: Netlist, old: Element, fresh: Element[]): Netlist => ({
  ...netlist,
  elements: netlist.elements.flatMap((element) => (element === old ? fresh : [element])),
});

/** The step at the inlet when the feed comes on over `ramp`; the loudest channel counts. */
export function switchOn(line: Line, ramp?: Seconds): SwitchOn | undefined {
  const made = comingOn(line, ramp);
  if (!made) return undefined;
  const course = transient(made.netlist, { until: 6 + (ramp ?? 0), tolerance: TOLERANCE });
  const { times } = course;
  const heard = made.circuit.channels.map(({ hot, cold }) => course.volts(hot, cold));
  const volts = Math.max(...heard.flatMap((course) => course.reduce((most, v) => Math.max(most, Math.abs(v)), 0)));
  const settles = Math.max(...heard.map((values) => lastAbove(volts / 100, values, times)));
  return { volts, level: dbu(Math.max(volts, 1e-9) / Math.SQRT2), settles };
}

/** When a course falls below a level for good: within the step after the last moment above it. */
function lastAbove(level: Volts, values: Float64Array, times: Float64Array): Seconds {
  const last = values.findLastIndex((volts) => Math.abs(volts) > level);
  if (last < 0) return 0;
  const next = Math.min(last + 1, times.length - 1);
  return fallsTo(level, times[last], Math.abs(values[last]), times[next], Math.abs(values[next]));
}

/** When something is at a level that is above it at one moment and not at the next; it falls by the same share in the same time. */
function fallsTo(level: Volts, from: Seconds, high: Volts, to: Seconds, low: Volts): Seconds {
  if (!(high > level) || low >= level) return to;
  return from + ((to - from) * Math.log(high / level)) / Math.log(high / Math.max(low, level * 1e-3));
}

/** How long the line stays charged after its feed went off, at the source's contacts. */
export function switchOff(line: Line, threshold: Volts = 1): SwitchOff | undefined {
  const decay = discharge(line, threshold);
  const end = decay?.at(-1);
  return end && { threshold, ...(end.volts <= threshold && { decay: end.at }) };
}

/**
 * What is left on a line after its feed went off, until that is `threshold`; followed for ten minutes at most.
 * @param at the end of the line that is looked at: what a supply on the way puts on the source is its own
 * @returns undefined without a live feed
 */
export function discharge(
  line: Line,
  threshold: Volts = 1,
  at: 'source' | 'inlet' = 'source',
): { at: Seconds; volts: Volts }[] | undefined {
  const made = goingOff(line);
  if (!made) return undefined;
  const { plug, nodes } = made.circuit.junctions.at(at === 'source' ? 0 : -1)!;
  const { contacts, reference } = CONNECTORS[plug];
  const others = contacts.filter((contact) => contact !== reference).map((contact) => nodes[contact]);
  const left = (volts: (a: string, b?: string) => Volts) =>
    Math.max(...others.map((node) => Math.abs(volts(node, nodes[reference]))));
  const { times, volts } = transient(made.netlist, {
    until: LONGEST,
    tolerance: TOLERANCE,
    longestStep: 1,
    stop: (now, time) => time > 2e-3 && left(now) < threshold,
  });
  const courses = others.map((node) => volts(node, nodes[reference]));
  // The switch opens a millisecond after the beginning.
  const course = Array.from(times, (time, n) => ({
    at: Math.max(time - OPENS, 0),
    volts: Math.max(...courses.map((course) => Math.abs(course[n]))),
  }));
  const [before, end] = course.slice(-2);
  if (end.volts >= threshold) return course;
  const crossed = fallsTo(threshold, before.at, before.volts, end.at, end.volts);
  return [...course.slice(0, -1), { at: crossed, volts: threshold }];
}
