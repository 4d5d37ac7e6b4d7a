import type { Edit } from '../gear/edits';
import type { Case } from './case';
import type { Attempt } from './attempts';
import { REMEDY_ORDER, SEVERITIES, type Finding, type Remedy, type RemedyClass, type Verdict, rankOf } from './finding';
import { candidates } from './remedies';

/** Most remedies that are told for a finding. */
const MOST = 6;
/** Most pairs of steps that are tried where no single one is enough. */
const MOST_PAIRS = 90;

type Judged = NonNullable<Attempt>;

const works = (verdict: Verdict): boolean => verdict === 'Clear' || verdict === 'Watch';
const order = ({ severity }: Pick<Finding, 'severity'>): number => SEVERITIES.indexOf(severity);

/** Whether a finding is gone, or told as something less. */
const gone = (finding: Finding, { findings }: Judged): boolean =>
  !findings.some(
    (other) =>
      (other.code === finding.code && order(other) <= order(finding)) ||
      other.consequences?.some(({ code, severity }) => code === finding.code && severity === finding.severity),
  );

/** Findings as bad as this one that were not there before: a remedy that brings one is none. */
const brings = (finding: Finding, before: Judged, after: Judged): boolean => {
  const known = new Set(
    before.findings.flatMap(({ code, consequences }) => [code, ...(consequences ?? []).map((c) => c.code)]),
  );
  return after.findings.some(
    (other) => order(other) <= Math.min(order(finding), order({ severity: 'watch' })) && !known.has(other.code),
  );
};

/** What an engineer would do about a finding, where not everything that happens to make it go away is that. */
const SENSIBLE: Record<string, readonly RemedyClass[]> = {
  'feed-not-needed': ['shared switch', 'setting'],
  'doubly-powered': ['setting', 'shared switch'],
  'shared-feeds': ['shared switch', 'setting', 'add'],
  'cable-fault': ['cable', 'take out'],
  'shield-open': ['cable', 'take out', 'setting', 'add'],
};

/** A bad cable is replaced, not worked around. */
const BAD_CABLE: readonly RemedyClass[] = ['cable', 'take out', 'shared switch', 'setting'];

const badCable = (at: Case, { part }: Pick<Finding, 'part'>): boolean =>
  typeof part === 'number' && (at.line.links[part]?.faults?.length ?? 0) > 0;

const sensible = (at: Case, { code, part }: Finding, { by }: Remedy): boolean => {
  const allowed = badCable(at, { part }) ? BAD_CABLE : SENSIBLE[code];
  return !allowed || by === undefined || allowed.includes(by);
};

/** A remedy that says of something what nobody has tested is no remedy: notes need none. */
const worthwhile = ({ severity, code }: Finding): boolean => severity !== 'note' || code === 'feed-not-needed';

/**
 * Tries what an engineer would try and keeps what really mends each finding without making the line worse: one step, or
 * two where one is not enough, in an engineer's order.
 */
export function searchRemedies(at: Case, before: Judged, after: (edits: Edit[]) => Attempt): Remedy[][] {
  const wanted = before.findings.some(worthwhile);
  const all = wanted ? candidates(at) : [];
  const judged = all.flatMap((remedy) => {
    const result = after(remedy.edits);
    return result ? [{ remedy, result }] : [];
  });
  const enough = (finding: Finding, result: Judged) =>
    gone(finding, result) && rankOf(result.verdict) >= rankOf(before.verdict) && !brings(finding, before, result);
  return before.findings.map((finding) => {
    if (!worthwhile(finding)) return [];
    const single = judged.filter(({ remedy, result }) => sensible(at, finding, remedy) && enough(finding, result));
    const good = single.filter(({ result }) => works(result.verdict));
    // Another feed turned on, and harm all the same, is nothing to try.
    const partial = single.filter(({ remedy, result }) => result.verdict !== 'Stop' || !turnsOn(remedy));
    const told = good.length ? good : [...pairs(at, finding, all, after, enough), ...partial];
    return inOrder(told.map(({ remedy, result }) => ({ ...remedy, gives: result.verdict })));
  });
}

