import { type CardPatch, type Patch, patchOf, readByCard } from '@kleur/core/evidence';
import { imageSize, isWholePicture, mediaTypeOf, MOST_PIXELS } from '@kleur/core/formats';
import { type LabD65 } from '@kleur/core/colour';
import { expose, transfer } from 'comlink';
import { type PhotoWorker, type Spot } from './photo.protocol.ts';

/** Longest side of the picture that is shown, and of the one that is kept, px. */
const SHOWN = 1000;
const KEPT = 1600;
const QUALITY = 0.85;
/** Bytes of the start and of the end of a file that tell what it is, and whether it is whole. */
const HEAD = 1_000_000;
const LEAST_SIDE = 8;

let picture: ImageBitmap | null = null;

function smaller(full: ImageBitmap, longest: number): OffscreenCanvas {
  const scale = Math.min(1, longest / Math.max(full.width, full.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(full.width * scale)),
    Math.max(1, Math.round(full.height * scale)),
  );
  const context = canvas.getContext('2d')!;
  context.imageSmoothingQuality = 'high';
  context.drawImage(full, 0, 0, canvas.width, canvas.height);
  return canvas;
}

/** What speaks against a file before it is decoded; null for nothing. */
async function refusalOf(file: Blob): Promise<string | null> {
  if (file.size === 0) return 'The file is empty.';
  const head = new Uint8Array(await file.slice(0, HEAD).arrayBuffer());
  const size = imageSize(head);
  if (!size || !mediaTypeOf(head)?.startsWith('image/'))
    return 'This is no picture that can be read: JPEG, PNG or WebP can.';
  const pixels = size.width * size.height;
  if (pixels >= MOST_PIXELS)
    return `The picture has ${Math.round(pixels / 1e6)} megapixels; fewer than ${MOST_PIXELS / 1e6} can be read. Make it smaller first.`;
  if (Math.min(size.width, size.height) < LEAST_SIDE)
    return 'The picture is too small to read anything in it.';
  const whole = new Uint8Array(await file.arrayBuffer());
  return isWholePicture(whole) ? null : 'The picture breaks off before its end: part of it is missing.';
}

const worker: PhotoWorker = {
  open: async (file) => {
    picture?.close();
    picture = null;
    const failure = await refusalOf(file);
    if (failure !== null) return { failure };
    try {
      // Colours as a screen of sRGB would show them, whatever profile the picture has.
      picture = await createImageBitmap(file, {
        imageOrientation: 'from-image',
        colorSpaceConversion: 'default',
      });
    } catch {
      return { failure: 'The picture is damaged and cannot be decoded.' };
    }
    const { width, height } = picture;
    const bitmap = smaller(picture, SHOWN).transferToImageBitmap();
    const blob = await smaller(picture, KEPT).convertToBlob({ type: 'image/jpeg', quality: QUALITY });
    return transfer({ shown: bitmap, width, height, kept: blob }, [bitmap]);
  },
  read: (spots) => {
    if (!picture) return { failure: 'No picture is open.' };
    const full = picture;
    const side = Math.max(LEAST_SIDE, Math.round(spots.size * Math.min(full.width, full.height)));
    const at = (spot: Spot): Patch => squareAt(full, spot, side);
    const known = (spot: Spot | null, lab: LabD65 | null): CardPatch | null =>
      spot && lab ? { patch: at(spot), lab } : null;
    return readByCard(
      {
        white: { patch: at(spots.white), lab: spots.card.white },
        whiteAgain: spots.whiteAgain ? at(spots.whiteAgain) : null,
        grey: known(spots.grey, spots.card.grey),
        black: known(spots.black, spots.card.black),
        light: spots.light,
      },
      spots.bars.map(at),
    );
  },
};

/** A square of the full picture, moved inwards where it would stick out. */
function squareAt(full: ImageBitmap, { x, y }: Spot, side: number): Patch {
  const width = Math.min(side, full.width);
  const height = Math.min(side, full.height);
  const left = Math.min(full.width - width, Math.max(0, Math.round(x * full.width - width / 2)));
  const top = Math.min(full.height - height, Math.max(0, Math.round(y * full.height - height / 2)));
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
  context.drawImage(full, left, top, width, height, 0, 0, width, height);
  return patchOf(context.getImageData(0, 0, width, height).data, width, height);
}

expose(worker);
