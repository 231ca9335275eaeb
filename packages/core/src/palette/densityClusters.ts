/** A point with a weight. */
export interface Cell {
  readonly at: readonly [number, number, number];
  readonly size: number;
}

/** Cells that belong together: their mean, and their weights together. */
export type Cluster = Cell;

/** Side of the boxes that density is counted in; in OKLab about what can just be told apart. */
const BOX = 0.03;
/** A hill of density is one of its own where its top is this many times as dense as the saddle to a higher one. */
const PROMINENCE = 2;
/** Weights of the box itself and of its neighbours across a face, an edge and a corner. */
const BLUR = [1, 0.3, 0.15, 0.08] as const;
/** A cluster wider than this (root mean square from its middle) is a passage between colours, and is divided. */
const WIDE = 0.12;
const ROUNDS = 12;

/**
 * Clusters by density: boxes are taken from the densest down and join the hill beside them; two hills that meet are one
 * unless both rise clearly above where they meet. Noise is one wide hill, an accent apart from the rest is its own,
 * however small. Follows Chazal, Guibas, Oudot and Skraba (2013), "Persistence-based clustering in Riemannian
 * manifolds". Deterministic.
 * @param pieces most parts that a smooth passage between colours is divided into.
 */
export function clusterCells(cells: readonly Cell[], pieces: number): Cluster[] {
  const boxes = boxesOf(cells);
  return hillsOf(boxes).flatMap((members) => {
    const inside = members.flatMap((b) => b.cells);
    return widthOf(inside) > WIDE ? divide(inside, pieces) : [meanOf(inside)];
  });
}

interface Box {
  readonly key: readonly [number, number, number];
  readonly cells: Cell[];
  size: number;
  density: number;
}

const textOf = (x: number, y: number, z: number): string => `${x},${y},${z}`;

function boxesOf(cells: readonly Cell[]): Map<string, Box> {
  const boxes = new Map<string, Box>();
  for (const cell of cells) {
    const [x, y, z] = cell.at.map((v) => Math.floor(v / BOX)) as [number, number, number];
    const text = textOf(x, y, z);
    const box = boxes.get(text) ?? { key: [x, y, z] as const, cells: [], size: 0, density: 0 };
    box.cells.push(cell);
    box.size += cell.size;
    boxes.set(text, box);
  }
  for (const box of boxes.values()) {
    box.density = box.size;
    for (const [near, steps] of around(boxes, box)) box.density += near.size * BLUR[steps]!;
  }
  return boxes;
}

/** The boxes beside one, each with how many of its coordinates differ. */
function* around(boxes: ReadonlyMap<string, Box>, { key: [x, y, z] }: Box): Generator<[Box, number]> {
  for (let i = -1; i <= 1; i++)
    for (let j = -1; j <= 1; j++)
      for (let k = -1; k <= 1; k++) {
        const steps = Math.abs(i) + Math.abs(j) + Math.abs(k);
        const near = steps > 0 ? boxes.get(textOf(x + i, y + j, z + k)) : undefined;
        if (near) yield [near, steps];
      }
}

function hillsOf(boxes: ReadonlyMap<string, Box>): Box[][] {
  const order = [...boxes.values()].sort(
    (a, b) => b.density - a.density || textOf(...a.key).localeCompare(textOf(...b.key)),
  );
  // The top of the hill that a box belongs to, by way of the boxes that joined each other.
  const up = new Map<Box, Box>();
  const topOf = (box: Box): Box => {
    let top = box;
    while (up.get(top) !== top) top = up.get(top)!;
    return top;
  };
  for (const box of order) {
    const tops = new Set<Box>();
    for (const [near] of around(boxes, box)) if (up.has(near)) tops.add(topOf(near));
    const [highest = box, ...others] = [...tops].sort((a, b) => b.density - a.density);
    up.set(box, highest);
    for (const other of others) if (other.density < PROMINENCE * box.density) up.set(other, highest);
  }
  const hills = new Map<Box, Box[]>();
  for (const box of order) {
    const top = topOf(box);
    hills.set(top, [...(hills.get(top) ?? []), box]);
  }
  return [...hills.values()];
}

function meanOf(cells: readonly Cell[]): Cluster {
  const size = cells.reduce((sum, c) => sum + c.size, 0);
  const mean = (d: 0 | 1 | 2): number => cells.reduce((sum, c) => sum + c.at[d] * c.size, 0) / size;
  return { at: [mean(0), mean(1), mean(2)], size };
}

const distance2 = (a: Cell['at'], b: Cell['at']): number =>
  (a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2;

function widthOf(cells: readonly Cell[]): number {
  const { at, size } = meanOf(cells);
  return Math.sqrt(cells.reduce((sum, c) => sum + c.size * distance2(c.at, at), 0) / size);
}

/** Lloyd's rounds from centres as far apart as can be. */
function divide(cells: readonly Cell[], pieces: number): Cluster[] {
  let centres: Cell['at'][] = [meanOf(cells).at];
  while (centres.length < Math.min(pieces, cells.length)) {
    const far = (c: Cell): number => Math.min(...centres.map((m) => distance2(c.at, m))) * Math.sqrt(c.size);
    centres.push(cells.reduce((a, b) => (far(b) > far(a) ? b : a)).at);
  }
  let groups: Cell[][] = [];
  for (let round = 0; round < ROUNDS; round++) {
    groups = centres.map(() => []);
    for (const cell of cells) {
      let best = 0;
      centres.forEach((m, i) => {
        if (distance2(cell.at, m) < distance2(cell.at, centres[best]!)) best = i;
      });
      groups[best]!.push(cell);
    }
    groups = groups.filter((g) => g.length > 0);
    centres = groups.map((g) => meanOf(g).at);
  }
  return groups.map(meanOf);
}
