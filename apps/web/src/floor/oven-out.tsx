import { plural, t } from '@lingui/core/macro';
import { Power, PowerOff } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import type { Action, Oven } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Said } from '../ui/said';
import { useChangeEquipment } from '../bakery/equipment/use-equipment';

/** Takes an oven out of use where one stands before it, and back again; the loads planned into it are then looked after. */
export const OvenOut = ({
  oven,
  bakery,
  actions,
}: {
  readonly oven: Oven;
  readonly bakery: BakeryView;
  readonly actions: readonly Action[];
}) => {
  const [asked, setAsked] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const { change, busy } = useChangeEquipment(bakery);
  const waiting = actions.filter(({ kind, ovenId }) => kind === 'load' && ovenId === oven.id).length;
  const set = (retired: boolean) => {
    const ovens = bakery.equipment.ovens.map((own) => (own.id === oven.id ? { ...own, retired } : own));
    void change(
      { ...bakery.equipment, ovens },
      retired ? t`${oven.name} is out of use.` : t`${oven.name} is in use again.`,
    ).then((refused) => {
      setProblem(refused);
      if (refused === null) setAsked(false);
      else if (!asked) toast.error(refused, { duration: 12_000 });
    });
  };
  if (oven.retired)
    return (
      <Button
        size="small"
        className="thumb"
        icon={<Power size={16} aria-hidden />}
        disabled={busy}
        onClick={() => set(false)}
      >{t`Back in use`}</Button>
    );
  return (
    <>
      <Button
        size="small"
        look="quiet"
        aria-label={t`Take ${oven.name} out of use`}
        title={t`Take ${oven.name} out of use`}
        icon={<PowerOff size={16} aria-hidden />}
        onClick={() => setAsked(true)}
      />
      <Dialog
        open={asked}
        onClose={() => {
          setAsked(false);
          setProblem(null);
        }}
        title={t`Take ${oven.name} out of use?`}
        lead={
          waiting === 0
            ? t`No load of this day is planned into it any more.`
            : t`${plural(waiting, { one: '# load is', other: '# loads are' })} still planned into it. Jokul then says who will be late, and what can be done.`
        }
      >
        {problem && (
          <p role="alert" className="mb-3 font-medium text-hand">
            <Said>{problem}</Said>
          </p>
        )}
        <div className="flex flex-wrap justify-end gap-2">
          <Button onClick={() => setAsked(false)}>{t`Cancel`}</Button>
          <Button look="hand" disabled={busy} onClick={() => set(true)}>{t`Out of use`}</Button>
        </div>
      </Dialog>
    </>
  );
};
