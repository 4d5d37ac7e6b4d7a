import { schoolLabel } from '../schools';
import { schoolsOf, type LineGround, type RigDocument } from '../rig';
import type { Dbu, Decibels } from '../units';
import { quantity } from '../units/format';
import { FAR_ENOUGH } from './fields';
import { SILENT, type LineHum } from './hearing';
import { lineLevel, mainsReadings, type Loop, type MainsReadings } from './readings';
import type { MainsFinding } from './finding';
import { bondingLead, remediesFor } from './remedies';
import { loadFindings, outage, safetyFindings } from './safety';
import { WAYS } from './solve';
import { mainsSystem, without, type MainsSystem } from './system';
import type { Hearings } from './ties';

export interface MainsReport {
  system: MainsSystem;
  readings: MainsReadings;
  /** Worst first. */
  findings: MainsFinding[];
}

/** Lines that are explained and mended one by one; what else hums is told in short. */
const EXPLAINED = 12;

/** Solves the mains side of a rig, says what is wrong with it and what each remedy would change. */
export function mainsReport(asGiven: RigDocument): MainsReport {
  const hearings: Hearings = new WeakMap();
  const system = mainsSystem(asGiven, hearings);
  const readings = mainsReadings(system);
  const document = calibrated(asGiven, readings);
  const wrong: MainsFinding[] = [
    ...safetyFindings(system),
    ...loadFindings(system, readings),
    ...floatingFindings(system, readings),
    ...tooNear(document, system),
    ...humFindings(document, system, readings, hearings),
  ];
  return {
    system,
    readings,
    findings: [
      ...(wrong.length ? wrong : [nothingToMend(document, readings)]),
      ...unsure(document, readings),
      ...outage(system, readings),
    ],
  };
}

/** With what is calculated now beside what was measured between shells, where nobody has kept that: changes are held against it. */
function calibrated(document: RigDocument, { lines }: MainsReadings): RigDocument {
  const { mains } = document;
  if (!mains?.lines?.some(({ shells, against }) => shells && !against)) return document;
  return {
    ...document,
    mains: {
      ...mains,
      lines: mains.lines.map((own): LineGround => {
        const open = lines.find(({ line }) => line === own.line)?.open;
        return own.shells && !own.against && open
          ? { ...own, against: { value: open * 1e3, unit: 'mV', basis: 'assumed' } }
          : own;
      }),
    },
  };
}

function floatingFindings({ units }: MainsSystem, { floating }: MainsReadings): MainsFinding[] {
  if (!floating) return [];
  const joined = floating.units.map((id) => units.find((unit) => unit.id === id)!);
  return [
    {
      code: 'floating',
      severity: 'watch',
      what: `${joined.length} connected units have no earth`,
      why: `${joined.map(({ name }) => name).join(', ')}: together they stand ${quantity(floating.volts, 'V')} above earth and give ${quantity(floating.touch, 'A')} to whoever connects them to it. Expect a tingle, and hum that changes when a case is touched. A grounding plug with 1 MΩ inside is made for static and leaves most of it.`,
      remedies: [bondingLead(joined[0])],
    },
  ];
}

/** Pickups beside what radiates, where somebody has said how far they are from it. */
const tooNear = ({ mains, lines }: RigDocument, { units }: MainsSystem): MainsFinding[] =>
  (mains?.beside ?? [])
    .filter(({ coil, distance }) => coil && distance.value < FAR_ENOUGH)
    .map(({ line, unit, distance }): MainsFinding => {
      const name = lines.find(({ id }) => id === line)?.name ?? line;
      const coil = units.find(({ id }) => id === unit)?.name ?? unit;
      return {
        code: 'too-near',
        severity: 'watch',
        line,
        what: `${name} is ${quantity(distance.value, 'm')} from ${coil}`,
        why: `Pickups and unshielded sources hear transformers, displays and computers up to about ${quantity(FAR_ENOUGH, 'm')} away; the field falls by 18 dB for each doubling of the distance. How much of it this one hears no model here can say: turn and move it, and listen.`,
        remedies: [
          { what: `Keep ${name} ${quantity(FAR_ENOUGH, 'm')} away from ${coil}, or turn it`, cost: 'nothing' },
        ],
      };
    });

/** The target as a level at the inlet of a line. */
const targetAt = (document: RigDocument, { aWeighted, dbfsA }: LineHum): Dbu =>
  targetOf(document) - (dbfsA ?? aWeighted) + aWeighted;
const targetOf = (document: RigDocument): number => Number(schoolsOf(document).noiseFloor);

