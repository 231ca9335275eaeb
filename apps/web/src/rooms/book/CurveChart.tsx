import { scaleLinear, scaleLog } from 'd3-scale';
import { line } from 'd3-shape';
import { wavelengths } from '@kleur/core/colour';
import { type Optics } from '@kleur/core/pigment';
import styles from './book.module.css';

const SIZE = { width: 560, height: 190, left: 8, bottom: 22, top: 8 };
const MARKS = [400, 450, 500, 550, 600, 650, 700];

/** Absorption over wavelength, before and after, on one logarithmic scale of strength. */
export function CurveChart({ before, after }: { readonly before: Optics; readonly after: Optics }) {
  const all = [...before.k, ...after.k].filter((v) => v > 0);
  const most = Math.max(...all);
  const least = Math.max(Math.min(...all), most / 1000);
  const x = scaleLinear([380, 730], [SIZE.left, SIZE.width - SIZE.left]);
  const y = scaleLog([least, most], [SIZE.height - SIZE.bottom, SIZE.top]).clamp(true);
  const path = line<number>()
    .x((_, b) => x(wavelengths[b]!))
    .y((k) => y(Math.max(k, least)));
  return (
    <figure className={styles.chart}>
      <svg
        viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
        role="img"
        aria-label="Absorption from violet to red, before and after"
      >
        {MARKS.map((nm) => (
          <g key={nm}>
            <line
              x1={x(nm)}
              x2={x(nm)}
              y1={SIZE.top}
              y2={SIZE.height - SIZE.bottom}
              className={styles.grid}
            />
            <text x={x(nm)} y={SIZE.height - 6} textAnchor="middle">
              {nm}
            </text>
          </g>
        ))}
        <path d={path(before.k) ?? ''} className={styles.before} />
        <path d={path(after.k) ?? ''} className={styles.after} />
      </svg>
      <figcaption className="soft small">
        Light taken up, by wavelength in nm: thin and broken as the shelf has it, thick as your bars say.
      </figcaption>
    </figure>
  );
}
