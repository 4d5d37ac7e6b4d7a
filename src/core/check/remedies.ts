import { sourceKind, kindAt, linkKind, mate, partAt, reader, type PartRef, type SupplyStake, LOW_CUTS } from '../gear';
import type { Edit } from '../gear/edits';
import { feedLabel, FEEDS, type FeedFamily, type FeedName } from '../standards/feeds';
import { quantity, uncapital } from '../units/format';
import { additions } from './additions';
import { ownInlets } from './ownInlets';
import { faulty, feedOf, isMicrophone, isShared, nameOf, offeredFeeds, readPart, type Case } from './case';
import type { Remedy } from './finding';
import { sockets } from './sockets';
import { rewirings } from './rewirings';

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
    if (kind.nature === 'cable' || kind.onPurpose || isShared(at.line, n)) return [];
    if (!mate(junctions[n].plug, junctions[n + 1].socket)) return [];
    return [{ by: 'take out', label: `Remove ${nameOf(at.line, n)}`, edits: [{ do: 'remove', at: n }] }];
  });
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
