import { type Material } from '@kleur/core/material';
import { type Base, type Mould } from '@kleur/core/plan';

/** A base saved to be used again: the oils with their copies, lye and liquid; no amounts. */
export interface BaseRecipe extends Pick<Base, 'superfat' | 'lye' | 'liquid' | 'temperature'> {
  readonly name: string;
  readonly oils: readonly { readonly material: Material; readonly percent: number }[];
}

/** Something saved apart from any batch, as the server has it. */
export type Saved<T> = T & { readonly id: string; readonly version: number; readonly updatedAt: string };

export type MouldWire = Saved<Mould>;
export type RecipeWire = Saved<BaseRecipe>;
