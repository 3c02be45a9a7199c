import { t } from '@lingui/core/macro';
import { createBrowserRouter } from 'react-router';
import { brought } from '../lib/brought';
import { Shell } from './shell';
import { RouteFailed } from './route-failed';
import { Start } from './start';

const page = <T extends Record<string, unknown>>(load: () => Promise<T>, name: keyof T) => ({
  lazy: async () => ({ Component: (await brought(load))[name] as React.ComponentType }),
});

export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <RouteFailed />,
    hydrateFallbackElement: <p className="p-10">{t`Starting …`}</p>,
    children: [
      { index: true, element: <Start /> },
      { path: 'welcome', ...page(() => import('../stations/begin/welcome-page'), 'WelcomePage') },
      { path: 'begin/:step?', ...page(() => import('../stations/begin/begin-page'), 'BeginPage') },
      { path: 'orders', ...page(() => import('../stations/orders/orders-page'), 'OrdersPage') },
      { path: 'formula/new', ...page(() => import('../stations/formula/import-page'), 'ImportPage') },
      {
        path: 'formula/:code/cups',
        ...page(() => import('../stations/formula/home-sheet-page'), 'HomeSheetPage'),
      },
      { path: 'formula/:code?', ...page(() => import('../stations/formula/formula-page'), 'FormulaPage') },
      { path: 'mix/:batchId?', ...page(() => import('../stations/mix/mix-page'), 'MixPage') },
      { path: 'portion/:batchId?', ...page(() => import('../stations/portion/portion-page'), 'PortionPage') },
      { path: 'rest/:batchId/labels', ...page(() => import('../stations/rest/labels-page'), 'LabelsPage') },
      { path: 'rest/:batchId?', ...page(() => import('../stations/rest/rest-page'), 'RestPage') },
      {
        path: 'bake/:loadId/template',
        ...page(() => import('../stations/bake/template-page'), 'TemplatePage'),
      },
      { path: 'bake/:loadId?', ...page(() => import('../stations/bake/bake-page'), 'BakePage') },
      { path: 'log/learned', ...page(() => import('../stations/learn/learn-page'), 'LearnPage') },
      { path: 'log/:batchId?', ...page(() => import('../stations/log/log-page'), 'LogPage') },
      { path: 'day/lists', ...page(() => import('../stations/day/lists-page'), 'ListsPage') },
      { path: 'day', ...page(() => import('../stations/day/day-page'), 'DayPage') },
      { path: 'week', ...page(() => import('../stations/week/week-page'), 'WeekPage') },
      { path: 'floor', ...page(() => import('../stations/floor/floor-page'), 'FloorPage') },
      {
        path: 'setup/ingredients/:id?',
        ...page(() => import('../stations/ingredients/ingredients-page'), 'IngredientsPage'),
      },
      { path: 'models', ...page(() => import('../help/models-page'), 'ModelsPage') },
      { path: 'setup', ...page(() => import('../stations/setup/setup-page'), 'SetupPage') },
      { path: '*', element: <RouteFailed /> },
    ],
  },
]);
