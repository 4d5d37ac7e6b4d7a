import { isCable, inletKind, reader, sourceKind, type Part } from '../../gear';
import { rankOf } from '../../check/finding';
import type { Metres } from '../../units';
import type { Assess, Assessment, Site } from '../assess';
import { familyOf, lengthOf, TO_GET, type Piece } from '../pieces';
import { hasLead, PLUG_ON } from '../tasks';
import {
  changesOf,
  complexityOf,
  linksOf,
  matched,
  usesOf,
  variants,
  within,
  type Chain,
  type Slot,
  type Step,
} from './chain';
import { connections } from './connect';
import { extended } from './inline';

/** A chain with what the check says of it. */
export interface Judged extends Assessment {
  chain: Chain;
  /** What it takes from the stock. */
  uses: string[];
  /** Against the line as it is now. */
  changes: number;
  complexity: number;
}

export interface ChainSearch {
  source: Part;
  /** What the line has now. */
  links: readonly Part[];
  site: Site;
  /** Cable that is needed, in metres. */
  run: Metres;
  pieces: readonly Piece[];
  /** Most pieces that would have to be got; cables that only have to reach do not count. */
  mostToGet: number;
  assess: Assess;
  /** What each of the line's links is; undefined for what nobody has any more. */
  own: readonly (Piece | undefined)[];
  /** Whether the cables that the line has now reach. */
  reaches: boolean;
  /** Chains that cannot be better than another one are looked at all the same. */
  every?: boolean;
}

/** Things to get are as good as each other: there is as much of any as anybody wants. */
const token = (use: string): string => (use.startsWith(TO_GET) ? TO_GET : use);

export const accepted = ({ verdict }: Pick<Judged, 'verdict'>): boolean => verdict === 'Clear' || verdict === 'Watch';

const toGet = ({ steps }: Chain): number => steps.filter(({ slot, piece }) => !slot && piece.toGet).length;

const partsOf = ({ steps }: Chain): Part[] => steps.flatMap(linksOf);

/**
 * Whether the first chain leaves no reason for the second: it takes nothing that the other does not take, is judged at
 * least as well, changes no more and is no more complicated.
 */
const dominates = (a: Judged, b: Judged): boolean =>
  rankOf(a.verdict) >= rankOf(b.verdict) &&
  a.changes <= b.changes &&
  a.complexity <= b.complexity &&
  within(a.uses.map(token), b.uses.map(token));

/**
 * Every sensible chain from a source to an inlet: connectors are joined with what the stock has, and what the findings
 * of a chain ask for is put in. Chains that cannot be better than one that is Clear already are not looked at.
 * @returns what was judged, accepted and refused alike, fewest links first
 */
export function searchChains(search: ChainSearch): Judged[] {
  const { source, links, site, run, pieces, mostToGet, assess, own, reaches } = search;
  const kind = sourceKind(source.kind);
  const inlet = inletKind(site.inlet.kind);
  const gap = {
    source: source.kind,
    plug: kind.connector(reader(kind, source)),
    sockets: inlet.sockets,
    run,
    lead: hasLead(source),
    plugOn: inlet.kind === PLUG_ON,
    mostToGet,
  };
  const bases = connections(gap, pieces).sort(
    (a, b) => a.length - b.length || complexityOf({ source, steps: a }) - complexityOf({ source, steps: b }),
  );
  const queue: Chain[] = [
    ...(reaches && own.every((piece) => piece !== undefined)
      ? [{ source, steps: own.map((piece, n) => ({ piece, part: links[n] })) }]
      : []),
    ...variants(source, 'source').flatMap((variant) => bases.map((steps): Chain => ({ source: variant, steps }))),
  ];
  const found: Judged[] = [];
  const clear: Judged[] = [];
  const seen = new Set<string>();
  // What is asked for on the way joins the queue at its end.
  for (const chain of queue) {
    const uses = usesOf(chain);
    const key = JSON.stringify([chain.source.choices, chain.steps.map(({ part }) => part.choices), uses]);
    if (seen.has(key) || toGet(chain) > mostToGet) continue;
    seen.add(key);
    const changes = changesOf({ source, links }, chain);
    const figures = { uses, changes, complexity: complexityOf(chain) };
    if (!search.every && clear.length) {
      // With the cables that lie there now it may change less than it says.
      const least = changesOf({ source, links }, chain, 'all that serves');
      if (clear.some((other) => dominates(other, { ...other, ...figures, changes: least }))) continue;
    }
    const assessment = assess(chain.source, partsOf(chain), site);
    if (!assessment) continue;
    const judged = { chain, ...assessment, ...figures };
    found.push(judged);
    if (assessment.verdict === 'Clear') clear.push(judged);
    else queue.push(...extended(chain, assessment.findings, pieces));
  }
  const merged = anyCable(found);
  return [...merged, ...merged.flatMap((judged) => withPresentCables(judged, search))];
}

