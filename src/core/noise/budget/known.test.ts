import { readFileSync } from 'node:fs';
import { budget, coil, figure, line, part, silent } from '../../../../tests/lines/budgets';
import { inletKind, reader, type Line, type Part } from '../../gear';
import { parseDocument, rigPath } from '../../rig';
import { roomOf } from '../../rig/places';
import { thermalPower } from './amplifier';
import { noiseBudget, noiseRemedies, type BudgetWishes } from '.';

describe('ribbons', () => {
  test('output impedance as the sheet states it, ribbon, leakage and windings in it: 250 to 300 Ω in all', () => {
    const found = budget(line({ kind: 'passive-ribbon' }, [], { kind: 'three-pin' }), {
      target: -12,
      room: silent,
      gain: 60,
    });
    // By hand: what 270 Ω make, behind the divider with the inlet's input resistance: 4kT·270·(R / (R + 270))² (Nyquist, 1928).
    const inlet = reader(inletKind('three-pin'), { kind: 'three-pin' }).value('inputResistance');
    const hand = thermalPower(270) * (inlet / (inlet + 270)) ** 2;
    const thermal = part(found, 'thermal', 'source');
    expect(Math.abs(thermal.level - 10 * Math.log10(hand / 0.6))).toBeLessThan(0.15);
  });

  test.each([50, 250, 300])('%d Ω as stated', (ohms) => {
    const of = (own: Part) =>
      part(budget(line(own, [], { kind: 'three-pin' }), { target: -12, room: silent, gain: 60 }), 'thermal', 'source')
        .level;
    const ribbon = of({ kind: 'passive-ribbon', figures: { impedance: figure(ohms, 'Ω') } });
    expect(Math.abs(ribbon - of(coil(ohms)))).toBeLessThan(0.15);
  });
});

describe('what is known of a floor, and what decides', () => {
  const condenser = (choices: Part['choices'] = {}) =>
    line({ kind: 'condenser-48' }, [{ kind: 'cable' }], { kind: 'three-pin', choices: { feed: 'P48', ...choices } });

  test('a room in dB(A) is not known below 80 Hz: a range, of which only what is known counts', () => {
    const { reads, dbfs } = budget(condenser(), { target: -12, room: { level: 34 } });
    expect(reads['as-set'].known).toBeLessThan(dbfs - 1);
    expect(reads['as-set'].most).toBeGreaterThan(dbfs + 1);
    // A-weighted there is hardly anything to be unknown.
    expect(reads['a-weighted'].most - reads['a-weighted'].known).toBeLessThan(2);
    const octaves = budget(condenser(), {
      target: -12,
      room: {
        bands: [
          { hz: 63, level: 50 },
          { hz: 1000, level: 30 },
        ],
      },
    });
    expect(octaves.reads['as-set'].known).toBeCloseTo(octaves.dbfs, 6);
    expect(octaves.reads['as-set'].most).toBeCloseTo(octaves.dbfs, 6);
  });

  test('low cuts of microphone, inlet and recorder count one after the other, the recorder’s for the converter too', () => {
    const room = { bands: [{ hz: 31.5, level: 60 }] };
    const level = (of: Line) => budget(of, { target: -12, room, gain: 30 }).dbfs;
    const open = level(condenser());
    expect(open - level(condenser({ lowCut: 'on' }))).toBeGreaterThan(12);
    expect(level(condenser({ recorderLowCut: 'on' }))).toBeCloseTo(level(condenser({ lowCut: 'on' })), 1);
    const all = condenser({ lowCut: 'on', recorderLowCut: 'on' });
    all.source = { ...all.source, choices: { lowCut: 'on' } };
    expect(level(condenser({ lowCut: 'on' })) - level(all)).toBeGreaterThan(12);
    const remedies = noiseRemedies(condenser(), { target: -12, room });
    expect(remedies.map(({ label }) => label)).toEqual(
      expect.arrayContaining(['Low cut on the microphone', 'Low cut of the inlet', 'Low cut of the recorder']),
    );
    expect(noiseRemedies(all, { target: -12, room }).some(({ label }) => /Low cut/.test(label))).toBe(false);
  });

  test('a low cut gains nothing that is known where nobody stated the rumble; what it usually gains stands apart', () => {
    const cuts = (room: BudgetWishes['room']) =>
      noiseRemedies(condenser(), { target: -12, room }).filter(({ label }) => /Low cut/.test(label));
    const unstated = cuts({ level: 34 });
    expect(unstated).toHaveLength(3);
    for (const { gains, usually, note, dbfs } of unstated) {
      // A little of what dB(A) tells of lies below the cut, too.
      expect(gains).toBeLessThan(1.5);
      expect(usually).toBeGreaterThan(3);
      expect(note).toMatch(/not known until it is stated by octaves/);
      expect(
        Math.abs(dbfs - budget(condenser(), { target: -12, room: { level: 34 } }).reads['as-set'].known),
      ).toBeLessThan(1.5);
    }
    for (const { gains, usually, note } of cuts({ bands: [{ hz: 31.5, level: 60 }] })) {
      expect(gains).toBeGreaterThan(12);
      expect(usually).toBeUndefined();
      expect(note).not.toMatch(/not known/);
    }
  });

  test('what cannot be heard is said before what could be improved', () => {
    const far = condenser();
    far.source = { ...far.source, figures: { loudness: figure(40, 'dB SPL') } };
    expect(budget(far, { target: -12, room: { level: 34 } }).doubts[0]).toMatch(/cannot be heard/);
    expect(budget(condenser(), { target: -12, room: { level: 34 } }).doubts).toEqual([]);
  });

  test('in the mended rig no line misses its target for rumble that nobody stated', () => {
    const mended = parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));
    for (const { id } of mended.lines) {
      const found = noiseBudget(rigPath(mended, id)!.line, { target: -12, room: roomOf(mended, id) });
      if ('reason' in found) continue;
      // Exterior microphones at high gain have their room in the octaves that dB(A) tells of; the others keep to −60 dBFS.
      const own = found.parts.find(({ kind }) => kind === 'room');
      const heard = id === 't12-shotgun' || id === 'short-shotgun' || id === 'active-ribbon';
      expect({ id, over: found.reads['as-set'].known > -60 }).toEqual({ id, over: heard });
      if (heard) expect(found.reads['cut-80'].known).toBeGreaterThan(found.reads['as-set'].known - 1);
      if (own) expect(found.dbfs).toBeGreaterThan(found.reads['as-set'].known);
    }
  });
});
