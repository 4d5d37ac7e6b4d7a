import { sourceKind } from '../../gear';
import { characterLabel } from '../words';
import {
  feedFamily,
  finding,
  heldAgainst,
  nameOf,
  needsWords,
  quantity,
  restsOn,
  rounded,
  type Case,
  type Rule,
} from '../case';
import type { Finding } from '../finding';
import { batteryFlat, type SupplyState } from '../solve';

const NOTHING = 0.05;

export const unpowered: Rule = {
  code: 'unpowered',
  judge: (at) => [
    ...at.supplies.filter(({ state }) => state === 'dead').map((supply) => dead(at, supply)),
    ...flat(at),
  ],
};

function dead(at: Case, { stake, volts, pins, reversed }: SupplyState): Finding {
  const none = pins < NOTHING && reversed < NOTHING;
  const t12 = stake.wants === 'phantom' && feedFamily(at.line) === 'T12';
  const limp = volts < pins - 0.5 && !t12;
  const why = none
    ? `${characterLabel(stake.wants)} doesn't reach ${stake.what}; it ${needsWords(stake.needs)}.`
    : reversed > NOTHING
      ? `Its supply is the wrong way round (−${quantity(reversed, 'V')}): it runs on nothing like that.`
      : `${capital(needsWords(stake.needs))}; below about ${quantity(stake.stops.value, 'V')} it is silent.` +
        (t12 ? ' T12 feeds pin 2 against pin 3; phantom is the same voltage on both.' : '') +
        (limp ? ` One pin reads ${quantity(pins, 'V')}, but its inner rail is down: one leg doesn't feed.` : '');
  return finding({
    code: 'unpowered',
    severity: 'silent',
    part: stake.part,
    what: none ? `No power at ${stake.what}` : `Only ${rounded(Math.max(volts, 0), 'V')} at ${stake.what}`,
    why,
    numbers: [
      {
        label: `Voltage, ${stake.contacts}`,
        value: Math.max(volts, 0),
        unit: 'V',
        limit: heldAgainst(stake.stops),
      },
      ...(limp ? [{ label: 'Better pin', value: pins, unit: 'V' as const }] : []),
    ],
    basis: `calculation; ${restsOn(stake.stops)}`,
    look: `Is this the right inlet for ${nameOf(at.line, stake.part)}? Read its data sheet for the power it needs.`,
  });
}

const capital = (text: string) => text.replace(/^./, (first) => first.toUpperCase());

function flat(at: Case): Finding[] {
  if (!batteryFlat(at.line)) return [];
  return [
    finding({
      code: 'unpowered',
      severity: 'silent',
      part: 'source',
      what: sourceKind(at.line.source.kind).ownSupply
        ? 'Its supply is missing or off'
        : 'Battery missing, flat or switched off',
      why: 'It runs on that only; phantom won’t help.',
      basis: 'as entered for the source',
    }),
  ];
}
