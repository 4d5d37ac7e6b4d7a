import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseDocument } from '@/core/rig';
import { ReportRefused } from '@/core/runsheet';
import { openStore } from './database';
import type { Store } from './store';
import { addEntries, loadLog } from './log';
import { hasPhoto, keepPhoto, loadPhoto, photoType } from './photos';
import { createRig } from './rigs';
import { reportSwitching } from './switching';

const document = { ...parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8')), lines: [], units: [] };
const AT = Date.UTC(2026, 10, 25, 12);
const HOUR = 3600 * 1000;
const jpeg = { type: 'image/jpeg' as const, bytes: Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3]) };
let folder: string;
let store: Store;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'inlet-check-'));
  store = openStore(join(folder, 'photos.sqlite'));
  createRig(store, document, 'rig');
  createRig(store, document, 'other');
});
afterEach(() => {
  store.close();
  rmSync(folder, { recursive: true });
});

test('what a picture is, is told by its first bytes (signatures of JFIF, PNG and RIFF/WebP, from memory)', () => {
  expect(photoType(jpeg.bytes)).toBe('image/jpeg');
  expect(photoType(Buffer.from('\x89PNG\r\n\x1a\nIHDR', 'latin1'))).toBe('image/png');
  expect(photoType(Buffer.from('RIFF\x10\0\0\0WEBPVP8 ', 'latin1'))).toBe('image/webp');
  for (const other of ['', 'RIFF\x10\0\0\0WAVEfmt ', '<svg onload="x">', 'GIF89a', '\xff\xd8'])
    expect(photoType(Buffer.from(other, 'latin1'))).toBeUndefined();
});

test('a photo is kept with its rig, byte for byte, and with no other', () => {
  const id = keepPhoto(store, 'rig', jpeg, AT)!;
  store.close();
  store = openStore(join(folder, 'photos.sqlite'));
  expect(loadPhoto(store, 'rig', id)).toEqual(jpeg);
  expect(loadPhoto(store, 'other', id)).toBeUndefined();
  expect(keepPhoto(store, 'nowhere', jpeg, AT)).toBeUndefined();
});

test('what nobody reported anything with is thrown away after a day; what is in the log stays', () => {
  const [loose, told] = [keepPhoto(store, 'rig', jpeg, AT)!, keepPhoto(store, 'rig', jpeg, AT)!];
  addEntries(store, 'rig', { at: new Date(AT).toISOString(), who: '' }, [
    { kind: 'not-possible', text: 'Not done', lines: [], photo: told },
  ]);
  const kept = () => [loose, told].map((id) => hasPhoto(store, 'rig', id));
  keepPhoto(store, 'rig', jpeg, AT + 23 * HOUR);
  keepPhoto(store, 'other', jpeg, AT + 100 * HOUR);
  expect(kept()).toEqual([true, true]);
  keepPhoto(store, 'rig', jpeg, AT + 25 * HOUR);
  expect(kept()).toEqual([false, true]);
  expect(loadLog(store, 'rig').find(({ kind }) => kind === 'not-possible')).toMatchObject({ photo: told });
});

test('a report with a photo that is not kept with the rig is refused, and nothing of it is done', () => {
  const elsewhere = keepPhoto(store, 'other', jpeg, AT)!;
  const report = { report: 'not possible' as const, why: 'taped over', photo: elsewhere };
  expect(() => reportSwitching(store, 'rig', { version: 0, who: '', report }, AT)).toThrow(ReportRefused);
  expect(loadLog(store, 'rig').filter(({ kind }) => kind === 'not-possible')).toEqual([]);
});
