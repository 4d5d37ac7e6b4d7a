import { linkKind } from '../../gear';
import { finding, readInlet, type Case, type Rule } from '../case';
import { LOST } from '../solve';

/** Somebody put it there: a polarity-reverse adapter, or the button of the inlet. */
const onPurpose = (at: Case): boolean => {
  const adapters = at.line.links.filter(({ kind }) => linkKind(kind).turnsPolarity).length;
  const button = at.line.inlet.choices?.polarity === 'reversed' && readInlet(at).choice('polarity') === 'reversed';
  return (adapters + Number(button)) % 2 === 1;
};

export const reversed: Rule = {
  code: 'reversed',
  judge(at) {
    const { channels, alongPath, best } = at.signal;
    if (alongPath <= LOST) return [];
    // Both sides of a stereo inlet against each other is another matter.
    if (channels.length === 2 && channels[0].reversed !== channels[1].reversed) return [];
    return channels.flatMap((channel, n) => {
      if (!channel.reversed || n !== best) return [];
      const meant = onPurpose(at);
      return [
        finding({
          code: 'reversed',
          severity: meant ? 'note' : 'watch',
          part: 'inlet',
          what: meant ? 'Polarity reversed, on purpose' : 'Polarity reversed',
          why: `A positive swing at the source is a negative one at the inlet. ${meant ? 'As you set it.' : 'Harmless alone; with another microphone or channel the bass cancels.'}`,
          basis: 'the calculated response at 1 kHz',
          look: 'Turn it round in the recording.',
        }),
      ];
    });
  },
};
