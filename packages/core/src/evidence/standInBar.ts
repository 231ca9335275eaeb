import { wavelengths } from '../colour/bands.ts';
import { randomOf } from '../device/random.ts';
import { type Composition, predictReflectance } from '../pigment/composition.ts';
import { type Optics } from '../pigment/optics.ts';
import { type Stage } from '../pigment/stage.ts';
import { type Material } from '../material/material.ts';
import { fitMaterial } from './book.ts';

/** By how much a colourant of the stand-in is stronger, and leans to one side, at most. */
const STRENGTH = 0.3;
const LEAN = 0.5;
/** On the 0–10 scale of the oils. */
const BROWNER = 0.6;

/** A number between 0 and 1 that always belongs to a text. */
function numberOf(text: string): () => number {
  let hash = 2166136261;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 16777619);
  return randomOf(hash >>> 0);
}

/** A colourant as the stand-in has it: always the same for the same id, and not what the shelf says. */
function altered(optics: Optics, id: string): Optics {
  const random = numberOf(id);
  const strength = Math.exp((random() - 0.5) * 2 * STRENGTH);
  const lean = (random() - 0.5) * 2 * LEAN;
  const curve = (k: readonly number[]): number[] =>
    k.map((v, b) => v * strength * (wavelengths[b]! / 550) ** lean);
  return { ...optics, k: curve(optics.k), kUngelled: optics.kUngelled && curve(optics.kUngelled) };
}

/**
 * Reflectance of the bar that a simulated reader lies on: on a base a little browner than the reference, with colourants
 * that are a little stronger or weaker, and of a little other hue, than their shelf entries say. What was learnt from it
 * since changes nothing of it.
 * @param materials among which the colourants are
 */
export function standInBar(composition: Composition, stage: Stage, materials: readonly Material[]): number[] {
  const parts = composition.parts.map(({ optics, dose }) => {
    const material = materials.find((m) => m.optics === optics);
    const entry = material ? (fitMaterial(material)?.optics ?? optics) : optics;
    return { dose, optics: altered(entry, material?.id ?? '') };
  });
  const { base: _learnt, ...canvas } = composition.canvas;
  const there = { ...composition, canvas: { ...canvas, brown: canvas.brown + BROWNER }, parts };
  return Array.from(predictReflectance(there, stage));
}
