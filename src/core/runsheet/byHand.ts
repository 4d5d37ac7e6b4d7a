import { LINKS, linkKind, reader, SOURCES, sourceKind, type LinkKind, type Part, type SourceKind } from '../gear';
import { startsAtLink, type RigDocument, type RigLine } from '../rig/document';
import { sideOf } from '../rig/sides';
import { feeds } from './feedsOnLines';
import type { SheetLine } from './rig';
import { uncapital } from '../units/format';

const anyKind = (kind: string) => [...SOURCES, ...LINKS].find((each) => each.kind === kind);

/** What a part is called on a sheet. */
export const partName = (part: Part): string => part.name ?? anyKind(part.kind)?.label ?? part.kind;

/**
 * What is done by hand at a line's own source and on its own links: what is only looked at when it is plugged, what is set
 * before, and what is switched off when it is packed.
 * @param once the source is looked after with this line, and not with another side of it
 */
export function byHand(line: RigLine, once: boolean): Pick<SheetLine, 'set' | 'ready' | 'unset' | 'unfed'> {
  const source = startsAtLink(line) ? undefined : line.source;
  const own = once && source ? sourceKind(source.kind).byHand : undefined;
  const kinds = [
    ...(source ? [{ kind: sourceKind(source.kind), part: source }] : []),
    ...line.links.map((part) => ({ kind: linkKind(part.kind), part })),
  ];
  const set = kinds.flatMap(({ kind, part }) => settingsOf(kind, part, false));
  const links = line.links.flatMap((part) => {
    const hand = linkKind(part.kind).byHand;
    return hand ? [{ said: `${partName(part)}: ${hand.before}`, unfed: hand.unfed }] : [];
  });
  const ready = [
    ...kinds.flatMap(({ kind, part }) => settingsOf(kind, part, true)),
    ...links.map(({ said }) => said),
    ...(own ? [own.before] : []),
  ];
  const unset = [...kinds.flatMap(({ kind, part }) => poweredBy(kind, part)), ...(own ? [own.after] : [])];
  return {
    ...(set.length && { set }),
    ...(ready.length && { ready }),
    ...(unset.length && { unset }),
    ...(links.some(({ unfed }) => unfed) && { unfed: true as const }),
  };
}

const OFF: ReadonlySet<string> = new Set(['off', 'none', 'no']);

/** The settings of a part, in words. @param on those that are on, or those that are off */
function settingsOf(kind: SourceKind | LinkKind, part: Part, on: boolean): string[] {
  const set = Object.entries(kind.choices).flatMap(
    ([name, { label, called = label, setting, seldom, powers, options }]) => {
      // A supply that comes with a source has steps of its own.
      if (!setting || (powers && kind.role === 'source' && feeds(kind))) return [];
      const value = reader(kind, part).choice(name);
      if (OFF.has(value) === on) return [];
      if (!on && seldom && part.choices?.[name] === undefined) return [];
      const { label: shown, said = shown } = options.find((option) => option.value === value)!;
      const is = on ? said : 'off';
      return [`${uncapital(called)} ${is}`];
    },
  );
  return set.length ? [`${partName(part)}: ${set.join(', ')}`] : [];
}

/** What runs on a battery, in words; what feeds the line has steps of its own. */
function poweredBy(kind: SourceKind | LinkKind, part: Part): string[] {
  if (feeds(kind)) return [];
  const on = Object.entries(kind.choices).some(
    ([name, { powers }]) => powers && !OFF.has(reader(kind, part).choice(name)),
  );
  return on ? [`${partName(part)}: battery off, or out`] : [];
}

const kindOf = (line: RigLine): string | undefined => (startsAtLink(line) ? undefined : line.source.kind);

/** The two sides of one instrument are two lines: it is looked after with the first of them. */
export function isFirstSide({ lines }: RigDocument, line: RigLine): boolean {
  const own = sideOf(line.name);
  const isSame = (other: RigLine): boolean => {
    const side = sideOf(other.name);
    return kindOf(other) === kindOf(line) && side?.name === own?.name && side?.side === own?.other;
  };
  return !own || lines.findIndex((other) => other === line || isSame(other)) === lines.indexOf(line);
}
