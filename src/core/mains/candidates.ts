import { linkKind, mate, mending, reader, sourceKind, type Part } from '../gear';
import { endsInLink, startsAtLink, type RigDocument, type RigLine } from '../rig';
import type { Metres } from '../units';
import type { MainsEdit } from './edits';
import { FAR_ENOUGH, LEADS_APART } from './fields';
import { FLOATING_LEAK } from './figures';
import type { LineHum } from './hearing';
import { earthed } from './network';
import type { Loop } from './readings';
import type { MainsSystem, MainsUnit } from './system';
import { connectionOf } from './ties';

/** Changes that may help a line against the mains; whether one does is for the solver to say. */

/** What remedies cost; in this order they are offered. */
export const COSTS = {
  nothing: 'Costs nothing',
  part: 'Needs a part',
  money: 'Costs money, and an electrician',
} as const;
export type Cost = keyof typeof COSTS;

/** A change of the document, or of what is computed from it where the document has no place for it. */
export type Candidate = { what: string; cost: Cost } & (
  { edit: MainsEdit } | { change: (system: MainsSystem) => MainsSystem }
);

/** What is known where remedies are looked for. */
export interface Place {
  document: RigDocument;
  system: MainsSystem;
  hum: LineHum;
  loop?: Loop;
  /** Its source, and what it goes into. */
  from: MainsUnit;
  into: MainsUnit;
}

/** What might help a line, whether it does or not. */
export const candidates = (place: Place): Candidate[] => [
  ...sameStrip(place),
  ...star(place),
  ...elsewhere(place),
  ...leadsApart(place),
  ...cleaned(place),
  ...battery(place),
  ...ofTheLine(place),
  ...isolators(place),
  ...supplies(place),
  ...otherLeg(place),
  ...balancedPower(place),
];

const sameStrip = ({ from, into }: Place): Candidate[] =>
  into.outlet !== undefined && from.outlet !== into.outlet && from.plug !== 'cells'
    ? [
        {
          what: `Plug ${from.name} into ${into.outlet}, with ${into.name}`,
          cost: 'nothing',
          edit: { do: 'outlet', unit: from.id, outlet: into.outlet },
        },
      ]
    : [];

/** What hangs on a longer lead than this is far from any other outlet: a shore-power lead, a feed from a generator (assumed). */
const IN_REACH: Metres = 10;

/** Strips of either end that hang on another strip. */
function star({ system: { outlets }, from, into }: Place): Candidate[] {
  const named = (name: string | undefined) => outlets.find((each) => each.name === name);
  return [...new Set([from.outlet, into.outlet])].flatMap((name): Candidate[] => {
    const upper = named(name)?.from;
    if (name === undefined || upper === undefined) return [];
    const root = named(upper)?.from;
    if (root === undefined && named(upper)!.length > IN_REACH) return [];
    return [
      {
        what: `Plug ${name} into ${root ?? 'the wall'} instead of ${upper}`,
        cost: 'nothing',
        edit: { do: 'from', outlet: name, ...(root !== undefined && { from: root }) },
      },
    ];
  });
}

/** Units whose current runs beside an earth conductor of this line's loop. */
const elsewhere = ({ system: { units, outlets }, hum, from, into }: Place): Candidate[] =>
  [...hum.shares, ...(hum.whine?.shares ?? [])]
    .filter(({ way, unit }) => way === 'induction' && unit !== into.id && unit !== from.id)
    .filter(({ unit }, n, all) => all.findIndex((each) => each.unit === unit) === n)
    .slice(0, 2)
    .flatMap(({ unit }): Candidate[] => {
      const { name, outlet } = units.find(({ id }) => id === unit)!;
      if (outlet === undefined) return [];
      const upper = outlets.find((each) => each.name === outlet)?.from;
      return [
        {
          what: `Plug ${name} into ${upper ?? 'the wall'} instead of ${outlet}`,
          cost: 'nothing',
          edit: { do: 'outlet', unit, ...(upper !== undefined && { outlet: upper }) },
        },
      ];
    });

const leadsApart = ({ document: { mains, units = [] }, hum }: Place): Candidate[] =>
  (mains?.beside ?? [])
    .filter(({ line }) => line === hum.line)
    .flatMap(({ line, unit, coil, distance }): Candidate[] => {
      const what = `${coil ? '' : 'the mains lead of '}${units.find(({ id }) => id === unit)?.name ?? unit}`;
      const far = coil ? FAR_ENOUGH : LEADS_APART;
      return [
        ...(distance.value < far
          ? [
              {
                what: `Keep the cable ${far * 100} cm away from ${what}`,
                cost: 'nothing' as const,
                edit: { do: 'apart' as const, line, unit, distance: far },
              },
            ]
          : []),
        { what: `Let the cable cross ${what} at a right angle`, cost: 'nothing', edit: { do: 'cross', line, unit } },
      ];
    });

const cleaned = ({ document: { mains }, hum }: Place): Candidate[] =>
  mains?.lines?.some(({ line, contact }) => line === hum.line && contact)
    ? [
        {
          what: 'Clean its plugs: pulled at both ends, dry before use; never a socket',
          cost: 'nothing',
          edit: { do: 'measured', line: hum.line, figure: 'contact' },
        },
      ]
    : [];

