import { type ShelfFace } from '@kleur/core/material';
import { usePrinter } from '../../shared/hooks/useSettings.ts';

/** The cured face of an item: gelled above, ungelled below, doses from faint to ceiling. */
export function FaceStrip({
  face,
  name,
  big = false,
}: {
  readonly face: ShelfFace | null;
  readonly name: string;
  readonly big?: boolean;
}) {
  const print = usePrinter();
  if (!face) return <div className="face face-none" aria-hidden />;
  const what = {
    doses: 'from faint to ceiling',
    oil: 'a bar of this oil alone',
    scent: 'browning at its limit',
  }[face.shows];
  return (
    <div
      className={big ? 'face face-big' : 'face'}
      role="img"
      aria-label={`${name}: ${what}, gelled above ungelled`}
    >
      {[face.gelled, face.ungelled].map((row, r) => (
        <div key={r} className="face-row">
          {row.map((c, i) => (
            <i
              key={i}
              style={{ background: c.hex }}
              title={face.doses[i] === undefined ? what : `${print.significant(face.doses[i], 2)} g/kg`}
            />
          ))}
        </div>
      ))}
      {big && face.doses.length > 0 && (
        <div className="face-doses figure" aria-hidden>
          {face.doses.map((d, i) => (
            <span key={i}>{print.significant(d, 2)}</span>
          ))}
        </div>
      )}
    </div>
  );
}
