import { t } from '@lingui/core/macro';
import type {
  Attribute,
  BakeState,
  IngredientKind,
  LabelWording,
  Liner,
  PieceShape,
  StageTool,
  TrayMaterial,
} from '@jokul/core';

/*
 * What the core's codes are called. A screen never shows a code with its dashes taken out: that word stands in no catalogue.
 */

export const stateNames: Readonly<Record<BakeState, string>> = {
  under: t`under`,
  'soft-centre': t`soft centre`,
  chewy: t`chewy`,
  'crisp-edge': t`crisp edge`,
  'crisp-through': t`crisp through`,
};

export const shapeNames: Readonly<Record<PieceShape, string>> = {
  ball: t`ball`,
  mound: t`mound`,
  puck: t`puck`,
  slice: t`slice`,
};

export const trayMaterialNames: Readonly<Record<TrayMaterial, string>> = {
  'bright-aluminium': t`bright aluminium`,
  'dark-aluminium': t`dark aluminium`,
  'dark-steel': t`dark steel`,
  stainless: t`stainless steel`,
  stone: t`stone`,
};

export const labelWordingNames: Readonly<Record<LabelWording, string>> = {
  classes: t`gluten (wheat), tree nuts (walnut)`,
  sources: t`wheat, walnut`,
  ingredients: t`within a list of all ingredients`,
};

export const linerNames: Readonly<Record<Liner, string>> = {
  parchment: t`baking paper`,
  'double-parchment': t`two papers`,
  mat: t`a silicone mat`,
  greased: t`grease`,
  bare: t`nothing`,
};

export const stageToolNames: Readonly<Record<StageTool, string>> = {
  mixer: t`stand mixer`,
  'hand-mixer': t`hand mixer`,
  spoon: t`spoon`,
};

/** Said between two steps at the mixer. */
export const changesToTool: Readonly<Record<StageTool, string>> = {
  mixer: t`Now in the stand mixer.`,
  'hand-mixer': t`Now with the hand mixer.`,
  spoon: t`Now with a spoon.`,
};

export const attributeNames: Readonly<Record<Attribute, string>> = {
  spread: t`spread`,
  thickness: t`thickness`,
  chew: t`chew`,
  crispness: t`crispness`,
  tenderness: t`tenderness`,
  colour: t`colour`,
};

export const ingredientKindNames: Readonly<Record<IngredientKind, string>> = {
  flour: t`flour`,
  butter: t`butter`,
  fat: t`fat`,
  'nut-butter': t`nut butter`,
  sugar: t`sugar`,
  syrup: t`syrup`,
  egg: t`egg`,
  liquid: t`liquid`,
  leavening: t`leavening`,
  salt: t`salt`,
  flavour: t`flavour`,
  inclusion: t`inclusion`,
};

export const restFormNames: Readonly<Record<'pieces' | 'tub' | 'bag' | 'log', string>> = {
  pieces: t`pieces`,
  tub: t`tub`,
  bag: t`bag`,
  log: t`log`,
};
