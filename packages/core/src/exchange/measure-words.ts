import { say } from '../shown/index.js';

/* What the library's own sizes and ways to fill a measure are called; those that a bakery named stay as they are. */

const sizes: ReadonlyMap<string, string> = new Map([
  ['stick', say`stick`],
  ['cube', say`cube`],
  ['small', say`small`],
  ['medium', say`medium`],
  ['large', say`large`],
  ['extra-large', say`extra-large`],
  ['jumbo', say`jumbo`],
  ['orange', say`orange`],
  ['lemon', say`lemon`],
  ['lime', say`lime`],
  ['banana', say`banana`],
  ['pod', say`pod`],
  ['sheet', say`sheet`],
  ['square', say`square`],
  ['marshmallow', say`marshmallow`],
  ['apricot', say`apricot`],
  ['medjool', say`medjool`],
  ['deglet', say`deglet`],
  ['fig', say`fig`],
]);
const packings: ReadonlyMap<string, string> = new Map([
  ['spooned', say`spooned`],
  ['dipped', say`dipped`],
  ['sifted', say`sifted`],
  ['level', say`level`],
  ['loose', say`loose`],
  ['crushed', say`crushed`],
  ['packed', say`packed`],
  ['melted', say`melted`],
  ['liquid', say`liquid`],
  ['soft', say`soft`],
  ['stirred', say`stirred`],
  ['beaten', say`beaten`],
  ['grated', say`grated`],
  ['chopped', say`chopped`],
  ['chips', say`chips`],
  ['ground', say`ground`],
]);

/** A size as people write it: `eu-m` is "EU M". */
export const sayPiece = (size: string): string =>
  size.startsWith('eu-') ? say`EU ${size.slice(3).toUpperCase()}` : (sizes.get(size) ?? size);

/** How a measure is filled: spooned, dipped, packed. */
export const sayPacking = (packing: string): string => packings.get(packing) ?? packing;
