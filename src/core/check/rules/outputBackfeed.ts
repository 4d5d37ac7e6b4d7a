import type { Limit } from '../../gear';
import { finding, heldAgainst, quantity, restsOn, type Case, type Rule } from '../case';
import type { Finding, Remedy } from '../finding';
import { converterForAdapter, feedOff, insertLink, isolate, moveAway, replaceLink } from '../remedies';
import { meter } from '../solve';

/** From this share of a limit on the finding says watch. */
const NEAR = 0.5;

export const outputBackfeed: Rule = {
  code: 'output-backfeed',
  judge: (at) =>
    at.circuit.stakes.flatMap((stake) => {
      if (stake.type === 'output') {
        const amps = Math.max(...stake.elements.map((element) => Math.abs(at.point.amps(element))));
        return backfeed(
          at,
          amps,
          'A',
          stake.limit,
          `The feed drives current into ${stake.what}`,
          'Current into the output',
        );
      }
      if (stake.type === 'output capacitor') {
        const volts = Math.max(...stake.between.map((pair) => Math.abs(meter(at.point, pair))));
        return backfeed(at, volts, 'V', stake.stands, `The feed stands on ${stake.what}`, 'Voltage on the capacitor');
      }
      return [];
    }),
};

function backfeed(at: Case, value: number, unit: 'A' | 'V', limit: Limit, what: string, label: string): Finding[] {
  if (value <= NEAR * limit.value) return [];
  const over = value > limit.value;
  return [
    finding({
      code: 'output-backfeed',
      severity: over ? 'harm' : 'watch',
      part: limit.part,
      what,
      why: `${label}: ${quantity(value, unit)}, ${over ? 'more than' : 'more than half of'} the ${quantity(limit.value, unit)} it stands.`,
      numbers: [{ label, value, unit, limit: heldAgainst(limit) }],
      remedies: [...feedOff(at), ...moveAway(at), ...converterOrBox(at), ...isolate(at)],
      basis: `computation; ${restsOn(limit)}`,
    }),
  ];
}

function converterOrBox(at: Case): Remedy[] {
  const adapter = at.line.links.findIndex(
    (part) => part.kind === 'plain-adapter' && part.choices?.wiring === 'ts-to-xlr',
  );
  if (adapter >= 0)
    return [
      replaceLink('Use a passive direct box', adapter, { kind: 'passive-direct-box' }, 'in place of the plain adapter'),
    ];
  const entry = at.circuit.links.findIndex(({ output }) => output === 'xlr3');
  const behind =
    entry < 0
      ? []
      : [
          insertLink(
            'Insert an isolating transformer',
            entry + 1,
            { kind: 'isolating-transformer' },
            'where the line becomes three-pin',
          ),
        ];
  return [
    ...(at.line.source.kind === 'self-powered-electret' ? [] : converterForAdapter(at)),
    ...(at.circuit.junctions[0].plug === 'xlr3' ? [] : behind),
  ];
}
