import { randomUUID } from 'node:crypto';
import { createReadStream, statSync } from 'node:fs';
import { mkdir, open, rename, rm } from 'node:fs/promises';
import { basename, dirname, join } from 'node:path';
import { Readable } from 'node:stream';
import { wavReader } from '@/core/signal';
import type { Store } from './store';
import { Refused } from './refused';

/** Most sound that is kept of one measurement, in bytes: what a RIFF file can say of itself. */
export const MOST_SOUND = 4 * 1024 ** 3;

/** Sound that was not kept, and why; nothing of it is left. */
export class SoundRefused extends Refused {
  constructor(code: keyof typeof SOUND_STATUS, message: string) {
    super(SOUND_STATUS[code], code, message);
  }
}
const SOUND_STATUS = { 'cut-off': 400, 'too-large': 413, 'disk-full': 507 } as const;

export const soundFolder = (store: Store): string => join(dirname(store.name), `${basename(store.name)}-sounds`);
const pathOf = (store: Store, measurement: number): string => join(soundFolder(store), `${measurement}.wav`);

/**
 * Keeps the sound of a measurement while it comes in, whatever its length: on disk before this returns, and only whole.
 * @param stated bytes that were announced; where none were, the file itself says how long it is
 * @returns its bytes; undefined if there is no such measurement
 * @throws WavError for what is no recording, SoundRefused for what did not arrive whole or has no room
 */
export async function keepSound(
  store: Store,
  rig: string,
  measurement: number,
  body: AsyncIterable<Uint8Array>,
  stated?: number,
): Promise<number | undefined> {
  const exists = store.prepare('SELECT 1 FROM measurement WHERE rig_id = ? AND id = ?').get(rig, measurement);
  if (!exists) return undefined;
  if (stated !== undefined && stated > MOST_SOUND) throw tooLarge();
  await mkdir(soundFolder(store), { recursive: true });
  const path = pathOf(store, measurement);
  const part = `${path}.${randomUUID()}.part`;
  try {
    const bytes = await written(part, body, stated);
    await rename(part, path);
    store
      .prepare('UPDATE measurement SET sound_bytes = ?, audio = NULL WHERE rig_id = ? AND id = ?')
      .run(bytes, rig, measurement);
    return bytes;
  } catch (problem) {
    await rm(part, { force: true });
    if ((problem as NodeJS.ErrnoException).code === 'ENOSPC')
      throw new SoundRefused(
        'disk-full',
        'The disk of the server is full. The figures are kept; make room, then send the sound again.',
      );
    throw problem;
  }
}

/** Writes a recording to a file. @returns its bytes */
async function written(path: string, body: AsyncIterable<Uint8Array>, stated: number | undefined): Promise<number> {
  const reader = wavReader({ onFormat: () => undefined, onBlock: () => undefined });
  const file = await open(path, 'w');
  try {
    let bytes = 0;
    for await (const chunk of body) {
      bytes += chunk.byteLength;
      if (bytes > MOST_SOUND) throw tooLarge();
      reader.push(chunk);
      await file.writeFile(chunk);
    }
    const { truncated } = reader.end();
    if (stated === undefined ? truncated : bytes !== stated)
      throw new SoundRefused(
        'cut-off',
        `Only ${bytes} bytes arrived${stated === undefined ? ', less than the file says' : ` of ${stated}`}. Nothing was kept; send it again.`,
      );
    await file.sync();
    return bytes;
  } finally {
    await file.close();
  }
}

const tooLarge = (): SoundRefused =>
  new SoundRefused('too-large', `The sound is larger than ${MOST_SOUND / 1024 ** 3} GiB; keep a shorter part of it.`);

/** The sound of a measurement as it was sent, if it was kept. */
export function loadSound(
  store: Store,
  rig: string,
  measurement: number,
): { bytes: number; stream: () => ReadableStream<Uint8Array> } | undefined {
  const row = store
    .prepare('SELECT sound_bytes AS bytes, audio FROM measurement WHERE rig_id = ? AND id = ?')
    .get(rig, measurement) as { bytes: number | null; audio: Buffer | null } | undefined;
  const { audio } = row ?? {};
  if (audio) return { bytes: audio.length, stream: () => streamOf(Readable.from([audio])) };
  // What lies there counts: the folder may have been left behind when the database was copied.
  const file = row?.bytes == null ? undefined : statSync(pathOf(store, measurement), { throwIfNoEntry: false });
  return file && { bytes: file.size, stream: () => streamOf(createReadStream(pathOf(store, measurement))) };
}

const streamOf = (readable: Readable) => Readable.toWeb(readable) as ReadableStream<Uint8Array>;

/** Takes the sound of a measurement off the disk. */
export const removeSound = (store: Store, measurement: number): Promise<void> =>
  rm(pathOf(store, measurement), { force: true });
