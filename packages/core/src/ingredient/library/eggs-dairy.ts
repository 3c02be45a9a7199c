/** Eggs, milk products and other liquids. Columns: see `read-rows.ts`. Sizes give grams without the shell. */
export const eggsAndLiquids = `
whole-egg | Whole egg | egg | 76 9.5 12.6 0 0.8 0 1.1 0 0 | beaten 1.03 | egg | | small 38, medium 44, large 50, extra-large 56, jumbo 63, eu-s 44, eu-m 51, eu-l 59, eu-xl 67 | egg, eggs, whole eggs
egg-yolk | Egg yolk | egg | 52 27 16 0 3.5 0 1.5 0 0 | beaten 1.03 | egg | | small 14, medium 16, large 18, extra-large 19, jumbo 21, eu-s 15, eu-m 17, eu-l 19, eu-xl 20 | yolk, yolks, egg yolks
egg-white | Egg white | egg | 87.6 0 10.9 0 0.9 0 0.6 0 0 | beaten 1.03 | egg | | small 24, medium 28, large 32, extra-large 37, jumbo 42, eu-s 29, eu-m 34, eu-l 40, eu-xl 47 | white of egg, egg whites, whites
egg-powder | Whole egg powder | egg | 3.5 41 48 0 3 0 4.5 0 0 | level 0.45 | egg | | | dried egg
whole-milk | Whole milk | liquid | 87.5 3.7 3.3 0 4.8 0 0.7 0 0 | level 1.03 | milk | acid 0.016 | | milk, full-fat milk, full-cream milk
skimmed-milk | Skimmed milk | liquid | 90.5 0.2 3.5 0 5 0 0.8 0 0 | level 1.035 | milk | acid 0.016 | | skim milk, low-fat milk, semi-skimmed milk
buttermilk | Buttermilk | liquid | 89.5 1 3.4 0 5.3 0 0.8 0 0 | level 1.03 | milk | acid 0.09 | | cultured buttermilk
yoghurt | Yoghurt, plain | liquid | 87 3.5 4 0 4.8 0 0.7 0 0 | level 1.03 | milk | acid 0.1 | | yoghurt, yogurt, plain yogurt, natural yoghurt
greek-yoghurt | Strained yoghurt | liquid | 79.5 9 6.5 0 4.3 0 0.7 0 0 | level 1.06 | milk | acid 0.11 | | greek yoghurt, greek yogurt, skyr
sour-cream | Sour cream | liquid | 74 18.5 2.8 0 4 0 0.7 0 0 | level 1 | milk | acid 0.08 | | soured cream, creme fraiche, crème fraîche
heavy-cream | Cream, 35 % fat | liquid | 59.5 35 2.2 0 2.8 0 0.5 0 0 | level 0.99 | milk | acid 0.012 | | heavy cream, double cream, whipping cream, cream
evaporated-milk | Evaporated milk | liquid | 73.5 8 7 0 10 0 1.5 0 0 | level 1.07 | milk | acid 0.03 | |
milk-powder | Milk powder | flavour | 3.5 26.5 26 0 38 0 6 0 0 | level 0.5 | milk | acid 0.1 | | dried milk, powdered milk, nonfat dry milk, skimmed milk powder
oat-drink | Oat drink | liquid | 90 1.5 1 2.5 4 0.8 0.2 0 0 | level 1.03 | gluten:oats | | | oat milk
soy-drink | Soy drink | liquid | 91.5 1.9 3.3 0.5 1.6 0.5 0.7 0 0 | level 1.03 | soy | | | soy milk, soya milk
almond-drink | Almond drink | liquid | 96.5 1.2 0.5 0.1 1.2 0.3 0.2 0 0 | level 1.02 | nuts:almond | | | almond milk
water | Water | liquid | 100 0 0 0 0 0 0 0 0 | level 1 | | | | hot water, cold water, warm water
coffee | Coffee, brewed | liquid | 99.2 0 0.2 0 0.4 0 0.2 0 0 | level 1 | | acid 0.01 | | strong coffee, espresso, coffee, brewed coffee
orange-juice | Orange juice | liquid | 88.7 0.1 0.7 0 9.7 0.3 0.5 0 0 | level 1.04 | | acid 0.15 | orange 70 | juice of orange
lemon-juice | Lemon juice | liquid | 92.3 0.2 0.4 0 6.5 0.3 0.3 0 0 | level 1.03 | | acid 0.85 | lemon 45 | juice of lemon
lime-juice | Lime juice | liquid | 91 0.1 0.4 0 7.8 0.4 0.3 0 0 | level 1.03 | | acid 0.9 | lime 28 | juice of lime
vinegar | Vinegar, 5 % | liquid | 94.5 0 0 0 5.4 0 0.1 0 0 | level 1.01 | | acid 0.83 | | white vinegar, cider vinegar, apple cider vinegar, vinegar
rum | Dark rum | liquid | 66.5 0 0 0 0.1 0 0 0 33.4 | level 0.95 | | | | brandy, whisky, bourbon, rum, rhum, whiskey, spirits
apple-sauce | Apple sauce | liquid | 88 0.1 0.2 0 10.3 1.2 0.2 0 0 | level 1.05 | | acid 0.06 | | applesauce, apple puree
banana | Banana, mashed | liquid | 75 0.3 1.1 5.4 14.7 2.6 0.9 0 0 | level 0.95 | | acid 0.05 | banana 118 | ripe banana, mashed banana, bananas
pumpkin-puree | Pumpkin purée | liquid | 90 0.3 1.1 2.2 3.3 2.4 0.7 0 0 | level 1.03 | | | | pumpkin, canned pumpkin
aquafaba | Chickpea cooking water | liquid | 94 0.1 1.2 2.6 0.6 0.5 1 0 0 | level 1.02 | | | | aquafaba
`;
