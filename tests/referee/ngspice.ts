import { Worker } from 'node:worker_threads';
import {
  GROUND,
  resolve,
  smallSignal,
  operatingPoint,
  spiceText,
  type Complex,
  type Netlist,
  type Node,
} from '@/core/circuit';

/** One ngspice for the whole test file; circuits are run one after the other. */
let engine: Worker | undefined;
let queue: Promise<unknown> = Promise.resolve();

/** Milliseconds until ngspice is taken to have lost its way. */
const PATIENCE = 30_000;

type Vectors = { data?: { name: string; values: unknown[] }[]; error?: string; log?: string[] };

function ask(text: string): Promise<Vectors> {
  engine ??= new Worker('./tests/referee/engine.mjs');
  engine.unref();
  const worker = engine;
  return new Promise((answer) => {
    // A circuit it cannot get through is given up, so that the ones behind it have their turn.
    const patience = setTimeout(() => {
      engine = undefined;
      void worker.terminate();
      answer({ error: `no answer within ${PATIENCE / 1000} s` });
    }, PATIENCE);
    worker.once('message', (vectors: Vectors) => {
      clearTimeout(patience);
      answer(vectors);
    });
    worker.postMessage(text);
  });
}

function next(text: string): Promise<Vectors> {
  const turn = queue.then(() => ask(text));
  queue = turn;
  return turn;
}

async function run(text: string): Promise<Map<string, unknown[]>> {
  const { data, error, log } = await next(text);
  if (!data) throw new Error(`ngspice: ${error} ${log?.join(' ')}\n${text}`);
  return new Map(data.map(({ name, values }) => [name.toLowerCase(), values]));
}

/** What ngspice finds for a circuit that somebody wrote down by hand: real values by vector, in lower case. */
export async function byHand(text: string): Promise<(vector: string) => number[]> {
  const found = await run(`${text.trim()}\n.end\n`);
  return (vector) => {
    const values = found.get(vector.toLowerCase());
    if (!values) throw new Error(`no ${vector} among ${[...found.keys()].join(', ')}`);
    return values.map((value) => {
      if (typeof value === 'number') return value;
      const { real, img } = value as { real: number; img: number };
      return Math.hypot(real, img);
    });
  };
}

/** Every node of a netlist by its final name, ground excluded. */
export const nodesOf = (netlist: Netlist): Node[] => operatingPoint(netlist).system.nodes;

/** What ngspice complains about in a SPICE text; nothing if it accepts it. */
export async function complaints(text: string): Promise<string[]> {
  const { error, log = [] } = await next(text);
  return [...(error ? [error] : []), ...log.filter((entry) => /error|abort|fail|singular|undefined/i.test(entry))];
}

/** Direct voltages by node, as ngspice finds them. */
export async function directVolts(netlist: Netlist): Promise<(node: Node) => number> {
  const { text, node } = spiceText(netlist, { title: 'operating point' });
  const found = await run(text);
  return (name) => {
    if (resolve(netlist.joined, name) === GROUND) return 0;
    const values = found.get(`v(${node(name)})`);
    if (!values) throw new Error(`ngspice does not know ${name} in\n${text}`);
    return values[0] as number;
  };
}

const FREQUENCIES = [20, 200, 2000, 20000];

/** Signal voltages by node at `FREQUENCIES`, as ngspice finds them. */
export async function signalVolts(netlist: Netlist): Promise<(node: Node) => Complex[]> {
  const { text, node } = spiceText(netlist, { title: 'response', analyses: () => ['.ac dec 1 20 20000'] });
  const found = await run(text);
  return (name) => {
    if (resolve(netlist.joined, name) === GROUND) return FREQUENCIES.map(() => ({ re: 0, im: 0 }));
    return (found.get(`v(${node(name)})`) as { real: number; img: number }[]).map(({ real, img }) => ({
      re: real,
      im: img,
    }));
  };
}

/** Signal voltages at `FREQUENCIES` by our own solver. */
export function ownSignalVolts(netlist: Netlist): (node: Node) => Complex[] {
  const responses = FREQUENCIES.map(smallSignal(operatingPoint(netlist)));
  return (node) => responses.map((response) => response.volts(node));
}

/** Voltages over time between pairs of nodes, as ngspice finds them from 0 to `until` seconds. */
export async function peakVolts(
  netlist: Netlist,
  until: number,
  pairs: [Node, Node][],
  steps = 2000,
): Promise<number[]> {
  const { text, node } = spiceText(netlist, {
    title: 'over time',
    overTime: true,
    analyses: () => [`.tran ${until / 1000} ${until} 0 ${until / steps}`],
  });
  const found = await run(text);
  const last = (found.get('time') as number[] | undefined)?.at(-1);
  if (last === undefined || last < until * 0.999) throw new Error(`ngspice gave up at ${last} of ${until} s`);
  const values = (name: Node) =>
    resolve(netlist.joined, name) === GROUND ? undefined : (found.get(`v(${node(name)})`) as number[]);
  return pairs.map(([a, b]) => {
    const [high, low] = [values(a), values(b)];
    const length = (high ?? low ?? []).length;
    let peak = 0;
    for (let n = 0; n < length; n++) peak = Math.max(peak, Math.abs((high?.[n] ?? 0) - (low?.[n] ?? 0)));
    return peak;
  });
}

/** Output noise of `hot` over `cold` at `FREQUENCIES` in V²/Hz, as ngspice finds it; `input` is a voltage source of the circuit. */
export async function noiseDensities(netlist: Netlist, hot: Node, cold: Node, input: string): Promise<number[]> {
  const { text } = spiceText(netlist, {
    title: 'noise',
    // Ngspice takes its resistors to be at 27 °C unless it is told otherwise.
    analyses: (node) => [
      '.options temp=20',
      `.noise v(${node(hot)},${node(cold)}) ${input} dec 1 20 20000`,
      '.print noise onoise_spectrum',
    ],
  });
  const found = await run(text);
  const spectrum = [...found].find(([name]) => /onoise/.test(name))?.[1] as (number | { real: number })[] | undefined;
  if (!spectrum) throw new Error(`ngspice tells no noise, only ${[...found.keys()].join(', ')}\n${text}`);
  return spectrum.map((value) => (typeof value === 'number' ? value : value.real) ** 2);
}
