import { transient, type Course, type Element, type Netlist } from '../circuit';
import {
  CONNECTORS,
  asDrawn,
  linkKind,
  lineCircuit,
  socketNode,
  type AnyStake,
  type Contact,
  type Junction,
  type Limit,
  type Line,
  type LineCircuit,
} from '../gear';
import type { Amps, Seconds, Volts } from '../units';
import { AS_JACK, PIN, POSITION, positions, type Position } from './contactOrder';

/** Resistance of a clean contact. */
const CONTACT = 0.05;
/** From each contact of a source to its ground: winding, socket and lead (assumed). */
const STRAY = 100e-12;
/** Until what happens on plugging has settled, after the plug is home. */
const AFTER: Seconds = 0.2;

/** What the source takes when one connector of its line is plugged while the feed is on. */
export interface Plugging {
  /** Where: the junction counted from the source, and whether it is a TRS patch point there. */
  junction: number;
  at: 'source' | 'TRS patch point' | 'inlet' | 'link';
  positions: string[];
  /** Highest voltage between the source's signal contacts, or on what it destroys. */
  volts: Volts;
  /** Highest current through its coil, winding or output, or through one of its signal contacts. */
  amps: Amps;
  /** Position at which the current was highest. */
  worst: string;
  /** How long more than half of that current flows. */
  lasts: Seconds;
  /** Steady current it stands, if a figure says so. */
  limit?: Limit;
}

/** The junction that is plugged last on a line: its TRS patch point if it has one, else the source's own connector. */
export function lastPlugged(line: Line): { junction: number; patch: boolean } {
  const patch = line.links.findIndex((part) => linkKind(part.kind).nature === 'TRS patch point');
  return patch < 0 ? { junction: 0, patch: false } : { junction: patch, patch: true };
}

interface LivePlug {
  circuit: LineCircuit;
  netlist: Netlist;
  steps: { label: string; at: Seconds }[];
}

/** A circuit whose junction is plugged in live, one position after the other. */
export function pluggedLive(line: Line, junction: number, patch: boolean): LivePlug {
  const { circuit, order, each } = apart(line, junction, patch);
  return livePlug(circuit, junction, [{ label: 'out', touching: [] }, ...order], each);
}

/** The same junction pulled live, from home outwards. What a coil drives then ends in the stray capacitance of its lead. */
export function pulledLive(line: Line, junction: number, patch: boolean): LivePlug {
  const { circuit, order, each } = apart(line, junction, patch);
  const pulled = livePlug(circuit, junction, [...order.toReversed(), { label: 'out', touching: [] }], each);
  const { plug, nodes } = circuit.junctions[0];
  const { contacts: all, reference } = CONNECTORS[plug];
  const stray = all
    .filter((contact) => contact !== reference)
    .map((contact): Element => ({
      type: 'capacitor',
      name: `stray.${contact}`,
      a: nodes[contact],
      b: nodes[reference],
      farads: STRAY,
    }));
  return { ...pulled, netlist: { ...pulled.netlist, elements: [...pulled.netlist.elements, ...stray] } };
}

/** The circuit with a junction open, and the positions that its plug goes through on the way in. */
function apart(line: Line, junction: number, patch: boolean) {
  const circuit = lineCircuit(asDrawn(line), { apart: junction, moving: true });
  const place = circuit.junctions[junction];
  const order: Position[] = patch
    ? positions('trs635', 'trs635').map(({ label, touching }) => ({
        label,
        touching: touching.map(([a, b]) => [AS_JACK[a], AS_JACK[b]] as [Contact, Contact]),
      }))
    : positions(place.plug, place.socket);
  return { circuit, order, each: CONNECTORS[place.plug].contacts[0] === '1' && !patch ? PIN : POSITION };
}

/** A plug that goes from its first position to its last. */
function livePlug(circuit: LineCircuit, junction: number, order: readonly Position[], each: Seconds): LivePlug {
  const elements = [...circuit.netlist.elements, ...contacts(circuit.junctions[junction], junction, order, each)];
  return {
    circuit,
    netlist: { ...circuit.netlist, elements },
    steps: order.slice(1).map(({ label }, n) => ({ label, at: each * (n + 1) })),
  };
}

