import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { router } from './routes';
import { brought } from '../lib/brought';
import { queryClient } from '../lib/queries';
import { followClock } from '../lib/now';
import { applyTheme } from '../lib/preferences';

applyTheme();
followClock();
// Nothing of it is needed before the first page shows.
void brought(() => import('./updates')).then(({ mendMissingFiles, offerUpdates }) => {
  mendMissingFiles();
  return offerUpdates();
});
const root = document.getElementById('root');
if (!root) throw new Error('The page has no root element.');
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);
