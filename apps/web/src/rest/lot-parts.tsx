import { t } from '@lingui/core/macro';
import { Scissors } from 'lucide-react';
import { useState } from 'react';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { PartForm } from './part-form';
import { balanceOf, type LotPartsProps } from './use-part';

/** Parts of a lot: split, taken out, merged, thrown away; the grams balance. */
export const LotParts = (props: LotPartsProps) => {
  const { lot, formula } = props;
  const [open, setOpen] = useState(false);
  const { mass } = useUnits();
  const close = () => setOpen(false);
  return (
    <>
      <Button icon={<Scissors size={16} />} onClick={() => setOpen(true)}>{t`Parts`}</Button>
      <Dialog
        open={open}
        onClose={close}
        title={t`Parts of ${lot.lot}`}
        lead={t`${formula.name}: ${mass(balanceOf(lot, formula).leftG)} are left.`}
      >
        <PartForm {...props} onClose={close} />
      </Dialog>
    </>
  );
};
