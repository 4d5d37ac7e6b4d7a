import { figureOf, linkKind, reader, sourceKind, type Part } from '../gear';
import { endsInLink, startsAtLink, type RigDocument } from '../rig/document';
import { usesByItem } from './counts';
import { lengthText } from '../units/format';
import { countOf, type KitItem } from './item';

/** One row of what has to be in the cases: what it is, how many, how many there are. */
export interface PullRow {
  role: 'source' | 'link' | 'device';
  name: string;
  /** What it is, where its name does not say. */
  what: string;
  needed: number;
  have: number;
  /** To be bought, borrowed or rented. */
  get: number;
  /** Lines that it is for, by name. */
  lines: string[];
}

/** What a part is, so that two of it are the same thing to whoever packs: its kind, its plug, its length. */
function sortOf(role: 'source' | 'link', part: Part): { key: string; name: string } {
  const kind = role === 'source' ? sourceKind(part.kind) : linkKind(part.kind);
  const reach = 'length' in kind.figures ? figureOf(kind, part, 'length') : undefined;
  const connector = 'connector' in kind.choices ? reader(kind, part).choice('connector') : '';
  return {
    key: [role, part.kind, connector, reach?.value ?? ''].join(' '),
    name: `${kind.label}${reach ? `, ${lengthText(reach.value)}` : ''}`,
  };
}

/**
 * What a rig needs against what the kit has, devices first. Parts that are items of the kit are counted by item; others by
 * kind, plug and length, and of those the kit gives what no line has yet.
 */
export function pullList(document: RigDocument, kit: readonly KitItem[]): PullRow[] {
  const uses = usesByItem(document);
  const rows = new Map<string, PullRow>();
  const owned = new Map(kit.map((item) => [item.id, item]));
  const spare = new Map<string, number>();
  for (const item of kit)
    if (item.role !== 'device') {
      const { key } = sortOf(item.role, item.part);
      spare.set(key, (spare.get(key) ?? 0) + Math.max(0, countOf(item) - (uses.get(item.id) ?? 0)));
    }
  const add = (role: PullRow['role'], key: string, name: string, what: string, have: number, line: string) => {
    const row = rows.get(key) ?? { role, name, what, needed: 0, have, get: 0, lines: [] };
    rows.set(key, { ...row, needed: row.needed + 1, lines: [...new Set([...row.lines, line])].filter(Boolean) });
  };
  for (const { name, item } of document.devices) {
    const own = item === undefined ? undefined : owned.get(item);
    add('device', `device ${item ?? name}`, own?.name ?? name, '', own ? countOf(own) : 0, '');
  }
  const part = (role: 'source' | 'link', own: Part, line: string) => {
    const item = own.item === undefined ? undefined : owned.get(own.item);
    const sort = sortOf(role, own);
    if (item) add(role, `item ${item.id}`, item.name, sort.name, countOf(item), line);
    else
      add(
        role,
        sort.key,
        own.name ?? sort.name,
        own.name === undefined ? '' : sort.name,
        spare.get(sort.key) ?? 0,
        line,
      );
  };
  for (const line of document.lines) {
    if (!startsAtLink(line)) part('source', line.source, line.name);
    for (const link of line.links) part('link', link, line.name);
  }
  const order = ['device', 'source', 'link'];
  return [...rows.entries()]
    .map(([key, row]) => {
      // Two sides of one instrument are one thing.
      const needed = key.startsWith('item ') ? (uses.get(key.slice(5)) ?? row.needed) : row.needed;
      return { ...row, needed, get: Math.max(0, needed - row.have) };
    })
    .sort((a, b) => order.indexOf(a.role) - order.indexOf(b.role) || b.get - a.get || a.name.localeCompare(b.name));
}

/** Lines by where their source is; those of no position last. */
export function byPosition({ lines, locations = [] }: RigDocument): { name: string; lines: RigDocument['lines'] }[] {
  const groups = [...locations, { id: undefined, name: 'No position set' }].map(({ id, name }) => ({
    name,
    lines: lines.filter((line) => line.location === id),
  }));
  return groups.filter((group) => group.lines.length > 0);
}

/** Where a line ends, in words for paper: "Hold desk 3". */
export function inletText({ devices, lines }: RigDocument, line: RigDocument['lines'][number]): string {
  if (endsInLink(line))
    return `into ${lines.find(({ id }) => id === line.inlet.into.line)?.name ?? line.inlet.into.line}`;
  const { device, inlet } = line.inlet;
  const own = devices.find(({ id }) => id === device);
  return `${own?.name ?? device} ${own?.inlets.find(({ id }) => id === inlet)?.name ?? inlet}`;
}
