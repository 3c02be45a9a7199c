import { say } from '../shown/index.js';

/** What the codes of a formula's settings are called where versions are compared. */
const words: ReadonlyMap<string, string> = new Map([
  ['ball', say`ball`],
  ['mound', say`mound`],
  ['puck', say`puck`],
  ['slice', say`slice`],
  ['under', say`under`],
  ['soft-centre', say`soft centre`],
  ['chewy', say`chewy`],
  ['crisp-edge', say`crisp edge`],
  ['crisp-through', say`crisp through`],
  ['short', say`short`],
  ['standard', say`standard`],
  ['long', say`long`],
  ['melted', say`melted`],
  ['fully', say`fully`],
  ['barely', say`barely`],
  ['machine', say`machine`],
  ['hand', say`hand`],
  ['parchment', say`baking paper`],
  ['double-parchment', say`two papers`],
  ['mat', say`a silicone mat`],
  ['greased', say`grease`],
  ['bare', say`nothing`],
  ['bright-aluminium', say`bright aluminium`],
  ['dark-aluminium', say`dark aluminium`],
  ['dark-steel', say`dark steel`],
  ['stainless', say`stainless steel`],
  ['stone', say`stone`],
  ['open', say`open`],
  ['covered', say`covered`],
]);

export const settingWord = (code: string): string => words.get(code) ?? code;
