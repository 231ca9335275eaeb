import { type ReaderProblem } from '@kleur/core/device';

export const READER_NAME = 'Simulated reader';

export const NOT_LEARNT = 'Simulated readings are marked, and Kleur does not learn from them.';

export const READER_TEXT: Readonly<Record<ReaderProblem, string>> = {
  'not-calibrated': 'Lay the reader on its white tile first, and calibrate it.',
  'not-on-tile': 'The reader does not see its white tile. Lay it flat on the tile, and wipe both.',
  'battery-low': 'The battery of the reader is too low to measure by. Charge it.',
  'not-on-surface': 'The reader lies on nothing it can measure. Lay it flat on the bar.',
  moved:
    'Three measurements in a row disagree. The bar is rough there, or the reader moved: try a flat place.',
  unplugged: 'The reader does not answer: it was unplugged. Plug it in and measure this bar again.',
};

/** Where a simulated reader can be laid. */
export type SurfaceChoice = 'tile' | 'asked' | 'next' | 'rough' | 'nothing';

export const SURFACES: readonly { readonly value: SurfaceChoice; readonly label: string }[] = [
  { value: 'tile', label: 'its white tile' },
  { value: 'asked', label: 'the bar that is asked for' },
  { value: 'next', label: 'the bar after it, by mistake' },
  { value: 'rough', label: 'a rough edge' },
  { value: 'nothing', label: 'nothing' },
];
