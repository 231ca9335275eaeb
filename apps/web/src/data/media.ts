import { imageSize, MEDIA, mediaTypeOf, MOST_PIXELS } from '@kleur/core/formats';
import type { WaitingFile } from './outbox.ts';

/** Longest side of a picture that is kept, px. */
const LONGEST_SIDE = 1600;
const QUALITY = 0.85;

/** Why a picture or a clip cannot be kept; the message is for the person at the screen. */
export class MediaError extends Error {
  override readonly name = 'MediaError';
}

/**
 * A picture as it is kept: turned right, not larger than needed, and nothing but its pixels, so that it does not say
 * where it was taken. @throws MediaError.
 */
export async function pictureFile(picked: Blob): Promise<WaitingFile> {
  const head = new Uint8Array(await picked.slice(0, 1_000_000).arrayBuffer());
  if (!mediaTypeOf(head)?.startsWith('image/'))
    throw new MediaError('This is no picture that can be read: JPEG, PNG or WebP can.');
  const size = imageSize(head);
  if (size && size.width * size.height > MOST_PIXELS)
    throw new MediaError('This picture has too many pixels. Take a smaller one.');
  const full = await createImageBitmap(picked, { imageOrientation: 'from-image' }).catch(() => {
    throw new MediaError('This picture is damaged and cannot be read.');
  });
  const scale = Math.min(1, LONGEST_SIDE / Math.max(full.width, full.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(full.width * scale)),
    Math.max(1, Math.round(full.height * scale)),
  );
  const context = canvas.getContext('2d');
  if (!context) throw new MediaError('This browser cannot make pictures smaller.');
  context.drawImage(full, 0, 0, canvas.width, canvas.height);
  full.close();
  return named(await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY }));
}

/** A clip or a picture under the name of its content. @throws MediaError. */
export async function named(blob: Blob): Promise<WaitingFile> {
  const bytes = await blob.arrayBuffer();
  const type = mediaTypeOf(new Uint8Array(bytes));
  if (type === null) throw new MediaError('This recording cannot be kept.');
  return { name: `${await hashOf(bytes)}.${MEDIA[type]}`, type, bytes };
}

async function hashOf(bytes: ArrayBuffer): Promise<string> {
  // Browsers hash on encrypted addresses and on this machine alone.
  if (!('subtle' in crypto))
    throw new MediaError('On an address that is not encrypted no photo and no voice note can be kept.');
  const hash = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes));
  return Array.from(hash, (b) => b.toString(16).padStart(2, '0')).join('');
}