/** Lines that hear more than they should, each with what would help. */
function humFindings(
  document: RigDocument,
  system: MainsSystem,
  { lines, loops }: MainsReadings,
  hearings: Hearings,
): MainsFinding[] {
  const target = targetOf(document);
  const nameOf = (id: string) => system.units.find((unit) => unit.id === id)?.name ?? id;
  return lines
    .filter(({ dbfsA }) => dbfsA !== undefined)
    .flatMap((line): MainsFinding[] => {
      const isHum = line.dbfsA! > target;
      const whine = line.whine && line.whine.aWeighted - line.aWeighted + line.dbfsA!;
      const isWhine = whine !== undefined && whine > target;
      if (!isHum && !isWhine) return [];
      const loop = loops.find(({ ties }) => ties.includes(line.line));
      const remedies = () => remediesFor(document, system, line, loop, targetAt(document, line), hearings);
      return [
        ...(isHum
          ? [
              {
                code: 'hum' as const,
                severity: 'watch' as const,
                line: line.line,
                what: `${line.name} hears hum: ${quantity(line.dbfsA!, 'dBFS')} A-weighted`,
                why: [
                  ...(loop ? [loopInWords(loop, nameOf)] : []),
                  ...shareInWords(line.shares, nameOf),
                  ...(loop ? together(system, line, loop, nameOf) : []),
                  `${line.ask ? 'From typical figures' : 'From what was measured'}: ± ${line.within} dB.`,
                ].join(' '),
                ...(line.ask && { ask: line.ask }),
                remedies: remedies(),
              },
            ]
          : []),
        ...(isWhine
          ? [
              {
                code: 'whine' as const,
                severity: 'watch' as const,
                line: line.line,
                what: `${line.name} may whine: ${quantity(whine, 'dBFS')} A-weighted`,
                why: `${shareInWords(line.whine!.shares, nameOf).join(' ')} How much supplies of this kind whine differs by more than 20 dB; what moving it changes is known better.`,
                remedies: isHum ? [] : remedies(),
              },
            ]
          : []),
      ];
    })
    .slice(0, EXPLAINED);
}

const loopInWords = ({ units, amps }: Loop, nameOf: (id: string) => string): string =>
  `A loop through ${units.map(nameOf).join(', ')} with ${quantity(amps, 'A')} in the shield.`;

const shareInWords = ([most]: LineHum['shares'], nameOf: (id: string) => string): string[] =>
  most ? [`Most of it comes from ${nameOf(most.unit)} (${WAYS[most.way]}, ${Math.round(100 * most.share)} %).`] : [];

/** Quieter by this much with either end pulled, a hum is of both together. */
const TOGETHER: Decibels = 10;

/** Two units that are silent alone and hum together: why. */
function together(system: MainsSystem, line: LineHum, { units }: Loop, nameOf: (id: string) => string): string[] {
  if (units.length !== 2) return [];
  const alone = units.every((unit) => {
    const left = lineLevel(without(system, new Set([unit])), line.line) ?? SILENT;
    return left < line.aWeighted - TOGETHER;
  });
  return alone
    ? [
        `${units.map(nameOf).join(' and ')} are silent alone: the current runs only while both are plugged into the mains and into each other.`,
      ]
    : [];
}

/** Lines that may hear more than they should, as far as anybody can tell. */
function unsure(document: RigDocument, { lines }: MainsReadings): MainsFinding[] {
  const target = targetOf(document);
  const may = lines.filter(({ dbfsA, within, ask }) => ask && dbfsA! <= target && dbfsA! + within > target);
  const [first] = may;
  if (!first) return [];
  const { name, dbfsA, within, line, ask } = first;
  return [
    {
      code: 'hum-unsure',
      severity: 'note',
      line,
      ask,
      what: `${name} may hum: ${quantity(dbfsA!, 'dBFS')} ± ${within} dB`,
      why: `Typical figures cannot say whether that is above your target of ${quantity(target, 'dBFS')}${may.length > 1 ? `; nor for ${may.length - 1} more` : ''}. Measure before anything is bought.`,
      remedies: [],
    },
  ];
}

function nothingToMend(document: RigDocument, { lines }: MainsReadings): MainsFinding {
  const { conditioner } = schoolsOf(document);
  const school =
    conditioner === 'every-rack'
      ? ` Your school (${schoolLabel('conditioner', conditioner)}) buys a conditioner all the same; nothing here asks for it.`
      : '';
  return {
    code: 'nothing-to-mend',
    severity: 'note',
    what: 'Nothing to mend',
    why: lines.length
      ? `No line hears hum above your target; the loudest is ${lines[0].name} with ${quantity(lines[0].dbfsA ?? lines[0].aWeighted, lines[0].dbfsA === undefined ? 'dBu' : 'dBFS')} A-weighted. Nothing to buy.${school}`
      : `No line joins two units on the mains, so no current runs through a shield.${school}`,
    remedies: [],
  };
}
