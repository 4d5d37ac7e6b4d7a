import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import loadHighs from 'highs';
import { checkRig } from '@/core/rigcheck';
import type { Part } from '@/core/gear';
import { parseKit, type KitItem } from '@/core/kit';
import { highsSolver, planRig, type Plan, type PlanRequest, type Proposal } from '@/core/plan';
import { pieceKey } from '@/core/plan/pieces';
import { stockOf } from '@/core/plan/stock';
import { emptyRig, parseDocument, type Device, type RigDocument, type RigLine } from '@/core/rig';
import type { FeedName } from '@/core/standards/feeds';

/** What tests of plans have in common: the optimiser, the demo rig, small rigs by chance. */

export const solver = loadHighs().then(highsSolver);
export const clock = () => performance.now() / 1000;

export const demoRig = (id = 'lock-nine'): RigDocument => parseDocument(readFileSync(`demo/${id}.json`, 'utf8'));
export const demoKit = (): KitItem[] => parseKit(readFileSync('demo/kit.json', 'utf8')).items;

/** A plan of a rig; without a time limit that a busy machine could run into. */
export async function planned(
  document: RigDocument,
  kit: readonly KitItem[],
  more: Partial<PlanRequest> = {},
): Promise<Plan> {
  return planRig({ document, kit, seconds: 120, ...more }, { solver: await solver, clock });
}

export const link = (id: string, count: number, part: Part): KitItem => ({ id, name: id, count, role: 'link', part });

export const cable = (metres: number, connector = 'xlr3'): Part => ({
  kind: 'cable',
  choices: { connector, tested: 'yes' },
  figures: { length: { value: metres, unit: 'm', basis: 'measured' } },
});

/** A device of three-pin inlets, so many on each switch. */
export const deviceOf = (
  id: string,
  groups: { inlets: number; offers: Exclude<FeedName, 'off'>[]; feed: FeedName }[],
  more: Partial<Device> = {},
): Device => {
  let next = 1;
  const own = groups.map(({ inlets, offers, feed }, n) => ({
    id: `switch-${n + 1}`,
    name: `switch ${n + 1}`,
    inlets: Array.from({ length: inlets }, () => String(next++)),
    offers,
    feed,
  }));
  const inlets = own.flatMap((group) => group.inlets.map((inlet) => ({ id: inlet, kind: 'three-pin' })));
  return { id, name: id, inlets, groups: own, ...more };
};

/** A line over five metres of cable to an inlet of the desk. */
export const deskLine = (id: string, kind: string, inlet: string): RigLine => ({
  id,
  name: id,
  source: { kind },
  links: [cable(5)],
  inlet: { device: 'desk', inlet },
});

export const verdicts = (document: RigDocument) => {
  const { lines, unsolved } = checkRig(document);
  return [...lines.map(({ verdict }) => verdict), ...unsolved.map(() => 'unsolved')];
};
export const change = ({ lines }: Proposal, id: string) => lines.find(({ line }) => line === id)!;

/** Pieces of which a plan uses more than the stock has, things to get left aside. */
export function overuse({ document }: Proposal, from: RigDocument, kit = demoKit()): string[] {
  const stock = stockOf(kit, from);
  const used = new Map<string, number>();
  for (const { links } of document.lines)
    for (const part of links) if (part.note !== 'to get') used.set(pieceKey(part), (used.get(pieceKey(part)) ?? 0) + 1);
  return [...used].filter(([key, count]) => count > (stock.get(key)?.count ?? 0)).map(([key]) => key);
}

export const rigOf = (devices: Device[], lines: RigLine[]): RigDocument => ({ ...emptyRig('small'), devices, lines });

const SOURCES: { source: Part; links: Part[] }[] = [
  { source: { kind: 'condenser-48' }, links: [cable(5)] },
  { source: { kind: 'condenser-9-52' }, links: [cable(5)] },
  { source: { kind: 'moving-coil' }, links: [cable(5)] },
  { source: { kind: 'passive-ribbon' }, links: [cable(5)] },
  {
    source: { kind: 'plug-in-electret', choices: { connector: 'ts35' } },
    links: [{ kind: 'plain-adapter' }, cable(5)],
  },
  { source: { kind: 'piezo-pickup' }, links: [cable(2, 'ts635'), { kind: 'passive-direct-box' }, cable(5)] },
  { source: { kind: 'line-output', choices: { connector: 'trs635' } }, links: [cable(5, 'trs635')] },
];

const BOXES: Part[] = [
  { kind: 'plug-in-converter' },
  { kind: 'active-direct-box' },
  { kind: 'passive-direct-box' },
  { kind: 'isolating-transformer' },
  { kind: 'supply-box' },
  cable(5),
  cable(5, 'ts635'),
];

/** Rigs of two to four lines on three to five inlets, and a small kit. */
export const smallRigs = fc
  .record({
    chosen: fc.array(fc.nat(SOURCES.length - 1), { minLength: 2, maxLength: 4 }),
    groups: fc.array(
      fc.record({
        inlets: fc.integer({ min: 1, max: 2 }),
        offers: fc.constantFrom<Exclude<FeedName, 'off'>[]>(['P48'], ['P12', 'P48'], []),
        on: fc.boolean(),
      }),
      { minLength: 3, maxLength: 3 },
    ),
    counts: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: BOXES.length, maxLength: BOXES.length }),
  })
  .map(({ chosen, groups, counts }) => {
    const device = deviceOf(
      'desk',
      groups.map(({ inlets, offers, on }) => ({ inlets, offers, feed: on ? (offers[0] ?? 'off') : 'off' })),
    );
    const lines = chosen.slice(0, device.inlets.length).map((n, k): RigLine => ({
      id: `line-${k + 1}`,
      name: `Line ${k + 1}`,
      ...structuredClone(SOURCES[n]),
      inlet: { device: 'desk', inlet: String(k + 1) },
    }));
    const kit = BOXES.map((part, n) => link(`item-${n}`, counts[n], part));
    return { document: rigOf([device], lines), kit };
  });

/** The same, some of whose desks can give only so much. */
export const limitedRigs = fc
  .tuple(smallRigs, fc.option(fc.integer({ min: 2, max: 9 })))
  .map(([{ document, kit }, most]) => ({
    document: {
      ...document,
      devices: document.devices.map((device) => ({
        ...device,
        ...(most !== null && { feedLimit: { value: most, unit: 'mA' as const, basis: 'maker' as const } }),
      })),
    },
    kit,
  }));
