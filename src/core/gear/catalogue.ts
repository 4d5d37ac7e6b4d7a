import { reader } from './bench';
import { CONNECTORS, type Contact } from './connectors';
import { INLETS } from './inlets';
import { LINKS } from './links';
import type { Line, Part, PartRef } from './part';
import type { AnyKind, InletKind, LinkKind, Mends, Planning, SourceKind } from './kinds';
import { SOURCES } from './sources';

/** Everything the application knows how to wire, by role and kind. */
export { INLETS, LINKS, SOURCES };

const byKind = <K extends AnyKind>(kinds: readonly K[]) => new Map(kinds.map((kind) => [kind.kind, kind]));
const sources = byKind(SOURCES);
const links = byKind(LINKS);
const inlets = byKind(INLETS);

const found = <K>(role: string, map: Map<string, K>, kind: string): K => {
  const entry = map.get(kind);
  if (!entry) throw new Error(`there is no ${role} of kind ${kind}`);
  return entry;
};

/** The catalogue entry of a kind. @throws Error for a kind that a checked document cannot have */
export const sourceKind = (kind: string): SourceKind => found('source', sources, kind);
export const linkKind = (kind: string): LinkKind => found('link', links, kind);
export const inletKind = (kind: string): InletKind => found('inlet', inlets, kind);

/** What plans have to know of a kind of link; undefined for one that says nothing, and for what is no link. */
export const planningOf = (kind: string): Planning | undefined => links.get(kind)?.planning;

/** The part that a line is mended with for some reason, as its kind is by default, and as it is asked for. */
export function mending(use: Mends, more: Omit<Part, 'kind'> = {}): Part {
  const kind = LINKS.find(({ mends }) => mends === use);
  if (!kind) throw new Error(`no link mends ${use}`);
  return { kind: kind.kind, ...more };
}

/** Whether a part is what a line is mended with for some reason. */
export const isMending = ({ kind }: Part, use: Mends): boolean => links.get(kind)?.mends === use;

/** The contacts between which a line's source plays. */
export function sourcePair({ source }: Line): readonly [Contact, Contact] {
  const kind = sourceKind(source.kind);
  const read = reader(kind, source);
  return kind.pair?.(read) ?? CONNECTORS[kind.connector(read)].pairs[0];
}

/** Whether a source or link lives on a feed of the line, not on a battery of its own. */
export function livesOnFeed(kind: AnyKind, part: Part): boolean {
  const onBattery = 'battery' in kind.choices && reader(kind, part).choice('battery') === 'on';
  return 'needs' in kind.figures && !onBattery;
}

/** The catalogue entry of a source or link by its role. */
export const kindOfPart = (role: 'source' | 'link', kind: string): AnyKind =>
  role === 'source' ? sourceKind(kind) : linkKind(kind);

export const kindAt = (ref: PartRef, kind: string): AnyKind =>
  ref === 'source' ? sourceKind(kind) : ref === 'inlet' ? inletKind(kind) : linkKind(kind);
