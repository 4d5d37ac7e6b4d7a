import { byHand } from '../../../tests/referee/ngspice';
import { condenser, dynamic, ribbon, xlrIn } from '../check/casebook/parts';
import { line } from '../check/casebook/situation';
import { transient } from '../circuit';
import { dbu } from '../units';
import type { Figure, Line, Part } from '../gear';
import { pluggedLive, plugging, switchOff, switchOn } from '.';
import { comingOn } from './feedSteps';

/** Steps and peaks over time against circuits written down by hand and solved by ngspice, and against figures worked by hand. */
const figure = (value: number, unit: Figure['unit']): Figure => ({ value, unit, basis: 'maker' });
const inlet = (spread: number, behind: number, more: Record<string, string> = {}): Part => ({
  ...xlrIn('P48', more),
  figures: { couplingSpread: figure(spread, '%'), behind: figure(behind, 'Ω') },
});
const peak = (values: readonly number[]): number => values.reduce((most, value) => Math.max(most, Math.abs(value)), 0);

/** P48 coming up in 0.1 ms, coupling capacitors of 47 µF and so much less, a resistance behind each. */
const comesOn = (spread: number, behind: number, source: string) => `by hand
vbus bus 0 pwl(0 0 0.1m 48)
rf2 bus p2 6.8k
rf3 bus p3 6827.2
c2 p2 a2 47u
c3 p3 a3 ${47 * (1 - spread / 100)}u
r2 a2 0 ${behind}
r3 a3 0 ${behind}
${source}
eprobe probe 0 a2 a3 1
rprobe probe 0 1
.tran 2m 4 0 2m uic`;
const MIC = `rl2 p2 rail 2.2k
rl3 p3 rail 2.2k
cr rail 0 47u
bload rail 0 I=1.5m*(1+tanh((v(rail)-14.7)/1.47))`;
const COIL = 'lc p2 x 0.5m\nrc x p3 200';

/** Worked by hand: 0.13 / 0.27, 0.23 / 0.47, 0.39 / 0.79, 0.55 / 1.13 V. */
const steps: [name: string, source: Part, text: string, spread: number, behind: number, volts: number][] = [
  ['condenser', condenser, MIC, 5, 1000, 0.13],
  ['condenser', condenser, MIC, 10, 1000, 0.27],
  ['dynamic', dynamic, COIL, 5, 1000, 0.23],
  ['dynamic', dynamic, COIL, 10, 1000, 0.47],
  ['condenser', condenser, MIC, 5, 5000, 0.39],
  ['condenser', condenser, MIC, 10, 5000, 0.79],
  ['dynamic', dynamic, COIL, 5, 5000, 0.55],
  ['dynamic', dynamic, COIL, 10, 5000, 1.13],
];

describe('the step when 48 V comes on follows from unequal coupling capacitors', () => {
  test.each(steps)(
    '%s: %o, capacitors apart by %# , behind them',
    async (_name, source, text, spread, behind, volts) => {
      const asked = line(source, inlet(spread, behind, { clamps: 'no' }));
      const ours = switchOn(asked)!.volts;
      const theirs = peak((await byHand(comesOn(spread, behind, text)))('v(probe)'));
      // The microphone's own output is beside its rail here: a few per cent.
      expect(Math.abs(ours / theirs - 1)).toBeLessThan(0.06);
      expect(Math.abs(ours / volts - 1)).toBeLessThan(0.12);
    },
  );

  test('a dynamic on P48 with capacitors 5 % apart, in dBFS at 60 dB of gain', () => {
    for (const [behind, volts] of [
      [1000, 0.23],
      [5000, 0.55],
    ]) {
      const { level } = switchOn(line(dynamic, inlet(5, behind, { clamps: 'no' })))!;
      // 0 dBFS at +10 dBu and no gain: a sine of 0.23 V peak is −13.6 dBu, and with 60 dB of gain 36 dB over full scale.
      const dbfs = level - 10 + 60;
      expect(dbfs).toBeCloseTo(dbu(volts / Math.SQRT2) + 50, -0.3);
      expect(dbfs).toBeGreaterThan(30);
    }
  });

  test('both legs of the feed still differ by 0.4 % (IEC 61938, from memory)', () => {
    const { netlist } = comingOn(line(dynamic, inlet(0, 1000)))!;
    const ohms = (name: string) => {
      const element = netlist.elements.find((other) => other.name === name);
      return element?.type === 'resistor' ? element.ohms : 0;
    };
    expect(ohms('inlet.feed.cold') / ohms('inlet.feed.hot')).toBeCloseTo(1.004, 6);
  });
});

