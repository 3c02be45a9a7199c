import { t } from '@lingui/core/macro';
import { wallClock } from '@jokul/core';
import type { BakeryView, PlanView } from '@jokul/contracts';
import { useNow, useWallClock } from '../../lib/clock';
import { useUnits } from '../../lib/units';
import { useWidth } from '../../lib/use-width';
import { RibbonChart } from '../../viz/ribbon-chart';
import { ribbonInset } from '../../viz/ribbon-frame';
import type { DaySpan } from './day-span';
import type { Stretch } from './zoom';
import { ZoomBar } from './zoom-bar';

interface DayRibbonsProps {
  readonly ribbons: PlanView['ribbons'];
  readonly bakery: BakeryView;
  readonly span: DaySpan;
  readonly shown: Stretch;
  readonly chosen: string | null;
  readonly onShow: (stretch: Stretch | null) => void;
  readonly onChoose: (batchId: string | null) => void;
  readonly onDrop: (loadId: string, ovenId: string, startS: number) => void;
}

/** Every dough on one time axis, in the colour of its temperature; loads are moved on it by hand. */
export const DayRibbons = ({
  ribbons,
  bakery: { equipment, rules },
  span,
  shown,
  chosen,
  onShow,
  onChoose,
  onDrop,
}: DayRibbonsProps) => {
  const now = useNow(10_000);
  const wall = useWallClock();
  const { temperature } = useUnits();
  const [ref, width] = useWidth();
  const places = [
    ...[...equipment.mixers, ...equipment.places, ...equipment.ovens].map(({ id, name }) => ({ id, name })),
    { id: 'racks', name: t`Cooling racks` },
  ];
  const sayTime = (atS: number) => wall.near(atS * 1000, span.firstLoadS * 1000);
  const dateOf = (atS: number) => wallClock(atS, rules.timeZone).date;
  const overDays = dateOf(shown.fromS) !== dateOf(span.firstLoadS);
  return (
    <div ref={ref} className="rounded-lg border bg-surface py-2">
      <ZoomBar
        shown={shown}
        limits={span.limits}
        nowS={now / 1000}
        onShow={onShow}
        sayTime={sayTime}
        inset={ribbonInset}
      >
        <RibbonChart
          segments={ribbons}
          places={places}
          fromS={shown.fromS}
          toS={shown.toS}
          timeZone={rules.timeZone}
          nowS={now / 1000}
          width={Math.max(320, width)}
          chosen={chosen}
          onChoose={onChoose}
          onDrop={onDrop}
          sayTime={sayTime}
          tickRoom={overDays ? 84 : 56}
          sayTemperature={(c) => temperature(c)}
        />
      </ZoomBar>
    </div>
  );
};
