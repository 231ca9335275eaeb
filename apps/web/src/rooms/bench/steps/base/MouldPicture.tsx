import { barsOfMould } from '@kleur/core/balance';
import { type Mould } from '@kleur/core/plan';
import { useColours } from '../../BenchContext.ts';
import { usePlan } from '../../state/useDerived.ts';

const WIDTH = 150;
const HEIGHT = 92;

/** A mould from above, to scale: its sections in the colours of their pots, and where it is cut. */
export function MouldPicture({ mould }: { readonly mould: Mould }) {
  const plan = usePlan();
  const { pots } = useColours();
  const cut = plan.moulding.bars;
  const bars = barsOfMould(mould, cut);
  if (mould.shape === 'cavities') {
    const count = Math.min(mould.cavities, 24);
    const across = Math.max(1, Math.ceil(Math.sqrt(count * 1.6)));
    const size = WIDTH / across;
    return (
      <svg className="mould-picture" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden>
        {Array.from({ length: count }, (_, i) => (
          <rect
            key={i}
            x={(i % across) * size + 2}
            y={Math.floor(i / across) * size * 0.7 + 2}
            width={size - 4}
            height={size * 0.7 - 4}
            rx={5}
            className="mould-room"
          />
        ))}
      </svg>
    );
  }
  const length = mould.length || 1;
  const width = (mould.shape === 'cylinder' ? mould.diameter : mould.width) || 1;
  const scale = Math.min(WIDTH / length, HEIGHT / width);
  const [w, h] = [length * scale, width * scale];
  const open = mould.sections.reduce((a, b) => a + b, 0);
  const fillOf = (section: number): string | undefined => {
    const pot = plan.pots.find((p) =>
      p.draws.some((d) => d.by === 'section' && Math.round(d.value) === section),
    );
    return pot && pots.get(pot.id)?.now.hex;
  };
  const starts = mould.sections.map((_, i) =>
    mould.sections.slice(0, i).reduce((x, s) => x + s + mould.dividerThickness, 0),
  );
  const rows = bars.count / (mould.shape === 'slab' ? cut.columns : 1);
  return (
    <svg className="mould-picture" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden>
      <rect x={0} y={0} width={w} height={h} rx={mould.shape === 'cylinder' ? 4 : 2} className="mould-room" />
      {open > 0
        ? mould.sections.map((s, i) => (
            <rect
              key={i}
              x={starts[i]! * scale}
              y={0}
              width={Math.max(0, s * scale)}
              height={h}
              style={{ fill: fillOf(i + 1) }}
              className="mould-section"
            />
          ))
        : null}
      {Array.from({ length: Math.max(0, Math.min(rows, 60) + 1) }, (_, i) => {
        const x = (cut.end + i * (bars.thickness + cut.kerf) - (i > 0 ? cut.kerf : 0)) * scale;
        return <line key={i} x1={x} x2={x} y1={0} y2={h} className="mould-cut" />;
      })}
      {mould.shape === 'slab' &&
        Array.from({ length: Math.max(0, cut.columns - 1) }, (_, i) => {
          const y = ((i + 1) * h) / cut.columns;
          return <line key={i} x1={0} x2={w} y1={y} y2={y} className="mould-cut" />;
        })}
    </svg>
  );
}
