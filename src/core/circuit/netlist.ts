import type { Amps, Farads, Henries, Ohms, Seconds, Siemens, Volts } from '../units';

/** A node's name. `GROUND` is the reference every voltage is measured against. */
export type Node = string;
export const GROUND: Node = 'gnd';

/** A source's value over time: straight lines between the points, for the analysis over time. */
export type Wave = { at: Seconds; value: number }[];

interface TwoTerminal {
  name: string;
  a: Node;
  b: Node;
}

/** Current flows from `a` to `b`. `ohms` is above 0. */
export interface Resistor extends TwoTerminal {
  type: 'resistor';
  ohms: Ohms;
}

export interface Capacitor extends TwoTerminal {
  type: 'capacitor';
  farads: Farads;
  /** Voltage a over b before anything happens, for the analysis over time. */
  initialVolts?: Volts;
}

/** A winding without losses; `coupling` elements join several into a transformer. */
export interface Inductor extends TwoTerminal {
  type: 'inductor';
  henries: Henries;
  initialAmps?: Amps;
}

/** Couples two inductors, both dotted at `a`. `factor` is between 0 and 1, both excluded. */
export interface Coupling {
  type: 'coupling';
  name: string;
  first: string;
  second: string;
  factor: number;
}

/** An ideal transformer of two or more windings, dotted at `a`; it passes direct current like its SPICE counterpart. */
export interface IdealTransformer {
  type: 'idealTransformer';
  name: string;
  windings: { a: Node; b: Node; turns: number }[];
}

/** Holds `a` at `volts` above `b`; `signal` is its amplitude in the small-signal response, `noise` its noise in V²/Hz. */
export interface VoltageSource extends TwoTerminal {
  type: 'voltageSource';
  volts: Volts;
  signal?: Volts;
  noise?: number;
  wave?: Wave;
}

/** Drives `amps` from `a` through itself to `b`. */
export interface CurrentSource extends TwoTerminal {
  type: 'currentSource';
  amps: Amps;
  signal?: Amps;
  wave?: Wave;
}

/** v(a, b) = gain · v(controlA, controlB). */
export interface VoltageControlledVoltage extends TwoTerminal {
  type: 'voltageControlledVoltage';
  controlA: Node;
  controlB: Node;
  gain: number;
}

/** Current from a to b = siemens · v(controlA, controlB). */
export interface VoltageControlledCurrent extends TwoTerminal {
  type: 'voltageControlledCurrent';
  controlA: Node;
  controlB: Node;
  siemens: Siemens;
}

/** Current from a to b = gain · current through the named voltage source. */
export interface CurrentControlledCurrent extends TwoTerminal {
  type: 'currentControlledCurrent';
  control: string;
  gain: number;
}

/** v(a, b) = ohms · current through the named voltage source. */
export interface CurrentControlledVoltage extends TwoTerminal {
  type: 'currentControlledVoltage';
  control: string;
  ohms: Ohms;
}

/** Diode or LED, anode `a`. I = saturationAmps · (exp(v / (emission · kT/q)) - 1) at 300.15 K. */
export interface Diode extends TwoTerminal {
  type: 'diode';
  saturationAmps: Amps;
  emission: number;
}

/**
 * Draws `amps` from a to b; below a few `kneeVolts` it draws less: I = amps · tanh(v / kneeVolts). With `cutoffVolts` it
 * is electronics that stop: I = amps / 2 · (tanh 10 + tanh((v − cutoff) / (cutoff / 10))).
 */
export interface ConstantCurrentLoad extends TwoTerminal {
  type: 'constantCurrentLoad';
  amps: Amps;
  kneeVolts: Volts;
  cutoffVolts?: Volts;
}

/** Open it is not there at all; closed it is `closedOhms`. `events` serve the analysis over time. */
export interface Switch extends TwoTerminal {
  type: 'switch';
  closed: boolean;
  closedOhms: Ohms;
  events?: { at: Seconds; closed: boolean }[];
}

export type Element =
  | Resistor
  | Capacitor
  | Inductor
  | Coupling
  | IdealTransformer
  | VoltageSource
  | CurrentSource
  | VoltageControlledVoltage
  | VoltageControlledCurrent
  | CurrentControlledCurrent
  | CurrentControlledVoltage
  | Diode
  | ConstantCurrentLoad
  | Switch;

/** A circuit: elements between named nodes, and the names that are one and the same node. */
export interface Netlist {
  elements: Element[];
  /** Alias to the node it was joined with; see `resolve`. */
  joined: ReadonlyMap<Node, Node>;
  /** Nodes that are numbered before all others; every one is the end of some element. */
  first?: readonly Node[];
}

/** A netlist of elements whose node names are already final. */
export const netlist = (elements: Element[]): Netlist => ({ elements, joined: new Map() });

/** The node a name stands for after all joins. */
export function resolve(joined: ReadonlyMap<Node, Node>, node: Node): Node {
  let at = node;
  for (let next = joined.get(at); next !== undefined; next = joined.get(at)) at = next;
  return at;
}
