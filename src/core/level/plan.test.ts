import { inletKind, reader, sourceKind, type Part } from '../gear';
import { levelPlan } from './plan';

const condenser = (figures: Part['figures'] = {}) =>
  reader(sourceKind('condenser-48'), { kind: 'condenser-48', figures });
const keyboard = (level: number) =>
  reader(sourceKind('line-output'), {
    kind: 'line-output',
    figures: { outputLevel: { value: level, unit: 'dBu', basis: 'maker' } },
  });
const inlet = (gainMin: number, gainMax: number, fullScale: number) =>
  reader(inletKind('three-pin'), {
    kind: 'three-pin',
    figures: {
      gainMin: { value: gainMin, unit: 'dB', basis: 'maker' },
      gainMax: { value: gainMax, unit: 'dB', basis: 'maker' },
      fullScale: { value: fullScale, unit: 'dBu', basis: 'maker' },
    },
  });

test('20 mV/Pa at 94 dB SPL: -31.7 dBu, and with 0 dBFS at +10 dBu 29.7 dB of gain for -12 dBFS', () => {
  const plan = levelPlan({ from: 'sensitivity', read: condenser() }, inlet(0, 60, 10), 1, -12);
  // 20 mV · 1.0024 against 0.7746 V
  expect(plan.source).toBeCloseTo(-31.74, 2);
  expect(plan.gainNeeded).toBeCloseTo(29.74, 2);
  expect(plan.reaches).toBeCloseTo(-12, 9);
  expect(plan.sourceMargin).toBeCloseTo(41, 9);
});

test('every decibel of sound, of loss on the way and of target counts once', () => {
  const louder = condenser({ loudness: { value: 104, unit: 'dB SPL', basis: 'measured' } });
  const base = levelPlan({ from: 'sensitivity', read: condenser() }, inlet(0, 60, 10), 1, -12);
  expect(levelPlan({ from: 'sensitivity', read: louder }, inlet(0, 60, 10), 1, -12).gainNeeded).toBeCloseTo(
    base.gainNeeded - 10,
    9,
  );
  expect(levelPlan({ from: 'sensitivity', read: condenser() }, inlet(0, 60, 10), 0.1, -12).gainNeeded).toBeCloseTo(
    base.gainNeeded + 20,
    9,
  );
  expect(levelPlan({ from: 'sensitivity', read: condenser() }, inlet(0, 60, 10), 1, -18).gainNeeded).toBeCloseTo(
    base.gainNeeded - 6,
    9,
  );
});

test('with too little or too much gain it says where the peaks land instead', () => {
  expect(levelPlan({ from: 'sensitivity', read: condenser() }, inlet(0, 20, 10), 1, -12).reaches).toBeCloseTo(
    -21.74,
    2,
  );
  const loud = levelPlan({ from: 'output level', levelUnit: 'dBu', read: keyboard(24) }, inlet(0, 60, 10), 1, -12);
  expect(loud.reaches).toBeCloseTo(14, 9);
  expect(loud.sourceMargin).toBeUndefined();
});

test('a pickup states its peak in millivolts: 1095 mV are those of a sine of 0 dBu', () => {
  const piezo = reader(sourceKind('piezo-pickup'), {
    kind: 'piezo-pickup',
    figures: { outputLevel: { value: 774.597 * Math.SQRT2, unit: 'mV', basis: 'measured' } },
  });
  expect(
    levelPlan({ from: 'output level', levelUnit: 'mV', read: piezo }, inlet(0, 60, 10), 1, -12).source,
  ).toBeCloseTo(0, 4);
});
