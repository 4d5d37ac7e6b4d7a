import type { ComputedTones } from '../noise/budget';
import type { Expected } from '../noise/hunt';
import type { RigDocument } from '../rig';
import type { Dbu, Decibels, Hertz } from '../units';
import { unlisted } from './edits';
import { SILENT, type LineHum } from './hearing';
import { lineHum, mainsReadings } from './readings';
import { mainsSystem, without, type MainsSystem } from './system';

/** What a line hears of the mains, as everything else in the program asks it: budget, prediction, simulated inlet, hunt. */

/** A steady tone at an inlet, RMS. */
export interface HumTone {
  hz: Hertz;
  level: Dbu;
}

/** How the job is while it is listened to. */
export interface Listened {
  /** Units that are on, as hunts call them; everything where left out. */
  on?: readonly string[];
  /** Those that may be off at all; what is not among them stays on. */
  known?: readonly string[];
  /** Ohms of contacts that are not clean, beside what the document says: a fault that nobody has found yet. */
  contact?: number;
}

/** What a line hears; undefined where it joins no two units, so that no mains current runs along it. */
export function heardOn(document: RigDocument, line: string, listened: Listened = {}): LineHum | undefined {
  return lineHum(listenedTo(document, line, listened), line);
}

/** Its harmonics and whines as tones. */
export const humTones = (document: RigDocument, line: string, listened?: Listened): HumTone[] => {
  const hum = heardOn(document, line, listened);
  return hum ? tonesOf(hum) : [];
};

const tonesOf = ({ byHarmonic, whine }: LineHum): HumTone[] =>
  [...byHarmonic, ...(whine?.byTone ?? [])].flatMap(({ hz, level }) => (level > QUIET ? [{ hz, level }] : []));

/** Below this no converter hears anything. */
const QUIET: Dbu = -160;

function listenedTo(document: RigDocument, line: string, { on, known, contact }: Listened): MainsSystem {
  const asDrawn = contact ? tarnished(document, line, contact) : document;
  const system = mainsSystem(asDrawn, undefined, line);
  if (!on) return system;
  const named = asSuspect(document);
  const off = system.units
    .map(({ id }) => id)
    .filter((id) => !on.includes(named(id)) && (known === undefined || known.includes(named(id))));
  return without(system, new Set(off));
}

/** How a hunt calls a unit of the mains side: a device that nobody has listed is a suspect by its own id. */
const asSuspect =
  ({ devices }: RigDocument) =>
  (unit: string): string =>
    devices.find(({ id }) => unlisted(id) === unit)?.id ?? unit;

/** The rig with contacts in a line that are less clean than it says. */
function tarnished(document: RigDocument, line: string, ohms: number): RigDocument {
  const lines = document.mains?.lines ?? [];
  const own = lines.find((each) => each.line === line);
  const contact = { value: (own?.contact?.value ?? 0) + ohms, unit: 'Ω', basis: 'measured' } as const;
  return {
    ...document,
    mains: { ...document.mains, lines: [...lines.filter((each) => each !== own), { ...own, line, contact }] },
  };
}

/** Hum and whine of a line as its budget counts them; undefined where it hears none. */
export function computedTones(hum: LineHum | undefined): ComputedTones | undefined {
  const tones = hum ? tonesOf(hum) : [];
  return hum && tones.length ? { within: hum.within, tones } : undefined;
}

/** What every line hears, by its id. */
export const heardOnAll = (document: RigDocument): Map<string, LineHum> =>
  new Map(mainsReadings(mainsSystem(document)).lines.map((hum) => [hum.line, hum]));

/** Quieter by this much with a unit pulled: it takes that unit. */
const TAKES: Decibels = 6;
/** Quieter by less than this says nothing of a unit. */
const SAYS: Decibels = 1;

/** Who may be behind what a line hears: what is quieter with whom pulled. A hunt starts with it. */
export function expectedOn(document: RigDocument, line: string): Expected[] {
  const system = mainsSystem(document, undefined, line);
  const hum = lineHum(system, line);
  if (!hum) return [];
  const named = asSuspect(document);
  const tie = system.ties.find(({ hears }) => hears?.line === line)!;
  const units = [
    ...new Set([...tie.between, ...[...hum.shares, ...(hum.whine?.shares ?? [])].map(({ unit }) => unit)]),
  ];
  const pulled = units.map((unit) => ({ unit, left: lineHum(without(system, new Set([unit])), line) }));
  return (['mains', 'whine'] as const).flatMap((of): Expected[] => {
    const level = (from: LineHum | undefined) => (of === 'mains' ? from : from?.whine)?.reads['as-set'] ?? SILENT;
    if (level(hum) <= SILENT) return [];
    const drops = pulled
      .map(({ unit, left }) => ({ unit, drop: level(hum) - level(left) }))
      .sort((a, b) => b.drop - a.drop);
    const needed = drops.filter(({ drop }) => drop > TAKES);
    return needed.length
      ? [{ of, culprits: needed.map(({ unit }) => named(unit)), share: 1 }]
      : drops
          .filter(({ drop }) => drop > SAYS)
          .map(({ unit, drop }) => ({ of, culprits: [named(unit)], share: 1 - 10 ** (-drop / 10) }));
  });
}
