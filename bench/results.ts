import { readFileSync } from 'node:fs';
import seedrandom from 'seedrandom';
import { asRig, CASEBOOK } from '@/core/check/casebook';
import { inletKind, INLETS, LINKS, SOURCES, type AnyKind, type Part } from '@/core/gear';
import { fullRigResult } from '@/core/rigcheck';
import { emptyRig, parseDocument, type RigDocument } from '@/core/rig';
import { bigRig, mixedRig } from './rigs';

const random = seedrandom('results');
const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];

/** A part with some of its choices drawn by lot. */
function drawn(spec: AnyKind): Part {
  const choices = Object.fromEntries(
    Object.entries(spec.choices)
      .filter(() => random() < 0.6)
      .map(([name, { options }]) => [name, one(options).value]),
  );
  return { kind: spec.kind, choices };
}

/** A line of anything behind anything, on an inlet with any feed. */
function randomRig(n: number): RigDocument {
  const links = Array.from({ length: Math.floor(random() * 4) }, () => drawn(one(LINKS)));
  const { choices: { feed, ...others } = {}, ...inlet } = drawn(one(INLETS));
  const offers = inletKind(inlet.kind).choices.feed?.options.map(({ value }) => value) ?? [];
  return {
    ...emptyRig(`random ${n}`),
    devices: [
      {
        id: 'desk',
        name: 'Desk',
        inlets: [{ ...inlet, choices: others, id: '1' }],
        groups: offers.length
          ? [
              {
                id: 'all',
                name: 'all',
                inlets: ['1'],
                offers: offers.filter((value) => value !== 'off'),
                feed: feed ?? 'off',
              } as RigDocument['devices'][number]['groups'][number],
            ]
          : [],
      },
    ],
    lines: [
      {
        id: 'line',
        name: 'Line',
        source: drawn(one(SOURCES)),
        links,
        inlet: { device: 'desk', inlet: '1' },
      },
    ],
  };
}

/** One line of JSON for every rig: the demo's, those of the bench, the casebook, and as many random ones as are asked for. */
const rigs = [
  ...['lock-nine', 'lock-nine-mended'].map((name) => parseDocument(readFileSync(`demo/${name}.json`, 'utf8'))),
  bigRig(8),
  mixedRig(24, 24, 2),
  ...CASEBOOK.flatMap(({ situations }) => situations.map(asRig)),
  ...Array.from({ length: Number(process.argv[2] ?? 1000) }, (_, n) => randomRig(n)),
];
const began = process.cpuUsage();
for (const rig of rigs) console.log(JSON.stringify({ rig: rig.name, ...fullRigResult(rig) }));
console.error(`${rigs.length} rigs, ${(process.cpuUsage(began).user / 1e6).toFixed(1)} s of processor time`);
