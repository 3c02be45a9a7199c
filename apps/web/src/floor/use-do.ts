import { useLocation, useNavigate } from 'react-router';
import type { Action } from '@jokul/core';
import { doPreparation, doTrayAction, pathOf, useNames } from '../line/actions';
import { useLots } from '../line/lots';
import { sayDone } from '../line/say-done';

/** One press for what is due: it is written down and said, or the way leads to where it is done. */
export const useDo = () => {
  const lots = useLots();
  const names = useNames();
  const navigate = useNavigate();
  const { search } = useLocation();
  return (action: Action) => {
    if (doPreparation(action)) {
      sayDone(action, names.product(action.productCode));
      return;
    }
    if (!doTrayAction(action, lots)) {
      if (!action.load) void navigate({ pathname: pathOf(action), search });
      return;
    }
    sayDone(action, names.product(action.productCode));
  };
};
