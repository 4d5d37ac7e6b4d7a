import { schoolsOf, type RigDocument } from '../rig';
import type { FloorMeter } from '../schools/schools';
import type { Dbfs, Decibels } from '../units';
import { quantity } from '../units/format';
import type { MainsFinding } from './finding';
import { SILENT, type LineHum } from './hearing';
import { lineLevels, type Loop, type MainsReadings } from './readings';
import { remediesFor } from './remedies';
import { WAYS } from './solve';
import { without, type MainsSystem } from './system';
import type { Hearings } from './ties';

/** What is said of lines that hear more of the mains than they should, or may. */

/** Lines that are explained and mended one by one; the rest is named. */
const EXPLAINED = 12;

const meterOf = (document: RigDocument): FloorMeter => schoolsOf(document).floorMeter as FloorMeter;
const targetOf = (document: RigDocument): Dbfs => Number(schoolsOf(document).noiseFloor);

/** How each meter is named behind a level; the unweighted one needs no name. */
const METER_SAID: Record<FloorMeter, string> = {
  'as-set': '',
  'cut-80': ' above 80 Hz',
  'a-weighted': ' A-weighted',
};
/** A level with the meter that the engineer reads it on. */
export const readIn = (document: RigDocument, dbfs: Dbfs): string =>
  `${quantity(dbfs, 'dBFS')}${METER_SAID[meterOf(document)]}`;

/** Lines that deliver something, as the engineer's meter reads their hum, loudest first. */
export const byMeter = (document: RigDocument, lines: readonly LineHum[]): { line: LineHum; dbfs: Dbfs }[] =>
  lines
    .flatMap((line) => (line.toDbfs === undefined ? [] : [{ line, dbfs: line.reads[meterOf(document)] + line.toDbfs }]))
    .sort((a, b) => b.dbfs - a.dbfs);

/** Lines that hear more than they should, each with what would help. */
export function humFindings(
  document: RigDocument,
  system: MainsSystem,
  { lines, loops }: MainsReadings,
  hearings: Hearings,
): MainsFinding[] {
  const target = targetOf(document);
  const read = byMeter(document, lines);
  const humming = read.filter(({ dbfs }) => dbfs > target);
  const explained = humming.slice(0, EXPLAINED).map(({ line, dbfs }): MainsFinding => {
    const loop = loops.find(({ ties }) => ties.includes(line.line));
    return {
      code: 'hum',
      severity: 'watch',
      line: line.line,
      what: `${line.name} hears hum: ${readIn(document, dbfs)}`,
      why: [
        ...(loop ? [loopInWords(loop, system)] : []),
        ...shareInWords(line.shares, system),
        ...(loop ? together(system, line, loop) : []),
        `${line.ask ? 'From typical figures' : 'From what was measured'}: ± ${line.within} dB.`,
      ].join(' '),
      ...(line.ask && { ask: line.ask }),
      remedies: remediesFor(document, system, line, loop, hearings),
    };
  });
  const rest = humming.slice(EXPLAINED);
  return [...explained, ...others(document, rest), ...whines(document, system, read, loops, hearings)];
}

function others(document: RigDocument, rest: readonly { line: LineHum; dbfs: Dbfs }[]): MainsFinding[] {
  const [loudest] = rest;
  if (!loudest) return [];
  return [
    {
      code: 'hum',
      severity: 'watch',
      what: `${rest.length} more ${rest.length === 1 ? 'line hears' : 'lines hear'} hum, up to ${readIn(document, loudest.dbfs)}`,
      why: `${rest.map(({ line }) => line.name).join(', ')}. Fix the loudest lines first: most of these share their loops.`,
      remedies: [],
    },
  ];
}

/** Whine of supplies that run in bursts, where it is above the target. */
function whines(
  document: RigDocument,
  system: MainsSystem,
  read: readonly { line: LineHum; dbfs: Dbfs }[],
  loops: readonly Loop[],
  hearings: Hearings,
): MainsFinding[] {
  const target = targetOf(document);
  const meter = meterOf(document);
  return read.flatMap(({ line, dbfs: hum }): MainsFinding[] => {
    const dbfs = line.whine ? line.whine.reads[meter] + line.toDbfs! : SILENT;
    if (dbfs <= target) return [];
    const loop = loops.find(({ ties }) => ties.includes(line.line));
    return [
      {
        code: 'whine',
        severity: 'watch',
        line: line.line,
        what: `${line.name} may whine: ${readIn(document, dbfs)}`,
        why: `${shareInWords(line.whine!.shares, system).join(' ')} How much supplies of this kind whine differs by more than 20 dB; what moving it changes is known better.`,
        // What helps against its hum stands there.
        remedies: hum > target ? [] : remediesFor(document, system, line, loop, hearings, 'whine'),
      },
    ];
  });
}

const nameIn = ({ units }: MainsSystem, id: string): string => units.find((unit) => unit.id === id)?.name ?? id;

const loopInWords = ({ units, amps }: Loop, system: MainsSystem): string =>
  `A loop through ${units.map((id) => nameIn(system, id)).join(', ')} with ${quantity(amps, 'A')} in the shield.`;

const shareInWords = ([most]: LineHum['shares'], system: MainsSystem): string[] =>
  most
    ? [`Most of it comes from ${nameIn(system, most.unit)} (${WAYS[most.way]}, ${Math.round(100 * most.share)} %).`]
    : [];

/** Quieter by this much with either end pulled, a hum is of both together. */
const TOGETHER: Decibels = 10;

/** Two units that are silent alone and hum together: why. */
function together(system: MainsSystem, line: LineHum, { units }: Loop): string[] {
  if (units.length !== 2) return [];
  const isQuiet = (unit: string): boolean => {
    const left = lineLevels(without(system, new Set([unit])), line.line)?.['as-set'] ?? SILENT;
    return left < line.reads['as-set'] - TOGETHER;
  };
  return units.every(isQuiet)
    ? [
        `${units.map((id) => nameIn(system, id)).join(' and ')} are silent alone: the current runs only while both are plugged into the mains and into each other.`,
      ]
    : [];
}

/** Lines that may hear more than they should, as far as anybody can tell. */
export function unsureFindings(document: RigDocument, { lines }: MainsReadings): MainsFinding[] {
  const target = targetOf(document);
  const may = byMeter(document, lines).filter(
    ({ line: { ask, within }, dbfs }) => ask && dbfs <= target && dbfs + within > target,
  );
  const [first] = may;
  if (!first) return [];
  const {
    line: { name, within, line, ask },
    dbfs,
  } = first;
  return [
    {
      code: 'hum-unsure',
      severity: 'note',
      line,
      ask,
      what: `${name} may hum: ${readIn(document, dbfs)} ± ${within} dB`,
      why: `Typical figures cannot say whether that is above your target of ${quantity(target, 'dBFS')}${may.length > 1 ? `; nor for ${may.length - 1} more` : ''}. Measure before anything is bought.`,
      remedies: [],
    },
  ];
}
