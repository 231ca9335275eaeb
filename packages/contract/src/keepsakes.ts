import { type Base, type Material, type Mould } from '@kleur/core';

/** A base kept to be used again: the oils with their copies, lye and liquid; no amounts. */
export interface BaseRecipe extends Pick<Base, 'superfat' | 'lye' | 'liquid' | 'temperature'> {
  readonly name: string;
  readonly oils: readonly { readonly material: Material; readonly percent: number }[];
}

/** Something kept apart from any batch, as the server has it. */
export type Kept<T> = T & { readonly id: string; readonly version: number; readonly updatedAt: string };

export type MouldWire = Kept<Mould>;
export type RecipeWire = Kept<BaseRecipe>;
