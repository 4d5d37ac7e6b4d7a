import { ofPower } from '../../signal';
import type { Decibels } from '../../units';
import { fitLevels, type Fit } from './fit';
import type { Cause } from './cause';

/** Suspects as bits of a number: those that are on. */
export type On = number;

/** One measurement of one component. */
export interface Heard {
  on: On;
  power: number;
}

/** One way to explain what was heard. */
export interface Explanation {
  cause: Cause;
  /** Sets of suspects, one to three each; empty where none has a part in it. */
  culprits: readonly On[];
  /** How likely, all explanations together being 1. */
  share: number;
  /** What each culprit adds, in dB; undefined where no measurement says so. */
  adds: readonly (Decibels | undefined)[];
  /** What stays with none of them on. */
  base: Decibels;
}

export interface Explained {
  /** The likeliest first; many that were never told apart are stood for by some. */
  explanations: Explanation[];
  /** How likely each set of suspects is a culprit, whatever else there is beside it. */
  marginals: ReadonlyMap<On, number>;
  /** Scatter between readings of one state that the whole suggests, in dB. */
  scatter: Decibels;
  /** Measurements that the likeliest explanation misses most, by their place, in units of the scatter. */
  misses: number[];
}

/** How likely so many culprits are before anything is heard (assumed; the calibration in docs holds it against worlds of every sort). */
const COUNTS = [0.2, 0.42, 0.2, 0.11, 0.07];
/** How likely a culprit is one suspect, a loop of two, a loop of three (assumed). */
const SIZES = [0.62, 0.28, 0.1];
/** How likely it comes and goes, and that no suspect has to do with it (assumed). */
const [WAVERS, OTHER] = [0.08, 0.03];
/** Scatter that is thought of, each as likely. */
const SCATTERS: readonly Decibels[] = [0.25, 0.5, 0.9, 1.4, 2, 2.8];
/** Levels that are thought of reach over so much. */
const RANGE: Decibels = 45;
/** Sets that are built upon, and causes that are tried with each. */
const [KEPT, TRIED] = [12, 24];
/** What is less likely than the best by this much, as a logarithm, is not built upon, as long as it explains the loudest. */
const HOPELESS = 14;
/** A reading this near to what is expected is explained: twice the largest scatter that is usual. */
const NEAR: Decibels = 4;
/** Explanations less likely than this are forgotten. */
const FORGOTTEN = 1e-5;

/** Whether all of a set are on. */
export const isActive = (culprit: On, on: On): boolean => (on & culprit) === culprit;

const bits = (value: number): number => {
  let count = 0;
  for (let rest = value; rest; rest &= rest - 1) count++;
  return count;
};

/** How much of what is thought before anything is heard comes from what is computed, where something is (assumed). */
const COMPUTED = 0.5;

/** Sets of suspects with how likely they are by what is computed. */
export type Suggested = readonly { on: On; share: number }[];

/** Every set of one to three suspects that may be off, with its prior. */
function causesOf(count: number, fixed: On, suggested: Suggested): { on: On; prior: number }[] {
  const free = Array.from({ length: count }, (_, n) => 1 << n).filter((unit) => !(unit & fixed));
  const pairs = free.flatMap((a, n) => free.slice(n + 1).map((b) => a | b));
  const triples = free.flatMap((a, n) =>
    free.slice(n + 1).flatMap((b, m) => free.slice(n + m + 2).map((c) => a | b | c)),
  );
  // A suspect alone may close a loop with what stays on.
  const causes = [free, pairs, triples].flatMap((sets, size) =>
    sets.map((on) => ({ on, prior: SIZES[size] / sets.length })),
  );
  const computed = new Map<On, number>();
  // What is never off is part of a loop without being told apart.
  for (const { on, share } of suggested) computed.set(on & ~fixed, (computed.get(on & ~fixed) ?? 0) + share);
  const whole = causes.reduce((sum, { on }) => sum + (computed.get(on) ?? 0), 0);
  return whole === 0
    ? causes
    : causes.map(({ on, prior }) => ({
        on,
        prior: (1 - COMPUTED) * prior + (COMPUTED * (computed.get(on) ?? 0)) / whole,
      }));
}

/** Causes that were on and off in the same measurements: what was heard cannot tell them apart. */
interface Alike {
  /** In which measurements they were on, as a list of 0 and 1. */
  pattern: readonly number[];
  prior: number;
  members: { on: On; prior: number }[];
}

