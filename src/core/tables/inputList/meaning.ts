import { linkKind, SOURCES, sourceKind, type Part } from '../../gear';
import { isCableWord, lengthened, lengthIn, matches, meant, runsOf, tokensOf, type Candidate } from '../../typed';
import type { Metres } from '../../units';
import { tidy, withoutFeed, type FeedWanted } from './cells';

/** How sure it is what words mean: all of them fit, some of them do, or it follows from the name alone. */
export type Certainty = 'sure' | 'likely' | 'guess';

/** What is owned and what can be bought, by what it may be called. */
export interface Candidates {
  sources: readonly Candidate[];
  links: readonly Candidate[];
}

/** A source that words mean. */
export interface Found {
  of: string;
  candidate: Candidate;
  others: Candidate[];
  certainty: Certainty;
  /** How well the words fit, from 0 to 100. */
  score: number;
}

/** A link that words mean; a length alone is a cable. */
export type Between = { part: Part; certainty: Certainty } | { metres: Metres };

/** What a cell says: sources, what lies behind them, whether 48 V is wanted, how many, and what nobody understood. */
export interface CellMeaning {
  sources: Found[];
  links: Between[];
  feed?: FeedWanted;
  count?: number;
  open: string[];
}

/** Leads from one link to the next. */
const THEN = /\s*(?:->|→|>)\s*/;
const PARTS = /\s*(?:\+|&|,|;|\/|\binto\b|\bvia\b|\bthru\b|\bthrough\b|\bwith\b|\bw\/|\bor\b|\band\b|\(|\))\s*/i;
const COUNTED = /(?:^|\s)(?:(\d)\s*[x×*]|[x×*]\s*(\d)|(?:stereo |matched )?(pair)(?: of)?)(?=\s|$)/i;
/** Says how it stands or whose it is, and nothing of what it is. */
const FILLER = new Set(
  'a an the of on in at his her their our own my mic mics microphone microphones short tall low high long stand boom clip clamp round small base k m no new old spare mono stereo left right l r house wired'.split(
    ' ',
  ),
);

/** Reads a cell that says what is in front of a line, and what lies between. */
export function meaningOf(cell: string, { sources, links }: Candidates): CellMeaning {
  const { rest, feed } = withoutFeed(cell);
  const isOne = (words: string) => [sources, links].some((own) => found(words, own)?.certainty === 'sure');
  // "small condenser, pair A left" is one of a pair, and not two.
  const counted = isOne(rest) ? undefined : COUNTED.exec(rest);
  const count = counted ? Number(counted[1] ?? counted[2] ?? 2) : undefined;
  const result: CellMeaning = { sources: [], links: [], ...(feed && { feed }), ...(count && { count }), open: [] };
  const text = tidy(counted ? rest.replace(counted[0], ' ') : rest);
  // All of it may be the name of one thing: "XLR to jack" is no XLR and a jack.
  const pieces = isOne(text)
    ? [text]
    : text.split(THEN).flatMap((part) => (isOne(part) || isCable(part) ? [part] : part.split(PARTS)));
  for (const piece of pieces.map(tidy).filter(Boolean)) read(piece, sources, links, result);
  return result;
}

function read(piece: string, sources: readonly Candidate[], links: readonly Candidate[], result: CellMeaning): void {
  const length = lengthIn(piece);
  const words = length ? tidy(length.rest) : piece;
  if (length && (isCableWord(words) || isCable(piece))) {
    result.links.push({ metres: length.metres });
    if (!isCableWord(words)) result.open.push(piece);
    return;
  }
  const source = found(words, sources);
  const link = found(words, links);
  const better = link && (!source || rank(link) > rank(source)) ? 'link' : 'source';
  if (better === 'link') {
    result.links.push({ part: lengthened(link!.candidate, words, length?.metres), certainty: link!.certainty });
    if (link!.certainty !== 'sure') result.open.push(piece);
  } else if (source) {
    result.sources.push(source);
    if (length) result.links.push({ metres: length.metres });
    if (source.certainty !== 'sure') result.open.push(piece);
  } else if (!tokensOf(words).every((word) => FILLER.has(word))) result.open.push(piece);
}

/** "cable 6 m, tested": a cable, with a word about it. */
const isCable = (text: string): boolean => /^(?:cable|xlr)\b/i.test(text) && lengthIn(text) !== undefined;

/** All of the words before some of them, then how well they fit. */
const rank = ({ certainty, score, of }: Found): number =>
  (certainty === 'sure' ? 100 : 0) + score + tokensOf(of).length;

/** What words mean: all of them, or the longest run of them that means anything. */
export function found(text: string, candidates: readonly Candidate[]): Found | undefined {
  const all = tokensOf(text);
  if (all.length === 0) return undefined;
  const whole = meantBy(text, candidates);
  if (whole) return { ...whole, of: text, certainty: 'sure' };
  const words = all.filter((word) => !FILLER.has(word));
  if (words.length && words.length < all.length) {
    const bare = meantBy(words.join(' '), candidates);
    if (bare) return { ...bare, of: words.join(' '), certainty: 'sure' };
  }
  const may = runsOf(words, candidates);
  for (let size = words.length - 1; size > 0; size--) {
    const runs = Array.from({ length: words.length - size + 1 }, (_, at) => at)
      .filter((at) => may(at, size))
      .map((at) => words.slice(at, at + size).join(' '))
      // Of a number or a letter alone nobody can say what it means.
      .filter((run) => !/^(?:\d+|[a-z])$/.test(run))
      .flatMap((run): Found[] => {
        const some = meantBy(run, candidates, size > 1 ? TOGETHER : WELL);
        return some ? [{ ...some, of: run, certainty: 'likely' }] : [];
      })
      .sort((a, b) => b.score - a.score || Number(isInstrument(a)) - Number(isInstrument(b)));
    if (runs.length) return runs[0];
  }
  return undefined;
}

const PICKUPS = new Set(SOURCES.filter(({ character }) => character === 'pickup').map(({ kind }) => kind));
/** In "Violin SDC" the violin is whom it stands before, and not its pickup. */
const isInstrument = ({ candidate }: Found): boolean => PICKUPS.has(candidate.part.kind);

/** What one word has to fit at least, and several together. */
const [WELL, TOGETHER] = [70, 60];

function meantBy(text: string, candidates: readonly Candidate[], least = 0) {
  const [first] = matches(text, candidates);
  if (!first || first.score < least) return undefined;
  const { best, others } = meant(text, candidates);
  return best && { candidate: best, others, score: first.score };
}

/** What a part is called, for whoever reads the list. */
export const calledOf = (part: Part, role: 'source' | 'link'): string =>
  part.name ?? (role === 'source' ? sourceKind(part.kind) : linkKind(part.kind)).label;
