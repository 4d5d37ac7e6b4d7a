import type { Line, Part } from '@/core/gear';
import type { KitItem } from '@/core/kit';
import { emptyRig, type Device, type RigDocument, type RigLine } from '@/core/rig';

/** A condenser on P48 over 15 m of cable: the typical line. */
export const typical: Line = {
  id: 'typical',
  name: 'typical',
  source: { kind: 'condenser-48' },
  links: [{ kind: 'cable', figures: { length: { value: 15, unit: 'm', basis: 'assumed' } } }],
  inlet: { kind: 'three-pin', choices: { feed: 'P48' } },
};

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

/** The devices and lines of a rig so many times over, each copy wired as the first. */
export function timesOver(rig: RigDocument, count: number): RigDocument {
  const copies = Array.from({ length: count }, (_, n) => {
    const { devices, lines } = structuredClone({ devices: rig.devices, lines: rig.lines });
    const own = (id: string) => `${id}-${n}`;
    for (const device of devices) Object.assign(device, { id: own(device.id), name: `${device.name} ${n}` });
    for (const line of lines) {
      Object.assign(line, { id: own(line.id), name: `${line.name} ${n}` });
      if ('device' in line.inlet) line.inlet.device = own(line.inlet.device);
      if ('into' in line.inlet) line.inlet.into.line = own(line.inlet.into.line);
      if ('from' in line.source) line.source.from.line = own(line.source.from.line);
    }
    return { devices, lines };
  });
  return {
    ...emptyRig(`${rig.name} ${count} times`),
    locations: rig.locations,
    devices: copies.flatMap(({ devices }) => devices),
    lines: copies.flatMap(({ lines }) => lines),
  };
}

/** More of what comes in, some of it behind the wrong thing. */
const MIXED: { source: Part; links: Part[] }[] = [
  ...KINDS,
  { source: { kind: 'passive-ribbon' }, links: [cable(6)] },
  {
    source: { kind: 'plug-in-electret', choices: { connector: 'ts35' } },
    links: [{ kind: 'plain-adapter' }, cable(6)],
  },
  { source: { kind: 'piezo-pickup' }, links: [cable(2, 'ts635'), { kind: 'passive-direct-box' }, cable(8)] },
  { source: { kind: 'battery-or-phantom-condenser', choices: { battery: 'on' } }, links: [cable(5)] },
];

/** Sources in any order on the first inlets of boxes that share their inlets among so many switches, every feed on. */
export function mixedRig(sources: number, inlets: number, groups: number): RigDocument {
  const each = inlets / groups;
  const devices = Array.from({ length: groups / 2 }, (_, n): Device => {
    const own = Array.from({ length: 2 * each }, (_, k) => ({ id: String(k + 1), kind: 'three-pin' }));
    const half = (from: number) => own.slice(from, from + each).map(({ id }) => id);
    return {
      id: `box-${n + 1}`,
      name: `Stage box ${n + 1}`,
      inlets: own,
      groups: [
        { id: 'a', name: 'bank A', inlets: half(0), offers: ['P48'], feed: 'P48' },
        { id: 'b', name: 'bank B', inlets: half(each), offers: ['P48'], feed: 'P48' },
      ],
    };
  });
  const lines = Array.from({ length: sources }, (_, n): RigLine => {
    // A step that has no factor in common with the length takes every kind in turn, mixed.
    const { source, links } = MIXED[(n * 7) % MIXED.length];
    const box = Math.floor(n / (2 * each));
    return {
      id: `line-${n + 1}`,
      name: `Line ${n + 1}`,
      source,
      links,
      inlet: { device: `box-${box + 1}`, inlet: String((n % (2 * each)) + 1) },
    };
  });
  return { ...emptyRig(`${sources} on ${inlets}`), devices, lines };
}

/** What lies in the van for such rigs. */
export function planKit(): KitItem[] {
  const link = (id: string, count: number, part: Part): KitItem => ({ id, name: id, count, role: 'link', part });
  return [
    ...[2, 5, 6, 8, 10, 15, 20].map((metres) => link(`cable-${metres}-m`, 24, cable(metres))),
    link('lead', 16, cable(2, 'ts635')),
    link('converter', 6, { kind: 'plug-in-converter' }),
    link('active-box', 10, { kind: 'active-direct-box' }),
    link('passive-box', 8, { kind: 'passive-direct-box' }),
    link('transformer', 4, { kind: 'isolating-transformer' }),
    link('booster', 2, { kind: 'inline-booster' }),
    link('adapter', 6, { kind: 'plain-adapter' }),
  ];
}

/**
 * A rig of 64 lines whose mains side has so many units: its eight boxes, and sources of lines, half of them unbalanced,
 * on strips that hang on each other.
 */
export function mainsRig(units: number): RigDocument {
  const rig = bigRig(64);
  const strips = Array.from({ length: 4 }, (_, n) => `strip ${n + 1}`);
  const sources = Math.max(0, units - rig.devices.length);
  const lines = rig.lines.map((line, n): RigLine => {
    if (n >= sources || !('device' in line.inlet)) return line;
    const wiring = n % 2 ? 'trs-to-xlr' : 'ts-to-xlr';
    const connector = n % 2 ? 'trs635' : 'ts635';
    return {
      id: line.id,
      name: line.name,
      inlet: line.inlet,
      source: { kind: 'line-output', choices: { connector } },
      links: [{ kind: 'plain-adapter', choices: { wiring } }, cable(10)],
    };
  });
  return {
    ...rig,
    lines,
    units: [
      ...rig.devices.map(({ id, name }, n) => ({
        id: `unit-${id}`,
        name,
        kind: 'audio device' as const,
        device: id,
        outlet: strips[n % 2],
      })),
      ...lines.slice(0, sources).map(({ id, name }, n) => ({
        id: `source-${id}`,
        name,
        kind: 'computer' as const,
        line: id,
        outlet: strips[n % 4],
      })),
    ],
    mains: {
      outlets: strips.map((name, n) => ({
        name,
        ...(n > 0 && { from: strips[n - 1] }),
        length: { value: 10, unit: 'm' as const, basis: 'measured' as const },
      })),
    },
  };
}