const battery = ({ from }: Place): Candidate[] =>
  from.kind === 'computer' && from.plug !== 'cells'
    ? [
        {
          what: `Run ${from.name} on its battery`,
          cost: 'nothing',
          edit: { do: 'plug', unit: from.id, plug: 'cells' },
        },
      ]
    : [];

/** What is changed in the line itself. */
function ofTheLine({ document, hum, from }: Place): Candidate[] {
  const line = document.lines.find(({ id }) => id === hum.line);
  if (!line || endsInLink(line) || startsAtLink(line)) return [];
  const lifts = line.links.flatMap(({ kind, name, choices }, at): Candidate[] =>
    linkKind(kind).breaksLoops && 'ground' in linkKind(kind).choices && choices?.ground !== 'lifted'
      ? [
          {
            what: `Ground lift at ${name ?? linkKind(kind).label}`,
            cost: 'nothing',
            edit: { do: 'choose', line: line.id, at, choice: 'ground', value: 'lifted' },
          },
        ]
      : [],
  );
  const inserted = (what: string, part: Part): Candidate[] =>
    xlrEnd(line).map((at) => ({ what, cost: 'part', edit: { do: 'insert', line: line.id, at, part } }));
  const isLine = sourceKind(line.source.kind).character === 'line output';
  return [
    ...lifts,
    ...(hum.how === 'unbalanced'
      ? [
          {
            what: 'Balanced lead instead of the unbalanced one, where source and inlet are balanced',
            cost: 'part' as const,
            change: balanced(hum.line),
          },
        ]
      : []),
    ...(lifts.length ? [] : inserted('Isolating transformer in the line, ground lifted', TRANSFORMER)),
    ...(isLine && hum.how === 'balanced' && earthed(from)
      ? inserted('Shield joined at the sending end, over 10 nF at the inlet', mending('shield over a capacitor'))
      : []),
  ];
}

const TRANSFORMER = mending('isolation', { choices: { ground: 'lifted' } });

/** The line as if its signal returned over a conductor of its own. */
const balanced =
  (line: string) =>
  (system: MainsSystem): MainsSystem => ({
    ...system,
    ties: system.ties.map((tie) =>
      tie.hears?.line === line ? { ...tie, hears: { ...tie.hears, how: 'balanced' as const, unbalanced: 0 } } : tie,
    ),
  });

/** Before the inlet of a line, where that is an XLR; nowhere where something parts the grounds already. */
function xlrEnd({ links }: Pick<RigLine, 'links'>): number[] {
  const last = links.at(-1);
  if (!last || links.some(({ kind }) => linkKind(kind).breaksLoops || linkKind(kind).shieldOver)) return [];
  const kind = linkKind(last.kind);
  return mate(kind.ends(reader(kind, last)).output, 'xlr3') ? [links.length] : [];
}

/** Data leads of the loop. */
const isolators = ({ document: { mains }, loop }: Place): Candidate[] =>
  (loop?.ties ?? []).flatMap((tie): Candidate[] => {
    const at = connectionOf(tie);
    const kind = at === undefined ? undefined : mains?.connections?.[at]?.kind;
    return kind === 'USB' || kind === 'network'
      ? [
          {
            what: `${kind === 'USB' ? 'USB isolator (look at its speed and what power it passes)' : 'Unshielded network lead, or a network isolator'} in its loop`,
            cost: 'part',
            edit: { do: 'isolate', at: at! },
          },
        ]
      : [];
  });

const supplies = ({ from, into }: Place): Candidate[] => [
  ...(from.kind === 'computer' && earthed(from)
    ? [
        {
          what: `A listed supply of class II (two-pin by design) for ${from.name}`,
          cost: 'part' as const,
          change: (system: MainsSystem): MainsSystem => ({
            ...system,
            units: system.units.map((unit) => (unit.id === from.id ? asClassTwo(unit) : unit)),
          }),
        },
      ]
    : []),
  ...[from, into]
    .filter(earthed)
    .slice(0, 1)
    .map(({ id, name }): Candidate => ({
      what: `A listed blocker of small earth currents in the mains lead of ${name}, where local code allows it`,
      cost: 'part',
      edit: { do: 'block', unit: id },
    })),
];

const asClassTwo = (unit: MainsUnit): MainsUnit => ({
  ...unit,
  plug: 'two-pin',
  leaks: (['live', 'neutral'] as const).map((from) => ({ from, farads: FLOATING_LEAK })),
});

const otherLeg = ({ from, into }: Place): Candidate[] =>
  from.leg === into.leg
    ? []
    : [
        {
          what: `Put ${from.name} on the same leg as ${into.name}`,
          cost: 'nothing',
          change: (system) => ({
            ...system,
            units: system.units.map((unit) => (unit.id === from.id ? { ...unit, leg: into.leg } : unit)),
          }),
        },
      ];

const balancedPower = ({ system }: Place): Candidate[] =>
  system.balanced
    ? []
    : [
        {
          what: 'Balanced power from a listed transformer: cancels only what is matched in every filter',
          cost: 'money',
          change: (from) => ({
            ...from,
            balanced: true,
            units: from.units.map((unit) => ({ ...unit, leg: 1 as const })),
          }),
        },
      ];
