import { LINKS, SOURCES, type Part } from '../gear';
import { countOf, partOf, type KitItem } from '../kit/item';
import type { RigDocument } from '../rig/document';
import { onceEach } from '../units/once';

/** Something that words may mean: an item of the kit, or a kind of the catalogue. */
export interface Candidate {
  label: string;
  /** Owned: an item of the kit. */
  owned: boolean;
  /** How many of it no line has yet; without end for what is of the catalogue. */
  left: number;
  part: Part;
  /** By what it may be called. */
  terms: readonly Term[];
}

/** What something is called, cut into words, and as one. */
interface Term {
  tokens: readonly string[];
  plain: string;
}

/** A candidate with how well words fit it, from 0 to 100. */
export interface Match {
  candidate: Candidate;
  score: number;
}

/** Everything that sources, or links, may be called. */
export function candidatesOf(
  role: 'source' | 'link',
  kit: readonly KitItem[],
  { lines }: Pick<RigDocument, 'lines'>,
): Candidate[] {
  const used = new Map<string, number>();
  for (const { source, links } of lines)
    for (const { item } of role === 'link' ? links : 'kind' in source ? [source] : [])
      if (item !== undefined) used.set(item, (used.get(item) ?? 0) + 1);
  const { known, index } = role === 'source' ? knownSources(kit) : knownLinks(kit);
  const candidates = known.map(({ id, count, ...each }): Candidate => ({
    ...each,
    left: id === undefined ? Infinity : count - (used.get(id) ?? 0),
  }));
  indexes.set(candidates, index);
  return candidates;
}

/** A candidate, whatever the lines of a rig have taken of it. */
interface Known extends Omit<Candidate, 'left'> {
  /** Of an item of the kit, which there are so many of. */
  id?: string;
  count: number;
}

/** What does not change while a kit does not, with its index. */
const knownOf = (role: 'source' | 'link') =>
  onceEach((kit: readonly KitItem[]) => {
    const terms = role === 'source' ? SOURCE_TERMS : LINK_TERMS;
    const known = [
      ...kit.flatMap((item): Known[] =>
        // What is broken is put on a line by hand alone.
        item.role === role && countOf(item) > 0 && !item.part.faults?.length
          ? [
              {
                id: item.id,
                label: item.name,
                owned: true,
                count: countOf(item),
                part: partOf(item),
                terms: [termOf(item.name), ...terms.get(item.part.kind)!],
              },
            ]
          : [],
      ),
      ...(role === 'source' ? SOURCES : LINKS).map(({ kind, label }): Known => ({
        label,
        owned: false,
        count: Infinity,
        part: { kind },
        terms: terms.get(kind)!,
      })),
    ];
    return { known, index: indexed(known) };
  });
const [knownSources, knownLinks] = [knownOf('source'), knownOf('link')];

export const tokensOf = (text: string): string[] =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .split(/[^a-z0-9]+/)
    .filter(Boolean);

const termOf = (text: string): Term => {
  const tokens = tokensOf(text);
  return { tokens, plain: tokens.join('') };
};

/** Words that are looked for: `stems` without one `s` at the end, which makes no difference. */
interface Wanted {
  words: readonly string[];
  stems: readonly string[];
  plain: string;
}
const wantedOf = (words: readonly string[]): Wanted => ({
  words,
  stems: words.map((word) => (word.length > 2 ? word.replace(/s$/, '') : word)),
  plain: words.join(''),
});

/** What every line has already is hardly meant. */
const USED_UP = 30;

/** What the trade calls each kind, cut into words. */
const termsOf = (kinds: readonly { kind: string; label: string; words?: readonly string[] }[]) =>
  new Map(kinds.map(({ kind, label, words = [] }) => [kind, [label, kind.replaceAll('-', ' '), ...words].map(termOf)]));
const [SOURCE_TERMS, LINK_TERMS] = [termsOf(SOURCES), termsOf(LINKS)];

/** How well words fit one of the terms: all of it, its beginning, or some of its words. */
function scoreOf({ words, stems, plain }: Wanted, term: Term): number {
  if (term.plain === plain) return term.tokens.length === words.length ? 100 : 95;
  if (stems.every((stem) => term.tokens.some((token) => token.startsWith(stem))))
    return 80 - Math.min(20, 3 * (term.tokens.length - words.length)) - (term.tokens.includes(words[0]) ? 0 : 8);
  return 0;
}

/** What fits no single term but all of them together: "small diaphragm condenser". */
const TOGETHER = 62;

function bestOf(wanted: Wanted, { terms }: Candidate): number {
  let best = 0;
  for (const term of terms) best = Math.max(best, scoreOf(wanted, term));
  if (best >= TOGETHER || wanted.words.length < 2) return best;
  return wanted.stems.every((stem) => terms.some(({ tokens }) => tokens.some((token) => token.startsWith(stem))))
    ? TOGETHER
    : best;
}

