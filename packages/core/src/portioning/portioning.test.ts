import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { countPieces, lighterPieces } from './count.js';
import { checkSample } from './sample.js';
import { scoopsFor } from './scoop.js';

describe('how many pieces', () => {
  it('hand-worked: 6465 g with 1 % loss at 32 g', () => {
    // 6465 × 0.99 / 32 = 200.01: 200 pieces, 0.35 g left.
    const { pieces, remainder, spreadMass } = countPieces(6465, 32, 0.01);
    expect(pieces.value).toBe(200);
    expect(remainder.value).toBeCloseTo(0.35, 6);
    expect(spreadMass?.value).toBeCloseTo(32.00175, 5);
    expect(pieces.relation).toBe('n = floor(M × (1 − s) / p)');
  });

  it('whole division is not lost to rounding', () => {
    expect(countPieces(300, 0.1 * 300, 0).pieces.value).toBe(10);
  });

  it('pieces and remainder make up the dough after loss', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 50, max: 1e5, noNaN: true }),
        fc.double({ min: 5, max: 400, noNaN: true }),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        (dough, piece, loss) => {
          const { pieces, remainder } = countPieces(dough, piece, loss);
          expect((pieces.value * piece + remainder.value) / (dough * (1 - loss))).toBeCloseTo(1, 9);
          expect(remainder.value).toBeLessThan(piece * (1 + 1e-6));
          expect(remainder.value).toBeGreaterThan(-1e-4);
        },
      ),
    );
  });

  it('too little dough for one piece gives none, and no weight to spread over', () => {
    const { pieces, spreadMass, remainder } = countPieces(20, 32, 0);
    expect(pieces.value).toBe(0);
    expect(spreadMass).toBeNull();
    expect(remainder.value).toBe(20);
  });

  it.each([
    [0, 32, 0.01, 'The dough mass'],
    [500, 0, 0.01, 'The piece weight'],
    [500, 32, 0.9, 'The loss at portioning'],
  ])('%d g at %d g with %d is refused', (dough, piece, loss, sentence) => {
    expect(() => countPieces(dough, piece, loss)).toThrow(sentence);
  });
});

describe('a dough that gives fewer than planned', () => {
  const dough = { massG: 699.93, pieceMassG: 35, portionLossShare: 0 };

  it('a few grams short: all of them, each a little lighter', () => {
    expect(countPieces(699.93, 35, 0).pieces.value).toBe(19);
    expect(lighterPieces(dough, 20, 0.05)?.value).toBeCloseTo(34.9965, 4);
  });

  it('not below what a piece may weigh, and not where it gives them all', () => {
    expect(lighterPieces(dough, 21, 0.05)?.value).toBeCloseTo(33.33, 2);
    expect(lighterPieces(dough, 22, 0.05)).toBeNull();
    expect(lighterPieces(dough, 21, 0)).toBeNull();
    expect(lighterPieces(dough, 19, 0.05)).toBeNull();
    expect(lighterPieces({ ...dough, massG: 20 }, 1, 0.05)).toBeNull();
  });
});

describe('which scoop', () => {
  it('a number 30 holds 31.5 mL, so 37.5 g of a dough of 1.19', () => {
    const [best] = scoopsFor(38, 1.19, [16, 20, 24, 30, 40, 50, 60]);
    expect(best?.number).toBe(30);
    expect(best?.mass.value).toBeCloseTo((946.35295 / 30) * 1.19, 6);
    expect(best?.offShare).toBeCloseTo(-0.0122, 3);
    expect(best?.mass.terms[0]?.shown?.filled).toContain('/ 30');
  });
  it('orders all of them by how close they come', () => {
    const off = scoopsFor(33, 1.19, [60, 16, 40, 30]).map((s) => Math.abs(s.offShare));
    expect(off).toEqual([...off].sort((a, b) => a - b));
  });
  it('airier dough needs the larger scoop', () => {
    expect(scoopsFor(38, 0.8, [16, 20, 24, 30, 40])[0]?.number).toBe(20);
  });
  it('refuses a density that no dough has', () => {
    expect(() => scoopsFor(38, 3, [30])).toThrow('The dough density');
  });
});

describe('a weighed sample', () => {
  const weights = [32, 33, 31.5, 35, 30, 32.5];
  it('hand-worked mean, spread and giveaway', () => {
    // Mean 194 / 6 = 32.333; squared differences add up to 13.833; s = √(13.833 / 5) = 1.663.
    const result = checkSample(weights, 32, 1.6);
    expect(result?.mean.value).toBeCloseTo(32.333, 3);
    expect(result?.deviation?.value).toBeCloseTo(1.663, 3);
    expect(result?.giveaway.value).toBeCloseTo(0.333, 3);
    expect(result?.light).toEqual([30]);
    expect(result?.heavy).toEqual([35]);
  });
  it('at the edge of the tolerance counts as good', () => {
    expect(checkSample([30.4, 33.6], 32, 1.6)).toMatchObject({ light: [], heavy: [] });
  });
  it('of one piece has no spread, of none no result', () => {
    expect(checkSample([32], 32, 1)?.deviation).toBeNull();
    expect(checkSample([], 32, 1)).toBeNull();
  });
  it('all alike have no spread', () => {
    expect(checkSample([32, 32, 32], 32, 1)?.deviation?.value).toBe(0);
  });
  it.each([0, -3, 5000, Number.NaN])('a piece of %d g is refused', (massG) => {
    expect(() => checkSample([32, massG], 32, 1)).toThrow('A weighed piece');
  });
});
