import { Navigate, useLocation } from 'react-router';
import { usePreferences } from '../lib/preferences';
import { useBakery } from '../lib/queries';

/** Where one begins: a new browser chooses, a bakery without a formula is set up, all others go to their orders. */
export const Start = () => {
  const { data } = useBakery();
  const { welcomed } = usePreferences();
  const { search } = useLocation();
  if (!data) return null;
  const to =
    data.kind === 'own'
      ? data.formulas.length === 0
        ? '/begin'
        : '/orders'
      : welcomed
        ? '/orders'
        : '/welcome';
  return <Navigate to={{ pathname: to, search }} replace />;
};
