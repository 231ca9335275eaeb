import { type LabD65 } from '../colour/lab.ts';
import { soften } from './soften.ts';

const chroma = ([, a, b]: LabD65): number => Math.hypot(a, b);
const red: LabD65 = [45, 60, 40];

it('leaves a white nearly as it is, and a neutral quite', () => {
  const white: LabD65 = [93, 0, 6];
  expect(soften(white, 'brown')[0]).toBeGreaterThan(91);
  expect(soften([60, 0, 0], 'black')).toEqual([60, 0, 0]);
});

it('a trace makes a tint, a shade or a tone', () => {
  expect(soften(red, 'white')[0]).toBeGreaterThan(red[0] + 5);
  expect(soften(red, 'black')[0]).toBeLessThan(red[0] - 3);
  expect(Math.abs(soften(red, 'complement')[0] - red[0])).toBeLessThan(4);
  for (const softener of ['white', 'brown', 'black', 'complement'] as const) {
    const calmer = soften(red, softener);
    expect(chroma(calmer)).toBeLessThan(chroma(red) * 0.95);
    expect(chroma(soften(calmer, softener))).toBeLessThan(chroma(calmer));
  }
});