type Tried = { remedy: Remedy; result: Judged };

/** Two steps one after the other, for what stays with any single one. */
function pairs(
  at: Case,
  finding: Finding,
  all: readonly Remedy[],
  after: (edits: Edit[]) => Attempt,
  enough: (finding: Finding, result: Judged) => boolean,
): Tried[] {
  if (finding.severity === 'note') return [];
  const possible = all.filter((remedy) => sensible(at, finding, remedy));
  const first = possible.filter(({ by }) => by === 'add' || by === 'setting' || by === 'cable' || by === 'take out');
  const second = possible.filter(
    ({ by }) => by === 'shared switch' || by === 'setting' || by === 'cable' || by === 'take out',
  );
  const seen = new Set<string>();
  const found: Tried[] = [];
  let left = MOST_PAIRS;
  for (const a of first)
    for (const b of second) {
      const both = [a.label, b.label].sort().join();
      if (a === b || seen.has(both) || left-- <= 0) continue;
      seen.add(both);
      // The second step is of the line as it is: only those that do not count links may follow a change of them.
      const counts = (edit: Edit) =>
        !('part' in edit && edit.part === 'inlet') && !('part' in edit && edit.part === 'source');
      if (b.edits.some(counts) && a.edits.some(({ do: what }) => what === 'insert' || what === 'remove')) continue;
      const edits = [...a.edits, ...b.edits];
      const result = after(edits);
      if (!result || !works(result.verdict) || !enough(finding, result)) continue;
      found.push({
        remedy: {
          ...a,
          label: inTurn(a, b),
          note: [a.note, b.note].filter(Boolean).join('; ') || undefined,
          edits,
        },
        result,
      });
    }
  return found;
}

/** What the feed of the inlet is turned to, if it is. */
const turnedTo = ({ edits }: Remedy): string | undefined =>
  edits.flatMap((edit) =>
    edit.do === 'choose' && edit.part === 'inlet' && edit.choice === 'feed' ? edit.value : [],
  )[0];
const turnsOn = (remedy: Remedy): boolean => (turnedTo(remedy) ?? 'off') !== 'off';

/** Two steps in words: a feed that goes off goes first, then the switch in hand, then whatever is plugged. */
const inTurn = (a: Remedy, b: Remedy): string => {
  const before = turnedTo(b) === 'off' || (b.by === 'setting' && a.by === 'add' && !turnedTo(b));
  const [first, then] = before ? [b, a] : [a, b];
  return `${first.label}, then ${then.label.replace(/^[A-Z](?=[a-z])/, (letter) => letter.toLowerCase())}`;
};

/** An engineer's order; what leaves the line working before what does not; each change once. */
export function inOrder(remedies: Remedy[]): Remedy[] {
  // What a bad cable does ends with another cable: that comes before everything else.
  const place = ({ by, edits }: Remedy): number =>
    by === 'cable' && edits.some(({ do: what }) => what === 'mend' || what === 'replace')
      ? -1
      : by
        ? REMEDY_ORDER.indexOf(by)
        : REMEDY_ORDER.length;
  const seen = new Set<string>();
  return remedies
    .filter(({ edits }) => {
      const key = JSON.stringify(edits);
      return seen.has(key) ? false : seen.add(key);
    })
    .map((remedy, n) => ({ remedy, n }))
    .sort(
      (a, b) =>
        Number(works(b.remedy.gives!)) - Number(works(a.remedy.gives!)) ||
        place(a.remedy) - place(b.remedy) ||
        Number(b.remedy.owned ?? true) - Number(a.remedy.owned ?? true) ||
        rankOf(b.remedy.gives!) - rankOf(a.remedy.gives!) ||
        a.n - b.n,
    )
    .map(({ remedy }) => remedy)
    .slice(0, MOST);
}
