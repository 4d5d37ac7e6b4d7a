import type { ContactReading, JunctionReading, LineResult } from '@/core/check';
import { CONNECTORS, type ConnectorId, type Contact } from '@/core/gear';
import { digits, quantity } from '@/core/units/format';
import { spoken as texts } from './texts';

/** Volts without the unit, to the digits that a meter on the 60 V range shows. */
export const figure = (volts: number): string =>
  Math.abs(volts) < 0.005 ? '0' : digits(volts, Math.abs(volts) < 10 ? 2 : 1);

const NAMES: Readonly<Record<string, string>> = {
  T: texts.tip,
  R: texts.ring,
  R1: texts.firstRing,
  R2: texts.secondRing,
  S: texts.sleeve,
};

/** Contacts as somebody says them: "pin 2", "tip". */
const called = (contacts: readonly Contact[], plug: ConnectorId): string => {
  const pins = /^xlr|^mini-xlr/.test(plug);
  return pins
    ? texts.pin(contacts.join(texts.joined))
    : contacts.map((contact) => NAMES[contact] ?? contact).join(texts.joined);
};

/** What a strip shows, in words: "At the source: pin 2 and 3 at 35.8 V, 1.9 mA each, pin 1 at 0 V." */
export function spoken({ readings: { junctions } }: LineResult): string {
  const last = junctions.length - 1;
  return junctions
    .flatMap((junction, n) => (n > 0 && n < last && alike(junction, junctions[n - 1]) ? [] : [sentence(junction)]))
    .join(' ');
}

/** Whether a junction shows what the one before it does. */
const alike = (junction: JunctionReading, before: JunctionReading): boolean =>
  junction.plug === before.plug && sentence(junction).split(':')[1] === sentence(before).split(':')[1];

function sentence({ at, plug, contacts, fits }: JunctionReading): string {
  const where = at === 'source' || at === 'inlet' ? texts.atThe(at) : at.replace('after', 'After');
  if (!fits) return texts.thePlugDoesNotFit(where);
  const { reference } = CONNECTORS[plug];
  const groups = new Map<string, Contact[]>();
  for (const each of [...contacts].sort((a, b) => Number(a.contact === reference) - Number(b.contact === reference))) {
    const text = state(each);
    groups.set(text, [...(groups.get(text) ?? []), each.contact]);
  }
  const parts = [...groups].map(([text, own]) =>
    texts.contactsAre(called(own, plug), text, own.length > 1 && text.includes('mA')),
  );
  return `${where}: ${parts.join(', ')}.`;
}

const state = ({ volts, amps }: ContactReading): string =>
  volts === null
    ? texts.floating
    : texts.atVolts(figure(volts), amps !== null && Math.abs(amps) >= 5e-5 ? `, ${quantity(Math.abs(amps), 'A')}` : '');
