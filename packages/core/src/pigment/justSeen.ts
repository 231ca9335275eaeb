import { deltaE00 } from '../colour/deltaE00.ts';
import { type Canvas } from './canvas.ts';
import { createMixer } from './mixer.ts';
import { type Optics } from './optics.ts';
import { type Stage } from './stage.ts';

/** Below this ΔE00 from the uncoloured pot nothing is seen. */
export const SEEN_FROM = 2;

/** Doses are tried in this ratio until one shows. */
const STRIDE = 1.5;
const FROM = 0.001;
const BISECTIONS = 20;

/**
 * The dose, g/kg oils, at which a colourant alone is just seen on a canvas: ΔE00 2 from the bare one. Null when it
 * does not show up to `most`.
 */
export function justSeen(canvas: Canvas, optics: Optics, stage: Stage, most: number): number | null {
  const mixer = createMixer(canvas, [optics], stage);
  const labAt = (dose: number): [number, number, number] => {
    const [L, a, b] = mixer.lab([dose]);
    return [L!, a!, b!];
  };
  const bare = labAt(0);
  const shows = (dose: number): boolean => deltaE00(labAt(dose), bare) >= SEEN_FROM;
  let low = 0;
  let high = FROM;
  while (!shows(high)) {
    if (high >= most) return null;
    low = high;
    high = Math.min(most, high * STRIDE);
  }
  for (let i = 0; i < BISECTIONS; i++) {
    const mid = (low + high) / 2;
    if (shows(mid)) high = mid;
    else low = mid;
  }
  return high;
}
