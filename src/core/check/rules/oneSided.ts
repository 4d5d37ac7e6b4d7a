import { CONNECTORS, linkKind } from '../../gear';
import { finding, isMicrophone, rounded, type Case, type Rule } from '../case';
import { LOST } from '../solve';

/** Left and right are kept apart on this line, or the other channel is another line's: so it was meant. */
const meant = (at: Case): boolean =>
  at.line.links.some(({ kind }) => linkKind(kind).keepsChannelsApart) ||
  (at.line.branches ?? []).some(({ source }) => source !== undefined);

/** A single microphone with a mono plug of its own: nothing of it is missing. */
const monoByPlug = (at: Case): boolean =>
  isMicrophone(at.line) &&
  at.circuit.junctions.every(({ plug }) => CONNECTORS[plug].size === '3.5 mm') &&
  CONNECTORS[at.circuit.junctions[0].plug].contacts.length === 2;

export const oneSided: Rule = {
  code: 'one-sided',
  judge(at) {
    const { channels, best, alongPath } = at.signal;
    if (channels.length < 2 || alongPath <= LOST || meant(at)) return [];
    return channels.flatMap((channel, n) => {
      const below = channel.level - channels[best].level;
      if (n === best || below > LOST) return [];
      return [
        finding({
          code: 'one-sided',
          severity: monoByPlug(at) ? 'note' : 'watch',
          part: 'inlet',
          what: `Signal on the ${channels[best].name} channel only`,
          why:
            Number.isFinite(below) && below > -100
              ? `The ${channel.name} channel is ${rounded(-below, 'dB')} lower.`
              : `The ${channel.name} channel's contact is grounded or free.`,
          basis: 'the calculated response at 1 kHz',
          look: 'Set the recorder to mono, or use a plug with three contacts.',
        }),
      ];
    });
  },
};