function alike(heard: readonly Heard[], count: number, fixed: On, suggested: Suggested): Alike[] {
  const found = new Map<string, Alike>();
  for (const cause of causesOf(count, fixed, suggested)) {
    const pattern = heard.map(({ on }) => (isActive(cause.on, on) ? 1 : 0));
    const key = pattern.join('');
    const same = found.get(key) ?? found.set(key, { pattern, prior: 0, members: [] }).get(key)!;
    same.prior += cause.prior;
    same.members.push(cause);
  }
  return [...found.values()];
}

/** Some groups of causes with what they explain. */
interface Hypothesis {
  cause: Cause;
  groups: readonly Alike[];
  fit: Fit;
  /** By scatter: logarithm of prior and evidence. */
  logs: number[];
}

/**
 * Every way to explain what was heard that is worth a thought. Powers add: what stays, and what each culprit makes when
 * it is on. Levels are fitted; how well, and how freely, counts as evidence (Laplace's approximation; MacKay, 1992).
 * @param count how many suspects there are
 * @param fixed those that are never off: what they make stays, and is told from the line itself by nothing
 * @param suggested who may be it by what is computed; it counts as much as not knowing anything
 */
export function explain(heard: readonly Heard[], count: number, fixed: On = 0, suggested: Suggested = []): Explained {
  const levels = heard.map(({ power }) => ofPower(power));
  const groups = alike(heard, count, fixed, suggested);
  const [always, moving] = [
    groups.find(({ pattern }) => pattern.every((on) => on === 1)),
    groups.filter(({ pattern }) => pattern.includes(0) && pattern.includes(1)),
  ];
  const hypotheses: Hypothesis[] = [];
  const weigh = (own: readonly Alike[], cause: Cause = 'suspects'): Hypothesis => {
    const fit = fitLevels(
      levels,
      own.map(({ pattern }) => pattern),
      cause,
    );
    const prior = own.reduce((sum, group) => sum + Math.log(group.prior), 0);
    const counted =
      cause === 'suspects'
        ? Math.log(COUNTS[own.length]) + logFactorial(own.length)
        : Math.log(cause === 'comes and goes' ? WAVERS : OTHER);
    return { cause, groups: own, fit, logs: SCATTERS.map((sigma) => prior + counted + fit.evidence(sigma)) };
  };
  const best = ({ logs }: Hypothesis) => Math.max(...logs);

  let level = [weigh([])];
  hypotheses.push(...level);
  for (let size = 1; size < COUNTS.length; size++) {
    const seen = new Set<string>();
    const next: Hypothesis[] = [];
    const ranked = level.toSorted((a, b) => best(b) - best(a));
    // Once something explains it well, only what is near that is worth a further culprit.
    const top = hypotheses.reduce((found, each) => Math.max(found, best(each)), -Infinity);
    const isExplained = hypotheses.some((each) => best(each) > top - HOPELESS && fits(each));
    const kept = ranked.filter((each) => !isExplained || best(each) > top - HOPELESS).slice(0, KEPT);
    for (const { groups: own, fit } of kept)
      for (const other of size === 1 ? moving : promising(moving, fit.residuals)) {
        if (own.includes(other)) continue;
        const key = [...own, other]
          .map(({ members }) => members[0].on)
          .sort((a, b) => a - b)
          .join();
        if (seen.has(key)) continue;
        seen.add(key);
        next.push(weigh([...own, other]));
      }
    if (next.length === 0) break;
    hypotheses.push(...next);
    level = next;
  }
  if (heard.length > 2) {
    for (const group of moving) if (bits(group.members[0].on) < 3) hypotheses.push(weigh([group], 'comes and goes'));
    hypotheses.push(weigh([], 'comes and goes'), weigh([], 'does not fit'));
  }
  return summary(hypotheses, always, levels);
}

const logFactorial = (n: number): number => (n < 2 ? 0 : Math.log(n) + logFactorial(n - 1));

/** Whether every reading lies near what is expected. */
const fits = ({ fit: { residuals } }: Hypothesis): boolean => residuals.every((off) => Math.abs(off) < NEAR);

/** The causes that go best with what is left unexplained. */
function promising(groups: readonly Alike[], residuals: readonly number[]): Alike[] {
  if (groups.length <= TRIED) return [...groups];
  const mean = residuals.reduce((sum, each) => sum + each, 0) / residuals.length;
  const scored = groups.map((group) => {
    const on = group.pattern.reduce((sum, each) => sum + each, 0);
    const sum = group.pattern.reduce((total, each, n) => total + (each ? residuals[n] - mean : 0), 0);
    const spread = on * (1 - on / residuals.length);
    return { group, score: sum / Math.sqrt(spread) + 0.05 * Math.log(group.prior) };
  });
  return scored
    .sort((a, b) => b.score - a.score)
    .slice(0, TRIED)
    .map(({ group }) => group);
}

