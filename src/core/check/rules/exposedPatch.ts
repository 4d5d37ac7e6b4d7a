import { sourceKind, type Part } from '../../gear';
import { LIVE } from '../../standards/feeds';
import { feedAt, feedOf, finding, linksOf, offeredFeeds, quantity, type Case, type Rule } from '../case';
import type { Finding, Number } from '../finding';
import { feedOff, moveAway, removeLink } from '../remedies';
import { windingCurrent } from './elementDirectCurrent';
import { fedRibbon } from './ribbonFed';

const CUT: Part = { kind: 'cable', faults: (['1', '2', '3'] as const).map((contact) => ({ type: 'open', contact })) };

export const exposedPatch: Rule = {
  code: 'exposed-patch',
  judge: (at) =>
    linksOf(at.line, 'TRS patch point').flatMap((n) => {
      // What stands on the contacts with the plug pulled: the source's side cut off.
      const volts = feedAt(at.whatIf([{ do: 'replace', part: n, with: CUT }]), n + 1);
      return volts > LIVE ? [live(at, n, volts)] : shared(at, n);
    }),
};

function live(at: Case, n: number, volts: number): Finding {
  const ribbon = sourceKind(at.line.source.kind).character === 'passive ribbon' && fedRibbon(at) > 0;
  // Half way in, the plug's ring touches ground while its tip is still fed.
  const half = at.whatIf([
    { do: 'replace', part: n, with: { kind: 'cable', faults: [{ type: 'shorted', contacts: ['1', '3'] }] } },
  ]);
  const stake = half.circuit.stakes.find((other) => other.type === 'winding');
  const amps = stake?.type === 'winding' ? windingCurrent(half, stake) : undefined;
  return finding({
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
      ...peaks(at),
    ],
    remedies: [
      ...feedOff(at),
      ...moveAway(at),
      removeLink('Take the patch point out', n, 'run the cable straight through'),
    ],
    basis: 'computation over the positions of the plug; contact order of TRS plugs is common practice',
  });
}

/** Peaks of the whole way in, where somebody asked for the course over time. */
function peaks(at: Case): Number[] {
  const plugged = at.plugged?.();
  if (!plugged) return [];
  return [
    { label: `Peak current while it is patched live (${plugged.worst})`, value: plugged.amps, unit: 'A' },
    { label: 'Peak voltage across the source while it is patched live', value: plugged.volts, unit: 'V' },
  ];
}

/** The feed is off, but its switch serves others too: somebody may turn it on for them. */
function shared(at: Case, n: number): Finding[] {
  const { switch: own } = at.line;
  const delicate = ['passive ribbon', 'moving coil'].includes(sourceKind(at.line.source.kind).character);
  if (!own?.reaches.length || feedOf(at.line) !== 'off' || !offeredFeeds(at.line).length || !delicate) return [];
  return [
    finding({
      code: 'exposed-patch',
      severity: 'watch',
      part: n,
      what: 'A TRS patch point lies behind a switch that serves other lines too',
      why: `${own.name} is off now; turned on for ${list(own.reaches)}, it would stand on these contacts as well.`,
      remedies: [removeLink('Take the patch point out', n, 'run the cable straight through')],
      basis: 'contact order of TRS plugs is common practice',
    }),
  ];
}

const list = (names: readonly string[]): string =>
  names.length > 3 ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more` : names.join(' or ');
