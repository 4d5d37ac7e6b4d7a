import type { Contact } from '../../gear';
import type { Seconds } from '../../units';
import { fittedFor, untilOff } from '../costs';
import { onceEach } from '../onceEach';
import { surely } from '../outcome';
import { partName, socketContacts, type Subject, type World } from '../subject';
import { keyOf, numbersFrom, wordsFrom } from './figures';
import { AT_REST, numberOf, worldOf, type Instrument, type Look } from './instrument';

/** What tells one instrument at an open end from another. */
interface OpenEndInstrument extends Pick<Instrument, 'name' | 'label' | 'about' | 'failing'> {
  ask: (place: string) => string;
  /** What is done once the line is unplugged. */
  fit: string;
  /** How long it takes to read. */
  reads: Seconds;
  /** Whether it may be used on this feed at all. */
  applies?: (subject: Subject) => boolean;
  /** What is read, by name. */
  labels: (subject: Subject, junction: number) => string[];
  /** Its readings, in SI units. */
  readings: (subject: Subject, junction: number, world: World) => number[];
  /** What readings are told as, against those of a good line. */
  told: (read: readonly number[], good: readonly number[], subject: Subject, junction: number) => string[];
  /** The words that a reading may be told as. */
  allowed: (label: string, subject: Subject, junction: number) => readonly string[];
  /** An outcome, as it is said. */
  words: (labels: readonly string[], told: readonly string[], read: readonly number[]) => string;
  /** Where it shows numbers: in what, and how many of that are one of the SI unit. */
  unit?: { name: string; perUnit: number };
}

/** The end that is in the hand at a junction, as people call it. */
const placeOf = (subject: Subject, junction: number): string =>
  junction === subject.links
    ? 'the inlet'
    : `the ${junction === 0 ? 'source' : 'stage'} end of ${partName(subject, junction)}`;

/** The contacts other than the common one, by which most instruments here name what they read. */
export const legsAt = (subject: Subject, junction: number): Contact[] => [...socketContacts(subject, junction).legs];

/** An instrument that is fitted where a line is open, and lives on the feed of its inlet. */
export function atOpenEnd(given: OpenEndInstrument): Instrument {
  const { name, label, about, failing, ask, fit, reads, applies, labels, readings, told, allowed, words, unit } = given;
  const goodOf = onceEach((subject, junction: number) => readings(subject, junction, subject.sound));
  const toldOf = (subject: Subject, junction: number, read: readonly number[]) =>
    told(read, goodOf(subject, junction), subject, junction);
  return {
    name,
    label,
    about,
    ...(failing && { failing }),
    hand: 'tool',
    errs: 0.02,
    catches: AT_REST,
    leavesOff: true,
    // An open end sees nothing that lies upstream of it.
    misses: (look, { junction, side }) => junction < numberOf(look) || (junction === numberOf(look) && side === 'plug'),
    looks: (subject) =>
      subject.feed === 'off' || (applies && !applies(subject))
        ? []
        : subject.junctions.map((_, junction): Look => ({
            instrument: name,
            at: `junction ${junction}`,
            ask: ask(placeOf(subject, junction)),
            how: `Mute, feed off, wait, unplug, ${fit}`,
            where: junction === subject.links ? 'desk' : 'source',
            unplugs: true,
            feedOn: true,
          })),
    shows(subject, look, asIt) {
      const junction = numberOf(look);
      const read = readings(subject, junction, worldOf(subject, asIt));
      const as = toldOf(subject, junction, read);
      const own = labels(subject, junction);
      return surely({ key: keyOf(own, as), text: words(own, as, read) });
    },
    read(subject, look, seen) {
      const junction = numberOf(look);
      const own = labels(subject, junction);
      if (unit && typeof seen === 'object' && seen !== null && !Array.isArray(seen)) {
        const numbers = numbersFrom(seen as Record<string, unknown>, own);
        return keyOf(
          own,
          toldOf(
            subject,
            junction,
            numbers.map((each) => each / unit.perUnit),
          ),
        );
      }
      return keyOf(
        own,
        wordsFrom(seen, own, (each) => allowed(each, subject, junction)),
      );
    },
    ...(unit && { numbers: (subject, look) => ({ unit: unit.name, labels: labels(subject, numberOf(look)) }) }),
    seconds: (subject, _look, standing) => untilOff(subject, standing) + fittedFor(subject, reads),
  };
}
