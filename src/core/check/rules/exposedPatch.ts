import { sourceKind, type Part } from '../../gear';
import { LIVE } from '../../standards/feeds';
import { feedAt, finding, linksOf, quantity, type Rule } from '../case';
import { feedOff, removeLink } from '../remedies';
import { windingCurrent } from './elementDirectCurrent';
import { fedRibbon } from './ribbonFed';

const CUT: Part = { kind: 'cable', faults: (['1', '2', '3'] as const).map((contact) => ({ type: 'open', contact })) };

export const exposedPatch: Rule = {
  code: 'exposed-patch',
  judge: (at) =>
    linksOf(at.line, 'TRS patch point').flatMap((n) => {
      // What stands on the contacts with the plug pulled: the source's side cut off.
      const volts = feedAt(at.whatIf([{ do: 'replace', part: n, with: CUT }]), n + 1);
      if (volts <= LIVE) return [];
      const ribbon = sourceKind(at.line.source.kind).character === 'passive ribbon' && fedRibbon(at) > 0;
      // Half way in, the plug's ring touches ground while its tip is still fed.
      const half = at.whatIf([
        { do: 'replace', part: n, with: { kind: 'cable', faults: [{ type: 'shorted', contacts: ['1', '3'] }] } },
      ]);
      const stake = half.circuit.stakes.find((other) => other.type === 'winding');
      const amps = stake?.type === 'winding' ? windingCurrent(half, stake) : undefined;
      return [
        finding({
          code: 'exposed-patch',
          severity: ribbon ? 'harm' : 'watch',
          part: n,
          what: 'A TRS patch point lies on a line with a live feed',
          why:
            `${quantity(volts, 'V')} stand on its contacts while the plug is out. While a plug slides in or out, one leg is fed and the other grounded` +
            (amps === undefined
              ? ', so the source and the inlet take a step each time.'
              : `: ${quantity(amps, 'A')} pass through the source for as long as it stays half way in.`),
          numbers: [
            { label: 'Feed at the patch point', value: volts, unit: 'V' },
            ...(amps === undefined
              ? []
              : [{ label: 'Current through the source, plug half way in', value: amps, unit: 'A' as const }]),
          ],
          remedies: [...feedOff(at), removeLink('Take the patch point out', n, 'run the cable straight through')],
          basis: 'computation of the steady middle position; contact order of TRS plugs is common practice',
        }),
      ];
    }),
};
