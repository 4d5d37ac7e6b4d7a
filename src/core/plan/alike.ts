import {
  isCable,
  CONNECTORS,
  lineCircuit,
  linkKind,
  mate,
  planningOf,
  type Line,
  type LinkView,
  type Part,
} from '../gear';
import { sortOf } from './pieces';

const PLAIN: ReadonlySet<string | undefined> = new Set(['cable', 'plain adapter']);
/** Whether a part is nothing but conductors: a whole cable or a whole plain adapter. */
const isPlain = (part: Part): boolean => PLAIN.has(linkKind(part.kind).nature) && !part.faults?.length;

/** What a chain is to the current, wherever it ends. */
export interface Alike {
  /**
   * Its boxes as they are, and of the cables and plain adapters between them only which contact they lead where: two
   * chains of one class differ in nothing but what conductors are called, how many plugs there are, and what cable of one
   * sort measures.
   */
  whole: unknown[];
  /** The same, whatever sort its cables are of: copper makes no difference to whether a source gets its power. */
  power: unknown[];
  /** The same of its beginnings: as far as each link that lets no direct current through. What powers the source is there. */
  beginnings: string[];
}

/** Tells chains that are alike to the current, and those that begin alike. @param inlet any that they may end in */
export function alikeOf(source: Part, links: readonly Part[], inlet: Part): Alike {
  const line: Line = { id: 'plan', name: 'plan', source, links: [...links], inlet };
  const { links: views, junctions } = lineCircuit(line);
  const words: unknown[] = [what(source)];
  const sorts: string[][] = [];
  const beginnings: string[] = [];
  for (let n = 0; n < links.length;) {
    if (!isPlain(links[n])) {
      words.push([junctions[n].fits, junctions[n].plug, what(links[n])]);
      if (!planningOf(links[n].kind)?.passesPower && blocks(views[n])) beginnings.push(JSON.stringify(words));
      n++;
      continue;
    }
    const begin = n;
    while (n < links.length && isPlain(links[n])) n++;
    const run = views.slice(begin, n);
    sorts.push([...new Set(links.slice(begin, n).filter(isCable).map(sortOf))].toSorted());
    words.push([junctions[begin].plug, run.at(-1)!.output, joined(run)]);
  }
  const power = [...words, junctions.at(-1)!.plug];
  return { whole: [power, sorts], power, beginnings };
}

/** Contacts that ground is on. */
const GROUNDS = new Set(['1', 'S']);
/** Whether a link lets no direct current through but over its ground. */
const blocks = ({ paths }: LinkView): boolean =>
  paths.every(({ from, look }) => GROUNDS.has(from) || (look !== 'wire' && look !== 'resistor'));

const what = ({ kind, figures, choices, faults }: Part) => [kind, figures, choices, faults];

/** Which contacts at both ends of a run of conductors are one, as sorted groups of `in` and `out` contacts. */
function joined(views: readonly LinkView[]): string[] {
  const root = new Map<string, string>();
  const find = (node: string): string => {
    const up = root.get(node);
    return up === undefined || up === node ? node : find(up);
  };
  const join = (a: string, b: string) => root.set(find(a), find(b));
  views.forEach(({ paths, bridges, output }, n) => {
    for (const { from, to, look } of paths) if (look === 'wire') join(`${n} in ${from}`, `${n} out ${to}`);
    for (const { contacts, at } of bridges)
      join(`${n} ${at < 0.5 ? 'in' : 'out'} ${contacts[0]}`, `${n} ${at < 0.5 ? 'in' : 'out'} ${contacts[1]}`);
    const next = views[n + 1];
    // The socket's contact touches that of the plug before it.
    if (next)
      for (const [own, other] of Object.entries(mate(output, next.input) ?? {}))
        join(`${n + 1} in ${own}`, `${n} out ${other}`);
  });
  const ends = [
    ...CONNECTORS[views[0].input].contacts.map((contact) => `0 in ${contact}`),
    ...CONNECTORS[views.at(-1)!.output].contacts.map((contact) => `${views.length - 1} out ${contact}`),
  ];
  const groups = new Map<string, string[]>();
  for (const end of ends) groups.set(find(end), [...(groups.get(find(end)) ?? []), end.replace(/^\d+ /, '')]);
  return [...groups.values()].map((group) => group.toSorted().join(' ')).toSorted();
}
