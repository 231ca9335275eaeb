import { defaultCurve } from '../curve.ts';
import { type Material, type MaterialKind } from '../material.ts';
import { defaultOptics, sameSource } from '../ownMaterial.ts';
import { additives, scents, scrubs } from './additives.ts';
import { dyes, fluorescents, micas } from './brights.ts';
import { type MaterialRow, materialFrom } from './build.ts';
import { clays } from './clays.ts';
import { botanicals } from './naturals.ts';
import { oils } from './oils.ts';
import { pigments } from './pigments.ts';

const tables: readonly (readonly [MaterialKind, readonly MaterialRow[]])[] = [
  ['pigment', pigments],
  ['mica', micas],
  ['fluorescent', fluorescents],
  ['dye', dyes],
  ['clay', clays],
  ['botanical', botanicals],
  ['scrub', scrubs],
  ['additive', additives],
  ['oil', oils],
  ['scent', scents],
];

let shelf: readonly Material[] | undefined;

/** The starting shelf: every material with its default curve. Built on first use (some tenths of a second). */
export function startingShelf(): readonly Material[] {
  shelf ??= tables.flatMap(([kind, rows]) => rows.map((row) => materialFrom(kind, row)));
  return shelf;
}

/** The curve of a material before any bar: what it came with while its entry is still that one, else what the entry says. */
export function startingCurve(material: Material): Pick<Material, 'optics' | 'curve'> {
  const first = startingShelf().find((m) => m.id === material.id);
  if (first && sameSource(first, material)) return { optics: first.optics, curve: first.curve };
  const optics = defaultOptics(material);
  return { optics, curve: optics && defaultCurve(material.kind) };
}
