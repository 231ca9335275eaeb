import { SimulatedColourReader, type Surface } from '@kleur/core/device';
import {
  asFitReading,
  fitMaterial,
  measuredOf,
  standInBar,
  type TestBar,
  testBarReading,
} from '@kleur/core/evidence';
import { type FittedMaterial, fitReadings } from '@kleur/core/fit';
import { type Material } from '@kleur/core/material';
import { startingShelf } from '@kleur/core/material/catalogue';
import { cured, CURED_HOURS, referenceCanvas, type Stage } from '@kleur/core/pigment';
import { addDays } from '@kleur/core/units';

/** A little bar of one colourant: its part of the typical dose, and g/kg of white with it. */
type Tint = readonly [part: number, white: number, gelled?: boolean];

const WHITE = 'titanium-dioxide-oil';
const FOUR: readonly Tint[] = [
  [0.35, 0],
  [1, 0],
  [2, 0],
  [1, 4],
];
/** Colourants that the made-up studio has tested, and the lot that it had. */
const TESTED: readonly { readonly id: string; readonly lot: string; readonly tints: readonly Tint[] }[] = [
  { id: 'ultramarine-violet', lot: 'UV 3', tints: [...FOUR, [1, 0, false]] },
  { id: 'mica-lantern', lot: 'L 18', tints: [...FOUR, [1, 0, false]] },
  { id: 'mica-ribbon', lot: 'R 7', tints: FOUR },
  { id: 'green-illite', lot: 'bag of spring', tints: [...FOUR, [1, 0, false]] },
  { id: 'mica-signal', lot: 'S 2', tints: [FOUR[1]!, FOUR[3]!] },
];
const READER = 'Simulated reader';
const SEED = 20260712;
/** Days before today on which the bars were read, six weeks old. */
const READ_BEFORE = 33;

/** What the studio has tested, and what it took over from it. */
interface DemoBook {
  readonly bars: readonly TestBar[];
  readonly curves: readonly FittedMaterial[];
}
let known: Promise<DemoBook> | null = null;

/** Each reset of the demo asks for the same bars again. @param today `YYYY-MM-DD` */
export async function demoBook(today: string): Promise<DemoBook> {
  known ??= readBars().then((bars) => ({ bars, curves: curvesOf(bars) }));
  const { bars, curves } = await known;
  return { bars: bars.map((b) => ({ ...b, on: addDays(today, -READ_BEFORE) })), curves };
}

/** The studio’s test bars, read with the simulated reader. */
async function readBars(): Promise<readonly TestBar[]> {
  const shelf = new Map(startingShelf().map((m) => [m.id, m]));
  let surface: Surface = 'tile';
  const reader = new SimulatedColourReader({ seed: SEED, surface: () => surface });
  await reader.calibrate();
  const bars: TestBar[] = [];
  for (const { id, lot, tints } of TESTED) {
    const material = shelf.get(id)!;
    for (const [part, white, gelled = true] of tints) {
      const dose = Number((part * material.window!.typical).toPrecision(2));
      const doses = [{ materialId: id, dose }, ...(white > 0 ? [{ materialId: WHITE, dose: white }] : [])];
      surface = barOf(doses, shelf, cured(Number(gelled)));
      const { lab, spectrum, doubt } = measuredOf(await reader.measure());
      bars.push({
        id: `demo-bar-${id}-${bars.length}`,
        name: `${material.name} ${dose}${white > 0 ? ', with white' : ''}`,
        on: '',
        hours: CURED_HOURS,
        gel: Number(gelled),
        lab,
        spectrum,
        how: 'reader',
        doubt,
        instrument: READER,
        lot,
        note: '',
        doses,
        oils: [],
        vanillin: 0,
      });
    }
  }
  return bars;
}

function barOf(doses: TestBar['doses'], shelf: ReadonlyMap<string, Material>, stage: Stage): number[] {
  const used = doses.map((d) => ({ material: shelf.get(d.materialId)!, dose: d.dose }));
  const parts = used.map(({ material, dose }) => ({ optics: material.optics!, dose }));
  return standInBar(
    { canvas: referenceCanvas, parts, age: 0, gel: null },
    stage,
    used.map((u) => u.material),
  );
}

/** What those bars say of the colourants that they were made for. */
function curvesOf(bars: readonly TestBar[]): readonly FittedMaterial[] {
  const shelf = new Map(startingShelf().map((m) => [m.id, m]));
  const { materials } = fitReadings({
    materials: [...TESTED.map((t) => t.id), WHITE].map((id) => fitMaterial(shelf.get(id)!)!),
    readings: bars.map((b) => asFitReading(testBarReading(b, shelf))),
    holdsBase: true,
  });
  return materials.filter((m) => m.id !== WHITE);
}
