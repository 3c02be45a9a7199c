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
      { path: 'welcome', ...page(() => import('../starter/welcome-page'), 'WelcomePage') },
      { path: 'begin/:step?', ...page(() => import('../starter/begin-page'), 'BeginPage') },
      { path: 'orders', ...page(() => import('../orders/orders-page'), 'OrdersPage') },
      { path: 'formula/new', ...page(() => import('../formula/import-page'), 'ImportPage') },
      {
        path: 'formula/:code/cups',
        ...page(() => import('../formula/home-sheet-page'), 'HomeSheetPage'),
      },
      { path: 'formula/:code?', ...page(() => import('../formula/formula-page'), 'FormulaPage') },
      { path: 'mix/:batchId?', ...page(() => import('../mixing/mix-page'), 'MixPage') },
      { path: 'portion/:batchId?', ...page(() => import('../portioning/portion-page'), 'PortionPage') },
      { path: 'rest/:batchId/labels', ...page(() => import('../rest/labels-page'), 'LabelsPage') },
      { path: 'rest/:batchId?', ...page(() => import('../rest/rest-page'), 'RestPage') },
      {
        path: 'bake/:loadId/template',
        ...page(() => import('../bake/template-page'), 'TemplatePage'),
      },
      { path: 'bake/:loadId?', ...page(() => import('../bake/bake-page'), 'BakePage') },
      { path: 'log/learned', ...page(() => import('../learning/learn-page'), 'LearnPage') },
      { path: 'log/:batchId?', ...page(() => import('../log/log-page'), 'LogPage') },
      { path: 'day/lists', ...page(() => import('../planning/day/lists-page'), 'ListsPage') },
      { path: 'day', ...page(() => import('../planning/day/day-page'), 'DayPage') },
      { path: 'week', ...page(() => import('../planning/week/week-page'), 'WeekPage') },
      { path: 'floor', ...page(() => import('../floor/floor-page'), 'FloorPage') },
      {
        path: 'setup/ingredients/:id?',
        ...page(() => import('../ingredient/ingredients-page'), 'IngredientsPage'),
      },
      { path: 'models', ...page(() => import('../help/models-page'), 'ModelsPage') },
      { path: 'setup', ...page(() => import('../bakery/setup-page'), 'SetupPage') },
      { path: '*', element: <RouteFailed /> },
    ],
  },
]);
