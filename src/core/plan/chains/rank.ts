import { isCable, linkKind, type Part } from '../../gear';
import type { Finding } from '../../check/finding';
import { schoolsOf, type InletRef, type RigDocument } from '../../rig/document';
import { partOf, type KitItem } from '../../kit/item';
import type { FeedName } from '../../standards/feeds';
import { assessor, type Assessment } from '../assess';
import { placesOf, siteOf } from '../places';
import { ownPieces, reachesOver } from '../asItIs';
import { lengthOf, pieceKey, settingsOf, settingsSet, type Piece } from '../pieces';
import { stockOf } from '../stock';
import { runTo, tasksOf, type Task } from '../tasks';
import { countOf, partsOf, type Step } from './chain';
import { order, qualityOf, whyBest, whyBelow, worst, type Compared, type Quality } from './criteria';
import { accepted, searchChains, type Judged } from './search';
import { lengthText, uncapital } from '../../units/format';

/** A chain with its place among all those that were judged, and why it stands there. */
export interface RankedChain {
  /** From 1; absent for a chain that is not allowed. */
  rank?: number;
  links: { label: string; set?: string }[];
  parts: Part[];
  /** The source as it is set for it. */
  sourcePart: Part;
  /** How the source is set for it, where that is not as it is now. */
  source?: string;
  verdict: Assessment['verdict'];
  /** The worst finding, where there is one. */
  finding?: Pick<Finding, 'code' | 'severity' | 'what' | 'why'>;
  quality: Quality;
  /** Pieces of which it takes the last. */
  usesUp: string[];
  /** Why it is not higher up; for what is not allowed, why not. */
  reason: string;
  /** It is what the line has now. */
  present: boolean;
}

export interface RankedChains {
  /** Best first. */
  allowed: RankedChain[];
  /** What is Stop or Silent, shortest first: tempting, and why not. */
  refused: RankedChain[];
  /** Cable that is needed, in metres. */
  run: number;
}

/** Most chains that are told of each sort. */
const MOST = 24;

/**
 * Every sensible chain of the kit from a line's source to an inlet at one setting of its switch, best first, and the
 * shorter ones that are not allowed.
 * @param line the line's id, or that of a source of the kit
 * @returns undefined if there is no such line or inlet, or others hang on the line
 */
export function rankedChains(
  document: RigDocument,
  kit: readonly KitItem[],
  line: string,
  inlet: InletRef,
  feed: FeedName,
): RankedChains | undefined {
  const task = tasksOf(document).find((each) => each.line.id === line) ?? taskOf(kit, line, inlet);
  const place = placesOf({ ...document, wishes: undefined }).find(
    ({ device, inlets }) => device.id === inlet.device && inlets.includes(inlet.inlet),
  );
  if (!task || !place || task.followers.length) return undefined;
  const run = runTo(document, task, inlet.device);
  const pieces = [...stockOf(kit, document).values()];
  const free = freeCounts(document, line, pieces);
  const own = ownPieces(task, pieces);
  const judged = searchChains({
    source: task.source,
    links: task.line.links,
    site: siteOf(place, feed),
    run,
    pieces,
    mostToGet: 0,
    assess: assessor(schoolsOf(document)),
    own,
    reaches: document.lines.some(({ id }) => id === line) && reachesOver(task, run),
    every: true,
  });
  const compared = once(judged).map((one): Compared => ({
    judged: one,
    quality: qualityOf(one),
    usesUp: one.chain.steps.flatMap(({ piece, slot }) =>
      !slot && !own.some((each) => each?.key === piece.key) && free(piece.key) <= 1 ? [piece.label] : [],
    ),
  }));
  const good = compared.filter((each) => accepted(each.judged)).toSorted(order);
  const shortest = Math.min(...good.map((each) => countOf(each.judged.chain.steps)), Infinity);
  const bad = compared
    .filter(
      (each) =>
        !accepted(each.judged) &&
        JSON.stringify(each.judged.chain.source.choices) === JSON.stringify(task.source.choices) &&
        (good.length === 0 || countOf(each.judged.chain.steps) <= shortest || each.judged.changes === 0),
    )
    .toSorted((a, b) => countOf(a.judged.chain.steps) - countOf(b.judged.chain.steps) || order(a, b));
  return {
    allowed: good
      .slice(0, MOST)
      .map((each, n) => told(each, n + 1, n === 0 ? whyBest(each, good[1]) : whyBelow(each, good[n - 1]), task.source)),
    refused: bad.slice(0, MOST).map((each) => {
      const finding = worst(each.judged.findings);
      return told(each, undefined, finding ? `${finding.what}. ${finding.why}` : each.judged.verdict, task.source);
    }),
    run,
  };
}

