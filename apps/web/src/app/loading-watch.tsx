import { useActions } from './actions';
import { useLoadingWatch } from './at-loading';
import { useLots } from './lots';

/** Follows the dough of the loads that are due; shows nothing. Of its own, so that no first page waits for its models. */
export const LoadingWatch = () => {
  useLoadingWatch(useActions(), useLots());
  return null;
};
