import { cable, demoKit, demoRig, deviceOf, link, planned, rigOf } from '../../../tests/planning';
import type { Part } from '../gear';
import type { KitItem } from '../kit';
import type { RigDocument, RigLine } from '../rig';
import type { Proposal } from '.';

/** Each of these rigs gives one reason to change a line; what stands beside the change is that reason. */

const line = (id: string, source: Part, inlet: string, links: Part[] = [cable(5)]): RigLine => ({
  id,
  name: id,
  source,
  links,
  inlet: { device: 'desk', inlet },
});
const bank = (inlets: number, feed: 'P48' | 'off') => ({ inlets, offers: ['P48' as const], feed });
const condenser = { kind: 'condenser-48' };
const coil = { kind: 'moving-coil' };
const ribbon = { kind: 'passive-ribbon' };

const reason = ({ lines }: Proposal, id: string) => lines.find((each) => each.line === id)?.reason;
const proposal = async (rig: RigDocument, kit: KitItem[] = []) => (await planned(rig, kit, { onlyKit: true })).proposal;

test('what is Stop or Silent now', async () => {
  const rig = rigOf(
    [deviceOf('desk', [bank(2, 'P48'), bank(2, 'off')])],
    [line('ribbon', ribbon, '1'), line('mic', condenser, '2')],
  );
  expect(reason(await proposal(rig), 'ribbon')).toMatch(/^At present Stop \(48 V on a passive ribbon\)\.$/);
});

test('what is to watch now, and Clear afterwards', async () => {
  const either = { kind: 'battery-or-phantom-condenser', choices: { battery: 'on' } };
  const rig = rigOf([deviceOf('desk', [bank(2, 'P48')])], [line('either', either, '1'), line('mic', condenser, '2')]);
  const plan = await proposal(rig);
  expect(plan.lines[0]).toMatchObject({ line: 'either', set: ['battery: none, or switched off'] });
  expect(reason(plan, 'either')).toBe('At present Watch (phantom (41 V) and battery are both on).');
});

test('who needs no feed where it is on for others stays: it is Clear there', async () => {
  const rig = rigOf(
    [deviceOf('desk', [bank(2, 'P48'), bank(2, 'off')])],
    [line('coil', coil, '1'), line('mic', condenser, '2')],
  );
  for (const movingCoilFeed of ['tolerate', 'off-unless-needed'])
    expect((await proposal({ ...rig, schools: { movingCoilFeed } })).lines).toEqual([]);
});

test('two banks that are set the wrong way round: switches are turned, nobody is moved', async () => {
  const rig = rigOf(
    [deviceOf('desk', [bank(1, 'off'), bank(1, 'P48')])],
    [line('mic', condenser, '1'), line('ribbon', ribbon, '2')],
  );
  const { lines, switches } = await proposal(rig);
  expect(lines).toEqual([]);
  expect(switches.map(({ to }) => to)).toEqual(['P48', 'off']);
});

test('what is Clear gives way to what is Stop, and its reason names that line', async () => {
  const rig = rigOf(
    [deviceOf('desk', [bank(2, 'P48'), bank(1, 'off')])],
    [line('ribbon', ribbon, '1'), line('mic', condenser, '2'), line('coil', coil, '3')],
  );
  const plan = await proposal(rig);
  expect(plan.lines.map(({ line: id, to, reason: why }) => [id, to.inlet, why])).toEqual([
    ['ribbon', '3', 'At present Stop (48 V on a passive ribbon).'],
    ['coil', '1', 'Makes room for ribbon.'],
  ]);
});

test('a splitter, too, gives way to a line that would have to go to another place, and says to which', async () => {
  const { proposal: plan } = await planned(demoRig(), demoKit());
  expect(reason(plan, 'singer')).toBe('If it stayed, Trio, long ribbon would have to go to another place.');
});

test('who gives way to a feed that is turned on for another one', async () => {
  const rig = rigOf(
    [deviceOf('desk', [bank(1, 'off'), { inlets: 2, offers: [], feed: 'off' }])],
    [line('coil', coil, '1'), line('mic', condenser, '2')],
  );
  const plan = await proposal(rig);
  expect(reason(plan, 'coil')).toBe('Needs no feed, and desk, switch 1 is on for mic.');
  expect(reason(plan, 'mic')).toMatch(/^At present Silent \(no power at the microphone/);
});

test('a box that another line wants more', async () => {
  const bass = (id: string, inlet: string, box: Part) =>
    line(id, { kind: 'piezo-pickup' }, inlet, [cable(2, 'ts635'), box, cable(5)]);
  const rig = rigOf(
    [deviceOf('desk', [bank(1, 'P48'), { inlets: 1, offers: [], feed: 'off' }])],
    [bass('bass', '1', { kind: 'passive-direct-box' })],
  );
  const plan = await proposal(rig, [
    link('active', 1, { kind: 'active-direct-box' }),
    link('passive', 1, { kind: 'passive-direct-box' }),
    link('lead', 1, cable(2, 'ts635')),
    link('five', 1, cable(5)),
  ]);
  expect(reason(plan, 'bass')).toMatch(/^At present Watch \(bass rolls off below/);
  expect(plan.lines[0]).toMatchObject({ putIn: ['active'], takenOut: ['Passive direct box'] });
});

test('switches: nobody needs it, somebody objects to what it is set to', async () => {
  const rig = rigOf(
    [deviceOf('desk', [bank(1, 'P48'), bank(1, 'P48'), bank(1, 'off')])],
    [line('coil', coil, '1'), line('ribbon', ribbon, '2'), line('mic', condenser, '3')],
  );
  const at = (id: string, inlet: string) => ({ line: id, to: { device: 'desk', inlet } });
  const wishes = { pinned: [at('coil', '1'), at('ribbon', '2'), at('mic', '3')] };
  const told = Object.fromEntries(
    (await proposal({ ...rig, wishes })).switches.map(({ name, to, reason: why }) => [name, [to, why]]),
  );
  expect(told['desk, switch 1']).toEqual(['off', 'No line on it needs a feed.']);
  expect(told['desk, switch 2']).toEqual(['off', expect.stringMatching(/^ribbon at 48 V: 48 V on a passive ribbon/)]);
  expect(told['desk, switch 3']).toEqual([
    'P48',
    expect.stringMatching(/^mic with it off: no power at the microphone/),
  ]);
});

test('a switch that nobody is on goes off', async () => {
  const rig = rigOf([deviceOf('desk', [bank(1, 'off'), bank(1, 'P48')])], [line('coil', coil, '1')]);
  expect((await proposal(rig)).switches).toMatchObject([
    { name: 'desk, switch 2', to: 'off', reason: 'No line is on it.' },
  ]);
});

test('lines without a place: nothing works, or every inlet that would do is wanted', async () => {
  const rig = rigOf(
    [deviceOf('desk', [bank(1, 'P48'), { inlets: 2, offers: [], feed: 'off' }])],
    [line('a', condenser, '1'), line('b', condenser, '2'), line('t12', { kind: 'condenser-t12' }, '3')],
  );
  const { leftOut } = await proposal(rig);
  const told = Object.fromEntries(leftOut.map(({ line: id, reason: why }) => [id, why]));
  expect(told.t12).toMatch(/^Nothing in the kit makes it work: no power at the microphone/);
  expect(Object.values(told)).toContain('Every suitable inlet is taken, or its switch is needed at another setting.');
  expect(leftOut).toHaveLength(2);
});
