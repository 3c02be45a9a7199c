import { useActions } from '../line/actions';
import { useLoadingWatch } from '../line/at-loading';
import { useLots } from '../line/lots';

/** Follows the dough of the loads that are due; shows nothing. Of its own, so that no first page waits for its models. */
export const LoadingWatch = () => {
  useLoadingWatch(useActions(), useLots());
  return null;
};
