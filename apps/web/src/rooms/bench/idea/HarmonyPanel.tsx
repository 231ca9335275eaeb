import { Button, Segmented, Select } from 'antd';
import { arc } from 'd3-shape';
import { type PointerEvent, useMemo, useRef, useState } from 'react';
import { screenColourFromLabD65 } from '@kleur/core/colour';
import {
  harmony,
  HARMONY_COUNT,
  type HarmonySettings,
  hueOfAngle,
  angleOfHue,
  labFromOklch,
  oklchFromLab,
  SCHEMES,
  type Scheme,
  type Wheel,
} from '@kleur/core/palette';
import { useAppDispatch } from '../../../data/store.ts';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { edits } from '../state/edits.ts';
import { newId } from '../../../data/newId.ts';
import { usePlanGel } from '../state/useDerived.ts';
import { useMatches, useProblem } from '../useMatching.ts';

const schemeName: Readonly<Record<Scheme, string>> = {
  complement: 'Complement',
  split: 'Split complement',
  triad: 'Triad',
  neighbours: 'Neighbours',
  'one-hue': 'One hue: tints, tones, shades',
  browns: 'Browns',
};
const SIZE = 200;
const RADIUS = SIZE / 2;
const SEGMENTS = 60;
const ring = arc<{ a: number; b: number }>()
  .innerRadius(RADIUS - 26)
  .outerRadius(RADIUS - 2)
  .startAngle((d) => (d.a * Math.PI) / 180)
  .endAngle((d) => (d.b * Math.PI) / 180);

const STRETCH = { min: 0.4, max: 1.6 };
/** How near to a handle, in degrees, a touch takes hold of it. */
const GRAB = 14;

/** A difference of angles as −180 to 180. */
const signed = (degrees: number): number => ((((degrees + 180) % 360) + 360) % 360) - 180;

/** Angle on the wheel, clockwise from the top, to a place on it. */
const place = (angle: number, radius: number): readonly [number, number] => [
  Math.sin((angle * Math.PI) / 180) * radius,
  -Math.cos((angle * Math.PI) / 180) * radius,
];

/** A palette from a harmony, every proposal shown as this shelf can reach it. */
export function HarmonyPanel() {
  const [s, setS] = useState<HarmonySettings>({
    wheel: 'perceptual',
    scheme: 'complement',
    angle: 250,
    stretch: 1,
    lightness: 0.58,
    chroma: 0.1,
    count: 4,
  });
  const gel = usePlanGel();
  const dispatch = useAppDispatch();
  const print = usePrinter();
  const problem = useProblem(null, gel);
  const wanted = useMemo(() => harmony(s), [s]);
  const { results, of } = useMatches(problem, wanted);
  // Nothing allowed on the shelf is the same answer for every colour.
  const nothing = results[0]?.recipes.length === 0 ? results[0].reasons[0] : undefined;
  const set = (change: Partial<HarmonySettings>): void => {
    setS((old) => ({ ...old, ...change }));
  };
  const slider = (
    label: string,
    key: 'angle' | 'stretch' | 'lightness' | 'chroma',
    min: number,
    max: number,
    step: number,
  ) => (
    <label className="slider">
      <span>{label}</span>
      <input
        type="range"
        min={min}
        max={max}
        step={step}
        value={s[key]}
        onChange={(e) => {
          set({ [key]: Number(e.target.value) });
        }}
      />
    </label>
  );
  return (
    <div className="harmony">
      <WheelRing settings={s} labs={wanted} onChange={set} />
      <div className="harmony-controls">
        <div className="row">
          <Segmented<Wheel>
            aria-label="Wheel"
            value={s.wheel}
            onChange={(wheel) => {
              set({ wheel, angle: angleOfHue(hueOfAngle(s.angle, s.wheel), wheel) });
            }}
            options={[
              { value: 'perceptual', label: 'Looks apart', title: 'Perceptual wheel: for what looks apart' },
              { value: 'painters', label: 'Mixes to', title: 'Painters’ wheel: for what mixes to what' },
            ]}
          />
          <Select<Scheme>
            aria-label="Harmony"
            value={s.scheme}
            onChange={(scheme) => {
              set({ scheme });
            }}
            options={SCHEMES.map((v) => ({ value: v, label: schemeName[v] }))}
            style={{ width: 210 }}
          />
          <Select
            aria-label="How many colours"
            value={s.count}
            onChange={(count) => {
              set({ count });
            }}
            options={Array.from({ length: HARMONY_COUNT.max - HARMONY_COUNT.min + 1 }, (_, i) => ({
              value: HARMONY_COUNT.min + i,
              label: `${HARMONY_COUNT.min + i} colours`,
            }))}
            style={{ width: 110 }}
          />
        </div>
        {slider('Rotate', 'angle', 0, 360, 1)}
        {slider('Stretch', 'stretch', STRETCH.min, STRETCH.max, 0.02)}
        {slider('Lightness', 'lightness', 0.25, 0.9, 0.01)}
        {slider('Strength', 'chroma', 0.01, 0.2, 0.005)}
        <div className="proposals" aria-label="Proposals">
          {wanted.map((lab, i) => {
            const recipe = of.length === wanted.length ? results[i]?.recipes[0] : undefined;
            return (
              <figure key={i}>
                <i style={{ background: screenColourFromLabD65(lab).hex }} />
                <i style={{ background: recipe ? screenColourFromLabD65(recipe.lab).hex : undefined }} />
                <figcaption className="figure small">
                  {recipe ? `ΔE ${print.fixed(recipe.deltaE, 1)}` : '…'}
                </figcaption>
              </figure>
            );
          })}
        </div>
        {nothing && (
          <p className="field-problem" role="status">
            {nothing}
          </p>
        )}
        <Button
          onClick={() => {
            // What can be made, not what was dreamt of: the palette starts within reach.
            const colours = wanted.map((lab, i) => ({
              id: newId(),
              name: `Colour ${i + 1}`,
              lab: of.length === wanted.length ? (results[i]?.recipes[0]?.lab ?? lab) : lab,
            }));
            dispatch(edits.paletteSet(colours));
          }}
        >
          Use these colours
        </Button>
      </div>
    </div>
  );
}

