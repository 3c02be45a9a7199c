import { flourPercent, type Doneness, type Formula } from './formula.js';

/**
 * Ordinary doughs of all schools, in grams as a home or trade sheet would have them: what the check must let pass. They
 * are of our own making, within the proportions that are usual for each school.
 */
const sheet = `
chewy | plain chewy | wheat-flour 280, butter 225, light-brown-sugar 200, white-sugar 100, whole-egg 100, vanilla 5, baking-soda 5, salt 5, semisweet-chocolate 340
chewy | chewy, one egg and a yolk | wheat-flour 250, butter 170, dark-brown-sugar 200, white-sugar 100, whole-egg 50, egg-yolk 18, vanilla 10, baking-soda 3, salt 4, dark-chocolate 300
chewy | strong flour, melted butter | strong-wheat-flour 280, butter 225, light-brown-sugar 250, white-sugar 50, whole-egg 50, egg-yolk 18, whole-milk 30, baking-soda 5, salt 6, vanilla 7, semisweet-chocolate 340
chewy | two flours and a day's rest | soft-wheat-flour 240, strong-wheat-flour 240, butter 280, light-brown-sugar 280, white-sugar 225, whole-egg 100, vanilla 10, baking-soda 6, baking-powder 6, salt 6, dark-chocolate 560
chewy | browned butter and pecans | wheat-flour 270, butter 225 browned, dark-brown-sugar 180, white-sugar 110, whole-egg 100, vanilla 6, baking-soda 4, salt 5, pecans 110, dark-chocolate 200
chewy | lean oven-shop dough | wheat-flour 1000, butter 550, white-sugar 450, light-brown-sugar 350, whole-egg 250, baking-soda 10, salt 14, vanilla 15, milk-chocolate 800
chewy | rolled in cinnamon sugar | wheat-flour 340, butter 225, white-sugar 300, whole-egg 100, cream-of-tartar 6, baking-soda 5, salt 3
chewy | molasses and ginger | wheat-flour 300, butter 170, dark-brown-sugar 200, molasses 85, whole-egg 50, baking-soda 9, salt 3, ginger 5, cinnamon 3, clove 1
chewy | honey and lemon | wheat-flour 300, butter 150, white-sugar 150, honey 60, whole-egg 50, lemon-zest 4, baking-soda 3, salt 3
chewy | white chocolate and cranberry | wheat-flour 250, butter 150, light-brown-sugar 130, white-sugar 80, whole-egg 55, vanilla 5, baking-soda 4, salt 4, white-chocolate 150, dried-cranberries 100
chewy | maple and walnut | wheat-flour 280, butter 170, light-brown-sugar 150, maple-syrup 60, whole-egg 50, baking-soda 4, salt 4, walnuts 120
chewy | sourdough leftovers | wheat-flour 250, butter 170, light-brown-sugar 200, white-sugar 80, sourdough-discard 60, egg-yolk 36, baking-soda 4, salt 5, semisweet-chocolate 250
chewy | double chocolate | wheat-flour 220, cocoa-powder 60, butter 200, light-brown-sugar 180, white-sugar 120, whole-egg 100, baking-soda 4, salt 4, dark-chocolate 250
chewy | cocoa and mint | wheat-flour 200, dutch-cocoa 55, butter 170, white-sugar 200, whole-egg 50, peppermint-extract 3, baking-soda 3, salt 3, dark-chocolate 150
chewy | sea salt and rye | light-rye-flour 120, wheat-flour 120, butter 150, dark-brown-sugar 180, white-sugar 60, whole-egg 75, baking-soda 3, baking-powder 2, salt 4, dark-chocolate 250
soft-centre | soft and thick | wheat-flour 360, butter 225, light-brown-sugar 150, white-sugar 100, whole-egg 100, cornflour 10, baking-powder 6, baking-soda 2, salt 5, semisweet-chocolate 350, walnuts 150
soft-centre | large and underbaked | wheat-flour 400, soft-wheat-flour 100, butter 250, light-brown-sugar 180, white-sugar 120, whole-egg 110, baking-powder 8, baking-soda 3, salt 7, milk-chocolate 300, hazelnuts 150
soft-centre | filled with hazelnut spread | wheat-flour 300, butter 150, light-brown-sugar 130, white-sugar 80, whole-egg 60, baking-powder 4, salt 4, sweet-hazelnut-spread 50
soft-centre | filled with caramel | wheat-flour 280, cocoa-powder 30, butter 170, light-brown-sugar 160, white-sugar 80, whole-egg 60, baking-soda 3, salt 4, caramel-sauce 60
soft-centre | red and cocoa | wheat-flour 300, cocoa-powder 15, butter 150, light-brown-sugar 150, white-sugar 100, whole-egg 60, buttermilk 20, vinegar 5, baking-soda 4, salt 3, white-chocolate 150
soft-centre | birthday sprinkles | wheat-flour 280, butter 170, white-sugar 200, whole-egg 50, egg-yolk 18, vanilla 6, baking-powder 4, baking-soda 2, cream-of-tartar 2, salt 3, sugar-pearls 80
soft-centre | brownie cookie | wheat-flour 120, dark-chocolate 250, butter 80, white-sugar 120, light-brown-sugar 80, whole-egg 110, cocoa-powder 15, baking-powder 4, salt 3
soft-centre | cream cheese | wheat-flour 280, butter 110, cream-cheese 110, white-sugar 200, whole-egg 50, vanilla 5, baking-powder 5, salt 3
soft-centre | banana and oat | wheat-flour 200, rolled-oats 120, butter 115, light-brown-sugar 130, banana 110, egg-yolk 18, cinnamon 2, baking-soda 3, salt 3
soft-centre | pumpkin | wheat-flour 320, butter 170, light-brown-sugar 150, white-sugar 100, pumpkin-puree 120, egg-yolk 18, cinnamon 4, baking-soda 4, salt 3
soft-centre | cakey with sour cream | wheat-flour 400, butter 115, white-sugar 220, whole-egg 100, sour-cream 120, baking-powder 6, baking-soda 2, salt 3, vanilla 5
soft-centre | cakey, iced later | soft-wheat-flour 320, butter 115, white-sugar 200, whole-egg 100, whole-milk 80, baking-powder 6, salt 3, lemon-zest 2
soft-centre | cakey with yoghurt | wheat-flour 300, butter 115, white-sugar 180, whole-egg 50, greek-yoghurt 120, lemon-zest 4, baking-powder 6, salt 3
soft-centre | apple sauce, less fat | wheat-flour 200, rolled-oats 100, butter 75, light-brown-sugar 150, apple-sauce 100, whole-egg 50, cinnamon 3, baking-soda 4, salt 3, raisins 100
crisp-edge | thin and crisp | wheat-flour 225, butter 225, white-sugar 200, light-brown-sugar 100, whole-egg 50, water 25, baking-soda 5, salt 5, semisweet-chocolate 250
crisp-edge | pan banged | wheat-flour 280, butter 225, white-sugar 300, light-brown-sugar 50, whole-egg 50, water 30, baking-soda 4, salt 5, dark-chocolate 170
crisp-edge | crisp with almonds | wheat-flour 200, butter 150, white-sugar 150, light-brown-sugar 60, whole-egg 50, baking-soda 3, salt 3, almonds 100
crisp-edge | coconut and lime | wheat-flour 200, butter 150, white-sugar 180, whole-egg 50, lime-zest 4, lime-juice 10, baking-soda 2, baking-powder 2, salt 3, coconut 100
crisp-edge | coffee and toffee | wheat-flour 250, butter 180, dark-brown-sugar 150, white-sugar 100, whole-egg 50, espresso-powder 4, baking-soda 4, salt 4, toffee-pieces 120
crisp-edge | sugar cookie | wheat-flour 340, butter 225, white-sugar 250, whole-egg 50, vanilla 5, baking-powder 4, baking-soda 2, salt 4
crisp-edge | vanilla drop, all shop kit | wheat-flour 1000, butter 600, white-sugar 700, whole-egg 200, baking-powder 10, baking-soda 5, salt 10, vanilla 10
crisp-edge | tahini and honey | wheat-flour 250, butter 115, tahini 80, white-sugar 130, honey 40, whole-egg 50, baking-powder 3, baking-soda 2, salt 3, sesame 40
crisp-edge | olive oil and dark chocolate | wheat-flour 280, olive-oil 110, light-brown-sugar 150, white-sugar 70, whole-egg 75, baking-soda 3, salt 5, dark-chocolate 200
crisp-edge | shortening and crisp | wheat-flour 300, shortening 150, butter 50, white-sugar 150, light-brown-sugar 120, whole-egg 75, whole-milk 20, baking-soda 4, salt 5, semisweet-chocolate 200
crisp-edge | maize and butter | wheat-flour 180, cornmeal 80, butter 150, white-sugar 150, whole-egg 50, baking-soda 2, salt 3
crisp-edge | malt and milk chocolate | wheat-flour 250, malted-barley-flour 30, butter 170, light-brown-sugar 170, white-sugar 60, whole-egg 55, baking-soda 3, salt 4, milk-chocolate 200
crisp-through | butter shortbread | wheat-flour 300, butter 200, white-sugar 100, salt 2
crisp-through | sandy shortbread with rice | wheat-flour 250, rice-flour 50, butter 225, caster-sugar 110, salt 3
crisp-through | salted butter shortbread | wheat-flour 280, salted-butter 200, icing-sugar 80, vanilla 3
crisp-through | sand biscuit with yolk | wheat-flour 250, butter 150, icing-sugar 100, egg-yolk 36, vanilla 3, salt 2
crisp-through | almond crescents | wheat-flour 250, ground-almonds 100, butter 200, icing-sugar 80, salt 1, vanilla 4
crisp-through | cut out | wheat-flour 300, butter 170, white-sugar 150, whole-egg 50, vanilla 4, salt 2
crisp-through | melting moments | wheat-flour 200, cornflour 80, butter 225, icing-sugar 70, vanilla 3, salt 2
crisp-through | spice biscuit | wheat-flour 300, butter 150, dark-brown-sugar 160, whole-milk 40, baking-powder 4, cinnamon 6, nutmeg 1, clove 1, salt 2
crisp-through | ginger snaps with syrup | wheat-flour 350, butter 125, light-brown-sugar 150, golden-syrup 100, whole-egg 50, baking-soda 8, ginger 8, salt 2
crisp-through | anise drops on ammonia | wheat-flour 300, butter 120, white-sugar 150, whole-egg 60, bakers-ammonia 3, aniseed 4, salt 2
crisp-through | wholemeal and oat | wholemeal-flour 200, rolled-oats 80, butter 130, light-brown-sugar 80, whole-milk 30, baking-powder 4, salt 3
crisp-through | lemon slice and bake | wheat-flour 280, butter 170, white-sugar 130, egg-yolk 18, lemon-zest 5, salt 2, poppy-seed 15
crisp-through | cocoa sablé | wheat-flour 175, cocoa-powder 30, butter 150, light-brown-sugar 120, white-sugar 50, baking-soda 3, salt 4, dark-chocolate 150
crisp-through | gluten-free rice and almond | rice-flour 140, ground-almonds 100, tapioca-starch 40, butter 130, light-brown-sugar 130, whole-egg 55, xanthan 2, baking-soda 2, salt 3, dark-chocolate 150
chewy | oat and raisin | wheat-flour 190, rolled-oats 240, butter 225, light-brown-sugar 200, white-sugar 50, whole-egg 100, cinnamon 3, baking-soda 5, salt 4, raisins 150
chewy | oat, little flour | wheat-flour 100, rolled-oats 270, butter 170, light-brown-sugar 170, white-sugar 60, whole-egg 60, baking-soda 3, salt 4, dried-cherries 120
crisp-through | oat and syrup without egg | wheat-flour 150, rolled-oats 100, coconut 85, butter 125, white-sugar 160, golden-syrup 40, water 30, baking-soda 4, salt 1
crisp-edge | thin oat lace | wheat-flour 60, rolled-oats 180, butter 140, light-brown-sugar 190, whole-egg 50, vanilla 4, salt 3, baking-powder 2
chewy | muesli with seeds | wheat-flour 150, quick-oats 120, butter 130, light-brown-sugar 130, honey 30, whole-egg 55, baking-soda 3, salt 3, sunflower-seeds 60, pumpkin-seeds 60, dried-apricots 80
chewy | peanut butter | wheat-flour 190, butter 115, peanut-butter 200, light-brown-sugar 110, white-sugar 100, whole-egg 50, baking-soda 4, baking-powder 2, salt 3
crisp-edge | peanut butter, crisp | wheat-flour 220, butter 115, sweet-peanut-butter 180, white-sugar 130, light-brown-sugar 90, whole-egg 50, baking-soda 4, chopped-peanuts 100, salt 2
chewy | almond butter, spelt | spelt-flour 180, almond-butter 160, butter 60, coconut-sugar 140, whole-egg 55, baking-soda 3, salt 3, dark-chocolate 150
chewy | eggless with milk | wheat-flour 250, butter 150, light-brown-sugar 150, white-sugar 50, whole-milk 50, baking-soda 3, salt 3, vanilla 5, semisweet-chocolate 200
chewy | eggless with condensed milk | wheat-flour 280, butter 150, white-sugar 60, condensed-milk 150, baking-powder 5, salt 2, milk-chocolate 150
chewy | plant kitchen, oil and oat drink | wheat-flour 280, sunflower-oil 100, light-brown-sugar 150, white-sugar 60, oat-drink 70, vanilla 6, baking-soda 4, salt 4, dark-chocolate 200
chewy | plant kitchen, margarine and apple | wheat-flour 250, margarine 150, light-brown-sugar 160, white-sugar 50, apple-sauce 50, cornflour 10, baking-soda 3, salt 3, dark-chocolate 200
crisp-through | eggless custard powder | wheat-flour 250, vanilla-pudding-powder 60, butter 200, icing-sugar 90, salt 2
`;

