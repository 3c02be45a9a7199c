import { fatIn, ingredient, ingredients, solidFatShare, type Allergen } from '../ingredient/index.js';
import { doughOf, solidFatOf } from './dough.js';
import { formatNumber, type Figure } from '../shown/index.js';
import { leaveningOf, partsOfDough, perFlour, perFlourFigure } from './balance.js';
import { doughLines, flourPercent, type Doneness, type Formula } from './formula.js';

/** Something about a formula that a baker should look at; `figure` shows its arithmetic when there is one. */
export interface Finding {
  readonly code: string;
  /** `wrong`: most likely a mistake. `mind`: unusual, may be meant. */
  readonly level: 'wrong' | 'mind';
  readonly sentence: string;
  readonly figures: Readonly<Record<string, number>>;
  readonly figure?: Figure;
}

/** Usual ranges of a creamed dough per 100 of flour, by the texture aimed at: trade practice, editable defaults. */
export interface UsualRanges {
  readonly fat: readonly [number, number];
  readonly sugars: readonly [number, number];
  readonly water: readonly [number, number];
}
export const usualRanges: Readonly<Record<Doneness, UsualRanges>> = {
  'soft-centre': { fat: [35, 90], sugars: [55, 125], water: [16, 48] },
  chewy: { fat: [35, 80], sugars: [60, 130], water: [16, 48] },
  'crisp-edge': { fat: [35, 90], sugars: [60, 140], water: [14, 44] },
  'crisp-through': { fat: [30, 80], sugars: [40, 120], water: [12, 40] },
};

/** Limits that go with no texture. Per 100 of flour, or per kg of dough. */
export const soundLimits = {
  saltLow: 0.4,
  saltHigh: 2.6,
  gasLowMl: 150,
  gasHighMl: 2300,
  baseLeftMmol: 60,
  acidLeftMmol: 25,
  /** Water per 100 g of flour, oats and added starch. */
  waterForStarch: 13,
} as const;

/** Words in a name that imply an allergen, and names that carry the word without it. */
const implied: readonly (readonly [RegExp, Allergen, RegExp?])[] = [
  [/peanut/i, 'peanut'],
  [/\b(?:almond|hazelnut|walnut|pecan|cashew|pistachio|macadamia|praline|marzipan)/i, 'nuts'],
  [
    /\b(?:milk|butter(?!milk)|buttermilk|cream(?! of tartar)|cheese|yog(?:h)?urt|whey)\b/i,
    'milk',
    /(?:peanut|almond|cashew|hazelnut|nut|cocoa|pistachio) butter|(?:almond|oat|soy|coconut|soya) milk|(?:vegan|plant) butter|chickpea/i,
  ],
  [/\begg/i, 'egg', /chickpea|aquafaba/i],
  [/\b(?:sesame|tahini)/i, 'sesame'],
  [/\bsoya?\b/i, 'soy'],
  [/\b(?:wheat(?!\s*-?free)|spelt|semolina|durum)/i, 'gluten', /buckwheat/i],
  [/\b(?:rye|barley)\b/i, 'gluten'],
  [/\blupin/i, 'lupin'],
  [/\bmustard/i, 'mustard'],
];

/** Allergens that the name of an ingredient implies and its declaration lacks. */
export const undeclaredIn = (id: string): readonly Allergen[] => {
  const { name, allergens } = ingredient(id);
  return [
    ...new Set(
      implied
        .filter(
          ([word, allergen, except]) =>
            word.test(name) && !except?.test(name) && !allergens.includes(allergen),
        )
        .map(([, allergen]) => allergen),
    ),
  ];
};

const outside = (value: number, [low, high]: readonly [number, number]) => value < low || value > high;