/** The ring, with the leading colour's handle to turn and the others where they fall. */
function WheelRing(props: {
  readonly settings: HarmonySettings;
  readonly labs: readonly (readonly [number, number, number])[];
  readonly onChange: (change: Partial<HarmonySettings>) => void;
}) {
  const { settings: s, labs, onChange } = props;
  const svg = useRef<SVGSVGElement>(null);
  /** The handle that is held: 0 turns the wheel, any other stretches the scheme. */
  const held = useRef(0);
  const angles = labs.map((lab) => angleOfHue(oklchFromLab(lab)[2], s.wheel));
  const angleAt = (event: PointerEvent): number => {
    const box = svg.current!.getBoundingClientRect();
    const x = event.clientX - box.left - box.width / 2;
    const y = box.top + box.height / 2 - event.clientY;
    return ((Math.atan2(x, y) * 180) / Math.PI + 360) % 360;
  };
  const drag = (event: PointerEvent): void => {
    const angle = angleAt(event);
    if (held.current === 0) {
      onChange({ angle: Math.round(angle) });
      return;
    }
    const offset = signed(angles[held.current]! - angles[0]!);
    if (Math.abs(offset) < 5) return;
    const stretch = s.stretch * (Math.abs(signed(angle - angles[0]!)) / Math.abs(offset));
    onChange({ stretch: Math.min(STRETCH.max, Math.max(STRETCH.min, stretch)) });
  };
  const grab = (event: PointerEvent<SVGSVGElement>): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    const angle = angleAt(event);
    const near = angles.findIndex((a, i) => i > 0 && Math.abs(signed(a - angle)) < GRAB);
    held.current = Math.abs(signed(angles[0]! - angle)) < GRAB ? 0 : Math.max(0, near);
    drag(event);
  };
  const segments = Array.from({ length: SEGMENTS }, (_, i) => {
    const a = (i * 360) / SEGMENTS;
    const hue = hueOfAngle(a + 180 / SEGMENTS, s.wheel);
    const { hex } = screenColourFromLabD65(labFromOklch([s.lightness, s.chroma, hue]));
    return { a, b: a + 360 / SEGMENTS + 0.4, hex };
  });
  return (
    <svg
      ref={svg}
      className="wheel"
      width={SIZE}
      height={SIZE}
      viewBox={`${-RADIUS} ${-RADIUS} ${SIZE} ${SIZE}`}
      role="img"
      aria-label={`Wheel turned to ${Math.round(s.angle)} degrees`}
      onPointerDown={grab}
      onPointerMove={(e) => {
        if (e.buttons !== 0) drag(e);
      }}
    >
      {segments.map(({ a, b, hex }) => (
        <path key={a} d={ring({ a, b }) ?? ''} fill={hex} />
      ))}
      {labs.map((lab, i) => {
        const [x, y] = place(angles[i]!, RADIUS - 44);
        const [x2, y2] = place(angles[i]!, RADIUS - 14);
        return (
          <g key={i}>
            <line x1={0} y1={0} x2={x} y2={y} stroke="var(--soft)" strokeWidth={i === 0 ? 2 : 1} />
            <circle
              cx={x2}
              cy={y2}
              r={i === 0 ? 9 : 6}
              fill={screenColourFromLabD65(lab).hex}
              stroke="var(--ink)"
              strokeWidth={i === 0 ? 3 : 2}
            />
          </g>
        );
      })}
    </svg>
  );
}
