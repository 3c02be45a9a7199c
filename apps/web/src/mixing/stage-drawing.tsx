import type { StepPicture } from '@jokul/core';

const bowl = (
  <path d="M8 26 C8 52 26 58 40 58 C54 58 72 52 72 26" fill="none" stroke="var(--ink)" strokeWidth={2.5} />
);
const paths: Readonly<Record<StepPicture, React.ReactNode>> = {
  cream: (
    <>
      <path
        d="M14 36 q6 -9 13 -3 q7 -10 14 -1 q8 -8 13 1 q7 -5 12 3 C64 52 50 55 40 55 S18 52 14 36z"
        fill="var(--line)"
        stroke="var(--ink-soft)"
      />
      <path d="M40 4 v28 M30 24 h20 M33 32 h14" stroke="var(--ink)" strokeWidth={3} fill="none" />
    </>
  ),
  melt: (
    <>
      <path d="M12 38 h56 C64 53 50 55 40 55 S16 53 12 38z" fill="var(--line)" stroke="var(--ink-soft)" />
      <path
        d="M30 8 q4 6 0 11 q-4 6 0 11 M48 8 q4 6 0 11 q-4 6 0 11"
        stroke="var(--ink-soft)"
        fill="none"
        strokeWidth={2}
      />
    </>
  ),
  egg: (
    <>
      <path d="M13 40 h54 C62 53 50 55 40 55 S18 53 13 40z" fill="var(--line)" stroke="var(--ink-soft)" />
      <ellipse cx={40} cy={16} rx={9} ry={12} fill="var(--raised)" stroke="var(--ink)" strokeWidth={2} />
      <circle cx={40} cy={19} r={4.5} fill="var(--ink-soft)" />
    </>
  ),
  dry: (
    <>
      <path d="M13 40 h54 C62 53 50 55 40 55 S18 53 13 40z" fill="var(--line)" stroke="var(--ink-soft)" />
      <path d="M26 6 h28 l-5 12 h-18z" fill="none" stroke="var(--ink)" strokeWidth={2} />
      {[30, 36, 42, 48].map((x, i) => (
        <circle key={x} cx={x} cy={25 + (i % 2) * 6} r={1.8} fill="var(--ink-soft)" />
      ))}
    </>
  ),
  fold: (
    <>
      <path d="M13 38 h54 C62 53 50 55 40 55 S18 53 13 38z" fill="var(--line)" stroke="var(--ink-soft)" />
      {[22, 33, 45, 57].map((x, i) => (
        <rect key={x} x={x} y={42 + (i % 2) * 5} width={6} height={5} rx={1} fill="var(--ink)" />
      ))}
      <path d="M62 8 L40 36" stroke="var(--ink)" strokeWidth={4} />
    </>
  ),
  hand: (
    <>
      <path d="M13 38 h54 C62 53 50 55 40 55 S18 53 13 38z" fill="var(--line)" stroke="var(--ink-soft)" />
      <path
        d="M52 6 q-2 14 -10 20 q-10 6 -8 16 M58 8 q2 16 -6 26"
        fill="none"
        stroke="var(--ink)"
        strokeWidth={2.5}
      />
    </>
  ),
};

/** A small drawing of what happens in the bowl. */
export const StageDrawing = ({ picture }: { picture: StepPicture }) => (
  <svg viewBox="0 0 80 62" className="w-16 shrink-0" aria-hidden>
    {paths[picture]}
    {bowl}
  </svg>
);
