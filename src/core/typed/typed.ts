import { CONNECTORS, inletKind, linkKind, reader, sourceKind, type ConnectorId, type Part } from '../gear';
import type { KitItem } from '../kit/item';
import { addLine, freeName } from '../rig/rigEdits';
import type { Device, InletRef, RigDocument, RigLine } from '../rig/document';
import { deviceMeant, inletsMeant } from './inlets';
import { cableOf, lengthIn } from './lengths';
import { candidatesOf, meant, type Candidate } from './match';

/** One word or more that may mean several things; `of` is the part of the text. */
export interface Ambiguous {
  of: string;
  taken: string;
  others: string[];
}

/** What a typed line means. */
export interface TypedLine {
  /** As it was typed. */
  text: string;
  /** Lines that it makes, ready to be put in; none where something has to be said first. */
  lines: Omit<RigLine, 'id'>[];
  /** What was understood, in words, from source to inlet. */
  understood: string[];
  ambiguous: Ambiguous[];
  /** What was not understood and is kept as a note. */
  open: string[];
  /** Why it cannot be put in as it is, and what to type. */
  problem?: string;
}

/** Most lines of one typed one. */
const MOST = 64;
const THEN = /\s*(?:->|→|>|⟶)\s*/;
const COUNT = /^(\d{1,2})\s*(?:x|×|\*)\s+/i;
const NAME = /["“”„]([^"“”„]{1,80})["“”„]/;

/**
 * Reads typed lines: `ribbon > 10 m > patch 12 > desk 3`, several of them on lines of their own or behind semicolons.
 * Each sees the rig with those before it.
 */
export function readTyped(document: RigDocument, kit: readonly KitItem[], text: string): TypedLine[] {
  let rig = document;
  return text
    .split(/\n|;/)
    .map((each) => each.trim())
    .filter(Boolean)
    .map((each) => {
      const found = readOne(rig, kit, candidatesOf('source', kit, rig), candidatesOf('link', kit, rig), each);
      rig = found.lines.reduce(addLine, rig);
      return found;
    });
}

/** The rig with typed lines put in, and their ids: all of them, and by what was typed. */
export function withTyped(
  document: RigDocument,
  typed: readonly TypedLine[],
): { document: RigDocument; ids: string[]; by: string[][] } {
  const before = new Set(document.lines.map(({ id }) => id));
  const next = typed.flatMap(({ lines }) => lines).reduce(addLine, document);
  const ids = next.lines.map(({ id }) => id).filter((id) => !before.has(id));
  const ends = typed.map((_, n) => typed.slice(0, n + 1).reduce((sum, { lines }) => sum + lines.length, 0));
  return { document: next, ids, by: ends.map((end, n) => ids.slice(ends[n - 1] ?? 0, end)) };
}

/** A source or a link as people type it, for tables: a length is a cable; nothing where nobody understands it. */
export function partMeant(role: 'source' | 'link', kit: readonly KitItem[], text: string): Part | undefined {
  const length = role === 'link' ? lengthIn(text) : undefined;
  const words = length ? length.rest.replace(/^,|,$/g, '').trim() : text;
  if (length && isCableWord(words)) return cableOf(kit, length.metres, 'xlr3');
  const { best } = meant(words, candidatesOf(role, kit, { lines: [] }));
  return best && lengthened(best, words, length?.metres);
}

function readOne(
  document: RigDocument,
  kit: readonly KitItem[],
  sources: readonly Candidate[],
  links: readonly Candidate[],
  text: string,
): TypedLine {
  const quoted = NAME.exec(text)?.[1].trim();
  const segments = text
    .replace(NAME, ' ')
    .split(THEN)
    .map((each) => each.trim());
  const counted = COUNT.exec(segments[0]);
  const head = (counted ? segments[0].slice(counted[0].length) : segments[0]).trim();
  const result: TypedLine = { text, lines: [], understood: [], ambiguous: [], open: [] };
  const refuse = (problem: string): TypedLine => ({ ...result, lines: [], problem });
  if (document.devices.length === 0) return refuse('Add a device first: a line needs an inlet to go to.');
  const source = meant(head, sources);
  note(result, head, source);
  if (!source.best)
    return refuse(
      head === ''
        ? 'Begin with what makes the sound: ribbon > 10 m > desk 3'
        : `“${head}” is no source of the kit or the catalogue. Try ribbon, lav, SDC, DI or keyboard, and put a name of your own in quotes.`,
    );
  const last = segments.length > 1 ? segments.at(-1)! : '';
  const device = last === '' ? undefined : deviceMeant(document, last);
  const given = segments.slice(1, device ? -1 : undefined).filter(Boolean);
  const wanted = counted ? Number(counted[1]) : undefined;
  if (wanted !== undefined && (wanted < 1 || wanted > MOST)) return refuse(`1 to ${MOST} lines at once.`);
  const chain: Part[] = [];
  let plug = plugOf(source.best.part);
  for (const segment of given) {
    const length = lengthIn(segment);
    const words = length ? length.rest : segment;
    const found = length && isCableWord(words) ? undefined : meant(words, links);
    if (found) note(result, words, found);
    const part = found
      ? found.best && lengthened(found.best, words, length?.metres)
      : cableOf(kit, length!.metres, plug);
    if (!part) {
      result.open.push(segment);
      continue;
    }
    chain.push(part);
    plug = linkKind(part.kind).ends(reader(linkKind(part.kind), part)).output;
  }
  const inlets = inletsMeant(document, device, wanted ?? 1);
  result.understood = [
    `${wanted ? `${wanted} × ` : ''}${source.best.label}`,
    ...chain.map((part) => part.name ?? linkKind(part.kind).label),
  ];
  if ('problem' in inlets) return refuse(inlets.problem);
  const count = Math.max(wanted ?? 1, inlets.refs.length);
  if (wanted !== undefined && inlets.refs.length !== wanted)
    return refuse(`${wanted} lines and ${inlets.refs.length} inlets: say as many of each.`);
  if (chain.length === 0) chain.push(...between(kit, plug, inletAt(document, inlets.refs[0])));
  const each = sourcesFor(source, count);
  const names =
    quoted === undefined && new Set(each).size === count
      ? each.map(({ label }) => label)
      : namesFor(quoted ?? source.best.label, count);
  result.understood = [
    new Set(each).size > 1
      ? each.map(({ label }) => label).join(' + ')
      : `${count > 1 ? `${count} × ` : ''}${source.best.label}`,
    ...chain.map((part) => part.name ?? linkKind(part.kind).label),
    inlets.refs.map((ref) => inletWords(document, ref)).join(', '),
  ];
  // What is one of the several is no other thing that may be meant.
  result.ambiguous = result.ambiguous.flatMap((one) => {
    const others = one.others.filter((label) => !each.some((own) => own.label === label));
    return others.length ? [{ ...one, others }] : [];
  });
  let rig = document;
  for (const [n, inlet] of inlets.refs.entries()) {
    const line: Omit<RigLine, 'id'> = {
      name: rig.lines.some(({ name }) => name === names[n]) ? freeName(rig.lines, names[n]) : names[n].slice(0, 80),
      ...(result.open.length && { note: `Not understood: ${result.open.join(' > ')}`.slice(0, 500) }),
      source: structuredClone(each[n].part),
      links: structuredClone(chain),
      inlet,
    };
    result.lines.push(line);
    rig = addLine(rig, line);
  }
  return result;
}

/** Several of one: where the kit has as many that fit as well, each is one of them. */
function sourcesFor({ best, others }: ReturnType<typeof meant>, count: number): Candidate[] {
  const owned = [best!, ...others].filter((each) => each.owned && each.left > 0);
  return best!.owned && best!.left < count && owned.length >= count
    ? owned.slice(0, count)
    : Array.from({ length: count }, () => best!);
}

function note(result: TypedLine, of: string, { best, others }: ReturnType<typeof meant>): void {
  if (best && others.length) result.ambiguous.push({ of, taken: best.label, others: others.map(({ label }) => label) });
}

const isCableWord = (words: string): boolean =>
  /^(?:xlr|cable|lead|mic(?:rophone)? cable|cord)?s?$/i.test(words.trim());

/** A part of the catalogue that has a length, as long as was said. */
function lengthened({ part, owned }: Candidate, words: string, metres: number | undefined): Part {
  // A number behind the words is what it is called by: `patch 12`.
  const named = !owned && /\d\s*$/.test(words) ? { ...part, name: words } : part;
  return withLength(named, metres);
}

function withLength(part: Part, metres: number | undefined): Part {
  if (metres === undefined || !('length' in linkKind(part.kind).figures)) return structuredClone(part);
  return { ...part, figures: { ...part.figures, length: { value: metres, unit: 'm', basis: 'measured' } } };
}

const plugOf = (part: Part): ConnectorId => {
  const kind = sourceKind(part.kind);
  return kind.connector(reader(kind, part));
};

const inletAt = (document: RigDocument, { device, inlet }: InletRef): Part =>
  document.devices.find(({ id }) => id === device)!.inlets.find(({ id }) => id === inlet)!;

/** A cable where source and inlet are alike, whose length nobody has said. */
function between(kit: readonly KitItem[], plug: ConnectorId, inlet: Part): Part[] {
  const fits = inletKind(inlet.kind).sockets.some((socket) => CONNECTORS[socket].size === CONNECTORS[plug].size);
  return fits && CONNECTORS[plug].size !== '3.5 mm' ? [cableOf(kit, undefined, plug)] : [];
}

const inletWords = (document: RigDocument, { device, inlet }: InletRef): string => {
  const own = document.devices.find(({ id }) => id === device) as Device;
  return `${own.name}, ${own.inlets.find(({ id }) => id === inlet)?.name ?? `inlet ${inlet}`}`;
};

/** Names for several lines of one: `#` counts, `L/R` and `left/right` are the two of a pair, else they are numbered. */
function namesFor(name: string, count: number): string[] {
  const pair = /^(.*?)\b(L\/R|left\/right)\b(.*)$/i.exec(name);
  if (count === 2 && pair) {
    const [one, other] = pair[2].toLowerCase() === 'l/r' ? ['L', 'R'] : ['left', 'right'];
    return [`${pair[1]}${one}${pair[3]}`, `${pair[1]}${other}${pair[3]}`];
  }
  return Array.from({ length: count }, (_, n) =>
    name.includes('#') ? name.replaceAll('#', String(n + 1)) : count === 1 ? name : `${name} ${n + 1}`,
  );
}
