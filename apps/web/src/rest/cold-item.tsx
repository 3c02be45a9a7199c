import { t } from '@lingui/core/macro';
import { useLocation } from 'react-router';
import {
  coldEntry,
  coreAt,
  followed,
  sayDuration,
  type AirReading,
  type ColdLots,
  type Formula,
  type HouseRules,
  type InTheCold,
  type NeedleAnswer,
  type Place,
} from '@jokul/core';
import { QueueItem } from '../ui/queue-item';
import { TemperatureChip } from '../viz/temperature-chip';
import { questionOf } from './question';
import { useRestCurve } from './use-curve';
import { asShown } from './use-needles';

interface ColdItemProps {
  readonly item: InTheCold;
  readonly formula: Formula;
  readonly place: Place;
  readonly rules: HouseRules;
  readonly lots: ColdLots;
  readonly active: boolean;
  readonly now: number;
  /** What the probe of the place saw. */
  readonly readings: readonly AirReading[];
  /** What needles said of the place. */
  readonly needle: NeedleAnswer | undefined;
}

/** One dough in the cold: its core now, its age, and whether its time runs out. */
export const ColdItem = ({
  item,
  formula,
  place,
  rules,
  active,
  now,
  readings,
  needle,
  lots,
}: ColdItemProps) => {
  const { search } = useLocation();
  const asked = questionOf(item, formula, asShown(place, needle), rules);
  const { question, beginsMs } = followed(asked, item.inMs, readings, now);
  const curve = useRestCurve(question);
  const entry = coldEntry(item, lots, now);
  const ageS = entry?.ageS ?? (now - item.inMs) / 1000;
  const leftS = entry?.leftS ?? formula.rest.maxS - ageS;
  const over = leftS < 0;
  /** Frozen dough near the end of its time has days left, not weeks. */
  const ending = entry?.clock === 'frozen' && leftS < 5 * 86_400;
  return (
    <QueueItem
      to={`/rest/${item.batchId}${search}`}
      active={active}
      title={formula.name}
      side={
        curve.data ? (
          <TemperatureChip temperatureC={coreAt(curve.data.curve, (now - beginsMs) / 1000)} />
        ) : (
          '…'
        )
      }
      detail={
        <span className={over || entry?.soon || ending ? 'font-semibold text-hand' : ''}>
          {item.batchId}, {sayDuration(ageS)}
          {over ? t`, past its window` : ending || entry?.soon ? t`, ${sayDuration(leftS)} left` : ''}
        </span>
      }
    />
  );
};
