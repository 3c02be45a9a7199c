import { t } from '@lingui/core/macro';
import { Link, useLocation } from 'react-router';
import { buttonClass } from '../ui/button';
import { Empty } from '../ui/states';

/**
 * An address of something that this day does not have: a plan that was made anew, another day, a slip of the finger. Another
 * dough in its place would be weighed for it.
 */
export const NotOnDay = ({ id, path }: { readonly id: string; readonly path: string }) => {
  const { search } = useLocation();
  return (
    <Empty
      title={t`${id} is not on this day`}
      action={<Link to={`${path}${search}`} className={buttonClass('primary')}>{t`Show what is`}</Link>}
    >{t`The plan may have been made anew, or it is of another day.`}</Empty>
  );
};
