import { verdictOf } from '@kleur/core/day';
import { imageSize, MOST_PIXELS } from '@kleur/core/formats';
import { adjustColour, keepingOwn, matchColour } from '@kleur/core/match';
import { createPhotoCounter, type PhotoColour, reachSlices } from '@kleur/core/palette';
import { expose, transfer } from 'comlink';
import { type PhotoFailure, type PhotoResult, type SearchWorker } from './search.protocol.ts';

/** Side of the picture that is shown. */
const SHOWN = 640;
/** Enough of a file to find its size in. */
const HEADER_BYTES = 512 * 1024;

/** Side of the tiles in which a picture is read: every pixel counts, but never all at once. */
const TILE = 1024;

function coloursOf(picture: ImageBitmap, count: number): PhotoColour[] {
  const counter = createPhotoCounter();
  const context = new OffscreenCanvas(TILE, TILE).getContext('2d', { willReadFrequently: true })!;
  for (let y = 0; y < picture.height; y += TILE) {
    for (let x = 0; x < picture.width; x += TILE) {
      const width = Math.min(TILE, picture.width - x);
      const height = Math.min(TILE, picture.height - y);
      context.clearRect(0, 0, TILE, TILE);
      context.drawImage(picture, x, y, width, height, 0, 0, width, height);
      counter.add(context.getImageData(0, 0, width, height).data);
    }
  }
  return counter.colours(count);
}

async function photo(file: Blob, count: number): Promise<PhotoResult | PhotoFailure> {
  if (file.size === 0) return { failure: 'The file is empty.' };
  const size = imageSize(new Uint8Array(await file.slice(0, HEADER_BYTES).arrayBuffer()));
  if (!size) return { failure: 'This is no JPEG, PNG or WebP picture.' };
  const pixels = size.width * size.height;
  if (pixels === 0) return { failure: 'The picture has no size.' };
  if (pixels > MOST_PIXELS) {
    return {
      failure: `The picture has ${Math.round(pixels / 1e6)} megapixels; at most ${MOST_PIXELS / 1e6} can be read. Make it smaller first.`,
    };
  }
  try {
    const scale = Math.min(1, SHOWN / Math.max(size.width, size.height));
    const full = await createImageBitmap(file, { imageOrientation: 'from-image' });
    const colours = coloursOf(full, count);
    const width = Math.max(1, Math.round(full.width * scale));
    const height = Math.max(1, Math.round(full.height * scale));
    const canvas = new OffscreenCanvas(width, height);
    const context = canvas.getContext('2d')!;
    context.imageSmoothingQuality = 'high';
    context.drawImage(full, 0, 0, width, height);
    full.close();
    const bitmap = canvas.transferToImageBitmap();
    return transfer({ bitmap, width, height, colours }, [bitmap]);
  } catch (error) {
    return {
      failure:
        error instanceof RangeError ? error.message : 'The picture cannot be decoded; it may be damaged.',
    };
  }
}

const worker: SearchWorker = {
  matchAll: (problem, targets) => targets.map((target) => matchColour({ ...problem, target })),
  keepAll: (pots) => pots.map(({ problem, own, enough }) => keepingOwn(problem, own, enough)),
  adjust: adjustColour,
  reach: (canvas, candidates, stages) => stages.map((stage) => reachSlices(canvas, candidates, stage)),
  verdict: verdictOf,
  photo,
};

expose(worker);