/** What is known of candidates beforehand, so that words are held against those alone that they can mean. */
interface Index {
  /** Places of the candidates that have a word which begins so. */
  beginning: (stem: string) => readonly number[];
  /** Places of the candidates with a term that is written so, its words run together. */
  written: ReadonlyMap<string, readonly number[]>;
  /** Letters of the longest of them. */
  longest: number;
}

const indexes = new WeakMap<readonly Candidate[], Index>();
const indexOf = (candidates: readonly Candidate[]): Index => indexes.get(candidates) ?? indexed(candidates);

function indexed(candidates: readonly Pick<Candidate, 'terms'>[]): Index {
  const written = new Map<string, number[]>();
  candidates.forEach(({ terms }, n) => {
    for (const plain of new Set(terms.map((term) => term.plain)))
      written.set(plain, [...(written.get(plain) ?? []), n]);
  });
  const known = new Map<string, readonly number[]>();
  const beginning = (stem: string): readonly number[] => {
    const found =
      known.get(stem) ??
      candidates.flatMap(({ terms }, n) =>
        terms.some(({ tokens }) => tokens.some((token) => token.startsWith(stem))) ? [n] : [],
      );
    known.set(stem, found);
    return found;
  };
  return { beginning, written, longest: Math.max(0, ...[...written.keys()].map(({ length }) => length)) };
}

/** Whether so many words from some place on may mean any of the candidates at all: where not, `matches` finds nothing. */
export function runsOf(
  words: readonly string[],
  candidates: readonly Candidate[],
): (at: number, size: number) => boolean {
  const { beginning, written, longest } = indexOf(candidates);
  // How many of the words before a place begin none of theirs.
  const strange = [0];
  for (const stem of wantedOf(words).stems) strange.push(strange.at(-1)! + Number(beginning(stem).length === 0));
  const may = (at: number, size: number): boolean => {
    if (strange[at + size] === strange[at]) return true;
    let letters = 0;
    for (let n = at; n < at + size && letters <= longest; n++) letters += words[n].length;
    return letters <= longest && written.has(words.slice(at, at + size).join(''));
  };
  return (at, size) => may(at, size) || (size > 1 && isNumber(words[at + size - 1]) && may(at, size - 1));
}

const isNumber = (word: string): boolean => /^\d+$/.test(word);

/** What words may mean, best first. @param least score that is worth a mention */
export function matches(text: string, candidates: readonly Candidate[], least = 40): Match[] {
  const words = tokensOf(text);
  if (words.length === 0) return [];
  const found = scored(words, candidates, least);
  // `patch 12`: a number behind the words is which of them it is.
  return found.length || !isNumber(words.at(-1)!) ? found : scored(words.slice(0, -1), candidates, least);
}

function scored(words: readonly string[], candidates: readonly Candidate[], least: number): Match[] {
  if (words.length === 0) return [];
  const wanted = wantedOf(words);
  const { beginning, written } = indexOf(candidates);
  const [first, ...others] = wanted.stems.map(beginning).toSorted((a, b) => a.length - b.length);
  const fitting = first.filter((n) => others.every((places) => places.includes(n)));
  return [...new Set([...fitting, ...(written.get(wanted.plain) ?? [])])]
    .toSorted((a, b) => a - b)
    .map((n) => candidates[n])
    .map((candidate): Match => ({
      candidate,
      score: bestOf(wanted, candidate) - (candidate.left > 0 ? 0 : USED_UP),
    }))
    .filter(({ score }) => score >= least)
    .sort((a, b) => b.score - a.score || Number(b.candidate.owned) - Number(a.candidate.owned));
}

/** What fits nearly as well as the best does is a choice. */
const NEARLY = 4;

/** What words mean, and what else they may mean as well. */
export interface Meant {
  best?: Candidate;
  others: Candidate[];
}

/** What words mean; of the kit before the catalogue. */
export function meant(text: string, candidates: readonly Candidate[]): Meant {
  const found = matches(text, candidates);
  if (found.length === 0) return { others: [] };
  const near = found.filter(({ score }) => score >= found[0].score - NEARLY);
  // What every line has already is not meant, while there is anything else.
  const owned = near.filter(({ candidate }) => candidate.owned && candidate.left > 0);
  const [best, ...others] = (
    owned.length
      ? [...owned, ...near.filter((each) => !owned.includes(each))]
      : near.toSorted((a, b) => Number(b.candidate.left > 0) - Number(a.candidate.left > 0))
  ).map(({ candidate }) => candidate);
  return { best, others: others.filter(({ left }) => left > 0).slice(0, 6) };
}
