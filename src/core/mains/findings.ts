import { sourceKind } from '../gear';
import { schoolsOf, type RigDocument } from '../rig';
import { schoolLabel } from '../schools';
import { quantity } from '../units/format';
import { calibrated } from './calibrated';
import { FAR_ENOUGH } from './fields';
import type { MainsFinding } from './finding';
import { byMeter, humFindings, readIn, unsureFindings } from './humFindings';
import { mainsReadings, type MainsReadings } from './readings';
import { bondingLead } from './remedies';
import { loadFindings, outage, safetyFindings } from './safety';
import { mainsSystem, type MainsSystem } from './system';
import type { Hearings } from './ties';

export interface MainsReport {
  system: MainsSystem;
  readings: MainsReadings;
  /** Worst first. */
  findings: MainsFinding[];
}

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
    ...unsureFindings(document, readings),
  ];
  return {
    system,
    readings,
    findings: [
      ...(wrong.length
        ? wrong.sort((a, b) => RANK[a.severity] - RANK[b.severity])
        : [nothingToMend(document, readings)]),
      ...outage(system, readings),
    ],
  };
}

const RANK: Record<MainsFinding['severity'], number> = { harm: 0, watch: 1, note: 2 };

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

/** Sources that hear a magnetic field themselves: coils and windings (common practice). */
const HEAR_FIELDS: ReadonlySet<string> = new Set(['pickup', 'moving coil', 'passive ribbon']);

/** Pickups, coils and ribbons beside what radiates, where somebody has said how far they are from it. */
const tooNear = ({ mains, lines }: RigDocument, { units }: MainsSystem): MainsFinding[] =>
  (mains?.beside ?? [])
    .filter(({ coil, distance, line }) => {
      const source = lines.find(({ id }) => id === line)?.source;
      return (
        coil &&
        distance.value < FAR_ENOUGH &&
        source &&
        'kind' in source &&
        HEAR_FIELDS.has(sourceKind(source.kind).character)
      );
    })
    .map(({ line, unit, distance }): MainsFinding => {
      const name = lines.find(({ id }) => id === line)?.name ?? line;
      const coil = units.find(({ id }) => id === unit)?.name ?? unit;
      return {
        code: 'too-near',
        severity: 'watch',
        line,
        what: `${name} is ${quantity(distance.value, 'm')} from ${coil}`,
        why: `Pickups, coils and ribbons hear transformers, displays and computers up to about ${quantity(FAR_ENOUGH, 'm')} away; the field falls by 18 dB for each doubling of the distance. How much of it this one hears no model here can say: turn and move it, and listen.`,
        remedies: [
          { what: `Keep ${name} ${quantity(FAR_ENOUGH, 'm')} away from ${coil}, or turn it`, cost: 'nothing' },
        ],
      };
    });

function nothingToMend(document: RigDocument, { lines }: MainsReadings): MainsFinding {
  const { conditioner } = schoolsOf(document);
  const school =
    conditioner === 'every-rack'
      ? ` Your school (${schoolLabel('conditioner', conditioner)}) buys a conditioner all the same; nothing here asks for it.`
      : '';
  const [loudest] = byMeter(document, lines);
  return {
    code: 'nothing-to-mend',
    severity: 'note',
    what: 'Nothing to mend',
    why: loudest
      ? `No line hears hum above your target; the loudest is ${loudest.line.name} with ${readIn(document, loudest.dbfs)}. Nothing to buy.${school}`
      : `No line joins two units on the mains, so no current runs through a shield.${school}`,
    remedies: [],
  };
}
