import { type CurveMode, defaultModes } from '../pigment/spread.ts';
import { type CurveFacts } from './curve.ts';

/** In what ways a curve may be off; none for what has no curve. */
export const curveModes = (curve: CurveFacts | null): readonly CurveMode[] =>
  curve ? (curve.modes ?? defaultModes(curve.spread)) : [];
