import { readFileSync } from 'node:fs';
import { LuDecomposition, Matrix } from 'ml-matrix';
import { lineResult } from '@/core/check';
import { checkRig, fullRigResult } from '@/core/rigcheck';
import { DEFAULT_SCHOOLS } from '@/core/schools';
import { operatingPoint, smallSignal, spiceText, sweep } from '@/core/circuit';
import { factor, solve, workspace } from '@/core/circuit/linear/real';
import { solveSystem } from '@/core/circuit/operatingPoint';
import { lineCircuit, type Line } from '@/core/gear';
import { parseDocument } from '@/core/rig';
import { faults } from './faults';
import { aims } from './aims';
import { measure, middle, ngspice } from './measure';
import { running } from './opening';
import { plans } from './plans';
import { enormousRecording, recordings } from './recordings';
import { bigRig, typical as line } from './rigs';
import { switchPresses } from './screen';
import { crews, sheets } from './sheets';

const row = (what: string, micros: number, note = '') =>
  console.log(
    micros >= 10_000
      ? `${what.padEnd(64)} ${(micros / 1000).toFixed(1).padStart(9)} ms  ${note}`
      : `${what.padEnd(64)} ${micros.toFixed(micros < 100 ? 1 : 0).padStart(9)} µs  ${note}`,
  );

async function oneLine(): Promise<void> {
  const { netlist, channels } = lineCircuit(line);
  const point = operatingPoint(netlist);
  const at = smallSignal(point);
  const [{ hot, cold }] = channels;
  console.log(`One line: ${point.system.size} unknowns, ${point.system.nonLinear.length} non-linear element.\n`);
  row(
    'line wired up from the document',
    measure(500, () => lineCircuit(line)),
  );
  const own = measure(2000, () => operatingPoint(netlist));
  row('operating point, netlist to voltages', own);
  const solved = measure(2000, () => solveSystem(point.system));
  row('operating point, equations to voltages', solved);
  const spice = await ngspice(spiceText(netlist, { title: 'typical' }).text);
  row(
    'operating point by ngspice as WebAssembly, netlist to voltages',
    spice,
    `${(spice / own).toFixed(0)} and ${(spice / solved).toFixed(0)} times as long`,
  );
  const single = measure(1000, () => at(1000).volts(hot, cold));
  row('response at one frequency', single);
  const frequencies = Array.from({ length: 48 }, (_, n) => 10 * 2000 ** (n / 47));
  const swept = measure(200, () => frequencies.map(sweep(point, hot, cold)));
  row(
    'response at 48 frequencies, decomposed once',
    swept,
    `${((48 * single) / swept).toFixed(1)} times as fast as one by one`,
  );

  const n = point.system.size;
  const matrix = point.system.g.slice();
  for (let k = 0; k < n; k++) matrix[k * n + k] += 1e-3;
  const space = workspace(n);
  const x = new Float64Array(n);
  const ours = measure(5000, () => {
    const a = matrix.slice();
    factor(a, n, space);
    solve(a, n, space, point.system.z, x);
  });
  row(`LU and solve, ${n} unknowns, our own`, ours);
  const general = measure(2000, () =>
    new LuDecomposition(Matrix.from1DArray(n, n, matrix)).solve(Matrix.columnVector(point.system.z)),
  );
  row(`LU and solve, ${n} unknowns, ml-matrix`, general, `${(general / ours).toFixed(1)} times as long`);
  row(
    'everything about the line, remedies tried, followed over time',
    measure(10, () => lineResult(line, DEFAULT_SCHOOLS)),
  );
}

/** A whole rig: operating point, response and findings of every line and group, nothing kept from before. */
async function wholeRigs(): Promise<void> {
  console.log('\nWhole rigs on banks of eight, every line solved anew\n');
  const sizes = [8, 16, 32, 64, 128, 256, 512];
  for (let n = 0; n < 12; n++) checkRig(bigRig(64));
  const times = sizes.map((lines) => {
    const rig = bigRig(lines);
    const micros = measure(1, () => checkRig(rig), lines > 100 ? 5 : 15);
    row(
      `${lines} lines`,
      micros,
      `${(micros / lines / 1000).toFixed(2)} ms a line${lines === 64 ? ' (aim: under 50 ms)' : ''}`,
    );
    return micros;
  });
  const growth = Math.log(times[sizes.length - 1] / times[0]) / Math.log(512 / 8);
  console.log(`Growth from 8 to 512 lines: as the number of lines to the power of ${growth.toFixed(2)} (aim: 1).`);

  const { lines } = bigRig(8);
  const first = bigRig(8);
  let spice = 0;
  for (const { source, links } of lines) {
    const one: Line = { ...line, source: source as Line['source'], links, inlet: line.inlet };
    spice += await ngspice(
      spiceText(lineCircuit(one).netlist, { title: one.id, analyses: () => ['.op', '.ac dec 4 10 20000'] }).text,
    );
  }
  const ours = measure(3, () => checkRig(first));
  row(
    '8 lines by ngspice, operating point and response alone',
    spice,
    `${(spice / ours).toFixed(0)} times as long as all of ours`,
  );

  const demo = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
  row(
    `demo rig, ${demo.lines.length} lines`,
    measure(1, () => checkRig(demo)),
  );
  row(
    'demo rig with every remedy tried, every switch, everything over time',
    measure(1, () => fullRigResult(demo), 3),
  );
}

async function screen(): Promise<void> {
  console.log('\nFrom switch press to repainted sheet, 64 lines in 8 groups, headless Chromium\n');
  const presses = await running((app) => switchPresses(app, 64));
  if (!presses) return console.log('no build or no browser: run `npm run build` and install Debian’s chromium');
  const sorted = presses.toSorted((a, b) => a - b);
  console.log(
    `${presses.length} presses: middle ${middle(presses).toFixed(0)} ms, quickest ${sorted[0].toFixed(0)} ms, slowest ${sorted.at(-1)!.toFixed(0)} ms (aim: under 100 ms)`,
  );
}

async function all(): Promise<void> {
  await oneLine();
  await wholeRigs();
  sheets();
  crews();
  recordings();
  await enormousRecording();
  await plans();
  await faults();
  await screen();
}

console.log(`Node.js ${process.version}\n`);
void (process.argv.includes('--json') ? aims() : all()).then(() => process.exit(0));
