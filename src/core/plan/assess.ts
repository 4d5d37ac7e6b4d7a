import { judgeAsDrawn, judgeLine } from '../check/check';
import type { Finding, Verdict } from '../check/finding';
import type { Schools } from '../schools/schools';
import { CircuitError } from '../circuit';
import { BEHIND_THE_INLET, inletKind, linkKind, type FeedSwitch, type Line, type Part } from '../gear';
import type { LevelPlan } from '../level/plan';
import type { Amps, Hertz } from '../units';
import { alikeOf } from './alike';
import { onceEach } from '../units/once';

/** An inlet as a chain meets it: its feed is what its switch is set to. */
export interface Site {
  inlet: Part;
  switch?: FeedSwitch;
}

/** What the check says of a chain, and the figures that chains are compared by. */
export interface Assessment {
  verdict: Verdict;
  /** Worst first; remedies are suggested, not tried. */
  findings: Finding[];
  level?: LevelPlan;
  lowCut?: Hertz;
  highCut?: Hertz;
  /** What the inlet's own feed gives. */
  amps: Amps;
  /** What feeds on the way give, by position of the link. */
  supplies: { link: number; amps: Amps }[];
}

/** Judges a source behind links at an inlet; undefined where the circuit has no answer. */
export type Assess = (source: Part, links: readonly Part[], site: Site) => Assessment | undefined;

/** What a part is to the check; what it is called makes no difference to a verdict. */
const bare = onceEach(({ kind, figures, choices, faults }: Part) => JSON.stringify([kind, figures, choices, faults]));

/** The same for a link: nor does whether somebody has tested it. What it is by default it is also where that is said. */
const bareLink = onceEach(({ kind, figures, choices, faults }: Part) => {
  const { tested: _tested, ...others } = { ...standardOf(kind), ...choices };
  return JSON.stringify([kind, figures, others, faults]);
});
const standardOf = (kind: string): Record<string, string> =>
  Object.fromEntries(Object.entries(linkKind(kind).choices).map(([name, { standard }]) => [name, standard]));

/** Most assessments that are kept. */
const MOST = 60_000;

/** An inlet without what is no part of its circuit. */
const circuitOf = onceEach(({ kind, figures = {}, choices, faults }: Part) =>
  JSON.stringify([kind, Object.entries(figures).filter(([name]) => !BEHIND_THE_INLET.has(name)), choices, faults]),
);

/** Findings that turn on direct current alone. */
const POWER: ReadonlySet<string> = new Set([
  'unpowered',
  'capsule-overvoltage',
  'supply-overvoltage',
  'ribbon-fed',
  'element-direct-current',
]);

/** Links that may give power. */
const gives = (nature?: string): boolean => nature === 'supply' || nature === 'splitter';

/** Whether neither a chain nor its inlet gives any power. */
function isUnfed(links: readonly Part[], { inlet }: Site): boolean {
  const kind = inletKind(inlet.kind);
  const feed = inlet.choices?.feed ?? kind.choices.feed?.standard ?? 'off';
  return feed === 'off' && links.every(({ kind: link }) => !gives(linkKind(link).nature));
}

const isRefused = (verdict: Verdict): boolean => verdict === 'Stop' || verdict === 'Silent';

/**
 * The same check as everywhere else, with answers kept: many lines of a rig are alike, and so are most inlets of a desk.
 * @param refused once: what is Stop or Silent over one set of conductors is not tried over others that lead the same
 * contacts together, nor what begins like something that left its source without power or with too much of it, as far as
 * a link that lets no direct current through, nor over anything else without a feed where it had no power without one;
 * findings are then those of the first that was tried
 */
