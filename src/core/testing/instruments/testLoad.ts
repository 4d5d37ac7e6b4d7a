import type { Contact } from '../../gear';
import { across, eachLeg } from '../readings/openEnd';
import { onceEach } from '../onceEach';
import { surely } from '../outcome';
import { fittedFor, untilOff } from '../belief/costs';
import { socketContacts, type Subject, type World } from '../subject';
import { keyFrom, keyOf, LEVELS, levelsOf, numbersOf, outcomeOf } from './figures';
import { AT_REST, numberOf, missesUpstream, worldOf, type Instrument } from './instrument';
import { feedUses } from './voltmeter';

/** The load: as large as a feed resistor of P48, so that it halves 48 V; safe for every feed. */
export const LOAD = 6800;
const METER = 10e6;

const readings = (subject: Subject, junction: number, world: World) =>
  eachLeg(subject, world, junction, (end, leg, reference) =>
    end
      .read([across(end, 'load', leg, reference, LOAD), across(end, 'meter', leg, reference, METER)])
      .volts(leg, reference),
  );

const legsAt = (subject: Subject, junction: number): Contact[] => [...socketContacts(subject, junction).legs];

const goodOf = onceEach((subject, junction: number) =>
  readings(subject, junction, subject.sound).map(({ value }) => value),
);

export const testLoad: Instrument = {
  name: 'test load',
  label: 'Test load of 6.8 kΩ',
  about:
    'A resistor of 6.8 kΩ from one leg to the common contact, and the volts across it: a bad joint shows under load.',
  errs: 0.02,
  catches: AT_REST,
  leavesOff: true,
  misses: missesUpstream,
  uses: (subject) =>
    feedUses(
      subject,
      'test load',
      (place) => `What is across the test load at ${place}?`,
      'Mute, feed off, wait, unplug, fit the load, feed on, then read each leg.',
    ),
  shows(subject, use, asIt) {
    const junction = numberOf(use);
    const read = readings(subject, junction, worldOf(subject, asIt)).map(({ value }) => value);
    const good = goodOf(subject, junction);
    return surely(outcomeOf(legsAt(subject, junction), levelsOf(read, good), read, 'V'));
  },
  read(subject, use, seen) {
    const junction = numberOf(use);
    const legs = legsAt(subject, junction);
    if (typeof seen === 'string') return keyFrom(seen, legs, () => LEVELS);
    const good = goodOf(subject, junction);
    return keyOf(legs, levelsOf(numbersOf(seen, legs), good));
  },
  seconds: (subject, _use, standing) => untilOff(subject, standing) + fittedFor(subject, 25),
};
