import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import type { BakeryView } from '@jokul/contracts';
import { useJournal } from '../journal/store';
import { call, get } from '../lib/api';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';

/** A first database is made within seconds; a busy machine may take a while. */
const patienceMs = 180_000;
const againMs = 700;
const pause = () => new Promise((resolve) => setTimeout(resolve, againMs));

/** The server makes room for another bakery, and answers again as that one. */
const untilOpen = async (id: string): Promise<boolean> => {
  const untilMs = Date.now() + patienceMs;
  while (Date.now() < untilMs) {
    await pause();
    // While one is closed and the other not open yet, nobody answers.
    const open = await get<BakeryView>('bakery').catch(() => null);
    if (open?.id === id) return true;
  }
  return false;
};

/** A name takes as many lines as it needs. */
const longName = 'max-w-full whitespace-normal! text-left [overflow-wrap:anywhere]';

/** Opens another bakery in place of the one that is open, once that was confirmed. */
export const OpenBakery = ({
  id,
  name,
  children,
}: {
  /** "demo", one of one's own, or "new" for another one. */
  readonly id: string;
  /** As it stands in a sentence: "the demo". */
  readonly name: string;
  readonly children: string;
}) => {
  const [state, setState] = useState<'closed' | 'asked' | 'opening' | 'failed'>('closed');
  const waiting = useJournal(({ pending }) => pending.length);
  const open = async () => {
    setState('opening');
    try {
      const wanted = id === 'demo' ? { kind: id } : { kind: 'own', id };
      const opened = await call<{ readonly id: string }>('POST', 'bakery/open', wanted);
      if (!(await untilOpen(opened.id))) throw new Error('silent');
      window.location.assign('/');
    } catch {
      setState('failed');
    }
  };
  return (
    <>
      <Button className={longName} onClick={() => setState('asked')}>
        {children}
      </Button>
      <Dialog
        open={state !== 'closed'}
        onClose={() => state !== 'opening' && setState('closed')}
        title={t`Open ${name}?`}
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
          <Button
            look="primary"
            className={longName}
            disabled={state === 'opening' || waiting > 0}
            onClick={() => void open()}
          >
            {t`Open ${name}`}
          </Button>
        </div>
      </Dialog>
    </>
  );
};
