import { scaleLog, scaleSymlog } from 'd3-scale';
import { kneeAxis, logAxis } from './logAxes.ts';

const PLACES = [0, 0.1, 0.37, 0.5, 0.99, 1];

it('the logarithmic axis is that of the chart library, clamped', () => {
  const axis = logAxis(0.5, 16);
  const chart = scaleLog().domain([0.5, 16]).range([0, 1]).clamp(true);
  for (const v of [0.1, 0.5, 1, 3, 16, 40]) expect(axis.at(v)).toBeCloseTo(chart(v), 12);
  for (const p of PLACES) expect(axis.valueAt(p)).toBeCloseTo(chart.invert(p), 9);
  expect([axis.valueAt(-1), axis.valueAt(2)]).toEqual([0.5, expect.closeTo(16, 9)]);
});

it('the axis with a knee is that of the chart library', () => {
  const axis = kneeAxis(1008, 6);
  const chart = scaleSymlog().domain([0, 1008]).range([0, 1]).constant(6);
  for (const v of [0, 1, 6, 48, 1008]) expect(axis.at(v)).toBeCloseTo(chart(v), 12);
  for (const p of PLACES) expect(axis.valueAt(p)).toBeCloseTo(chart.invert(p), 6);
});
