import { createBrowserRouter, redirect, type RouteObject } from 'react-router';
import { RouteError } from './RouteError.tsx';
import { rooms } from './routes.tsx';
import { Shell } from './Shell.tsx';

/** Rooms are split off: the first load holds the shell and whichever room was asked for. */
const roomRoutes = rooms.flatMap(({ path, load, below = [] }): RouteObject[] => [
  { path, lazy: load },
  ...below.map((route) => ({ ...route, path: `${path}/${route.path ?? ''}` })),
]);

export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <RouteError />,
    HydrateFallback: () => null,
    children: [
      { index: true, element: null, loader: () => redirect(`/${rooms[0]!.path}`) },
      ...roomRoutes,
      { path: '*', element: <RouteError /> },
    ],
  },
]);
