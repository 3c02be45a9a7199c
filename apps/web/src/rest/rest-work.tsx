import { t } from '@lingui/core/macro';
import { Tag } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link, useLocation } from 'react-router';
import { inUse, isDough } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useNames } from '../line/actions';
import { taskOf } from '../line/batch';
import { record } from '../journal/store';
import { useBakery } from '../lib/queries';
import { useUnits } from '../lib/units';
import { AtTabs } from '../ui/at-tabs';
import { Button, buttonClass } from '../ui/button';
import { Cautions, Station } from '../line/station';
import { AgeClocks } from './age-clocks';
import { AllPlaces } from './all-places';
import { LotParts } from './lot-parts';
import { RestNow } from './rest-now';
import { Ready, RestWindow } from './rest-why';
import { asShown } from './use-needles';
import { useRest, type Rest, type RestOf } from './use-rest';
import { WholeLife } from './whole-life';

interface RestWorkProps extends RestOf {
  readonly queue: ReactNode;
}

const RestActions = ({ rest }: { readonly rest: Rest }) => {
  const { search } = useLocation();
  const { batchId, known, formula, ages, inside } = rest;
  return (
    <>
      {ages && isDough(known) && <LotParts lot={known} formula={formula} rules={ages} />}
      {inside && (
        <>
          <Link to={`/rest/${batchId}/labels${search}`} className={buttonClass()}>
            <Tag size={16} aria-hidden /> {t`Labels`}
          </Link>
          <Button
            look="primary"
            onClick={() => record('rest-out', batchId, { placeId: inside.placeId })}
          >{t`Take it out`}</Button>
        </>
      )}
    </>
  );
};

const RestWhy = ({ rest }: { readonly rest: Rest }) => {
  const names = useNames();
  const { temperature } = useUnits();
  const planned = rest.batch ? taskOf(rest.batch, 'rest') : undefined;
  return (
    <>
      <Ready
        readyC={rest.readyC}
        ready={rest.ready}
        run={rest.run}
        sinceS={rest.sinceS}
        inside={rest.inside !== undefined}
        enteredMs={rest.enteredMs}
        evened={rest.evened}
        measured={rest.way?.question.measured !== undefined && rest.air?.probe !== 'none'}
        airC={rest.air?.airC ?? null}
        computing={rest.curve.isFetching}
      />
      {rest.ages && <AgeClocks lot={rest.known} rules={rest.ages} placeName={names.place} />}
      <RestWindow formula={rest.formula} plannedOutMs={planned ? planned.endS * 1000 : null} />
      <Cautions
        items={[
          t`Dough with egg stays at or below ${temperature(rest.bakery.rules.coldLimitC)} and within its window; thaw it in the cold, not on the bench.`,
          t`A tub cools many times slower than pieces: its core may be warm for hours.`,
        ]}
      />
    </>
  );
};

const RestLife = ({ rest }: { readonly rest: Rest }) => {
  const { batchId, batch, formula, known, bakery, needles } = rest;
  const loads = batch?.loads ?? [];
  return (
    <WholeLife
      key={batchId}
      formula={formula}
      places={inUse(bakery.equipment).places.map((p) => asShown(p, needles.get(p.id)))}
      rules={bakery.rules}
      startC={known.mixed?.doughC ?? bakery.rules.doughC}
      massG={rest.massG}
      wantedMs={loads.length > 0 ? Math.min(...loads.map(({ startS }) => startS)) * 1000 : null}
      pieces={known.portioned?.pieces ?? batch?.pieces ?? 100}
    />
  );
};

const RestParts = ({ queue, bakery, ...of }: RestWorkProps & { readonly bakery: BakeryView }) => {
  const rest = useRest(of, bakery);
  const { mass } = useUnits();
  const { batchId, formula, form, inside, place, massG } = rest;
  return (
    <Station
      title={`${formula.name} ${inside ? t`in the ${place?.name.toLowerCase() ?? inside.placeId}` : t`on its way into the cold`}`}
      question={t`${batchId}: ${form === 'tub' ? t`a tub of ${mass(Math.min(8000, massG))}` : t`pieces of ${mass(formula.piece.massG)}${form === 'bag' ? t` in bags` : ''}`}. How long until it can be baked, until when is it good?`}
      queueTitle={t`In the cold`}
      queue={queue}
      actions={<RestActions rest={rest} />}
      why={<RestWhy rest={rest} />}
    >
      <AtTabs
        label={t`Parts of the rest`}
        tabs={[
          { value: 'now', name: inside ? t`Now` : t`Into the cold`, content: <RestNow rest={rest} /> },
          { value: 'life', name: t`Its whole life`, content: <RestLife rest={rest} /> },
          { value: 'places', name: t`All places`, content: <AllPlaces current={batchId} /> },
        ]}
      />
    </Station>
  );
};

/** A dough on its way into the cold, or in it: its curve, when it is ready, and its window. */
export const RestWork = (props: RestWorkProps) => {
  const { data } = useBakery();
  return data ? <RestParts {...props} bakery={data} /> : null;
};
