import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import {
  placesOf,
  adjustmentOf,
  type LearnedValues,
  type Formula,
  type Load,
  type LoadOutcome,
  type Oven,
} from '@jokul/core';
import { useBakery } from '../lib/queries';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Said } from '../ui/said';
import { Shown } from '../ui/shown';
import { Empty } from '../ui/states';
import { LazyChart } from '../viz/lazy-chart';
import { core } from '../workers/core';
import type { Conditions } from './use-conditions';

const halves = [
  ['nothing', t`leave them`],
  ['turn', t`turn each tray`],
  ['swap', t`turn, and top to bottom`],
] as const;

const useLoad = (formula: Formula, base: Conditions, asked: Parameters<typeof ask>[2]) =>
  useQuery({
    queryKey: ['full-load', formula.code, formula.version, base, asked],
    queryFn: () => ask(formula, base, asked),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
    placeholderData: (before: LoadOutcome | undefined) => before,
  });
const ask = (...of: Parameters<ReturnType<typeof core>['load']>) => core().load(...of);

/** From top to bottom, and from side to side, as is common. */
const usualUnevenK = 6;
const usualAcrossK = 5;

type HalfTime = (typeof halves)[number][0];

interface LoadOf {
  readonly formula: Formula;
  readonly oven: Oven;
  readonly load: Load;
  readonly pullS: number;
}

/** The load as it is asked of the model, and whether anything was learned of its places. */
const loadAsked = (
  { formula, oven, load, pullS }: LoadOf,
  learned: LearnedValues | null,
  halfTime: HalfTime,
) => {
  const whole = adjustmentOf(learned, { ovenId: oven.id, code: formula.code }).offsetK;
  const valueOf = (key: string) => learned?.values.find((v) => v.key === key)?.value;
  const known = load.trays.some(({ position }) => valueOf(`place/${oven.id}/${position}`) !== undefined);
  // Where nothing was learned, what Setup says counts, else a spread that ovens commonly have, and it is said.
  const { unevenK = usualUnevenK, acrossK = usualAcrossK, powerW, degreesPerMin } = oven;
  const assumedK = (position: number) =>
    load.trays.length > 1 ? (unevenK / 2) * (1 - (2 * (position - 1)) / (load.trays.length - 1)) : 0;
  const trays = load.trays.map(({ position, pieces }) => ({
    position,
    pieces,
    offsetK: known
      ? adjustmentOf(learned, { ovenId: oven.id, position, code: formula.code }).offsetK - whole
      : assumedK(position),
  }));
  const asked = {
    trays,
    places: oven.places,
    halfTime,
    sidesK: valueOf(`sides/${oven.id}`) ?? acrossK,
    depthK: valueOf(`depth/${oven.id}`) ?? acrossK,
    ...(powerW !== undefined && { heater: { powerW, degreesPerMin } }),
    turnS: pullS / 2,
  };
  return { asked, known };
};

interface TogetherProps {
  readonly out: LoadOutcome;
  readonly trays: readonly { readonly offsetK: number }[];
  readonly setC: number;
  readonly pullS: number;
}

const useRound = () => {
  const { duration } = useUnits();
  return (s: number) => duration(Math.round(s / 5) * 5);
};

