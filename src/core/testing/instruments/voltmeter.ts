import { across, openEnd } from '../readings/openEnd';
import { contactName, partName, socketContacts, type Subject } from '../subject';
import { onceEach } from '../onceEach';
import { surely } from '../outcome';
import { fittedFor, untilOff } from '../belief/costs';
import { keyFrom, keyOf, LEVELS, levelsOf, numbersOf, outcomeOf } from './figures';
import { AT_REST, numberOf, missesUpstream, worldOf, type Instrument, type Use } from './instrument';

/** What a digital voltmeter puts across what it reads. */
const OWN = 10e6;
/** Less than this between the legs is nothing, in V. */
const BETWEEN = 0.5;

/** Junctions at which a line can be opened to look at its feed from there. */
export function feedUses(subject: Subject, instrument: string, ask: (place: string) => string, how: string): Use[] {
  if (subject.feed === 'off') return [];
  return Array.from({ length: subject.links + 1 }, (_, junction): Use => {
    const place = placeOf(subject, junction);
    return {
      instrument,
      at: `junction ${junction}`,
      ask: ask(place),
      how,
      where: junction === subject.links ? 'desk' : 'source',
    };
  });
}

/** A junction as people call it: the end that is in the hand there. */
const placeOf = (subject: Subject, junction: number): string =>
  junction === subject.links
    ? `the inlet`
    : `the ${junction === 0 ? 'source' : 'stage'} end of ${partName(subject, junction)}`;

const pairsOf = (subject: Subject, junction: number): [string, string][] => {
  const { legs, reference } = socketContacts(subject, junction);
  return [
    ...legs.map((leg): [string, string] => [leg, reference]),
    ...(legs.length > 1 ? [[legs[1], legs[0]] as [string, string]] : []),
  ];
};
const labelsOf = (subject: Subject, junction: number): string[] =>
  pairsOf(subject, junction).map(([a, b]) => `${a}-${b}`);

const sign = (volts: number) => (Math.abs(volts) < BETWEEN ? 'none' : volts > 0 ? 'positive' : 'negative');

function toldAs(subject: Subject, junction: number, read: readonly number[], good: readonly number[]): string[] {
  const { length } = socketContacts(subject, junction).legs;
  return [...levelsOf(read.slice(0, length), good.slice(0, length)), ...read.slice(length).map(sign)];
}

function readings(subject: Subject, junction: number, world = subject.sound): number[] {
  const end = openEnd(world, junction);
  return pairsOf(subject, junction).map(([a, b]) =>
    end.read([across(end, 'meter', a as never, b as never, OWN)]).volts(a as never, b as never),
  );
}

const goodOf = onceEach((subject, junction: number) => readings(subject, junction));

export const voltmeter: Instrument = {
  name: 'voltmeter',
  label: 'Voltmeter',
  about: 'DC volts at an open end, between every two contacts. 10 MΩ: it loads nothing, so it sees no bad joint.',
  errs: 0.02,
  catches: AT_REST,
  leavesOff: true,
  misses: missesUpstream,
  uses: (subject) =>
    feedUses(
      subject,
      'voltmeter',
      (place) => `What does the voltmeter read at ${place}?`,
      'Mute, feed off, wait, unplug, feed on, then read.',
    ),
  shows(subject, use, asIt) {
    const junction = numberOf(use);
    const read = readings(subject, junction, worldOf(subject, asIt));
    const levels = toldAs(subject, junction, read, goodOf(subject, junction));
    return surely(
      outcomeOf(labelsOf(subject, junction), levels, read, 'V', (label) => {
        const [a, b] = label.split('-');
        return ` ${contactName(a as never)} to ${contactName(b as never).replace('pin ', '')}`;
      }),
    );
  },
  read(subject, use, seen) {
    const junction = numberOf(use);
    const labels = labelsOf(subject, junction);
    const { length } = socketContacts(subject, junction).legs;
    if (typeof seen === 'string')
      return keyFrom(seen, labels, (label) =>
        labels.indexOf(label) < length ? LEVELS : ['none', 'positive', 'negative'],
      );
    const given = numbersOf(seen, labels);
    return keyOf(labels, toldAs(subject, junction, given, goodOf(subject, junction)));
  },
  seconds: (subject, _use, standing) => untilOff(subject, standing) + fittedFor(subject, 20),
};
