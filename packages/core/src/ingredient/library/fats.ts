/** Butters, other fats, nut butters. Columns: see `read-rows.ts`. */
export const fats = `
butter | Butter, unsalted | butter | 16 81.5 0.9 0 0.8 0 0.8 0 0 | packed 0.96, melted 0.91 | milk | | stick 113.4 | butter, unsalted butter, sweet butter, sweet cream butter
browned-butter | Browned butter | butter | 0.5 97.2 0.8 0 0.7 0 0.8 0 0 | liquid 0.91 | milk | | | brown butter, beurre noisette, burnt butter
european-butter | Butter, 84 % fat | butter | 14 84 0.8 0 0.6 0 0.6 0 0 | packed 0.95, melted 0.91 | milk | | | european-style butter, high-fat butter, cultured butter
ghee | Ghee | butter | 0.3 99.6 0 0 0 0 0.1 0 0 | soft 0.92, liquid 0.9 | milk | | | clarified butter, butter oil
margarine | Margarine, 80 % fat | fat | 17 80 0.2 0 0.6 0 0.6 1.6 0 | packed 0.95 | | | stick 113.4 | margarine, baking margarine, block margarine, vegan butter, plant butter
shortening | Vegetable shortening | fat | 0 100 0 0 0 0 0 0 0 | packed 0.81 | | | stick 94 | vegetable shortening, baking fat, white vegetable fat
lard | Lard | fat | 0.3 99.7 0 0 0 0 0 0 0 | packed 0.87 | | | |
coconut-oil | Coconut oil | fat | 0 100 0 0 0 0 0 0 0 | soft 0.92, liquid 0.91 | | | |
sunflower-oil | Sunflower oil | fat | 0 100 0 0 0 0 0 0 0 | level 0.92 | | | | vegetable oil, oil, rapeseed oil, canola oil, neutral oil
olive-oil | Olive oil | fat | 0 100 0 0 0 0 0 0 0 | level 0.915 | | | | extra virgin olive oil
cream-cheese | Cream cheese | fat | 54 34 6 0 4 0 1.2 0.8 0 | packed 0.98 | milk | acid 0.05 | | full-fat soft cheese, soft cheese
mascarpone | Mascarpone | fat | 48 43 4.5 0 3.8 0 0.6 0.1 0 | packed 1 | milk | | |
tahini | Tahini | nut-butter | 2 55 18 9 3 9 4 0 0 | stirred 1.02 | sesame | | | sesame paste
peanut-butter | Peanut butter | nut-butter | 1.5 50 24 9 7 6 1.5 1 0 | stirred 1.09 | peanut | | | smooth peanut butter, crunchy peanut butter, creamy peanut butter
almond-butter | Almond butter | nut-butter | 1.6 55.5 21 5 4.5 10 2.4 0 0 | stirred 1.06 | nuts:almond | | |
cashew-butter | Cashew butter | nut-butter | 2.5 49 17.5 20 5.5 3 2.5 0 0 | stirred 1.07 | nuts:cashew | | |
hazelnut-paste | Hazelnut paste | nut-butter | 1.5 63 15 3 5 10 2.5 0 0 | stirred 1.05 | nuts:hazelnut | | | hazelnut butter, praline paste unsweetened
pistachio-paste | Pistachio paste | nut-butter | 2 47 20.5 14 7 7 2.5 0 0 | stirred 1.07 | nuts:pistachio | | | pistachio butter
`;
