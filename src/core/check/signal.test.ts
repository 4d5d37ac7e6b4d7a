import { cable, judged, line, on } from '../../../tests/lines/lines';
import type { Part } from '../gear';

const figure = (value: number, unit: string) => ({ value, unit, basis: 'measured' }) as never;
const piezo = (nanofarads: number): Part => ({
  kind: 'piezo-pickup',
  figures: { capacitance: figure(nanofarads, 'nF') },
});
const box = (megohms: number): Part => ({
  kind: 'active-direct-box',
  figures: { inputResistance: figure(megohms, 'MΩ') },
});

// f = 1 / (2πRC)
test.each([
  [1, 1, 159.15],
  [1, 10, 15.92],
  [4, 1, 39.79],
  [0.5, 2, 159.15],
  [0.3, 1, 530.5],
])('a piezo of %d nF into %d MΩ is cut at %d Hz', (nanofarads, megohms, hertz) => {
  // An inlet of high resistance, so that the coupling capacitors of box and inlet cut nothing.
  const inlet = { ...on('P48'), figures: { behind: figure(100, 'kΩ') } };
  const { signal } = judged(line(piezo(nanofarads), [box(megohms)], inlet)).readings;
  expect(signal.lowCut! / hertz).toBeGreaterThan(0.985);
  expect(signal.lowCut! / hertz).toBeLessThan(1.02);
  expect(signal.highCut).toBeNull();
});

test('a magnetic pickup resonates with its lead and is cut above: fr = 1 / (2π√(LC))', () => {
  const lead: Part = {
    kind: 'cable',
    choices: { connector: 'ts635' },
    figures: { length: figure(5, 'm'), capacitance: figure(120, 'pF/m') },
  };
  const { signal } = judged(line({ kind: 'magnetic-pickup' }, [lead, box(1)], on('P48'))).readings;
  const resonance = 1 / (2 * Math.PI * Math.sqrt(4 * 600e-12));
  const loudest = signal.response.reduce((top, point) => (point.level! > top.level! ? point : top));
  expect(Math.abs(Math.log2(loudest.frequency / resonance))).toBeLessThan(0.5);
  // An undamped second-order low pass is 3 dB down at 1.55 times its resonance.
  expect(signal.highCut! / resonance).toBeGreaterThan(1.4);
  expect(signal.highCut! / resonance).toBeLessThan(1.7);
  expect(signal.lowCut).toBeNull();
});

// 20·log10(Zin / (Zin + Zout))
test.each([
  [150, 1500, -0.83],
  [200, 2000, -0.83],
  [600, 1500, -2.92],
  [50, 10000, -0.04],
])('a moving coil of %d Ω into %d Ω loses %d dB', (source, inlet, expected) => {
  const microphone: Part = { kind: 'moving-coil', figures: { coil: figure(source, 'Ω') } };
  const { signal } = judged(
    line(microphone, [], { ...on('off'), figures: { inputResistance: figure(inlet, 'Ω') } }),
  ).readings;
  expect(signal.channels[0].level).toBeCloseTo(expected, 1);
  expect(signal.load! / inlet).toBeCloseTo(1, 2);
});

test('a lower feed loads the signal more: its resistors lie across the line', () => {
  const level = (feed: string) =>
    judged(line('condenser-9-52', [cable()], on(feed))).readings.signal.channels[0].level!;
  expect(level('P48')).toBeGreaterThan(level('P24'));
  expect(level('P24')).toBeGreaterThan(level('P12'));
});

test('polarity is told for each channel of a stereo inlet', () => {
  const both: Part = { kind: 'plain-adapter', choices: { wiring: 'xlr-to-mini-balanced' } };
  const { signal } = judged(line('moving-coil', [both], { kind: 'mini-jack', choices: { feed: 'off' } })).readings;
  expect(signal.channels.map(({ name, reversed }) => [name, reversed])).toEqual([
    ['left', false],
    ['right', true],
  ]);
});

test('a part without power keeps its path, and says so', () => {
  const { readings } = judged(line('condenser-48', [cable()], on('off')));
  expect(readings.signal.powered).toBe(false);
  expect(readings.level).toBeNull();
  expect(readings.signal.channels[0].level).not.toBeNull();
});

test('nothing arrives where connectors do not go together', () => {
  const { signal, junctions } = judged(line('moving-coil', [cable()], { kind: 'balanced-jack' })).readings;
  expect(signal.channels[0].level).toBeNull();
  expect(junctions[1].fits).toBe(false);
});
