import { useState } from 'react';
import type { BakeryView } from '@jokul/contracts';
import { call, get } from '../../lib/api';
import { Button } from '../../ui/button';

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

/** Opens the demo, or one's own bakery, in place of the one that is open, and begins there anew. */
export const OpenBakery = ({
  kind,
  children,
  look = 'plain',
}: {
  readonly kind: Kind;
  readonly children: string;
  readonly look?: 'primary' | 'plain';
}) => {
  const [state, setState] = useState<'asking' | 'opening' | 'failed'>('asking');
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
      <Button look={look} disabled={state === 'opening'} onClick={() => void open()}>
        {state === 'opening' ? 'Opening …' : children}
      </Button>
      {state === 'opening' && (
        <p role="status" className="mt-1 text-[13.5px] text-ink-soft">
          The first time takes half a minute. All screens of this server change along.
        </p>
      )}
      {state === 'failed' && (
        <p role="alert" className="mt-1 text-[13.5px] text-hand">
          It did not open. Nothing is lost: look at the terminal that Jokul was started in, then try again.
        </p>
      )}
    </>
  );
};
