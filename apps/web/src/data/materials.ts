import { type MaterialWire, type MaterialWrite, routes } from '@kleur/contract';
import { api } from './api.ts';

/** The shelf. */
export const materialsApi = api.injectEndpoints({
  endpoints: (b) => ({
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
  }),
});

export const {
  useMaterialsQuery,
  useCreateMaterialMutation,
  useSaveMaterialMutation,
  useDeleteMaterialMutation,
  useRestoreMaterialMutation,
} = materialsApi;
