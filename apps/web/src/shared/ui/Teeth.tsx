import { type ReactNode } from 'react';
import { type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import styles from './Teeth.module.css';

/** Teeth along an edge of an ordinary swatch. */
const COUNT = 14;
/** A doubt of so many ΔE00 fills the swatch with teeth. */
const FULL = 30;
/** No tooth is drawn where it would be finer than this, as a part of the height. */
const FINEST = 0.03;
/** Either row of teeth reaches at most so far. */
const MOST = 0.46;

const row = (count: number, tip: number, edge: number): string =>
  Array.from({ length: count }, (_, i) => `M${i} ${edge} L${i + 0.5} ${tip} L${i + 1} ${edge} Z`).join(' ');

/**
 * How a colour may turn out, as fine teeth into its swatch: the lighter end of the range from above, the darker one from
 * below, as long as it is unsure. A sure one stays whole. Lies over a swatch, in something that is positioned. A plain
 * function, since it follows every move of a dose.
 * @param count teeth along an edge
 */
export function teeth(
  { deltaE, range }: { readonly deltaE: number; readonly range: readonly [LabD65, LabD65] },
  count = COUNT,
): ReactNode {
  const length = Math.min(MOST, deltaE / FULL);
  if (length < FINEST) return null;
  const [dark, light] = range.map((lab) => screenColourFromLabD65(lab).hex) as [string, string];
  return (
    <svg className={styles.teeth} viewBox={`0 0 ${count} 1`} preserveAspectRatio="none" aria-hidden>
      <path d={row(count, length, 0)} fill={light} />
      <path d={row(count, 1 - length, 1)} fill={dark} />
    </svg>
  );
}
