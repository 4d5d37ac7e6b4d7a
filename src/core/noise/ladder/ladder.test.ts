import { readFileSync } from 'node:fs';
import { parseDocument, rigPath } from '../../rig';
import { roomOf } from '../../rig/places';
import { recordingMeter } from '../../signal';
import { noiseBudget, type NoiseBudget } from '../budget';
import { measurementOf, spread } from '../measurement';
import { interfaceScene, renderer } from '../simulated';
import { ratio } from '../../units';
import { ladderKind, ladderRefusal, ladderResult, LADDERS, type Rung, type RungReading } from '.';

const RATE = 48_000;
const rig = parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));

function measured(id: string, rungs: Rung[], seconds = 10): { readings: RungReading[]; budget: NoiseBudget } {
  const { line } = rigPath(rig, id)!;
  const state = { target: -12, room: roomOf(rig, id) };
  const readings = rungs.map((rung): RungReading => {
    const found = interfaceScene(line, { ...state, rung });
    if ('reason' in found) throw new Error(found.reason);
    const meter = recordingMeter(RATE, 1, seconds * RATE);
    const source = renderer(found.scene, RATE, `${id} ${rung}`);
    for (let n = 0; n < seconds; n++) meter.push([source.next(RATE)]);
    const { plain, weighted } = measurementOf(meter, 0);
    return { rung, gain: found.gain, plain, weighted };
  });
  return { readings, budget: noiseBudget(line, state) as NoiseBudget };
}
const power = (level: number) => ratio(level) ** 2;
const thermalOf = ({ parts, dbfsA, aWeighted }: NoiseBudget) =>
  power(parts.find(({ kind, part }) => kind === 'thermal' && part === 'source')!.aWeighted + dbfsA - aWeighted);

test('on the demo’s moving coil the ladder names the preamplifier, near what the budget says it adds', () => {
  const { readings, budget } = measured('guide', ['as-used', 'source-quiet', 'gain-down']);
  expect(ladderKind(rigPath(rig, 'guide')!.line)).toBe('moving coil');
  expect(ladderRefusal('moving coil', readings)).toBeUndefined();
  const result = ladderResult('moving coil', readings, { coil: thermalOf(budget) });
  expect(result.most).toBe('preamplifier');
  const own = budget.parts.find(({ kind }) => kind === 'preamplifier')!.aWeighted + budget.dbfsA - budget.aWeighted;
  expect(result.adds.find(({ what }) => what === 'preamplifier')!.dbfs).toBeCloseTo(own, 0);
});

test('on the condenser it names the room', () => {
  const { readings, budget } = measured('large-condenser', ['as-used', 'source-quiet', 'feed-off']);
  expect(ladderKind(rigPath(rig, 'large-condenser')!.line)).toBe('condenser');
  expect(ladderRefusal('condenser', readings)).toBeUndefined();
  expect(ladderResult('condenser', readings).most).toBe('room');
  // Without the second rung the microphone's sheet tells room and microphone apart.
  const self = budget.parts.find(({ kind }) => kind === 'self-noise')!.aWeighted + budget.dbfsA - budget.aWeighted;
  const short = ladderResult('condenser', [readings[0], readings[2]], { selfNoise: power(self) });
  expect(short.adds.map(({ what }) => what)).toEqual(['room', 'microphone, by its sheet', 'what is left']);
  expect(short.most).toBe('room');
});

test('direct boxes have a ladder of their own', () => {
  expect(ladderKind(rigPath(rig, 'double-bass')!.line)).toBe('direct box');
  const { readings } = measured('double-bass', ['as-used', 'source-quiet', 'gain-down'], 4);
  expect(ladderRefusal('direct box', readings)).toBeUndefined();
  expect(LADDERS['direct box'].map(({ takes }) => takes)).toContain('direct box');
});

