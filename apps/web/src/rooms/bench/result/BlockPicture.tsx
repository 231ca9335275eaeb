import { type CutPlan } from '@kleur/core/record';
import styles from './result.module.css';

/** The block seen from the side, with its stretches and their cuts. */
export function BlockPicture({ plan, length }: { readonly plan: CutPlan; readonly length: number }) {
  const height = length * 0.26;
  const starts = plan.pieces.map((_, i) =>
    plan.pieces.slice(0, i).reduce((sum, p) => sum + p.region.length, 0),
  );
  return (
    <svg
      className={styles.block}
      viewBox={`-1 -1 ${length + 2} ${height + 2}`}
      role="img"
      aria-label={`The block from the side: ${plan.pieces.map((p) => `${p.count} ${p.region.use}`).join(', ')}`}
    >
      <rect x={0} y={0} width={length} height={height} className={styles.blockSoap} />
      {plan.pieces.map(({ region, count }, i) => {
        const from = starts[i]!;
        const rows = region.direction === 'across' ? Math.max(1, Math.round(count / region.columns)) : 0;
        return (
          <g key={region.id}>
            {region.use !== 'bars' && (
              <rect x={from} y={0} width={region.length} height={height} className={styles.blockOther} />
            )}
            {Array.from({ length: Math.max(0, rows - 1) }, (_, n) => (
              <line
                key={n}
                x1={from + (n + 1) * (region.length / rows)}
                x2={from + (n + 1) * (region.length / rows)}
                y1={0}
                y2={height}
                className={styles.blockCut}
              />
            ))}
            {region.direction === 'flat' &&
              [1, 2].map((n) => (
                <line
                  key={n}
                  x1={from}
                  x2={from + region.length}
                  y1={(height * n) / 3}
                  y2={(height * n) / 3}
                  className={styles.blockCut}
                />
              ))}
            {region.direction === 'along' && (
              <line x1={from} x2={from + region.length} y1={0} y2={height} className={styles.blockCut} />
            )}
            <line
              x1={from + region.length}
              x2={from + region.length}
              y1={0}
              y2={height}
              className={styles.blockEdge}
            />
          </g>
        );
      })}
    </svg>
  );
}