/** Chains that differ in nothing but the sort of their cables, and are judged alike, as one that takes any of these. */
function anyCable(judged: readonly Judged[]): Judged[] {
  const alike = new Map<string, Judged[]>();
  for (const one of judged) {
    const { chain, verdict, findings } = one;
    const steps = chain.steps.map(({ slot, piece, part }) =>
      slot ? [slot.least, slot.most, part.choices?.connector] : [piece.key, part.choices],
    );
    const codes = findings.map(({ code, severity }) => `${severity} ${code}`);
    const key = JSON.stringify([chain.source.choices, steps, verdict, codes]);
    alike.set(key, [...(alike.get(key) ?? []), one]);
  }
  return [...alike.values()].map((group) => {
    const [first] = group;
    if (group.length === 1) return first;
    const steps = first.chain.steps.map((step, n) =>
      step.slot
        ? {
            ...step,
            slot: {
              ...step.slot,
              families: [...new Set(group.flatMap(({ chain }) => chain.steps[n].slot!.families))].toSorted(),
            },
          }
        : step,
    );
    const chain = { ...first.chain, steps };
    return { ...first, chain, uses: usesOf(chain), changes: Math.min(...group.map(({ changes }) => changes)) };
  });
}

/** The same chain with the cables that lie there now in place of any that would do. */
function withPresentCables({ chain }: Judged, { source, links, site, assess, own }: ChainSearch): Judged[] {
  const found = matched(links, chain.steps);
  let kept = 0;
  const steps = chain.steps.flatMap((step, n): Step[] => {
    if (!step.slot) return [step];
    const at = found[n];
    const run = at === undefined ? presentRun(links, step.slot) : [at];
    const laid = run.flatMap((link) => (own[link] ? [{ piece: own[link], part: links[link] }] : []));
    if (laid.length === 0 || laid.length < run.length) return [step];
    kept++;
    return laid;
  });
  if (!kept) return [];
  const laid: Chain = { source: chain.source, steps };
  const assessment = assess(laid.source, partsOf(laid), site);
  if (!assessment) return [];
  return [
    {
      chain: laid,
      ...assessment,
      uses: usesOf(laid),
      changes: changesOf({ source, links }, laid),
      complexity: complexityOf(laid),
    },
  ];
}

/** Cables that follow each other and reach together, by their places on the line; none where they do not. */
function presentRun(links: readonly Part[], { families, least, most }: Slot): number[] {
  const lies = (n: number) =>
    n < links.length && isCable(links[n]) && !links[n].faults?.length && families.includes(familyOf(links[n]));
  for (let begin = 0; begin < links.length; begin++) {
    const run: number[] = [];
    for (let n = begin; lies(n) && familyOf(links[n]) === familyOf(links[begin]) && run.length < most; n++) run.push(n);
    if (run.reduce((sum, n) => sum + lengthOf(links[n]), 0) >= least && run.length > 1) return run;
  }
  return [];
}

/** The accepted chains without those that another one leaves no reason for. */
export function worthwhile(judged: readonly Judged[]): Judged[] {
  const good = judged.filter(accepted);
  return good.filter(
    (one, n) => !good.some((other, m) => m !== n && dominates(other, one) && (!dominates(one, other) || m < n)),
  );
}
