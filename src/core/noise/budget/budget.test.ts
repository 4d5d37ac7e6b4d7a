import { readFileSync } from 'node:fs';
import type { Line, Part } from '../../gear';
import { inletKind, reader } from '../../gear';
import { parseDocument, rigPath } from '../../rig';
import { freeInlets } from '../../rig/rigEdits';
import { aWeight } from '../../signal/measure/weighting';
import { pascal, ratio } from '../../units';
import { BAND, integral } from '../band';
import { budget, coil, figure, line, part, silent } from '../../../../tests/lines/budgets';
import { A_WEIGHTED, inletNoise, thermalPower } from './amplifier';
import { noiseBudget, noiseRemedies, type NoiseBudget } from '.';
import { roomDensity, whiteSound } from './sound';

describe('published values', () => {
  test.each([
    [150, 0.2204e-6, -130.92],
    [200, undefined, -129.67],
  ])('thermal noise of %d Ω over 20 kHz at 293.15 K (Johnson and Nyquist, 1928)', (ohms, volts, level) => {
    // The published figures are for 20 kHz; 20 Hz to 20 kHz is 0.004 dB less.
    const power = thermalPower(ohms) * (20_000 / 19_980);
    if (volts) expect(Math.sqrt(power)).toBeCloseTo(volts, 10);
    expect(10 * Math.log10(power / 0.6)).toBeCloseTo(level, 2);
  });

  test('14 dB(A) at 20 mV/Pa: 2.0 µV, −111.7 dBu(A) (worked by hand)', () => {
    const volts = 0.02 * pascal(14);
    expect(volts).toBeCloseTo(2e-6, 7);
    const power = integral(whiteSound(14), aWeight) * 0.02 ** 2;
    expect(10 * Math.log10(power / 0.6)).toBeCloseTo(-111.7, 1);
  });

  test('white noise from 20 Hz to 20 kHz reads 2.05 dB lower A-weighted (IEC 61672-1)', () => {
    const white = BAND.map(() => 1);
    expect(10 * Math.log10(integral(white) / integral(white, aWeight))).toBeCloseTo(A_WEIGHTED, 1);
  });

  test('rooms: a stated level comes back A-weighted, octaves come back as they were', () => {
    expect(10 * Math.log10(integral(roomDensity({ level: 30 }), aWeight) / 4e-10)).toBeCloseTo(30, 6);
    const octave = roomDensity({ bands: [{ hz: 1000, level: 40 }] });
    expect(10 * Math.log10(integral(octave) / 4e-10)).toBeCloseTo(40, 0);
    // At 1 kHz A-weighting takes nothing off.
    expect(10 * Math.log10(integral(octave, aWeight) / 4e-10)).toBeCloseTo(40, 0);
  });
});

describe('a passive source', () => {
  test('200 Ω on an inlet of some kilohms: a little below the −129.67 dBu of its resistance alone', () => {
    const found = budget(line(coil(200)));
    // Loaded by R, a source resistance Rs leaves 4kT·(Rs ∥ R) (Nyquist, 1928), most of it the source's.
    expect(part(found, 'thermal', 'source').level).toBeLessThan(-129.67);
    expect(part(found, 'thermal', 'source').level).toBeGreaterThan(-131);
    expect(found.parts.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 6);
    expect(found.parts.reduce((sum, { shareA }) => sum + shareA, 0)).toBeCloseTo(1, 6);
  });

  test('a pad’s resistors take over from the source', () => {
    const found = budget(line(coil(50), [{ kind: 'cable' }, { kind: 'pad' }, { kind: 'cable' }]));
    expect(part(found, 'thermal', 1).share).toBeGreaterThan(3 * (part(found, 'thermal', 'source')?.share ?? 0));
  });
});

