import { directVolts, nodesOf } from '../../../tests/referee/ngspice';
import { cable, line, on } from '../../../tests/lines/lines';
import { magnitude, operatingPoint, smallSignal } from '../circuit';
import { asDrawn, lineCircuit, type Branch, type Line, type Part, type PathLink, type Wiring } from '.';

/** Lines that meet at a link, solved as one circuit. */
const meeting = (source: Part | string, links: PathLink[], branch: Partial<Branch>, inlet = on('off')): Line => ({
  ...line(source, links, inlet),
  branches: [{ line: 'other', name: 'Other', at: 0, port: 'b', links: [cable()], ...branch }],
});
const level = (asked: Line, wiring: Wiring = {}): number => {
  const { netlist, channels } = lineCircuit(asDrawn(asked), wiring);
  const [{ hot, cold }] = channels;
  return magnitude(smallSignal(operatingPoint(netlist))(1000).volts(hot, cold));
};
const yLead = (use: string): PathLink => ({ kind: 'y-lead', id: 'y', choices: { use } });

describe('two sources on one Y-lead', () => {
  const alone = line('moving-coil', [cable()], on('off'));
  const both = (other: Part) => meeting('moving-coil', [yLead('sum'), cable()], { source: other }, on('off'));
  test('of 200 Ω each: the other one is a load of 200 Ω, and half of the level is left', () => {
    // 200 Ω ∥ 2 kΩ behind 200 Ω, against 2 kΩ behind 200 Ω.
    const expected = 181.8 / 381.8 / (2000 / 2200);
    expect(level(both({ kind: 'moving-coil' })) / level(alone)).toBeCloseTo(expected, 2);
  });
  test('a feed reaches both', () => {
    const fed = meeting('moving-coil', [yLead('sum'), cable()], { source: { kind: 'condenser-9-52' } }, on('P48'));
    const { netlist, others } = lineCircuit(asDrawn(fed));
    const supply = others.find(({ stake }) => stake.type === 'supply')!.stake;
    if (supply.type !== 'supply') throw new Error('no supply');
    // It draws 4 mA over both legs of 6.8 kΩ; the coil takes none.
    expect(operatingPoint(netlist).volts(...supply.between[0])).toBeCloseTo(48 - 4 * 3.4, 1);
  });
});

describe('one source to two inlets', () => {
  test('a Y-lead: both inlets load it', () => {
    const one = meeting('moving-coil', [yLead('split'), cable()], { inlet: on('off') });
    const expected = 1000 / 1200 / (2000 / 2200);
    expect(level(one) / level(line('moving-coil', [cable()], on('off')))).toBeCloseTo(expected, 2);
  });
  test('a splitter’s isolated leg hears the same, 1:1, and no feed comes back through it', () => {
    const leg: Line = {
      ...line('moving-coil', [{ kind: 'splitter', id: 's', exit: 'b' }, cable()], on('P48')),
      branches: [{ line: 'direct', name: 'Direct', at: 0, port: '', links: [cable()], inlet: on('off') }],
    };
    const { netlist, junctions } = lineCircuit(asDrawn(leg));
    const point = operatingPoint(netlist);
    const { nodes } = junctions[0];
    expect(Math.abs(point.volts(nodes['2'], nodes['1'])!)).toBeLessThan(1e-6);
    expect(
      level(leg) / level(meeting('moving-coil', [{ kind: 'splitter', id: 's' }, cable()], { inlet: on('off') })),
    ).toBeCloseTo(1, 1);
  });
  test('stereo mini-jack to two mono: left and right come out apart', () => {
    const camera: Part = { kind: 'mini-jack' };
    const split: PathLink = { kind: 'stereo-split', id: 's', choices: { connector: 'ts35' } };
    const stereo: Part = { kind: 'line-output', choices: { connector: 'trs35' } };
    const left = line(stereo, [split], camera);
    const right: Line = { ...line(stereo, [{ ...split, exit: 'right' }], camera) };
    // Both channels play; with the left one alone nothing is heard on the right.
    expect(level(left)).toBeGreaterThan(0.8);
    expect(level(right)).toBeGreaterThan(0.8);
    expect(level(right, { only: 'left' })).toBeLessThan(0.01);
  });
  test('two mono into one stereo inlet: each on its own channel', () => {
    const pair: Line = meeting(
      { kind: 'plug-in-electret', choices: { connector: 'ts35' } },
      [{ kind: 'two-mono-to-stereo', id: 'p' }],
      { port: 'right', links: [], source: { kind: 'plug-in-electret', choices: { connector: 'ts35' } } },
      { kind: 'mini-jack' },
    );
    const { netlist, channels, stakes, others } = lineCircuit(asDrawn(pair));
    const point = operatingPoint(netlist);
    const at = smallSignal(point)(1000);
    const [left, right] = channels.map(({ hot, cold }) => magnitude(at.volts(hot, cold)));
    expect(left).toBeGreaterThan(0.5);
    expect(right).toBeLessThan(1e-6);
    // Plug-in power of 3 V behind 2.2 kΩ and 0.3 mA on either side (common practice).
    for (const { stake } of [...stakes.map((own) => ({ stake: own })), ...others])
      if (stake.type === 'capsule') expect(point.volts(...stake.between)).toBeCloseTo(2.34, 2);
  });
});

describe('ngspice referees circuits of several lines', () => {
  test.each<[string, Line]>([
    [
      'splitter, both inlets fed',
      meeting('condenser-48', [{ kind: 'splitter', id: 's' }, cable()], { inlet: on('P48') }, on('P48')),
    ],
    ['Y-lead, both inlets fed', meeting('condenser-48', [yLead('split'), cable()], { inlet: on('P48') }, on('P48'))],
    [
      'Y-lead, condenser and moving coil on P48',
      meeting('moving-coil', [yLead('sum'), cable()], { source: { kind: 'condenser-9-52' } }, on('P48')),
    ],
    [
      'piano in both sockets of one box',
      meeting(
        { kind: 'line-output', choices: { connector: 'ts635' } },
        [{ kind: 'passive-direct-box', id: 'box' }, cable()],
        {
          port: 'through',
          links: [],
          source: { kind: 'line-output', choices: { connector: 'ts635', coupling: 'direct' } },
        },
        on('P48'),
      ),
    ],
  ])('%s: direct voltages within 1e-6', async (_, asked) => {
    const { netlist } = lineCircuit(asDrawn(asked));
    const point = operatingPoint(netlist);
    const theirs = await directVolts(netlist);
    const floating = new Set(point.floating.flat());
    for (const node of nodesOf(netlist)) {
      if (floating.has(node)) continue;
      const ours = point.volts(node)!;
      expect(Math.abs(ours - theirs(node))).toBeLessThan(1e-6 * Math.max(1, Math.abs(ours)));
    }
  });
});
