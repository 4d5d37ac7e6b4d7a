import type { ContactReading, JunctionReading, LineResult } from '@/core/check';
import { CONNECTORS, type ConnectorId, type Contact } from '@/core/gear';
import { digits, quantity } from '@/core/units/format';

/** Volts without the unit, to the digits that a meter on the 60 V range shows. */
export const figure = (volts: number): string =>
  Math.abs(volts) < 0.005 ? '0' : digits(volts, Math.abs(volts) < 10 ? 2 : 1);

const NAMES: Readonly<Record<string, string>> = {
  T: 'tip',
  R: 'ring',
  R1: 'first ring',
  R2: 'second ring',
  S: 'sleeve',
};

/** Contacts as somebody says them: "pin 2", "tip". */
const called = (contacts: readonly Contact[], plug: ConnectorId): string => {
  const pins = /^xlr|^mini-xlr/.test(plug);
  return pins ? `pin ${contacts.join(' and ')}` : contacts.map((contact) => NAMES[contact] ?? contact).join(' and ');
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
  const where = at === 'source' || at === 'inlet' ? `At the ${at}` : at.replace('after', 'After');
  if (!fits) return `${where}: the plug does not fit.`;
  const { reference } = CONNECTORS[plug];
  const groups = new Map<string, Contact[]>();
  for (const each of [...contacts].sort((a, b) => Number(a.contact === reference) - Number(b.contact === reference))) {
    const text = state(each);
    groups.set(text, [...(groups.get(text) ?? []), each.contact]);
  }
  const parts = [...groups].map(
    ([text, own]) => `${called(own, plug)} ${text}${own.length > 1 && text.includes('mA') ? ' each' : ''}`,
  );
  return `${where}: ${parts.join(', ')}.`;
}

const state = ({ volts, amps }: ContactReading): string =>
  volts === null
    ? 'floating'
    : `at ${figure(volts)} V${amps !== null && Math.abs(amps) >= 5e-5 ? `, ${quantity(Math.abs(amps), 'A')}` : ''}`;