/** A source of the kit as if it were a line without links. */
function taskOf(kit: readonly KitItem[], id: string, inlet: InletRef): Task | undefined {
  const item = kit.find((each) => each.id === id);
  if (item?.role !== 'source') return undefined;
  const source = partOf(item);
  return { line: { id, name: item.name, source, links: [], inlet }, followers: [], source };
}

/** Chains whose cables may be any of a sort are told once, with what lies there now if that serves. */
function once(judged: readonly Judged[]): Judged[] {
  const found = new Map<string, Judged>();
  for (const one of judged) {
    const key = JSON.stringify([
      one.verdict,
      one.chain.source.choices,
      one.chain.steps.map(({ part, slot, piece }) =>
        isCable(part) && !piece.faulty
          ? ['cable', part.choices?.connector ?? 'xlr3', slot?.least]
          : [piece.key, part.choices],
      ),
    ]);
    const loose = key.replaceAll(/"cable","(\w+)",[\d.]+/g, '"cable","$1",null');
    const known = found.get(loose);
    if (!known || one.changes < known.changes) found.set(loose, one);
  }
  return [...found.values()];
}

/** How many of each piece no other line has. */
function freeCounts({ lines }: RigDocument, line: string, pieces: readonly Piece[]): (key: string) => number {
  const counts = new Map(pieces.map(({ key, count }) => [key, count]));
  for (const { id, links } of lines)
    if (id !== line) for (const part of links) counts.set(pieceKey(part), (counts.get(pieceKey(part)) ?? 0) - 1);
  return (key) => counts.get(key) ?? 0;
}

function told({ judged, quality, usesUp }: Compared, rank: number | undefined, reason: string, now: Part): RankedChain {
  const setting = settingsSet(now, judged.chain.source, 'source').join(', ');
  const finding = worst(judged.findings);
  return {
    ...(rank !== undefined && { rank }),
    links: judged.chain.steps.map(linkOf),
    parts: partsOf(judged.chain),
    sourcePart: judged.chain.source,
    ...(setting && { source: setting }),
    verdict: judged.verdict,
    ...(finding && {
      finding: { code: finding.code, severity: finding.severity, what: finding.what, why: finding.why },
    }),
    quality,
    usesUp,
    reason,
    present: judged.changes === 0,
  };
}

/** A step in words: a cable that only has to reach by the length it must have, a box by its name and how it is set. */
function linkOf({ part, slot, piece, joined }: Step): RankedChain['links'][number] {
  const kind = linkKind(part.kind);
  const chosen = (name: string) =>
    kind.choices[name].options.find(({ value }) => value === (part.choices?.[name] ?? kind.choices[name].standard))!
      .label;
  if (slot)
    return {
      label: `${chosen('connector')} cable${slot.least > 0 ? `, ${lengthText(Math.ceil(slot.least))} or more` : ''}`,
      ...(joined && {
        set: `joined: ${[piece, ...joined].map(({ part: each }) => lengthText(lengthOf(each))).join(' + ')}`,
      }),
    };
  const set = settingsOf(kind).map((name) => `${uncapital(kind.choices[name].label)}: ${chosen(name)}`);
  return { label: piece.label, ...(set.length && { set: set.join(', ') }) };
}
