import { memo, useId, useMemo } from 'react';
import { curveLinearClosed, line } from 'd3-shape';
import { type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { type ReachSlice } from '@kleur/core/palette';
import { colourAt, FIELD, placeOf } from './fieldScale.ts';

/** Patches along a side of the painted ground. */
const PATCHES = 34;

const outline = line<LabD65>(
  (lab) => placeOf(lab[1], lab[2])[0],
  (lab) => placeOf(lab[1], lab[2])[1],
).curve(curveLinearClosed);

/** The colours that the shelf reaches at one lightness, painted as they are, with the outline of the gelled ones. */
export const FieldGround = memo(function FieldGround(props: {
  readonly L: number;
  readonly open: ReachSlice | undefined;
  readonly gelled: ReachSlice | undefined;
}) {
  const { L, open, gelled } = props;
  const clip = useId();
  const edge = useMemo(() => outline(open?.edge.map((p) => p.lab) ?? []) ?? '', [open]);
  const patches = useMemo(() => {
    const side = FIELD / PATCHES;
    return Array.from({ length: PATCHES * PATCHES }, (_, i) => {
      const x = (i % PATCHES) * side;
      const y = Math.floor(i / PATCHES) * side;
      const [a, b] = colourAt(x + side / 2, y + side / 2);
      return { x, y, side, hex: screenColourFromLabD65([L, a, b]).hex };
    });
  }, [L]);
  return (
    <>
      <clipPath id={clip}>
        <path d={edge} />
      </clipPath>
      {edge !== '' && (
        <g clipPath={`url(#${CSS.escape(clip)})`}>
          {patches.map((p, i) => (
            <rect key={i} x={p.x} y={p.y} width={p.side + 1} height={p.side + 1} fill={p.hex} />
          ))}
        </g>
      )}
      <path className="reach-open" d={edge} />
      {gelled && <path className="reach-gelled" d={outline(gelled.edge.map((p) => p.lab)) ?? ''} />}
    </>
  );
});
