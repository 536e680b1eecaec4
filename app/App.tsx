import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider, createBrowserRouter } from 'react-router';
import { STOPS } from './thread/stops.ts';
import { Look } from './look/Look.tsx';
import { Mishap, NotFound } from './look/NotFound.tsx';
import { NewVersion } from './offline/NewVersion.tsx';
import { ShelfPage } from './shelf/ShelfPage.tsx';

const router = createBrowserRouter([
  { path: '/', element: <ShelfPage />, errorElement: <Mishap /> },
  {
    path: '/hem/:id',
    lazy: async () => ({ Component: (await import('./thread/HemPage.tsx')).HemPage }),
    children: [
      { index: true, lazy: async () => ({ Component: (await import('./thread/HemPage.tsx')).ToFirstStop }) },
      ...STOPS.map(({ path, page }) => ({ path, lazy: async () => ({ Component: await page() }) })),
    ],
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
]);

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
