import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import type { BakeryView } from '@jokul/contracts';
import { useJournal } from '../../journal/store';
import { call, get } from '../../lib/api';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';

type Kind = BakeryView['kind'];

/** A first database is made within seconds; a busy machine may take a while. */
const patienceMs = 180_000;
const againMs = 700;
const pause = () => new Promise((resolve) => setTimeout(resolve, againMs));

/** The server makes room for the other bakery, and answers again as that one. */
const untilOpen = async (kind: Kind): Promise<boolean> => {
  const untilMs = Date.now() + patienceMs;
  while (Date.now() < untilMs) {
    await pause();
    // While one is closed and the other not open yet, nobody answers.
    const open = await get<BakeryView>('bakery').catch(() => null);
    if (open?.kind === kind) return true;
  }
  return false;
};

const names: Readonly<Record<Kind, string>> = { demo: t`the demo`, own: t`your own bakery` };

/** Opens the demo, or one's own bakery, in place of the one that is open, once that was confirmed. */
export const OpenBakery = ({ kind, children }: { readonly kind: Kind; readonly children: string }) => {
  const [state, setState] = useState<'closed' | 'asked' | 'opening' | 'failed'>('closed');
  const waiting = useJournal(({ pending }) => pending.length);
  const open = async () => {
    setState('opening');
    try {
      await call('POST', 'bakery/open', { kind });
      if (!(await untilOpen(kind))) throw new Error('silent');
      window.location.assign('/');
    } catch {
      setState('failed');
    }
  };
  return (
    <>
      <Button onClick={() => setState('asked')}>{children}</Button>
      <Dialog
        open={state !== 'closed'}
        onClose={() => state !== 'opening' && setState('closed')}
        title={t`Open ${names[kind]}?`}
        lead={t`Every screen of this server changes along, and those who work at them too. Nothing is lost: each bakery keeps its own records.`}
      >
        {waiting > 0 && (
          <p role="alert" className="mb-3 font-medium text-hand">
            {t`${plural(waiting, { one: '1 entry of this device is', other: '# entries of this device are' })} not sent yet. Wait until they are.`}
          </p>
        )}
        {state === 'opening' && (
          <p
            role="status"
            className="mb-3 text-ink-soft"
          >{t`Opening … The first time takes half a minute.`}</p>
        )}
        {state === 'failed' && (
          <p
            role="alert"
            className="mb-3 text-hand"
          >{t`It did not open. Nothing is lost: look at the terminal that Jokul was started in, then try again.`}</p>
        )}
        <div className="flex justify-end gap-2">
          <Button disabled={state === 'opening'} onClick={() => setState('closed')}>{t`Cancel`}</Button>
          <Button look="primary" disabled={state === 'opening' || waiting > 0} onClick={() => void open()}>
            {t`Open ${names[kind]}`}
          </Button>
        </div>
      </Dialog>
    </>
  );
};
