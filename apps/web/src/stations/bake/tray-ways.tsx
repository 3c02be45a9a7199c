import { Download, Printer } from 'lucide-react';
import { Link, useLocation } from 'react-router';
import { layoutAlternatives, traySvg, type TrayTemplate } from '@jokul/core';
import { saveFile } from '../../lib/save-file';
import { Button, buttonClass } from '../../ui/button';

interface TrayWaysProps {
  readonly loadId: string;
  readonly template: TrayTemplate;
  readonly gapMm: number;
  readonly marginMm: number;
}

/** Other ways to lay the tray, and its drawing at 1:1 to take away. */
export const TrayWays = ({ loadId, template, gapMm, marginMm }: TrayWaysProps) => {
  const { search } = useLocation();
  const { lengthMm, widthMm, diameterMm } = template;
  const ways = layoutAlternatives({ lengthMm, widthMm, diameterMm, gapMm, marginMm, pattern: 'best' });
  return (
    <div className="no-print mt-1 flex flex-wrap items-center gap-x-4 gap-y-1 text-[13px] text-ink-soft">
      {ways.slice(1).map(({ name, layout, clearMm }) => (
        <span key={name}>
          {name}: <span className="figures">{layout.count}</span>
          {clearMm !== null && `, ${clearMm.toFixed(0)} mm clear`}
        </span>
      ))}
      <span className="ml-auto flex gap-1">
        <Button
          size="small"
          icon={<Download size={14} aria-hidden />}
          onClick={() => saveFile(`${loadId}-tray.svg`, 'image/svg+xml', traySvg(template))}
        >
          SVG
        </Button>
        <Link to={`/bake/${loadId}/template${search}`} className={buttonClass('plain', 'small')}>
          <Printer size={14} aria-hidden /> 1:1
        </Link>
      </span>
    </div>
  );
};
