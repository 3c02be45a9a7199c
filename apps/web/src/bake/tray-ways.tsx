import { Trans } from '@lingui/react/macro';
import { t } from '@lingui/core/macro';
import { Download, Printer, Shapes } from 'lucide-react';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import {
  clearAtWidest,
  gapAfter,
  layOut,
  layoutAlternatives,
  traySvg,
  type Room,
  type TraySide,
  type TrayTemplate,
} from '@jokul/core';
import { saveFile } from '../lib/save-file';
import { useUnits } from '../lib/units';
import { Button, buttonClass } from '../ui/button';
import { TrayTrial } from './tray-trial';

interface TrayWaysProps {
  readonly loadId: string;
  readonly template: TrayTemplate;
  readonly gapMm: number;
  readonly marginMm: number;
  readonly openSides: readonly TraySide[];
  /** How far the diameter may be off, as a share. */
  readonly diameterShare: number;
  /** What was seen of the gap on earlier trays of this product, the latest last. */
  readonly seen: readonly Room[];
}

const wayNames: Readonly<Record<string, string>> = {
  'more air': t`more air`,
  closer: t`closer`,
  'straight rows': t`straight rows`,
};

/** Other ways to lay the tray, and its drawing at 1:1 to take away. */
export const TrayWays = ({
  loadId,
  template,
  gapMm,
  marginMm,
  openSides,
  diameterShare,
  seen,
}: TrayWaysProps) => {
  const { length, size } = useUnits();
  const [trying, setTrying] = useState(false);
  const { search } = useLocation();
  const { lengthMm, widthMm, diameterMm } = template;
  const on = { lengthMm, widthMm, diameterMm, marginMm, openSides, pattern: 'best' as const };
  const ways = layoutAlternatives({ ...on, gapMm });
  const clearMm = clearAtWidest(gapMm, diameterMm, diameterShare);
  const wantedMm = gapAfter(gapMm, seen);
  const wanted = wantedMm === gapMm ? null : layOut({ ...on, gapMm: wantedMm });
  return (
    <>
      <p className="text-[12.5px] text-ink-soft">
        {t`${size(diameterMm * diameterShare)} wider than forecast they ${clearMm > 0 ? t`still stand ${size(clearMm)} apart` : t`would touch: lay fewer, or bake a few first`}.`}
        {wanted && (
          <>
            {' '}
            <Trans>
              {seen.at(-1) === 'touched'
                ? t`Pieces touched on the last tray`
                : t`There was room on the last trays`}
              : with a gap of {length(wantedMm)} instead of {length(gapMm)}, <strong>{wanted.count}</strong>{' '}
              lie on the tray. Set it on Formula.
            </Trans>
          </>
        )}
      </p>
      <div className="no-print mt-1 flex flex-wrap items-center gap-x-4 gap-y-1 text-[13px] text-ink-soft">
        {ways.slice(1).map(({ name, layout, clearMm: apart }) => (
          <span key={name} className="figures">
            {apart === null
              ? t`${wayNames[name] ?? name}: ${layout.count}`
              : t`${wayNames[name] ?? name}: ${layout.count}, ${size(apart)} clear`}
          </span>
        ))}
        <span className="ml-auto flex gap-1">
          <Button
            size="small"
            icon={<Shapes size={14} aria-hidden />}
            onClick={() => setTrying(true)}
          >{t`Other sizes`}</Button>
          <Button
            size="small"
            icon={<Download size={14} aria-hidden />}
            onClick={() => saveFile(`${loadId}-tray.svg`, 'image/svg+xml', traySvg(template))}
          >{t`SVG`}</Button>
          <Link to={`/bake/${loadId}/template${search}`} className={buttonClass('plain', 'small')}>
            <Printer size={14} aria-hidden /> 1:1
          </Link>
        </span>
      </div>
      {trying && (
        <TrayTrial
          lengthMm={lengthMm}
          widthMm={widthMm}
          openSides={openSides}
          marginMm={marginMm}
          gapMm={gapMm}
          diameterMm={diameterMm}
          onClose={() => setTrying(false)}
        />
      )}
    </>
  );
};
