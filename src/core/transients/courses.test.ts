import { byHand } from '../../../tests/referee/ngspice';
import {
  camera,
  condenser,
  dynamic,
  lavalier,
  mini,
  open,
  ribbon,
  supplyBox,
  swap,
  t12,
  trsPatch,
  xlr,
  xlrIn,
  xlrPatch,
} from '../check/casebook/parts';
import { line } from '../check/casebook/situation';
import { transient } from '../circuit';
import { CONNECTORS, type Fault, type Figure, type Line, type Part } from '../gear';
import { lastPlugged, pluggedLive, plugging, pulledLive, switchOff, switchOn } from '.';
import { discharge } from './feedSteps';

/** How long things last, against ngspice on circuits written down by hand, and against what Kirchhoff's law says of a plug. */
const figure = (value: number, unit: Figure['unit']): Figure => ({ value, unit, basis: 'maker' });
const inlet = (figures: Record<string, Figure> = {}, choices: Record<string, string> = {}): Part => ({
  ...xlrIn('P48', { clamps: 'no', ...choices }),
  figures: { couplingSpread: figure(10, '%'), behind: figure(5000, 'Ω'), ...figures },
});

/** P48 rising in so many seconds on a coil, capacitors of 47 µF and 10 % less with 5 kΩ behind each. */
const rising = (seconds: number) => `by hand
vbus bus 0 pwl(0 0 ${seconds} 48)
rf2 bus p2 6.8k
rf3 bus p3 6827.2
c2 p2 a2 47u
c3 p3 a3 42.3u
r2 a2 0 5k
r3 a3 0 5k
lc p2 x 0.5m
rc x p3 200
eprobe probe 0 a2 a3 1
rprobe probe 0 1
.tran 2m ${6 + seconds} 0 2m uic`;

describe('a feed that comes on', () => {
  test.each([1e-4, 0.5, 4])('in %d s: the peak, and when it has fallen to a hundredth', async (seconds) => {
    const ours = switchOn(line(dynamic, inlet()), seconds)!;
    const read = await byHand(rising(seconds));
    const [times, volts] = [read('time'), read('v(probe)').map(Math.abs)];
    const most = Math.max(...volts);
    const settled = times[volts.findLastIndex((each) => each > most / 100)];
    expect(Math.abs(ours.volts / most - 1)).toBeLessThan(0.03);
    expect(Math.abs(ours.settles / settled - 1)).toBeLessThan(0.03);
  });

  test('no switch is quicker than one without a ramp', () => {
    expect(switchOn(line(dynamic, inlet()), 0)).toEqual(switchOn(line(dynamic, inlet())));
  });

  test('of two channels the louder one counts, and the one that takes longer, whichever it is', () => {
    const heard = (...faults: Fault[]) => switchOn(line(lavalier(), mini(1, ...faults), camera()))!;
    const [whole, left, right] = [heard(), heard(open('T')), heard(open('R'))];
    expect(left.volts).toBeGreaterThan(1.1 * whole.volts);
    expect(right.volts).toBeCloseTo(left.volts, 3);
    expect(left.settles).not.toBeCloseTo(whole.settles, 3);
    expect(right.settles).toBeCloseTo(left.settles, 3);
  });

  test('where nothing is unequal there is nearly nothing to hear, and it is over at some time all the same', () => {
    const even = switchOn(line(dynamic, inlet({ couplingSpread: figure(0, '%') })))!;
    expect(even.volts).toBeLessThan(switchOn(line(dynamic, inlet()))!.volts / 3);
    expect(even.settles).toBeGreaterThan(0);
    expect(even.settles).toBeLessThanOrEqual(6);
  });
});

