import { finding, type Rule } from '../case';
import { LOST } from '../solve';
import { insertLink, mendCables, removeLink } from '../remedies';

export const reversed: Rule = {
  code: 'reversed',
  judge(at) {
    const { channels, alongPath, best } = at.signal;
    if (alongPath <= LOST) return [];
    return channels.flatMap((channel) => {
      if (!channel.reversed || channel.level < channels[best].level + LOST) return [];
      const reverser = at.line.links.findIndex(({ kind }) => kind === 'polarity-reverser');
      const last = at.line.links.length;
      return [
        finding({
          code: 'reversed',
          severity: 'watch',
          part: 'inlet',
          what: `The signal arrives with polarity reversed${channel.name ? ` on the ${channel.name} channel` : ''}`,
          why:
            `A positive swing at the source is a negative one at contacts ${channel.contacts.join(' and ')} of the inlet. ` +
            'Alone it does no harm; together with another microphone, or with the other channel, low tones cancel.',
          numbers: [{ label: 'Level at the inlet', value: channel.level, unit: 'dB' }],
          remedies: [
            ...mendCables(at),
            ...(reverser >= 0
              ? [removeLink('Take the polarity reverser out', reverser)]
              : at.circuit.junctions[last].plug === 'xlr3'
                ? [insertLink('Insert a polarity reverser', last, { kind: 'polarity-reverser' })]
                : []),
          ],
          basis: 'the computed small-signal response at 1 kHz',
        }),
      ];
    });
  },
};
