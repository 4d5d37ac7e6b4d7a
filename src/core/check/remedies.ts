import {
  isCable,
  isPlainAdapter,
  sourceKind,
  CONNECTORS,
  inletKind,
  kindAt,
  linkKind,
  mate,
  partAt,
  reader,
  type ConnectorId,
  type MeantFor,
  type PartRef,
  type SupplyStake,
  LOW_CUTS,
} from '../gear';
import type { Edit, FreeInlet } from '../gear/edits';
import { feedLabel, FEEDS, type FeedFamily, type FeedName } from '../standards/feeds';
import { quantity, uncapital } from '../units/format';
import { additions, ownInlets } from './additions';
import { faulty, feedOf, isMicrophone, meantFor, nameOf, offeredFeeds, readPart, type Case } from './case';
import type { Remedy } from './finding';
import { fromKit } from './kitParts';
import { rewirings } from './rewirings';
import { plural } from '../units';

/** Most free inlets that are tried, each of another kind, switch or setting. */
const MOVES = 6;
/** A plug on a lead of its own reaches so far without a cable, in metres (common practice). */
const BY_ITSELF = 3;
/** Which feeds power what. */
const FAMILY: Record<SupplyStake['wants'], FeedFamily> = { phantom: 'phantom', 'plug-in power': 'plug-in', T12: 'T12' };

/** Everything an engineer would try on a line, in the order in which it would be tried. */
export const candidates = (at: Case): Remedy[] => [
  ...takeOut(at),
  ...ownInlets(at),
  ...rewirings(at),
  ...sockets(at, 'right socket'),
  ...settings(at),
  ...goodCables(at),
  ...additions(at),
  ...sockets(at, 'move'),
  ...feeds(at),
];

/** What could stand between the neighbours of a link without it; a preamplifier is there on purpose. */
function takeOut(at: Case): Remedy[] {
  const { junctions } = at.circuit;
  return at.line.links.flatMap((part, n): Remedy[] => {
    const kind = linkKind(part.kind);
    if (
      kind.nature === 'cable' ||
      kind.onPurpose ||
      (at.line.branches ?? []).some((branch) => branch.at === n) ||
      part.entry ||
      part.exit
    )
      return [];
    if (!mate(junctions[n].plug, junctions[n + 1].socket)) return [];
    return [{ by: 'take out', label: `Remove ${nameOf(at.line, n)}`, edits: [{ do: 'remove', at: n }] }];
  });
}

/** What the sockets are called that a source belongs in. */
function belongs(at: Case): MeantFor[] {
  switch (at.line.source.kind) {
    case 'plug-in-electret':
    case 'self-powered-electret':
      return ['plug-in'];
    case 'piezo-pickup':
    case 'magnetic-pickup':
    case 'active-instrument':
      return ['instrument'];
    case 'line-output':
    case 'wireless-receiver':
      return ['line'];
    default:
      return ['microphone'];
  }
}

/** Free inlets that the line could end in: those meant for such a source where it is not in one, or any others. */
function sockets(at: Case, by: 'right socket' | 'move'): Remedy[] {
  const wanted = belongs(at);
  const here = meantFor(at);
  const seen = new Set<string>();
  return at.free
    .flatMap((free): Remedy[] => {
      const kind = inletKind(free.inlet.kind);
      const fitted = fit(at, free);
      if (!fitted) return [];
      const purpose = kind.meantFor(reader(kind, free.inlet), fitted.plug);
      const right = wanted.includes(purpose) && (!wanted.includes(here) || purpose !== here);
      const feed = free.inlet.choices?.feed ?? 'off';
      const key = [
        free.switch?.name ?? free.inlet.kind,
        purpose,
        feed,
        JSON.stringify(free.inlet.figures ?? {}),
      ].join();
      // A line inlet has neither the gain nor the feed that a microphone wants.
      if (isMicrophone(at.line) && purpose !== 'microphone' && purpose !== 'plug-in') return [];
      if (right !== (by === 'right socket') || seen.has(key)) return [];
      seen.add(key);
      return [
        {
          by,
          label: `Move to ${free.inlet.name ?? 'a free inlet'}`,
          note: [...fitted.notes, moveNote(free)].join(', '),
          edits: [...fitted.edits, { do: 'move', ...free }],
          ...(fitted.owned !== undefined && { owned: fitted.owned }),
        },
      ];
    })
    .slice(0, MOVES);
}

