import {
  type BaseRecipe,
  type BatchDocument,
  type BatchPage,
  type BatchState,
  type BatchSummary,
  type BatchWrite,
  type MaterialWire,
  type MaterialWrite,
  type MouldWire,
  type Palette,
  type PaletteWire,
  type Problem,
  type RecipeWire,
  routes,
  type Settings,
  type SettingsWire,
} from '@kleur/contract';
import { type Mould } from '@kleur/core/plan';
import { createApi, fetchBaseQuery, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';

export interface BatchListQuery {
  readonly page: number;
  readonly q: string;
  readonly state: BatchState | '';
}

/** Everything the application asks of the server. Saving an open batch goes through here too (see autosave). */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: window.location.origin }),
  tagTypes: ['Batches', 'Materials', 'Palettes', 'Moulds', 'Recipes', 'Settings'],
  endpoints: (b) => ({
    batches: b.query<BatchPage, BatchListQuery>({
      query: ({ page, q, state }) => ({
        url: routes.batches,
        params: { page, ...(q ? { q } : {}), ...(state ? { state } : {}) },
      }),
      providesTags: ['Batches'],
    }),
    // Never from the cache: an old version of a document must not be edited.
    batch: b.query<BatchDocument, string>({ query: (id) => routes.batch(id), keepUnusedDataFor: 0 }),
    createBatch: b.mutation<BatchDocument, BatchWrite>({
      query: (body) => ({ url: routes.batches, method: 'POST', body }),
      invalidatesTags: ['Batches'],
    }),
    saveBatch: b.mutation<BatchDocument, { id: string; version: number; batch: BatchWrite }>({
      query: ({ id, version, batch }) => ({
        url: routes.batch(id),
        method: 'PUT',
        body: { ...batch, version },
      }),
      invalidatesTags: ['Batches'],
    }),
    copyBatch: b.mutation<BatchDocument, string>({
      query: (id) => ({ url: routes.batchCopy(id), method: 'POST' }),
      invalidatesTags: ['Batches'],
    }),
    deleteBatch: b.mutation<BatchSummary, string>({
      query: (id) => ({ url: routes.batch(id), method: 'DELETE' }),
      invalidatesTags: ['Batches'],
    }),
    restoreBatch: b.mutation<BatchSummary, string>({
      query: (id) => ({ url: routes.batchRestore(id), method: 'POST' }),
      invalidatesTags: ['Batches'],
    }),
    materials: b.query<MaterialWire[], void>({ query: () => routes.materials, providesTags: ['Materials'] }),
    createMaterial: b.mutation<MaterialWire, MaterialWrite>({
      query: (body) => ({ url: routes.materials, method: 'POST', body }),
      invalidatesTags: ['Materials'],
    }),
    saveMaterial: b.mutation<MaterialWire, { id: string; version: number; material: MaterialWrite }>({
      query: ({ id, version, material }) => ({
        url: routes.material(id),
        method: 'PUT',
        body: { ...material, version },
      }),
      invalidatesTags: ['Materials'],
    }),
    deleteMaterial: b.mutation<MaterialWire, string>({
      query: (id) => ({ url: routes.material(id), method: 'DELETE' }),
      invalidatesTags: ['Materials'],
    }),
    restoreMaterial: b.mutation<MaterialWire, string>({
      query: (id) => ({ url: routes.materialRestore(id), method: 'POST' }),
      invalidatesTags: ['Materials'],
    }),
    palettes: b.query<PaletteWire[], void>({ query: () => routes.palettes, providesTags: ['Palettes'] }),
    createPalette: b.mutation<PaletteWire, Palette>({
      query: (body) => ({ url: routes.palettes, method: 'POST', body }),
      invalidatesTags: ['Palettes'],
    }),
    savePalette: b.mutation<PaletteWire, { id: string; version: number; palette: Palette }>({
      query: ({ id, version, palette }) => ({
        url: routes.palette(id),
        method: 'PUT',
        body: { ...palette, version },
      }),
      invalidatesTags: ['Palettes'],
    }),
    deletePalette: b.mutation<PaletteWire, string>({
      query: (id) => ({ url: routes.palette(id), method: 'DELETE' }),
      invalidatesTags: ['Palettes'],
    }),
    restorePalette: b.mutation<PaletteWire, string>({
      query: (id) => ({ url: routes.paletteRestore(id), method: 'POST' }),
      invalidatesTags: ['Palettes'],
    }),
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
    settings: b.query<SettingsWire, void>({ query: () => routes.settings, providesTags: ['Settings'] }),
    saveSettings: b.mutation<SettingsWire, { version: number; settings: Settings }>({
      query: ({ version, settings }) => ({
        url: routes.settings,
        method: 'PUT',
        body: { ...settings, version },
      }),
      invalidatesTags: ['Settings'],
    }),
    resetDemo: b.mutation<void, void>({
      query: () => ({
        url: routes.demoReset,
        method: 'POST',
        body: { confirm: 'replace everything with the demo' },
      }),
      invalidatesTags: ['Batches', 'Materials', 'Palettes', 'Moulds', 'Recipes', 'Settings'],
    }),
  }),
});

export const {
  useBatchesQuery,
  useCreateBatchMutation,
  useCopyBatchMutation,
  useDeleteBatchMutation,
  useRestoreBatchMutation,
  useMaterialsQuery,
  useCreateMaterialMutation,
  useSaveMaterialMutation,
  useDeleteMaterialMutation,
  useRestoreMaterialMutation,
  usePalettesQuery,
  useCreatePaletteMutation,
  useSavePaletteMutation,
  useDeletePaletteMutation,
  useRestorePaletteMutation,
  useMouldsQuery,
  useCreateMouldMutation,
  useSaveMouldMutation,
  useDeleteMouldMutation,
  useRestoreMouldMutation,
  useRecipesQuery,
  useCreateRecipeMutation,
  useDeleteRecipeMutation,
  useRestoreRecipeMutation,
  useSettingsQuery,
  useSaveSettingsMutation,
  useResetDemoMutation,
} = api;

/** What went wrong, as a coded problem: the server's own, or that it could not be reached. */
export type Failure =
  Problem | { readonly code: 'unreachable'; readonly message: string; readonly fields: readonly [] };

/** Reads a failed request. Anything that is no coded answer counts as unreachable. */
export function failureOf(error: unknown): Failure {
  const { status, data } = error as FetchBaseQueryError;
  if (typeof status === 'number' && typeof data === 'object' && data !== null && 'code' in data)
    return data as Problem;
  return { code: 'unreachable', message: 'The server cannot be reached.', fields: [] };
}
