import { JokulError, requireNumber } from '../shown/index.js';
import { closestMm, layOut, type Layout, type TrayQuestion } from './layout.js';

export interface TrayTemplate {
  readonly title: string;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly layout: Layout;
  /** Diameter of the piece as it is set down, and after the spread, mm. */
  readonly rawDiameterMm: number;
  readonly diameterMm: number;
}

const text = (words: string) => words.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
const mm = (value: number) => String(Number(value.toFixed(2)));

/** What is drawn of a tray: rim, a cross and the raw piece where each is set down, the ring it spreads to, a rule. */
const drawing = (t: TrayTemplate): string =>
  [
    `<rect x="0" y="0" width="${mm(t.lengthMm)}" height="${mm(t.widthMm)}" fill="none" stroke="#000" stroke-width="0.6"/>`,
    ...t.layout.centresMm.map(
      ([x, y]) =>
        `<circle cx="${mm(x)}" cy="${mm(y)}" r="${mm(t.rawDiameterMm / 2)}" fill="none" stroke="#000" stroke-width="0.5"/>` +
        `<circle cx="${mm(x)}" cy="${mm(y)}" r="${mm(t.diameterMm / 2)}" fill="none" stroke="#000" stroke-width="0.2" stroke-dasharray="2 1.5"/>` +
        `<path d="M${mm(x - 3)} ${mm(y)}h6M${mm(x)} ${mm(y - 3)}v6" stroke="#000" stroke-width="0.3" fill="none"/>`,
    ),
    `<path d="M5 ${mm(t.widthMm - 4)}v2h100v-2" fill="none" stroke="#000" stroke-width="0.4"/>`,
    `<text x="7" y="${mm(t.widthMm - 3)}" font-size="4" font-family="sans-serif">100 mm · ${text(t.title)} · ${t.layout.count} pieces</text>`,
  ].join('');

/** The tray as an SVG at 1:1: one user unit is a millimetre, and so it prints. */
export const traySvg = (t: TrayTemplate): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(t.lengthMm)}mm" height="${mm(t.widthMm)}mm" viewBox="0 0 ${mm(t.lengthMm)} ${mm(t.widthMm)}">${drawing(t)}</svg>\n`;

/** A sheet of paper that shows a part of the tray at 1:1. */
export interface TemplateTile {
  readonly column: number;
  readonly row: number;
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** How far neighbouring sheets show the same, so that they can be laid over one another, mm. */
const overlapMm = 8;

/**
 * The sheets that a tray takes at 1:1, row by row.
 * @param sheet printable area of the paper, mm (A4 with margins: 190 × 275; Letter: 196 × 258)
 */
export const templateTiles = (
  tray: Pick<TrayTemplate, 'lengthMm' | 'widthMm'>,
  sheet: { readonly widthMm: number; readonly heightMm: number },
): readonly TemplateTile[] => {
  requireNumber(sheet.widthMm, 'The width of the paper', 50, 1200, 'mm');
  requireNumber(sheet.heightMm, 'The height of the paper', 50, 1200, 'mm');
  const starts = (length: number, size: number) =>
    length <= size
      ? [0]
      : Array.from(
          { length: Math.ceil((length - overlapMm) / (size - overlapMm)) },
          (_, i) => i * (size - overlapMm),
        );
  return starts(tray.widthMm, sheet.heightMm).flatMap((yMm, row) =>
    starts(tray.lengthMm, sheet.widthMm).map((xMm, column) => ({
      column,
      row,
      xMm,
      yMm,
      widthMm: sheet.widthMm,
      heightMm: sheet.heightMm,
    })),
  );
};

/** One sheet as an SVG at 1:1. */
export const tileSvg = (t: TrayTemplate, tile: TemplateTile): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(tile.widthMm)}mm" height="${mm(tile.heightMm)}mm" viewBox="${mm(tile.xMm)} ${mm(tile.yMm)} ${mm(tile.widthMm)} ${mm(tile.heightMm)}">${drawing(t)}<text x="${mm(tile.xMm + 4)}" y="${mm(tile.yMm + 6)}" font-size="4" font-family="sans-serif">sheet ${tile.row + 1}.${tile.column + 1}, the next ones overlap by ${overlapMm} mm</text></svg>`;

/** Another way to lay the tray: more air, less, or the other pattern. */
export interface LayoutAlternative {
  readonly name: string;
  readonly layout: Layout;
  /** Clear space between the closest two after the spread, mm; null for a single piece. */
  readonly clearMm: number | null;
}

/** Fewer with more air, more with a smaller gap, straight rows: what each holds. Those that do not fit are left out. */
export const layoutAlternatives = (q: TrayQuestion): readonly LayoutAlternative[] => {
  const d = typeof q.diameterMm === 'number' ? q.diameterMm : q.diameterMm.value;
  const ways: readonly (readonly [string, Partial<TrayQuestion>])[] = [
    ['as planned', {}],
    ['more air', { gapMm: q.gapMm * 1.6 }],
    ['closer', { gapMm: q.gapMm * 0.5 }],
    ['straight rows', { pattern: 'rows' }],
  ];
  const seen = new Set<string>();
  return ways.flatMap(([name, change]) => {
    try {
      const layout = layOut({ ...q, ...change });
      const key = `${layout.pattern} ${layout.count}`;
      if (seen.has(key)) return [];
      seen.add(key);
      const closest = closestMm(layout.centresMm);
      return [{ name, layout, clearMm: Number.isFinite(closest) ? closest - d : null }];
    } catch (error) {
      if (error instanceof JokulError) return [];
      throw error;
    }
  });
};
