import { plural, t } from '@lingui/core/macro';
import { useLocation, useParams } from 'react-router';
import { coldLabels, inTheCold } from '@jokul/core';
import { LabelWords } from '../line/label-words';
import { useLots } from '../line/lots';
import { useJournal } from '../journal/store';
import { useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { useBakery } from '../lib/queries';
import { PrintPage } from '../ui/print-page';
import { Empty, Loading } from '../ui/states';

/** Labels for every tub, tray or bag of a dough in the cold, to be printed and stuck on. */
export const LabelsPage = () => {
  const { temperature } = useUnits();
  const { batchId = '' } = useParams();
  const { search } = useLocation();
  const { data } = useBakery();
  const floor = useJournal((s) => s.floor);
  const loaded = useJournal((s) => s.loaded);
  const wall = useWallClock();
  const lots = useLots();
  if (!data || !loaded) return <Loading what={t`the labels`} />;
  const item = inTheCold(floor).find((cold) => cold.batchId === batchId);
  const lot = floor.lots.get(batchId);
  const formula = lots?.formulaOf(batchId);
  if (!item || !formula || !lot)
    return (
      <Empty
        title={t`It is not in the cold`}
      >{t`Labels are for dough that lies in the walk-in or the freezer.`}</Empty>
    );
  const { labels } = data.rules;
  const printed = coldLabels(item, lot, formula, data.equipment, data.rules, (name) => floor.lots.get(name));
  const place = data.equipment.places.find(({ id }) => id === item.placeId);
  const when = (ms: number) => `${wall.date(ms)} ${wall.time(ms)}`;
  return (
    <PrintPage
      title={t`Labels for ${formula.name}`}
      lead={t`${batchId}: ${plural(printed.length, { one: '# label', other: '# labels' })}, 90 × 55 mm each.`}
      back={`/rest/${batchId}${search}`}
    >
      <ul className="flex flex-wrap gap-[4mm]">
        {printed.map((label) => (
          <li
            key={label.number}
            className="flex h-[55mm] w-[90mm] break-inside-avoid flex-col justify-between rounded-[2mm] border-2 border-black bg-white p-[4mm] text-black"
          >
            <div>
              <p className="flex items-baseline justify-between gap-2 text-[17px] leading-tight font-bold">
                {label.formula.name} <span className="figures text-[13px] font-normal">{label.number}</span>
              </p>
              <p className="figures text-[13px]">{t`${label.lot} · raw dough, ${label.what}`}</p>
            </div>
            <p
              className={
                labels === 'ingredients' ? 'text-[10.5px] leading-tight' : 'text-[12px] leading-tight'
              }
            >
              <LabelWords formula={label.formula} declared={label.allergens} /> {t`Do not eat raw.`}
            </p>
            <div className="figures text-[13px] leading-snug">
              <p>
                {t`in ${when(label.madeMs)}, ${place?.name.toLowerCase() ?? ''} ${place ? temperature(place.airC) : ''}`}
              </p>
              <p>{t`best from ${when(label.bestMs)}`}</p>
              <p className="text-[16px] font-bold">{t`not after ${when(label.notAfterMs)}`}</p>
            </div>
          </li>
        ))}
      </ul>
    </PrintPage>
  );
};
