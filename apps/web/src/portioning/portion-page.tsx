import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import { useParams } from 'react-router';
import {
  countPieces,
  doughDensityFigure,
  doughToPortion,
  isDough,
  lighterPieces,
  scoopsFor,
  toppingsBefore,
  type Figure,
  type HouseRules,
} from '@jokul/core';
import { isElsewhere, useBatchAtHand, useBatches } from '../line/batch';
import { NeedPlan } from '../line/need-plan';
import { NoBatches } from '../line/no-batches';
import { NotOnDay } from '../line/not-on-day';
import { StalePlan } from '../line/plan-bar';
import { useBakery, useDay } from '../lib/queries';
import { useUnits } from '../lib/units';
import { Cautions, Station, WhySection } from '../line/station';
import { Loading } from '../ui/states';
import { HowMany } from './how-many';
import { PortionForm } from './portion-form';
import { PortionQueue } from './portion-queue';
import { PortionResult } from './portion-result';
import { Toppings } from './toppings';
import type { MeasuredScoop } from './weigh-scoops';
import { WhichScoop } from './which-scoop';

interface PortionWhyProps {
  readonly hand: NonNullable<ReturnType<typeof useBatchAtHand>>;
  readonly count: ReturnType<typeof countPieces>;
  readonly lighter: Figure | null;
  readonly scoops: ReturnType<typeof scoopsFor>;
  readonly owned: readonly number[];
  readonly measured: MeasuredScoop | null;
  readonly onMeasured: (scoop: MeasuredScoop | null) => void;
}

/** How many pieces there are, which scoop makes them, and what goes on each. */
const PortionWhy = ({ hand, count, lighter, scoops, owned, measured, onMeasured }: PortionWhyProps) => {
  const { batch, formula, known } = hand;
  return (
    <>
      <HowMany count={count} planned={batch.pieces} lighter={lighter} />
      <WhichScoop
        key={batch.batchId}
        scoops={scoops}
        owned={owned}
        measured={measured}
        typical={doughDensityFigure(formula)}
        onMeasured={onMeasured}
      />
      {toppingsBefore(formula).length > 0 && (
        <WhySection title={t`On each piece`}>
          <Toppings formula={formula} pieces={known.portioned?.pieces ?? count.pieces.value} known={known} />
        </WhySection>
      )}
      <Cautions
        items={[
          t`All pieces the same weight: even size is what lets one time fit a tray.`,
          t`Dough with egg goes back into the cold as soon as it is portioned.`,
        ]}
      />
    </>
  );
};

/** What was mixed of a batch, what of it is in hand, and what of that comes to the scoop, g. */
const doughFor = (
  { batch, known }: Pick<PortionWhyProps['hand'], 'batch' | 'known'>,
  bowlLossShare: number,
) => {
  // What was weighed counts more than what was planned, less what was split off or thrown away since.
  const ofPart = batch.stock && isDough(known) ? known.begun?.massG : null;
  const inHandG = doughToPortion(known) ?? ofPart ?? batch.massG;
  const mixedG = known.mixed?.massG ?? batch.massG;
  // What clings to the bowl does so once; dough from the cold left it there long ago.
  const clingsG = batch.stock ? 0 : mixedG * bowlLossShare;
  return { inHandG, mixedG, doughG: Math.max(1, inHandG - clingsG) };
};

/** What each piece weighs where the dough is a little short of what was planned. */
const lighterFor = (
  { batch, formula }: Pick<PortionWhyProps['hand'], 'batch' | 'formula'>,
  massG: number,
  { portionLossShare, pieceToleranceShare }: HouseRules,
): Figure | null =>
  lighterPieces(
    { massG, pieceMassG: formula.piece.massG, portionLossShare },
    batch.pieces,
    pieceToleranceShare,
  );

const PortionWork = () => {
  const { data } = useBakery();
  const batches = useBatches('portion');
  const hand = useBatchAtHand(batches, (known) => !known?.portioned);
  const { mass } = useUnits();
  const { batchId } = useParams();
  const day = useDay();
  // Weighed scoops hold for the batch they were weighed of.
  const [weighed, setWeighed] = useState<{ batchId: string; scoop: MeasuredScoop } | null>(null);
  if (!data) return <Loading what={t`the batches`} />;
  if (batches.length === 0) return <NoBatches title={t`Nothing to portion`} />;
  if (isElsewhere(batches, batchId)) return <NotOnDay id={batchId} path="/portion" />;
  if (!hand) return <Loading what={t`the batch`} />;
  const { batch, formula, known } = hand;
  const { rules, equipment } = data;
  const { inHandG, mixedG, doughG } = doughFor(hand, rules.bowlLossShare);
  const target = formula.piece.massG;
  const count = countPieces(doughG, target, rules.portionLossShare);
  const measured = weighed?.batchId === batch.batchId ? weighed.scoop : null;
  const scoops = scoopsFor(target, measured?.density ?? doughDensityFigure(formula), equipment.scoops);
  const piecesOfDay = (day.data?.orders ?? [])
    .filter((order) => order.productCode === batch.productCode)
    .reduce((sum, order) => sum + order.pieces, 0);
  return (
    <Station
      title={t`${formula.name}: ${plural(count.pieces.value, { one: '# piece', other: '# pieces' })} of ${mass(target)}`}
      question={t`${batch.batchId}, ${mass(inHandG)} ${batch.stock ? t`from the cold` : !known.mixed ? t`planned, not mixed yet` : inHandG < mixedG - 1 ? t`left of ${mass(mixedG)} mixed` : t`mixed`}. Which scoop, how many, how even?`}
      queueTitle={t`Batches to portion`}
      queue={<PortionQueue batches={batches} current={batch.batchId} />}
      why={
        <PortionWhy
          hand={hand}
          count={count}
          lighter={lighterFor(hand, doughG, rules)}
          scoops={scoops}
          owned={equipment.scoops}
          measured={measured}
          onMeasured={(scoop) => setWeighed(scoop && { batchId: batch.batchId, scoop })}
        />
      }
    >
      <StalePlan />
      {known.portioned ? (
        <PortionResult
          done={known.portioned}
          toleranceShare={rules.pieceToleranceShare}
          planned={batch.pieces}
          expected={count.pieces.value}
          mixedG={inHandG}
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
          mixed={isDough(known)}
          notYet={
            batch.stock
              ? t`It is still a part of another lot: take it out of the cold first.`
              : t`The batch is not mixed yet.`
          }
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
