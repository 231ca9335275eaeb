import {
  type LabD50,
  type LabD65,
  labD50FromXyz,
  labD65FromXyz,
  type Xyz,
  xyzFromLabD50,
  xyzFromLabD65,
} from './lab.ts';
import { viewingD50, viewingD65 } from './observer.ts';

// Bradford cone responses: Lam (1985), as used by ICC profiles.
const B = [
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
] as const;
const INVERSE = [
  [0.9869929, -0.1470543, 0.1599627],
  [0.4323053, 0.5183603, 0.0492912],
  [-0.0085287, 0.0400428, 0.9684867],
] as const;

const times = (
  m: readonly (readonly [number, number, number])[],
  [x, y, z]: Xyz,
): [number, number, number] => {
  const row = (r: readonly [number, number, number]): number => r[0] * x + r[1] * y + r[2] * z;
  return [row(m[0]!), row(m[1]!), row(m[2]!)];
};

function adapt(xyz: Xyz, from: Xyz, to: Xyz): Xyz {
  const source = times(B, from);
  const goal = times(B, to);
  const cone = times(B, xyz);
  return times(INVERSE, [
    cone[0] * (goal[0] / source[0]),
    cone[1] * (goal[1] / source[1]),
    cone[2] * (goal[2] / source[2]),
  ]);
}

/** CIELAB D50 → CIELAB D65 through Bradford adaptation. For colours known only as Lab; spectra need no such thing. */
export const adaptD50ToD65 = (lab: LabD50): LabD65 =>
  labD65FromXyz(adapt(xyzFromLabD50(lab), viewingD50.white, viewingD65.white));

/** CIELAB D65 → CIELAB D50 through Bradford adaptation. */
export const adaptD65ToD50 = (lab: LabD65): LabD50 =>
  labD50FromXyz(adapt(xyzFromLabD65(lab), viewingD65.white, viewingD50.white));
