import { cable, judged, line, on } from '../../../tests/lines/lines';
import { DEFAULT_SCHOOLS } from '../schools';
import { withFloor, type Floor } from './floor';

/** The noise floor's target takes part in the verdict where floor and target are known. */

const schools = { ...DEFAULT_SCHOOLS, noiseFloor: '-60' };
const sound = judged(line('condenser-48', [cable()], on('P48')));
const unpowered = judged(line('condenser-48', [cable()], on('off')));
const every = (dbfs: number) => ({ 'as-set': dbfs, 'cut-80': dbfs, 'a-weighted': dbfs });
const measured = (dbfs: number): Floor => ({ dbfs: every(dbfs), from: 'measured' });

test.each([
  [-75, 'Clear'],
  [-60, 'Clear'],
  [-59, 'Clear'],
  [-58.9, 'Watch'],
  [-40, 'Watch'],
])('a condenser that is Clear, its floor at %d dBFS against a target of −60: %s', (dbfs, verdict) => {
  expect(sound.verdict).toBe('Clear');
  expect(withFloor(sound, schools, measured(dbfs)).verdict).toBe(verdict);
});

test('the finding says by how much, from what, and by which school', () => {
  const [found] = withFloor(sound, schools, measured(-52)).findings;
  expect(found).toMatchObject({ code: 'noise-floor', severity: 'watch', what: 'Noise floor 8 dB over your target' });
  expect(found.why).toMatch(/measured last/);
  expect(found.school).toEqual({ name: 'noiseFloor', choice: '-60' });
  expect(withFloor(sound, schools, { dbfs: every(-52), from: 'predicted' }).findings[0].why).toMatch(/room as stated/);
});

test('the target is the school’s: a stricter one minds what another one takes', () => {
  expect(withFloor(sound, { ...schools, noiseFloor: '-70' }, measured(-65)).verdict).toBe('Watch');
  expect(withFloor(sound, schools, measured(-65)).verdict).toBe('Clear');
});

test('nothing is added where no floor is known, nor to a line that delivers nothing', () => {
  expect(withFloor(sound, schools, undefined)).toBe(sound);
  expect(unpowered.verdict).toBe('Silent');
  expect(withFloor(unpowered, schools, measured(-20))).toBe(unpowered);
});
