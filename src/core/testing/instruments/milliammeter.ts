import type { Contact } from '../../gear';
import { quantity } from '../../units/format';
import { across, eachLeg } from '../readings/openEnd';
import { onceEach } from '../onceEach';
import { surely } from '../outcome';
import { fittedFor, untilOff } from '../belief/costs';
import { contactName, socketContacts, type Subject, type World } from '../subject';
import { keyFrom, keyOf, LEVELS, levelsOf, numbersOf } from './figures';
import { AT_REST, numberOf, missesUpstream, worldOf, type Instrument } from './instrument';
import { feedUses } from './voltmeter';

/** What a milliammeter puts in the way (common practice: 1 to 10 Ω in its 20 mA range). */
const OWN = 5;

const readings = (subject: Subject, junction: number, world: World): number[] =>
  eachLeg(subject, world, junction, (end, leg, reference) =>
    end.read([across(end, 'meter', leg, reference, OWN)]).amps('meter'),
  ).map(({ value }) => value);

const legsAt = (subject: Subject, junction: number): Contact[] => [...socketContacts(subject, junction).legs];

const goodOf = onceEach((subject, junction: number) => readings(subject, junction, subject.sound));

export const milliammeter: Instrument = {
  name: 'milliammeter',
  label: 'Milliammeter',
  about:
    'A short of one leg through the meter. 48 V only, muted, under two seconds, then the lead out of the current socket: many feed resistors are small. The test load says the same without that.',
  errs: 0.02,
  catches: AT_REST,
  leavesOff: true,
  failing: 'test load',
  misses: missesUpstream,
  // Other feeds heat their resistors more, and T12 gives 33 mA.
  uses: (subject) =>
    subject.feed === 'P48'
      ? feedUses(
          subject,
          'milliammeter',
          (place) => `What does the milliammeter read at ${place}?`,
          'Mute, feed off, wait, unplug, feed on; each leg under two seconds.',
        )
      : [],
  shows(subject, use, asIt) {
    const junction = numberOf(use);
    const legs = legsAt(subject, junction);
    const read = readings(subject, junction, worldOf(subject, asIt));
    const levels = levelsOf(read, goodOf(subject, junction));
    return surely({
      key: keyOf(legs, levels),
      text: legs.map((leg, n) => `${quantity(read[n], 'A')} on ${contactName(leg)}`).join(', '),
    });
  },
  read(subject, use, seen) {
    const junction = numberOf(use);
    const legs = legsAt(subject, junction);
    if (typeof seen === 'string') return keyFrom(seen, legs, () => LEVELS);
    const milliamps = numbersOf(seen, legs);
    return keyOf(
      legs,
      levelsOf(
        milliamps.map((each) => each / 1000),
        goodOf(subject, junction),
      ),
    );
  },
  seconds: (subject, _use, standing) => untilOff(subject, standing) + fittedFor(subject, 30),
};
