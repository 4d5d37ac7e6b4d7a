import type { PartRef } from '../../gear';
import { onAgain, PLUG, untilOff } from '../costs';
import { actOn, cures, pushHome } from '../hypotheses/hypothesis';
import type { Outcome, Shown } from '../outcome';
import { classOf, highVoltageOf, partName, unplugged, type Subject } from '../subject';
import { listened } from './listening';
import { numberOf, oneOfKeys, type At, type Case, type Instrument, type Look } from './instrument';

/** How likely what is there at times shows in the moment that somebody listens after a swap (assumed). */
const LISTENED_FOR = 0.6;

const HELPED: Record<'yes' | 'no', Outcome> = {
  yes: { key: 'helped', text: 'Yes, it’s good now' },
  no: { key: 'no change', text: 'No, still the same' },
};

const placeOf = (part: PartRef): At => (typeof part === 'number' ? `link ${part}` : part);
const partsOf = ({ line }: Subject): PartRef[] => ['source', ...line.links.keys(), 'inlet'];
const partAt = (at: At): PartRef => (at === 'source' || at === 'inlet' ? at : Number(at.split(' ')[1]));

/** Good afterwards where it puts right what is wrong, and where that is not heard anyway. */
function helpedWhere(subject: Subject, asIt: Case | undefined, helps: (asIt: Case) => boolean): Shown {
  if (!asIt || helps(asIt)) return [{ ...HELPED.yes, share: 1 }];
  const fine = listened(subject, asIt).find(({ key }) => key === 'fine')?.share ?? 0;
  return [
    { ...HELPED.no, share: 1 - fine },
    { ...HELPED.yes, share: fine },
  ];
}

export const exchange: Instrument = {
  name: 'exchange',
  label: 'Swap for a good one',
  about: 'Another cable, another inlet, another source that is known to be good. If it helps, you’re done.',
  hand: 'spare',
  errs: 0.03,
  catches: LISTENED_FOR,
  leavesOff: false,
  looks: (subject) =>
    partsOf(subject).map((part): Look => ({
      instrument: 'exchange',
      at: placeOf(part),
      ask:
        part === 'inlet'
          ? 'Is it good on another inlet?'
          : `Is it good with another one in place of ${partName(subject, part)}?`,
      how: `${unplugged(subject, 'swap')}${part === 'source' ? highVoltageOf(subject) : ''}`,
      unplugs: true,
      ...(subject.livesOnFeed && { feedOn: true }),
      where: part === 'source' || (part === 0 && subject.links > 1) ? 'source' : part === 'inlet' ? 'desk' : 'both',
    })),
  shows: (subject, look, asIt) =>
    helpedWhere(subject, asIt, (each) => cures(actOn(subject, partAt(look.at)), each, subject.links)),
  read: (_subject, _use, seen) => oneOfKeys(seen, Object.values(HELPED)),
  seconds: (subject, look, standing) =>
    untilOff(subject, standing) +
    (look.at === 'source' || look.at === 'inlet' ? 2 * PLUG : 4 * PLUG) +
    (classOf(subject, partAt(look.at)) === 'box' ? PLUG : 0) +
    onAgain(subject) +
    10,
};

export const replug: Instrument = {
  name: 'replug',
  label: 'Unplug and push home',
  about: 'Unplug and plug again: a plug that was not home is then, and tarnish is wiped.',
  hand: 'bare',
  errs: 0.03,
  catches: LISTENED_FOR,
  leavesOff: false,
  looks: (subject) =>
    Array.from({ length: subject.links + 1 }, (_, junction): Look => ({
      instrument: 'replug',
      at: `junction ${junction}`,
      ask: `Is it good after unplugging and pushing home ${junction === subject.links ? 'at the inlet' : `at the ${junction === 0 ? 'source' : 'stage'} end of ${partName(subject, junction)}`}?`,
      how: unplugged(subject, 'unplug, push home until it clicks'),
      unplugs: true,
      ...(subject.livesOnFeed && { feedOn: true }),
      where: junction === subject.links ? 'desk' : 'source',
    })),
  shows: (subject, look, asIt) => helpedWhere(subject, asIt, ({ act }) => act.id === pushHome(numberOf(look))),
  read: (_subject, _use, seen) => oneOfKeys(seen, Object.values(HELPED)),
  seconds: (subject, _use, standing) => untilOff(subject, standing) + 8 + onAgain(subject) + 8,
};
