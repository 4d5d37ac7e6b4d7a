import { cable, find, judged, line, number, on } from '../../../tests/lines/lines';
import type { Line, Part } from '../gear';

const patched = [cable(), { kind: 'trs-patch-point' }, cable()];
const ribbon = (tap: string): Part => ({ kind: 'passive-ribbon', choices: { tap } });
const moments = (asked: Line) => judged(asked).moments!;

test('a long ribbon over a TRS patch point: peaks above the steady 6.96 mA, at the patch point and in the finding', () => {
  const result = judged(line(ribbon('grounded'), patched, on('P48')));
  const patch = result.moments!.plugged.find(({ at }) => at === 'TRS patch point')!;
  expect(patch.amps).toBeGreaterThan(48 / 6900);
  expect(patch.volts).toBeGreaterThan(20);
  expect(patch.positions).toEqual(['tip on sleeve', 'tip on ring, ring on sleeve', 'home']);
  const finding = find(result, 'exposed-patch');
  expect(number(finding, 'Peak current')).toBeCloseTo(patch.amps, 9);
  expect(number(finding, 'Peak voltage')).toBeCloseTo(patch.volts, 9);
});

test('a moving coil plugged half way in: the coupling capacitors empty through it, (48 V + 48 V) / … at the most', () => {
  const { plugged } = moments(line('moving-coil', patched, on('P48')));
  const patch = plugged.find(({ at }) => at === 'TRS patch point')!;
  // A capacitor charged to 48 V straight into 200 Ω would give 240 mA; cable and amplifier take their share.
  expect(patch.amps).toBeGreaterThan(48 / 7000);
  expect(patch.amps).toBeLessThan(0.24);
  expect(patch.limit?.value).toBeCloseTo(3e-3, 6);
});

test('three-pin: pin 1 leads; a floating coil has no way for a current, a grounded tap has one', () => {
  const source = (of: Part) => moments(line(of, [cable()], on('P48'))).plugged[0];
  expect(source({ kind: 'moving-coil' }).positions[0]).toBe('pin 1 made');
  expect(source({ kind: 'moving-coil' }).amps).toBeLessThan(1e-6);
  expect(source(ribbon('none')).amps).toBeLessThan(1e-6);
  expect(source(ribbon('grounded')).amps).toBeGreaterThan(48 / 6900);
});

test('an electret behind a plain adapter takes the feed while it is plugged', () => {
  const electret: Part = { kind: 'plug-in-electret', choices: { connector: 'trs35-both' } };
  const [source] = moments(line(electret, [{ kind: 'plain-adapter' }, cable()], on('P48'))).plugged;
  expect(source.volts).toBeGreaterThan(45);
  expect(source.volts).toBeLessThan(49);
});

test('the step in dBFS follows the gain: level - full scale + gain', () => {
  const step = moments(line('condenser-48', [cable()], on('P48'))).on!;
  expect(step.dbfs).toBeCloseTo(step.level - step.fullScale + step.gain, 9);
  // A sine with the peak of the step, in dBu.
  expect(step.level).toBeCloseTo(20 * Math.log10(step.volts / Math.SQRT2 / Math.sqrt(0.6)), 6);
});

test('a slow ramp makes a smaller step than a sudden switch', () => {
  const fed = line('moving-coil', [cable()], on('P48'));
  const slow: Line = { ...fed, switch: { name: 's', offers: ['P48'], reaches: [], ramp: 5 } };
  expect(moments(slow).on!.volts).toBeLessThan(moments(fed).on!.volts / 2);
  expect(moments(slow).on!.ramp).toBe(5);
});

const held: Part = { kind: 'three-pin', choices: { feed: 'P48', switchedOff: 'held' } };

test('a feed that floats when it is off empties through its leakage: 10 µF and 2 · 47 µF into 165 kΩ, 3.87 RC', () => {
  const { decay } = moments(line('moving-coil', [cable()], on('P48'))).off!;
  // Worked by hand: two 47 µF through 165 kΩ take 60 s; the filter adds its share.
  expect(2 * 47e-6 * 165e3 * 3.87).toBeCloseTo(60, 0);
  expect(decay! / (3.87 * 104e-6 * 165e3)).toBeCloseTo(1, 1);
});

test('a feed that is held to ground empties through its own resistors in a second or two', () => {
  const { decay } = moments(line('moving-coil', [cable()], held)).off!;
  // 6.8 kΩ and 47 µF per leg: 3.87 RC = 1.24 s.
  expect(decay!).toBeGreaterThan(0.9 * 3.87 * 6800 * 47e-6);
  expect(decay!).toBeLessThan(1.3 * 3.87 * 6800 * 47e-6);
});

test('a microphone stops drawing when its rail is low: it does not empty the line for us', () => {
  const decay = (source: string) => moments(line(source, [cable()], on('P48'))).off!.decay!;
  // From where it stops, the leakage has the rest to do, and its own capacitors are to be emptied too.
  expect(decay('condenser-48')).toBeGreaterThan(60);
});

test('while nobody knows the tap, the answer that hurts is told beside the harmless one', () => {
  const { plugged, worse } = moments(line(ribbon('unknown'), [cable()], on('P48')));
  expect(plugged[0].amps).toBeLessThan(1e-6);
  expect(worse!.answer).toBe('on pin 1');
  expect(worse!.plugged[0].amps).toBeGreaterThan(48 / 6900);
});

test('without a live feed nothing happens', () => {
  expect(moments(line('moving-coil', patched, on('off')))).toEqual({ plugged: [], on: null, off: null });
});

test('the gain of that step is what the source needs there, within what the inlet can do', () => {
  const gainOf = (source: Part) => {
    const { moments: over, readings } = judged(line(source, [cable()], on('P48')));
    return { gain: over!.on!.gain, needed: readings.level!.gainNeeded };
  };
  const quiet = gainOf({ kind: 'moving-coil' });
  expect(quiet.gain).toBeCloseTo(quiet.needed, 9);
  expect(quiet.gain).toBeGreaterThan(30);
  const loud = gainOf({
    kind: 'condenser-48',
    figures: { sensitivity: { value: 4000, unit: 'mV/Pa', basis: 'measured' } },
  });
  expect(loud.needed).toBeLessThan(0);
  expect(loud.gain).toBe(0);
});
