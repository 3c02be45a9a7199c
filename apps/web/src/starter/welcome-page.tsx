import { Trans } from '@lingui/react/macro';
import { t } from '@lingui/core/macro';
import { useNavigate } from 'react-router';
import { inUse } from '@jokul/core';
import { useBakery } from '../lib/queries';
import { usePreferences } from '../lib/preferences';
import { Button } from '../ui/button';
import { OpenBakery } from '../bakery/open-bakery';
import { BakeryButtons } from '../bakery/other-bakeries';

const Choice = ({
  title,
  children,
  action,
}: {
  readonly title: string;
  readonly children: React.ReactNode;
  readonly action: React.ReactNode;
}) => (
  <section aria-label={title} className="flex flex-col rounded-lg border bg-surface p-5">
    <h2 className="text-lg font-semibold">{title}</h2>
    <div className="mt-1 mb-5 flex-1 space-y-2 text-ink-soft">{children}</div>
    <div>{action}</div>
  </section>
);

/** What a new browser sees first: the demo, or a bakery of one's own. */
export const WelcomePage = () => {
  const { data } = useBakery();
  const { set } = usePreferences();
  const navigate = useNavigate();
  if (!data) return null;
  return (
    <div className="h-full overflow-y-auto px-5 py-10 max-sm:px-3 max-sm:py-5">
      <div className="mx-auto max-w-[52rem]">
        <h1 className="text-[28px] leading-tight font-semibold">{t`Cookie dough, from the order to the rack`}</h1>
        <p className="mt-1 mb-6 text-ink-soft">{t`Jokul scales the batches, times the cold and plans the ovens, so that every tray comes out as it should.`}</p>
        <div className="grid grid-cols-2 gap-4 max-sm:grid-cols-1">
          <Choice
            title={t`Look at the demo`}
            action={
              <Button
                look="primary"
                onClick={() => {
                  set({ welcomed: true });
                  void navigate('/orders');
                }}
              >{t`Look at the demo`}</Button>
            }
          >
            <p>
              {t`${data.name}, a made-up bakery on a busy Friday morning: ${data.formulas.length} doughs, ${inUse(data.equipment).ovens.length} oven chambers, and customers who wait.`}
            </p>
            <p>{t`Try anything. “npm run demo:reset” puts it back.`}</p>
          </Choice>
          <Choice
            title={data.ownBakeries.length === 0 ? t`Set up my bakery` : t`Bakeries of your own`}
            action={
              data.other ? (
                data.ownBakeries.length === 0 ? (
                  <OpenBakery id="own" name={t`your own bakery`}>{t`Set up my bakery`}</OpenBakery>
                ) : (
                  <BakeryButtons bakery={data} />
                )
              ) : (
                <p className="text-ink">
                  <Trans>
                    In the terminal: <code className="figures">npm start -- --empty</code>
                  </Trans>
                </p>
              )
            }
          >
            <p>{t`Your ovens, trays, mixers and cold places, a first formula, a first order and a first plan: nine steps, about ten minutes. You can leave at any step and go on later.`}</p>
            <p>{t`The demo stays beside it; Setup goes from one to the other.`}</p>
          </Choice>
        </div>
      </div>
    </div>
  );
};
