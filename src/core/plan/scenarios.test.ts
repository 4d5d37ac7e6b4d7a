import fc from 'fast-check';
import { cable, change, clock, deviceOf, link, planned, rigOf, solver, verdicts } from '../../../tests/planning';
import type { Part } from '../gear';
import type { KitItem } from '../kit';
import type { Device, RigDocument, RigLine } from '../rig';
import { planRig, type Proposal } from '.';

/**
 * Jobs as they come, each with what an engineer says of every change, written down before the plan was made: it is the
 * expectation of each test.
 */

const bank = (inlets: number, feed: 'P48' | 'off') => ({ inlets, offers: ['P48' as const], feed });
const line = (id: string, source: Part, device: string, inlet: number, links: Part[] = [cable(5)]): RigLine => ({
  id,
  name: id,
  source,
  links,
  inlet: { device, inlet: String(inlet) },
});
const condenser = { kind: 'condenser-48' };
const coil = { kind: 'moving-coil' };
const ribbon = { kind: 'passive-ribbon' };
const receiver = { kind: 'wireless-receiver' };
const reasons = ({ lines }: Proposal) => Object.fromEntries(lines.map(({ line: id, reason }) => [id, reason]));
const clean = ({ document }: Proposal) =>
  verdicts(document).filter((verdict) => verdict !== 'Clear' && verdict !== 'Watch');

test('a quartet in a church on a battery recorder: the pair that is on unfed inlets needs its switch, nobody moves', async () => {
  const recorder = deviceOf('recorder', [bank(2, 'P48'), bank(2, 'off')], {
    batteries: { cells: 4, chemistry: 'nickel metal hydride' },
  });
  const rig = rigOf(
    [recorder],
    ['Main left', 'Main right', 'Spot left', 'Spot right'].map((id, n) =>
      line(id, condenser, 'recorder', n + 1, [cable(10)]),
    ),
  );
  const { proposal } = await planned(rig, [], { onlyKit: true });
  expect(proposal.lines).toEqual([]);
  expect(proposal.switches.map(({ name, to, reason }) => [name, to, reason])).toEqual([
    ['recorder, switch 2', 'P48', expect.stringMatching(/^Spot left with it off: no power at the microphone/)],
  ]);
});

test('a podcast of two inlets with a ribbon: one switch feeds both, so the ribbon gets the transformer; else one is left out', async () => {
  const rig = rigOf(
    [deviceOf('interface', [bank(2, 'P48')])],
    [line('host', condenser, 'interface', 1), line('guest', ribbon, 'interface', 2)],
  );
  const boxed = await planned(rig, [
    link('transformer', 1, { kind: 'isolating-transformer' }),
    link('five', 4, cable(5)),
  ]);
  expect(change(boxed.proposal, 'guest')).toMatchObject({
    putIn: expect.arrayContaining(['transformer']),
    before: 'Stop',
    after: 'Clear',
  });
  expect(boxed.proposal.lines).toHaveLength(1);
  const bare = await planned(rig, [link('five', 4, cable(5))], { onlyKit: true });
  expect(bare.proposal.leftOut).toHaveLength(1);
  expect(clean(bare.proposal)).toEqual([]);
});

