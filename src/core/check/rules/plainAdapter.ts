import { CONNECTORS, sourceKind } from '../../gear';
import { canFeedPhantom, feedAt, feedOf, finding, linksOf, quantity, schoolOf, type Rule } from '../case';
import { converterForAdapter } from '../remedies';
import { batteryFlat } from '../solve';

export const plainAdapterRule: Rule = {
  code: 'plain-adapter',
  judge: (at) =>
    linksOf(at.line, 'plain adapter').flatMap((n) => {
      const { input, output } = at.circuit.links[n];
      const sizes = [input, output].map((id) => CONNECTORS[id].size);
      if (!sizes.includes('xlr') || !sizes.includes('3.5 mm')) return [];
      const pressed = canFeedPhantom(at.line)
        ? feedAt(at.whatIf([{ do: 'choose', part: 'inlet', choice: 'feed', value: 'P48' }]), n)
        : feedAt(at, n);
      const selfPowered = sourceKind(at.line.source.kind).character === 'self-powered' && !batteryFlat(at.line);
      const fine = at.schools.plainAdapters === 'proven-off' && feedOf(at.line) === 'off' && selfPowered;
      if (fine) return [];
      return [
        finding({
          code: 'plain-adapter',
          severity: 'watch',
          part: n,
          what: 'A plain adapter joins a mini-jack and a three-pin line',
          why: canFeedPhantom(at.line)
            ? `It is wire and nothing else: with 48 V pressed on, ${quantity(pressed, 'V')} stand on the mini-jack side.`
            : `It is wire and nothing else: ${quantity(pressed, 'V')} stand on it now.`,
          numbers: [
            {
              label: canFeedPhantom(at.line) ? 'Voltage at the adapter with 48 V pressed' : 'Voltage at the adapter',
              value: pressed,
              unit: 'V',
            },
          ],
          remedies: converterForAdapter(at),
          ...schoolOf(at, 'plainAdapters'),
        }),
      ];
    }),
};