export function assessor(schools: Schools, refused: 'once' | 'each' = 'each'): Assess {
  // Parts, and what they are alike by, go by numbers: said in words thousands of chains would fill the memory.
  const numbers = new Map<string, number>();
  const numberOf = (words: string): number => {
    let number = numbers.get(words);
    if (number === undefined) numbers.set(words, (number = numbers.size));
    return number;
  };
  const numberOfPart = onceEach((part: Part) => numberOf(bare(part)));
  const numberOfLink = refused === 'once' ? onceEach((part: Part) => numberOf(bareLink(part))) : numberOfPart;
  const numberOfCircuit = onceEach((inlet: Part) => numberOf(circuitOf(inlet)));
  const known = new Map<string, Assessment | undefined>();
  const refusals = new Map<string, Assessment>();
  const alikes = new Map<string, Keys>();
  /** What a chain is to the current is the same at every inlet. */
  const alikeAt = (key: string, source: Part, links: readonly Part[]): Keys => {
    let found = alikes.get(key);
    if (!found) {
      const alike = alikeOf(source, links);
      const [whole, power] = [alike.whole, alike.power].map(numberOf);
      found = { whole, power, beginnings: alike.beginnings.map((words) => `${numberOf(words)} begins`) };
    }
    if (alikes.size >= MOST) alikes.clear();
    alikes.set(key, found);
    return found;
  };
  return (source, links, site) => {
    const { offers, reaches = [] } = site.switch ?? {};
    const reached = `${offers?.join() ?? '-'} ${reaches.length > 0}`;
    const chain = `${numberOfPart(source)},${links.map(numberOfLink).join()}`;
    const key = `${chain} ${numberOfPart(site.inlet)} ${reached}`;
    if (known.has(key)) return known.get(key);
    if (known.size >= MOST) known.clear();
    const unfed = refused === 'once' && isUnfed(links, site) ? `${numberOfPart(source)} unfed` : undefined;
    const dark = unfed === undefined ? undefined : refusals.get(unfed);
    const alike = refused === 'once' && !dark ? alikeAt(chain, source, links) : undefined;
    const whole = alike && `${alike.whole} ${numberOfPart(site.inlet)} ${reached}`;
    // Current does not know how an inlet amplifies.
    const fed = alike && `${alike.power} ${numberOfCircuit(site.inlet)} ${reached} fed`;
    const like = dark ?? (alike && [whole!, fed!, ...alike.beginnings].map((each) => refusals.get(each)).find(Boolean));
    const line: Line = { id: 'plan', name: 'plan', source, links: [...links], inlet: site.inlet, switch: site.switch };
    const assessment =
      like ?? (refused === 'once' ? assessed(line, schools, judgeAsDrawn, true) : assessed(line, schools));
    known.set(key, assessment);
    if (alike && !like && assessment && isRefused(assessment.verdict)) {
      refusals.set(whole!, assessment);
      const worst = assessment.findings.filter(({ severity }) => severity === 'harm' || severity === 'silent');
      const power = worst.filter(({ code }) => POWER.has(code));
      if (power.length) refusals.set(fed!, assessment);
      if (unfed && power.some(({ code, part }) => code === 'unpowered' && part === 'source'))
        refusals.set(unfed, assessment);
      if (alike.beginnings.length && power.some(({ part }) => part === 'source'))
        refusals.set(alike.beginnings[0], assessment);
    }
    return assessment;
  };
}

/** By what chains are alike, as keys. */
interface Keys {
  whole: number;
  power: number;
  beginnings: string[];
}

/** One line judged. @param brief without the figures of its signal */
export function assessed(line: Line, schools: Schools, judge = judgeLine, brief = false): Assessment | undefined {
  try {
    const { solved, findings, verdict } = judge(line, schools);
    const feeds = solved.circuit.stakes.flatMap((stake) =>
      stake.type === 'feed' ? [{ part: stake.part, amps: Math.abs(solved.point.amps(stake.element)) }] : [],
    );
    return {
      verdict,
      findings,
      ...(!brief && { level: solved.level, lowCut: solved.signal.lowCut, highCut: solved.signal.highCut }),
      amps: feeds.filter(({ part }) => part === 'inlet').reduce((sum, { amps }) => sum + amps, 0),
      supplies: feeds.flatMap(({ part, amps }) => (typeof part === 'number' ? [{ link: part, amps }] : [])),
    };
  } catch (error) {
    if (error instanceof CircuitError) return undefined;
    throw error;
  }
}
