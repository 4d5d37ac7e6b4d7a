import { readFileSync } from 'node:fs';
import { parseDocument, rigPath } from '../../rig';
import { recordingMeter, WavError, wavReader, type ChannelReading } from '../../signal';
import { wavBody, wavHead } from '../../signal/wav/writer';
import { noiseBudget, type NoiseBudget } from '../budget';
import { surplusOf } from '../surplus';
import { interfaceScene, renderer, type FaultName, type InterfaceState } from '.';

const RATE = 48_000;
const rig = parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));
const guide = rigPath(rig, 'guide')!.line;
const quiet: InterfaceState = { target: -12, room: { level: 24 } };

const sceneOf = (state: InterfaceState) => {
  const found = interfaceScene(guide, state);
  if ('reason' in found) throw new Error(found.reason);
  return found;
};
function recorded(state: InterfaceState, seconds = 8, seed = 'one'): ChannelReading {
  const meter = recordingMeter(RATE, 1, seconds * RATE);
  const source = renderer(sceneOf(state).scene, RATE, seed);
  for (let n = 0; n < seconds * 4; n++) meter.push([source.next(RATE / 4)]);
  return meter.reading().channels[0];
}
const withFaults = (...faults: FaultName[]) => recorded({ ...quiet, faults });
const codes = ({ patterns }: ChannelReading) => patterns.map(({ code }) => code);
const budget = noiseBudget(guide, quiet) as NoiseBudget;

test('what is rendered without faults is what the budget says', () => {
  const reading = recorded(quiet, 20);
  expect(reading.usable).toBe(true);
  expect(Math.abs(reading.aWeightedDbfs - budget.dbfsA)).toBeLessThan(0.3);
  expect(Math.abs(reading.bandDbfs - budget.dbfs)).toBeLessThan(1.5);
  expect(surplusOf(reading, budget).because).toEqual([]);
});

test('a whine that hides in a loud room is told although the levels agree', () => {
  const { line } = rigPath(rig, 'large-condenser')!;
  const state = { target: -12, room: { level: 40 } };
  const found = interfaceScene(line, { ...state, faults: ['charger'] });
  if ('reason' in found) throw new Error(found.reason);
  const meter = recordingMeter(RATE, 1, 8 * RATE);
  const source = renderer(found.scene, RATE, 'loud');
  for (let n = 0; n < 8; n++) meter.push([source.next(RATE)]);
  const { because, text } = surplusOf(meter.reading().channels[0], noiseBudget(line, state) as NoiseBudget);
  expect(because).toEqual([]);
  expect(text).toMatch(/within 3 dB\), but there is whine \(−\d+(\.\d)? dBFS\) that does not belong/);
});

test('the same seed gives the same samples, another one others, in whatever pieces they are asked for', () => {
  const { scene } = sceneOf({ ...quiet, faults: ['charger'] });
  const [one, two, other] = ['a', 'a', 'b'].map((seed) => renderer(scene, RATE, seed));
  const whole = one.next(20_000);
  expect([...two.next(7_001), ...two.next(12_999)]).toEqual([...whole]);
  expect([...other.next(20_000)]).not.toEqual([...whole]);
});

describe('faults are named as what they are', () => {
  test.each<[FaultName, string, string]>([
    ['transformer', 'magnetic-pick-up', 'hum'],
    ['ground-loop', 'rectifier-buzz', 'buzz'],
    ['bus-power', 'computer-tones', 'whine'],
    ['charger', 'computer-tones', 'whine'],
  ])('%s: %s', (fault, pattern, because) => {
    const reading = withFaults(fault);
    expect(codes(reading)).toEqual([pattern]);
    expect(surplusOf(reading, budget).because[0].what).toBe(because);
    expect(surplusOf(reading, budget).text).toContain(because);
  });

  test('far too much gain: hiss', () => {
    const reading = withFaults('full-gain');
    expect(codes(reading)).toContain('hiss');
    expect(codes(reading)).not.toContain('magnetic-pick-up');
    expect(reading.aWeightedDbfs).toBeGreaterThan(budget.dbfsA + 20);
  });

  test('mixtures list both', () => {
    expect(codes(withFaults('transformer', 'bus-power'))).toEqual(['magnetic-pick-up', 'computer-tones']);
    expect(codes(withFaults('ground-loop', 'charger'))).toEqual(['rectifier-buzz', 'computer-tones']);
  });

  test('a gate, somebody talking, a muted inlet: no noise floor', () => {
    expect(withFaults('gate').reasons.map(({ code }) => code)).toEqual(['gate']);
    expect(withFaults('talk').reasons.map(({ code }) => code)).toEqual(['speech']);
    expect(withFaults('muted').reasons.map(({ code }) => code)).toEqual(['silence']);
  });
});

test('as a WAV of 24 bits it is read back as it was', () => {
  const samples = renderer(sceneOf(quiet).scene, RATE, 'wav').next(4800);
  const read: number[] = [];
  let rate = 0;
  const reader = wavReader({
    onFormat: ({ sampleRate }) => (rate = sampleRate),
    onBlock: ([block]) => read.push(...block),
  });
  reader.push(wavHead(RATE, 1, samples.length));
  reader.push(wavBody([samples]));
  expect(reader.end()).toEqual({ truncated: false, frames: 4800 });
  expect(rate).toBe(RATE);
  read.forEach((value, n) => expect(Math.abs(value - samples[n])).toBeLessThan(1e-7));
  expect(() => wavReader({ onFormat: () => {}, onBlock: () => {} }).push(new Uint8Array(20))).toThrow(WavError);
});
