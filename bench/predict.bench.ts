import { startingShelf } from '@kleur/core/material/catalogue';
import { createMixer, cured, referenceCanvas } from '@kleur/core/pigment';
import { slowLab } from '../packages/core/dist/testing/slowMixer.js';
import { report, seeded } from './report.ts';

/** Predictions a second on one core: 4 colourants, 36 bands, to Lab; beside the obvious twin. */
const ids = ['ultramarine-blue', 'yellow-iron-oxide', 'titanium-dioxide-oil', 'red-iron-oxide'];
const optics = ids.map((id) => startingShelf().find((m) => m.id === id)!.optics!);
const random = seeded(7);
const doses = Array.from({ length: 1024 }, () => Float64Array.from(optics, () => random() * 6));
const mixer = createMixer(referenceCanvas, optics, cured(1));
const out = new Float64Array(3);

let sink = 0;
function rate(count: number, predict: (doses: Float64Array) => number): number {
  const from = performance.now();
  for (let i = 0; i < count; i++) sink += predict(doses[i & 1023]!);
  return (count / (performance.now() - from)) * 1000;
}
const fast = (d: Float64Array): number => mixer.lab(d, out)[0]!;
const slow = (d: Float64Array): number =>
  slowLab(
    referenceCanvas,
    optics.map((o, i) => ({ optics: o, dose: d[i]! })),
    cured(1),
  )[0];

rate(200_000, fast);
rate(200, slow);
const fastRate = Math.max(...Array.from({ length: 10 }, () => rate(400_000, fast)));
const slowRate = rate(1500, slow);
if (!Number.isFinite(sink)) throw new Error('predictions ran off');

report([
  {
    what: 'Predictions a second, one core (4 colourants, 36 bands, to Lab)',
    measured: `${Math.round(fastRate / 1000)} k, ${Math.round(fastRate / slowRate)} × the obvious twin (${Math.round(slowRate)})`,
    goal: '≥ 1000 k',
    met: fastRate >= 1_000_000,
  },
]);
