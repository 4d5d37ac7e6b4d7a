import type { Amps, Siemens, Volts } from '../../units';
import type { Element, Node } from '../netlist';

/** -1 stands for the reference node. */
export type Index = number;

/**
 * Where an element writes itself. The circuit is G·x + C·dx/dt + i(x) = z, with x the node voltages followed by the
 * branch currents. The operating point solves G·x + i(x) = z, the response (G + jωC)·x = signal.
 */
export interface Stamp {
  node(name: Node): Index;
  /** Index of the n-th branch current (default 0) of an element. */
  branch(element: string, n?: number): Index;
  g(row: Index, column: Index, value: number): void;
  c(row: Index, column: Index, value: number): void;
  source(row: Index, value: number): void;
  signal(row: Index, value: number): void;
  /** Inductance of a winding, for couplings. */
  henries(element: string): number;
}

/** Names as SPICE wants them. */
export interface SpiceNames {
  node(name: Node): string;
  element(name: string): string;
}

export interface Characteristic {
  /** Current at a voltage, and its slope there. */
  at(volts: Volts): { amps: Amps; siemens: Siemens };
  /** Keeps one Newton step within the range in which it makes sense. */
  limit(next: Volts, previous: Volts): Volts;
}

/** All the analyses know about one type of element. */
export interface ElementRules<E extends Element> {
  /** Unknown currents it adds. */
  branches(element: E): number;
  /** Tells the pairs of nodes between which current can pass: for signals only where a capacitor stands between them. */
  paths(element: E, tell: (a: Node, b: Node, signalOnly?: boolean) => void): void;
  /** Other nodes it refers to without joining them. */
  senses?(element: E): Node[];
  /** What is wrong with its values, if anything. */
  fault(element: E): string | undefined;
  stamp(element: E, at: Stamp): void;
  /** Present for the elements whose current is not proportional to the voltage from a to b. */
  characteristic?(element: E): Characteristic;
  spice(element: E, names: SpiceNames): string[];
}

/** Current can pass from end to end. */
export const conducts: ElementRules<Element & { a: Node; b: Node }>['paths'] = ({ a, b }, tell) => tell(a, b);

export const positive = (quantity: string, value: number): string | undefined =>
  value > 0 && Number.isFinite(value) ? undefined : `${quantity} must be above 0 and finite, not ${value}`;

export const finite = (quantity: string, value: number): string | undefined =>
  Number.isFinite(value) ? undefined : `${quantity} must be a finite number, not ${value}`;

/** A conductance between two nodes, in G or in C. */
export function stampBetween(write: (r: Index, c: Index, v: number) => void, a: Index, b: Index, value: number): void {
  write(a, a, value);
  write(b, b, value);
  write(a, b, -value);
  write(b, a, -value);
}

/** A branch current from a to b enters both nodes' sums; the branch's own row begins as v(a) - v(b). */
export function stampBranch(at: Stamp, a: Index, b: Index, branch: Index): void {
  at.g(a, branch, 1);
  at.g(b, branch, -1);
  at.g(branch, a, 1);
  at.g(branch, b, -1);
}

/** A number as SPICE reads it back without loss. */
export const spiceNumber = (value: number): string => value.toExponential(15).replace(/\.?0+e/, 'e');

/** `name a b` in SPICE, with the letter that tells the type. */
export const spiceHead = (letter: string, element: { name: string; a: Node; b: Node }, names: SpiceNames): string =>
  `${letter}${names.element(element.name)} ${names.node(element.a)} ${names.node(element.b)}`;
