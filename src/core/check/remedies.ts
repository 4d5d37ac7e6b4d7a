import { CONNECTORS, type Part } from '../gear';
import type { Edit } from '../rig/edits';
import { faulty, feedOf, nameOf, offeredFeeds, type Case } from './case';
import { FEEDS, type FeedName } from '../standards/feeds';
import type { Remedy } from './finding';

/** Remedies that several rules offer. Each is empty where it does not apply. */

export function feedOff(at: Case): Remedy[] {
  if (feedOf(at.line) === 'off') return [];
  const name = at.line.switch ? at.line.switch.name : 'the feed';
  return [{ label: `Turn ${name} off`, edits: [{ do: 'choose', part: 'inlet', choice: 'feed', value: 'off' }] }];
}

/** Most inlets that are proposed to move to. */
const MOVES = 3;

/** Moves the line to a free inlet whose feed, as it is switched now, is one of those wanted; one inlet of each switch. */
export function moveTo(at: Case, wanted: readonly FeedName[]): Remedy[] {
  const seen = new Set<string>();
  return at.free
    .filter(({ inlet, switch: own }) => {
      const feed = (inlet.choices?.feed ?? 'off') as FeedName;
      const place = own?.name ?? inlet.kind;
      if (!wanted.includes(feed) || seen.has(place)) return false;
      seen.add(place);
      return true;
    })
    .slice(0, MOVES)
    .map((free) => ({
      label: `Move to ${free.inlet.name ?? 'a free inlet'}`,
      note: free.switch ? `free, ${feedText(free.inlet.choices?.feed)}` : 'free, has no feed',
      edits: [{ do: 'move', ...free }],
    }));
}

const feedText = (feed = 'off'): string =>
  feed === 'off' ? 'feed off' : `${FEEDS[feed as keyof typeof FEEDS].label} on`;

/** Moves the line away from every feed. */
export const moveAway = (at: Case): Remedy[] => (feedOf(at.line) === 'off' ? [] : moveTo(at, ['off']));

/** Turns on each of the given feeds that the inlet offers. */
export function feedOn(at: Case, feeds: { value: string; label: string }[]): Remedy[] {
  const offered = offeredFeeds(at.line);
  const name = at.line.switch ? at.line.switch.name : 'the feed';
  return feeds
    .filter(({ value }) => offered.includes(value) && feedOf(at.line) !== value)
    .map(({ value, label }) => ({
      label: `Set ${name} to ${label}`,
      edits: [{ do: 'choose', part: 'inlet', choice: 'feed', value }],
    }));
}

export function mendCables(at: Case): Remedy[] {
  return faulty(at.line).map((n) => ({
    label: `Use a sound cable for ${nameOf(at.line, n)}`,
    edits: [{ do: 'mend', at: n }],
  }));
}

/** An isolating transformer right behind a three-pin source. */
export function isolate(at: Case): Remedy[] {
  if (at.circuit.junctions[0].plug !== 'xlr3') return [];
  return [
    {
      label: 'Insert an isolating transformer',
      note: 'right behind the source',
      edits: [{ do: 'insert', at: 0, part: { kind: 'isolating-transformer' } }],
    },
  ];
}

/** The converter where a plain mini-jack adapter sits now, with the feed it needs. */
export function converterForAdapter(at: Case): Remedy[] {
  return at.line.links.flatMap((part, n): Remedy[] => {
    const { input, output } = at.circuit.links[n];
    if (part.kind !== 'plain-adapter' || CONNECTORS[input].size !== '3.5 mm' || output !== 'xlr3') return [];
    const edits: Edit[] = [{ do: 'replace', part: n, with: { kind: 'plug-in-converter' } }];
    const needsFeed = feedOf(at.line) !== 'P48' && offeredFeeds(at.line).includes('P48');
    if (needsFeed) edits.push({ do: 'choose', part: 'inlet', choice: 'feed', value: 'P48' });
    return [
      {
        label: 'Use a phantom to plug-in converter',
        note: needsFeed ? 'in place of the plain adapter, feed on' : 'in place of the plain adapter',
        edits,
      },
    ];
  });
}

/** Puts one link in the place of another. */
export const replaceLink = (label: string, at: number, part: Part, note?: string): Remedy => ({
  label,
  note,
  edits: [{ do: 'replace', part: at, with: part }],
});

export const insertLink = (label: string, at: number, part: Part, note?: string): Remedy => ({
  label,
  note,
  edits: [{ do: 'insert', at, part }],
});

export const removeLink = (label: string, at: number, note?: string): Remedy => ({
  label,
  note,
  edits: [{ do: 'remove', at }],
});
