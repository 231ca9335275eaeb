import { type LabD65 } from '@kleur/core/colour';
import { type Light, type PictureByCard } from '@kleur/core/evidence';

/** A place in a picture, as parts of its width and height. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

export interface OpenedPicture {
  /** Small enough to be shown. */
  readonly shown: ImageBitmap;
  readonly width: number;
  readonly height: number;
  /** The picture as it is kept: its pixels alone, not larger than needed. */
  readonly kept: Blob;
}

/** Where the card and the bars are. */
export interface CardSpots {
  readonly white: Spot;
  readonly whiteAgain: Spot | null;
  readonly grey: Spot | null;
  readonly black: Spot | null;
  readonly bars: readonly Spot[];
  readonly light: Light | null;
  /** Side of the squares, as a part of the picture’s shorter side. */
  readonly size: number;
  readonly card: {
    readonly white: LabD65;
    readonly grey: LabD65 | null;
    readonly black: LabD65 | null;
  };
}

/** Reads bars in a photo by the card beside them. It holds one picture at a time, in full. */
export interface PhotoWorker {
  open(file: Blob): Promise<OpenedPicture | { readonly failure: string }>;
  read(spots: CardSpots): PictureByCard | { readonly failure: string };
}
