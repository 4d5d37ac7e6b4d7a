import { linkKind, reader, sourceKind, type Branch, type Line, type Part } from '../../gear';
import { sourceVolts } from '../../level/plan';
import { magnitude, operatingPoint, smallSignal } from '../../circuit';
import { asDrawn, lineCircuit } from '../../gear';
import { finding, heldAgainst, nameOf, quantity, readPart, type Case, type Rule } from '../case';
import type { Finding, Remedy } from '../finding';

/** Where levels are compared, in hertz. */
const MIDDLE = 1000;

/** A second source that meets this one at a link: by its link-through socket, from either line's point of view. */
interface Meeting {
  at: number;
  other: Branch;
  /** The line that is plugged into the link-through socket. */
  second: string;
}

export function meetings(line: Line): Meeting[] {
  if (!line.branches) return [];
  return line.links.flatMap((part, at): Meeting[] =>
    line.branches!.flatMap((other) => {
      if (other.at !== at || !other.source) return [];
      const entered = part.entry === 'through' ? line.id : other.port === 'through' ? other.line : undefined;
      return entered ? [{ at, other, second: entered }] : [];
    }),
  );
}

/** Open-circuit peak of a source as the level of a sine with that peak, in volts RMS. */
function openVolts(part: Part): number {
  const kind = sourceKind(part.kind);
  return sourceVolts(kind.level, kind.figures.outputLevel?.unit, reader(kind, part));
}

/** Current that one volt of a line's own source drives into what hangs at a link, in amperes at 1 kHz. */
function driven(line: Line, at: number, without: (branch: Branch) => boolean): number {
  const wired = (asked: Line) => {
    const circuit = lineCircuit(asDrawn(asked));
    return { circuit, response: smallSignal(operatingPoint(circuit.netlist))(MIDDLE) };
  };
  const whole = wired(line);
  const alone = wired({ ...line, branches: line.branches?.filter((branch) => !without(branch)) });
  const { nodes } = whole.circuit.junctions[at];
  const [hot, cold] = [nodes.T, nodes.S];
  const admittance = (z: { re: number; im: number }) => {
    const square = z.re ** 2 + z.im ** 2;
    return { re: z.re / square, im: -z.im / square };
  };
  const [both, own] = [whole, alone].map(({ response }) => admittance(response.impedance(hot, cold)));
  const into = Math.hypot(both.re - own.re, both.im - own.im);
  return magnitude(whole.response.volts(hot, cold)) * into;
}

export const throughAsInput: Rule = {
  code: 'through-as-input',
  judge: (at) => meetings(at.line).map((meeting) => fight(at, meeting)),
};

function fight(at: Case, { at: n, other, second }: Meeting): Finding {
  // Both at their peaks in opposite directions: each drives into the other, and the two currents add up.
  const open = openVolts(at.line.source);
  const theirs = openVolts(other.source!);
  const perVolt = driven(at.line, n, (branch) => branch === other);
  const amps = Math.SQRT2 * perVolt * (open + theirs);
  const stake = at.circuit.stakes.find((known) => known.type === 'output');
  const limit = stake?.type === 'output' ? stake.limit : undefined;
  const over = limit !== undefined && amps > limit.value;
  const box = nameOf(at.line, n);
  return finding({
    code: 'through-as-input',
    severity: over ? 'harm' : 'watch',
    part: n,
    what: 'The link-through socket is used as a second input',
    why:
      `${box} has one input; its link-through is the same wire, so this output and “${other.name}” drive into each other: up to ${quantity(amps, 'A')} when they play opposite, ` +
      `${quantity(-at.signal.atSource, 'dB')} lost, and left and right come out as one muddle.`,
    numbers: [
      {
        label: 'Peak current between the two outputs',
        value: amps,
        unit: 'A',
        ...(limit && { limit: heldAgainst(limit) }),
      },
      { label: 'Level lost at the source', value: at.signal.atSource, unit: 'dB' },
    ],
    remedies: stereoBox(at, n, second),
    basis: 'the computed currents at 1 kHz, both outputs at their peak level',
  });
}

/** A stereo direct box: the second output gets its other side, and an inlet of its own. */
function stereoBox(at: Case, n: number, second: string): Remedy[] {
  const read = readPart(at.line, n);
  const { output } = linkKind(at.line.links[n].kind).ends(read);
  const free = at.free.find(
    ({ inlet }) => output === 'xlr3' && inlet.kind !== 'mini-jack' && inlet.kind !== 'balanced-jack',
  );
  if (!free) return [];
  return [
    {
      label: 'Use a stereo direct box',
      note: `the second output on ${free.inlet.name ?? 'a free inlet'}`,
      edits: [{ do: 'separate', at: n, line: second, ...free }],
    },
  ];
}
