import { render } from '@testing-library/react';
import { type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { teeth } from './Teeth.tsx';

const dark: LabD65 = [30, 5, -30];
const light: LabD65 = [60, 0, -25];
const pathsOf = (deltaE: number): SVGPathElement[] => {
  const { container } = render(teeth({ deltaE, range: [dark, light] }));
  return [...container.querySelectorAll('path')];
};
/** Where the teeth of a path end: the second point of its first tooth. */
const tipOf = (path: SVGPathElement): number => Number(/L0\.5 ([\d.]+)/.exec(path.getAttribute('d')!)![1]);

it('bites in with the lighter colour from above and the darker from below, as far as it is unsure', () => {
  const [above, below] = pathsOf(6);
  expect(above!.getAttribute('fill')).toBe(screenColourFromLabD65(light).hex);
  expect(below!.getAttribute('fill')).toBe(screenColourFromLabD65(dark).hex);
  expect(tipOf(above!)).toBeCloseTo(0.2, 9);
  expect(tipOf(below!)).toBeCloseTo(0.8, 9);
  expect(tipOf(pathsOf(12)[0]!)).toBeCloseTo(0.4, 9);
});

it('stays whole where it is sure, and never meets in the middle', () => {
  expect(pathsOf(0.8)).toEqual([]);
  const [above, below] = pathsOf(60);
  expect(tipOf(above!)).toBeLessThan(tipOf(below!));
});
