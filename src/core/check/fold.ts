import { capital, faulty, nameOf, type Case } from './case';
import { SEVERITIES, type Finding, type Severity } from './finding';
import { faultsOf } from './rules/cableFault';

/** Findings that say no more than that another one is there, by the code of that other. */
const FOLLOWS: Record<string, readonly string[]> = {
  'feed-overload': [
    'intercom-line',
    'unpowered',
    'capsule-overvoltage',
    'supply-overvoltage',
    'element-direct-current',
    'ribbon-fed',
    'output-backfeed',
    'winding-saturated',
  ],
  'feed-not-needed': [
    'intercom-line',
    'element-direct-current',
    'ribbon-fed',
    'output-backfeed',
    'exposed-patch',
    'capsule-overvoltage',
    'winding-saturated',
  ],
  'element-direct-current': ['intercom-line'],
  'ribbon-fed': ['intercom-line', 'element-direct-current'],
  'leg-lost': ['intercom-line', 'does-not-fit'],
  'shield-open': ['does-not-fit'],
  'winding-saturated': ['intercom-line', 'element-direct-current', 'ribbon-fed'],
  'supply-overvoltage': ['intercom-line'],
  'plain-adapter': ['capsule-overvoltage', 'output-backfeed'],
  unpowered: ['intercom-line', 'capsule-overvoltage', 'supply-overvoltage', 'does-not-fit'],
  'wrong-contact': ['capsule-overvoltage'],
  'mono-cancelled': ['capsule-overvoltage'],
  'open-path': ['intercom-line', 'capsule-overvoltage', 'does-not-fit', 'mono-cancelled'],
  'shorted-path': ['intercom-line', 'mono-cancelled'],
  'unbalanced-entry': [
    'capsule-overvoltage',
    'long-unbalanced',
    'mono-cancelled',
    'output-backfeed',
    'plain-adapter',
    'leg-lost',
    'open-path',
    'shorted-path',
    'intercom-line',
  ],
  loaded: [
    'element-direct-current',
    'ribbon-fed',
    'capsule-overvoltage',
    'through-as-input',
    'outputs-meet',
    'wrong-contact',
    'does-not-fit',
    'intercom-line',
  ],
  'gain-short': ['capsule-overvoltage', 'does-not-fit', 'intercom-line'],
  'headroom-short': ['capsule-overvoltage', 'link-clips', 'intercom-line'],
  'long-unbalanced': ['capsule-overvoltage'],
  'one-sided': ['capsule-overvoltage', 'mono-cancelled', 'wrong-contact', 'unpowered', 'open-path'],
  reversed: [
    'capsule-overvoltage',
    'supply-overvoltage',
    'mono-cancelled',
    'unpowered',
    'does-not-fit',
    'intercom-line',
  ],
  'fact-unproven': ['element-direct-current', 'output-backfeed', 'capsule-overvoltage', 'shield-open'],
};

const order = (severity: Severity): number => SEVERITIES.indexOf(severity);

/** A box that gets no power gives none: what lives on it is silent with it. */
const feeds = (box: Finding, fed: Finding): boolean =>
  box.code === 'unpowered' && fed.code === 'unpowered' && typeof box.part === 'number' && fed.part === 'source';

/** What a bad cable is named by, the most telling first; other findings of a Watch say less than that it is bad. */
const TELLING = ['leg-lost', 'shield-open', 'reversed', 'mono-cancelled', 'one-sided', 'underpowered', 'loaded'];

/** What others say stands under the head; what would answer them can be recorded there as well. */
function under(head: Finding, ...others: Finding[]): Finding {
  const answers = [head, ...others].flatMap((each) => each.answers ?? []);
  return {
    ...head,
    ...(answers.length && { answers }),
    consequences: [
      ...(head.consequences ?? []),
      ...others.flatMap((other) => [
        { code: other.code, severity: other.severity, what: other.what },
        ...(other.consequences ?? []),
      ]),
    ],
  };
}

/** Puts what only follows from another finding, at least as bad, under that one. */
export function foldKnown(findings: readonly Finding[]): Finding[] {
  const heads = new Map<Finding, Finding[]>();
  const top: Finding[] = [];
  for (const finding of findings) {
    const causes = FOLLOWS[finding.code] ?? [];
    const head = findings
      .filter(
        (other) =>
          other !== finding &&
          ((causes.includes(other.code) && order(other.severity) <= order(finding.severity)) || feeds(other, finding)),
      )
      .sort((a, b) => order(a.severity) - order(b.severity) || causes.indexOf(a.code) - causes.indexOf(b.code))[0];
    if (!head) top.push(finding);
    else heads.set(head, [...(heads.get(head) ?? []), finding]);
  }
  // What follows from something that follows itself stands under the same head.
  const all = (finding: Finding): Finding[] => (heads.get(finding) ?? []).flatMap((each) => [each, ...all(each)]);
  return top.map((finding) => {
    const follow = all(finding);
    return follow.length ? under(finding, ...follow) : finding;
  });
}

/**
 * Puts everything that a bad cable brings about under one finding that names the cable: what is gone with a good one.
 * @param mended the findings of the line with the n-th link mended, or with all of them
 */
export function foldFaults(at: Case, findings: readonly Finding[], mended: (links: number[]) => Finding[]): Finding[] {
  const bad = faulty(at.line);
  if (!bad.length) return [...findings];
  let left = [...findings];
  const heads: Finding[] = [];
  const take = (n: number, gone: Finding[]) => {
    const known = left.find(({ code, part }) => code === 'cable-fault' && part === n);
    const own = gone.filter((finding) => left.includes(finding) && finding.code !== 'cable-fault');
    left = left.filter((finding) => finding !== known && !own.includes(finding));
    const [worst, ...rest] = own.sort((a, b) => order(a.severity) - order(b.severity));
    const watched = own.filter(({ severity }) => severity === 'watch');
    const telling = TELLING.flatMap((code) => watched.find((finding) => finding.code === code) ?? [])[0];
    if (!worst || (order(worst.severity) >= order('watch') && !telling)) {
      if (known) heads.push(own.length ? under(known, ...own) : known);
      return;
    }
    const head = order(worst.severity) < order('watch') ? worst : telling!;
    const others = [worst, ...rest].filter((finding) => finding !== head);
    heads.push(named(at, n, others.length ? under(head, ...others) : head));
  };
  const lostWith = (links: number[]) => {
    const after = new Set(mended(links).map(({ code, severity }) => `${code} ${severity}`));
    return findings.filter(({ code, severity }) => !after.has(`${code} ${severity}`));
  };
  for (const n of bad) take(n, lostWith([n]));
  // What two bad cables do only together stands under the first.
  if (bad.length > 1) {
    const together = lostWith(bad).filter((finding) => left.includes(finding) && finding.code !== 'cable-fault');
    if (together.length) {
      left = left.filter((finding) => !together.includes(finding));
      const [worst, ...rest] = together.sort((a, b) => order(a.severity) - order(b.severity));
      heads.push(named(at, bad[0], rest.length ? under(worst, ...rest) : worst));
    }
  }
  return SEVERITIES.flatMap((severity) => [...heads, ...left].filter((finding) => finding.severity === severity));
}

/** A finding that names the cable behind it. */
function named(at: Case, n: number, finding: Finding): Finding {
  const name = nameOf(at.line, n);
  const dead = finding.severity === 'silent';
  return {
    ...finding,
    part: n,
    what: dead ? `Dead cable: ${name}` : finding.what,
    why: capital(`${name}: ${faultsOf(at, n)}. ${finding.why}`),
    look: 'Swap this cable first.',
  };
}
