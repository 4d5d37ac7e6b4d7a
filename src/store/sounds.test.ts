import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { measurementOf } from '@/core/noise/measurement';
import { parseDocument } from '@/core/rig';
import { recordingMeter, WavError } from '@/core/signal';
import { wavBody, wavHead } from '@/core/signal/wav/writer';
import { noise } from '../../tests/signals';
import { openStore } from './database';
import type { Store } from './store';
import { keepMeasurement, loadMeasurements } from './noise';
import { createRig } from './rigs';
import { keepSound, loadSound, MOST_SOUND, removeSound, SoundRefused } from './sounds';

let folder: string;
let store: Store;
let id: number;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'inlet-check-'));
  store = openStore(join(folder, 'sound.sqlite'));
  createRig(store, parseDocument(readFileSync('demo/lock-nine.json', 'utf8')), 'rig');
  const meter = recordingMeter(48_000, 1, 96_000);
  meter.push([noise(96_000, 0.001)]);
  const kept = { line: 'guide', at: '2026-11-25T20:00:00.000Z', who: '', origin: 'file' as const, name: 'evening' };
  id = keepMeasurement(store, 'rig', { ...kept, measurement: measurementOf(meter, 0) }, '');
});
afterEach(() => {
  store.close();
  rmSync(folder, { recursive: true });
});

/** A recording of so many frames, as a recorder writes it. */
function recording(frames: number): Buffer {
  const block = [noise(frames, 0.01)];
  return Buffer.concat([wavHead(48_000, 1, frames), wavBody(block)]);
}
async function* inPieces(bytes: Buffer, size = 65_536): AsyncGenerator<Uint8Array> {
  for (let at = 0; at < bytes.length; at += size) yield bytes.subarray(at, at + size);
}
const readAll = async (sound: ReturnType<typeof loadSound>): Promise<Buffer> => {
  const pieces: Uint8Array[] = [];
  const reader = sound!.stream().getReader();
  for (let part = await reader.read(); !part.done; part = await reader.read()) pieces.push(part.value);
  return Buffer.concat(pieces);
};
/** Files that lie beside the database. */
const files = () => (existsSync(`${store.name}-sounds`) ? readdirSync(`${store.name}-sounds`) : []);

test('sound is kept as it was sent, and found by its own rig only', async () => {
  const sent = recording(200_000);
  expect(loadSound(store, 'rig', id)).toBeUndefined();
  expect(await keepSound(store, 'rig', id, inPieces(sent), sent.length)).toBe(sent.length);
  store.close();
  store = openStore(join(folder, 'sound.sqlite'));
  expect(loadMeasurements(store, 'rig')[0].audio).toBe(true);
  expect(loadSound(store, 'rig', id)!.bytes).toBe(sent.length);
  expect((await readAll(loadSound(store, 'rig', id))).equals(sent)).toBe(true);
  expect(loadSound(store, 'other', id)).toBeUndefined();
  expect(await keepSound(store, 'other', id, inPieces(sent), sent.length)).toBeUndefined();
  expect(await keepSound(store, 'rig', id + 1, inPieces(sent), sent.length)).toBeUndefined();
  await removeSound(store, id);
  expect(files()).toEqual([]);
  expect(loadSound(store, 'rig', id)).toBeUndefined();
});

test.each<[string, () => Buffer, number | undefined, unknown]>([
  ['what is cut off on the way', () => recording(100_000).subarray(0, 120_000), 200_044, SoundRefused],
  [
    'what is less than the file says, where nothing was announced',
    () => recording(100_000).subarray(0, 120_000),
    undefined,
    SoundRefused,
  ],
  ['more than was announced', () => recording(100_000), 1000, SoundRefused],
  ['no recording', () => Buffer.from('<html>'.repeat(100)), 600, WavError],
  ['nothing', () => Buffer.alloc(0), 0, WavError],
  ['a head without samples', () => Buffer.from(wavHead(48_000, 1, 0)), undefined, WavError],
  ['more than is ever kept', () => recording(10), MOST_SOUND + 1, SoundRefused],
])('%s is refused, and nothing of it is left', async (_, sent, stated, problem) => {
  await expect(keepSound(store, 'rig', id, inPieces(sent()), stated)).rejects.toThrow(problem as never);
  expect(files()).toEqual([]);
  expect(loadSound(store, 'rig', id)).toBeUndefined();
});

test('a file that a recorder did not finish is kept as it is: it arrived whole', async () => {
  const sent = recording(100_000).subarray(0, 120_000);
  expect(await keepSound(store, 'rig', id, inPieces(sent), sent.length)).toBe(sent.length);
});

test('a sender that goes away leaves what was kept before', async () => {
  const first = recording(50_000);
  await keepSound(store, 'rig', id, inPieces(first), first.length);
  async function* lost(): AsyncGenerator<Uint8Array> {
    yield recording(90_000).subarray(0, 65_536);
    throw new Error('connection reset');
  }
  await expect(keepSound(store, 'rig', id, lost(), 180_044)).rejects.toThrow('connection reset');
  expect(files()).toEqual([`${id}.wav`]);
  expect((await readAll(loadSound(store, 'rig', id))).equals(first)).toBe(true);
});

test('sound that an older version kept in the database is still there', async () => {
  store.prepare('UPDATE measurement SET audio = ? WHERE id = ?').run(Buffer.from('RIFF'), id);
  expect((await readAll(loadSound(store, 'rig', id))).toString()).toBe('RIFF');
  expect(loadMeasurements(store, 'rig')[0].audio).toBe(true);
});