/** One leg of a winding on the fed, charged pin 2, its other end grounded: a plug half-way in. */
const halfWay = (winding: number, behind: number, clamps: boolean) => `by hand
vbus bus 0 48
rf2 bus p2 6.8k
c2 p2 a2 47u ic=48
r2 a2 0 ${behind}
${
  clamps
    ? `rk a2 k 10
vu u 0 15
vd d 0 -15
d1 k u dm
d2 d k dm
.model dm d(is=1e-14 n=1)`
    : ''
}
s1 p2 w t 0 sw
.model sw sw(vt=0.5 vh=0.1 ron=0.05 roff=1g)
vt t 0 pwl(0 0 1m 0 1.001m 1)
rw w 0 ${winding}
.ic v(p2)=48
.tran 5u 6m 0 5u uic`;

/** The same here: the winding's far end on ground, pin 2 made last. */
const live = (winding: number, behind: number, clamps: 'yes' | 'no'): Line => ({
  ...line(
    { kind: 'moving-coil', figures: { coil: figure(winding, 'Ω') } },
    {
      kind: 'cable',
      faults: [{ type: 'shorted', contacts: ['3', '1'] }],
      figures: { length: figure(0.05, 'm'), capacitance: figure(1, 'pF/m') },
    },
    inlet(0, behind, { clamps }),
  ),
});

describe('a winding plugged live with one leg grounded', () => {
  test.each([
    [200, 2200, 26e-3, 154e-3],
    [300, 1000, undefined, undefined],
    [50, 5000, undefined, undefined],
  ])(
    '%d Ω on an inlet with %d Ω behind its capacitors: clamps multiply the peak',
    async (winding, behind, without, withThem) => {
      const amps = async (clamps: boolean) => peak((await byHand(halfWay(winding, behind, clamps)))('v(w)')) / winding;
      const ours = (clamps: 'yes' | 'no') => plugging(live(winding, behind, clamps)).amps;
      const [bare, clamped] = [await amps(false), await amps(true)];
      expect(Math.abs(ours('no') / bare - 1)).toBeLessThan(0.05);
      expect(Math.abs(ours('yes') / clamped - 1)).toBeLessThan(0.05);
      if (without) expect(Math.abs(ours('no') / without - 1)).toBeLessThan(0.05);
      if (withThem) expect(Math.abs(ours('yes') / withThem - 1)).toBeLessThan(0.05);
      // Worked by hand: 2.6 times at 300 Ω and 1 kΩ, 32 times at 50 Ω and 5 kΩ.
      const times = ours('yes') / ours('no');
      if (winding === 300) expect(Math.abs(times / 2.6 - 1)).toBeLessThan(0.08);
      if (winding === 50) expect(Math.abs(times / 32 - 1)).toBeLessThan(0.08);
    },
  );

  test('a ribbon with a grounded tap: more through it with clamps than without', () => {
    const tapped = (clamps: 'yes' | 'no') => plugging(line(ribbon('grounded'), inlet(0, 2200, { clamps }))).amps;
    expect(tapped('yes')).toBeGreaterThan(2 * tapped('no'));
  });

  test('at rest no clamp conducts: the circuit over time begins where the feed has it', () => {
    const { netlist } = pluggedLive(live(200, 2200, 'yes'), 0, false);
    const course = transient(netlist, { until: 1e-4 });
    expect(Math.abs(course.amps('inlet.clamp.hot')[0])).toBeLessThan(1e-9);
  });
});

describe('discharge', () => {
  /** Two coupling capacitors and the feed's filter of 10 µF behind it, from 48 V to 1 V. */
  const empties = (toGround: string) => `by hand
rb bus 0 ${toGround}
cb bus 0 10u ic=48
rf2 bus p2 6.8k
rf3 bus p3 6.8k
c2 p2 a2 47u ic=48
c3 p3 a3 47u ic=48
r2 a2 0 1k
r3 a3 0 1k
.ic v(bus)=48 v(p2)=48 v(p3)=48
.tran 20m 120 0 20m uic`;
  test.each([
    ['floats', '165k', 60],
    ['held', '10', 1.3],
  ] as const)('a feed that is %s', async (switchedOff, ohms, about) => {
    const asked = line(dynamic, inlet(0, 1000, { switchedOff }));
    const ours = switchOff(asked)!.decay!;
    const read = await byHand(empties(ohms));
    const [times, volts] = [read('time'), read('v(p2)')];
    const theirs = times[volts.findIndex((value, n) => n > 2 && value < 1)];
    expect(Math.abs(ours / theirs - 1)).toBeLessThan(0.02);
    expect(Math.abs(ours / about - 1)).toBeLessThan(0.2);
  });
});
