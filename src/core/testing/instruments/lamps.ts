import type { Contact } from '../../gear';
import type { Element } from '../../circuit';
import type { Amps } from '../../units';
import { openEnd, type OpenEnd } from '../readings/openEnd';
import { socketContacts, type Subject, type World } from '../subject';
import { atOpenEnd, legsAt } from './atOpenEnd';

/** Each lamp of the stick: a resistor, a light-emitting diode, and a diode that holds off what is the wrong way round. */
export const STICK = {
  ohms: 3300,
  /** 2.045 V at 4.55 mA (design of the stick: 48 V through 6.8 kΩ and 3.3 kΩ gives 4.55 mA). */
  diode: { saturationAmps: 3.1e-20, emission: 2 },
};
/** An eye sees no difference above the first, and nothing below the second (assumed). */
const [LIT, DIM]: [Amps, Amps] = [1.5e-3, 0.2e-3];

const LIGHTS = ['lit', 'dim', 'dark'] as const;

/** Current of each lamp with the stick in. */
export function lampAmps(subject: Subject, world: World, junction: number): { contact: Contact; amps: Amps }[] {
  const end = openEnd(world, junction);
  const read = end.read(stickAt(subject, end, junction));
  return legsAt(subject, junction).map((contact) => ({ contact, amps: read.amps(`lamp.${contact}`) }));
}

/** The stick, plugged in where a line is open. */
export function stickAt(subject: Subject, end: OpenEnd, junction: number): Element[] {
  const { legs, reference } = socketContacts(subject, junction);
  return legs.flatMap((leg): Element[] => [
    { type: 'resistor', name: `lamp.${leg}`, a: end.node(leg), b: `lamp.${leg}`, ohms: STICK.ohms },
    { type: 'diode', name: `lamp.diode.${leg}`, a: `lamp.${leg}`, b: end.node(reference), ...STICK.diode },
  ]);
}

function inWords(labels: readonly string[], lights: readonly string[]): string {
  const of = (light: string) => labels.filter((_, n) => lights[n] === light).map((label) => `lamp ${label}`);
  const [lit, dim] = [of('lit'), of('dim')];
  if (lit.length === labels.length) return labels.length > 1 ? 'Both lit' : 'Lit';
  if (lit.length === 0 && dim.length === 0) return labels.length > 1 ? 'Neither lit' : 'Dark';
  return [
    ...(lit.length ? [`Only ${lit.join(' and ')} lit`] : []),
    ...(dim.length ? [`${dim.join(' and ')} dim`] : []),
  ].join(', ');
}

export const lamps = atOpenEnd({
  name: 'lamps',
  label: 'Two-lamp stick',
  about: 'One lamp from each leg to the common contact, fed by the inlet: which conductors bring the feed to this end.',
  ask: (place) => `Which lamps light at ${place}?`,
  fit: 'plug the stick in, then feed on.',
  reads: 4,
  labels: legsAt,
  readings: (subject, junction, world) => lampAmps(subject, world, junction).map(({ amps }) => amps),
  told: (read) => read.map((amps) => (amps >= LIT ? 'lit' : amps >= DIM ? 'dim' : 'dark')),
  allowed: () => LIGHTS,
  words: inWords,
});
