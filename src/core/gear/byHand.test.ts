import { byHand } from '../../../tests/referee/ngspice';
import {
  activeBass,
  adapter,
  attenuator,
  blocker,
  bodypack,
  camera,
  comboIn,
  condenser,
  condenserOf,
  converter,
  dynamic,
  fivePin,
  guitar,
  headset,
  insertIn,
  isolator,
  lavalier,
  lineJack,
  lineXlr,
  output,
  partyLine,
  passiveBox,
  preamplifier,
  short,
  open,
  splitter,
  stereoMic,
  stereoSplit,
  supplyBox,
  swap,
  t12,
  xlr,
  xlrIn,
  yLead,
} from '../check/casebook/parts';
import { line, shared } from '../check/casebook/situation';
import { magnitude, operatingPoint, smallSignal } from '../circuit';
import { asDrawn, lineCircuit, type Line, type Part } from '.';

/**
 * Circuits written down by hand from the standards named (from memory), not made by this program, and solved by ngspice: direct voltages and
 * currents within 0.1 %, levels within 0.01 dB. Cables are left out on both sides, or stand for a bare fault.
 */
const P48 = `vbus bus 0 48
rf2 bus p2 6.8k
rf3 bus p3 6.8k`;
/** Electronics of a current between two pick-off resistors. */
const fed = (amps: number, pickOff: number) => `r2 p2 rail ${pickOff}
r3 p3 rail ${pickOff}
bload rail 0 I=${amps}*tanh(v(rail)/0.5)`;
/** A capsule of 0.3 mA. */
const capsule = (hot: string, common: string) => `bcap ${hot} ${common} I=0.3m*tanh(v(${hot},${common})/0.1)`;

const solved = (asked: Line) => {
  const circuit = lineCircuit(asDrawn(asked));
  const point = operatingPoint(circuit.netlist);
  const at = (n: number, contact: string) => circuit.junctions.at(n)!.nodes[contact];
  return {
    circuit,
    point,
    volts: (n: number, a: string, b?: string) => point.volts(at(n, a), b === undefined ? undefined : at(n, b))!,
    between: (a: string, b: string) => point.volts(a, b)!,
    amps: (name: string) => Math.abs(point.amps(name)),
  };
};
/** A fault without a cable around it: half a centimetre of wire. */
const bare = (part: Part): Part => ({
  ...part,
  figures: {
    length: { value: 0.05, unit: 'm', basis: 'measured' },
    resistance: { value: 0.001, unit: 'Ω/m', basis: 'measured' },
    capacitance: { value: 1, unit: 'pF/m', basis: 'measured' },
  },
});

interface Direct {
  name: string;
  text: string;
  /** What ngspice is asked for, and the same here. */
  vector: string;
  ours: () => number;
}
const { abs } = Math;

