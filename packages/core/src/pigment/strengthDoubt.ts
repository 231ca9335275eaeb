import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { type Mixer } from './mixer.ts';

/**
 * ΔE00 by which a mixture may be off when the strengths of its colourants are: they err independently of one another,
 * so the squares of what each would do add up.
 * @param spreads standard deviation of each strength, as a fraction; 0 for one that is sure.
 */
export function strengthDoubt(mixer: Mixer, doses: readonly number[], spreads: readonly number[]): number {
  const labAt = (at: readonly number[]): LabD65 => {
    const [L, a, b] = mixer.lab(at);
    return [L!, a!, b!];
  };
  const here = labAt(doses);
  return Math.hypot(...spreads.map((s, i) => deltaE00(labAt(doses.with(i, doses[i]! * (1 + s))), here)));
}
