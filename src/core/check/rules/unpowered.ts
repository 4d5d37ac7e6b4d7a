import { inletKind, kindAt, partAt } from '../../gear';
import { finding, heldAgainst, nameOf, quantity, restsOn, type Case, type Rule } from '../case';
import type { Remedy } from '../finding';
import { converterForAdapter, feedOn, insertLink, mendCables, moveTo } from '../remedies';
import { batteryFlat, type SupplyState } from '../solve';

const PHANTOMS = [
  { value: 'P48', label: '48 V' },
  { value: 'P24', label: '24 V' },
  { value: 'P12', label: '12 V' },
];

const T12 = [
  { value: 'T12', label: 'T12' },
  { value: 'T12R', label: 'T12 reversed' },
];

/** Ways to get a part the power it wants. */
export function powerUp(at: Case, { stake }: SupplyState): Remedy[] {
  const battery: Remedy[] = kindAt(stake.part, partAt(at.line, stake.part).kind).choices.battery
    ? [{ label: 'Switch its battery on', edits: [{ do: 'choose', part: stake.part, choice: 'battery', value: 'on' }] }]
    : [];
  const last = at.line.links.length;
  const feedless = !inletKind(at.line.inlet.kind).choices.feed && at.circuit.junctions[last].plug === 'xlr3';
  if (stake.wants === 'T12')
    return [
      ...mendCables(at),
      ...feedOn(at, T12),
      ...moveTo(at, ['T12', 'T12R']),
      insertLink('Insert a T12 supply box', 0, { kind: 't12-supply' }, 'right behind the microphone'),
    ];
  if (stake.wants === 'plug-in power')
    return [
      ...mendCables(at),
      ...converterForAdapter(at),
      ...feedOn(at, [{ value: 'plug-in', label: 'plug-in power' }]),
      ...moveTo(at, ['plug-in']),
    ];
  return [
    ...mendCables(at),
    ...feedOn(at, PHANTOMS),
    ...moveTo(at, ['P48', 'P24', 'P12', 'SP48']),
    ...battery,
    ...(feedless || at.circuit.junctions[0].plug === 'xlr3'
      ? [
          insertLink(
            'Insert a supply box',
            stake.part === 'source' ? 0 : Number(stake.part) + 1,
            { kind: 'supply-box' },
            '48 V of its own',
          ),
        ]
      : []),
  ];
}

export const unpowered: Rule = {
  code: 'unpowered',
  judge: (at) => [
    ...at.supplies
      .filter(({ state }) => state === 'dead')
      .map((supply) => {
        const { stake, volts } = supply;
        const none = volts < 0.05;
        return finding({
          code: 'unpowered',
          severity: 'silent',
          part: stake.part,
          what: none ? `No power reaches ${stake.what}` : `Too little voltage for ${stake.what}`,
          why:
            `${nameOf(at.line, stake.part)} runs on ${stake.wants} and gets ${quantity(volts, 'V')} (${stake.contacts}); ` +
            `below ${quantity(stake.stops.value, 'V')} it is silent, its maker specifies it from ${quantity(stake.needs.value, 'V')}.`,
          numbers: [{ label: `Voltage, ${stake.contacts}`, value: volts, unit: 'V', limit: heldAgainst(stake.stops) }],
          remedies: powerUp(at, supply),
          basis: `computation; ${restsOn(stake.stops)}`,
        });
      }),
    ...(batteryFlat(at.line)
      ? [
          finding({
            code: 'unpowered',
            severity: 'silent',
            part: 'source',
            what: 'Its battery is out, empty or switched off',
            why: `${nameOf(at.line, 'source')} lives on its own cell and takes nothing from the line.`,
            remedies: [
              {
                label: 'Put its battery in',
                edits: [{ do: 'choose', part: 'source', choice: 'battery', value: 'on' }],
              },
            ],
            basis: 'as entered for the source',
          }),
        ]
      : []),
  ],
};