const direct: Direct[] = [
  ...[3, 9, 10].map((mA): Direct => {
    const mic = condenserOf(mA);
    const pickOff = mA > 5 ? 680 : 2200;
    return {
      name: `${mA} mA on P48, pins`,
      text: `${P48}\n${fed(mA / 1e3, pickOff)}`,
      vector: 'v(p2)',
      ours: () => solved(line(mic, xlrIn('P48'))).volts(0, '2'),
    };
  }),
  {
    name: '3 mA on P48, rail',
    text: `${P48}\n${fed(3e-3, 2200)}`,
    vector: 'v(rail)',
    ours: () => solved(line(condenser, xlrIn('P48'))).between('source.supply', 'gnd'),
  },
  {
    name: '3 mA, pin 3 shorted to 1: the rail behind the pin that still reads well',
    text: `${P48}\n${fed(3e-3, 2200)}\nrs p3 0 0.1`,
    vector: 'v(rail)',
    ours: () => solved(line(condenser, bare(xlr(1, short('3', '1'))), xlrIn('P48'))).between('source.supply', 'gnd'),
  },
  {
    name: '3 mA, pin 3 shorted to 1: pin 2',
    text: `${P48}\n${fed(3e-3, 2200)}\nrs p3 0 0.1`,
    vector: 'v(p2)',
    ours: () => solved(line(condenser, bare(xlr(1, short('3', '1'))), xlrIn('P48'))).volts(0, '2'),
  },
  {
    name: '9 mA, pin 2 shorted to 1: rail',
    text: `${P48}\n${fed(9e-3, 680)}\nrs p2 0 0.1`,
    vector: 'v(rail)',
    ours: () =>
      solved(line(condenserOf(9), bare(xlr(1, short('2', '1'))), xlrIn('P48'))).between('source.supply', 'gnd'),
  },
  {
    name: '3 mA, pin 3 open: pin 2',
    text: `vbus bus 0 48\nrf2 bus p2 6.8k\nr2 p2 rail 2.2k\nbload rail 0 I=3m*tanh(v(rail)/0.5)`,
    vector: 'v(p2)',
    ours: () => solved(line(condenser, bare(xlr(1, open('3'))), xlrIn('P48'))).volts(0, '2'),
  },
  {
    name: 'condenser, pins 1 and 2 swapped: its rail over its pin 1',
    text: `vbus bus 0 48\nrf2 bus mic1 6.8k\nrf3 bus mic3 6.8k\nr2 0 rail 2.2k\nr3 mic3 rail 2.2k\nbload rail mic1 I=3m*tanh(v(rail,mic1)/0.5)\nvz mic1 x 0\nrx x 0 1g\nr99 d rail 1m\nr98 d 0 1g`,
    vector: 'v(mic1)',
    ours: () => solved(line(condenser, bare(xlr(1, swap('1', '2'))), xlrIn('P48'))).volts(0, '1'),
  },
  {
    name: 'T12 source on P48, pin 2 shorted to 1: pin 3, all of it the wrong way round',
    text: `${P48}\nrs p2 0 0.1\nbload p2 p3 I=5m*tanh(v(p2,p3)/0.5)`,
    vector: 'v(p3)',
    ours: () => solved(line(t12(), bare(xlr(1, short('2', '1'))), xlrIn('P48'))).volts(0, '3'),
  },
  {
    name: 'T12 source on P48, pin 3 shorted to 1: pin 2',
    text: `${P48}\nrs p3 0 0.1\nbload p2 p3 I=5m*tanh(v(p2,p3)/0.5)`,
    vector: 'v(p2)',
    ours: () => solved(line(t12(), bare(xlr(1, short('3', '1'))), xlrIn('P48'))).volts(0, '2'),
  },
  {
    name: 'T12 source on T12',
    text: `vb b 0 12\nrp b p2 180\nrm p3 0 180\nbload p2 p3 I=5m*tanh(v(p2,p3)/0.5)\nr0 p2 0 1g`,
    vector: 'v(p2)',
    ours: () => solved(line(t12(), xlrIn('T12'))).volts(0, '2'),
  },
  {
    name: 'electret behind a plain adapter on P48',
    text: `${P48}\nrg p3 0 1u\n${capsule('p2', '0')}`,
    vector: 'v(p2)',
    ours: () => solved(line(lavalier('ts35'), adapter('mini-to-xlr-grounded'), xlrIn('P48'))).volts(0, 'T'),
  },
  {
    name: 'the same over a cable with 1 and 2 swapped: its common contact',
    text: `vbus bus 0 48\nrf2 bus s 6.8k\nrf3 bus s 6.8k\n${capsule('0', 's')}`,
    vector: 'v(s)',
    ours: () =>
      solved(line(lavalier('ts35'), adapter('mini-to-xlr-grounded'), bare(xlr(1, swap('1', '2'))), xlrIn('P48'))).volts(
        0,
        'S',
      ),
  },
  {
    name: 'OMTP electret over a CTIA adapter on P48: its common contact',
    text: `vbus bus 0 48\nrf2 bus t 6.8k\nrf3 bus 0 6.8k\n${capsule('0', 't')}`,
    vector: 'v(t)',
    ours: () =>
      solved(line(lavalier('trrs35-omtp'), adapter('trrs-to-trs'), adapter('mini-to-xlr-open'), xlrIn('P48'))).volts(
        0,
        'S',
      ),
  },
  {
    name: 'electret on plug-in power',
    text: `v1 b 0 3\nr1 b t 2.2k\n${capsule('t', '0')}`,
    vector: 'v(t)',
    ours: () => solved(line(lavalier('ts35'), camera())).volts(0, 'T'),
  },
  {
    name: 'electret on both channels of plug-in power',
    text: `v1 b 0 3\nr1 b t 2.2k\nr2 b t 2.2k\n${capsule('t', '0')}`,
    vector: 'v(t)',
    ours: () => solved(line(lavalier(), camera())).volts(0, 'T'),
  },
  {
    name: 'plug-in power shorted limits itself: open volts over resistance',
    text: `v1 b 0 3\nr1 b t 2.2k\nrs t 0 0.1`,
    vector: 'i(v1)',
    ours: () =>
      solved(
        line(
          lavalier('ts35'),
          bare({ kind: 'cable', choices: { connector: 'ts35' }, faults: [short('T', 'S')] }),
          camera(),
        ),
      ).amps('inlet.feed.T'),
  },
  {
    name: 'dynamic on plug-in power',
    text: `v1 b 0 3\nr1 b t 2.2k\nr2 b t 2.2k\nrc t 0 200`,
    vector: 'i(v1)',
    ours: () => solved(line(dynamic, adapter('xlr-to-mini-both'), camera())).amps('inlet.feed'),
  },
  {
    name: 'two-wire lavalier on a bodypack',
    text: `v1 b 0 5\nr1 b t 4.7k\nr2 b 0 1k\n${capsule('t', '0')}`,
    vector: 'v(t)',
    ours: () => solved(line(lavalier('ts35'), bodypack)).volts(0, 'T'),
  },
  {
    name: 'three-wire lavalier on a bodypack: its power',
    text: `v1 b 0 5\nr1 b t 4.7k\nr2 b r 1k\n${capsule('r', '0')}\nr3 t 0 1g`,
    vector: 'v(r)',
    ours: () => solved(line(lavalier('trs35-tip', 'three'), bodypack)).volts(0, 'R'),
  },
  {
    name: 'dynamic on a two-wire intercom: current',
    text: `v1 b 0 30\nr1 b p2 20\nrc p2 p3 200\nr2 p3 0 200`,
    vector: 'i(v1)',
    ours: () => solved(line(dynamic, partyLine)).amps('inlet.feed'),
  },
  {
    // In its pin 3 there is less than its electronics need: a line of 200 Ω pulls at the other leg.
    name: 'condenser on a two-wire intercom: rail',
    text: `v1 b 0 30\nr1 b p2 20\nr2 p3 0 200\nr3 p2 rail 2.2k\nr4 p3 rail 2.2k\ni1 rail 0 3m`,
    vector: 'v(rail)',
    ours: () => solved(line(condenser, partyLine)).between('source.supply', 'gnd'),
  },
  {
    name: 'direct box on T12: DC through its secondary',
    text: `v1 b 0 12\nr1 b p2 180\nr2 p2 p3 20\nr3 p3 0 180`,
    vector: 'i(v1)',
    ours: () => solved(line(activeBass(), passiveBox(), xlrIn('T12'))).amps('link1.secondary'),
  },
  {
    name: 'splitter on T12: DC through its primary',
    text: `v1 b 0 12\nr1 b p2 180\nr2 p2 p3 40\nrc p2 p3 200\nr3 p3 0 180`,
    vector: 'v(p2)',
    ours: () => solved(line(dynamic, splitter(), xlrIn('T12'))).volts(0, '2'),
  },
  {
    name: 'isolating transformer, pin 3 shorted behind it: DC through its secondary',
    text: `${P48}\nrw p2 p3 40\nrs p3 0 0.1`,
    vector: 'v(p2)',
    ours: () => solved(line(dynamic, isolator, bare(xlr(1, short('3', '1'))), xlrIn('P48'))).volts(-1, '2'),
  },
  {
    name: 'directly coupled laptop on P48',
    text: `${P48}\nro p2 0 150`,
    vector: 'v(p2)',
    ours: () => solved(line(output('ts35', 'direct'), adapter('mini-to-xlr-open'), xlrIn('P48'))).volts(0, 'T'),
  },
  {
    name: 'shield open, output and desk both on mains earth: the feed returns over it',
    text: `${P48}\nro p2 src 150\nrs src e 0.2\nre e 0 0.2`,
    vector: 'v(p2)',
    ours: () =>
      solved({
        ...line(
          output('ts35', 'direct', 4, 'earthed'),
          adapter('mini-to-xlr-open'),
          bare(xlr(1, open('1'))),
          xlrIn('P48'),
        ),
        ground: 'earthed',
      }).volts(-1, '2'),
  },
  {
    name: 'shield open, output floating: no return, the whole feed',
    text: `${P48}\nrx p2 0 1g`,
    vector: 'v(p2)',
    ours: () =>
      solved({
        ...line(
          output('ts35', 'direct', 4, 'floating'),
          adapter('mini-to-xlr-open'),
          bare(xlr(1, open('1'))),
          xlrIn('P48'),
        ),
        ground: 'earthed',
      }).volts(-1, '2'),
  },
  {
    name: 'supply box feeds 3 mA',
    text: `${P48}\n${fed(3e-3, 2200)}`,
    vector: 'v(p3)',
    ours: () => solved(line(condenser, supplyBox(), xlrIn())).volts(0, '3'),
  },
  {
    name: 'field mixer feeds 3 mA',
    text: `${P48}\n${fed(3e-3, 2200)}`,
    vector: 'v(p3)',
    ours: () => solved(line(condenser, preamplifier({ feed: 'P48' }), lineXlr)).volts(0, '3'),
  },
  {
    name: 'five-pin stereo microphone: the system that is fed',
    text: `${P48}\n${fed(3e-3, 2200)}`,
    vector: 'v(p2)',
    ours: () => solved(line(stereoMic, fivePin, xlrIn('P48'))).volts(0, '2'),
  },
  {
    name: 'phantom blocker: nothing before it',
    text: `${P48}\nc1 p2 m 47u\nr1 m 0 100k`,
    vector: 'v(m)',
    ours: () => abs(solved(line(dynamic, blocker, xlrIn('P48'))).volts(0, '2')),
  },
  {
    name: 'plug-in-power adapter on P48: the capsule',
    text: `${P48}\nr2 p2 z 10k\nr3 p3 z 10k\nd1 z k dm\nv2 k 0 3.55\n.model dm d(is=1e-14 n=1)\nrb z t 4.7k\n${capsule('t', '0')}`,
    vector: 'v(t)',
    ours: () => solved(line(lavalier('ts35'), converter, xlrIn('P48'))).volts(0, 'T'),
  },
];

