import { seededRandom } from '../../numerics/random.ts';
import { type SoapPhysics, type TrueMaterial } from './soap.ts';

/*
 * Two soaps and their shelves. The first is there to build on, the second to find out what was built for the first
 * alone. Their figures are fixed: a change of them is a change of the yardstick.
 */

export const FIRST_SOAP: SoapPhysics = {
  seed: 40961,
  index: 1.46,
  base: { scatters: 6, power: 0.7, g: 0.72 },
  gel: { scatters: 0.52, absorbs: 1.7, power: 0.25 },
  tint: { at400: 0.012, decay: 58, ground: 0.0006 },
  dries: { more: 0.18, days: 17, bleaches: 0.2 },
  crowding: 0.004,
  lost: { share: 0.05, margin: 2 },
  gloss: [0.006, 0.016],
  browns: { at450: 0.9, order: 1.7, days: [9, 4.5], stretch: 0.85, decay: 74 },
  noise: { light: 0.003, dark: 0.001, shift: 0.25, weighing: 0.012 },
};

export const SECOND_SOAP: SoapPhysics = {
  seed: 7717,
  index: 1.48,
  base: { scatters: 9, power: 1.1, g: 0.8 },
  gel: { scatters: 0.6, absorbs: 1.45, power: 0.1 },
  tint: { at400: 0.015, decay: 70, ground: 0.001 },
  dries: { more: 0.25, days: 25, bleaches: 0.12 },
  crowding: 0.001,
  lost: { share: 0.08, margin: 3 },
  gloss: [0.012, 0.008],
  browns: { at450: 1.3, order: 1.9, days: [7, 4], stretch: 1, decay: 82 },
  noise: { light: 0.003, dark: 0.0015, shift: 0.35, weighing: 0.015 },
};

type Curve = (nm: number) => number;
const bell =
  (at: number, width: number, height = 1): Curve =>
  (nm) =>
    height * Math.exp(-0.5 * ((nm - at) / width) ** 2);
const below =
  (at: number, width: number, height = 1): Curve =>
  (nm) =>
    height / (1 + Math.exp((nm - at) / width));
const even =
  (height: number): Curve =>
  () =>
    height;
const sum =
  (...parts: Curve[]): Curve =>
  (nm) =>
    parts.reduce((total, f) => total + f(nm), 0);
const tail =
  (decay: number, height = 1): Curve =>
  (nm) =>
    height * Math.exp(-(nm - 400) / decay);

/** What one stands for, before chance has made a certain product of it. Strength: peak absorption of a typical dose per mm. */
interface Sort {
  readonly id: string;
  readonly name: string;
  readonly kind: TrueMaterial['kind'];
  readonly index: string;
  readonly typical: number;
  readonly strength: number;
  /** At the typical dose, per mm. */
  readonly scatters: number;
  readonly g: number;
  readonly power: number;
  readonly curve: (shift: number) => Curve;
  readonly fades?: Curve;
  readonly glow?: readonly [peak: number, width: number];
  readonly sheen?: Curve;
}

