import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import loadPffft from '@echogarden/pffft-wasm/simd';
import loadHighs from 'highs';
import { operatingPoint, spiceText } from '@/core/circuit';
import { lineCircuit } from '@/core/gear';
import { parseKit } from '@/core/kit';
import { mainsReport } from '@/core/mains';
import { highsSolver, planRig } from '@/core/plan';
import { parseDocument, type RigDocument } from '@/core/rig';
import { checkRig, fullRigResult } from '@/core/rigcheck';
import { aimFor, packed, preview, sheetRig } from '@/core/runsheet';
import { pffftTransforms, recordingMeter } from '@/core/signal';
import { measure, middle, ngspice } from './measure';
import { addRig, CONTENT, opened, running, VERDICTS } from './opening';
import { bigRig, mainsRig, mixedRig, typical } from './rigs';
import { switchPresses } from './screen';

/** One thing that was measured, and what it should be; `met` is absent where nothing is aimed at. */
interface Row {
  what: string;
  value: number;
  unit: string;
  aim?: number;
  met?: boolean;
}

const rows: Row[] = [];
function told(what: string, value: number, unit: string, aim?: number, better: 'less' | 'more' = 'less'): void {
  const met = aim === undefined ? undefined : better === 'less' ? value <= aim : value >= aim;
  const digits = value < 10 ? 2 : 0;
  rows.push({ what, value: Number(value.toFixed(digits)), unit, ...(aim !== undefined && { aim, met }) });
  const beside =
    aim === undefined ? '' : `aim ${better === 'less' ? 'at most' : 'at least'} ${aim}: ${met ? 'met' : 'missed'}`;
  console.log(`${what.padEnd(72)} ${value.toFixed(digits).padStart(8)} ${unit.padEnd(4)} ${beside}`);
}

const demo = (name: string): RigDocument => parseDocument(readFileSync(`demo/${name}.json`, 'utf8'));
const seconds = (run: () => unknown, rounds = 3): number => measure(1, run, rounds) / 1e6;

/** Plans until what they run in has been compiled. */
const WARMING = 4;

/** How a cost grows: the power of the size that it grows with, from the first size to the last. */
function growth(what: string, sizes: readonly number[], cost: (size: number) => number, unit: string): void {
  // What runs for the first time is slow for that.
  cost(sizes[0]);
  const costs = sizes.map(cost);
  const power = Math.log(costs.at(-1)! / costs[0]) / Math.log(sizes.at(-1)! / sizes[0]);
  told(`${what}: grows from ${sizes[0]} to ${sizes.at(-1)} ${unit} with the power of`, power, '');
}

async function core(): Promise<void> {
  const { netlist } = lineCircuit(typical);
  const own = measure(2000, () => operatingPoint(netlist));
  const theirs = await ngspice(spiceText(netlist, { title: 'typical' }).text);
  told('Operating point of a line, times as quick as ngspice as WebAssembly', theirs / own, '×', 500, 'more');
  told(
    'Whole check of 64 lines: findings, readings, remedies, moments',
    seconds(() => fullRigResult(bigRig(64))),
    's',
    0.5,
  );
  const lockNine = demo('lock-nine');
  told(
    'Demo rig with every remedy, every switch, everything over time',
    seconds(() => fullRigResult(lockNine)),
    's',
    0.3,
  );
  for (const [document, aim] of [
    [lockNine, 0.3],
    [bigRig(512), 3],
  ] as const)
    told(
      `First run sheet of ${document.lines.length} lines`,
      seconds(() => {
        const rig = sheetRig(document);
        const feeds = Object.fromEntries(rig.groups.map(({ key, offers }) => [key, offers[0] ?? 'off'] as const));
        const ids = rig.lines.map(({ id }) => id);
        preview(rig, packed(rig), aimFor('set-up', rig, packed(rig), feeds, ids));
      }, 1),
      's',
      aim,
    );
  growth('Check of a rig', [8, 64, 512], (lines) => seconds(() => checkRig(bigRig(lines)), 5), 'lines');
  told(
    'Mains side of 24 units and 64 lines, 40 harmonics, findings and remedies',
    seconds(() => mainsReport(mainsRig(24))),
    's',
    0.3,
  );
  growth('Mains side', [8, 24, 64], (units) => seconds(() => mainsReport(mainsRig(units))), 'units');
  const solver = highsSolver(await loadHighs());
  const clock = () => performance.now() / 1000;
  const kit = parseKit(readFileSync('demo/kit.json', 'utf8')).items;
  for (const document of [lockNine, demo('lock-nine-mended')]) {
    const times = Array.from({ length: WARMING + 8 }, () => {
      const began = process.cpuUsage();
      const { proposal } = planRig({ document, kit, seconds: 20 }, { solver, clock });
      const { user, system } = process.cpuUsage(began);
      return proposal.optimal ? (user + system) / 1e6 : Infinity;
    });
    told(`Plan of ${document.name}, proven best: processor time`, middle(times.slice(WARMING)), 's', 2);
    told(`Plan of ${document.name}, the first time`, times[0], 's');
  }
  growth(
    'Plan of 8 lines',
    [8, 32, 128],
    (inlets) =>
      seconds(
        () => planRig({ document: mixedRig(8, inlets, 4), kit, seconds: 9, onlyKit: true }, { solver, clock }),
        1,
      ),
    'inlets',
  );
}

