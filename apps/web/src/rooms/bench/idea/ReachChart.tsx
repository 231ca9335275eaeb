import { scaleLinear } from 'd3-scale';
import { curveLinearClosed, lineRadial } from 'd3-shape';
import { useEffect, useMemo, useState } from 'react';
import { Segmented } from 'antd';
import { planCanvas } from '@kleur/core/balance';
import { type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { REACH_SLICES, type ReachSlice } from '@kleur/core/palette';
import { searchWorker } from '../../../workers/client.ts';
import { usePlan } from '../state/useDerived.ts';
import { useCandidates, useShelf } from '../useMatching.ts';
import { curedStage } from '../state/matching.ts';
import { type MatchedColour } from './usePaletteMatches.ts';

const SIZE = 380;
const EXTENT = 80;
const at = scaleLinear().domain([-EXTENT, EXTENT]).range([0, SIZE]);
const radius = (chroma: number): number => (chroma / (2 * EXTENT)) * SIZE;
/** d3 measures clockwise from the top; a*b* angles run anticlockwise from the right. */
const outline = lineRadial<LabD65>()
  .angle((lab) => Math.PI / 2 - Math.atan2(lab[2], lab[1]))
  .radius((lab) => radius(Math.hypot(lab[1], lab[2])))
  .curve(curveLinearClosed);

/** What this shelf reaches on this base at cure, sliced by lightness, gelled and not, with the palette on it. */
export function ReachChart({ colours }: { readonly colours: readonly MatchedColour[] }) {
  const plan = usePlan();
  const shelf = useShelf();
  const candidates = useCandidates();
  const [L, setL] = useState<number>(60);
  const [slices, setSlices] = useState<readonly ReachSlice[][] | null>(null);
  const canvas = useMemo(() => planCanvas(plan, plan.base.scent !== null), [plan]);
  const key = JSON.stringify(canvas);
  useEffect(() => {
    let current = true;
    void searchWorker()
      .reach(JSON.parse(key) as typeof canvas, candidates, [curedStage(0), curedStage(1)])
      .then((answer) => {
        if (current) setSlices(answer);
      });
    return () => {
      current = false;
    };
  }, [key, candidates]);

  const [open, gelled] = (slices ?? []).map((list) => list.find((s) => s.L === L));
  const near = colours.filter((c) => Math.abs(c.colour.lab[0] - L) <= 5);
  const count = new Map<string, number>();
  for (const p of open?.edge ?? []) for (const id of p.ids) count.set(id, (count.get(id) ?? 0) + 1);
  const carriers = [...count].sort((x, y) => y[1] - x[1]).slice(0, 6);
  const nameOf = (id: string): string => shelf.get(id)?.name ?? id;
  return (
    <section aria-label="Reach" className="reach">
      <div className="section-head">
        <h2>Within reach</h2>
        <Segmented
          size="small"
          aria-label="Lightness of the slice"
          value={L}
          onChange={setL}
          options={REACH_SLICES.map((v) => ({ value: v, label: `L* ${v}` }))}
        />
      </div>
      <div className="reach-body">
        <svg
          width={SIZE}
          height={SIZE}
          viewBox={`0 0 ${SIZE} ${SIZE}`}
          role="img"
          aria-label={`Colours within reach near L* ${L}, a* to the right, b* upwards`}
        >
          <rect width={SIZE} height={SIZE} fill={screenColourFromLabD65([L, 0, 0]).hex} />
          {[-60, -30, 0, 30, 60].map((v) => (
            <g key={v} className="reach-grid">
              <line x1={at(v)} x2={at(v)} y1={0} y2={SIZE} />
              <line y1={SIZE - at(v)} y2={SIZE - at(v)} x1={0} x2={SIZE} />
              {v !== 0 && (
                <text x={at(v) + 3} y={SIZE / 2 - 3}>
                  {v}
                </text>
              )}
              {v !== 0 && (
                <text x={SIZE / 2 + 3} y={SIZE - at(v) - 3}>
                  {v}
                </text>
              )}
            </g>
          ))}
          <g transform={`translate(${SIZE / 2} ${SIZE / 2})`}>
            {gelled && <path className="reach-gelled" d={outline(gelled.edge.map((p) => p.lab)) ?? ''} />}
            {open && <path className="reach-open" d={outline(open.edge.map((p) => p.lab)) ?? ''} />}
          </g>
          {open?.edge.map((p, i) => (
            <circle
              key={i}
              cx={at(p.lab[1])}
              cy={SIZE - at(p.lab[2])}
              r={5}
              fill={screenColourFromLabD65(p.lab).hex}
              stroke="var(--ink)"
              strokeWidth={0.75}
            >
              <title>{p.ids.map(nameOf).join(' + ') || 'bare base'}</title>
            </circle>
          ))}
          {near.map(({ colour, match }) => {
            const reached = match?.recipes[0]?.lab;
            return (
              <g key={colour.id} className="reach-target">
                {reached && (
                  <line
                    x1={at(colour.lab[1])}
                    y1={SIZE - at(colour.lab[2])}
                    x2={at(reached[1])}
                    y2={SIZE - at(reached[2])}
                  />
                )}
                <rect
                  x={at(colour.lab[1]) - 6}
                  y={SIZE - at(colour.lab[2]) - 6}
                  width={12}
                  height={12}
                  fill={screenColourFromLabD65(colour.lab).hex}
                >
                  <title>{colour.name}, wanted</title>
                </rect>
              </g>
            );
          })}
        </svg>
        <div className="small">
          <p>
            <span className="key key-open" /> no gel <span className="key key-gelled" /> full gel{' '}
            <span className="key key-target" /> wanted
          </p>
          {!slices && <p role="status">Working out the reach…</p>}
          {slices && !open?.edge.length && <p>Nothing allowed reaches this lightness.</p>}
          {carriers.length > 0 && (
            <>
              <p className="soft">What carries the edge here:</p>
              <ul>
                {carriers.map(([id]) => (
                  <li key={id} className="picker-option">
                    <i className="chip" style={{ background: shelf.get(id)?.colour ?? 'transparent' }} />
                    {nameOf(id)}
                  </li>
                ))}
              </ul>
            </>
          )}
          <p className="soft">a* to the right, b* upwards. Point at a dot for what makes it.</p>
        </div>
      </div>
    </section>
  );
}