const grams = (text: string): ReadonlyMap<string, { readonly g: number; readonly browned: boolean }> =>
  new Map(
    text.split(',').map((part) => {
      const [id, g, how] = part.trim().split(' ');
      return [id as string, { g: Number(g), browned: how === 'browned' }];
    }),
  );

/** A formula from grams by ingredient, in one stage. */
export const fromGrams = (
  name: string,
  target: Doneness,
  amounts: ReadonlyMap<string, { readonly g: number; readonly browned?: boolean }>,
): Formula => {
  const raw = [...amounts].map(([ingredientId, { g, browned }]) => ({
    ingredientId,
    percent: g,
    ...(browned && { browned }),
  }));
  const flour = flourPercent(raw) / 100;
  return {
    code: 'ORD',
    name,
    version: 1,
    stages: [
      {
        id: 'all',
        name: 'All',
        cue: '',
        lines: raw.map((line) => ({ ...line, percent: line.percent / flour })),
      },
    ],
    toppings: [],
    piece: { massG: 40, shape: 'ball' },
    rest: { form: 'pieces', placeKind: 'walk-in', minS: 3600, bestS: 7200, maxS: 86_400, temperS: 0 },
    bake: { target, setC: 175, fan: false, trayRestS: 300, gapMm: 20 },
  };
};

export const ordinary = sheet
  .trim()
  .split('\n')
  .map((row) => {
    const [target, name, amounts] = row.split('|').map((cell) => cell.trim());
    return { target: target as Doneness, name: name as string, amounts: grams(amounts as string) };
  });

export const ordinaryNamed = (name: string): (typeof ordinary)[number] => {
  const found = ordinary.find((recipe) => recipe.name === name);
  if (!found) throw new Error(`no recipe ${name}`);
  return found;
};
