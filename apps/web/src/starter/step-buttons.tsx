import { t } from '@lingui/core/macro';
import { Link, useNavigate } from 'react-router';
import { Button, buttonClass } from '../ui/button';
import { doneByLooking, stepIds, stepWords, type StepId } from './steps';
import { useBegin } from './use-begin';

interface StepButtonsProps {
  readonly step: StepId;
  readonly isDone: boolean;
  readonly search: string;
  /** Asks first where something is not saved. */
  readonly mayLeave: () => boolean;
}

/** Back and on; at the end to the day. */
export const StepButtons = ({ step, isDone, search, mayLeave }: StepButtonsProps) => {
  const navigate = useNavigate();
  const { look, finish } = useBegin();
  const at = stepIds.indexOf(step);
  const before = stepIds[at - 1];
  const after = stepIds[at + 1];
  const go = (to: string) => void navigate({ pathname: to, search });
  return (
    <div className="mt-8 flex flex-wrap justify-between gap-2 border-t pt-4">
      {before ? (
        <Button onClick={() => go(`/begin/${before}`)}>{t`Back`}</Button>
      ) : (
        <Link to="/orders" className={buttonClass('quiet')}>{t`Not now`}</Link>
      )}
      {after ? (
        <Button
          look="primary"
          onClick={() => {
            if (!mayLeave()) return;
            if (doneByLooking(step) || isDone) look(step);
            go(`/begin/${after}`);
          }}
        >
          {t`Next: ${stepWords[after].name.toLowerCase()}`}
        </Button>
      ) : (
        <Button
          look="primary"
          onClick={() => {
            look(step);
            finish();
            go('/day');
          }}
        >{t`Go to the day`}</Button>
      )}
    </div>
  );
};
