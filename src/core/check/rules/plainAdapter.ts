import { CONNECTORS } from '../../gear';
import { isPhantom, USUAL } from '../../standards/feeds';
import { canFeedPhantom, feedAt, feedOf, finding, linksOf, quantity, schoolOf, type Rule } from '../case';

export const plainAdapterRule: Rule = {
  code: 'plain-adapter',
  judge: (at) =>
    linksOf(at.line, 'plain adapter').flatMap((n) => {
      const { input, output } = at.circuit.links[n];
      const sizes = [input, output].map((id) => CONNECTORS[id].size);
      if (!sizes.includes('xlr') || !sizes.includes('3.5 mm')) return [];
      const electret = at.circuit.stakes.some(({ type, part }) => type === 'capsule' && part === 'source');
      const strict = at.schools.plainAdapters === 'never';
      if (!strict && !(electret && canFeedPhantom(at.line))) return [];
      const pressed = canFeedPhantom(at.line)
        ? feedAt(at.whatIf([{ do: 'choose', part: 'inlet', choice: 'feed', value: USUAL }]), n)
        : feedAt(at, n);
      // Behind a transformer or capacitors no phantom can come this far.
      if (!strict && pressed < 1) return [];
      const live = isPhantom(feedOf(at.line));
      return [
        finding({
          code: 'plain-adapter',
          severity: 'watch',
          part: n,
          what: 'Plain adapter from XLR to 3.5 mm',
          why:
            pressed < 1
              ? 'Wire only: it passes whatever the inlet feeds.'
              : live
                ? `Wire only: ${quantity(pressed, 'V')} at the 3.5 mm plug.`
                : `Wire only: turn 48 V on and ${quantity(pressed, 'V')} is at the 3.5 mm plug.`,
          numbers: [{ label: 'Voltage at the 3.5 mm plug with 48 V on', value: pressed, unit: 'V' }],
          ...schoolOf(at, 'plainAdapters'),
          look: 'An inlet that cannot feed phantom.',
        }),
      ];
    }),
};
