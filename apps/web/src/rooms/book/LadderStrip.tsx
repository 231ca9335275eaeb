import { useMemo } from 'react';
import { screenColourFromLabD65 } from '@kleur/core/colour';
import { cured, predictLab, referenceCanvas, type Optics } from '@kleur/core/pigment';
import { logAxis } from '../../shared/axis/logAxes.ts';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import styles from './book.module.css';
import { type Bar } from './bookOf.ts';

/** Colours that the strip behind the bars is painted with. */
const STEPS = 24;
/** Without a faint dose the strip begins this far below the typical one. */
const FAINT = 0.1;
const ROWS = [
  [1, 'gelled'],
  [0, 'not gelled'],
] as const;

/**
 * A colourant from faint to most: behind, what its curve foretells of it alone in a near-white base, light above dark by
 * as much as its strength may be off; on it the bars that were read, each at its dose.
 */
export function LadderStrip(props: {
  readonly name: string;
  readonly optics: Optics;
  readonly spread: number;
  readonly window: { readonly faint: number | null; readonly typical: number; readonly ceiling: number };
  readonly bars: readonly Bar[];
}) {
  const { name, optics, spread, window, bars } = props;
  const print = usePrinter();
  const [from, to] = [window.faint ?? window.typical * FAINT, window.ceiling];
  const axis = logAxis(from, to);
  const rows = useMemo(() => {
    const hex = (gel: number, dose: number): string =>
      screenColourFromLabD65(predictLab(referenceCanvas, [{ optics, dose }], cured(gel))).hex;
    const doses = Array.from({ length: STEPS }, (_, i) => from * (to / from) ** (i / (STEPS - 1)));
    const off = [1 / (1 + spread), 1, 1 + spread];
    return ROWS.map(([gel]) => off.map((f) => doses.map((dose) => hex(gel, dose * f))));
  }, [optics, spread, from, to]);
  return (
    <div className={styles.ladder}>
      {ROWS.map(([gel, label], r) => {
        const own = bars.filter((b) => Math.round(b.gel) === gel);
        return (
          <div key={gel} className={styles.ladderRow}>
            <span className="soft small">{label}</span>
            <div
              className={styles.strip}
              role="img"
              aria-label={`${name}, ${label}, ${print.significant(from, 2)} to ${print.significant(to, 2)} g/kg: ${own.length === 0 ? 'no bar read' : own.length === 1 ? 'one bar read' : `${own.length} bars read`}`}
            >
              {rows[r]!.map((colours, t) => (
                <div
                  key={t}
                  className={styles.ground}
                  style={{ background: `linear-gradient(to right, ${colours.join()})` }}
                />
              ))}
              {own.map((b) => (
                <i
                  key={b.id}
                  className={b.isAlone ? styles.bar : `${styles.bar} ${styles.mixed}`}
                  style={{
                    left: `${(axis.at(b.dose) * 100).toFixed(2)}%`,
                    background: screenColourFromLabD65(b.lab).hex,
                  }}
                  title={`${print.significant(b.dose, 2)} g/kg, ${b.batchName}, ${b.potName}${b.isAlone ? '' : ', with others'}`}
                />
              ))}
            </div>
          </div>
        );
      })}
    </div>
  );
}
