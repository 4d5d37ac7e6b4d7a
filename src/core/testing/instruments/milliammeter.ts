import type { Contact } from '../../gear';
import type { Ohms } from '../../units';
import { quantity } from '../../units/format';
import { across, eachLeg } from '../readings/openEnd';
import { contactName } from '../subject';
import { atOpenEnd, legsAt } from './atOpenEnd';
import { LEVELS, levelsOf } from './figures';

/** What a milliammeter puts in the way (common practice: 1 to 10 Ω in its 20 mA range). */
const OWN: Ohms = 5;

export const milliammeter = atOpenEnd({
  name: 'milliammeter',
  label: 'Milliammeter',
  about:
    'A short of one leg through the meter. 48 V only, muted, under two seconds, then the lead out of the current socket: many feed resistors are small. The test load says the same without that.',
  failing: 'test load',
  // Other feeds heat their resistors more, and T12 gives 33 mA.
  applies: ({ feed }) => feed === 'P48',
  ask: (place) => `What does the milliammeter read at ${place}?`,
  fit: 'feed on; each leg under two seconds.',
  reads: 30,
  labels: legsAt,
  readings: (subject, junction, world) =>
    eachLeg(subject, world, junction, (end, leg, reference) =>
      end.read([across(end, 'meter', leg, reference, OWN)]).amps('meter'),
    ),
  told: levelsOf,
  allowed: () => LEVELS,
  words: (labels, _told, read) =>
    labels.map((label, n) => `${quantity(read[n], 'A')} on ${contactName(label as Contact)}`).join(', '),
  unit: { name: 'mA', perUnit: 1000 },
});
