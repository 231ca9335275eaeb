import { render, type RenderResult } from '@testing-library/react';
import { type ReactNode } from 'react';
import { Provider } from 'react-redux';
import { defaultSettings, type MaterialWire, type Settings } from '@kleur/contract';
import { materialsApi } from '../src/data/materials.ts';
import { settingsApi } from '../src/data/settings.ts';
import { makeStore } from '../src/data/store.ts';

/** A store of its own with the server's answers put in, so that nothing is asked. */
export async function testStore(settings: Partial<Settings> = {}, materials: readonly MaterialWire[] = []) {
  const store = makeStore();
  const wire = { ...defaultSettings, ...settings, version: 1 };
  await store.dispatch(settingsApi.util.upsertQueryData('settings', undefined, wire));
  await store.dispatch(materialsApi.util.upsertQueryData('materials', undefined, [...materials]));
  return store;
}

/** Renders inside a store. */
export const renderIn = (store: Awaited<ReturnType<typeof testStore>>, node: ReactNode): RenderResult =>
  render(<Provider store={store}>{node}</Provider>);