describe('arithmetic', () => {
  const reading = (rung: Rung, level: number, error = 0.01, gain = 40): RungReading => {
    const measured = { power: power(level), error: power(level) * error };
    return { rung, gain, plain: measured, weighted: measured };
  };

  test('powers are subtracted: 60 dB down less 63 dB down leaves 63.02 dB down', () => {
    const { adds } = ladderResult('condenser', [reading('as-used', -60), reading('source-quiet', -63)]);
    expect(adds[0]).toMatchObject({ what: 'room' });
    expect(adds[0].dbfs).toBeCloseTo(-63.02, 2);
    expect(adds[0].from!).toBeLessThan(adds[0].dbfs!);
    expect(adds[0].to).toBeGreaterThan(adds[0].dbfs!);
    expect(adds[1].what).toBe('what is left');
  });

  test('a difference within its uncertainty is not measurable, never a negative power', () => {
    for (const second of [-60.02, -59.98]) {
      const { adds, most } = ladderResult('condenser', [
        reading('as-used', -60, 0.02),
        reading('source-quiet', second, 0.02),
      ]);
      expect(adds[0].dbfs).toBeUndefined();
      expect(adds[0].share).toBe(0);
      expect(adds[0].to).toBeGreaterThan(-80);
      expect(most).toBe('what is left');
    }
  });

  test('the error of a mean falls with the root of the number of windows', () => {
    const powers = Array.from({ length: 100 }, (_, n) => 1 + (n % 2 ? 0.1 : -0.1));
    expect(spread(powers).power).toBeCloseTo(1, 9);
    expect(spread(powers).error).toBeCloseTo(0.01, 3);
  });

  test.each<[string, RungReading[], RegExp]>([
    ['nothing yet', [], /begin with everything as used/],
    ['no first rung', [reading('feed-off', -60)], /first rung/],
    [
      'from the bottom up',
      [reading('as-used', -50), reading('feed-off', -60), reading('source-quiet', -62)],
      /top down/,
    ],
    ['a rung of another ladder', [reading('as-used', -50), reading('gain-down', -60)], /no rung for this kind/],
    ['louder with less', [reading('as-used', -60), reading('feed-off', -50)], /can’t add noise/],
    ['another gain', [reading('as-used', -50), reading('feed-off', -60, 0.01, 30)], /gain changed from 40 dB to 30 dB/],
    [
      'a refused rung',
      [reading('as-used', -50), { ...reading('feed-off', -60), refused: 'It clips 3 times.' }],
      /clips/,
    ],
  ])('refused: %s', (_, readings, why) => expect(ladderRefusal('condenser', readings)).toMatch(why));

  test('gain down has to be lower gain', () => {
    const readings = [reading('as-used', -50), reading('gain-down', -60, 0.01, 40)];
    expect(ladderRefusal('moving coil', readings)).toMatch(/has to be lower/);
    expect(ladderRefusal('moving coil', [readings[0], { ...readings[1], gain: 0 }])).toBeUndefined();
    // Turned down by a tenth of a decibel, nothing is taken away.
    expect(ladderRefusal('moving coil', [readings[0], { ...readings[1], gain: 39.9 }])).toMatch(
      /lower by 6 dB at least/,
    );
  });

  test('parts never exceed the whole, whatever scatters', () => {
    const readings = [
      reading('as-used', -60, 0.05),
      reading('source-quiet', -59.8, 0.05),
      reading('feed-off', -70, 0.05),
    ];
    expect(ladderRefusal('condenser', readings)).toBeUndefined();
    for (const parts of [ladderResult('condenser', readings).adds, ladderResult('condenser', readings).plain]) {
      expect(parts.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1);
      expect(parts[0].share).toBe(0);
    }
  });

  test('a rung may be repeated: what they differ by is part of the uncertainty', () => {
    const once = [reading('as-used', -60), reading('source-quiet', -63)];
    const again = [...once, reading('source-quiet', -63.3), reading('as-used', -60.2)];
    expect(ladderRefusal('condenser', again)).toBeUndefined();
    const [first, second] = [once, again].map((readings) => ladderResult('condenser', readings).adds[0]);
    expect(second.to - second.from!).toBeGreaterThan(first.to - first.from!);
    // Between −60 and −60.2, and between −63 and −63.3.
    expect(second.dbfs).toBeCloseTo(10 * Math.log10((1e-6 + 10 ** -6.02 - 10 ** -6.3 - 10 ** -6.33) / 2), 2);
  });

  test('two readings of a rung that contradict each other are named, and a third is asked for', () => {
    const readings = [reading('as-used', -60), reading('source-quiet', -63), reading('source-quiet', -68)];
    expect(ladderRefusal('condenser', readings)).toMatch(
      /Two readings of “Source quiet” contradict each other: .*third time/,
    );
    expect(ladderRefusal('condenser', [...readings, reading('source-quiet', -66)])).toBeUndefined();
    const gains = [reading('as-used', -60), reading('as-used', -60, 0.01, 46)];
    expect(ladderRefusal('condenser', gains)).toMatch(/at 40 dB and at 46 dB of gain/);
  });

  test('a rung that reads more than one further up is refused too, with both names', () => {
    const readings = [reading('as-used', -60), reading('source-quiet', -60.1, 0.2), reading('feed-off', -58, 0.01)];
    expect(ladderRefusal('condenser', readings)).toMatch(/“Feed off” reads 2 dB more than “Everything as used”/);
  });

  test('a sheet’s figure above what was measured is called into question, not counted', () => {
    const readings = [reading('as-used', -60), reading('feed-off', -63)];
    const { adds, doubts } = ladderResult('condenser', readings, { selfNoise: power(-55) });
    expect(doubts[0]).toMatch(/^Microphone, by its sheet: .*not counted/);
    expect(adds.map(({ what }) => what)).toEqual(['room and microphone', 'what is left']);
    expect(ladderResult('condenser', readings, { selfNoise: power(-66) }).doubts).toEqual([]);
  });
});