const SORTS: readonly Sort[] = [
  {
    id: 'white',
    name: 'Chalk white',
    kind: 'pigment',
    index: 'CI 77891',
    typical: 6,
    strength: 0.004,
    scatters: 26,
    g: 0.62,
    power: 1.1,
    curve: (d) => sum(below(400 + d / 2, 6, 12), even(1)),
  },
  {
    id: 'red-oxide',
    name: 'Gate red',
    kind: 'pigment',
    index: 'CI 77491',
    typical: 3,
    strength: 2.2,
    scatters: 4.5,
    g: 0.72,
    power: 0.8,
    curve: (d) => sum(below(578 + d, 11), bell(540, 40, 0.35), bell(860, 90, 0.2), even(0.02)),
  },
  {
    id: 'yellow-oxide',
    name: 'Quarry yellow',
    kind: 'pigment',
    index: 'CI 77492',
    typical: 3,
    strength: 1.5,
    scatters: 5,
    g: 0.74,
    power: 0.9,
    curve: (d) => sum(below(512 + d, 14), bell(640, 45, 0.06), bell(480, 18, 0.25), even(0.01)),
  },
  {
    id: 'black-oxide',
    name: 'Anvil black',
    kind: 'pigment',
    index: 'CI 77499',
    typical: 3,
    strength: 1.8,
    scatters: 2.5,
    g: 0.7,
    power: 0.5,
    curve: (d) => sum(even(1), bell(450 + d, 90, 0.15), bell(720, 80, 0.12)),
  },
  {
    id: 'green-oxide',
    name: 'Hedge green',
    kind: 'pigment',
    index: 'CI 77288',
    typical: 5,
    strength: 1.1,
    scatters: 6,
    g: 0.7,
    power: 0.9,
    curve: (d) => sum(bell(455 + d, 32, 0.9), bell(602 + d, 30), tail(45, 0.6), even(0.12)),
  },
  {
    id: 'ultramarine',
    name: 'Harbour blue',
    kind: 'pigment',
    index: 'CI 77007',
    typical: 5,
    strength: 1.4,
    scatters: 0.8,
    g: 0.85,
    power: 0.4,
    curve: (d) => sum(bell(596 + d, 42), bell(660, 40, 0.25), tail(30, 0.1), even(0.015)),
  },
  {
    id: 'ultramarine-pink',
    name: 'Slate violet',
    kind: 'pigment',
    index: 'CI 77007',
    typical: 7,
    strength: 0.5,
    scatters: 0.7,
    g: 0.85,
    power: 0.4,
    curve: (d) => sum(bell(542 + d, 38), bell(590, 35, 0.4), even(0.03)),
  },
  {
    id: 'charcoal',
    name: 'Kiln black',
    kind: 'pigment',
    index: 'CI 77268:1',
    typical: 3,
    strength: 2.4,
    scatters: 0.5,
    g: 0.6,
    power: 0.8,
    curve: () => sum(even(1), tail(250, 0.2)),
  },
  {
    id: 'mica-gold',
    name: 'Lantern mica',
    kind: 'mica',
    index: '',
    typical: 10,
    strength: 0.55,
    scatters: 3.5,
    g: 0.9,
    power: 0.2,
    curve: (d) => sum(below(520 + d, 22), even(0.06)),
    sheen: (nm) => 0.5 + 0.4 / (1 + Math.exp((560 - nm) / 25)),
  },
  {
    id: 'mica-blue',
    name: 'Kingfisher mica',
    kind: 'mica',
    index: '',
    typical: 10,
    strength: 0.7,
    scatters: 3,
    g: 0.9,
    power: 0.2,
    curve: (d) => sum(bell(640 + d, 48), bell(580, 30, 0.35), even(0.05)),
    sheen: (nm) => 0.45 + 0.4 * Math.exp(-0.5 * ((nm - 470) / 45) ** 2),
  },
  {
    id: 'mica-red',
    name: 'Canyon mica',
    kind: 'mica',
    index: '',
    typical: 10,
    strength: 0.9,
    scatters: 3.2,
    g: 0.9,
    power: 0.2,
    curve: (d) => sum(bell(520 + d, 36), below(560 + d, 12, 0.5), even(0.04)),
    sheen: (nm) => 0.45 + 0.4 / (1 + Math.exp((600 - nm) / 20)),
  },
  {
    id: 'neon-pink',
    name: 'Signal pink',
    kind: 'fluorescent',
    index: '',
    typical: 4,
    strength: 1.6,
    scatters: 0.5,
    g: 0.8,
    power: 0.6,
    curve: (d) => sum(bell(548 + d, 24), bell(515 + d, 22, 0.45), even(0.004)),
    glow: [592, 24],
  },
  {
    id: 'neon-yellow',
    name: 'Signal yellow',
    kind: 'fluorescent',
    index: '',
    typical: 4,
    strength: 1.3,
    scatters: 0.6,
    g: 0.8,
    power: 0.6,
    curve: (d) => sum(bell(452 + d, 26), bell(425 + d, 20, 0.4), even(0.003)),
    glow: [512, 26],
  },
  {
    id: 'rose-clay',
    name: 'Terrace clay',
    kind: 'clay',
    index: '',
    typical: 20,
    strength: 0.5,
    scatters: 2.2,
    g: 0.84,
    power: 0.6,
    curve: (d) => sum(below(570 + d, 18), bell(500, 40, 0.3), even(0.08)),
  },
  {
    id: 'root',
    name: 'Dyer’s root',
    kind: 'botanical',
    index: '',
    typical: 8,
    strength: 0.7,
    scatters: 1.2,
    g: 0.88,
    power: 0.5,
    curve: (d) => sum(bell(525 + d, 38), bell(490 + d, 28, 0.5), tail(60, 0.5), even(0.02)),
    fades: sum(tail(70, 0.35), even(0.02)),
  },
  {
    id: 'alga',
    name: 'Pond green',
    kind: 'botanical',
    index: '',
    typical: 6,
    strength: 0.8,
    scatters: 1,
    g: 0.88,
    power: 0.5,
    curve: (d) =>
      sum(bell(432 + d, 22), bell(470, 20, 0.4), bell(667 + d, 14, 0.5), bell(620, 22, 0.15), even(0.05)),
    fades: sum(tail(80, 0.4), bell(660, 20, 0.06), even(0.03)),
  },
];

