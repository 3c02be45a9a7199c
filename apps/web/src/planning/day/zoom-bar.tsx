import { t } from '@lingui/core/macro';
import { ChevronLeft, ChevronRight, ZoomIn, ZoomOut } from 'lucide-react';
import { useEffect, useRef, type KeyboardEvent, type ReactNode } from 'react';
import { Button } from '../../ui/button';
import { around, isClosest, isWhole, panned, zoomed, type Stretch } from './zoom';

interface ZoomBarProps {
  readonly shown: Stretch;
  readonly limits: Stretch;
  readonly nowS: number;
  readonly onShow: (next: Stretch) => void;
  readonly sayTime: (atS: number) => string;
  /** Where the time axis begins and ends inside the chart, px from its edges. */
  readonly inset: { readonly left: number; readonly right: number };
  readonly children: ReactNode;
}

const closer = 0.5;
const stepShare = 0.25;

interface ZoomButtonsProps extends Omit<ZoomBarProps, 'inset' | 'children'> {
  readonly zoom: (factor: number) => void;
  readonly pan: (share: number) => void;
}

const ZoomButtons = ({ shown, limits, nowS, onShow, sayTime, zoom, pan }: ZoomButtonsProps) => {
  const buttons = [
    {
      name: t`Earlier`,
      keyHint: '←',
      icon: <ChevronLeft size={16} />,
      disabled: shown.fromS <= limits.fromS,
      press: () => pan(-stepShare),
    },
    {
      name: t`Later`,
      keyHint: '→',
      icon: <ChevronRight size={16} />,
      disabled: shown.toS >= limits.toS,
      press: () => pan(stepShare),
    },
    {
      name: t`Farther`,
      keyHint: '-',
      icon: <ZoomOut size={16} />,
      disabled: isWhole(shown, limits),
      press: () => zoom(1 / closer),
    },
    {
      name: t`Closer`,
      keyHint: '+',
      icon: <ZoomIn size={16} />,
      disabled: isClosest(shown),
      press: () => zoom(closer),
    },
  ];
  const nowInside = nowS > limits.fromS && nowS < limits.toS;
  return (
    <div className="no-print mb-1 flex items-center justify-end gap-1" role="group" aria-label={t`Zoom`}>
      <p className="figures mr-2 text-[13px] text-ink-soft" aria-live="polite">
        {t`${sayTime(shown.fromS)} to ${sayTime(shown.toS)}`}
      </p>
      {buttons.map(({ name, keyHint, icon, disabled, press }) => (
        <Button
          key={name}
          size="small"
          look="quiet"
          aria-label={name}
          title={`${name} ( ${keyHint} )`}
          icon={icon}
          disabled={disabled}
          onClick={press}
        />
      ))}
      {nowInside && (
        <Button
          size="small"
          look="quiet"
          onClick={() => onShow(around(shown, nowS, limits))}
        >{t`Now`}</Button>
      )}
    </div>
  );
};

/** A chart over time with its zoom: buttons, the wheel with Ctrl, and the keys + - ← → while it has the focus. */
export const ZoomBar = ({ shown, limits, nowS, onShow, sayTime, inset, children }: ZoomBarProps) => {
  const box = useRef<HTMLDivElement>(null);
  const zoom = (factor: number, atS = nowS) => onShow(zoomed(shown, factor, atS, limits));
  const pan = (share: number) => onShow(panned(shown, share, limits));
  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === '+' || event.key === '=') zoom(closer);
    else if (event.key === '-') zoom(1 / closer);
    else if (event.key === 'ArrowLeft') pan(-stepShare);
    else if (event.key === 'ArrowRight') pan(stepShare);
    else return;
    event.preventDefault();
  };
  useEffect(() => {
    const chart = box.current;
    if (!chart) return;
    // The browser would zoom the page: only a listener of one's own may say no to that.
    const onWheel = (event: WheelEvent) => {
      if (!event.ctrlKey) return;
      event.preventDefault();
      const { left, width } = chart.getBoundingClientRect();
      const share = (event.clientX - left - inset.left) / (width - inset.left - inset.right);
      const atS = shown.fromS + share * (shown.toS - shown.fromS);
      onShow(zoomed(shown, event.deltaY < 0 ? 0.8 : 1.25, atS, limits));
    };
    chart.addEventListener('wheel', onWheel, { passive: false });
    return () => chart.removeEventListener('wheel', onWheel);
  }, [shown, limits, inset, onShow]);
  return (
    <>
      <ZoomButtons
        shown={shown}
        limits={limits}
        nowS={nowS}
        onShow={onShow}
        sayTime={sayTime}
        zoom={zoom}
        pan={pan}
      />
      {/* oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- the keys are a second way to the buttons above */}
      <div
        ref={box}
        // oxlint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- its keys move and zoom the time that it shows
        tabIndex={0}
        role="group"
        aria-label={t`The day over time: + and - zoom, arrows move`}
        onKeyDown={onKey}
      >
        {children}
      </div>
    </>
  );
};
