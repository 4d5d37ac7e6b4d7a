import { randomUUID } from 'node:crypto';
import type { Store } from './store';

/** A photo as it was sent. */
export interface Photo {
  type: PhotoType;
  bytes: Buffer;
}

export type PhotoType = 'image/jpeg' | 'image/png' | 'image/webp';

/** What sort of picture some bytes are, by their first ones; undefined for anything else. */
export function photoType(bytes: Uint8Array): PhotoType | undefined {
  const begins = (signature: string, at = 0) =>
    Buffer.from(bytes.subarray(at, at + signature.length)).equals(Buffer.from(signature, 'latin1'));
  if (begins('\xff\xd8\xff')) return 'image/jpeg';
  if (begins('\x89PNG\r\n\x1a\n')) return 'image/png';
  if (begins('RIFF') && begins('WEBP', 8)) return 'image/webp';
  return undefined;
}

/** How long a photo is kept that nobody has reported anything with, in milliseconds. */
const UNREPORTED = 24 * 3600 * 1000;

/**
 * Keeps a photo with a rig; older ones that no report came with are thrown away.
 * @param at milliseconds since 1970
 * @returns its id; undefined if there is no such rig
 */
export function keepPhoto(store: Store, rig: string, { type, bytes }: Photo, at: number): string | undefined {
  const id = randomUUID();
  store
    .prepare(
      `DELETE FROM photo WHERE rig_id = @rig AND taken_at < @before
       AND id NOT IN (SELECT photo FROM log_entry WHERE rig_id = @rig AND photo IS NOT NULL)`,
    )
    .run({ rig, before: new Date(at - UNREPORTED).toISOString() });
  const { changes } = store
    .prepare(
      `INSERT INTO photo (id, rig_id, taken_at, type, bytes)
       SELECT @id, rig.id, @at, @type, @bytes FROM rig WHERE rig.id = @rig`,
    )
    .run({ id, rig, at: new Date(at).toISOString(), type, bytes });
  return changes ? id : undefined;
}

export const loadPhoto = (store: Store, rig: string, id: string): Photo | undefined =>
  store.prepare('SELECT type, bytes FROM photo WHERE rig_id = ? AND id = ?').get(rig, id) as Photo | undefined;

export const hasPhoto = (store: Store, rig: string, id: string): boolean =>
  store.prepare('SELECT 1 FROM photo WHERE rig_id = ? AND id = ?').get(rig, id) !== undefined;
