import { magnitude } from '../../circuit';
import { mate, reader, sourceKind } from '../../gear';
import { decibels } from '../../units';
import { finding, nameOf, rounded, type Case, type Rule } from '../case';
import { LOST } from '../solve';

/** Channels of a stereo inlet that are within this are as loud as each other, in dB. */
const ALIKE = 6;

/** Whether both legs of a balanced inlet get the same: it takes the difference, and nothing is left. */
export function cancels({ circuit, signal }: Case): boolean {
  const [channel] = signal.channels;
  if (signal.alongPath > LOST || !channel.balanced) return false;
  const last = circuit.junctions.length - 1;
  const { plug, socket } = circuit.junctions[last];
  const touching = mate(plug, socket) ?? {};
  const [hot, cold] = channel.contacts.map((contact) => {
    const own = touching[contact];
    return own === undefined ? undefined : signal.over(last, own);
  });
  if (!hot || !cold) return false;
  const least = Math.min(magnitude(hot), magnitude(cold));
  return (
    decibels(least) - circuit.expectedGain > LOST &&
    magnitude({ re: hot.re - cold.re, im: hot.im - cold.im }) < 0.1 * least
  );
}

const isStereo = (at: Case): boolean => {
  const kind = sourceKind(at.line.source.kind);
  return kind.stereo?.(reader(kind, at.line.source)) ?? false;
};

/** Whether a stereo inlet gets one and the same signal on both sides, turned round on one of them. */
function opposite(at: Case): boolean {
  const { channels, best } = at.signal;
  if (channels.length !== 2) return false;
  const [left, right] = channels;
  return (
    Math.abs(left.level - right.level) < ALIKE &&
    left.reversed !== right.reversed &&
    channels[best].level - at.signal.atSource > LOST
  );
}

export const monoCancelled: Rule = {
  code: 'mono-cancelled',
  judge(at) {
    if (cancels(at))
      return [
        finding({
          code: 'mono-cancelled',
          severity: 'silent',
          part: 'inlet',
          what: isStereo(at) ? 'Mono material cancels: left minus right' : 'The same signal on both legs: it cancels',
          why: isStereo(at)
            ? `Left goes to one leg of a balanced inlet, right to the other: ${nameOf(at.line, 'inlet')} takes the difference. What both channels share (voices, bass) is gone.`
            : `${nameOf(at.line, 'inlet')} takes the difference of its two legs, and they carry the same.`,
          basis: 'the calculated response with both channels playing the same',
          look: 'A stereo direct box, or a lead that takes one channel or both from the same contact.',
        }),
      ];
    if (!opposite(at)) return [];
    const [{ level }] = at.signal.channels;
    return [
      finding({
        code: 'mono-cancelled',
        severity: 'watch',
        part: 'inlet',
        what: 'Left and right are opposite: it vanishes in mono',
        why: `Both channels get the same signal (${rounded(level, 'dB')}), one of them reversed: summed to mono nothing is left.`,
        basis: 'the calculated response at 1 kHz',
        look: 'An adapter that grounds pin 3 and joins pin 2 to tip and ring.',
      }),
    ];
  },
};
