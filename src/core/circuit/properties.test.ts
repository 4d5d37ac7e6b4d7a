import fc from 'fast-check';
import { netlist, operatingPoint, smallSignal, type Element, type Node } from '.';

/** A node that hangs on nothing but the 1e-12 S of a blocked junction beside 1 S is known to four digits, not to sixteen. */
const ROUNDING = 1e-3;

const NODES: Node[] = ['gnd', 'a', 'b', 'c', 'd', 'e'];
const anyNode = fc.constantFrom(...NODES);
const ends = fc.tuple(anyNode, anyNode).filter(([a, b]) => a !== b);
const ohms = fc.double({ min: 0, max: 6, noNaN: true }).map((power) => 10 ** power);

const resistor = fc.tuple(ends, ohms).map(([[a, b], value]) => ({ type: 'resistor' as const, a, b, ohms: value }));
const load = fc
  .tuple(ends, fc.double({ min: 1e-4, max: 0.02, noNaN: true }))
  .map(([[a, b], amps]) => ({ type: 'constantCurrentLoad' as const, a, b, amps, kneeVolts: 0.5 }));
const diode = ends.map(([a, b]) => ({ type: 'diode' as const, a, b, saturationAmps: 1e-14, emission: 1.5 }));

/** A feed, and whatever else between a few nodes. */
const anyCircuit = fc
  .tuple(
    fc.double({ min: -48, max: 48, noNaN: true }),
    fc.array(
      fc.oneof({ weight: 6, arbitrary: resistor }, { weight: 1, arbitrary: load }, { weight: 1, arbitrary: diode }),
      { minLength: 3, maxLength: 14 },
    ),
  )
  .map(([volts, parts]): Element[] => [
    { type: 'voltageSource', name: 'feed', a: 'bus', b: 'gnd', volts, signal: 1 },
    { type: 'resistor', name: 'series', a: 'bus', b: 'a', ohms: 6800 },
    ...parts.map((part, n) => ({ ...part, name: `part${n}` }) as Element),
  ]);

/** Sum of the currents that leave a node, and of their sizes. */
function balance(elements: Element[], node: Node) {
  const point = operatingPoint(netlist(elements));
  let sum = 0;
  let size = 0;
  for (const element of elements) {
    if (!('a' in element)) continue;
    const amps = point.amps(element.name);
    const leaving = (element.a === node ? amps : 0) - (element.b === node ? amps : 0);
    sum += leaving;
    size += Math.abs(leaving);
  }
  return { sum, size };
}

test('what flows into a node flows out of it, in any circuit', () => {
  fc.assert(
    fc.property(anyCircuit, (elements) => {
      for (const node of ['a', 'b', 'c', 'd', 'e']) {
        const { sum, size } = balance(elements, node);
        expect(Math.abs(sum)).toBeLessThan(1e-9 * size + 1e-12);
      }
    }),
    { numRuns: 200 },
  );
});

test('the order in which elements are listed makes no difference', () => {
  fc.assert(
    fc.property(anyCircuit, (elements) => {
      const forth = operatingPoint(netlist(elements));
      const back = operatingPoint(netlist([...elements].reverse()));
      for (const node of ['a', 'b', 'c', 'd', 'e']) {
        const [here, there] = [forth.volts(node), back.volts(node)];
        if (here === undefined || there === undefined) expect(here).toBe(there);
        else expect(Math.abs(here - there)).toBeLessThan(ROUNDING * (1 + Math.abs(here)));
      }
    }),
    { numRuns: 100 },
  );
});

test('a passive circuit never gives more signal than goes in, and its impedance is never negative', () => {
  fc.assert(
    fc.property(anyCircuit, (elements) => {
      const response = smallSignal(operatingPoint(netlist(elements)))(1000);
      for (const node of ['a', 'b', 'c', 'd', 'e']) {
        const { re, im } = response.volts(node);
        expect(Math.hypot(re, im)).toBeLessThan(1 + ROUNDING);
        expect(response.impedance(node).re).toBeGreaterThan(-ROUNDING);
      }
    }),
    { numRuns: 100 },
  );
});