function moveNote({ switch: own, inlet }: FreeInlet): string {
  if (!own) return 'free, has no feed';
  const feed = (inlet.choices?.feed ?? 'off') as FeedName;
  const shares = own.reaches.length ? ` (shares a switch with ${plural(own.reaches.length, 'line')})` : '';
  return `free, ${feed === 'off' ? 'feed off now' : `${feedLabel(feed)} on`}${shares}`;
}

interface Fitted {
  edits: Edit[];
  notes: string[];
  plug: ConnectorId;
  owned?: boolean;
}

/** Metres of cable on the line. */
const cableLength = (at: Case): number =>
  at.line.links.reduce(
    (sum, part, n) => (linkKind(part.kind).nature === 'cable' ? sum + readPart(at.line, n).value('length') : sum),
    0,
  );

/** How the line would go into a free inlet: as it is, without its adapters, or with one more; undefined where it cannot, or does not reach. */
function fit(at: Case, free: FreeInlet): Fitted | undefined {
  const { junctions } = at.circuit;
  const { sockets: offered } = inletKind(free.inlet.kind);
  const goes = (plug: ConnectorId) => offered.some((socket) => mate(plug, socket));
  const last = at.line.links.length;
  const end = junctions[last].plug;
  const cable = cableLength(at);
  if (free.run !== undefined && free.run > Math.max(cable, BY_ITSELF)) return undefined;
  if (goes(end)) return { edits: [], notes: [], plug: end };
  // Without what changes its connector at the inlet's end.
  const before = last > 0 ? junctions[last - 1].plug : undefined;
  if (before && goes(before) && linkKind(at.line.links[last - 1].kind).nature !== 'cable')
    return {
      edits: [{ do: 'remove', at: last - 1 }],
      notes: [`without ${nameOf(at.line, last - 1)}`],
      plug: before,
    };
  // On its own lead, where that reaches.
  const reaches = free.run === undefined ? cable <= BY_ITSELF : free.run <= BY_ITSELF;
  if (last > 0 && goes(junctions[0].plug) && reaches && !(at.line.branches ?? []).length)
    return {
      edits: at.line.links.map((_, n): Edit => ({ do: 'remove', at: last - 1 - n })),
      notes: ['on its own lead'],
      plug: junctions[0].plug,
    };
  const relaid = relay(at, goes(junctions[0].plug));
  if (relaid) return relaid;
  if (end === 'xlr3' && goes('trs635')) {
    const adapter = { kind: 'plain-adapter', choices: { wiring: 'xlr-to-trs' } };
    const found = fromKit(at, adapter);
    return {
      edits: [{ do: 'insert', at: last, part: found.part }],
      notes: [`over an XLR-to-TRS adapter${found.note ? ` (${found.note})` : ''}`],
      plug: 'trs635',
      ...(found.owned !== undefined && { owned: found.owned }),
    };
  }
  return undefined;
}

/** On XLR cable all the way, without the adapters between. */
function relay(at: Case, goes: boolean): Fitted | undefined {
  const { links, branches = [] } = at.line;
  const { plug } = at.circuit.junctions[0];
  const adapters = [...links.keys()].filter((n) => isPlainAdapter(links[n]));
  const plain = links.every((part) => !part.faults?.length && (isCable(part) || isPlainAdapter(part)));
  if (!goes || plug !== 'xlr3' || !plain || !adapters.length || adapters.length === links.length || branches.length)
    return undefined;
  return {
    edits: [
      ...links.flatMap((part, n): Edit[] =>
        isCable(part) ? [{ do: 'choose', part: n, choice: 'connector', value: plug }] : [],
      ),
      ...adapters.toReversed().map((n): Edit => ({ do: 'remove', at: n })),
    ],
    notes: [`on ${CONNECTORS[plug].label} cable`],
    plug,
  };
}

