import type { Contact } from '../../gear';
import type { Element } from '../../circuit';
import { openEnd, type OpenEnd } from '../readings/openEnd';
import { surely, type Outcome } from '../outcome';
import { fittedFor, untilOff } from '../belief/costs';
import { socketContacts, type Subject, type World } from '../subject';
import { AT_REST, numberOf, missesUpstream, ObservationError, worldOf, type Instrument } from './instrument';
import { feedUses } from './voltmeter';

/** Each lamp of the stick: a resistor, a light-emitting diode, and a diode that holds off what is the wrong way round. */
export const STICK = {
  ohms: 3300,
  /** 2.045 V at 4.55 mA (design of the stick: 48 V through 6.8 kΩ and 3.3 kΩ gives 4.55 mA). */
  diode: { saturationAmps: 3.1e-20, emission: 2 },
};
/** An eye sees no difference above the first, and nothing below the second (assumed). */
const [LIT, DIM] = [1.5e-3, 0.2e-3];

type Light = 'lit' | 'dim' | 'dark';
const LIGHTS: readonly Light[] = ['lit', 'dim', 'dark'];

/** Current of each lamp with the stick in. */
export function lampAmps(subject: Subject, world: World, junction: number): { contact: Contact; amps: number }[] {
  const end = openEnd(world, junction);
  const read = end.read(stickAt(subject, end, junction));
  return socketContacts(subject, junction).legs.map((contact) => ({ contact, amps: read.amps(`lamp.${contact}`) }));
}

/** The stick, plugged in where a line is open. */
export function stickAt(subject: Subject, end: OpenEnd, junction: number): Element[] {
  const { legs, reference } = socketContacts(subject, junction);
  return legs.flatMap((leg): Element[] => [
    { type: 'resistor', name: `lamp.${leg}`, a: end.node(leg), b: `lamp.${leg}`, ohms: STICK.ohms },
    { type: 'diode', name: `lamp.diode.${leg}`, a: `lamp.${leg}`, b: end.node(reference), ...STICK.diode },
  ]);
}

const lightOf = (amps: number): Light => (amps >= LIT ? 'lit' : amps >= DIM ? 'dim' : 'dark');
const keyOf = (lights: readonly (readonly [Contact, Light])[]): string =>
  lights.map(([contact, light]) => `${contact} ${light}`).join(', ');

function inWords(lights: readonly (readonly [Contact, Light])[]): string {
  const of = (light: Light) => lights.filter(([, each]) => each === light).map(([contact]) => `lamp ${contact}`);
  const lit = of('lit');
  const dim = of('dim');
  if (lit.length === lights.length) return lights.length > 1 ? 'Both lit' : 'Lit';
  if (lit.length === 0 && dim.length === 0) return lights.length > 1 ? 'Neither lit' : 'Dark';
  return [
    ...(lit.length ? [`Only ${lit.join(' and ')} lit`] : []),
    ...(dim.length ? [`${dim.join(' and ')} dim`] : []),
  ].join(', ');
}

const outcomeOf = (lights: readonly (readonly [Contact, Light])[]): Outcome => ({
  key: keyOf(lights),
  text: inWords(lights),
});

export const lamps: Instrument = {
  name: 'lamps',
  label: 'Two-lamp stick',
  about: 'One lamp from each leg to the common contact, fed by the inlet: which conductors bring the feed to this end.',
  errs: 0.02,
  catches: AT_REST,
  leavesOff: true,
  misses: missesUpstream,
  uses: (subject) =>
    feedUses(
      subject,
      'lamps',
      (place) => `Which lamps light at ${place}?`,
      'Mute, feed off, wait, unplug, plug the stick in, then feed on.',
    ),
  shows(subject, use, asIt) {
    const read = lampAmps(subject, worldOf(subject, asIt), numberOf(use));
    return surely(outcomeOf(read.map(({ contact, amps }) => [contact, lightOf(amps)] as const)));
  },
  read(subject, use, seen) {
    const { legs } = socketContacts(subject, numberOf(use));
    const given: unknown =
      typeof seen === 'string' ? Object.fromEntries(seen.split(',').map((each) => each.trim().split(/\s+/))) : seen;
    if (typeof given !== 'object' || given === null)
      throw new ObservationError(`must say lit, dim or dark for each of ${legs.join(', ')}`);
    const lights = legs.map((leg) => {
      const light = (given as Record<string, unknown>)[leg] as Light;
      if (!LIGHTS.includes(light))
        throw new ObservationError(`must be lit, dim or dark; each of ${legs.join(', ')} has a lamp`, `seen.${leg}`);
      return [leg, light] as const;
    });
    return keyOf(lights);
  },
  seconds: (subject, _use, standing) => untilOff(subject, standing) + fittedFor(subject, 4),
};
