import { t } from '@lingui/core/macro';
import { Split } from 'lucide-react';
import { useState } from 'react';
import type { BakeryView } from '@jokul/contracts';
import { Button } from '../../../ui/button';
import { WhySection } from '../../../line/station';
import { WhatIfDialog } from './what-if-dialog';

/** The way to a copy of the day in which something is otherwise. */
export const WhatIf = ({ date, bakery }: { readonly date: string; readonly bakery: BakeryView }) => {
  const [open, setOpen] = useState(false);
  return (
    <WhySection title={t`What if …?`}>
      <p className="mb-2">{t`An oven less or more, somebody ill, an order that may come: try it on a copy of the day.`}</p>
      <Button icon={<Split size={16} aria-hidden />} onClick={() => setOpen(true)}>{t`Try something`}</Button>
      {open && (
        <WhatIfDialog date={date} today={bakery.today} bakery={bakery} onClose={() => setOpen(false)} />
      )}
    </WhySection>
  );
};