describe('amplifiers', () => {
  const inlet = (figures: Part['figures'] = {}, choices: Part['choices'] = {}) =>
    reader(inletKind('three-pin'), { kind: 'three-pin', figures, choices });
  const level = (power: number) => 10 * Math.log10(power / 0.6);

  test('with 150 Ω across it an amplifier makes the figure on its sheet again', () => {
    const { amplifier } = inletNoise(inlet({ ein: figure(-128, 'dBu') }), 60);
    expect(level(amplifier + thermalPower(150))).toBeCloseTo(-128, 6);
    const low = inletNoise(inlet({ ein: figure(-128, 'dBu'), einLow: figure(-103, 'dBu') }), 0);
    expect(level(low.amplifier + thermalPower(150))).toBeCloseTo(-103, 6);
  });

  test('an A-weighted figure is converted before anything is added to it', () => {
    const plain = inletNoise(inlet({ ein: figure(-128, 'dBu') }), 60);
    const weighted = inletNoise(
      inlet(
        { ein: figure(-128 - A_WEIGHTED, 'dBu'), einLow: figure(-103 - A_WEIGHTED, 'dBu') },
        { einWeighting: 'a-weighted' },
      ),
      60,
    );
    expect(weighted.amplifier).toBeCloseTo(plain.amplifier, 20);
  });

  test('a figure below what its own resistor makes is doubted aloud', () => {
    const { amplifier, doubt } = inletNoise(inlet({ ein: figure(-133, 'dBu') }), 60);
    expect(doubt).toContain('150 Ω');
    expect(amplifier).toBeLessThan(thermalPower(150) / 100);
  });

  test('a converter of 112 dB(A) is 112 dB below its full-scale sine, A-weighted, divided by the gain', () => {
    const { converter } = inletNoise(inlet({ fullScale: figure(10, 'dBu'), dynamicRange: figure(112, 'dB') }), 30);
    expect(level(converter) - A_WEIGHTED).toBeCloseTo(10 - 112 - 30, 6);
  });

  test('cascade: behind a booster of 25 dB an inlet’s own noise counts 25 dB less against the source’s (Friis, 1944)', () => {
    const plain = budget(line(coil(200), undefined, { kind: 'three-pin', choices: { feed: 'P48' } }));
    const boosted = budget(
      line(coil(200), [{ kind: 'inline-booster' }, { kind: 'cable' }], {
        kind: 'three-pin',
        choices: { feed: 'P48' },
      }),
      { target: -12, gain: plain.gain },
    );
    const against = (of: NoiseBudget) => part(of, 'preamplifier').level - of.plan.inlet;
    const gained = boosted.plan.inlet - plain.plan.inlet;
    expect(gained).toBeGreaterThan(24);
    expect(against(plain) - against(boosted)).toBeCloseTo(gained, 2);
    // What the booster makes of itself: its figure, amplified and loaded as the signal is.
    const own = part(boosted, 'amplifier of a link', 0).level;
    expect(own - (boosted.plan.inlet - boosted.plan.source)).toBeCloseTo(-131, 0);
  });
});

describe('lines of the demo', () => {
  const rig = parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));
  const of = (id: string) => rigPath(rig, id)!.line;

  test('a room dominates a condenser, the preamplifier a moving coil', () => {
    expect(budget(of('large-condenser'), { target: -12, room: { level: 34 } }).parts[0].kind).toBe('room');
    expect(budget(of('guide'), { target: -12, room: { level: 24 } }).parts[0].kind).toBe('preamplifier');
  });

  test('what is recorded follows the gain, decibel by decibel, as far as the converter lets it', () => {
    const planned = budget(of('guide'), { target: -12, room: silent });
    const more = budget(of('guide'), { target: -12, room: silent, gain: planned.gain + 6 });
    expect(more.dbfs - planned.dbfs).toBeCloseTo(6, 1);
    expect(more.headroom.toFullScale).toBeCloseTo(planned.headroom.toFullScale - 6, 9);
    expect(planned.headroom.peak).toBeCloseTo(-12, 6);
  });

  test('measured hum counts with the rest, as power', () => {
    const without = budget(of('guide'), { target: -12, room: silent });
    const hum = { gain: without.gain, tones: [{ hz: 1000, dbfs: without.dbfs }] };
    const withHum = budget(of('guide'), { target: -12, room: silent, hum });
    expect(withHum.dbfs - without.dbfs).toBeCloseTo(3.01, 1);
    expect(part(withHum, 'hum').shareA).toBeGreaterThan(0.5);
    // It came in before the gain: 10 dB less of that, 10 dB less hum.
    const less = budget(of('guide'), { target: -12, room: silent, hum, gain: without.gain - 10 });
    expect(part(less, 'hum').level).toBeCloseTo(part(withHum, 'hum').level, 9);
  });

  test('a line that is silent has no budget, and says why', () => {
    const dead = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
    expect(noiseBudget(rigPath(dead, 'large-condenser')!.line, { target: -12 })).toMatchObject({
      reason: expect.stringContaining('no power'),
    });
  });

  test('remedies: a booster helps a noisy inlet, closer helps by 6 dB, no line is moved onto another feed', () => {
    const remedies = noiseRemedies(of('guide'), { target: -12, room: silent }, freeInlets(rig));
    const gains = (label: RegExp) => remedies.find((each) => label.test(each.label))?.gainsA;
    expect(gains(/booster/)).toBeGreaterThan(8);
    // The switch of its inlet feeds another line as well, which 48 V would harm: told, not offered.
    const booster = remedies.find(({ label }) => /booster/.test(label))!;
    expect(booster.edits).toBeUndefined();
    expect(booster.note).toContain('Lock keeper, self-powered');
    const alone = { ...of('guide'), switch: { ...of('guide').switch!, reaches: [] } };
    expect(noiseRemedies(alone, { target: -12 }).find(({ label }) => /booster/.test(label))!.edits).toHaveLength(2);
    expect(gains(/distance/)).toBeCloseTo(6.02, 1);
    expect(gains(/quieter/)).toBeGreaterThan(5);
    expect(remedies.filter(({ label }) => /bank A/.test(label))).toEqual([]);
    const condenser = noiseRemedies(of('large-condenser'), { target: -12, room: { level: 34 } });
    // Where the room dominates a quieter preamplifier gains nothing, and is not offered.
    expect(condenser.some((each) => /quieter/.test(each.label))).toBe(false);
    expect(condenser.every(({ gains, gainsA, peak }) => Math.max(gains, gainsA, peak) >= 0.5)).toBe(true);
  });

  test('twice the distance is 6.02 dB less (inverse distance law)', () => {
    const near = of('large-condenser');
    const far: Line = {
      ...near,
      source: {
        ...near.source,
        figures: {
          ...near.source.figures,
          measuredAt: { value: 1, unit: 'm', basis: 'measured' },
          distance: { value: 2, unit: 'm', basis: 'measured' },
        },
      },
    };
    expect(budget(near).plan.inlet - budget(far).plan.inlet).toBeCloseTo(20 * Math.log10(2), 6);
    expect(ratio(budget(near).plan.inlet)).toBeGreaterThan(0);
  });
});

