import { type Spot } from '../../workers/photo.protocol.ts';

export interface GridCorners {
  readonly first: Spot;
  /** The last one of the first row; null where the rows lie level in the picture. */
  readonly rowEnd: Spot | null;
  readonly last: Spot;
}

/**
 * Places of bars that lie row by row in a grid, from those of a few; the last row may be a short one.
 * @param count bars in all; columns of the grid, both at least 1
 * @returns null where the corners do not tell: a last row of one bar says nothing of how wide the rows are
 */
export function gridSpots(
  { first, rowEnd, last }: GridCorners,
  count: number,
  columns: number,
): readonly Spot[] | null {
  const rows = Math.ceil(count / columns);
  const wide = Math.min(columns, count) - 1;
  const over = (count - 1) % columns;
  if (wide > 0 && !rowEnd && over === 0) return null;
  // From one bar to the next along a row, and from one row to the next.
  const along: Spot =
    wide === 0
      ? { x: 0, y: 0 }
      : rowEnd
        ? { x: (rowEnd.x - first.x) / wide, y: (rowEnd.y - first.y) / wide }
        : { x: (last.x - first.x) / over, y: rows === 1 ? (last.y - first.y) / over : 0 };
  const down: Spot =
    rows === 1
      ? { x: 0, y: 0 }
      : {
          x: (last.x - first.x - over * along.x) / (rows - 1),
          y: (last.y - first.y - over * along.y) / (rows - 1),
        };
  return Array.from({ length: count }, (_, i): Spot => {
    const [row, column] = [Math.floor(i / columns), i % columns];
    return {
      x: Math.min(1, Math.max(0, first.x + column * along.x + row * down.x)),
      y: Math.min(1, Math.max(0, first.y + column * along.y + row * down.y)),
    };
  });
}
