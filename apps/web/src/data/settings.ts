import { type Settings, type SettingsWire, routes } from '@kleur/contract';
import { api } from './api.ts';

/** The maker's habits. */
export const settingsApi = api.injectEndpoints({
  endpoints: (b) => ({
    settings: b.query<SettingsWire, void>({ query: () => routes.settings, providesTags: ['Settings'] }),
    saveSettings: b.mutation<SettingsWire, { version: number; settings: Settings }>({
      query: ({ version, settings }) => ({
        url: routes.settings,
        method: 'PUT',
        body: { ...settings, version },
      }),
      invalidatesTags: ['Settings'],
    }),
  }),
});

export const { useSettingsQuery, useSaveSettingsMutation } = settingsApi;
