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
    /** Saves several, one after another; the shelf is asked for once. Ends with the first that is refused. */
    saveMaterials: b.mutation<null, readonly { id: string; version: number; material: MaterialWrite }[]>({
      queryFn: async (list, _api, _options, send) => {
        for (const { id, version, material } of list) {
          const answer = await send({
            url: routes.material(id),
            method: 'PUT',
            body: { ...material, version },
          });
          if (answer.error) return { error: answer.error };
        }
        return { data: null };
      },
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
  useSaveMaterialsMutation,
  useDeleteMaterialMutation,
  useRestoreMaterialMutation,
} = materialsApi;
