import {
  CONNECTORS,
  asDrawn,
  lineCircuit,
  linkKind,
  reader,
  sourceKind,
  padOf,
  type Branch,
  type Line,
  type Part,
} from '../../gear';
import { sourceVolts } from '../../level/plan';
import { magnitude, operatingPoint, smallSignal } from '../../circuit';
import { finding, heldAgainst, nameOf, quantity, type Case, type Rule } from '../case';
import type { Finding } from '../finding';

/** Where levels are compared, in hertz. */
const MIDDLE = 1000;
/** Another source that shows this one less than so many ohms is on the same conductors. */
const MEETS = 50e3;

/** A second source that meets this one at a link, from either line's point of view. */
interface Meeting {
  at: number;
  other: Branch;
  /** By way of a thru socket, and the line that is plugged into it. */
  thru?: string;
}

/** Every other source whose line joins this one's conductors. */
export const meetings = (line: Line): Meeting[] =>
  (line.branches ?? []).flatMap((other): Meeting[] => {
    const part = line.links[other.at];
    if (!other.source || !part || linkKind(part.kind).keepsChannelsApart) return [];
    const thru = part.entry === 'through' ? line.id : other.port === 'through' ? other.line : undefined;
    return [{ at: other.at, other, ...(thru && { thru }) }];
  });

/** Open-circuit peak of a source as the level of a sine with that peak, in volts RMS. */
function openVolts(part: Part): number {
  const kind = sourceKind(part.kind);
  return sourceVolts(kind.level, kind.figures.outputLevel?.unit, reader(kind, part), padOf(kind, part));
}

/** What a line's own source meets at a link where another one hangs: how it is loaded, and the current one volt drives. */
function met(line: Line, at: number, without: (branch: Branch) => boolean): { siemens: number; perVolt: number } {
  const wired = (asked: Line) => {
    const circuit = lineCircuit(asDrawn(asked));
    return { circuit, response: smallSignal(operatingPoint(circuit.netlist))(MIDDLE) };
  };
  const whole = wired(line);
  const alone = wired({ ...line, branches: line.branches?.filter((branch) => !without(branch)) });
  const { plug, nodes } = whole.circuit.junctions[at];
  const [hot, cold] = CONNECTORS[plug].pairs[0].map((contact) => nodes[contact]);
  const admittance = (z: { re: number; im: number }) => {
    const square = z.re ** 2 + z.im ** 2;
    return { re: z.re / square, im: -z.im / square };
  };
  const [both, own] = [whole, alone].map(({ response }) => admittance(response.impedance(hot, cold)));
  const siemens = Math.hypot(both.re - own.re, both.im - own.im);
  return { siemens, perVolt: magnitude(whole.response.volts(hot, cold)) * siemens };
}

export const outputsMeet: Rule = {
  code: 'outputs-meet',
  judge: (at) => [...meetings(at.line).flatMap((meeting) => fight(at, meeting)), ...tied(at)],
};

/** Left and right of one output on the same conductor: leads like that are common, and resistors would do it better. */
function tied(at: Case): Finding[] {
  const kind = sourceKind(at.line.source.kind);
  const first = at.circuit.links[0];
  if (!first || !kind.stereo?.(reader(kind, at.line.source))) return [];
  const to = (from: string) => first.paths.filter((path) => path.from === from && path.look === 'wire');
  if (!to('T').some((left) => to('R').some((right) => right.to === left.to))) return [];
  return [
    finding({
      code: 'outputs-meet',
      severity: 'note',
      part: 0,
      what: 'Left and right tied together',
      why: `${nameOf(at.line, 0)} joins both channels: where they differ, each output drives into the other. A lead with a resistor in each leg, or a stereo box, keeps them apart.`,
      basis: 'common practice',
    }),
  ];
}

function fight(at: Case, { at: n, other, thru }: Meeting): Finding[] {
  const { siemens, perVolt } = met(at.line, n, (branch) => branch === other);
  if (siemens < 1 / MEETS) return [];
  // Both at their peaks in opposite directions: each drives into the other, and the two currents add up.
  const amps = Math.SQRT2 * perVolt * (openVolts(at.line.source) + openVolts(other.source!));
  const stake = at.circuit.stakes.find((known) => known.type === 'output');
  const limit = stake?.type === 'output' ? stake.limit : undefined;
  const over = limit !== undefined && amps > limit.value;
  const lost = -at.signal.atSource;
  return [
    finding({
      code: thru ? 'through-as-input' : 'outputs-meet',
      severity: over ? 'harm' : 'watch',
      part: n,
      what: thru ? 'Thru socket used as a second input' : `Two sources on the same wires: “${other.name}”`,
      why:
        (thru
          ? `${nameOf(at.line, n)} has one input; its thru is the same wire. `
          : `${nameOf(at.line, n)} joins them contact by contact. `) +
        `Each output loads the other (up to ${quantity(amps, 'A')})` +
        (lost > 0.5 ? `, ${quantity(lost, 'dB')} is lost,` : '') +
        ' and the two are summed for good.',
      numbers: [
        {
          label: 'Peak current between the two outputs',
          value: amps,
          unit: 'A',
          ...(limit && { limit: heldAgainst(limit) }),
        },
        { label: 'Level lost at the source', value: at.signal.atSource, unit: 'dB' },
      ],
      basis: 'the calculated currents at 1 kHz, both sources at their peak level',
      look: 'Give each source an inlet, or a box with two inputs.',
    }),
  ];
}