describe('what is not counted twice, and what a low cut keeps out', () => {
  test('the inlet’s own resistors are in its stated noise: with everything else silent only that is left', () => {
    const short: Line = line({ kind: 'moving-coil', figures: { coil: figure(0.1, 'Ω') } }, []);
    const found = budget(short, { target: -12, room: silent, gain: 60 });
    expect(part(found, 'thermal', 'inlet')).toBeUndefined();
    // EIN of −128 dBu with 150 Ω, of which the 150 Ω are not there: the amplifier alone.
    const { amplifier } = inletNoise(reader(inletKind('three-pin'), { kind: 'three-pin' }), 60);
    expect(part(found, 'preamplifier').level).toBeCloseTo(20 * Math.log10(Math.sqrt(amplifier) / Math.sqrt(0.6)), 1);
  });

  test('a low cut at the inlet keeps the rumble of a room out of the unweighted floor', () => {
    const cut = (lowCut: string) =>
      budget(line({ kind: 'moving-coil' }, [], { kind: 'three-pin', choices: { lowCut } }), {
        target: -12,
        room: { level: 40 },
      });
    const [open, closed] = [cut('off'), cut('on')];
    expect(part(open, 'room').level - part(closed, 'room').level).toBeGreaterThan(3);
    // A-weighted there is hardly a difference: the curve has taken the rumble out already.
    expect(part(open, 'room').aWeighted - part(closed, 'room').aWeighted).toBeLessThan(1.5);
  });

  test('the pad of a microphone takes the sound down, not its electronics', () => {
    const padded = (pad: string) =>
      budget(line({ kind: 'condenser-48', choices: { pad } }, [], { kind: 'three-pin', choices: { feed: 'P48' } }), {
        target: -12,
        room: { level: 40 },
        gain: 30,
      });
    const [out, pressed] = [padded('off'), padded('on')];
    expect(part(out, 'room').level - part(pressed, 'room').level).toBeCloseTo(10, 6);
    expect(part(out, 'self-noise').level).toBeCloseTo(part(pressed, 'self-noise').level, 6);
    expect(out.plan.source - pressed.plan.source).toBeCloseTo(10, 6);
  });

  test('the jack of a combo inlet has the noise and the full scale of the jack', () => {
    const keyboard: Part = { kind: 'line-output', choices: { connector: 'ts635' } };
    const found = budget(line(keyboard, [], { kind: 'combo' }), { target: -12 });
    expect(found.plan.gainMax).toBe(20);
    expect(found.dbfs).toBeLessThan(-60);
  });
});
