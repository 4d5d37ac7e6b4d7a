import type { Amps, Volts } from '../units';
import { CircuitError } from './errors';
import { factor, solve, workspace } from './linear/real';
import { resolve, type Element, type Netlist, type Node } from './netlist';
import { reduced } from './reduced';
import { assemble, unknownName } from './system';
import type { System } from './equations';
import { stampTangent, still, voltage } from './tangent';

const STEPS = 200;
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
export const operatingPoint = (netlist: Netlist): OperatingPoint => solveSystem(assemble(netlist));

/** Solves equations that are already written. @throws as `operatingPoint` does */
export function solveSystem(system: System): OperatingPoint {
  const floating = system.islands('direct');
  const pins = floating.map((group) => system.node(group[0])!);
  const { x, slopes } = reduced(system, pins) ?? newton(system, pins, startValues(system));
  pins.forEach((pin, n) => {
    if (Math.abs(x[pin]) > FORCED)
      throw new CircuitError(
        'floating',
        floating[n],
        `a current is driven into ${floating[n].join(', ')}, which has no way back to ground`,
      );
  });
  return readings(system, floating, x, slopes);
}

interface Solution {
  x: Float64Array;
  slopes: number[];
}

const startValues = (system: System): number[] => system.nonLinear.map(() => 0);

/** Newton iteration on the whole circuit: a decomposition at every step. Never fails for want of precision. */
function newton(system: System, pins: number[], at: number[]): Solution {
  const { size: n, nonLinear } = system;
  const a = new Float64Array(n * n);
  const b = new Float64Array(n);
  const x = new Float64Array(n);
  const space = workspace(n);
  for (let step = 0; step < STEPS; step++) {
    const slopes = linearised(system, pins, at, a, b);
    const column = factor(a, n, space);
    if (column >= 0) throw singular(system, column);
    solve(a, n, space, b, x);
    let settled = true;
    for (let k = 0; k < nonLinear.length; k++) {
      const { characteristic } = nonLinear[k];
      const next = characteristic.limit(voltage(x, nonLinear[k]), at[k]);
      if (!still(characteristic, at[k], next)) settled = false;
      at[k] = next;
    }
    if (settled) return { x, slopes };
  }
  const names = nonLinear.map(({ element }) => element.name);
  throw new CircuitError(
    'no-convergence',
    names,
    `no result for this circuit (did not converge); looked at ${names.join(', ')}`,
  );
}

/** Writes the circuit with every non-linear element replaced by its tangent; returns the slopes. */
function linearised(
  { size: n, g, z, nonLinear }: System,
  pins: number[],
  at: number[],
  a: Float64Array,
  b: Float64Array,
): number[] {
  a.set(g);
  b.set(z);
  for (const pin of pins) a[pin * n + pin] += 1;
  return nonLinear.map((part, k) => stampTangent(part, at[k], a, b, n));
}

export function singular(system: System, column: number): CircuitError {
  const { node, text } = unknownName(system, column);
  return new CircuitError(
    'singular',
    [node ?? system.branches[column - system.nodes.length].element],
    `two parts contradict each other, or a loop has no resistance: ${text}`,
  );
}

function readings(system: System, floating: Node[][], x: Float64Array, slopes: number[]): OperatingPoint {
  const { netlist } = system;
  const at = (name: Node): Volts => {
    const index = system.node(name);
    return index === undefined || index < 0 ? 0 : x[index];
  };
  const group = (name: Node): number | string => {
    const node = resolve(netlist.joined, name);
    return system.node(node) === undefined ? node : floating.findIndex((island) => island.includes(node));
  };
  return {
    system,
    floating,
    slopes,
    volts: (a, b = 'gnd') => (group(a) === group(b) ? at(a) - at(b) : undefined),
    amps(name, n = 0) {
      const element = system.element(name);
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
