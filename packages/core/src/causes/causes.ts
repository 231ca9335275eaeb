import { type FaultId } from '../record/faults.ts';
import { type FaultSeen } from '../record/record.ts';
import { type Cause, rankCauses, type RankedCause } from './cause.ts';
import { type BatchFacts } from './facts.ts';
import { bodyCauses } from './rules/body.ts';
import { browningCauses } from './rules/browning.ts';
import { colourCauses } from './rules/colour.ts';
import { designCauses } from './rules/design.ts';
import { emulsionCauses } from './rules/emulsion.ts';
import { pourCauses } from './rules/pour.ts';
import { scentCauses } from './rules/scent.ts';
import { surfaceCauses } from './rules/surface.ts';
import { turnedCauses } from './rules/turned.ts';

/** Every cause that is known. */
export const CAUSES: readonly Cause[] = [
  ...colourCauses,
  ...browningCauses,
  ...turnedCauses,
  ...surfaceCauses,
  ...bodyCauses,
  ...emulsionCauses,
  ...designCauses,
  ...pourCauses,
  ...scentCauses,
];

/** Likely causes of one fault of a batch, the likeliest first. */
export const causesOf = (facts: BatchFacts, seen: Pick<FaultSeen, 'fault' | 'potIds'>): RankedCause[] =>
  rankCauses(CAUSES, facts, seen);

/** What can still be done with this batch. */
export const RESCUES: Readonly<Record<FaultId, readonly string[]>> = {
  specks: ['Sell it as speckled, after a look at the lather on a white cloth.'],
  streaks: ['It is sound: sell it as marbled.'],
  bleed: ['Wipe the faces with alcohol, or plane them.', 'Sell it for the look that it has.'],
  tan: ['It is sound: name it after the brown.', 'Keep two bars in the dark and two in light, and compare.'],
  faded: ['Keep the rest in the dark.', 'It is sound: sell it as pastel.'],
  changed: ['Wait: some colours come back within a week.', 'It is sound: sell it for the look that it has.'],
  'lather-colour': ['Keep it for dark cloths, or rebatch it with plain soap to half its strength.'],
  ash: ['Steam it, wipe it with a wet cloth, or plane it off.'],
  rivers: ['It is sound. Warmed again and cooled fast they fade a little.'],
  air: ['Plane or bevel the faces.'],
  'partial-gel': [
    'Warm it again at 75 °C in an oven that is switched off, to even the ring; on the day of the cut.',
  ],
  'knife-drag': ['Plane the faces, from the pale side to the dark.'],
  'wall-gaps': ['Plane the sides, or bevel the edges.'],
  cracked: ['Press it together while it is warm; later plane it, or rebatch.'],
  soft: ['Leave it in the mould or on the rack for weeks more, with air all round.'],
  overheated: ['Let it cool untouched; test for lye; rebatch where it parted.'],
  'layers-apart': ['Wet both faces, press, and wrap for a day; or sell them as halves.'],
  'lye-heavy': [
    'Set it apart and test it. If it fails after six weeks, do not use it on skin: it is waste, or laundry soap that is labelled so.',
  ],
  'false-emulsion': ['Back into the pot with gloves, warm it, blend it, mould it again. Then test it.'],
  merged: ['Cut a bar the other way: the pattern may read from another side.'],
  mud: ['It is sound: sell it as a marble.'],
  'layers-uneven': ['Cut it so that the bars stand on the even side.'],
  'layers-broken': ['Cut it across, so that the break is a drop.'],
  'too-fine': ['Cut it the other way.'],
  'too-coarse': ['Cut thinner bars: more of it shows.'],
  'over-blended': ['It is sound: sell it as a marble.'],
  'poured-thin': ['It is sound: cut it across.'],
  'poured-stiff': ['Plane the faces; fill holes with trimmings and a drop of water.'],
  'given-up': ['Name it after what it became.'],
  'piece-loose': ['Glue it with melted soap, or sell the pieces apart.'],
  'piece-cut': ['Plane the face; the cut piece is a window.'],
  riced: ['Blend it smooth while it is warm, or rebatch it. Then test it.'],
  seized: ['Press it into the mould, or heat it through until it is soap. Then test it.'],
  weeping: ['Leave it on paper: some of it is taken up again. Test it.'],
  pleasing: ['Keep a bar of it as a swatch.'],
};
