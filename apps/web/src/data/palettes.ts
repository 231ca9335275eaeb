import { type Palette, type PaletteWire, routes } from '@kleur/contract';
import { api } from './api.ts';

/** Saved palettes. */
export const palettesApi = api.injectEndpoints({
  endpoints: (b) => ({
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
  }),
});

export const {
  usePalettesQuery,
  useCreatePaletteMutation,
  useSavePaletteMutation,
  useDeletePaletteMutation,
  useRestorePaletteMutation,
} = palettesApi;