/** A certain product of each sort, as the seed has it. */
export function shelfOf(seed: number): readonly TrueMaterial[] {
  const random = seededRandom(seed);
  const about = (mean: number, spread: number): number => mean + spread * (2 * random() - 1);
  const factor = (spread: number): number => Math.exp(about(0, spread));
  return SORTS.map((sort): TrueMaterial => {
    const dye = sort.kind === 'botanical' || sort.kind === 'fluorescent';
    const curve = sort.curve(about(0, 9));
    const lift = about(0, 0.004);
    const bent: Curve = (nm) => curve(nm) * Math.exp(lift * (nm - 550) * 0.25);
    const peak = Math.max(...Array.from({ length: 36 }, (_, b) => bent(380 + 10 * b)));
    const strength = (sort.strength * factor(sort.kind === 'mica' ? 0.6 : 0.35)) / peak / sort.typical;
    const absorbs: Curve = (nm) => bent(nm) * strength;
    return {
      id: sort.id,
      name: sort.name,
      kind: sort.kind,
      colourIndex: sort.index,
      typical: sort.typical,
      absorbs,
      scatters: (sort.scatters * factor(0.4)) / sort.typical,
      power: sort.power + about(0, 0.2),
      g: sort.g + about(0, 0.04),
      grain: dye ? 0 : about(0.5, 0.4),
      clumpsAt: sort.typical * Math.exp(about(1.9, 0.6)),
      clumpScatterAt: sort.typical * Math.exp(about(1.7, 0.7)),
      gelRatio: dye ? about(1.05, 0.2) : about(1, 0.08),
      gelShift: dye ? about(2, 4) : about(0, 1),
      fades: sort.fades
        ? {
            stays: about(0.3, 0.15),
            days: about(70, 30),
            spread: about(0.8, 0.15),
            to: (
              (end) => (nm) =>
                end(nm) * strength
            )(sort.fades),
          }
        : null,
      glows: sort.glow
        ? {
            peak: sort.glow[0] + about(0, 5),
            width: sort.glow[1],
            yield: about(0.4, 0.12),
            quenchedAt: sort.typical * about(4, 2.5),
          }
        : null,
      sheen: sort.sheen
        ? { most: about(0.06, 0.03), at: sort.typical * about(1, 0.4), colour: sort.sheen }
        : null,
    };
  });
}