/** Explanations, each group of causes spread over its members. */
function summary(hypotheses: readonly Hypothesis[], always: Alike | undefined, levels: readonly Decibels[]): Explained {
  const most = hypotheses.reduce((top, { logs }) => Math.max(top, ...logs), -Infinity);
  const weighed = hypotheses.map((each) => ({ ...each, weights: each.logs.map((log) => Math.exp(log - most)) }));
  const bySigma = SCATTERS.map((_, n) => weighed.reduce((sum, { weights }) => sum + weights[n], 0));
  const total = bySigma.reduce((sum, each) => sum + each, 0);
  const scatter = SCATTERS.reduce((sum, sigma, n) => sum + (sigma * bySigma[n]) / total, 0);
  const marginals = new Map<On, number>();
  const add = (on: On, share: number) => marginals.set(on, (marginals.get(on) ?? 0) + share);
  const found = weighed.flatMap(({ cause, groups, fit, weights }): Explanation[] => {
    const share = weights.reduce((sum, each) => sum + each, 0) / total;
    if (share < FORGOTTEN) return [];
    for (const { members, prior } of groups) for (const { on, prior: own } of members) add(on, (share * own) / prior);
    const same = { cause, adds: fit.adds, base: fit.base };
    if (cause !== 'suspects' || !always) return sampled(groups, share).map((each) => ({ ...same, ...each }));
    // What stays may be the line's own, or of suspects that were never off.
    const own = COUNTS[groups.length];
    const other = (COUNTS[groups.length + 1] ?? 0) * (groups.length + 1) * always.prior;
    const part = other / (own + other);
    for (const { on, prior } of always.members) add(on, (share * part * prior) / always.prior);
    return [
      ...sampled(groups, share * (1 - part)).map((each) => ({ ...same, ...each })),
      ...sampled([...groups, always], share * part).map((each) => ({
        ...same,
        ...each,
        adds: [...fit.adds, fit.base],
        // Off, it would be quiet.
        base: fit.base - RANGE,
      })),
    ];
  });
  const [first] = weighed.toSorted((a, b) => Math.max(...b.logs) - Math.max(...a.logs));
  return {
    explanations: found.sort((a, b) => b.share - a.share),
    marginals,
    scatter,
    misses: levels.map((_, n) => Math.abs(first.fit.residuals[n] ?? 0) / scatter),
  };
}

/** Most explanations that stand for one hypothesis; so few choices are always listed, each with its own share. */
const [SAMPLES, FEW] = [120, 12];

/** One member of each group, as many choices as the share is worth; their shares add up to it. */
function sampled(groups: readonly Alike[], share: number): { culprits: On[]; share: number }[] {
  const choices = groups.reduce((product, { members }) => Math.min(1e6, product * members.length), 1);
  const count = Math.min(choices, Math.max(1, Math.ceil(SAMPLES * share)));
  if (groups.length === 0) return [{ culprits: [], share }];
  if (choices <= Math.max(FEW, count))
    return groups.reduce<{ culprits: On[]; share: number }[]>(
      (list, { members, prior }) =>
        list.flatMap((each) =>
          members.map((member) => ({
            culprits: [...each.culprits, member.on],
            share: (each.share * member.prior) / prior,
          })),
        ),
      [{ culprits: [], share }],
    );
  // Each group is gone through evenly, at a step of its own: golden ratios keep them from going in step.
  const list = Array.from({ length: count }, (_, n) => {
    const picked = groups.map(({ members, prior }, group) => {
      let left = (((n + 0.5) / count + n * group * 0.618_034) % 1) * prior;
      return members.find((member) => (left -= member.prior) <= 0) ?? members.at(-1)!;
    });
    return { culprits: picked.map(({ on }) => on), share: share / count };
  });
  return list;
}

/** Something known that is so much louder than what stays hides what nobody has heard yet. */
const HIDES: Decibels = 15;

/**
 * What an explanation expects of any state, in dB; NaN where it turns on something that nobody has heard yet, and
 * nothing louder hides it.
 */
export function expectation({ culprits, adds, base, cause }: Explanation): (on: On) => Decibels {
  const stays = 10 ** (base / 10);
  const powers = adds.map((level) => (level === undefined ? NaN : 10 ** (level / 10)));
  const hides = stays * 10 ** (HIDES / 10);
  return (on) => {
    let power = stays;
    let unheard = false;
    for (let n = 0; n < culprits.length; n++) {
      if (!isActive(culprits[n], on)) continue;
      if (cause !== 'suspects') return NaN;
      if (Number.isNaN(powers[n])) unheard = true;
      else power += powers[n];
    }
    return unheard && power < hides ? NaN : 10 * Math.log10(power);
  };
}
