import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { useLocation, useParams } from 'react-router';
import { rawDiameterMm, templateTiles, tileSvg, trayKindOf, type TrayTemplate } from '@jokul/core';
import { useLots } from '../line/lots';
import { forecastIn } from '../lib/forecast';
import { useBakery, useDay } from '../lib/queries';
import { SelectField } from '../ui/field';
import { PrintPage } from '../ui/print-page';
import { Empty, Loading } from '../ui/states';

/** Printable area with a margin of 1 cm. */
const papers = {
  a4: { name: 'A4', widthMm: 190, heightMm: 275 },
  letter: { name: t`Letter`, widthMm: 196, heightMm: 258 },
} as const;

/** The tray at 1:1 on sheets of paper, to lie under the parchment. */
export const TemplatePage = () => {
  const { loadId } = useParams();
  const { search } = useLocation();
  const { data } = useBakery();
  const day = useDay();
  const lots = useLots();
  const [paper, setPaper] = useState<keyof typeof papers>('a4');
  if (!data || !day.data) return <Loading what={t`the tray`} />;
  const batch = day.data.plan?.plan.batches.find(({ loads }) => loads.some(({ id }) => id === loadId));
  const load = batch?.loads.find(({ id }) => id === loadId);
  const formula = batch && lots?.formulaOf(batch.batchId);
  const plan = day.data.plan;
  const forecast = batch && (plan?.batchForecasts[batch.batchId] ?? plan?.forecasts[batch.productCode]);
  const cooled = forecastIn(forecast, load?.ovenId)?.bake.cooled;
  if (!load || !formula || !forecast?.layout || !cooled)
    return (
      <Empty title={t`There is no such tray`}>{t`The Bake page shows the loads that are planned.`}</Empty>
    );
  const tray = trayKindOf(data.equipment, data.rules);
  const template: TrayTemplate = {
    title: `${formula.name}, ${tray.name}`,
    lengthMm: tray.lengthMm,
    widthMm: tray.widthMm,
    layout: forecast.layout,
    rawDiameterMm: rawDiameterMm(formula),
    diameterMm: cooled.diameterMm,
  };
  const tiles = templateTiles(template, papers[paper]);
  return (
    <PrintPage
      title={t`${formula.name}: the tray at 1:1`}
      lead={t`${tiles.length} sheets. Print at 100 %, without fitting to the page; the rule must measure 100 mm.`}
      back={`/bake/${load.id}${search}`}
      backName={t`Back to the load`}
      choices={
        <SelectField
          label={t`Paper`}
          value={paper}
          onChange={(event) => setPaper(event.target.value as keyof typeof papers)}
        >
          {Object.entries(papers).map(([id, { name }]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectField>
      }
    >
      <div className="flex flex-wrap gap-4 print:block">
        {tiles.map((tile) => (
          <img
            key={`${tile.row}-${tile.column}`}
            alt={t`Sheet ${tile.row + 1}.${tile.column + 1} of the tray`}
            src={`data:image/svg+xml;utf8,${encodeURIComponent(tileSvg(template, tile))}`}
            style={{ width: `${tile.widthMm}mm`, height: `${tile.heightMm}mm`, zoom: 'var(--sheet-zoom)' }}
            className="border border-line bg-white [--sheet-zoom:0.28] print:break-after-page print:border-0 print:[--sheet-zoom:1]"
          />
        ))}
      </div>
    </PrintPage>
  );
};
