import { gridSpots } from './gridSpots.ts';

const near = (spots: ReturnType<typeof gridSpots>, at: readonly (readonly [number, number])[]): void => {
  expect(spots).toHaveLength(at.length);
  at.forEach(([x, y], i) => {
    expect(spots![i]!.x).toBeCloseTo(x, 9);
    expect(spots![i]!.y).toBeCloseTo(y, 9);
  });
};

describe('bars in a grid', () => {
  it('lie between the first and the last', () => {
    const corners = { first: { x: 0.1, y: 0.2 }, rowEnd: null, last: { x: 0.7, y: 0.8 } };
    near(gridSpots(corners, 6, 3), [
      [0.1, 0.2],
      [0.4, 0.2],
      [0.7, 0.2],
      [0.1, 0.8],
      [0.4, 0.8],
      [0.7, 0.8],
    ]);
  });

  it('follow a picture that was taken at an angle by the end of the first row, and a short last row', () => {
    const corners = { first: { x: 0.1, y: 0.1 }, rowEnd: { x: 0.5, y: 0.3 }, last: { x: 0.2, y: 0.6 } };
    near(gridSpots(corners, 5, 3), [
      [0.1, 0.1],
      [0.3, 0.2],
      [0.5, 0.3],
      [0, 0.5],
      [0.2, 0.6],
    ]);
  });

  it('are one row, or one column, too', () => {
    const corners = { first: { x: 0.1, y: 0.4 }, rowEnd: null, last: { x: 0.5, y: 0.6 } };
    near(gridSpots(corners, 3, 3), [
      [0.1, 0.4],
      [0.3, 0.5],
      [0.5, 0.6],
    ]);
    near(gridSpots(corners, 3, 1), [
      [0.1, 0.4],
      [0.3, 0.5],
      [0.5, 0.6],
    ]);
  });

  it('are not guessed where the last row holds one bar and nothing tells how wide the rows are', () => {
    const corners = { first: { x: 0.1, y: 0.1 }, rowEnd: null, last: { x: 0.1, y: 0.9 } };
    expect(gridSpots(corners, 4, 3)).toBeNull();
    expect(gridSpots({ ...corners, rowEnd: { x: 0.7, y: 0.1 } }, 4, 3)).toHaveLength(4);
  });
});
