import { createBrowserRouter, redirect } from 'react-router';
import { RouteError } from './RouteError.tsx';
import { Shell } from './Shell.tsx';

/** Rooms are split off: the first load holds the shell and whichever room was asked for. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <RouteError />,
    HydrateFallback: () => null,
    children: [
      { index: true, element: null, loader: () => redirect('/batches') },
      {
        path: 'batches',
        lazy: async () => ({ Component: (await import('../rooms/batches/BatchesRoom.tsx')).BatchesRoom }),
      },
      {
        path: 'batches/:id',
        lazy: async () => ({ Component: (await import('../rooms/bench/BenchRoom.tsx')).BenchRoom }),
        children: [
          {
            index: true,
            element: null,
            loader: ({ params }) => redirect(`/batches/${params.id ?? ''}/pots`),
          },
          {
            path: 'idea',
            lazy: async () => ({ Component: (await import('../rooms/bench/steps/IdeaStep.tsx')).IdeaStep }),
          },
          {
            path: 'base',
            lazy: async () => ({ Component: (await import('../rooms/bench/steps/BaseStep.tsx')).BaseStep }),
          },
          {
            path: 'pots',
            lazy: async () => ({ Component: (await import('../rooms/bench/steps/PotsStep.tsx')).PotsStep }),
          },
          {
            path: 'prep',
            lazy: async () => ({ Component: (await import('../rooms/bench/steps/PrepStep.tsx')).PrepStep }),
          },
        ],
      },
      {
        path: 'shelf',
        lazy: async () => ({ Component: (await import('../rooms/shelf/ShelfRoom.tsx')).ShelfRoom }),
      },
      {
        path: 'settings',
        lazy: async () => ({ Component: (await import('../rooms/settings/SettingsRoom.tsx')).SettingsRoom }),
      },
      { path: '*', element: <RouteError /> },
    ],
  },
]);