/** A switch for every pair of contacts that ever touch. */
function contacts(
  { nodes }: Junction,
  junction: number,
  [first, ...order]: readonly Position[],
  each: Seconds,
): Element[] {
  const pairs = new Map<
    string,
    { pair: [Contact, Contact]; closed: boolean; events: { at: Seconds; closed: boolean }[] }
  >();
  for (const pair of first.touching) pairs.set(pair.join(), { pair, closed: true, events: [] });
  order.forEach(({ touching }, n) => {
    const now = new Set(touching.map((pair) => pair.join()));
    for (const pair of touching)
      if (!pairs.has(pair.join())) pairs.set(pair.join(), { pair, closed: false, events: [] });
    for (const [key, own] of pairs) {
      const closed = own.events.at(-1)?.closed ?? own.closed;
      if (closed !== now.has(key)) own.events.push({ at: each * (n + 1), closed: !closed });
    }
  });
  return [...pairs].map(([key, { pair, closed, events }]) => ({
    type: 'switch',
    name: `plug.${key}`,
    a: nodes[pair[0]],
    b: socketNode(pair[1], junction),
    closed,
    closedOhms: CONTACT,
    events,
  }));
}

/** Follows the plugging of one connector with the line's feed as it stands. */
export function plugging(line: Line, { junction, patch } = lastPlugged(line)): Plugging {
  const { circuit, netlist, steps } = pluggedLive(line, junction, patch);
  const course = transient(netlist, { until: steps[steps.length - 1].at + AFTER, tolerance: 3e-3, longestStep: 0.02 });
  const current = currentThrough(circuit, course);
  const across = voltageAcross(circuit, course);
  const { value, at } = peakOf(current, course.times);
  const last = circuit.junctions.length - 1;
  return {
    junction,
    at: patch ? 'TRS patch point' : junction === 0 ? 'source' : junction === last ? 'inlet' : 'link',
    positions: steps.map(({ label }) => label),
    volts: peakOf(across, course.times).value,
    amps: value,
    worst: steps.findLast((step) => step.at <= at)?.label ?? 'not yet touching',
    lasts: durationAbove(current, course.times, value / 2),
    limit: limitOf(circuit),
  };
}

const ownStake = <T extends AnyStake['type']>(circuit: LineCircuit, type: T) =>
  circuit.stakes.find(
    (stake): stake is Extract<AnyStake, { type: T }> => stake.type === type && stake.part === 'source',
  );

/** Elements that carry the current which harms the source. */
const harmed = (circuit: LineCircuit): string[] =>
  ownStake(circuit, 'winding')?.elements ?? ownStake(circuit, 'output')?.elements ?? [];

const limitOf = (circuit: LineCircuit): Limit | undefined =>
  ownStake(circuit, 'winding')?.limit ?? ownStake(circuit, 'output')?.limit;

/** Largest current at each moment through what it harms; else through one of the source's signal contacts. */
function currentThrough(circuit: LineCircuit, course: Course): Float64Array {
  const { netlist, junctions } = circuit;
  const { plug, nodes } = junctions[0];
  const named = harmed(circuit);
  if (named.length)
    return largest(
      named.map((name) => course.amps(name)),
      course.times.length,
    );
  const entering = CONNECTORS[plug].pairs[0].map((contact) => {
    const sum = new Float64Array(course.times.length);
    for (const element of netlist.elements) {
      if (!element.name.startsWith('source.') || !('a' in element)) continue;
      const sign = element.a === nodes[contact] ? 1 : element.b === nodes[contact] ? -1 : 0;
      if (sign === 0 || element.type === 'currentSource') continue;
      course.amps(element.name).forEach((amps, n) => (sum[n] += sign * amps));
    }
    return sum;
  });
  return largest(entering, course.times.length);
}

/** Voltage between the source's signal contacts, or on what it destroys. */
export function voltageAcross(circuit: LineCircuit, course: Course): Float64Array {
  const capsule = ownStake(circuit, 'capsule');
  if (capsule) return course.volts(...capsule.between);
  const { plug, nodes } = circuit.junctions[0];
  const [hot, cold] = CONNECTORS[plug].pairs[0];
  return course.volts(nodes[hot], nodes[cold]);
}

const largest = (courses: Float64Array[], length: number): Float64Array =>
  Float64Array.from({ length }, (_, n) => courses.reduce((most, c) => Math.max(most, Math.abs(c[n])), 0));

/** The largest of a course, and when it first comes within a hundredth of that. */
function peakOf(values: Float64Array, times: Float64Array): { value: number; at: Seconds } {
  const value = values.reduce((most, each) => Math.max(most, Math.abs(each)), 0);
  return { value, at: times[values.findIndex((each) => Math.abs(each) >= 0.99 * value)] };
}

function durationAbove(values: Float64Array, times: Float64Array, level: number): Seconds {
  let sum = 0;
  for (let n = 1; n < values.length; n++) if (Math.abs(values[n]) > level) sum += times[n] - times[n - 1];
  return sum;
}
