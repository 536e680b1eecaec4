import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ComponentType } from 'react';
import {
  RouterProvider,
  createBrowserRouter,
  type NonIndexRouteObject,
  type RouteObject,
} from 'react-router';
import { ThemeAndNotices } from './look/ThemeAndNotices.tsx';
import { Mishap, NotFound } from './look/NotFound.tsx';
import { NewVersion } from './offline/NewVersion.tsx';
import { ShelfPage } from './shelf/ShelfPage.tsx';

/** A page that is fetched when it is first opened. */
const pageAt = (path: string, page: () => Promise<ComponentType>): NonIndexRouteObject => ({
  path,
  lazy: async () => ({ Component: await page() }),
  errorElement: <Mishap />,
  hydrateFallbackElement: <p className="loading">Loading …</p>,
});

const routes: RouteObject[] = [
  { path: '/', element: <ShelfPage />, errorElement: <Mishap /> },
  {
    ...pageAt('/hem/:id', async () => (await import('./thread/HemPage.tsx')).HemPage),
    id: 'hem',
    children: [
      { index: true, lazy: async () => ({ Component: (await import('./thread/HemPage.tsx')).ToFirstStop }) },
    ],
  },
  pageAt('/new', async () => (await import('./start/StartPage.tsx')).StartPage),
  pageAt('/open', async () => (await import('./shelf/OpenLinkPage.tsx')).OpenLinkPage),
  pageAt('/hands', async () => (await import('./hands/HandsPage.tsx')).HandsPage),
  pageAt('/log', async () => (await import('./log/AllLogsPage.tsx')).AllLogsPage),
  pageAt('/practice', async () => (await import('./practice/PracticePage.tsx')).PracticePage),
  pageAt('/stitches', async () => (await import('./stitches/StitchesPage.tsx')).StitchesPage),
  pageAt('/licences', async () => (await import('./offline/LicencesPage.tsx')).LicencesPage),
  { path: '*', element: <NotFound /> },
];

let hasStops = false;

const router = createBrowserRouter(routes, {
  // The stops of a hem are fetched with the first hem, to keep the first page small.
  patchRoutesOnNavigation: async ({ path, patch }) => {
    if (hasStops || !path.startsWith('/hem/')) return;
    const { BESIDE, STOPS } = await import('./thread/stops.ts');
    hasStops = true;
    patch(
      'hem',
      [...STOPS, ...BESIDE].map((stop) => ({
        path: stop.path,
        lazy: async () => ({ Component: await stop.page() }),
      })),
    );
  },
});

// The data is in this browser: it is never stale but by our own edits, and a shelf is too long to be compared.
const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: Infinity, retry: false, structuralSharing: false } },
});

export function App() {
  return (
    <QueryClientProvider client={queries}>
      <ThemeAndNotices>
        <NewVersion />
        <RouterProvider router={router} />
      </ThemeAndNotices>
    </QueryClientProvider>
  );
}
