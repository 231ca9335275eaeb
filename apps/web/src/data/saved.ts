import { type BaseRecipe, type MouldWire, type RecipeWire, routes } from '@kleur/contract';
import { type Mould } from '@kleur/core/plan';
import { api } from './api.ts';

/** Saved moulds and base recipes. */
export const savedApi = api.injectEndpoints({
  endpoints: (b) => ({
    moulds: b.query<MouldWire[], void>({ query: () => routes.moulds, providesTags: ['Moulds'] }),
    createMould: b.mutation<MouldWire, Mould>({
      query: (body) => ({ url: routes.moulds, method: 'POST', body }),
      invalidatesTags: ['Moulds'],
    }),
    saveMould: b.mutation<MouldWire, { id: string; version: number; mould: Mould }>({
      query: ({ id, version, mould }) => ({
        url: routes.mould(id),
        method: 'PUT',
        body: { ...mould, version },
      }),
      invalidatesTags: ['Moulds'],
    }),
    deleteMould: b.mutation<MouldWire, string>({
      query: (id) => ({ url: routes.mould(id), method: 'DELETE' }),
      invalidatesTags: ['Moulds'],
    }),
    restoreMould: b.mutation<MouldWire, string>({
      query: (id) => ({ url: routes.mouldRestore(id), method: 'POST' }),
      invalidatesTags: ['Moulds'],
    }),
    recipes: b.query<RecipeWire[], void>({ query: () => routes.recipes, providesTags: ['Recipes'] }),
    createRecipe: b.mutation<RecipeWire, BaseRecipe>({
      query: (body) => ({ url: routes.recipes, method: 'POST', body }),
      invalidatesTags: ['Recipes'],
    }),
    deleteRecipe: b.mutation<RecipeWire, string>({
      query: (id) => ({ url: routes.recipe(id), method: 'DELETE' }),
      invalidatesTags: ['Recipes'],
    }),
    restoreRecipe: b.mutation<RecipeWire, string>({
      query: (id) => ({ url: routes.recipeRestore(id), method: 'POST' }),
      invalidatesTags: ['Recipes'],
    }),
  }),
});

export const {
  useMouldsQuery,
  useCreateMouldMutation,
  useSaveMouldMutation,
  useDeleteMouldMutation,
  useRestoreMouldMutation,
  useRecipesQuery,
  useCreateRecipeMutation,
  useDeleteRecipeMutation,
  useRestoreRecipeMutation,
} = savedApi;
