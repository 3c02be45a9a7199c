import { t } from '@lingui/core/macro';
import type { BakeryName, BakeryView } from '@jokul/contracts';
import { OpenBakery } from './open-bakery';

type Bakeries = Pick<BakeryView, 'id' | 'kind' | 'ownBakeries'>;

/** A button for each bakery of this machine that is not open, and for a new one. */
export const BakeryButtons = ({ bakery: { id, kind, ownBakeries } }: { readonly bakery: Bakeries }) => {
  // Two of one name are told apart by what the start command calls them.
  const called = (own: BakeryName) =>
    ownBakeries.filter(({ name }) => name === own.name).length > 1 ? `${own.name} (${own.id})` : own.name;
  return (
    <ul aria-label={t`Other bakeries`} className="flex flex-wrap gap-2">
      {kind === 'own' && (
        <li>
          <OpenBakery id="demo" name={t`the demo`}>{t`Open the demo`}</OpenBakery>
        </li>
      )}
      {ownBakeries
        .filter((own) => own.id !== id)
        .map((own) => (
          <li key={own.id} className="max-w-full">
            <OpenBakery id={own.id} name={called(own)}>{t`Open ${called(own)}`}</OpenBakery>
          </li>
        ))}
      <li>
        {ownBakeries.length === 0 ? (
          <OpenBakery id="own" name={t`your own bakery`}>{t`Open my own bakery`}</OpenBakery>
        ) : (
          <OpenBakery id="new" name={t`another bakery`}>{t`Begin another bakery`}</OpenBakery>
        )}
      </li>
    </ul>
  );
};

/** The way from this bakery to the others: the demo, those of one's own, and a new one. */
export const OtherBakeries = ({ bakery }: { readonly bakery: Bakeries }) => (
  <div className="mt-3 border-t pt-3">
    <p className="mb-2 text-[13.5px] text-ink-soft">
      {bakery.kind === 'demo'
        ? t`This is the demo. A bakery of your own has records of its own; the demo stays.`
        : t`This is a bakery of your own. Each other one, and the demo, has records of its own; yours stay.`}
    </p>
    <BakeryButtons bakery={bakery} />
  </div>
);
