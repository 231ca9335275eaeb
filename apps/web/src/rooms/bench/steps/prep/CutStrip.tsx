import { type Cuts } from '@kleur/core/balance';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import styles from './CutStrip.module.css';

/** A strip of paper is as long as a page is wide, less its margins, mm. */
const PIECE = 170;
const HIGH = 16;

/** A ruler of true length with every cut and the middle of every bar, in pieces as wide as a page. */
export function CutStrip(props: { readonly name: string; readonly length: number; readonly cuts: Cuts }) {
  const { name, length, cuts } = props;
  const print = usePrinter();
  const pieces = Array.from({ length: Math.ceil(length / PIECE) }, (_, i) => i * PIECE);
  return (
    <section
      className={styles.strip}
      aria-label={`Strip for cutting ${name}`}
      // Wider than a phone: it is scrolled by key, too.
      tabIndex={0}
    >
      <h3>Strip for cutting {name}</h3>
      <p className="soft small">
        Print at 100 % and lay it along the mould. Long lines are cuts, short ones the middles of the bars.
        Check it first: the thick line measures {print.length(50)}.
      </p>
      <div className={styles.check} />
      {pieces.map((from, i) => (
        <svg
          key={from}
          className={styles.piece}
          role="img"
          aria-label={`From ${print.length(from)}: cuts at ${cuts.cuts
            .filter((c) => c >= from && c < from + PIECE)
            .map((c) => print.length(c))
            .join(', ')}`}
          viewBox={`${from} 0 ${Math.min(PIECE, length - from)} ${HIGH}`}
          style={{ width: `${Math.min(PIECE, length - from)}mm`, height: `${HIGH}mm` }}
        >
          <rect
            x={from}
            y={0}
            width={Math.min(PIECE, length - from)}
            height={HIGH}
            className={styles.paper}
          />
          {cuts.cuts.map((c) => (
            <line key={`c${c}`} x1={c} x2={c} y1={0} y2={HIGH} className={styles.cut} />
          ))}
          {cuts.centres.map((c, n) => (
            <g key={`m${c}`}>
              <line x1={c} x2={c} y1={0} y2={4} className={styles.middle} />
              <text x={c} y={11} className={styles.text}>
                {n + 1}
              </text>
            </g>
          ))}
          {pieces.length > 1 && (
            <text x={from + 1.5} y={HIGH - 1} className={styles.letter}>
              {String.fromCharCode(65 + i)}
            </text>
          )}
        </svg>
      ))}
    </section>
  );
}
