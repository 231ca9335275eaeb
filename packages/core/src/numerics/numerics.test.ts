import { createDescent, type DescentRules, type LeastSquares } from './leastSquares.ts';
import { solveDefinite } from './linear.ts';

const rules: DescentRules = {
  lower: -10,
  upper: 10,
  steps: 200,
  enough: 0,
  promising: 0,
  perfect: 1e-24,
  growth: 4,
  growsFrom: 1e-4,
  mostDamping: 1e8,
  ridge: 1e-12,
  levenberg: 0,
};

/** A problem from its residuals, with central differences as derivatives. */
function problemOf(unknowns: number, rows: number, at: (x: number[]) => number[]): LeastSquares {
  const residuals = new Float64Array(rows);
  const jacobian = new Float64Array(rows * unknowns);
  return {
    residuals,
    jacobian,
    stride: unknowns,
    evaluate(x) {
      residuals.set(at(Array.from(x)));
      return residuals.reduce((sum, r) => sum + r * r, 0);
    },
    differentiate(x) {
      const here = Array.from(x);
      // Where the residuals are must be where the derivatives are asked for.
      expect(Array.from(residuals)).toEqual(at(here));
      here.forEach((v, j) => {
        const h = 1e-6;
        const up = at(here.with(j, v + h));
        const down = at(here.with(j, v - h));
        up.forEach((r, i) => (jacobian[i * unknowns + j] = (r - down[i]!) / (2 * h)));
      });
    },
  };
}

const rosenbrock = problemOf(2, 2, ([a, b]) => [10 * (b! - a! ** 2), 1 - a!]);

// Kowalik and Osborne (1968), as given by Moré, Garbow and Hillstrom (1981), problem 15.
const y = [0.1957, 0.1947, 0.1735, 0.16, 0.0844, 0.0627, 0.0456, 0.0342, 0.0323, 0.0235, 0.0246];
const u = [4, 2, 1, 0.5, 0.25, 0.167, 0.125, 0.1, 0.0833, 0.0714, 0.0625];
const kowalik = problemOf(4, 11, ([a, b, c, d]) =>
  u.map((t, i) => y[i]! - (a! * (t * t + t * b!)) / (t * t + t * c! + d!)),
);

describe('Levenberg–Marquardt', () => {
  it('follows the valley of Rosenbrock to (1, 1)', () => {
    const x = [-1.2, 1];
    const { cost, steps } = createDescent(rosenbrock, rules)(x);
    expect(x[0]).toBeCloseTo(1, 6);
    expect(x[1]).toBeCloseTo(1, 6);
    expect(cost).toBeLessThan(1e-12);
    expect(steps).toBeGreaterThan(3);
  });

  it('finds the published minimum of Kowalik and Osborne', () => {
    const x = [0.25, 0.39, 0.415, 0.39];
    expect(createDescent(kowalik, rules)(x).cost).toBeCloseTo(3.07506e-4, 8);
    [0.1928, 0.1913, 0.1231, 0.1358].forEach((v, i) => expect(x[i]).toBeCloseTo(v, 3));
  });

  it('stays within its bounds, and goes on along them', () => {
    const x = [-1.2, 0.3];
    createDescent(rosenbrock, { ...rules, upper: 0.8, perfect: 0 })(x);
    expect(x[0]).toBe(0.8);
    expect(x[1]).toBeCloseTo(0.64, 6);
  });

  it('takes no step from a perfect start, and no more than it may', () => {
    const start = [1, 1];
    expect(createDescent(rosenbrock, rules)(start).steps).toBe(0);
    expect(start).toEqual([1, 1]);
    const far = [-1.2, 1];
    expect(createDescent(rosenbrock, rules)(far, 2).steps).toBe(2);
  });
});

it.each([
  [0.0098, 1],
  [0.01, 0],
])('tries a step only if it promises a share of %d of what is left', (promising, steps) => {
  // Of the sum of squares 101 a step can gain 1, which is 0.0099 of it.
  const far = problemOf(1, 2, ([x]) => [x! - 1, 10]);
  const evaluate = jest.spyOn(far, 'evaluate');
  expect(createDescent(far, { ...rules, promising, steps: 1 })([0]).steps).toBe(steps);
  expect(evaluate).toHaveBeenCalledTimes(1 + steps);
});

describe('a definite system', () => {
  it('is solved, also in the corner of a wider table', () => {
    // [4 2 0; 2 5 1; 0 1 3] · (1, −2, 3) = (0, −5, 7)
    const A = Float64Array.of(4, 2, 0, 9, 2, 5, 1, 9, 0, 1, 3, 9, 9, 9, 9, 9);
    const x = new Float64Array(4);
    solveDefinite(A, Float64Array.of(0, -5, 7, 9), 3, 4, x);
    [1, -2, 3, 0].forEach((v, i) => expect(x[i]).toBeCloseTo(v, 12));
  });
});
