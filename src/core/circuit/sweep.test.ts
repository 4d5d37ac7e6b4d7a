import { readFileSync } from 'node:fs';
import { asDrawn, lineCircuit } from '../gear';
import { parseDocument, rigPaths } from '../rig';
import { magnitude, netlist, operatingPoint, smallSignal, sweep } from '.';
import { solveHessenberg, toHessenberg } from './linear/hessenberg';

const paths = rigPaths(parseDocument(readFileSync('demo/lock-nine.json', 'utf8')));

test.each(paths.map(({ line }) => [line.id, line] as const))(
  '%s: the sweep gives what solving at each frequency gives',
  (_, line) => {
    const { netlist: circuit, channels } = lineCircuit(asDrawn(line));
    const point = operatingPoint(circuit);
    for (const { hot, cold } of channels) {
      const [quick, whole] = [sweep(point, hot, cold), smallSignal(point)];
      for (let frequency = 5; frequency < 50e3; frequency *= 1.7) {
        const [ours, theirs] = [quick(frequency), whole(frequency).volts(hot, cold)];
        const off = Math.hypot(ours.re - theirs.re, ours.im - theirs.im);
        expect(off).toBeLessThan(1e-7 * magnitude(theirs) + 1e-12);
      }
    }
  },
);

test('a first-order low pass is 3.01 dB down at 1 / (2πRC), wherever it is read', () => {
  const point = operatingPoint(
    netlist([
      { type: 'voltageSource', name: 'v', a: 'in', b: 'gnd', volts: 0, signal: 1 },
      { type: 'resistor', name: 'r', a: 'in', b: 'out', ohms: 1000 },
      { type: 'capacitor', name: 'c', a: 'out', b: 'gnd', farads: 159.155e-9 },
    ]),
  );
  expect(20 * Math.log10(magnitude(sweep(point, 'out', 'gnd')(1000)))).toBeCloseTo(-3.0103, 4);
  // Across the resistor stands the rest: a high pass at the same frequency.
  expect(20 * Math.log10(magnitude(sweep(point, 'in', 'out')(1000)))).toBeCloseTo(-3.0103, 4);
  // What no capacitor touches is steady.
  expect(magnitude(sweep(point, 'in', 'gnd')(17))).toBeCloseTo(1, 12);
});

test('Hessenberg form: zeros below the subdiagonal, and the same solutions', () => {
  const n = 7;
  const a = Float64Array.from({ length: n * n }, (_, k) => Math.sin(3 * k + 1) + (k % (n + 1) === 0 ? 3 : 0));
  const b = Float64Array.from({ length: n }, (_, k) => Math.cos(k));
  const c = Float64Array.from({ length: n }, (_, k) => k - 2);
  const [h, hb, hc] = [a.slice(), b.slice(), c.slice()];
  toHessenberg(h, n, [hb, hc]);
  for (let row = 2; row < n; row++)
    for (let column = 0; column < row - 1; column++) expect(h[row * n + column]).toBe(0);
  const x = hb.slice();
  solveHessenberg(h.slice(), new Float64Array(n * n), n, x, new Float64Array(n));
  // Residual of H·x = Qᵀb, and cᵀ·A⁻¹·b by plain elimination.
  const solved = x.reduce((sum, value, k) => sum + value * hc[k], 0);
  const full = a.slice();
  const y = b.slice();
  solveHessenberg(...triangular(full, y, n));
  expect(solved).toBeCloseTo(
    y.reduce((sum, value, k) => sum + value * c[k], 0),
    9,
  );
});

/** Gaussian elimination down to an upper triangle, which is a Hessenberg matrix too. */
function triangular(a: Float64Array, b: Float64Array, n: number): Parameters<typeof solveHessenberg> {
  for (let k = 0; k < n; k++)
    for (let row = k + 1; row < n; row++) {
      const share = a[row * n + k] / a[k * n + k];
      for (let column = k; column < n; column++) a[row * n + column] -= share * a[k * n + column];
      a[row * n + k] = 0;
      b[row] -= share * b[k];
    }
  return [a, new Float64Array(n * n), n, b, new Float64Array(n)];
}
