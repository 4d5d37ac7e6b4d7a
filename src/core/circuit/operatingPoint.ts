import type { Amps, Volts } from '../units';
import type { Characteristic } from './elements/rules';
import { CircuitError } from './errors';
import { islands } from './islands';
import { factor, solve } from './linear/real';
import { resolve, type Element, type Netlist, type Node } from './netlist';
import { assemble, unknownName, type System } from './system';

const STEPS = 200;
/** Newton stops when no non-linear element's voltage moves more than this, in volts and as a share. */
const CLOSE = 1e-11;
/** A change of current that counts as none. */
const NOTHING: Amps = 1e-16;
/** Current that may leak through the pin of a floating island before it counts as forced. */
const FORCED: Amps = 1e-9;

/** The direct-current solution of a circuit. */
export interface OperatingPoint {
  system: System;
  /** Groups of nodes without a way to ground; their voltages hold among themselves only. */
  floating: Node[][];
  /** Voltage of `a` over `b` (default ground), or undefined if nothing connects the two. */
  volts(a: Node, b?: Node): Volts | undefined;
  /** Current from terminal a to terminal b through an element (winding n of an ideal transformer). */
  amps(element: string, n?: number): Amps;
  /** Slope of each non-linear element here, in the order of `system.nonLinear`. */
  slopes: number[];
}

/**
 * Solves a circuit for direct current: modified nodal analysis, Newton iteration where an element is not linear.
 * @throws CircuitError `singular` (sources or windings without resistance in a loop), `floating` (a current driven into
 *   nodes that have no way to ground), `no-convergence`, `bad-element`
 */
export function operatingPoint(netlist: Netlist): OperatingPoint {
  const system = assemble(netlist);
  const floating = islands(system, 'direct');
  const pins = floating.map((group) => system.node(group[0])!);
  const { x, slopes } = newton(system, pins);
  pins.forEach((pin, n) => {
    if (Math.abs(x[pin]) > FORCED)
      throw new CircuitError('floating', floating[n], `a current is driven into ${floating[n].join(', ')}, which has no way back to ground`);
  });
  return readings(system, floating, x, slopes);
}

function newton(system: System, pins: number[]): { x: Float64Array; slopes: number[] } {
  const { size: n, g, z, nonLinear } = system;
  const a = new Float64Array(n * n);
  const b = new Float64Array(n);
  const x = new Float64Array(n);
  const order = new Int32Array(n);
  const largest = new Float64Array(n);
  const at = nonLinear.map(() => 0);
  const slopes = nonLinear.map(() => 0);
  for (let step = 0; step < STEPS; step++) {
    a.set(g);
    b.set(z);
    for (const pin of pins) a[pin * n + pin] += 1;
    for (let k = 0; k < nonLinear.length; k++) slopes[k] = stampTangent(nonLinear[k], at[k], a, b, n);
    const column = factor(a, n, order, largest);
    if (column >= 0) throw singular(system, column);
    solve(a, n, order, b, x);
    let settled = true;
    for (let k = 0; k < nonLinear.length; k++) {
      const { a: high, b: low, characteristic } = nonLinear[k];
      const next = characteristic.limit((high < 0 ? 0 : x[high]) - (low < 0 ? 0 : x[low]), at[k]);
      if (!still(characteristic, at[k], next)) settled = false;
      at[k] = next;
    }
    if (settled) return { x, slopes };
  }
  const names = nonLinear.map(({ element }) => element.name);
  throw new CircuitError('no-convergence', names, `no operating point found after ${STEPS} steps; looked at ${names.join(', ')}`);
}

/**
 * Whether a step changes nothing any more: neither the voltage nor the current. Where next to nothing flows, as in a
 * part that hangs in the air, rounding moves the voltage about for ever and the current tells.
 */
const still = (characteristic: Characteristic, before: Volts, next: Volts): boolean =>
  Math.abs(next - before) <= CLOSE * (1 + Math.abs(next)) ||
  Math.abs(characteristic.at(next).amps - characteristic.at(before).amps) < NOTHING;

/** Replaces the element by its tangent at `volts`: a conductance beside a current. */
function stampTangent(part: System['nonLinear'][number], volts: Volts, a: Float64Array, b: Float64Array, n: number): number {
  const { amps, siemens } = part.characteristic.at(volts);
  const rest = amps - siemens * volts;
  if (part.a >= 0) {
    a[part.a * n + part.a] += siemens;
    b[part.a] -= rest;
  }
  if (part.b >= 0) {
    a[part.b * n + part.b] += siemens;
    b[part.b] += rest;
  }
  if (part.a >= 0 && part.b >= 0) {
    a[part.a * n + part.b] -= siemens;
    a[part.b * n + part.a] -= siemens;
  }
  return siemens;
}

export function singular(system: System, column: number): CircuitError {
  const { node, text } = unknownName(system, column);
  return new CircuitError(
    'singular',
    [node ?? system.branches[column - system.nodes.length].element],
    `nothing decides ${text}: a loop of sources or windings without resistance, or parts that contradict each other`,
  );
}

function readings(system: System, floating: Node[][], x: Float64Array, slopes: number[]): OperatingPoint {
  const { netlist } = system;
  const island = new Map<Node, number>(floating.flatMap((group, n) => group.map((node): [Node, number] => [node, n])));
  const at = (name: Node): Volts => {
    const index = system.node(name);
    return index === undefined || index < 0 ? 0 : x[index];
  };
  const group = (name: Node): number | string => {
    const node = resolve(netlist.joined, name);
    return system.node(node) === undefined ? node : (island.get(node) ?? -1);
  };
  const elements = new Map<string, Element>(netlist.elements.map((element) => [element.name, element]));
  return {
    system,
    floating,
    slopes,
    volts: (a, b = 'gnd') => (group(a) === group(b) ? at(a) - at(b) : undefined),
    amps(name, n = 0) {
      const element = elements.get(name);
      if (!element) throw new CircuitError('bad-element', [name], `${name} is not in the circuit`);
      const branch = system.branch(name, n);
      if (branch !== undefined) return x[branch];
      return directCurrent(element, at, x, system);
    },
  };
}

function directCurrent(element: Element, at: (node: Node) => Volts, x: Float64Array, system: System): Amps {
  switch (element.type) {
    case 'resistor':
      return (at(element.a) - at(element.b)) / element.ohms;
    case 'switch':
      return element.closed ? (at(element.a) - at(element.b)) / element.closedOhms : 0;
    case 'currentSource':
      return element.amps;
    case 'voltageControlledCurrent':
      return element.siemens * (at(element.controlA) - at(element.controlB));
    case 'currentControlledCurrent':
      return element.gain * x[system.branch(element.control)!];
    default: {
      const part = system.nonLinear.find((other) => other.element.name === element.name);
      return part ? part.characteristic.at(at(part.element.a) - at(part.element.b)).amps : 0;
    }
  }
}
