import type { PartRef } from '../../gear';
import type { Subject } from '../subject';
import type { Draft, Hypothesis } from './hypothesis';
import { partFaults, plugsNotHome } from './partFaults';
import { FAILED_BEFORE, TABLE_COUNTS_AS, timesOwn, TROUBLES, type Experience, type Repair } from './priors';
import { deskTroubles, sourceTroubles } from './troubles';

/** Everything that may be wrong with a line, one thing at a time; priors as somebody said, learned from repairs that helped. */
export function hypothesesOf(subject: Subject, { repairs = [], priors }: Experience = {}): Hypothesis[] {
  const parts: PartRef[] = ['source', ...subject.line.links.keys(), 'inlet'];
  const drafts = [
    ...parts.flatMap((part) => partFaults(subject, part)),
    ...plugsNotHome(subject),
    ...sourceTroubles(subject),
    ...deskTroubles(subject),
    {
      what: 'nothing wrong now',
      part: 'nothing' as const,
      act: { id: 'leave', text: 'Leave it plugged and listen: nothing is wrong now', part: 'desk' as const },
      weight: TROUBLES.nothing,
      world: subject.sound,
      sometimes: false,
      counts: { class: 'desk' as const, type: 'nothing' as const },
    },
  ];
  const own = drafts.map((draft) => ({ ...draft, weight: draft.weight * timesOwn(draft.counts, priors) }));
  return learned(own, repairs).map((draft, n) => ({ ...draft, id: `${n} ${draft.what}` }));
}

/** Weights as the table has them, with what was confirmed added, as shares. */
function learned(drafts: readonly Draft[], repairs: readonly Repair[]): Omit<Hypothesis, 'id'>[] {
  const total = drafts.reduce((sum, { weight }) => sum + weight, 0);
  const failedBefore = ({ counts }: Draft) =>
    repairs.filter(({ item }) => item !== undefined && item === counts.item).length;
  const added = drafts.map(() => 0);
  for (const repair of repairs) {
    const alike = drafts.flatMap((draft, n) =>
      draft.counts.class === repair.class && draft.counts.type === repair.type ? [n] : [],
    );
    const shares = alike.map((n) => drafts[n].weight * (1 + FAILED_BEFORE * failedBefore(drafts[n])));
    const all = shares.reduce((sum, share) => sum + share, 0);
    alike.forEach((n, k) => (added[n] += shares[k] / all));
  }
  const counted = added.reduce((sum, each) => sum + each, 0);
  return drafts.map(({ weight, ...draft }, n) => ({
    ...draft,
    prior: (TABLE_COUNTS_AS * (weight / total) + added[n]) / (TABLE_COUNTS_AS + counted),
  }));
}
