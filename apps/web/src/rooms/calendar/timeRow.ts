/** The stretch of days that is shown, and how wide a day is. */
export interface Days {
  readonly from: number;
  readonly count: number;
}

/** Where a day begins, as a part of the whole, 0–1. */
export const at = ({ from, count }: Days, day: number): number => (day - from) / count;

export const percent = (part: number): string => `${(part * 100).toFixed(3)}%`;

/** Rows so that spans in one row do not overlap; each span gets the first row that is free. */
export function stacked<T>(
  items: readonly T[],
  from: (item: T) => number,
  to: (item: T) => number,
): readonly (readonly T[])[] {
  const rows: T[][] = [];
  for (const item of items.toSorted((a, b) => from(a) - from(b))) {
    const row = rows.find((r) => to(r.at(-1)!) <= from(item));
    if (row) row.push(item);
    else rows.push([item]);
  }
  return rows;
}