test('sixteen lines of a band with old ribbons: the two ribbons change with two that need no feed, as a pair; the rest stays', async () => {
  const names = ['Kick', 'Snare', 'Hat', 'Overhead left', 'Overhead right', 'Ribbon left', 'Ribbon right', 'Acoustic'];
  const sources = [coil, coil, condenser, condenser, condenser, ribbon, ribbon, condenser];
  const upper = names.map((id, n) => line(id, sources[n], 'desk', n + 1));
  const lower = ['Bass amp', 'Guitar amp', 'Vocal 1', 'Vocal 2', 'Vocal 3', 'Keys', 'Talk', 'Spare'].map((id, n) =>
    line(id, coil, 'desk', n + 9),
  );
  const rig = rigOf([deviceOf('desk', [bank(8, 'P48'), bank(8, 'off')])], [...upper, ...lower]);
  const { proposal } = await planned(rig, [], { onlyKit: true });
  expect(clean(proposal)).toEqual([]);
  expect(proposal.leftOut).toEqual([]);
  expect(proposal.switches).toEqual([]);
  const moved = proposal.lines.map(({ line: id }) => id);
  expect(moved).toHaveLength(4);
  expect(moved).toEqual(expect.arrayContaining(['Ribbon left', 'Ribbon right']));
  const seat = (id: string) => Number(change(proposal, id).to.inlet);
  expect(Math.abs(seat('Ribbon left') - seat('Ribbon right'))).toBe(1);
  for (const [id, why] of Object.entries(reasons(proposal)))
    expect([id, why]).toEqual([
      id,
      expect.stringMatching(id.startsWith('Ribbon') ? /^At present Stop/ : /Ribbon|ribbon/),
    ]);
});

test('a film bag: receivers want no feed, the boom does; the receiver on the fed pair goes where it is off', async () => {
  const rig = rigOf(
    [deviceOf('mixer', [bank(2, 'P48'), bank(2, 'off')])],
    [
      line('Boom', condenser, 'mixer', 1, [cable(3)]),
      line('Receiver 1', receiver, 'mixer', 2, [cable(1)]),
      line('Receiver 2', receiver, 'mixer', 3, [cable(1)]),
    ],
  );
  const { proposal } = await planned(rig, [], { onlyKit: true });
  expect(clean(proposal)).toEqual([]);
  const boom = proposal.document.lines.find(({ id }) => id === 'Boom')!;
  expect(boom.inlet).toEqual({ device: 'mixer', inlet: '1' });
  expect(proposal.lines.map(({ line: id }) => id).filter((id) => id !== 'Receiver 1')).toEqual([]);
});

