import { resolve, type Node } from '../circuit';
import {
  isCable,
  CONNECTORS,
  type ConnectorId,
  type Contact,
  lineCircuit,
  linkKind,
  mate,
  planningOf,
  type Line,
  type LinkView,
  type Part,
} from '../gear';
import { onceEach, onceEachRun } from '../units/once';
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
  whole: string;
  /** The same, whatever sort its cables are of: copper makes no difference to whether a source gets its power. */
  power: string;
  /**
   * The same of its beginnings: as far as each link that lets no direct current through. What powers the source is there. First
   * of all the socket in which an open source ends.
   */
  beginnings: string[];
}

/** Tells chains that are alike to the current, and those that begin alike. */
export function alikeOf(source: Part, links: readonly Part[]): Alike {
  const views = links.map(viewOf);
  const from = endOf(source);
  const at = openAt(from, links, views);
  const plugAt = (n: number): ConnectorId => (n === 0 ? from.plug : views[n - 1].output);
  let words = what(source);
  let sorts = '';
  const beginnings: string[] = [];
  if (at !== undefined)
    beginnings.push([what(source), at && joinedWords(views.slice(0, at)), 'open in', views[at].input].join('; '));
  for (let n = 0; n < links.length;) {
    if (!isPlain(links[n])) {
      words += `; ${mate(plugAt(n), views[n].input) !== undefined} ${plugAt(n)} ${what(links[n])}`;
      if (!planningOf(links[n].kind)?.passesPower && blocks(views[n])) beginnings.push(words);
      n++;
      continue;
    }
    const begin = n;
    while (n < links.length && isPlain(links[n])) n++;
    const run = views.slice(begin, n);
    sorts += `; ${[...new Set(links.slice(begin, n).filter(isCable).map(sortOf))].toSorted().join()}`;
    words += `; ${plugAt(begin)} ${run.at(-1)!.output} ${joinedWords(run)}`;
  }
  const power = `${words}; ${plugAt(links.length)}`;
  return { whole: power + sorts, power, beginnings };
}

/** Inlet that stands at the end of what is only looked at. */
const ANY_INLET: Part = { kind: 'three-pin' };

/** How the names of a source's own nodes and elements begin. */
const OWN = 'source.';

/** A link as it is by itself. */
const viewOf = onceEach((part: Part): LinkView => {
  const line: Line = { id: 'view', name: 'view', source: { kind: 'moving-coil' }, links: [part], inlet: ANY_INLET };
  return lineCircuit(line).links[0];
});

interface SourceEnd {
  plug: ConnectorId;
  /** Those of its contacts that something of the source is on, those that are one wire together. */
  wires: Contact[][];
  /** It is joined to something besides its plug. */
  earthed: boolean;
}

/** The plug that a source ends in. */
const endOf = onceEach((source: Part): SourceEnd => {
  const { netlist, junctions } = lineCircuit(
    { id: 'end', name: 'end', source, links: [], inlet: ANY_INLET },
    { apart: 0 },
  );
  const { plug, nodes } = junctions[0];
  const node = (name: string) => resolve(netlist.joined, name);
  const used = new Set(
    netlist.elements
      .filter(({ name }) => name.startsWith(OWN))
      .flatMap((element): { a: Node; b: Node }[] =>
        'windings' in element ? element.windings : 'a' in element ? [element] : [],
      )
      .flatMap(({ a, b }) => [node(a), node(b)]),
  );
  const wires = new Map<string, Contact[]>();
  for (const contact of CONNECTORS[plug].contacts) {
    const wire = node(nodes[contact]);
    if (used.has(wire)) wires.set(wire, [...(wires.get(wire) ?? []), contact]);
  }
  return { plug, wires: [...wires.values()], earthed: [...used].some((wire) => !wire.startsWith(OWN)) };
});

/**
 * The junction at which so little of a source's wires goes on that no direct current flows, behind nothing but conductors;
 * undefined where there is none. (What a signal finds its way by, such as the capacitance of a cable, is another matter.)
 */
function openAt({ plug, wires, earthed }: SourceEnd, links: readonly Part[], views: readonly LinkView[]) {
  if (earthed) return undefined;
  let [end, led] = [plug, wires];
  for (const [n, { input, output }] of views.entries()) {
    const made = new Set(Object.values(mate(end, input) ?? {}));
    if (led.filter((contacts) => contacts.some((contact) => made.has(contact))).length < 2) return n;
    if (!isPlain(links[n])) return undefined;
    [end, led] = [output, ledThrough(plug, wires, views.slice(0, n + 1))];
  }
  return undefined;
}

/** Wires at the far end of a run of conductors, each by its contacts there; those that it joins are one. */
function ledThrough(plug: ConnectorId, wires: readonly Contact[][], run: readonly LinkView[]): Contact[][] {
  const touching = Object.entries(mate(plug, run[0].input) ?? {});
  const far = joined(run).map((group) => {
    const ends = group.split(' ');
    const at = (side: string) => ends.flatMap((end, n) => (ends[n - 1] === side ? [end] : []));
    return { near: new Set(at('in')), out: at('out') as Contact[] };
  });
  return far.flatMap(({ near, out }) =>
    out.length && wires.some((own) => touching.some(([socket, contact]) => near.has(socket) && own.includes(contact)))
      ? [out]
      : [],
  );
}

/** Contacts that ground is on. */
const GROUNDS = new Set(['1', 'S']);
/** Whether a link lets no direct current through but over its ground. */
const blocks = ({ paths }: LinkView): boolean =>
  paths.every(({ from, look }) => GROUNDS.has(from) || (look !== 'wire' && look !== 'resistor'));

const what = onceEach(({ kind, figures, choices, faults }: Part) => JSON.stringify([kind, figures, choices, faults]));

/** Which contacts at both ends of a run of conductors are one, as sorted groups of `in` and `out` contacts. */
const joined = onceEachRun(joinedBy);
const joinedWords = onceEachRun((views: readonly LinkView[]) => joined(views).join());

function joinedBy(views: readonly LinkView[]): string[] {
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
