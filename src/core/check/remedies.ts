import { CONNECTORS, inletKind, type Part } from '../gear';
import type { Edit } from '../rig/edits';
import { faulty, feedOf, nameOf, type Case } from './case';
import type { Remedy } from './finding';

/** Remedies that several rules offer. Each is empty where it does not apply. */

export function feedOff(at: Case): Remedy[] {
  if (feedOf(at.line) === 'off') return [];
  return [{ label: 'Turn the feed off', edits: [{ do: 'choose', part: 'inlet', choice: 'feed', value: 'off' }] }];
}

/** Turns on each of the given feeds that the inlet offers. */
export function feedOn(at: Case, feeds: { value: string; label: string }[]): Remedy[] {
  const offered = inletKind(at.line.inlet.kind).choices.feed?.options.map(({ value }) => value) ?? [];
  return feeds
    .filter(({ value }) => offered.includes(value) && feedOf(at.line) !== value)
    .map(({ value, label }) => ({
      label: `Set the feed to ${label}`,
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
    const needsFeed =
      feedOf(at.line) !== 'P48' &&
      inletKind(at.line.inlet.kind).choices.feed?.options.some(({ value }) => value === 'P48');
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
