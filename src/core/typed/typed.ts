import { isCable, linkKind, reader, type ConnectorId, type Part } from '../gear';
import type { KitItem } from '../kit/item';
import { addLine } from '../rig/rigEdits';
import type { Device, InletRef, RigDocument, RigLine } from '../rig/document';
import { between, composed, namesFor, plugOf, sourcesFor } from './composed';
import { deviceMeant, inletsMeant } from './inlets';
import { cableOf, isCableWord, lengthened, lengthIn } from './lengths';
import { candidatesOf, meant, type Candidate, type Meant } from './match';

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

/** A cable as people type it: a length, with whatever plug is needed, or one of the kit; nothing for what is none. */
export function cableMeant(kit: readonly KitItem[], text: string): ((plug: ConnectorId) => Part) | undefined {
  const length = lengthIn(text);
  if (length && isCableWord(length.rest)) return (plug) => cableOf(kit, length.metres, plug);
  const part = partMeant('link', kit, text);
  return part && isCable(part) ? () => part : undefined;
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
  if (document.devices.length === 0) return refuse('Add a device first; a line needs an inlet.');
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
  if (chain.length === 0) chain.push(...between(document, kit, plug, inlets.refs[0]));
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
  result.lines = composed(document, {
    names,
    sources: each,
    links: chain,
    inlets: inlets.refs,
    note: result.open.length ? `Not understood: ${result.open.join(' > ')}` : '',
  });
  return result;
}

function note(result: TypedLine, of: string, { best, others }: Meant): void {
  if (best && others.length) result.ambiguous.push({ of, taken: best.label, others: others.map(({ label }) => label) });
}

const inletWords = (document: RigDocument, { device, inlet }: InletRef): string => {
  const own = document.devices.find(({ id }) => id === device) as Device;
  return `${own.name}, ${own.inlets.find(({ id }) => id === inlet)?.name ?? `inlet ${inlet}`}`;
};
