import { type LabD65 } from '../colour/lab.ts';
import { labFromOklch, oklchFromLab } from './harmony.ts';

/** What raw colours are calmed with. */
export const SOFTENERS = ['white', 'brown', 'black', 'complement'] as const;
export type Softener = (typeof SOFTENERS)[number];

/** Part of the softener in one go: a trace. Less for what has little chroma to lose (C*), so that whites stay white. */
const TRACE = 0.14;
const FULL_AT = 30;

const WITH: Readonly<Record<Exclude<Softener, 'complement'>, LabD65>> = {
  white: [95, 0, 3],
  brown: [38, 14, 22],
  black: [18, 0, 0],
};

/** A colour with a trace of something: a tint, a shade, or a tone by brown or its own complement. */
export function soften(lab: LabD65, softener: Softener): LabD65 {
  const [lightness, chroma, hue] = oklchFromLab(lab);
  const end = softener === 'complement' ? labFromOklch([lightness, chroma, hue + 180]) : WITH[softener];
  const trace = TRACE * Math.min(1, Math.hypot(lab[1], lab[2]) / FULL_AT);
  const part = (i: 0 | 1 | 2): number => lab[i] + (end[i] - lab[i]) * trace;
  return [part(0), part(1), part(2)];
}
