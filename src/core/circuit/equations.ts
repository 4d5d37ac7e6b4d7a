import type { Characteristic, Index } from './elements/rules';
import type { Element, Netlist, Node } from './netlist';

export type Analysis = 'direct' | 'signal';

/** A netlist as equations: G·x + C·dx/dt + i(x) = z, x being node voltages and then branch currents. */
export interface System {
  netlist: Netlist;
  size: number;
  nodes: Node[];
  branches: { element: string; n: number }[];
  g: Float64Array;
  c: Float64Array;
  z: Float64Array;
  signal: Float64Array;
  nonLinear: NonLinear[];
  /** Index of a node by any of its names; -1 for ground, undefined if the circuit does not have it. */
  node(name: Node): Index | undefined;
  branch(element: string, n?: number): Index | undefined;
  element(name: string): Element | undefined;
  /** Groups of nodes that nothing connects to ground, for direct current or for signals. */
  islands(analysis: Analysis): Node[][];
}

/** A two-terminal element whose current is not proportional to its voltage. */
export interface NonLinear {
  element: Element & { a: Node; b: Node };
  a: Index;
  b: Index;
  characteristic: Characteristic;
}