describe('a feed that goes off', () => {
  const fed = (figures: Record<string, Figure>, choices: Record<string, string> = {}) =>
    line(dynamic, inlet(figures, choices));

  test('the course falls all the way, and ends where and when the threshold is reached', () => {
    const course = discharge(fed({}, { switchedOff: 'held' }), 1)!;
    expect(course.at(-1)!.volts).toBe(1);
    const open = course.filter(({ at }) => at > 0);
    open.slice(1).forEach(({ at, volts }, n) => {
      expect(at).toBeGreaterThan(open[n].at);
      expect(volts).toBeLessThanOrEqual(open[n].volts * 1.0001);
    });
    expect(course.slice(0, -1).every(({ volts }) => volts >= 1)).toBe(true);
    expect(course[0].at).toBe(0);
    // Two legs of 6.8 kΩ and a coil between two equal contacts: all of the feed stands on both.
    expect(course[0].volts).toBeGreaterThan(46);
    expect(course[0].volts).toBeLessThanOrEqual(48);
    expect(switchOff(fed({}, { switchedOff: 'held' }))).toEqual({ threshold: 1, decay: course.at(-1)!.at });
  });

  test('half the charge takes the time constant times ln 2', () => {
    // 10 µF, and two of 47 µF behind 6.8 kΩ each, through the leakage.
    const leak = 165e3;
    const half = switchOff(fed({ bleeder: figure(leak, 'Ω') }), 23)!.decay!;
    const quarter = switchOff(fed({ bleeder: figure(leak, 'Ω') }), 11.5)!.decay!;
    const seconds = (leak * 104e-6 + 3400 * 94e-6) * Math.LN2;
    expect(Math.abs((quarter - half) / seconds - 1)).toBeLessThan(0.02);
  });

  test('what takes more than ten minutes is followed no further, and has no end', () => {
    const slow = fed({ bleeder: figure(100e6, 'Ω') });
    expect(switchOff(slow, 1)).toEqual({ threshold: 1 });
    const course = discharge(slow, 1)!;
    expect(course.at(-1)!.at).toBeGreaterThan(590);
    expect(course.at(-1)!.at).toBeLessThanOrEqual(600);
    expect(course.at(-1)!.volts).toBeGreaterThan(30);
  });

  test('what a supply on the way puts on the source is its own: at the inlet the charge is gone, at the source it is not', () => {
    const two = line(dynamic, xlr(5), supplyBox('P48'), xlr(5), inlet({}, { switchedOff: 'held' }));
    const [atSource, atInlet] = [discharge(two, 5)!, discharge(two, 5, 'inlet')!];
    expect(atInlet.at(-1)!.volts).toBe(5);
    expect(atSource.at(-1)!.volts).toBeGreaterThan(40);
    expect(switchOff(two, 5)).toEqual({ threshold: 5 });
  });
});

/** The current into each contact of the source, by the contacts of the plug that is its only way out. */
function throughPlug(asked: Line, junction = 0) {
  const { netlist, steps, circuit } = pluggedLive(asked, junction, false);
  const course = transient(netlist, { until: steps.at(-1)!.at + 0.2, tolerance: 3e-3, longestStep: 0.02 });
  const [first] = CONNECTORS[circuit.junctions[0].plug].pairs;
  const sums = first.map((contact) => {
    const own = netlist.elements.filter(({ name }) => name.startsWith(`plug.${contact},`));
    const each = own.map(({ name }) => course.amps(name));
    return Array.from(course.times, (_, n) => Math.abs(each.reduce((sum, amps) => sum + amps[n], 0)));
  });
  const most = Array.from(course.times, (_, n) => Math.max(...sums.map((each) => each[n])));
  return { times: Array.from(course.times), most, peak: Math.max(...most), steps };
}

