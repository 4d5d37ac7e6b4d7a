import { readFileSync } from 'node:fs';
import { parseDocument, type RigDocument, type Unit } from '../rig';
import { calibrated } from './calibrated';
import { withMainsEdit } from './edits';
import { mainsReport } from './findings';

const lockNine = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
/** Lock Nine with the stage strip repaired. */
const mendedEarth: RigDocument = {
  ...lockNine,
  mains: {
    ...lockNine.mains,
    outlets: lockNine.mains!.outlets!.map(({ earth: _bad, ...outlet }) => outlet),
  },
};

describe('lines against the target, as the engineer’s meter reads them', () => {
  const schools = (more: object): RigDocument =>
    ({ ...lockNine, schools: { ...lockNine.schools, ...more } }) as RigDocument;
  const hum = (document: RigDocument) => mainsReport(document).findings.find(({ code }) => code === 'hum');

  test('hum at 50 Hz counts unweighted where the meter is, and is named as the meter reads it', () => {
    // Lamps alone take current without harmonics: A-weighting hides most of it.
    const lamps = (floorMeter: string): RigDocument => ({
      ...schools({ floorMeter, noiseFloor: '-60' }),
      units: lockNine.units!.map((unit) => {
        const { current: _own, ...rest } = unit;
        return unit.id === 'phone-charger'
          ? { ...rest, kind: 'lamp', current: { value: 4, unit: 'A', basis: 'measured' } }
          : { ...rest, current: { value: 0, unit: 'A', basis: 'measured' } };
      }),
    });
    expect(hum(lamps('as-set'))!.what).toMatch(/^Laptop, playback hears hum: −\d+(\.\d)? dBFS$/);
    expect(hum(lamps('a-weighted'))).toBeUndefined();
    expect(hum(schools({ floorMeter: 'a-weighted' }))!.what).toMatch(/dBFS A-weighted$/);
  });

  test('of many lines the loudest are explained, and every other one is named', () => {
    const laptop = lockNine.lines.find(({ id }) => id === 'laptop')!;
    const ids = Array.from({ length: 15 }, (_, n) => `playback-${n + 1}`);
    const many: RigDocument = {
      ...lockNine,
      lines: ids.map((id, n) => ({
        ...laptop,
        id,
        name: `Playback ${n + 1}`,
        inlet: { device: 'desk', inlet: String(n + 1) },
      })),
      units: [
        ...lockNine.units!.filter(({ device, line }) => device !== undefined || line === undefined),
        ...ids.map((id, n): Unit => ({
          id: `unit-${n}`,
          name: `Laptop ${n + 1}`,
          kind: 'computer',
          line: id,
          outlet: 'shore-power socket',
        })),
      ],
      mains: { outlets: lockNine.mains!.outlets },
      schools: { ...lockNine.schools, noiseFloor: '-110' } as RigDocument['schools'],
    };
    const found = mainsReport(many).findings.filter(({ code }) => code === 'hum');
    expect(found).toHaveLength(13);
    expect(found.slice(0, 12).every(({ line, remedies }) => line !== undefined && remedies.length > 0)).toBe(true);
    expect(found[12].what).toMatch(/^3 more lines hear hum, up to −/);
    const named = ids
      .map((_, n) => `Playback ${n + 1}`)
      .filter((name) =>
        found.some(({ what, why }) => `${what}, ${why}`.includes(`${name} `) || `${why}`.includes(name)),
      );
    expect(named).toHaveLength(15);
  });

  test('while nobody can say whether a line hums, nothing is said to be in order', () => {
    const { shells: _measured, ...own } = lockNine.mains!.lines![0];
    const asked = mainsReport({
      ...mendedEarth,
      mains: { ...mendedEarth.mains, lines: [own] },
      schools: { ...lockNine.schools, noiseFloor: '-52' } as RigDocument['schools'],
    });
    expect(asked.findings.map(({ code }) => code)).toEqual(['hum-unsure']);
    expect(asked.findings[0].ask).toBe('shells');
  });
});

describe('18 mV measured between the laptop’s shells, on an outlet of its own', () => {
  const moved = (from: RigDocument): RigDocument =>
    withMainsEdit(from, { do: 'outlet', unit: 'laptop', outlet: 'audio strip' });
  const laptop = (document: RigDocument) => mainsReport(document).readings.lines.find(({ line }) => line === 'laptop')!;

  test('stand for the side as it was: moved to the desk’s strip it is as much quieter as the remedy said', () => {
    const { readings, findings } = mainsReport(lockNine);
    const told = findings
      .find(({ code, line }) => code === 'hum' && line === 'laptop')!
      .remedies.find(({ what }) => what.startsWith('Plug Laptop into audio strip'))!;
    const after = laptop(moved(calibrated(lockNine, readings)));
    expect(after.reads['as-set']).toBeCloseTo(told.after!, 6);
    expect(after.reads['as-set']).toBeLessThan(laptop(lockNine).reads['as-set'] - 20);
    expect(mainsReport(moved(calibrated(lockNine, readings))).findings.filter(({ code }) => code === 'hum')).toEqual(
      [],
    );
  });
  test('changes nothing while nothing is moved, and keeps what was already kept', () => {
    const { readings } = mainsReport(lockNine);
    const kept = calibrated(lockNine, readings);
    expect(laptop(kept).reads['as-set']).toBeCloseTo(laptop(lockNine).reads['as-set'], 3);
    expect(calibrated(kept, mainsReport(moved(kept)).readings)).toBe(kept);
  });
});
