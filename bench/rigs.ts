import type { Part } from '@/core/gear';
import { emptyRig, type Device, type RigDocument, type RigLine } from '@/core/rig';

const cable = (metres: number, connector = 'xlr3'): Part => ({
  kind: 'cable',
  choices: { connector, tested: 'yes' },
  figures: { length: { value: metres, unit: 'm', basis: 'measured' } },
});

/** What comes in on a desk, one of each in turn: microphones of every sort, and pickups through boxes. */
const KINDS: { source: Part; links: Part[] }[] = [
  { source: { kind: 'condenser-48' }, links: [cable(15)] },
  { source: { kind: 'moving-coil' }, links: [cable(10)] },
  { source: { kind: 'condenser-9-52' }, links: [cable(6)] },
  { source: { kind: 'active-ribbon' }, links: [cable(10)] },
  { source: { kind: 'moving-coil' }, links: [cable(20)] },
  { source: { kind: 'piezo-pickup' }, links: [cable(2, 'ts635'), { kind: 'active-direct-box' }, cable(8)] },
  { source: { kind: 'passive-ribbon', choices: { tap: 'none' } }, links: [cable(6)] },
  { source: { kind: 'condenser-48' }, links: [cable(8), { kind: 'three-pin-patch-point' }, cable(4)] },
];

/** A rig of so many lines on banks of eight that share a switch. */
export function bigRig(lines: number): RigDocument {
  const banks = Math.ceil(lines / 8);
  const devices = Array.from({ length: banks }, (_, bank): Device => {
    const inlets = Array.from({ length: 8 }, (_, n) => ({ id: String(n + 1), kind: 'three-pin' }));
    return {
      id: `box-${bank + 1}`,
      name: `Stage box ${bank + 1}`,
      inlets,
      groups: [{ id: 'all', name: 'inlets 1–8', inlets: inlets.map(({ id }) => id), offers: ['P48'], feed: 'P48' }],
    };
  });
  const all = Array.from({ length: lines }, (_, n): RigLine => ({
    id: `line-${n + 1}`,
    name: `Line ${n + 1}`,
    source: KINDS[n % KINDS.length].source,
    links: KINDS[n % KINDS.length].links,
    inlet: { device: `box-${Math.floor(n / 8) + 1}`, inlet: String((n % 8) + 1) },
  }));
  return { ...emptyRig(`${lines} lines`), devices, lines: all };
}