/** Each place of the load: how far it is off, when it is done, and what becomes of it pulled with the others. */
const PullsByPlace = ({ out, trays }: Pick<TogetherProps, 'out' | 'trays'>) => {
  const { difference } = useUnits();
  const say = useRound();
  return (
    <table className="w-full" aria-label={t`Pulls by place`}>
      <thead className="text-left text-[12.5px] text-ink-soft">
        <tr>
          <th className="pr-3 pb-1 font-normal">{t`Place`}</th>
          <th className="pr-3 pb-1 text-right font-normal">{t`Pieces`}</th>
          <th className="pr-3 pb-1 text-right font-normal">{t`compared with the oven`}</th>
          <th className="pr-3 pb-1 text-right font-normal">{t`done at`}</th>
          <th className="pr-3 pb-1 text-right font-normal">{t`pulled together: rim`}</th>
          <th className="pr-3 pb-1 text-right font-normal">{t`below`}</th>
          <th className="pb-1 text-right font-normal">{t`water in the middle`}</th>
        </tr>
      </thead>
      <tbody>
        {out.trays.map((tray, i) => (
          <tr key={tray.position} className="figures border-t">
            <td className="py-1 pr-3">{tray.position}</td>
            <td className="py-1 pr-3 text-right">{tray.pieces}</td>
            <td className="py-1 pr-3 text-right">
              {(trays[i]?.offsetK ?? 0) >= 0 ? '+' : '−'}
              {difference(trays[i]?.offsetK ?? 0, 1)}
            </td>
            <td className="py-1 pr-3 text-right font-semibold">
              {tray.pullS === null ? t`not reached` : say(tray.pullS)}
            </td>
            <td className="py-1 pr-3 text-right">{tray.atOnce.colour.edge.toFixed(0)}</td>
            <td className="py-1 pr-3 text-right">{tray.atOnce.colour.bottom.toFixed(0)}</td>
            <td className="py-1 text-right">{(100 * tray.atOnce.centreMoisture).toFixed(1)} %</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
};

/** The load pulled together: when, and how it differs from a single tray. */
const Together = ({ out, trays, setC, pullS }: TogetherProps) => {
  const { temperature } = useUnits();
  const say = useRound();
  const spreadS =
    Math.max(...out.trays.map((t) => t.pullS ?? 0)) - Math.min(...out.trays.map((t) => t.pullS ?? 0));
  return (
    <>
      <p className="mb-2">
        {t`All ${out.trays.length} together: pull after`}{' '}
        <Shown figure={out.together} className="font-semibold">
          {say(out.together.value)}
        </Shown>
        {t`${Math.abs(out.together.value - pullS) >= 5 ? t`, ${say(Math.abs(out.together.value - pullS))} ${out.together.value > pullS ? t`later` : t`earlier`} than a single tray` : ''}. Its places are done ${say(spreadS)} apart; across one tray the hot corner’s rim reaches ${out.corners.hot.toFixed(0)}, the cool one’s ${out.corners.cool.toFixed(0)}.`}
      </p>
      <PullsByPlace out={out} trays={trays} />
      <h2 className="mt-4 mb-1 text-[12.5px] font-semibold text-ink-soft">{t`Air of the oven with this load`}</h2>
      <LazyChart
        label={t`Air of the oven over the bake`}
        height={200}
        formatX={(minutes) => minutes.toFixed(0)}
        formatY={(t) => temperature(t)}
        xTitle={t`minutes after loading`}
        xStep={5}
        curves={[
          {
            name: t`air`,
            points: out.timesS.map((t, i): [number, number] => [t / 60, out.airC[i] ?? 0]),
          },
        ]}
        levels={[{ y: setC, text: t`set` }]}
      />
    </>
  );
};

/** All trays of the load in one run: which place done at when, and what turning does. */
export const FullLoad = ({ formula, oven, load, base, pullS }: LoadOf & { readonly base: Conditions }) => {
  const { data } = useBakery();
  const { duration, difference } = useUnits();
  const [halfTime, setHalfTime] = useState<HalfTime>('turn');
  const loaded = { ...oven, places: placesOf(oven, data?.rules.trayId ?? '') };
  const { asked, known } = loadAsked({ formula, oven: loaded, load, pullS }, data?.learned ?? null, halfTime);
  const result = useLoad(formula, base, asked);
  if (result.isError)
    return (
      <Empty title={t`This load could not be computed`}>
        <Said>{result.error.message}</Said>
      </Empty>
    );
  const say = (s: number) => duration(Math.round(s / 5) * 5);
  const { unevenK = usualUnevenK, acrossK = usualAcrossK } = oven;
  const stated = oven.unevenK !== undefined || oven.acrossK !== undefined;
  const { data: out } = result;
  return (
    <section aria-label={t`Full load`} className={result.isPlaceholderData ? 'opacity-60' : ''}>
      <div className="mb-3 flex flex-wrap items-center gap-2" role="group" aria-label={t`At half time`}>
        <span className="text-ink-soft">{t`At half time (${say(pullS / 2)}):`}</span>
        {halves.map(([value, name]) => (
          <Button
            key={value}
            size="small"
            look={halfTime === value ? 'primary' : 'plain'}
            aria-pressed={halfTime === value}
            onClick={() => setHalfTime(value)}
          >
            {name}
          </Button>
        ))}
      </div>
      {out ? (
        <Together out={out} trays={asked.trays} setC={base.setC} pullS={pullS} />
      ) : (
        <div
          className="h-64 animate-pulse rounded border bg-surface"
          role="status"
          aria-label={t`Baking the whole load`}
        />
      )}
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`A forecast. ${
        known
          ? t`How far each place is off was learned from measured trays.`
          : t`Nothing learned about the places yet: top ${difference(unevenK / 2)} hot, bottom ${difference(unevenK / 2)} cool, and ${difference(acrossK)} from side to side are ${stated ? t`taken from Setup` : t`assumed`}. Measure trays of different places.`
      } ${oven.powerW === undefined ? t`The heater’s power and what the oven stores are typical figures.` : t`What the oven stores is reckoned from its power and how fast it heats up.`}`}</p>
    </section>
  );
};
