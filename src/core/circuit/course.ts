import type { Amps, Seconds, Volts } from '../units';
import { CircuitError } from './errors';
import type { Element, Netlist, Node } from './netlist';
import type { System } from './equations';

/** The course of a circuit over time, at the moments the analysis chose. */
export interface Course {
  times: Float64Array;
  /** Voltage of `a` over `b` (default ground) at each moment. */
  volts(a: Node, b?: Node): Float64Array;
  /** Current from terminal a to terminal b of a two-terminal element at each moment. */
  amps(element: string): Float64Array;
}

/** A node's voltage in a solution; 0 for one the circuit does not have. */
export const read = (system: System, x: Float64Array, node: Node): Volts => {
  const index = system.node(node);
  return index === undefined || index < 0 ? 0 : x[index];
};

/** The netlist with every switch as it stands from a moment on. */
export function inState(netlist: Netlist, at: Seconds): Netlist {
  return {
    ...netlist,
    elements: netlist.elements.map((element) => {
      if (element.type !== 'switch' || !element.events) return element;
      const last = element.events.filter((event) => event.at <= at).sort((a, b) => b.at - a.at)[0];
      return last ? { ...element, closed: last.closed } : element;
    }),
  };
}

/** A solution at each moment, as something to read voltages and currents from. */
export function courseOf(netlist: Netlist, system: System, times: Float64Array, states: Float64Array[]): Course {
  const volts = (a: Node, b: Node = 'gnd') => Float64Array.from(states, (x) => read(system, x, a) - read(system, x, b));
  return {
    times,
    volts,
    amps(name) {
      const element = netlist.elements.find((other) => other.name === name);
      if (!element || !('a' in element))
        throw new CircuitError('bad-element', [name], `${name} is not a two-terminal element of the circuit`);
      const branch = system.branch(name);
      if (branch !== undefined) return Float64Array.from(states, (x) => x[branch]);
      const across = volts(element.a, element.b);
      return currentOf(netlist, element, across, times, system);
    },
  };
}

function currentOf(
  netlist: Netlist,
  element: Extract<Element, { a: Node }>,
  across: Float64Array,
  times: Float64Array,
  system: System,
): Float64Array {
  switch (element.type) {
    case 'resistor':
      return across.map((v): Amps => v / element.ohms);
    case 'switch':
      return across.map((v, n): Amps => {
        // At the moment of an event the state is still that of before.
        const phase = inState({ ...netlist, elements: [element] }, n === 0 ? -1 : (times[n - 1] + times[n]) / 2);
        const [state] = phase.elements;
        return state.type === 'switch' && state.closed ? v / element.closedOhms : 0;
      });
    case 'capacitor':
      return across.map((v, n) => (n === 0 ? 0 : (element.farads * (v - across[n - 1])) / (times[n] - times[n - 1])));
    case 'diode':
    case 'constantCurrentLoad': {
      const part = system.nonLinear.find((other) => other.element.name === element.name)!;
      return across.map((v) => part.characteristic.at(v).amps);
    }
    default:
      throw new CircuitError(
        'bad-element',
        [element.name],
        `the current through ${element.name} is not kept over time`,
      );
  }
}