describe('plugging live', () => {
  test.each<[string, Line]>([
    ['a condenser for T12', line(t12(), xlr(5), xlrIn('T12'))],
    ['a condenser on P48', line(condenser, xlr(5), xlrIn('P48'))],
    ['a condenser on P48, its pins 2 and 3 swapped', line(condenser, xlr(5, swap('2', '3')), xlrIn('P48'))],
  ])('%s, whose electronics have no winding: the current is that of its contacts', (_name, asked) => {
    const { times, most, peak, steps } = throughPlug(asked);
    const { amps, lasts, worst } = plugging(asked, { junction: 0, patch: false });
    expect(amps).toBeGreaterThan(1e-5);
    expect(Math.abs(amps / peak - 1)).toBeLessThan(0.01);
    const over = times.slice(1).reduce((sum, time, n) => sum + (most[n + 1] > peak / 2 ? time - times[n] : 0), 0);
    expect(lasts).toBeCloseTo(over, 6);
    const at = times[most.findIndex((each) => each >= 0.99 * peak)];
    expect(worst).toBe(steps.findLast((step) => step.at <= at)?.label ?? 'not yet touching');
  });

  /** A winding of 200 Ω, its far end on ground, and pin 2 at 48 V through 47 µF: it discharges through winding and resistor. */
  const grounded = (choices: Record<string, string> = {}): Line =>
    line(
      { kind: 'moving-coil', figures: { coil: figure(200, 'Ω') } },
      {
        kind: 'cable',
        faults: [{ type: 'shorted', contacts: ['3', '1'] }],
        figures: { length: figure(0.05, 'm'), capacitance: figure(1, 'pF/m') },
      },
      inlet({ couplingSpread: figure(0, '%'), behind: figure(1000, 'Ω') }, choices),
    );

  test('it lasts until the discharge is at half, and is worst when the last pin is made', () => {
    const { lasts, worst, amps, at, positions, junction } = plugging(grounded());
    expect({ worst, at, positions, junction }).toEqual({
      worst: 'home',
      at: 'source',
      positions: ['pin 1 made', 'pins 1 and 2 made', 'home'],
      junction: 0,
    });
    // The feed itself drives 48 V through 6.8 kΩ for good: more than half of what the capacitor gave, 40 mA, is over soon.
    expect(amps).toBeGreaterThan(48 / 1200);
    const rest = 48 / 7000;
    const seconds = 47e-6 * 1200 * Math.log((amps - rest) / (amps / 2 - rest));
    expect(Math.abs(lasts / seconds - 1)).toBeLessThan(0.1);
  });

  test('what stands on the contacts, and on a capsule', () => {
    expect(plugging(grounded()).volts).toBeGreaterThan(5);
    // A two-wire lavalier straight on 48 V: nothing but a megohm lies before its capsule at the moment of contact.
    const bare = plugging(line(lavalier(), { kind: 'plain-adapter' }, xlr(5), xlrIn('P48')));
    expect(bare.volts).toBeGreaterThan(10);
  });

  test('each connector of a line by its place', () => {
    const long = line(dynamic, xlr(5), xlrPatch, xlr(10), inlet());
    const at = (junction: number) => plugging(long, { junction, patch: false }).at;
    const { junctions } = pluggedLive(long, 0, false).circuit;
    expect(junctions.map((_, n) => at(n))).toEqual(['source', ...junctions.slice(2).map(() => 'link'), 'inlet']);
    expect(plugging(line(dynamic, xlr(5), trsPatch, xlr(5), inlet())).at).toBe('TRS patch point');
  });

  test('pins make a millisecond apart, jacks five from one position to the next', () => {
    const times = (asked: Line, where = lastPlugged(asked)) =>
      pluggedLive(asked, where.junction, where.patch).steps.map(({ at }) => Math.round(at * 1e4) / 10);
    expect(times(line(dynamic, xlr(5), inlet()))).toEqual([1, 2, 3]);
    expect(times(line(dynamic, xlr(5), trsPatch, xlr(5), inlet()))).toEqual([5, 10, 15]);
    const jack = line(lavalier(), { kind: 'plain-adapter' }, xlr(5), xlrIn('P48'));
    expect(times(jack)).toEqual([5, 10, 15]);
  });

  test('pulled live: every contact begins made, opens from home outwards, and each signal lead keeps its stray capacitance', () => {
    const { netlist, steps } = pulledLive(line(ribbon('none'), xlr(5), xlrIn('P48')), 0, false);
    const made = netlist.elements.flatMap((each) =>
      each.type === 'switch' && each.name.startsWith('plug.') ? [each] : [],
    );
    expect(made.map(({ name, closed, events }) => [name, closed, events])).toEqual([
      ['plug.1,1', true, [{ at: 3e-3, closed: false }]],
      ['plug.2,2', true, [{ at: 2e-3, closed: false }]],
      ['plug.3,3', true, [{ at: 1e-3, closed: false }]],
    ]);
    expect(steps.at(-1)!.label).toBe('out');
    const stray = netlist.elements.filter(({ name }) => name.startsWith('stray.'));
    expect(stray.map(({ name }) => name)).toEqual(['stray.2', 'stray.3']);
    for (const each of stray) expect(each).toMatchObject({ type: 'capacitor', farads: 100e-12 });
  });

  test('its limit is that of the winding, and nothing where nobody gave one', () => {
    const withLimit = plugging(line(ribbon('grounded'), xlr(5), xlrIn('P48')));
    expect(withLimit.limit?.value ?? 0).toBeGreaterThan(0);
    expect(plugging(line(t12(), xlr(5), xlrIn('T12'))).limit).toBeUndefined();
  });
});