const RATE = 48_000;
/** Sixteen-bit noise with hum, ten seconds of it. */
const block = Float32Array.from(
  { length: 10 * RATE },
  (_, n) =>
    ((((n * 16807) % 2147483647) / 2147483647 - 0.5) * 60 + 20 * Math.sin((2 * Math.PI * 50 * n) / RATE)) / 32768,
);

const transforms = pffftTransforms(await loadPffft());

/** Seconds that a mono recording of so many minutes takes. */
function analysed(minutes: number): number {
  const begin = performance.now();
  const meter = recordingMeter(RATE, 1, minutes * 60 * RATE, transforms);
  for (let n = 0; n < minutes * 6; n++) meter.push([block]);
  meter.reading();
  return (performance.now() - begin) / 1000;
}

function sound(): void {
  analysed(1);
  told('Two minutes of recording, times real time', 120 / middle([1, 2, 3].map(() => analysed(2))), '×', 300, 'more');
  told('An hour of recording, times real time', 3600 / analysed(60), '×', 400, 'more');
  growth('Recording', [1, 60, 360], analysed, 'minutes');
}

async function pages(): Promise<void> {
  const there = await running(async (app) => {
    for (const [name, path, ready] of [
      ['Rig', '/rig', VERDICTS],
      ['Noise', '/noise', CONTENT],
      ['Kit', '/kit', CONTENT],
      ['Switch', '/switch', CONTENT],
      ['Plan', '/plan', CONTENT],
      ['Log', '/log', CONTENT],
    ] as const) {
      const page = await opened(app, path, ready);
      told(`${name} opened cold: ${name === 'Rig' ? 'first verdicts' : 'first content'}`, page.first, 'ms', 1000);
      told(`${name}: held up while loading`, page.blocking, 'ms', 200);
      told(`${name}: scripts, gzipped`, page.scripts, 'kB', 250);
    }
    const large = await opened(app, `/rig?rig=${await addRig(app.at, bigRig(512))}`, VERDICTS, 3);
    told('512 lines opened cold: first verdicts', large.first, 'ms', 1500);
    told('512 lines: elements in the page', large.nodes, '', 3000);
    told('512 lines: memory of the page’s script', large.heap, 'MB', 90);
    told('Switch to repainted verdicts, 64 lines', middle(await switchPresses(app, 64)), 'ms', 50);
    told('Switch to repainted verdicts, 512 lines', middle(await switchPresses(app, 512)), 'ms', 100);
    return true;
  });
  if (!there) console.log('Pages not opened: run `npm run build` and install Debian’s chromium.');
}

/** Why some aims are missed, by what the row says. */
const WHY: [says: RegExp, why: string][] = [
  [
    /^Operating point/,
    'some 30 µs, half of them for writing the equations; the simulator is measured warm, four times as quick as when the aim was set',
  ],
  [/^Demo rig/, 'most of it follows plugging and switching over time, some 13,000 steps'],
  [/^(Two minutes|An hour)/, 'in one thread; half of it is the spectra, a sixth the levels'],
  [/^Whole check|^First run sheet/, 'circuits are followed over time'],
  [/^512 lines/, 'rows out of sight have two elements each, so that keyboard and search find them'],
  [/^Switch to repainted/, 'nearly all of it is drawing; solving what changed takes some 20 ms'],
  [/^Kit opened/, 'its grid is drawn in the browser alone'],
  [/held up/, 'the browser goes through every component of the page once (hydration)'],
  [/scripts/, 'framework and component library alone are about 240 kB'],
  [/./, 'the machine was busy'],
];

/** The rows as a table of the README, between its marks. */
function writeTable(): void {
  const line = ({ what, value, unit, aim, met }: Row): string => {
    const off = aim === undefined || met ? '' : Math.max(value / aim, aim / value).toFixed(1);
    const why = WHY.find(([says]) => says.test(what))![1];
    return `| ${what} | ${value} ${unit} | ${aim === undefined ? '' : `${aim} ${unit}`} | ${aim === undefined ? '' : met ? 'met' : `missed by ${off} ×: ${why}`} |`;
  };
  const table = ['| what | measured | aim | |', '| --- | --- | --- | --- |', ...rows.map(line)].join('\n');
  const readme = readFileSync('README.md', 'utf8');
  const [head, rest] = readme.split('<!-- measured -->');
  const tail = rest.split('<!-- /measured -->')[1];
  writeFileSync('README.md', `${head}<!-- measured -->\n\n${table}\n\n<!-- /measured -->${tail}`);
  execFileSync('npx', ['prettier', '--write', 'README.md', 'docs/bench.json'], { stdio: 'ignore' });
}

/** What is aimed at, measured in one run, written to `docs/bench.json` and into the README. */
export async function aims(): Promise<void> {
  await core();
  sound();
  await pages();
  writeFileSync('docs/bench.json', `${JSON.stringify({ node: process.version, rows }, undefined, 2)}\n`);
  writeTable();
  const aimed = rows.filter(({ aim }) => aim !== undefined);
  console.log(`\n${aimed.filter(({ met }) => met).length} of ${aimed.length} aims met; written to docs/bench.json`);
}
