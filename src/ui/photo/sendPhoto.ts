import { ask } from '@/ui/shell/ask';
import { sendPhoto as text } from './texts';

/** Longest side of a photo that is sent, in pixels: a plug and what is written on it can be read. */
const LONGEST = 1600;
const QUALITY = 0.85;

/** Where a photo that is kept with a rig can be seen. */
export const photoPath = (rig: string, photo: string): string => `/api/rigs/${rig}/photos/${photo}`;

/**
 * Makes a photo smaller, leaves out what the camera wrote into it (place and time among it), and keeps it with a rig.
 * @returns its id, or in words why it is not kept
 */
export async function sendPhoto(rig: string, file: Blob): Promise<{ photo: string } | { failed: string }> {
  const small = await smaller(file);
  if (!small) return { failed: text.thisFileIsNoPhoto };
  const { body, failed } = await ask<{ photo: string }>(`/api/rigs/${rig}/photos`, { method: 'POST', blob: small });
  return body ?? { failed: text.thePhotoWasNotSent(failed) };
}

async function smaller(file: Blob): Promise<Blob | undefined> {
  try {
    const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
    const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(picture.width * scale));
    canvas.height = Math.max(1, Math.round(picture.height * scale));
    canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
    picture.close();
    return await new Promise((done) => canvas.toBlob((blob) => done(blob ?? undefined), 'image/jpeg', QUALITY));
  } catch {
    return undefined;
  }
}
