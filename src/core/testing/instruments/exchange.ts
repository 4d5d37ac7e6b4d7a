import type { PartRef } from '../../gear';
import { onAgain, PLUG, untilOff } from '../belief/costs';
import { actOn, cures } from '../hypotheses/hypotheses';
import type { Outcome, Shown } from '../outcome';
import { classOf, partName, type Subject } from '../subject';
import { listened } from './listening';
import { oneOfKeys, type At, type Case, type Instrument, type Use } from './instrument';

const HELPED: Record<'yes' | 'no', Outcome> = {
  yes: { key: 'helped', text: 'Yes, it’s good now' },
  no: { key: 'no change', text: 'No, still the same' },
};

const placeOf = (part: PartRef): At => (typeof part === 'number' ? `link ${part}` : part);
const partsOf = ({ line }: Subject): PartRef[] => ['source', ...line.links.keys(), 'inlet'];
const partAt = (at: At): PartRef => (at === 'source' || at === 'inlet' ? at : Number(at.split(' ')[1]));

/** Whether another one in place of a part puts right what is wrong. */
const helps = (subject: Subject, part: PartRef, asIt: Case): boolean =>
  cures(actOn(subject, part), asIt, subject.links);

export const exchange: Instrument = {
  name: 'exchange',
  label: 'Swap for a good one',
  about: 'Another cable, another inlet, another source that is known to be good. If it helps, you’re done.',
  errs: 0.03,
  catches: 0.6,
  leavesOff: false,
  uses: (subject) =>
    partsOf(subject).map((part): Use => ({
      instrument: 'exchange',
      at: placeOf(part),
      ask:
        part === 'inlet'
          ? 'Is it good on another inlet?'
          : `Is it good with another one in place of ${partName(subject, part)}?`,
      how: 'Mute, feed off, wait, swap, feed on, unmute.',
      where: part === 'source' || (part === 0 && subject.links > 1) ? 'source' : part === 'inlet' ? 'desk' : 'both',
    })),
  shows(subject, use, asIt): Shown {
    if (!asIt || helps(subject, partAt(use.at), asIt)) return [{ ...HELPED.yes, share: 1 }];
    const fine = listened(subject, asIt).find(({ key }) => key === 'fine')?.share ?? 0;
    return [
      { ...HELPED.no, share: 1 - fine },
      { ...HELPED.yes, share: fine },
    ];
  },
  read: (_subject, _use, seen) => oneOfKeys(seen, Object.values(HELPED)),
  seconds: (subject, use, standing) =>
    untilOff(subject, standing) +
    (use.at === 'source' || use.at === 'inlet' ? 2 * PLUG : 4 * PLUG) +
    (classOf(subject, partAt(use.at)) === 'box' ? PLUG : 0) +
    onAgain(subject) +
    10,
};

export const replug: Instrument = {
  name: 'replug',
  label: 'Unplug and push home',
  about: 'Unplug and plug again: a plug that was not home is then, and tarnish is wiped.',
  errs: 0.03,
  catches: 0.6,
  leavesOff: false,
  uses: (subject) =>
    Array.from({ length: subject.links + 1 }, (_, junction): Use => ({
      instrument: 'replug',
      at: `junction ${junction}`,
      ask: `Is it good after unplugging and pushing home ${junction === subject.links ? 'at the inlet' : `at the ${junction === 0 ? 'source' : 'stage'} end of ${partName(subject, junction)}`}?`,
      how: 'Mute, feed off, wait, unplug, push home until it clicks, feed on, unmute.',
      where: junction === subject.links ? 'desk' : 'source',
    })),
  shows(subject, use, asIt): Shown {
    const home = asIt?.act.id === `push home ${use.at.split(' ')[1]}`;
    if (!asIt || home) return [{ ...HELPED.yes, share: 1 }];
    const fine = listened(subject, asIt).find(({ key }) => key === 'fine')?.share ?? 0;
    return [
      { ...HELPED.no, share: 1 - fine },
      { ...HELPED.yes, share: fine },
    ];
  },
  read: (_subject, _use, seen) => oneOfKeys(seen, Object.values(HELPED)),
  seconds: (subject, _use, standing) => untilOff(subject, standing) + 8 + onAgain(subject) + 8,
};
