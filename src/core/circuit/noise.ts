import type { Hertz } from '../units';
import { factorComplex, solveComplex, type ComplexMatrix } from './linear/complex';
import type { Node } from './netlist';
import { singular, type OperatingPoint } from './operatingPoint';
import { linearisedAt } from './response';

/** Boltzmann's constant, J/K, and the elementary charge, C (SI, exact since 2019). */
export const BOLTZMANN = 1.380649e-23;
const CHARGE = 1.602176634e-19;
/** Twenty degrees Celsius. */
export const ROOM_TEMPERATURE = 293.15;

/** What one element adds to the noise between two nodes, and all of them together, in V²/Hz. */
export interface NoiseDensity {
  total: number;
  /** By name of the element; those that add nothing are left out. */
  parts: { element: string; density: number }[];
}

/** A source of noise current between two nodes, in A²/Hz. */
interface NoiseCurrent {
  element: string;
  a: Node;
  b: Node;
  density: number;
}

/**
 * The noise between two nodes of a circuit at its operating point: thermal noise of resistors and closed switches
 * (4kT/R), shot noise of diodes (2qI), and whatever voltage sources are said to make. One solution of the transposed equations gives the way from every element to the
 * output at once.
 * @param kelvin temperature of the resistors
 * @returns the density at a frequency in Hz, above 0
 */
export function noiseDensity(
  point: OperatingPoint,
  a: Node,
  b: Node,
  kelvin = ROOM_TEMPERATURE,
): (frequency: Hertz) => NoiseDensity {
  const { system } = point;
  const { size: n, c } = system;
  const g = linearisedAt(point);
  const currents = noiseCurrents(point, kelvin);
  const voltages = system.netlist.elements.flatMap((element) =>
    element.type === 'voltageSource' && element.noise ? [{ name: element.name, density: element.noise }] : [],
  );
  const output = new Float64Array(n);
  const at = (node: Node) => system.node(node) ?? -1;
  if (at(a) >= 0) output[at(a)] += 1;
  if (at(b) >= 0) output[at(b)] -= 1;
  return (frequency) => {
    const omega = 2 * Math.PI * frequency;
    const matrix: ComplexMatrix = {
      n,
      re: new Float64Array(n * n),
      im: new Float64Array(n * n),
      order: new Int32Array(n),
    };
    for (let row = 0; row < n; row++)
      for (let column = 0; column < n; column++) {
        matrix.re[column * n + row] = g[row * n + column];
        matrix.im[column * n + row] = omega * c[row * n + column];
      }
    const column = factorComplex(matrix);
    if (column >= 0) throw singular(system, column);
    const [re, im] = [new Float64Array(n), new Float64Array(n)];
    solveComplex(matrix, output, re, im);
    const read = (values: Float64Array, node: Node) => (at(node) < 0 ? 0 : values[at(node)]);
    const parts = currents
      .map(({ element, a: from, b: to, density }) => {
        const ohms = Math.hypot(read(re, from) - read(re, to), read(im, from) - read(im, to));
        return { element, density: density * ohms * ohms };
      })
      .filter(({ density }) => density > 0);
    for (const { name, density } of voltages) {
      const branch = system.branch(name)!;
      const gain = Math.hypot(re[branch], im[branch]);
      if (gain > 0) parts.push({ element: name, density: density * gain * gain });
    }
    return { total: parts.reduce((sum, part) => sum + part.density, 0), parts };
  };
}

function noiseCurrents({ system, amps }: OperatingPoint, kelvin: number): NoiseCurrent[] {
  const thermal = (ohms: number) => (4 * BOLTZMANN * kelvin) / ohms;
  return system.netlist.elements.flatMap((element): NoiseCurrent[] => {
    const { name } = element;
    switch (element.type) {
      case 'resistor':
        return [{ element: name, a: element.a, b: element.b, density: thermal(element.ohms) }];
      case 'switch':
        return element.closed
          ? [{ element: name, a: element.a, b: element.b, density: thermal(element.closedOhms) }]
          : [];
      case 'diode':
        return [{ element: name, a: element.a, b: element.b, density: 2 * CHARGE * Math.abs(amps(name)) }];
      default:
        return [];
    }
  });
}
