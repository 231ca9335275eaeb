import { screenColourFromLabD65 } from '@kleur/core/colour';
import { type CurveMode, type Optics } from '@kleur/core/pigment';
import { logAxis } from '../../shared/axis/logAxes.ts';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import styles from './book.module.css';
import { type Bar } from './bookOf.ts';
import { ladderOf } from './ladder.ts';
import { NOTCHES } from './notches.ts';

/** Without a faint dose the strip begins this far below the typical one. */
const FAINT = 0.1;
const ROWS = [
  [1, 'gelled'],
  [0, 'not gelled'],
] as const;

/**
 * A colourant from faint to most: behind, what its curve foretells of it alone in a near-white base, frayed by how far it
 * may be off; on it the bars that were read, each at its dose, with a notch for how.
 */
export function LadderStrip(props: {
  readonly name: string;
  readonly optics: Optics;
  readonly modes: readonly CurveMode[];
  readonly window: { readonly faint: number | null; readonly typical: number; readonly ceiling: number };
  readonly bars: readonly Bar[];
}) {
  const { name, optics, modes, window, bars } = props;
  const print = usePrinter();
  const [from, to] = [window.faint ?? window.typical * FAINT, window.ceiling];
  const axis = logAxis(from, to);
  const rows = ROWS.map(([gel]) =>
    ladderOf(
      { optics, modes },
      gel,
      [from, to],
      bars.filter((b) => Math.round(b.gel) === gel),
    ),
  );
  return (
    <div className={styles.ladder}>
      {ROWS.map(([gel, label], r) => {
        const own = bars.filter((b) => Math.round(b.gel) === gel);
        const { colours, lighter, darker, above, below } = rows[r]!;
        return (
          <div key={gel} className={styles.ladderRow}>
            <span className="soft small">{label}</span>
            <div
              className={styles.strip}
              style={{ background: colours }}
              role="img"
              aria-label={`${name}, ${label}, ${print.significant(from, 2)} to ${print.significant(to, 2)} g/kg: ${own.length === 0 ? 'no bar read' : own.length === 1 ? 'one bar read' : `${own.length} bars read`}`}
            >
              <div className={styles.fray} style={{ background: lighter, clipPath: above }} />
              <div className={styles.fray} style={{ background: darker, clipPath: below }} />
              {own.map((b) => (
                <i
                  key={b.id}
                  className={[styles.bar, NOTCHES[b.how].side, ...(b.isAlone ? [] : [styles.mixed])].join(
                    ' ',
                  )}
                  style={{
                    left: `${(axis.at(b.dose) * 100).toFixed(2)}%`,
                    background: screenColourFromLabD65(b.lab).hex,
                  }}
                  title={`${print.significant(b.dose, 2)} g/kg, ${[b.batchName, b.potName].filter((t) => t !== '').join(', ')}, ${NOTCHES[b.how].text}${b.isAlone ? '' : ', with others'}`}
                />
              ))}
            </div>
          </div>
        );
      })}
    </div>
  );
}
