import { finding, quantity, type Rule } from '../case';
import { LOST } from '../solve';
import { replaceLink } from '../remedies';

export const oneSided: Rule = {
  code: 'one-sided',
  judge(at) {
    const { channels, best, alongPath } = at.signal;
    if (channels.length < 2 || alongPath <= LOST) return [];
    return channels.flatMap((channel, n) => {
      const below = channel.level - channels[best].level;
      if (n === best || below > LOST) return [];
      const adapter = at.line.links.findIndex(
        (part) => part.kind === 'plain-adapter' && part.choices?.wiring === 'xlr-to-mini-left',
      );
      return [
        finding({
          code: 'one-sided',
          severity: 'watch',
          part: 'inlet',
          what: `Only the ${channels[best].name} channel gets the signal`,
          why:
            `The ${channel.name} channel (contact ${channel.contacts[0]}) ` +
            (Number.isFinite(below)
              ? `is ${quantity(-below, 'dB')} below the ${channels[best].name} one.`
              : 'gets nothing: its contact is grounded or free.'),
          numbers: Number.isFinite(below)
            ? [{ label: `${channel.name} against ${channels[best].name}`, value: below, unit: 'dB' }]
            : [],
          remedies:
            adapter < 0
              ? []
              : [
                  replaceLink('Use an adapter that feeds both channels', adapter, {
                    kind: 'plain-adapter',
                    choices: { wiring: 'xlr-to-mini-both' },
                  }),
                ],
          basis: 'the computed small-signal response at 1 kHz',
        }),
      ];
    });
  },
};
