import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { layOut } from './layout.js';
import { layoutAlternatives, templateTiles, tileSvg, traySvg, type TrayTemplate } from './template.js';

const question = {
  lengthMm: 600,
  widthMm: 400,
  diameterMm: 75,
  gapMm: 20,
  marginMm: 10,
  pattern: 'best',
} as const;
const template: TrayTemplate = {
  title: 'Quay <Ginger> & Co',
  lengthMm: 600,
  widthMm: 400,
  layout: layOut(question),
  rawDiameterMm: 38,
  diameterMm: 75,
};
const never = (): never => {
  throw new Error('no such sheet');
};
const a4 = { widthMm: 190, heightMm: 275 };

describe('the template of a tray', () => {
  it('is a millimetre to the unit, with a cross for every piece', () => {
    const svg = traySvg(template);
    expect(svg).toContain('width="600mm" height="400mm" viewBox="0 0 600 400"');
    expect(svg.match(/h6M/g)).toHaveLength(template.layout.count);
    expect(svg.match(/r="19"/g)).toHaveLength(template.layout.count);
    expect(svg).toContain('Quay &lt;Ginger&gt; &amp; Co');
  });
  it('takes eight sheets of A4 for 600 × 400 mm, each at 1:1', () => {
    const tiles = templateTiles(template, a4);
    expect(tiles).toHaveLength(8);
    expect(tileSvg(template, tiles[5] ?? never())).toContain('viewBox="182 267 190 275"');
  });
  it('the sheets cover every tray, and neighbours overlap', () => {
    const side = fc.double({ min: 100, max: 900, noNaN: true });
    fc.assert(
      fc.property(side, side, (lengthMm, widthMm) => {
        const tiles = templateTiles({ lengthMm, widthMm }, a4);
        expect(Math.max(...tiles.map((t) => t.xMm + t.widthMm))).toBeGreaterThanOrEqual(lengthMm - 1e-9);
        expect(Math.max(...tiles.map((t) => t.yMm + t.heightMm))).toBeGreaterThanOrEqual(widthMm - 1e-9);
        for (const t of tiles) expect(t.xMm < lengthMm && t.yMm < widthMm).toBe(true);
      }),
    );
  });
});

describe('other ways to lay it', () => {
  it('more air holds fewer, closer holds more, and none touch', () => {
    const ways = layoutAlternatives(question);
    const count = (name: string) => ways.find((way) => way.name === name)?.layout.count ?? Number.NaN;
    expect(count('more air')).toBeLessThan(count('as planned'));
    expect(count('closer')).toBeGreaterThan(count('as planned'));
    for (const { clearMm } of ways) expect(clearMm).toBeGreaterThan(0);
  });
  it('what does not fit is left out', () => {
    const ways = layoutAlternatives({ ...question, lengthMm: 100, widthMm: 100, diameterMm: 78 });
    expect(ways.map(({ name }) => name)).toEqual(['as planned']);
    expect(ways[0]?.clearMm).toBeNull();
  });
});
