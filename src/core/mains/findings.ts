import { linkKind, mate, reader } from '../gear';

import { EARTH, endsInLink, startsAtLink, schoolsOf, type RigDocument } from '../rig';
import type { Dbu, Decibels } from '../units';
import { quantity } from '../units/format';
import { withMainsEdit, type MainsEdit } from './edits';
import { EARTH_PATH, GROUND_FAULT, LOW_VOLTS, RESIDUAL, RESIDUAL_SHARE } from './figures';
import { lineHum, mainsReadings, type LineHum, type MainsReadings } from './readings';
import { mainsSystem, type Hearings, type MainsSystem } from './system';

/** A change with what it does at the line it is for. */
export interface MainsRemedy {
  what: string;
  /** Absent where no line is meant. */
  line?: string;
  /** A-weighted, at that line's inlet. */
  before?: Dbu;
  after?: Dbu;
  /** Absent where it is for somebody to do, and this program cannot draw it. */
  edit?: MainsEdit;
}

/** One statement about the mains side of a job. */
export interface MainsFinding {
  code:
    | 'earth-lifted'
    | 'earth-path'
    | 'overloaded'
    | 'residual'
    | 'floating'
    | 'hum'
    | 'above-the-model'
    | 'nothing-to-mend';
  severity: 'harm' | 'watch' | 'note';
  what: string;
  why: string;
  line?: string;
  remedies: MainsRemedy[];
}

export interface MainsReport {
  system: MainsSystem;
  readings: MainsReadings;
  /** Worst first. */
  findings: MainsFinding[];
}

/** A remedy that does less than this is none. */
const LEAST: Decibels = 1;
/** Remedies that are told of one line. */
const MOST = 5;

const ELECTRICIAN = 'Fixed wiring, boards and earth rods are for a licensed electrician, under local code.';

/** Solves the mains side of a rig, says what is wrong with it and what each remedy would change. */
export function mainsReport(document: RigDocument): MainsReport {
  const hearings: Hearings = new WeakMap();
  const system = mainsSystem(document, hearings);
  const readings = mainsReadings(system);
  const hum = humFindings(document, system, readings, hearings);
  const findings: MainsFinding[] = [
    ...earthFindings(system),
    ...loadFindings(system, readings),
    ...floatingFindings(system, readings),
    ...hum,
  ];
  return {
    system,
    readings,
    findings: findings.length ? findings : [nothingToMend(readings)],
  };
}

/** Earth that is missing is no matter of sound. */
function earthFindings({ units, outlets }: MainsSystem): MainsFinding[] {
  return [
    ...units
      .filter(({ plug }) => plug === 'earth lifted')
      .map(({ name }): MainsFinding => ({
        code: 'earth-lifted',
        severity: 'harm',
        what: `${name} has no protective earth`,
        why: 'A fault inside puts its case at mains voltage, and the current has no way home but through whoever touches it. Take it out of use until its earth is back; hum has other cures.',
        remedies: [],
      })),
    ...outlets
      .filter(({ earth, lead }) => earth !== undefined && earth > lead + EARTH_PATH)
      .map(({ name, earth, lead, longest }): MainsFinding => {
        // What may be the lead itself, as long as nobody has said how long that is, stops nothing.
        const bad = earth! > longest + EARTH_PATH;
        return {
          code: 'earth-path',
          severity: bad ? 'harm' : 'watch',
          what: `Earth of ${name}: ${quantity(earth!, 'Ω')}`,
          why: bad
            ? `Its lead has ${quantity(longest, 'Ω')} at most; more than ${quantity(EARTH_PATH, 'Ω')} above that is no safe way home for a fault. Out of use until repaired. ${ELECTRICIAN}`
            : `A usual lead has ${quantity(lead, 'Ω')}, a long one up to ${quantity(longest, 'Ω')}. State its length and cross-section: more than ${quantity(EARTH_PATH, 'Ω')} above what they have is out of use until repaired.`,
          remedies: bad ? [{ what: `Take ${name} out of use and have it repaired` }] : [],
        };
      }),
  ];
}

function loadFindings({ volts }: MainsSystem, { loads, residual }: MainsReadings): MainsFinding[] {
  const interrupter = volts < LOW_VOLTS;
  const limit = interrupter ? GROUND_FAULT : RESIDUAL * RESIDUAL_SHARE;
  return [
    ...loads
      .filter(({ amps, rating }) => rating !== undefined && amps > rating)
      .map(({ outlet, amps, stated, watts, rating }): MainsFinding => ({
        code: 'overloaded',
        severity: stated > rating! ? 'harm' : 'watch',
        what: stated > rating! ? `${outlet} is overloaded: ${quantity(stated, 'A')}` : `${outlet} may be overloaded`,
        why: `${quantity(amps, 'A')} hang on it (${quantity(watts, 'W')}${stated < amps ? `; ${quantity(stated, 'A')} of it stated, the rest usual for its kind` : ''}); it is rated for ${quantity(rating!, 'A')}. Leads get hot before fuses blow.`,
        remedies: [{ what: 'Move something to an outlet of another circuit' }],
      })),
    ...(residual > limit
      ? [
          {
            code: 'residual' as const,
            severity: 'watch' as const,
            what: `${quantity(residual, 'A')} of leakage`,
            why: interrupter
              ? `On one outlet with a ground-fault interrupter, which trips from ${quantity(GROUND_FAULT, 'A')} on, filters alone are enough.`
              : `Filters alone take more than a third of the ${quantity(RESIDUAL, 'A')} at which a residual-current device trips; damp or one more unit may do the rest.`,
            remedies: [{ what: 'Spread the units over circuits with devices of their own' }],
          },
        ]
      : []),
  ];
}

