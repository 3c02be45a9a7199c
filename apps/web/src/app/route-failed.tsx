import { t } from '@lingui/core/macro';
import { Link, useRouteError } from 'react-router';
import { buttonClass } from '../ui/button';
import { Failed } from '../ui/states';

/** A page that does not exist, or that failed. */
export const RouteFailed = () => {
  const error = useRouteError();
  return (
    <div className="p-6">
      <Failed
        error={
          error instanceof Error ? error : new Error(t`There is no such page. The stations are on the left.`)
        }
      />
      <p className="text-center">
        <Link to="/orders" className={buttonClass()}>{t`Go to Orders`}</Link>
      </p>
    </div>
  );
};
