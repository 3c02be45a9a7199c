import { scaleLinear } from 'd3-scale';

/** How sure a learned figure is: the band believed before, and the band now, on one scale around nothing. */
export const SpreadPicture = ({
  value,
  sigma,
  prior,
  inForce,
  label,
}: {
  value: number;
  sigma: number;
  prior: number;
  inForce: number;
  label: string;
}) => {
  const half = 2.2 * prior;
  const x = scaleLinear([-half, half], [0, 100]).clamp(true);
  const band = 1.645;
  return (
    <svg
      viewBox="0 0 100 18"
      className="h-[18px] w-full min-w-24"
      role="img"
      aria-label={label}
      preserveAspectRatio="none"
    >
      <line x1={0} x2={100} y1={9} y2={9} stroke="var(--line)" />
      <line x1={50} x2={50} y1={2} y2={16} stroke="var(--line-strong)" />
      <line
        x1={x(-band * prior)}
        x2={x(band * prior)}
        y1={9}
        y2={9}
        stroke="var(--line-strong)"
        strokeWidth={2}
        strokeDasharray="2 2"
      />
      <line
        x1={x(value - band * sigma)}
        x2={x(value + band * sigma)}
        y1={9}
        y2={9}
        stroke="var(--ink)"
        strokeWidth={4}
      />
      <rect x={x(value) - 1} y={3} width={2} height={12} fill="var(--ink)" />
      {inForce !== 0 && <rect x={x(inForce) - 0.7} y={1} width={1.4} height={16} fill="var(--hand)" />}
    </svg>
  );
};