test('a theatre of twenty-four lines, one dead cable: one change, and nobody is moved', async () => {
  const many = Array.from({ length: 24 }, (_, n) => {
    const source = n % 3 === 0 ? condenser : coil;
    return line(`Line ${n + 1}`, source, 'desk', n + 1, [cable(10)]);
  });
  many[4] = line('Line 5', coil, 'desk', 5, [
    {
      ...cable(10),
      faults: [
        { type: 'open', contact: '2' },
        { type: 'open', contact: '3' },
      ],
    },
  ]);
  const rig = rigOf([deviceOf('desk', [bank(8, 'P48'), bank(8, 'P48'), bank(8, 'P48')])], many);
  const { proposal } = await planned(rig, [link('ten', 25, cable(10))], { onlyKit: true });
  expect(proposal.lines.map(({ line: id, putIn }) => [id, putIn])).toEqual([['Line 5', ['ten']]]);
  expect(change(proposal, 'Line 5').reason).toMatch(/^At present Silent \(dead cable/);
});

test('only what the kit has: what is drawn and nobody owns stays where it is, and is listed to get or to rent', async () => {
  const rig = rigOf(
    [deviceOf('desk', [bank(2, 'off')])],
    [line('guitar', coil, 'desk', 1, [{ kind: 'inline-booster' }, cable(5)]), line('mic', coil, 'desk', 2)],
  );
  const { proposal } = await planned(rig, [link('five', 2, cable(5))], { onlyKit: true });
  expect(proposal.leftOut).toEqual([]);
  const drawn = proposal.document.lines.some(({ links }) => links.some(({ kind }) => kind === 'inline-booster'));
  expect(proposal.toGet.map(({ kind, count, lines }) => [kind, count, lines])).toEqual(
    drawn ? [['inline-booster', 1, ['guitar']]] : [],
  );
});

describe('cables join', () => {
  const far = (metres: number, links: Part[] = []): RigDocument => ({
    ...rigOf(
      [{ ...deviceOf('desk', [bank(2, 'off')]), location: 'hall' }],
      [{ ...line('mic', coil, 'desk', 1, links), location: 'stage' }],
    ),
    locations: [
      { id: 'hall', name: 'Hall' },
      { id: 'stage', name: 'Stage' },
    ],
    runs: [{ between: ['hall', 'stage'], length: { value: metres, unit: 'm', basis: 'measured' } }],
  });
  test.each<[string, number, KitItem[], string[]]>([
    ['ten and ten', 18, [link('ten', 2, cable(10))], ['ten', 'ten']],
    ['fifteen and five', 20, [link('fifteen', 1, cable(15)), link('five', 1, cable(5))], ['fifteen', 'five']],
    ['three tens', 28, [link('ten', 3, cable(10))], ['ten', 'ten', 'ten']],
    [
      'one that reaches before two that are joined',
      18,
      [link('ten', 2, cable(10)), link('twenty', 1, cable(20))],
      ['twenty'],
    ],
  ])('%s: nothing is to be got', async (_, metres, kit, wanted) => {
    const { proposal } = await planned(far(metres), kit);
    expect(proposal.toGet).toEqual([]);
    expect(proposal.lines[0].putIn.toSorted()).toEqual(wanted.toSorted());
  });
  test('a line without any cable is not the same and Clear, however near its inlet stands', async () => {
    const near = rigOf([deviceOf('desk', [bank(2, 'off')])], [line('mic', coil, 'desk', 1, [])]);
    const { proposal } = await planned(near, [link('five', 1, cable(5))]);
    expect(proposal.lines[0]).toMatchObject({ line: 'mic', putIn: ['five'] });
  });
  test('an inlet that is to be got stands in the room, and its line gets cable that reaches', async () => {
    const rig = far(30, [cable(30)]);
    const mics = [1, 2].map((n) => ({
      ...line(`mic ${n}`, n === 1 ? condenser : ribbon, 'desk', n, [cable(30)]),
      location: 'stage',
    }));
    const { proposal } = await planned(
      { ...rig, devices: [{ ...deviceOf('desk', [bank(2, 'P48')]), location: 'hall' }], lines: mics },
      [],
    );
    const got = proposal.document.devices.find(({ id }: Device) => id !== 'desk');
    if (got) expect(got.location).toBe('hall');
    expect(clean(proposal)).toEqual([]);
  });
  test('more in the kit never makes a plan worse, whatever the lengths', async () => {
    const solve = await solver;
    const lengths = [3, 5, 8, 10, 15, 20];
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 4, max: 34 }), { minLength: 1, maxLength: 3 }),
        fc.array(fc.nat(2), { minLength: lengths.length, maxLength: lengths.length }),
        fc.nat(lengths.length - 1),
        (runs, counts, more) => {
          const places = runs.map((_, n) => ({ id: `place-${n}`, name: `Place ${n}` }));
          const rig: RigDocument = {
            ...rigOf(
              [{ ...deviceOf('desk', [bank(3, 'off')]), location: 'hall' }],
              runs.map((_, n) => ({ ...line(`mic ${n}`, coil, 'desk', n + 1, []), location: `place-${n}` })),
            ),
            locations: [{ id: 'hall', name: 'Hall' }, ...places],
            runs: runs.map((value, n) => ({
              between: ['hall', `place-${n}`],
              length: { value, unit: 'm', basis: 'measured' },
            })),
          };
          const figures = (extra: number) => {
            const kit = lengths.map((metres, n) =>
              link(`${metres} m`, counts[n] + (n === more ? extra : 0), cable(metres)),
            );
            return planRig(
              { document: rig, kit, seconds: 60, onlyKit: true },
              { solver: solve, clock },
            ).proposal.reached.map(({ value }) => value);
          };
          const [before, after] = [figures(0), figures(1)];
          const first = after.findIndex((value, at) => value !== before[at]);
          if (first >= 0) expect([first, after[first]]).toEqual([first, Math.min(after[first], before[first])]);
        },
      ),
      { numRuns: 60 },
    );
  });
});
