import {
  AppstoreOutlined,
  BookOutlined,
  CalendarOutlined,
  DatabaseOutlined,
  SettingOutlined,
} from '../shared/ui/icons.tsx';
import { type ReactNode } from 'react';
import { redirect, type RouteObject } from 'react-router';
import { FIRST_STEP, steps } from '../rooms/bench/steps.ts';
import { store } from './store.ts';

/** A room on the rail. Router, rail, keys and the help on keys are made of these. */
export interface Room {
  readonly path: string;
  readonly label: string;
  readonly icon: ReactNode;
  readonly key: string;
  readonly load: NonNullable<RouteObject['lazy']>;
  /** Addresses below the room's own. */
  readonly below?: readonly RouteObject[];
}

const startRoute: RouteObject = {
  path: 'new',
  lazy: async () => ({ Component: (await import('../rooms/bench/start/StartRoom.tsx')).StartRoom }),
};

const compareRoute: RouteObject = {
  path: 'compare',
  lazy: async () => ({ Component: (await import('../rooms/batches/CompareRoom.tsx')).CompareRoom }),
};

const benchRoute: RouteObject = {
  path: ':id',
  lazy: async () => {
    const [{ BenchRoom }, { benchLoader, shouldReload }] = await Promise.all([
      import('../rooms/bench/BenchRoom.tsx'),
      import('../rooms/bench/benchLoader.ts'),
    ]);
    return { Component: BenchRoom, loader: benchLoader(store.dispatch), shouldRevalidate: shouldReload };
  },
  HydrateFallback: () => <p className="loading">Opening…</p>,
  children: [
    // Before anything is shown: a step chosen by an element would race with what the maker does first.
    {
      index: true,
      element: null,
      loader: ({ params }) => redirect(`/batches/${params.id ?? ''}/${FIRST_STEP}`),
    },
    ...steps.map(({ path, load }): RouteObject => ({
      path,
      lazy: async () => ({ Component: await load() }),
    })),
  ],
};

export const rooms: readonly Room[] = [
  {
    path: 'batches',
    label: 'Batches',
    icon: <AppstoreOutlined />,
    key: 'b',
    load: async () => ({ Component: (await import('../rooms/batches/BatchesRoom.tsx')).BatchesRoom }),
    below: [startRoute, compareRoute, benchRoute],
  },
  {
    path: 'shelf',
    label: 'Shelf',
    icon: <DatabaseOutlined />,
    key: 's',
    load: async () => ({ Component: (await import('../rooms/shelf/ShelfRoom.tsx')).ShelfRoom }),
  },
  {
    path: 'book',
    label: 'Swatch book',
    icon: <BookOutlined />,
    key: 'k',
    load: async () => ({ Component: (await import('../rooms/book/BookRoom.tsx')).BookRoom }),
    below: [
      {
        path: 'import',
        lazy: async () => ({ Component: (await import('../rooms/book/ImportPage.tsx')).ImportPage }),
      },
      {
        path: 'photo',
        lazy: async () => ({ Component: (await import('../rooms/book/PhotoPage.tsx')).PhotoPage }),
      },
      {
        path: 'trial',
        lazy: async () => ({ Component: (await import('../rooms/book/TrialPage.tsx')).TrialPage }),
      },
      {
        path: ':id',
        lazy: async () => ({ Component: (await import('../rooms/book/BookRoom.tsx')).BookRoom }),
      },
    ],
  },
  {
    path: 'calendar',
    label: 'Calendar',
    icon: <CalendarOutlined />,
    key: 'd',
    load: async () => ({ Component: (await import('../rooms/calendar/CalendarRoom.tsx')).CalendarRoom }),
  },
  {
    path: 'settings',
    label: 'Settings',
    icon: <SettingOutlined />,
    key: ',',
    load: async () => ({ Component: (await import('../rooms/settings/SettingsRoom.tsx')).SettingsRoom }),
  },
];
