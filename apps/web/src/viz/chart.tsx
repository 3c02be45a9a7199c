import type { ApexOptions } from 'apexcharts';
import ReactApexChart from 'react-apexcharts';
import { yRange } from './y-range';

export interface Curve {
  readonly name: string;
  readonly points: readonly (readonly [x: number, y: number])[];
  readonly dash?: number;
  readonly colour?: string;
}

export interface ChartProps {
  readonly curves: readonly Curve[];
  readonly label: string;
  readonly height?: number;
  readonly formatX: (x: number) => string;
  readonly formatY: (y: number) => string;
  readonly xTitle?: string;
  /** Distance of the marks on the time axis. */
  readonly xStep: number;
  /** Vertical marks with a word. */
  readonly marks?: readonly { readonly x: number; readonly text: string }[];
  /** What the upright axis spans at least, in its unit; as the curves fill it when left out. */
  readonly leastSpan?: number;
  readonly levels?: readonly { readonly y: number; readonly text: string }[];
}

const annotationsOf = (
  marks: NonNullable<ChartProps['marks']>,
  levels: NonNullable<ChartProps['levels']>,
): NonNullable<ApexOptions['annotations']> => ({
  xaxis: marks.map(({ x, text }) => ({
    x,
    borderColor: 'var(--ink)',
    strokeDashArray: 0,
    label: {
      text,
      orientation: 'horizontal',
      borderColor: 'var(--line-strong)',
      style: { background: 'var(--raised)', color: 'var(--ink)', fontSize: '12px' },
    },
  })),
  yaxis: levels.map(({ y, text }) => ({
    y,
    borderColor: 'var(--ink-soft)',
    strokeDashArray: 3,
    label: {
      text,
      borderColor: 'transparent',
      position: 'left',
      textAnchor: 'start',
      style: { background: 'transparent', color: 'var(--ink-soft)', fontSize: '12px' },
    },
  })),
});

/** Curves over time. Its own chunk: loaded only where a curve is shown. */
export const Chart = ({
  curves,
  label,
  height = 240,
  formatX,
  formatY,
  xTitle,
  xStep,
  marks = [],
  levels = [],
  leastSpan,
}: ChartProps) => {
  const lastX = Math.max(...curves.flatMap((curve) => curve.points.slice(-1).map(([x]) => x)), xStep);
  const steps = Math.ceil(lastX / xStep - 1e-6);
  const values = [...curves.flatMap(({ points }) => points.map(([, y]) => y)), ...levels.map(({ y }) => y)];
  const range = leastSpan === undefined ? null : yRange(values, leastSpan);
  const options: ApexOptions = {
    chart: {
      type: 'line',
      animations: { enabled: false },
      toolbar: { show: false },
      zoom: { enabled: false },
      fontFamily: 'inherit',
      foreColor: 'var(--ink-soft)',
      background: 'transparent',
    },
    colors: curves.map((curve) => curve.colour ?? 'var(--ink)'),
    stroke: { width: 2.5, curve: 'straight', dashArray: curves.map((curve) => curve.dash ?? 0) },
    grid: { borderColor: 'var(--line)', strokeDashArray: 2 },
    xaxis: {
      type: 'numeric',
      min: 0,
      max: steps * xStep,
      tickAmount: steps,
      labels: { formatter: (value) => formatX(Number(value)) },
      axisBorder: { color: 'var(--line-strong)' },
      axisTicks: { color: 'var(--line-strong)' },
      tooltip: { enabled: false },
      ...(xTitle && { title: { text: xTitle, style: { fontWeight: 400 } } }),
    },
    yaxis: { labels: { formatter: formatY }, ...(range ?? { forceNiceScale: true }) },
    legend: { position: 'top', horizontalAlign: 'left', markers: { size: 5 } },
    tooltip: {
      x: { formatter: (value: number) => formatX(value) },
      theme: document.documentElement.dataset.theme === 'dark' ? 'dark' : 'light',
    },
    annotations: annotationsOf(marks, levels),
  };
  return (
    <div role="img" aria-label={label}>
      <ReactApexChart
        type="line"
        height={height}
        options={options}
        series={curves.map(({ name, points }) => ({ name, data: points.map(([x, y]) => ({ x, y })) }))}
      />
    </div>
  );
};
