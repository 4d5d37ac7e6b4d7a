import type { Hertz, Ohms } from '../units';
import { carve } from './linear/carve';
import { factorComplex, solveComplex, type ComplexMatrix } from './linear/complex';
import type { Node } from './netlist';
import { singular, type OperatingPoint } from './operatingPoint';
import type { System } from './equations';

export interface Complex {
  re: number;
  im: number;
}

export const magnitude = ({ re, im }: Complex): number => Math.hypot(re, im);
/** Angle in degrees, -180 to 180. */
export const phase = ({ re, im }: Complex): number => (Math.atan2(im, re) * 180) / Math.PI;

/** The circuit's answer to small signals at one frequency. */
export interface Response {
  /** Signal voltage of `a` over `b` (default ground) with all signal sources at work. */
  volts(a: Node, b?: Node): Complex;
  /** Impedance between two nodes with all signal sources at zero. */
  impedance(a: Node, b?: Node): Complex & { ohms: Ohms };
  /** With all signal sources at zero: the voltage of one node over another for 1 A that is driven into `a` and out of `b`. */
  transfer(a: Node, b?: Node): (of: Node, over?: Node) => Complex;
  /** The same for many currents at once, each driven into `a` and out of `b`. */
  injected(currents: readonly { a: Node; b: Node; amps: number }[]): (of: Node, over?: Node) => Complex;
}

/**
 * Linearises a circuit at its operating point and returns the answer at any frequency (Hz, above 0).
 * @throws CircuitError `singular`
 */
export function smallSignal(point: OperatingPoint): (frequency: Hertz) => Response {
  const g = linearisedAt(point);
  return (frequency) => responseAt(point.system, g, 2 * Math.PI * frequency);
}

/** The conductances of a circuit for small signals: every non-linear element by its slope, floating parts tied to ground. */
export function linearisedAt({ system, slopes }: OperatingPoint): Float64Array {
  const n = system.size;
  const g = system.g.slice();
  const add = (row: number, column: number, value: number) => {
    if (row >= 0 && column >= 0) g[row * n + column] += value;
  };
  system.nonLinear.forEach(({ a, b }, k) => {
    const siemens = slopes[k];
    add(a, a, siemens);
    add(b, b, siemens);
    add(a, b, -siemens);
    add(b, a, -siemens);
  });
  for (const [first] of system.islands('signal')) add(system.node(first)!, system.node(first)!, 1);
  return g;
}

function responseAt(system: System, g: Float64Array, omega: number): Response {
  const n = system.size;
  const im = new Float64Array(n * n);
  for (let k = 0; k < im.length; k++) im[k] = omega * system.c[k];
  const matrix: ComplexMatrix = { n, re: g.slice(), im, order: new Int32Array(n) };
  const column = factorComplex(matrix);
  if (column >= 0) throw singular(system, column);
  const take = carve(5 * n);
  const [excitation, drivenRe, drivenIm, seenRe, seenIm] = [take(n), take(n), take(n), take(n), take(n)];
  const solveFor = (right: Float64Array, re: Float64Array, im: Float64Array) => {
    solveComplex(matrix, right, re, im);
    return (a: Node, b: Node): Complex => {
      const high = system.node(a) ?? -1;
      const low = system.node(b) ?? -1;
      return {
        re: (high < 0 ? 0 : re[high]) - (low < 0 ? 0 : re[low]),
        im: (high < 0 ? 0 : im[high]) - (low < 0 ? 0 : im[low]),
      };
    };
  };
  const injected = (currents: readonly { a: Node; b: Node; amps: number }[], re: Float64Array, im: Float64Array) => {
    excitation.fill(0);
    for (const { a, b, amps } of currents) {
      const high = system.node(a) ?? -1;
      const low = system.node(b) ?? -1;
      if (high >= 0) excitation[high] += amps;
      if (low >= 0) excitation[low] -= amps;
    }
    return solveFor(excitation, re, im);
  };
  const fresh = (currents: readonly { a: Node; b: Node; amps: number }[]) => {
    const volts = injected(currents, new Float64Array(n), new Float64Array(n));
    return (of: Node, over: Node = 'gnd') => volts(of, over);
  };
  let driven: ReturnType<typeof solveFor> | undefined;
  return {
    volts: (a, b = 'gnd') => (driven ??= solveFor(system.signal, drivenRe, drivenIm))(a, b),
    impedance(a, b = 'gnd') {
      const z = injected([{ a, b, amps: 1 }], seenRe, seenIm)(a, b);
      return { ...z, ohms: magnitude(z) };
    },
    transfer: (a, b = 'gnd') => fresh([{ a, b, amps: 1 }]),
    injected: fresh,
  };
}
