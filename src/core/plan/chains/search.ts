import { isCable, inletKind, reader, sourceKind, type Part } from '../../gear';
import { rankOf } from '../../check/finding';
import type { Amps, Metres } from '../../units';
import { onceEach } from '../../units/once';
import type { Assess, Assessment, Site } from '../assess';
import { familyOf, lengthOf, type Piece } from '../pieces';
import { hasLead } from '../tasks';
import {
  changesOf,
  complexityOf,
  matched,
  partsOf,
  takesNoMore,
  useOf,
  usesOf,
  variants,
  type Chain,
  type Slot,
  type Step,
} from './chain';
import { connections } from './connect';
import { extended, kindsAgainst } from './inline';

/** A chain with what the check says of it. */
export interface Judged extends Assessment {
  chain: Chain;
  /** What it takes from the stock. */
  uses: string[];
  /** Against the line as it is now. */
  changes: number;
  complexity: number;
}

/** What a source has to be joined to, with what. */
export interface Gathering {
  source: Part;
  /** What the line has now. */
  links: readonly Part[];
  /** Kind of the inlet. */
  inlet: string;
  /** Cable that is needed, in metres. */
  run: Metres;
  pieces: readonly Piece[];
  /** Most pieces that would have to be got; cables that only have to reach do not count. */
  mostToGet: number;
  /** What each of the line's links is; undefined for what nobody has any more. */
  own: readonly (Piece | undefined)[];
  /** Whether the cables that the line has now reach. */
  reaches: boolean;
}

export interface ChainSearch extends Omit<Gathering, 'inlet'> {
  site: Site;
  assess: Assess;
  /** The inlet's device can give only so much current: a chain that draws less may be wanted where a simpler one would do. */
  limited?: boolean;
  /** Chains that cannot be better than another one are looked at all the same, and what is refused is told, too. */
  every?: boolean;
  /** What `candidatesOf` found for an inlet of this kind already. */
  candidates?: Candidates;
}

export const accepted = ({ verdict }: Pick<Judged, 'verdict'>): boolean => verdict === 'Clear' || verdict === 'Watch';

const toGet = ({ steps }: Chain): number => steps.filter(({ slot, piece }) => !slot && piece.toGet).length;

/** What chains are held against each other by. */
type Rival = Pick<Judged, 'verdict' | 'chain' | 'changes' | 'complexity' | 'amps'>;

/**
 * Whether the first chain leaves no reason for the second: it takes nothing that the other does not take, is judged at
 * least as well, changes no more and is no more complicated.
 * @param limited the inlet's device can give only so much: then it draws no more, either
 */
const dominates = (a: Rival, b: Rival, limited = false): boolean =>
  rankOf(a.verdict) >= rankOf(b.verdict) &&
  a.changes <= b.changes &&
  a.complexity <= b.complexity &&
  (!limited || a.amps <= b.amps + SAME_CURRENT) &&
  takesNoMore(b.chain, a.chain);

/** Currents that differ by less are the same to a device: a hundredth of what the least of them takes (assumed). */
const SAME_CURRENT: Amps = 1e-5;

/**
 * A chain before it is judged: what of it is the same at every inlet of a kind, whatever its switch is set to. There are
 * thousands, most of them refused: what tells the others apart is found when it is asked for.
 */
class Candidate {
  private found: { changes?: number; complexity?: number; least?: number; key?: string } = {};
  private further?: Map<string, readonly Candidate[]>;

  constructor(
    readonly chain: Chain,
    private readonly gathering: Gathering,
  ) {}

  get uses(): string[] {
    return usesOf(this.chain);
  }

  /** By which a chain is told from others. */
  get key(): string {
    const { source, steps } = this.chain;
    return (this.found.key ??= [settingsKey(source), ...steps.map(stepKey)].join());
  }

  get changes(): number {
    return (this.found.changes ??= changesOf(this.gathering, this.chain));
  }

  get complexity(): number {
    return (this.found.complexity ??= complexityOf(this.chain));
  }

  /** What it changes with the cables that lie there now: that may be less than it says. */
  get least(): number {
    return (this.found.least ??= changesOf(this.gathering, this.chain, 'all that serves'));
  }