/** Switches on the things in hand: each other position of each. */
function settings(at: Case): Remedy[] {
  const parts: PartRef[] = ['source', ...at.line.links.keys(), 'inlet'];
  const flipped = parts.flatMap((ref) => {
    const part = partAt(at.line, ref);
    const { choices } = kindAt(ref, part.kind);
    return Object.entries(choices).flatMap(([choice, { setting, options, label }]): Remedy[] => {
      const now = readPart(at.line, ref).choice(choice);
      // A low cut mends nothing here, and a button that is not there cannot be pressed.
      if (!setting || (LOW_CUTS as readonly string[]).includes(choice) || now === 'none') return [];
      return options
        .filter(({ value }) => value !== now && value !== 'none')
        .filter(({ value }) => !(ref === 'inlet' && value === 'line' && isMicrophone(at.line)))
        .map((option) => ({
          by: 'setting' as const,
          label: settingLabel(at, ref, choice, option.value, label, option.label),
          edits: [{ do: 'choose' as const, part: ref, choice, value: option.value }],
        }));
    });
  });
  return [...flipped, ...turnedDown(at)];
}

function settingLabel(at: Case, ref: PartRef, choice: string, value: string, label: string, option: string): string {
  const name = nameOf(at.line, ref);
  switch (choice) {
    case 'battery':
      if (sourceKind(at.line.source.kind).highVoltage && ref === 'source')
        return `Its supply switched ${value} (record it)`;
      return `Battery of ${name} switched ${value} (record it)`;
    case 'feed':
      return value === 'off' ? `Turn ${name} off` : `Set ${name} to ${option}`;
    case 'pad':
      if (value === 'off') return `Pad out: ${name}`;
      return `Pad in: ${name}${value === 'on' ? '' : ` (${option})`}`;
    case 'polarity':
      return `Press the polarity button of ${name}`;
    case 'input':
    case 'output':
    case 'jack':
      return `Set the ${choice} of ${name} to ${value}`;
    default:
      return `${name}: ${uncapital(label)} ${option}`;
  }
}

/** The level knob of what plays too loud. */
function turnedDown(at: Case): Remedy[] {
  const { level } = at;
  const part = at.line.source;
  if (!level || kindAt('source', part.kind).figures.outputLevel?.unit !== 'dBu') return [];
  const over = Math.ceil(level.gainMin - level.gainNeeded);
  const value = readPart(at.line, 'source').value('outputLevel') - over;
  if (over <= 0 || value < -60) return [];
  return [
    {
      by: 'setting',
      label: `Turn ${nameOf(at.line, 'source')} down by ${quantity(over, 'dB')}`,
      edits: [
        {
          do: 'set figure',
          part: 'source',
          figure: 'outputLevel',
          to: { value, unit: 'dBu', basis: 'measured' },
        },
      ],
    },
  ];
}

/** A good cable in place of each bad one: from the kit where it has one that is long enough. */
function goodCables(at: Case): Remedy[] {
  return faulty(at.line).map((n) => {
    const part = at.line.links[n];
    const length = readPart(at.line, n).value('length');
    const spare = at.kit?.find(
      (item) =>
        item.count > 0 &&
        item.part.kind === part.kind &&
        !item.part.faults?.length &&
        (item.part.choices?.connector ?? 'xlr3') === (part.choices?.connector ?? 'xlr3') &&
        reader(linkKind(part.kind), item.part).value('length') >= length,
    );
    const edits: Edit[] = spare ? [{ do: 'replace', part: n, with: spare.part }] : [{ do: 'mend', at: n }];
    return {
      by: 'cable',
      label: `Replace ${nameOf(at.line, n)} with ${spare ? spare.name : 'a good one'}`,
      ...(spare ? { note: 'from your kit', owned: true } : at.kit && { note: 'not in your kit', owned: false }),
      edits,
    };
  });
}

/** Off, and every other position of the inlet's feed that something on the line is made for. */
function feeds(at: Case): Remedy[] {
  const now = feedOf(at.line);
  const wanted = new Set(at.supplies.map(({ stake }) => FAMILY[stake.wants]));
  const name = at.line.switch?.name ?? 'the feed';
  // A switch that reaches nobody else is one more switch in hand.
  const by = at.line.switch?.reaches.length ? 'shared switch' : 'setting';
  return ['off', ...offeredFeeds(at.line)]
    .filter((feed, n, all) => feed !== now && all.indexOf(feed) === n)
    .filter((feed) => feed === 'off' || wanted.has(FEEDS[feed as Exclude<FeedName, 'off'>].family))
    .map((feed) => ({
      by,
      label: feed === 'off' ? `Try ${name} off` : `Try ${name} at ${feedLabel(feed as FeedName)}`,
      edits: [{ do: 'choose', part: 'inlet', choice: 'feed', value: feed }],
    }));
}