const ratioFindings = (formula: Formula): readonly Finding[] => {
  const { target } = formula.bake;
  const range = usualRanges[target];
  const ratios = {
    fat: perFlourFigure(formula, 'Fat', ({ kind, composition }) =>
      kind === 'butter' || kind === 'fat' || kind === 'nut-butter' || kind === 'egg' || kind === 'liquid'
        ? composition.fat
        : 0,
    ),
    sugars: perFlourFigure(formula, 'Sugars', ({ kind, analysis }) =>
      kind === 'sugar' || kind === 'syrup' ? analysis.sugars + analysis.starch : 0,
    ),
    water: perFlourFigure(formula, 'Water', ({ kind, composition }) =>
      kind === 'inclusion' ? 0 : composition.water,
    ),
  };
  const effects: Readonly<Record<keyof UsualRanges, readonly [string, string]>> = {
    fat: ['short of fat: dry, little spread', 'rich: it spreads and feels greasy'],
    sugars: [
      'low in sugar: pale, little spread, bread-like',
      'high in sugar: it runs, browns early and sets hard',
    ],
    water: ['short of water: crumbly', 'wet: cakey, slow to bake'],
  };
  return (['fat', 'sugars', 'water'] as const)
    .filter((name) => outside(ratios[name].value, range[name]))
    .map((name) => ({
      code: `ratio-${name}`,
      level: 'mind' as const,
      sentence: `${name[0]?.toUpperCase()}${name.slice(1)}: ${formatNumber(ratios[name].value)} per 100 of flour; usual for ${target.replace('-', ' ')} is ${range[name][0]} to ${range[name][1]}. The dough is ${effects[name][ratios[name].value < range[name][0] ? 0 : 1]}.`,
      figures: { value: ratios[name].value, low: range[name][0], high: range[name][1] },
      figure: ratios[name],
    }));
};

const leaveningFindings = (formula: Formula): readonly Finding[] => {
  const { gas, left, base } = leaveningOf(formula);
  const findings: Finding[] = [];
  const sayGas = `${formatNumber(gas.value)} mL of gas per kg of dough`;
  if (gas.value > 0 && gas.value < soundLimits.gasLowMl)
    findings.push({
      code: 'gas-low',
      level: 'mind',
      sentence: `${sayGas}: little lift; under ${soundLimits.gasLowMl} hardly shows.`,
      figures: { gas: gas.value },
      figure: gas,
    });
  if (gas.value > soundLimits.gasHighMl)
    findings.push({
      code: 'gas-high',
      level: 'mind',
      sentence: `${sayGas}: more than the dough can hold (over ${soundLimits.gasHighMl}); coarse, it may rise and fall.`,
      figures: { gas: gas.value },
      figure: gas,
    });
  if (left.value > soundLimits.baseLeftMmol)
    findings.push({
      code: 'base-left',
      level: 'mind',
      sentence: `Soda beyond its acid: ${formatNumber(left.value)} mmol per kg of dough (about ${formatNumber(left.value / 11.9)} g of soda) find none. Browner, more spread; soapy when it is much.`,
      figures: { left: left.value },
      figure: left,
    });
  if (base.value > 0 && left.value < -soundLimits.acidLeftMmol)
    findings.push({
      code: 'acid-left',
      level: 'mind',
      sentence: `More acid than soda: ${formatNumber(-left.value)} mmol per kg of dough are left. Paler, less spread, tart.`,
      figures: { left: left.value },
      figure: left,
    });
  return findings;
};

const saltFindings = (formula: Formula): readonly Finding[] => {
  const figure = perFlourFigure(formula, 'Salt', ({ analysis }) => analysis.salt);
  const salt = figure.value;
  const salted = doughLines(formula).filter(
    (line) =>
      ingredient(line.ingredientId).parts.some(({ ingredientId }) => ingredientId === 'salt') &&
      ingredient(line.ingredientId).kind === 'butter',
  );
  const flour = flourPercent(doughLines(formula));
  const fromButter = salted.reduce(
    (sum, line) => sum + (100 * line.percent * ingredient(line.ingredientId).analysis.salt) / flour,
    0,
  );
  // Salt that was weighed by itself, without what composites bring.
  const own =
    (100 *
      doughLines(formula)
        .filter((line) => ingredient(line.ingredientId).kind === 'salt')
        .reduce((sum, line) => sum + line.percent, 0)) /
    flour;
  if (fromButter > 0.3 && own > 0 && own + fromButter > 1.3)
    return [
      {
        code: 'salt-doubled',
        level: 'wrong',
        sentence: `The salted butter brings ${formatNumber(fromButter)} % of salt on top of the ${formatNumber(own)} % that are weighed. Take it off: weigh ${formatNumber(Math.max(0, own - fromButter))} %.`,
        figures: { fromButter, own },
        figure,
      },
    ];
  if (salt < soundLimits.saltLow)
    return [
      {
        code: 'salt-missing',
        level: 'wrong',
        sentence: `Only ${formatNumber(salt)} % of salt to the flour: it will taste flat. Was it forgotten? Usual is 0.8 to 1.8 %.`,
        figures: { salt },
        figure,
      },
    ];
  if (salt > soundLimits.saltHigh)
    return [
      {
        code: 'salt-high',
        level: 'mind',
        sentence: `${formatNumber(salt)} % of salt to the flour; over ${soundLimits.saltHigh} % tastes salty.`,
        figures: { salt },
        figure,
      },
    ];
  return [];
};

