import { Trans } from '@lingui/react/macro';
import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import { useLocation } from 'react-router';
import {
  countPieces,
  doughDensityFigure,
  heaped,
  scoopsFor,
  toppingsBefore,
  type BatchPlan,
} from '@jokul/core';
import { useNames } from '../../app/actions';
import { taskOf, useBatchAtHand, useBatches } from '../../app/batch';
import { NoBatches } from '../../app/no-batches';
import { NeedPlan } from '../../app/need-plan';
import { StalePlan } from '../../app/plan-bar';
import { useJournal } from '../../journal/store';
import { nowMs, useWallClock } from '../../lib/clock';
import { useBakery, useDay } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { QueueItem } from '../../ui/queue-item';
import { Shown } from '../../ui/shown';
import { Cautions, Fact, Facts, Station, WhySection } from '../../ui/station';
import { Loading } from '../../ui/states';
import { PortionForm } from './portion-form';
import { PortionResult } from './portion-result';
import { Toppings } from './toppings';
import { WeighScoops, type MeasuredScoop } from './weigh-scoops';

const PortionQueue = ({
  batches,
  current,
}: {
  batches: readonly BatchPlan[];
  current: string | undefined;
}) => {
  const states = useJournal((s) => s.floor.lots);
  const names = useNames();
  const wall = useWallClock();
  const { search } = useLocation();
  return batches.map((batch) => {
    const known = states.get(batch.batchId);
    return (
      <QueueItem
        key={batch.batchId}
        to={`/portion/${batch.batchId}${search}`}
        active={batch.batchId === current}
        title={names.product(batch.productCode)}
        side={
          known?.portioned
            ? t`${plural(known.portioned.pieces, { one: '# piece', other: '# pieces' })}`
            : wall.near((taskOf(batch, 'portion')?.startS ?? 0) * 1000, nowMs())
        }
        detail={`${batch.batchId}, ${known?.portioned ? t`portioned` : known?.mixed ? t`mixed` : t`not mixed yet`}`}
        done={known?.portioned ? 1 : 0}
      />
    );
  });
};

const PortionWork = () => {
  const { data } = useBakery();
  const batches = useBatches('portion');
  const hand = useBatchAtHand(batches, (known) => !known?.portioned);
  const { mass, about, grams } = useUnits();
  const day = useDay();
  // Weighed scoops hold for the batch they were weighed of.
  const [weighed, setWeighed] = useState<{ batchId: string; scoop: MeasuredScoop } | null>(null);
  if (!data) return <Loading what={t`the batches`} />;
  if (batches.length === 0) return <NoBatches title={t`Nothing to portion`} />;
  if (!hand) return <Loading what={t`the batch`} />;
  const { batch, formula, known } = hand;
  const { rules, equipment } = data;
  // What was weighed counts more than what was planned.
  const mixedG = known.mixed?.massG ?? batch.massG;
  const doughG = mixedG * (1 - rules.bowlLossShare);
  const target = formula.piece.massG;
  const count = countPieces(doughG, target, rules.portionLossShare);
  const measured = weighed?.batchId === batch.batchId ? weighed.scoop : null;
  const typical = doughDensityFigure(formula);
  const scoops = scoopsFor(target, measured?.density ?? typical, equipment.scoops);
  const [best] = scoops;
  const piecesOfDay = (day.data?.orders ?? [])
    .filter((order) => order.productCode === batch.productCode)
    .reduce((sum, order) => sum + order.pieces, 0);
  return (
    <Station
      title={t`${formula.name}: ${count.pieces.value} pieces of ${mass(target)}`}
      question={t`${batch.batchId}, ${mass(mixedG)} ${known.mixed ? t`mixed` : t`planned, not mixed yet`}. Which scoop, how many, how even?`}
      queueTitle={t`Batches to portion`}
      queue={<PortionQueue batches={batches} current={batch.batchId} />}
      why={
        <>
          <WhySection title={t`How many`}>
            <Facts>
              <Fact name={t`Pieces`}>
                <Shown figure={count.pieces} />
              </Fact>
              <Fact name={t`Left over`}>
                <Shown figure={count.remainder}>{about(count.remainder.value)}</Shown>
              </Fact>
              {count.spreadMass && (
                <Fact name={t`spread evenly: each piece`}>
                  <Shown figure={count.spreadMass}>{mass(Number(count.spreadMass.value.toFixed(1)))}</Shown>
                </Fact>
              )}
            </Facts>
            <p className="mt-1 text-[13px] text-ink-soft">{t`Planned: ${batch.pieces}. The remainder can be spread over all pieces, become a smaller test piece, or go back to the cold.`}</p>
          </WhySection>
          <WhySection title={t`Which scoop`}>
            <table className="w-full text-[13.5px]">
              <tbody>
                {scoops.slice(0, 4).map((scoop, i) => (
                  <tr key={scoop.number} className={`border-t ${i === 0 ? 'font-semibold' : ''}`}>
                    <td className="py-1">{t`No. ${scoop.number}, ${measured?.filled ?? t`level`}`}</td>
                    <td className="py-1 text-right">
                      <Shown figure={scoop.mass}>{grams(scoop.mass.value, 1)}</Shown>
                    </td>
                    <td className="py-1 text-right figures text-ink-soft">
                      {scoop.offShare >= 0 ? '+' : '−'}
                      {Math.abs(scoop.offShare * 100).toFixed(0)} %
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            {!measured && best && (
              <p className="mt-1 text-[12.5px] text-ink-faint">
                <Trans>
                  For a dough of <Shown figure={typical}>{typical.value.toFixed(2)} g/mL</Shown>, from its
                  composition with 8 % air. Heaped, No. {best.number} holds about{' '}
                  <Shown figure={heaped(best.mass)}>{grams(heaped(best.mass).value)}</Shown>. Weigh three of
                  yours:
                </Trans>
              </p>
            )}
            <WeighScoops
              key={batch.batchId}
              scoops={equipment.scoops}
              measured={measured}
              onMeasured={(scoop) => setWeighed(scoop && { batchId: batch.batchId, scoop })}
            />
          </WhySection>
          {toppingsBefore(formula).length > 0 && (
            <WhySection title={t`On each piece`}>
              <Toppings
                formula={formula}
                pieces={known.portioned?.pieces ?? count.pieces.value}
                known={known}
              />
            </WhySection>
          )}
          <Cautions
            items={[
              t`All pieces the same weight: even size is what lets one time fit a tray.`,
              t`Dough with egg goes back into the cold as soon as it is portioned.`,
            ]}
          />
        </>
      }
    >
      <StalePlan />
      {known.portioned ? (
        <PortionResult
          done={known.portioned}
          toleranceShare={rules.pieceToleranceShare}
          planned={batch.pieces}
          expected={count.pieces.value}
          mixedG={mixedG}
          piecesOfDay={piecesOfDay}
        />
      ) : (
        <PortionForm
          key={batch.batchId}
          batchId={batch.batchId}
          targetG={target}
          expected={count.pieces.value}
          remainderG={count.remainder.value}
          scoop={formula.piece.shape === 'slice' ? 0 : (scoops[0]?.number ?? 0)}
          scoops={equipment.scoops}
          toleranceShare={rules.pieceToleranceShare}
          mixed={known.mixed !== null}
          measured={measured}
          piecesOfDay={piecesOfDay}
          formula={formula}
          equipment={equipment}
          rules={rules}
        />
      )}
    </Station>
  );
};

export const PortionPage = () => (
  <NeedPlan>
    <PortionWork />
  </NeedPlan>
);
