/**
 * Lines as people write them, with the grams they must come to, or what must be asked. US measures, spooned flour,
 * packed brown sugar, no egg size. Grams are worked by hand from the library's densities.
 */
export const messyLines: readonly (readonly [
  text: string,
  ingredientId: string | null,
  outcome:
    | number
    | 'ask ingredient'
    | 'ask amount'
    | 'ask size'
    | 'ask ounces'
    | 'ask packing'
    | 'heading'
    | 'empty',
])[] = [
  ['2 1/4 cups all-purpose flour', 'wheat-flour', 276.81],
  ['1½ cups plain flour, sifted', 'wheat-flour', 184.54],
  ['1 cup sifted flour', 'wheat-flour', 108.83],
  ['- 250g butter, softened', 'butter', 250],
  ['2 sticks (226 g) unsalted butter, at room temperature', 'butter', 226],
  ['2 sticks of salted butter', 'salted-butter', 226.8],
  ['3/4 cup packed dark brown sugar', 'dark-brown-sugar', 168.57],
  ['1 cup brown sugar', null, 'ask ingredient'],
  ['one large egg', 'whole-egg', 50],
  ['2 eggs', 'whole-egg', 'ask size'],
  ['3 large egg yolks', 'egg-yolk', 54],
  ['1 tsp. baking soda', 'baking-soda', 4.584],
  ['1 T vanilla extract', 'vanilla', 14.047],
  ['1 t salt', 'salt', 5.915],
  ['a pinch of salt', 'salt', 0.3697],
  ['1 heaping tablespoon natural cocoa powder', 'cocoa-powder', 7.985],
  ['½ cup plus 2 tablespoons granulated sugar', 'white-sugar', 124.95],
  ['1 cup minus 1 tbsp caster sugar', 'caster-sugar', 195.19],
  ['12 oz semisweet chocolate chips', 'semisweet-chocolate', 340.19],
  ['1 lb 4 oz bread flour', 'strong-wheat-flour', 566.99],
  ['8 oz milk', 'whole-milk', 'ask ounces'],
  ['1,5 dl rolled oats', 'rolled-oats', 57],
  ['Flour: 500 g', 'wheat-flour', 500],
  ['Sugar – 200g', 'white-sugar', 200],
  ['zest of 2 lemons', 'lemon-zest', 12],
  ['Juice of half a lime', 'lime-juice', 14],
  ['1 lemon', null, 'ask ingredient'],
  ['1 (14 oz) can sweetened condensed milk', 'condensed-milk', 396.89],
  ['1 can condensed milk', 'condensed-milk', 'ask amount'],
  ['2 x 100 g bars dark chocolate, roughly chopped', 'dark-chocolate', 200],
  ['2-3 tbsp milk', 'whole-milk', 'ask amount'],
  ['butter or margarine, 100 g', null, 'ask ingredient'],
  ['salt to taste', 'salt', 'ask amount'],
  ['sugar, brown, 1 cup', null, 'ask ingredient'],
  ['1 cup unicorn glitter', null, 'ask ingredient'],
  ['1/4 cup sugar for rolling', 'white-sugar', 49.98],
  ['140 g browned butter', 'browned-butter', 140],
  ['140 g butter, browned', 'butter', 140],
  ['1 cup (125 g) flour', 'wheat-flour', 125],
  ['1 and 1/2 teaspoons ground cinnamon', 'cinnamon', 3.918],
  ['2 cups / 200 g pecans, toasted and chopped', 'pecans', 200],
  ['3 tbsp cocoa powder', null, 'ask ingredient'],
  ['a handful of raisins', 'raisins', 'ask amount'],
  ['1 cup chocolate chip cookie dough', null, 'ask ingredient'],
  ['½ teaspoon freshly grated nutmeg', 'nutmeg', 1.158],
  ['1 cup confectioners’ sugar', 'icing-sugar', 'ask packing'],
  ['200 ml double cream', 'heavy-cream', 198],
  ['one quarter cup honey', null, 'ask ingredient'],
  ['1 dozen dates, pitted', 'dates', 'ask size'],
  ['1 dozen Deglet dates, pitted', 'dates', 85.2],
  ['For the dough:', null, 'heading'],
  ['', null, 'empty'],
  ['Preheat the oven to 180', null, 'ask ingredient'],
];
