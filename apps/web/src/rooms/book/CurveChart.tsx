import { scaleLinear, scaleLog } from 'd3-scale';
import { area, line } from 'd3-shape';
import { wavelengths } from '@kleur/core/colour';
import { type CurveMode, type Optics } from '@kleur/core/pigment';
import styles from './book.module.css';

const SIZE = { width: 560, height: 190, left: 8, bottom: 22, top: 8 };
const MARKS = [400, 450, 500, 550, 600, 650, 700];

/** Nine of ten of a normal variable lie within so many standard deviations. */
const NINETY = 1.645;

/** A curve with the ways in which it may be off. */
export interface DoubtedCurve {
  readonly optics: Optics;
  readonly modes: readonly CurveMode[];
}

/** By what factor the absorption of a band may be off, nine times out of ten. */
const bandOf = ({ modes }: DoubtedCurve, b: number): number =>
  Math.exp(NINETY * Math.sqrt(modes.reduce((sum, m) => sum + m.k[b]! ** 2, 0)));

/** Absorption over wavelength, before and after, each with its band, on one logarithmic scale of strength. */
export function CurveChart(props: { readonly before: DoubtedCurve; readonly after: DoubtedCurve }) {
  const { before, after } = props;
  const all = [...before.optics.k, ...after.optics.k].filter((v) => v > 0);
  const most = Math.max(...all);
  const least = Math.max(Math.min(...all), most / 1000);
  const x = scaleLinear([380, 730], [SIZE.left, SIZE.width - SIZE.left]);
  const y = scaleLog([least, most], [SIZE.height - SIZE.bottom, SIZE.top]).clamp(true);
  const path = line<number>()
    .x((_, b) => x(wavelengths[b]!))
    .y((k) => y(Math.max(k, least)));
  const band = (of: DoubtedCurve): string =>
    area<number>()
      .x((_, b) => x(wavelengths[b]!))
      .y0((k, b) => y(Math.max(k / bandOf(of, b), least)))
      .y1((k, b) => y(Math.max(k * bandOf(of, b), least)))(of.optics.k) ?? '';
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
        <path d={band(before)} className={styles.bandBefore} />
        <path d={band(after)} className={styles.bandAfter} />
        <path d={path(before.optics.k) ?? ''} className={styles.before} />
        <path d={path(after.optics.k) ?? ''} className={styles.after} />
      </svg>
      <figcaption className="soft small">
        Light taken up, by wavelength in nm: thin and broken as the shelf has it, thick as your bars say; each
        in the band in which nine of ten lie.
      </figcaption>
    </figure>
  );
}