function floatingFindings({ units }: MainsSystem, { floating }: MainsReadings): MainsFinding[] {
  if (!floating) return [];
  const names = floating.units.map((id) => units.find((unit) => unit.id === id)!.name);
  return [
    {
      code: 'floating',
      severity: 'watch',
      what: `${names.length} connected units have no earth`,
      why: `${names.join(', ')}: together they stand ${quantity(floating.volts, 'V')} above earth and give ${quantity(floating.touch, 'A')} to whoever connects them to it. Expect a tingle, and hum that changes when a case is touched.`,
      remedies: [
        {
          what: `Bonding lead from a shell or signal ground of ${names[0]} to the earth of the supply in use; never inside a unit, never to pipes or a rod of its own`,
          edit: { do: 'connect', between: [floating.units[0], EARTH], kind: 'bond' },
        },
      ],
    },
  ];
}

/** Lines that hear more than they should, each with what would help, in the order of what it costs. */
function humFindings(
  document: RigDocument,
  system: MainsSystem,
  { lines, loops }: MainsReadings,
  hearings: Hearings,
): MainsFinding[] {
  const target = Number(schoolsOf(document).noiseFloor);
  return lines
    .filter(({ dbfsA }) => dbfsA !== undefined && dbfsA > target)
    .map((line): MainsFinding => {
      const loop = loops.find(({ ties }) => ties.includes(line.line));
      const [most] = line.shares;
      const nameOf = (id: string) => system.units.find((unit) => unit.id === id)?.name ?? id;
      return {
        code: 'hum',
        severity: 'watch',
        line: line.line,
        what: `${line.name} hears hum: ${quantity(line.dbfsA!, 'dBFS')} A-weighted`,
        why: `${loop ? `A loop through ${loop.units.map(nameOf).join(', ')} with ${quantity(loop.amps, 'A')} in the shield. ` : ''}${most ? `Most of it comes from ${nameOf(most.unit)} (${most.way === 'leakage' ? 'leakage' : 'its load current beside the earth conductor'}, ${Math.round(100 * most.share)} %). ` : ''}From typical figures: ± ${line.within} dB. Measure the voltage between the two shells with the line unplugged to know it to ± 4 dB.`,
        remedies: remediesFor(document, system, line, hearings),
      };
    });
}

/** What would help a line, tried one by one; what gains nothing is left out. */
function remediesFor(document: RigDocument, system: MainsSystem, line: LineHum, hearings: Hearings): MainsRemedy[] {
  const tie = system.ties.find(({ id }) => id === line.line)!;
  const [from, into] = tie.between.map((id) => system.units.find((unit) => unit.id === id)!);
  const candidates: { what: string; edit: MainsEdit }[] = [
    ...(into.outlet !== undefined && from.outlet !== into.outlet && from.plug !== 'cells'
      ? [
          {
            what: `Plug ${from.name} into ${into.outlet}, with ${into.name}`,
            edit: { do: 'outlet' as const, unit: from.id, outlet: into.outlet },
          },
        ]
      : []),
    ...line.shares
      .filter(({ way, unit }) => way === 'induction' && unit !== into.id && unit !== from.id)
      .slice(0, 2)
      .map(({ unit }) => {
        const { name, outlet } = system.units.find(({ id }) => id === unit)!;
        return { what: `Plug ${name} into the wall instead of ${outlet}`, edit: { do: 'outlet' as const, unit } };
      }),
    ...(from.kind === 'computer' && from.plug !== 'cells'
      ? [
          {
            what: `Run ${from.name} on its battery`,
            edit: { do: 'plug' as const, unit: from.id, plug: 'cells' as const },
          },
        ]
      : []),
    ...transformerPlace(document, line.line).map((at) => ({
      what: 'Isolating transformer in the line, ground lifted',
      edit: { do: 'transformer' as const, line: line.line, at },
    })),
  ];
  return candidates
    .flatMap(({ what, edit }): MainsRemedy[] => {
      const after = lineHum(mainsSystem(withMainsEdit(document, edit), hearings), line.line);
      // A line that no longer joins two units on the mains hears nothing of this.
      const level = after?.aWeighted ?? -200;
      return level < line.aWeighted - LEAST
        ? [{ what, line: line.line, before: line.aWeighted, after: level, edit }]
        : [];
    })
    .slice(0, MOST);
}

/** Where an isolating transformer fits into a line: before its inlet, where that is an XLR; none where one is there. */
function transformerPlace({ lines }: RigDocument, id: string): number[] {
  const line = lines.find((each) => each.id === id);
  if (!line || endsInLink(line) || startsAtLink(line)) return [];
  const { links } = line;
  const last = links.at(-1);
  if (!last || links.some(({ kind }) => linkKind(kind).breaksLoops)) return [];
  const kind = linkKind(last.kind);
  return mate(kind.ends(reader(kind, last)).output, 'xlr3') ? [links.length] : [];
}

const nothingToMend = ({ lines }: MainsReadings): MainsFinding => ({
  code: 'nothing-to-mend',
  severity: 'note',
  what: 'Nothing to mend',
  why: lines.length
    ? `No line hears hum above your target; the loudest is ${lines[0].name} with ${quantity(lines[0].dbfsA ?? lines[0].aWeighted, lines[0].dbfsA === undefined ? 'dBu' : 'dBFS')} A-weighted. Nothing to buy.`
    : 'No line joins two units on the mains, so no current runs through a shield.',
  remedies: [],
});
