import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { Pause, Play } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { Formula, Frame } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Fact, Facts } from '../line/station';
import { Said } from '../ui/said';
import { Empty } from '../ui/states';
import { CutPicture, cutRuleMm } from '../viz/cut-picture';
import { surfaceTone } from '../viz/surface-tone';
import { temperatureColour } from '../viz/temperature';
import { core } from '../workers/core';
import type { Conditions } from './use-conditions';

const where = { oven: t`in the oven`, tray: t`on the hot tray`, rack: t`on the rack` } as const;
const legendC = [4, 22, 40, 70, 95, 120] as const;
const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / Math.max(1, values.length);

const Figures = ({ frame }: { readonly frame: Frame }) => {
  const { temperature, size } = useUnits();
  const axis = frame.temperatureC[0] ?? [];
  const rim = frame.moisture.at(-1) ?? [];
  const dryMm = frame.radiiMm.reduce((sum, outer, i) => {
    const inner = i === 0 ? 0 : (frame.radiiMm[i - 1] ?? 0);
    return mean(frame.moisture[i] ?? []) < 0.055 ? sum + outer - inner : sum;
  }, 0);
  return (
    <div className="mt-3 grid grid-cols-2 gap-6 max-[900px]:grid-cols-1">
      <Facts>
        <Fact name={t`Coldest point`}>{temperature(Math.min(...axis))}</Fact>
        <Fact name={t`Rim`}>{temperature(mean(frame.temperatureC.at(-1) ?? []))}</Fact>
        <Fact name={t`Tray under it`}>{frame.phase === 'rack' ? '–' : temperature(frame.trayC)}</Fact>
        <Fact name={t`Width, height`}>
          {size(2 * (frame.radiiMm.at(-1) ?? 0))} × {size(frame.heightsMm[0] ?? 0, 1)}
        </Fact>
      </Facts>
      <Facts>
        <Fact name={t`Water in the middle`}>{(100 * mean(frame.moisture[0] ?? [])).toFixed(1)} %</Fact>
        <Fact name={t`Water in the rim`}>{(100 * mean(rim)).toFixed(1)} %</Fact>
        <Fact name={t`Crisp edge`}>{size(dryMm)}</Fact>
        <Fact name={t`Set in the middle`}>{(100 * mean(frame.set[0] ?? [])).toFixed(0)} %</Fact>
      </Facts>
    </div>
  );
};

const Legend = () => {
  const { temperature, length, units } = useUnits();
  return (
    <div className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2 text-[12.5px] text-ink-soft">
      <span className="flex items-center gap-1.5">
        {t`inside:`}
        {legendC.map((t) => (
          <span key={t} className="flex items-center gap-1">
            <span className="inline-block size-3 rounded-sm" style={{ background: temperatureColour(t) }} />
            {temperature(t)}
          </span>
        ))}
      </span>
      <span>{t`hatched: dry enough to snap`}</span>
      <span className="flex items-center gap-1.5">
        {t`line around: surface`}
        {[0, 35, 55, 80].map((score) => (
          <span
            key={score}
            className="inline-block h-1.5 w-5 rounded"
            style={{ background: surfaceTone(score) }}
            title={t`colour ${score}`}
          />
        ))}
      </span>
      <span>{t`rule: ${length(cutRuleMm[units])}`}</span>
    </div>
  );
};

/** Which frame is looked at; it runs on while it is played. */
const usePlay = (frames: number, usual: number) => {
  const [at, setAt] = useState<number | null>(null);
  const [playing, setPlaying] = useState(false);
  const index = Math.min(frames - 1, at ?? Math.max(0, usual));
  useEffect(() => {
    if (!playing) return;
    const timer = setInterval(
      () =>
        setAt((old) => {
          const next = (old ?? 0) + 1;
          if (next >= frames - 1) setPlaying(false);
          return Math.min(frames - 1, next);
        }),
      90,
    );
    return () => clearInterval(timer);
  }, [playing, frames]);
  return {
    index,
    playing,
    toggle: () => {
      if (!playing && index >= frames - 1) setAt(0);
      setPlaying(!playing);
    },
    show: (frame: number) => {
      setPlaying(false);
      setAt(frame);
    },
  };
};

const PlayBar = ({
  frame,
  frames,
  play: { index, playing, toggle, show },
}: {
  readonly frame: Frame;
  readonly frames: number;
  readonly play: ReturnType<typeof usePlay>;
}) => {
  const { duration } = useUnits();
  return (
    <div className="mt-2 flex items-center gap-3">
      <Button
        size="small"
        icon={playing ? <Pause size={14} aria-hidden /> : <Play size={14} aria-hidden />}
        onClick={toggle}
      >
        {playing ? t`Stop` : t`Play`}
      </Button>
      <input
        type="range"
        aria-label={t`Time of the cut`}
        aria-valuetext={`${duration(frame.timeS)}, ${where[frame.phase]}`}
        className="h-8 min-w-0 flex-1 accent-[var(--ink)]"
        min={0}
        max={frames - 1}
        value={index}
        onChange={(event) => show(Number(event.target.value))}
      />
      <span className="figures w-24 text-right text-lg">
        {Math.floor(frame.timeS / 60)}:{String(Math.round(frame.timeS % 60)).padStart(2, '0')}
      </span>
      <span className="w-28 text-ink-soft">{where[frame.phase]}</span>
    </div>
  );
};

/** The piece cut open, through oven, tray and rack: drag the time. */
export const CutOpen = ({ formula, base, pullS }: { formula: Formula; base: Conditions; pullS: number }) => {
  const frames = useQuery({
    queryKey: ['frames', formula.code, formula.version, base, Math.round(pullS)],
    queryFn: () => core().frames(formula, base, pullS),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const list = frames.data ?? [];
  const pulled = list.findLastIndex(({ phase }) => phase === 'oven');
  const play = usePlay(list.length, pulled);
  if (frames.isError)
    return (
      <Empty title={t`No cut for this`}>
        <Said>{frames.error.message}</Said>
      </Empty>
    );
  const frame = list[play.index];
  if (!frame)
    return (
      <div className="h-72 animate-pulse rounded border bg-surface" role="status" aria-label={t`Baking`} />
    );
  const widthMm = 2 * Math.max(...list.map(({ radiiMm }) => radiiMm.at(-1) ?? 0)) + 6;
  const heightMm = Math.max(...list.map(({ heightsMm }) => heightsMm[0] ?? 0)) + 1;
  return (
    <section aria-label={t`Cut open`}>
      <CutPicture frame={frame} widthMm={widthMm} heightMm={heightMm} />
      <PlayBar frame={frame} frames={list.length} play={play} />
      <Figures frame={frame} />
      <Legend />
      <p className="mt-2 text-[12.5px] text-ink-faint">{t`A forecast. The model has no cracks: the outline is even, its height and width are what is computed.`}</p>
    </section>
  );
};
