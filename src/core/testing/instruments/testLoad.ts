import type { Contact } from '../../gear';
import type { Ohms } from '../../units';
import { quantity } from '../../units/format';
import { across, eachLeg } from '../readings/openEnd';
import { contactName } from '../subject';
import { atOpenEnd, legsAt } from './atOpenEnd';
import { LEVELS, levelsOf } from './figures';
import { OWN } from './voltmeter';

/** The load: as large as a feed resistor of P48, so that it halves 48 V; safe for every feed. */
export const LOAD: Ohms = 6800;

export const testLoad = atOpenEnd({
  name: 'test load',
  label: 'Test load of 6.8 kΩ',
  about:
    'A resistor of 6.8 kΩ from one leg to the common contact, and the volts across it: a bad joint shows under load.',
  ask: (place) => `What is across the test load at ${place}?`,
  fit: 'fit the load, feed on, then read each leg.',
  reads: 25,
  labels: legsAt,
  readings: (subject, junction, world) =>
    eachLeg(subject, world, junction, (end, leg, reference) =>
      end
        .read([across(end, 'load', leg, reference, LOAD), across(end, 'meter', leg, reference, OWN)])
        .volts(leg, reference),
    ),
  told: levelsOf,
  allowed: () => LEVELS,
  words: (labels, _told, read) =>
    labels.map((label, n) => `${quantity(read[n], 'V')} on ${contactName(label as Contact)}`).join(', '),
  unit: { name: 'V', perUnit: 1 },
});
