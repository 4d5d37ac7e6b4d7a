import { CONNECTORS, isStated, type Basis, type ConnectorId, type Contact, type LinkView, type Line } from '../gear';
import type { Amps, Hertz, Ohms, Volts } from '../units';
import { checkLine, judgeLine } from './check';
import type { CheckOptions } from './options';
import type { Checked } from './checked';
import { plugging } from '../transients';
import { moments, type Moments } from './moments';
import { once } from '../units/once';
import { keptIn, likeness, sharedByLines } from './shared';
import { contactCurrents } from './currents';
import type { Finding, Verdict } from './finding';
import type { Schools } from '../schools/schools';
import type { LevelPlan } from '../level/plan';

export interface ContactReading {
  contact: Contact;
  /** Over the inlet's ground, or where the shield is lifted over the reference contact beside it; null where nothing connects it to either. */
  volts: Volts | null;
  /** Direct current towards the source; null where it cannot be told apart from the shield's, and where nobody draws it. */
  amps: Amps | null;
}

/** What a meter shows where two neighbours meet. */
export interface JunctionReading {
  /** Before link n; the last one is at the inlet. */
  at: 'source' | 'inlet' | `after link ${number}`;
  plug: ConnectorId;
  socket: ConnectorId;
  fits: boolean;
  contacts: ContactReading[];
}

/** The result of checking one line, ready for JSON. Volts, amperes, ohms, hertz; levels in dB. */
export interface LineResult {
  id: string;
  name: string;
  verdict: Verdict;
  /** The verdict turns on a figure that is only assumed: which. */
  assumed?: string;
  findings: Finding[];
  readings: {
    junctions: JunctionReading[];
    supplies: {
      part: string | number;
      what: string;
      contacts: string;
      /** With an inner rail, what both pins of equal legs would have for the same rail. */
      volts: Volts;
      /** The better of its pins. */
      pins: Volts;
      /** How far its supply is the wrong way round. */
      reversed: Volts;
      state: string;
      needs: Volts;
      stops: Volts;
      /** Whether the need is a data sheet's, or only typical. */
      stated: boolean;
    }[];
    feeds: { part: string | number; feed: string; amps: Amps; limit: Amps | null; legs: Amps[] }[];
    windings: { part: string | number; what: string; amps: Amps; limit: Amps; basis: Basis }[];
    capsules: { part: string | number; what: string; volts: Volts; stands: Volts }[];
    signal: {
      powered: boolean;
      channels: { name: string; level: number | null; reversed: boolean }[];
      load: Ohms | null;
      lowCut: Hertz | null;
      highCut: Hertz | null;
      response: { frequency: Hertz; level: number | null }[];
    };
    level: LevelPlan | null;
  };
  links: LinkView[];
  /** What happens while it is plugged and switched; absent where nobody asked for it. */
  moments?: Moments;
}

const orNull = (value: number | undefined): number | null =>
  value !== undefined && Number.isFinite(value) ? value : null;

/** Checks one line with everything about it: remedies tried, and followed over time. */
export function lineResult(line: Line, schools: Schools, options: CheckOptions = {}): LineResult {
  const { shared = sharedByLines() } = options;
  const like = once(() => likeness(line, schools));
  const plugged = () => keptIn(shared.plugged, like(), () => plugging(line));
  const checked = checkLine(line, schools, { plugged, ...options, shared });
  return {
    ...present(line, checked, true, true),
    moments: keptIn(shared.moments, like(), () => moments(line, checked.solved, plugged)),
  };
}

/** Checks one line for its verdict, findings and readings; remedies and the course over time are left out. */
export const lineSummary = (line: Line, schools: Schools): LineResult => summary(line, schools, false);

/** A summary with the current through every contact, for drawing. */
export const lineDrawing = (line: Line, schools: Schools): LineResult => summary(line, schools, true);

function summary(line: Line, schools: Schools, drawn: boolean): LineResult {
  const checked = judgeLine(line, schools);
  const findings = checked.findings.map(({ answers: _answers, look: _look, ...finding }) => finding);
  return present(line, { ...checked, findings }, drawn);
}

/** The assumed figure that every one of the worst findings turns on. */
function guessed(findings: readonly Finding[]): string | undefined {
  const worst = findings.filter(({ severity }) => severity === findings[0]?.severity);
  return worst.every(({ assumed }) => assumed) ? worst[0]?.assumed : undefined;
}

function present(line: Line, { solved, findings, verdict }: Checked, drawn: boolean, whole = false): LineResult {
  const { circuit, point, signal, supplies } = solved;
  const last = circuit.junctions.length - 1;
  const guess = verdict === 'Clear' ? undefined : guessed(findings);
  return {
    id: line.id,
    name: line.name,
    verdict,
    ...(guess && { assumed: guess }),
    findings,
    links: circuit.links,
    readings: {
      junctions: circuit.junctions.map(({ plug, socket, fits, nodes }, n) => {
        const currents = drawn ? contactCurrents(circuit, point, n) : undefined;
        return {
          at: n === 0 ? 'source' : n === last ? 'inlet' : `after link ${n}`,
          plug,
          socket,
          fits,
          contacts: CONNECTORS[plug].contacts.map((contact) => ({
            contact,
            volts: orNull(
              point.volts(nodes[contact]) ?? point.volts(nodes[contact], nodes[CONNECTORS[plug].reference]),
            ),
            amps: orNull(currents?.get(contact)),
          })),
        };
      }),
      supplies: supplies.map(({ stake, volts, pins, reversed, state }) => ({
        part: stake.part,
        what: stake.what,
        contacts: stake.contacts,
        volts,
        pins,
        reversed,
        state,
        needs: stake.needs.value,
        stops: stake.stops.value,
        stated: isStated(stake.needs.basis),
      })),
      feeds: circuit.stakes.flatMap((stake) =>
        stake.type === 'feed'
          ? [
              {
                part: stake.part,
                feed: stake.feed,
                amps: Math.abs(point.amps(stake.element)),
                limit: stake.limit?.value ?? null,
                legs: stake.resistors.map((name) => Math.abs(point.amps(name))),
              },
            ]
          : [],
      ),
      windings: circuit.stakes.flatMap((stake) =>
        stake.type === 'winding'
          ? [
              {
                part: stake.part,
                what: stake.what,
                amps: Math.max(...stake.elements.map((name) => Math.abs(point.amps(name)))),
                limit: stake.limit.value,
                basis: stake.limit.basis,
              },
            ]
          : [],
      ),
      capsules: circuit.stakes.flatMap((stake) =>
        stake.type === 'capsule'
          ? [
              {
                part: stake.part,
                what: stake.what,
                volts: point.volts(...stake.between) ?? 0,
                stands: stake.stands.value,
              },
            ]
          : [],
      ),
      signal: {
        powered: solved.powered,
        channels: signal.channels.map(({ name, level, reversed }) => ({ name, level: orNull(level), reversed })),
        load: orNull(signal.load),
        lowCut: orNull(signal.lowCut),
        highCut: orNull(signal.highCut),
        response: whole ? signal.drawn().map(({ frequency, level }) => ({ frequency, level: orNull(level) })) : [],
      },
      level: solved.level ?? null,
    },
  };
}
