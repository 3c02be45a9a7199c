import { t } from '@lingui/core/macro';
import type { Formula } from '@jokul/core';
import { Dialog } from '../ui/dialog';
import { FromDay } from './from-day';
import { FromSheet } from './from-sheet';

/** Orders from a spreadsheet, a CSV file or the list of another day. */
export const MoreOrders = ({
  date,
  formulas,
  open,
  onClose,
}: {
  date: string;
  formulas: readonly Formula[];
  open: boolean;
  onClose: () => void;
}) => (
  <Dialog open={open} onClose={onClose} title={t`Many lines at once`} wide>
    <FromSheet date={date} formulas={formulas} onDone={onClose} />
    <FromDay date={date} onDone={onClose} />
  </Dialog>
);