describe('direct voltages and currents, wired by hand', () => {
  test.each(direct)('$name', async ({ text, vector, ours }) => {
    const theirs = (await byHand(`by hand\n${text}\n.op`))(vector)[0];
    const mine = ours();
    expect({ theirs, mine, within: abs(abs(mine) - abs(theirs)) <= 1e-3 * abs(theirs) + 2e-6 }).toMatchObject({
      within: true,
    });
  });
});

const heard = (asked: Line, channel = 0, only?: 'left' | 'right', frequency = 1000): number => {
  const { netlist, channels } = lineCircuit(asDrawn(asked), { only });
  const { hot, cold } = channels[channel];
  return magnitude(smallSignal(operatingPoint(netlist))(frequency).volts(hot, cold));
};

interface Signal {
  name: string;
  text: string;
  vectors: [string, string?];
  ours: () => number;
  frequency?: number;
}
/** A balanced line input of 20 kΩ. */
const LINE = `ct t at 10u\ncr r ar 10u\nrt at 0 10k\nrr ar 0 10k`;

const signals: Signal[] = [
  {
    name: 'stereo plug, tip and ring on a balanced jack, the left channel alone',
    text: `v1 d 0 ac 1\nr1 d x 150\nc1 x t 47u\nr2 y 0 150\nc2 y r 47u\n${LINE}`,
    vectors: ['at', 'ar'],
    ours: () => heard(line(output('trs35'), adapter('mini-to-jack'), lineJack), 0, 'left'),
  },
  {
    name: 'the same with both channels: nothing',
    text: `v1 d 0 ac 1\nr1 d x 150\nc1 x t 47u\nr2 d y 150\nc2 y r 47u\n${LINE}`,
    vectors: ['at', 'ar'],
    ours: () => heard(line(output('trs35'), adapter('mini-to-jack'), lineJack)),
  },
  {
    name: 'stereo lead to two jacks, left',
    text: `v1 d 0 ac 1\nr1 d x 150\nc1 x t 47u\nrg r 0 1u\n${LINE}`,
    vectors: ['at', 'ar'],
    ours: () => heard(line(output('trs35'), stereoSplit(), lineJack)),
  },
  {
    name: 'balanced mini-jack output on an XLR line inlet',
    text: `v1 d 0 ac 0.5\nv2 0 e ac 0.5\nr1 d x 75\nc1 x t 47u\nr2 e y 75\nc2 y r 47u\n${LINE}`,
    vectors: ['at', 'ar'],
    ours: () => heard(line(output('trs35-balanced'), adapter('mini-to-xlr-balanced'), lineXlr)),
  },
  {
    name: 'tip and ring joined on one jack',
    text: `v1 d 0 ac 1\nr1 d x 150\nc1 x t 47u\nr2 d y 150\nc2 y t 47u\nrg r 0 1u\n${LINE}`,
    vectors: ['at', 'ar'],
    ours: () => heard(line(output('trs35'), adapter('mini-to-jack-mono'), lineJack)),
  },
  {
    name: 'two keyboards on a Y-lead',
    text: `v1 d 0 ac 1\nr1 d x 150\nc1 x t 47u\nr2 y 0 150\nc2 y t 47u\nrg r 0 1u\n${LINE}`,
    vectors: ['at', 'ar'],
    ours: () => heard(shared(line(output('ts635'), yLead('sum', 'ts635'), lineJack), 0, { source: output('ts635') })),
  },
  {
    name: 'attenuating lead into a camera',
    text: `v1 d 0 ac 1\nr1 d x 150\nc1 x t 47u\nrs t m 1678.279\nrp m 0 100\nc2 m i 10u\nrf i 0 2.2k\nc3 i a 10u\nra a 0 10k`,
    vectors: ['a'],
    ours: () => heard(line(output('trs35'), attenuator(), camera())),
  },
  {
    name: 'guitar in an instrument jack, 1 kHz',
    text: `v1 d 0 ac 1\nl1 d x 4\nr1 x t 8k\nc1 t 0 0.12n\nrg r 0 1u\nct t at 10u\ncr r ar 10u\nrt at 0 1meg\nrr ar 0 1meg`,
    vectors: ['at', 'ar'],
    ours: () => heard(line(guitar, comboIn('instrument'))),
  },
  {
    name: 'guitar in an instrument jack, 5 kHz: the winding capacitance shows',
    text: `v1 d 0 ac 1\nl1 d x 4\nr1 x t 8k\nc1 t 0 0.12n\nrg r 0 1u\nct t at 10u\ncr r ar 10u\nrt at 0 1meg\nrr ar 0 1meg`,
    vectors: ['at', 'ar'],
    ours: () => heard(line(guitar, comboIn('instrument')), 0, undefined, 5000),
    frequency: 5000,
  },
  {
    name: 'passive direct box with its loudspeaker pad',
    text: `v1 d 0 ac 1\nr1 d t 150\nrs t m 49.5k\nrp m 0 500\nl1 m x 800\nrw x 0 2.016k\nl2 s2 q 5.5555555\nrx q s3 20\nk1 l1 l2 0.9999\nc2 s2 a2 47u\nc3 s3 a3 47u\nr2 a2 0 1172.4138\nr3 a3 0 1172.4138\nrf2 s2 bus 6.8k\nrf3 s3 bus 6.8k\nrb bus 0 165k`,
    vectors: ['a2', 'a3'],
    ours: () => heard(line(output('ts635', 'direct'), passiveBox('loudspeaker'), xlrIn())),
  },
  {
    name: 'earphone contacts of a headset socket load an output',
    text: `v1 d 0 ac 1\nr1 d x 150\nc1 x t 47u\nc2 t e 100u\nre e 0 5`,
    vectors: ['t'],
    ours: () => {
      const { netlist, junctions } = lineCircuit(asDrawn(line(output('trs35'), headset())));
      const { T, S } = junctions[0].nodes;
      return magnitude(smallSignal(operatingPoint(netlist))(1000).volts(T, S));
    },
  },
  {
    name: 'insert socket: the return is on the ring',
    text: `v1 d 0 ac 0.5\nv2 0 e ac 0.5\nr1 d x 75\nc1 x t 47u\nr2 e y 75\nc2 y r 47u\nrs t 0 100\nc3 r a 10u\nra a 0 10k`,
    vectors: ['a'],
    ours: () => heard(line(output('trs635'), insertIn)),
  },
  {
    name: 'three-wire lavalier on a bodypack',
    text: `v1 d 0 ac 1\nr1 d x 1k\nc1 x t 10u\nrf t 0 4.7k\nc3 t a 10u\nra a 0 10k`,
    vectors: ['a'],
    ours: () => heard(line(lavalier('trs35-tip', 'three'), bodypack)),
  },
  {
    name: 'field mixer set to line in, microphone out',
    text: `v1 d p3 ac 1\nrc d p 200\nl1 p p2 0.5m\nc2 p2 i2 47u\nc3 p3 i3 47u\nr2 i2 0 5k\nr3 i3 0 5k\nrf2 p2 bus 6.8k\nrf3 p3 bus 6.8k\nrb bus 0 165k\ne1 o 0 i2 i3 0.0031622777`,
    vectors: ['o'],
    ours: () => {
      const { netlist } = lineCircuit(
        asDrawn(line(dynamic, preamplifier({ input: 'line', output: 'microphone' }), lineXlr)),
      );
      const at = smallSignal(operatingPoint(netlist))(1000);
      return magnitude(at.volts('link1.drive2', 'link1.drive3'));
    },
  },
];

describe('levels, wired by hand', () => {
  test.each(signals)('$name', async ({ text, vectors: [hot, cold], ours, frequency = 1000 }) => {
    // The difference of two nodes, made by the simulator.
    const probe = `eprobe probe 0 ${hot} ${cold ?? '0'} 1\nrprobe probe 0 1`;
    const theirs = (await byHand(`by hand\n${text}\n${probe}\n.ac lin 1 ${frequency} ${frequency}`))('v(probe)')[0];
    const mine = ours();
    expect({
      theirs,
      mine,
      within: abs(mine - theirs) < 1e-7 || abs(20 * Math.log10(mine / theirs)) < 0.01,
    }).toMatchObject({ within: true });
  });
});

test('the polarity button turns what is heard round and nothing else', () => {
  const { netlist, channels } = lineCircuit(asDrawn(line(dynamic, xlrIn('off', { polarity: 'reversed' }))));
  const [{ hot, cold }] = channels;
  const volts = smallSignal(operatingPoint(netlist))(1000).volts(hot, cold);
  expect(volts.re).toBeLessThan(-0.8);
  expect(magnitude(volts)).toBeCloseTo(heard(line(dynamic, xlrIn())), 9);
});
