import { readFileSync } from 'node:fs';
import { LuDecomposition, Matrix } from 'ml-matrix';
import { DEFAULT_SCHOOLS, fullRigResult, lineResult } from '@/core/check';
import { operatingPoint, smallSignal, spiceText } from '@/core/circuit';
import { solveSystem } from '@/core/circuit/operatingPoint';
import { factor, solve, workspace } from '@/core/circuit/linear/real';
import { lineCircuit, type Line } from '@/core/gear';
import { parseDocument } from '@/core/rig';

/** Microseconds per call: the middle of several rounds, after a warm-up. */
function measure(calls: number, run: () => unknown): number {
  const rounds = Array.from({ length: 9 }, () => {
    const start = performance.now();
    for (let n = 0; n < calls; n++) run();
    return ((performance.now() - start) * 1000) / calls;
  });
  return rounds.sort((a, b) => a - b)[4];
}

const row = (what: string, micros: number, note = '') =>
  console.log(`${what.padEnd(58)} ${micros.toFixed(micros < 100 ? 1 : 0).padStart(9)} µs  ${note}`);

/** A condenser on P48 over 15 m of cable: the typical line. */
const line: Line = {
  id: 'typical',
  name: 'typical',
  source: { kind: 'condenser-48' },
  links: [{ kind: 'cable', figures: { length: { value: 15, unit: 'm', basis: 'assumed' } } }],
  inlet: { kind: 'three-pin', choices: { feed: 'P48' } },
};
const { netlist } = lineCircuit(line);
const point = operatingPoint(netlist);
const at = smallSignal(point);

console.log(
  `Typical line: ${point.system.size} unknowns, ${point.system.nonLinear.length} non-linear element. Node.js ${process.version}.\n`,
);
const own = measure(2000, () => operatingPoint(netlist));
row('operating point, netlist to voltages', own);
const { system } = point;
const solved = measure(2000, () => solveSystem(system));
row('operating point, equations to voltages', solved);
row(
  'response at one frequency',
  measure(1000, () => at(1000).volts('inlet.amplifier.hot')),
);
row(
  'line wired up from the document',
  measure(500, () => lineCircuit(line)),
);

/** The same operating point by ngspice, netlist text to voltages, in microseconds: the middle of 31 runs. */
async function ngspice(): Promise<number> {
  const { Simulation } = await import('eecircuit-engine');
  const simulation = new Simulation();
  await simulation.start();
  const { text } = spiceText(netlist, { title: 'typical' });
  const runs: number[] = [];
  for (let n = 0; n < 31; n++) {
    simulation.setNetList(text);
    const start = performance.now();
    await simulation.runSim();
    runs.push((performance.now() - start) * 1000);
  }
  return runs.sort((a, b) => a - b)[15];
}

void ngspice().then((spice) => {
  row(
    'operating point by ngspice as WebAssembly, netlist to voltages',
    spice,
    `${(spice / own).toFixed(0)} and ${(spice / solved).toFixed(0)} times as long (aim: 500)`,
  );

  const n = point.system.size;
  const matrix = point.system.g.slice();
  for (let k = 0; k < n; k++) matrix[k * n + k] += 1e-3;
  const space = workspace(n);
  const x = new Float64Array(n);
  const b = point.system.z;
  const ours = measure(5000, () => {
    const a = matrix.slice();
    factor(a, n, space);
    solve(a, n, space, b, x);
  });
  row(`LU and solve, ${n} unknowns, our own`, ours);
  const general = measure(2000, () =>
    new LuDecomposition(Matrix.from1DArray(n, n, matrix)).solve(Matrix.columnVector(b)),
  );
  row(`LU and solve, ${n} unknowns, ml-matrix`, general, `${(general / ours).toFixed(1)} times as long`);

  row(
    'full check of the typical line, remedies tried',
    measure(50, () => lineResult(line, DEFAULT_SCHOOLS)),
  );
  const rig = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
  row(
    `full check of the demo rig, ${rig.lines.length} lines`,
    measure(3, () => fullRigResult(rig)),
  );
});