const fatKinds = new Set(['butter', 'fat', 'nut-butter']);

/** Butter that carries less water than butter of 82 % fat, and what that does to the dough. */
const waterFindings = (formula: Formula): readonly Finding[] => {
  const parts = partsOfDough(formula);
  const usual = ingredient('butter').composition.water / ingredient('butter').composition.fat;
  const flour = flourPercent(doughLines(formula));
  const short = parts.reduce((sum, { ingredientId, percent }) => {
    const { kind, composition } = ingredient(ingredientId);
    return kind === 'butter' || kind === 'fat'
      ? sum + percent * (composition.fat * usual - composition.water)
      : sum;
  }, 0);
  const perFlourShort = (100 * short) / flour;
  const findings: Finding[] = [];
  if (perFlourShort > 3)
    findings.push({
      code: 'butter-water',
      level: 'mind',
      sentence: `The fat brings ${formatNumber(perFlourShort)} per 100 of flour less water than butter would (browned, clarified, oil or shortening). Give it back as water, or expect less spread and a sandier bite.`,
      figures: { short: perFlourShort },
    });
  const thirsty = perFlour(formula, ({ id, kind, analysis }) =>
    kind === 'flour' ? 1 : id.endsWith('oats') ? 1 : kind === 'flavour' && analysis.starch > 0.3 ? 0.5 : 0,
  );
  const water = perFlour(formula, ({ kind, composition }) =>
    kind === 'flour' || kind === 'inclusion' ? 0 : composition.water,
  );
  const each = (100 * water) / thirsty;
  if (each < soundLimits.waterForStarch * 0.6)
    findings.push({
      code: 'dry-starch',
      level: 'mind',
      sentence: `${formatNumber(each)} g of water to 100 g of flour, oats and starch: too little to wet them. Expect a crumbly dough; rest it longer, or add egg or milk.`,
      figures: { each },
    });
  return findings;
};

/** A dough is portioned at about this, °C; of butter 46 % is solid then. */
const portionC = 10;
const softBelow = 0.3;

/** Fat that is soft or liquid where the dough is portioned. */
const softFatFindings = (formula: Formula): readonly Finding[] => {
  const dough = doughOf(formula);
  const solid = solidFatOf(dough, portionC);
  if (fatIn(dough.fats) < 0.05 || solid >= softBelow) return [];
  return [
    {
      code: 'soft-fat',
      level: 'mind',
      sentence: `Only ${formatNumber(100 * solid)} % of its fat is solid at ${portionC} °C (of butter ${formatNumber(100 * solidFatShare(portionC))} %): soft to handle, hard to portion evenly. Chill it longer and portion it cold.`,
      figures: { solid, portionC },
    },
  ];
};

/** Everything about a formula that looks wrong or unusual, the likely mistakes first, each with its figures. */
export const checkSoundness = (formula: Formula): readonly Finding[] => {
  const lines = doughLines(formula);
  if (flourPercent(lines) <= 0) return [];
  const findings: Finding[] = [];
  if (!lines.some((line) => fatKinds.has(ingredients.get(line.ingredientId)?.kind ?? '')))
    findings.push({
      code: 'no-fat',
      level: 'wrong',
      sentence: 'There is no butter, fat or nut butter in it: this is no creamed dough.',
      figures: {},
    });
  findings.push(
    ...saltFindings(formula),
    ...leaveningFindings(formula),
    ...waterFindings(formula),
    ...softFatFindings(formula),
    ...ratioFindings(formula),
  );
  for (const line of [...lines, ...formula.toppings])
    for (const allergen of undeclaredIn(line.ingredientId))
      findings.push({
        code: 'allergen-undeclared',
        level: 'wrong',
        sentence: `${ingredient(line.ingredientId).name} sounds like ${allergen}, but does not declare it. Check its label.`,
        figures: {},
      });
  return findings.sort((a, b) => Number(a.level === 'mind') - Number(b.level === 'mind'));
};