  /** The same with one thing more, for each that findings of some codes ask for. */
  extended(codes: ReadonlySet<string>): readonly Candidate[] {
    const { pieces, mostToGet } = this.gathering;
    const kinds = kindsAgainst(codes);
    const key = [...kinds].join();
    this.further ??= new Map();
    const known =
      this.further.get(key) ??
      extended(this.chain, kinds, pieces)
        .filter((more) => toGet(more) <= mostToGet)
        .map((more) => new Candidate(more, this.gathering));
    this.further.set(key, known);
    return known;
  }
}

/** How a part is set. */
const settingsKey = onceEach(({ choices }: Part) => JSON.stringify(choices ?? {}));
const stepKey = onceEach((step: Step) => `${useOf(step)} ${settingsKey(step.part)}`);

export type Candidates = readonly Candidate[];

/** The ways to join a source to an inlet of a kind, fewest links first, none of them judged. */
export function candidatesOf(gathering: Gathering): Candidates {
  const { source, links, run, pieces, mostToGet, own, reaches } = gathering;
  const kind = sourceKind(source.kind);
  const inlet = inletKind(gathering.inlet);
  const gap = {
    source: source.kind,
    plug: kind.connector(reader(kind, source)),
    sockets: inlet.sockets,
    run,
    lead: hasLead(source),
    plugOn: inlet.plugsOn === true,
    mostToGet,
  };
  const bases = connections(gap, pieces)
    .map((steps) => ({ steps, complexity: complexityOf({ source, steps }) }))
    .sort((a, b) => a.steps.length - b.steps.length || a.complexity - b.complexity);
  return [
    ...(reaches && own.every((piece) => piece !== undefined)
      ? [{ source, steps: own.map((piece, n) => ({ piece, part: links[n] })) }]
      : []),
    ...variants(source, 'source').flatMap((variant) => bases.map(({ steps }): Chain => ({ source: variant, steps }))),
  ]
    .filter((chain) => toGet(chain) <= mostToGet)
    .map((chain) => new Candidate(chain, gathering));
}

/**
 * Every sensible chain from a source to an inlet: connectors are joined with what the stock has, and what the findings
 * of a chain ask for is put in. Chains that cannot be better than one that is Clear already are not looked at.
 * @returns what was accepted, fewest links first; with `every`, what was refused as well
 */
export function searchChains(search: ChainSearch): Judged[] {
  const { site, assess } = search;
  const queue = [...(search.candidates ?? candidatesOf({ ...search, inlet: site.inlet.kind }))];
  const found: Judged[] = [];
  const clear: Judged[] = [];
  const seen = new Set<string>();
  // What is asked for on the way joins the queue at its end.
  for (const one of queue) {
    const { chain } = one;
    if (seen.has(one.key)) continue;
    seen.add(one.key);
    if (!search.every && clear.length) {
      const atBest = { chain, complexity: one.complexity, changes: one.least, amps: 0 };
      if (clear.some((other) => dominates(other, { ...atBest, verdict: other.verdict }, search.limited))) continue;
    }
    const assessment = assess(chain.source, partsOf(chain), site);
    if (!assessment) continue;
    if (search.every || accepted(assessment)) {
      const judged = { chain, ...assessment, uses: one.uses, changes: one.changes, complexity: one.complexity };
      found.push(judged);
      if (assessment.verdict === 'Clear') clear.push(judged);
    }
    const lacking = lackingOf(assessment, search.limited);
    if (lacking.size) queue.push(...one.extended(lacking));
  }
  const merged = anyCable(found);
  return [...merged, ...merged.flatMap((judged) => withPresentCables(judged, search))];
}

/** What a chain may be mended for, by codes of findings. Where current is scarce, what draws any may have it from elsewhere. */
const lackingOf = ({ verdict, findings, amps }: Assessment, limited = false): Set<string> =>
  new Set([
    ...(verdict === 'Clear' ? [] : findings.filter(({ severity }) => severity !== 'note').map(({ code }) => code)),
    ...(limited && amps > SAME_CURRENT ? ['unpowered'] : []),
  ]);

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

/**
 * The accepted chains without those that another one leaves no reason for.
 * @param limited the inlet's device can give only so much current
 */
export function worthwhile(judged: readonly Judged[], limited = false): Judged[] {
  const good = judged.filter(accepted);
  return good.filter(
    (one, n) =>
      !good.some((other, m) => m !== n && dominates(other, one, limited) && (!dominates(one, other, limited) || m < n)),
  );
}
