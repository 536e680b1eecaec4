import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider, createBrowserRouter, type RouteObject } from 'react-router';
import { Look } from './look/Look.tsx';
import { Mishap, NotFound } from './look/NotFound.tsx';
import { NewVersion } from './offline/NewVersion.tsx';
import { ShelfPage } from './shelf/ShelfPage.tsx';

const routes: RouteObject[] = [
  { path: '/', element: <ShelfPage />, errorElement: <Mishap /> },
  {
    id: 'hem',
    path: '/hem/:id',
    lazy: async () => ({ Component: (await import('./thread/HemPage.tsx')).HemPage }),
    children: [
      { index: true, lazy: async () => ({ Component: (await import('./thread/HemPage.tsx')).ToFirstStop }) },
    ],
    errorElement: <Mishap />,
    hydrateFallbackElement: <p className="loading">Loading …</p>,
  },
  {
    path: '/new',
    lazy: async () => ({ Component: (await import('./start/StartPage.tsx')).StartPage }),
    errorElement: <Mishap />,
    hydrateFallbackElement: <p className="loading">Loading …</p>,
  },
  {
    path: '/open',
    lazy: async () => ({ Component: (await import('./shelf/OpenLinkPage.tsx')).OpenLinkPage }),
    errorElement: <Mishap />,
    hydrateFallbackElement: <p className="loading">Loading …</p>,
  },
  {
    path: '/hands',
    lazy: async () => ({ Component: (await import('./hands/HandsPage.tsx')).HandsPage }),
    errorElement: <Mishap />,
    hydrateFallbackElement: <p className="loading">Loading …</p>,
  },
  {
    path: '/log',
    lazy: async () => ({ Component: (await import('./log/AllLogsPage.tsx')).AllLogsPage }),
    errorElement: <Mishap />,
    hydrateFallbackElement: <p className="loading">Loading …</p>,
  },
  {
    path: '/practice',
    lazy: async () => ({ Component: (await import('./practice/PracticePage.tsx')).PracticePage }),
    errorElement: <Mishap />,
    hydrateFallbackElement: <p className="loading">Loading …</p>,
  },
  {
    path: '/stitches',
    lazy: async () => ({ Component: (await import('./stitches/StitchesPage.tsx')).StitchesPage }),
    errorElement: <Mishap />,
    hydrateFallbackElement: <p className="loading">Loading …</p>,
  },
  {
    path: '/licences',
    lazy: async () => ({ Component: (await import('./offline/LicencesPage.tsx')).LicencesPage }),
    errorElement: <Mishap />,
    hydrateFallbackElement: <p className="loading">Loading …</p>,
  },
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
      <Look>
        <NewVersion />
        <RouterProvider router={router} />
      </Look>
    </QueryClientProvider>
  );
}
