import type { Contact } from '../../gear';
import type { Ohms, Volts } from '../../units';
import { quantity } from '../../units/format';
import { across, openEnd } from '../readings/openEnd';
import { contactName, socketContacts, type Subject } from '../subject';
import { atOpenEnd } from './atOpenEnd';
import { LEVELS, levelsOf } from './figures';

/** What a digital voltmeter puts across what it reads. */
export const OWN: Ohms = 10e6;
/** Less than this between the legs is nothing. */
const BETWEEN: Volts = 0.5;

const SIGNS = ['none', 'positive', 'negative'] as const;
const signOf = (volts: Volts): (typeof SIGNS)[number] =>
  Math.abs(volts) < BETWEEN ? 'none' : volts > 0 ? 'positive' : 'negative';

/** Each leg against the common contact, then the second leg against the first. */
const pairsOf = (subject: Subject, junction: number): [Contact, Contact][] => {
  const { legs, reference } = socketContacts(subject, junction);
  return [
    ...legs.map((leg): [Contact, Contact] => [leg, reference]),
    ...(legs.length > 1 ? [[legs[1], legs[0]] as [Contact, Contact]] : []),
  ];
};
const labelsOf = (subject: Subject, junction: number): string[] =>
  pairsOf(subject, junction).map(([a, b]) => `${a}-${b}`);
const countOfLegs = (subject: Subject, junction: number): number => socketContacts(subject, junction).legs.length;

const onPair = (label: string): string => {
  const [a, b] = label.split('-') as [Contact, Contact];
  return `${contactName(a)} to ${contactName(b).replace('pin ', '')}`;
};

export const voltmeter = atOpenEnd({
  name: 'voltmeter',
  label: 'Voltmeter',
  about: 'DC volts at an open end, between every two contacts. 10 MΩ: it loads nothing, so it sees no bad joint.',
  ask: (place) => `What does the voltmeter read at ${place}?`,
  fit: 'feed on, then read.',
  reads: 20,
  labels: labelsOf,
  readings(subject, junction, world) {
    const end = openEnd(world, junction);
    return pairsOf(subject, junction).map(([a, b]) => end.read([across(end, 'meter', a, b, OWN)]).volts(a, b));
  },
  told(read, good, subject, junction) {
    const legs = countOfLegs(subject, junction);
    return [...levelsOf(read.slice(0, legs), good.slice(0, legs)), ...read.slice(legs).map(signOf)];
  },
  allowed: (label, subject, junction) =>
    labelsOf(subject, junction).indexOf(label) < countOfLegs(subject, junction) ? LEVELS : SIGNS,
  words: (labels, _told, read) => labels.map((label, n) => `${quantity(read[n], 'V')} ${onPair(label)}`).join(', '),
  unit: { name: 'V', perUnit: 1 },
});
