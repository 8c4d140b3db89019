import '@fontsource-variable/bricolage-grotesque/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { client } from './data/queries.ts';
import { Lost, Shell } from './shell/Shell.tsx';
import { GlobalStyle } from './style.ts';

const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Lost />,
    hydrateFallbackElement: <p />,
    children: [
      { index: true, lazy: () => import('./stations/today/First.tsx') },
      { path: 'today', lazy: () => import('./stations/today/Today.tsx') },
      {
        path: 'gather',
        lazy: () => import('./stations/gather/Drawers.tsx'),
        children: [
          { index: true, lazy: () => import('./stations/gather/Shelf.tsx') },
          { path: 'look-over', lazy: () => import('./stations/gather/LookOver.tsx') },
          { path: 'photo', lazy: () => import('./stations/gather/Photo.tsx') },
          { path: 'saving', lazy: () => import('./stations/gather/Saving.tsx') },
          { path: 'today', lazy: () => import('./stations/gather/Today.tsx') },
          { path: 'container', lazy: () => import('./stations/gather/Container.tsx') },
          { path: 'prices', lazy: () => import('./stations/gather/Prices.tsx') },
          { path: 'files', lazy: () => import('./stations/gather/Files.tsx') },
        ],
      },
      { path: 'shape/:id?', lazy: () => import('./stations/shape/Shape.tsx') },
      { path: 'check/:id?', lazy: () => import('./stations/check/Check.tsx') },
      { path: 'rules', lazy: () => import('./stations/check/Rules.tsx') },
      { path: 'price/:id?', lazy: () => import('./stations/price/Price.tsx') },
      { path: 'make/batches', lazy: () => import('./stations/make/Batches.tsx') },
      { path: 'make/batches/:id', lazy: () => import('./stations/make/Batch.tsx') },
      { path: 'make/batches/:id/bench', lazy: () => import('./stations/make/Bench.tsx') },
      { path: 'make/:id?', lazy: () => import('./stations/make/Make.tsx') },
      { path: 'lend', lazy: () => import('./stations/lend/Lend.tsx') },
      { path: 'lend/kits', lazy: () => import('./stations/lend/Bundles.tsx') },
      { path: 'lend/tell', lazy: () => import('./stations/lend/Tell.tsx') },
      { path: 'lend/families', lazy: () => import('./stations/lend/Families.tsx') },
      { path: 'lend/families/:id', lazy: () => import('./stations/lend/Family.tsx') },
      { path: 'lend/terms', lazy: () => import('./stations/lend/Terms.tsx') },
      { path: 'lend/terms/:id', lazy: () => import('./stations/lend/Terms.tsx') },
      { path: 'lend/lasting', lazy: () => import('./stations/lend/Lasting.tsx') },
      { path: 'watch', lazy: () => import('./stations/watch/Watch.tsx') },
      { path: 'watch/groups/:group?', lazy: () => import('./stations/watch/Group.tsx') },
      { path: 'watch/:child', lazy: () => import('./stations/watch/Child.tsx') },
      { path: 'place', lazy: () => import('./stations/place/Place.tsx') },
    ],
  },
]);

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <GlobalStyle />
    <QueryClientProvider client={client}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);
