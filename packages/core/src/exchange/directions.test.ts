import { describe, expect, it } from '@jest/globals';
import { directionsOf, isAbout } from './directions.js';
import { recipeTitle } from './recipe-rows.js';
import { readSheet } from './read-sheet.js';

const settings = { measures: 'us', schools: { flour: 'spooned' }, eggSize: 'large' } as const;

describe('the oven of a recipe', () => {
  const still = (setC: number) => ({ setC });
  const fan = (setC: number) => ({ setC, fan: true });
  it.each([
    ['Bake at 350°F (175°C / 155°C fan) for 11-13 minutes.', still(175)],
    ['Preheat the oven to 180°C (fan 160°C)/gas 4.', still(180)],
    ['Heat oven to 180C/160C fan/gas 4.', still(180)],
    ['Heat oven to 180C/fan 160C/gas 4.', still(180)],
    ['Heat the oven to 160C fan/180C/gas 4.', still(180)],
    ['Oven 200°C, fan 180°C.', still(200)],
    ['Preheat to 190 °C or 170 °C convection.', still(190)],
    ['Bake at 375°F (350°F convection).', still(190.6)],
    ['Bake at 160°C fan for 12 minutes.', fan(160)],
    ['Bake at 160°C (fan) for 12 minutes.', fan(160)],
    ['Preheat a fan oven to 160°C.', fan(160)],
    ['Fan oven, 160°C.', fan(160)],
    ['Bake in a fan-forced oven at 325F.', fan(162.8)],
    ['Bake at 170°C with no fan.', still(170)],
    ['Bake at 170°C, without the fan, 12 min.', still(170)],
    ['180 °C Ober-/Unterhitze oder 160 °C Umluft backen.', still(180)],
    ['Bei 160 °C Umluft 12 Minuten backen.', fan(160)],
    ['Bake until the core is 75°C, at 180°C.', still(180)],
    ['Chill at 4°C overnight and bake at 175°C', still(175)],
    ['Brown the butter at 130 ml, bake at 175C', still(175)],
    ['Bake 3 sheets at 190', still(190)],
    ['Preheat to 375', still(190.6)],
    ['Oven: 190C (170 fan), 10-12 mins', still(190)],
    ['Oven: 190 (fan 170)', still(190)],
    ['Oven 375', still(190.6)],
    ['Bake at 350 for 10 minutes', still(176.7)],
    ['Bake at 180 for 12 minutes', still(180)],
    ['Bake 350 12 min', still(176.7)],
    ['375 degrees, 9-11 min', still(190.6)],
    ['350° 10 min', still(176.7)],
    ['350F 8-10 min', still(176.7)],
    ['@ 180C, 12 mins', still(180)],
    ['180° for 12 minutes', still(180)],
  ])('"%s"', (text, { setC, ...rest }) => {
    const { minutes: _, ...set } = directionsOf(text).bake ?? {};
    expect(set).toEqual({ setC: expect.closeTo(setC, 1), ...rest });
  });
  it.each([
    ['Bake 150 at a time.', undefined],
    ['Bake 100 % of it.', undefined],
    ['Bake until the core is 75°C.', undefined],
    ['Chill at 4°C overnight.', undefined],
    ['Bake with 1 c sugar.', undefined],
    ['Keep the oven shut for 120 seconds.', undefined],
    ['Bake 160 g of it in a tin.', undefined],
    ['Bake for 150 seconds.', undefined],
    ['Bake 120 pieces a day.', undefined],
  ])('"%s" says nothing of its heat', (text, setC) => expect(directionsOf(text).bake?.setC).toBe(setC));
});

describe('how long, and how it rests', () => {
  it.each([
    ['Rest 2 h in the fridge, roll 4 mm, bake 160°C 14 min (fan).', [14, 14], [2, 2]],
    ['Chill for 1 hour and bake for 10 to 12 minutes.', [10, 12], [1, 1]],
    ['Chill 30 minutes, then bake 12 minutes.', [12, 12], [0.5, 0.5]],
    ['Bake for 12 minutes, then chill for 2 hours.', [12, 12], [2, 2]],
    ['Bake for ten to twelve minutes.', [10, 12], undefined],
    ['Bake about 12 minutes.', [12, 12], undefined],
    ['Bake 10–12 min, rotating after 6 min.', [10, 12], undefined],
    ['Chill at least 24 hours and up to 72 hours.', undefined, [24, 72]],
    ['Refrigerate for at least 1 hour, or up to 3 days.', undefined, [1, 72]],
    ['Chill 24-72 hours.', undefined, [24, 72]],
    ['Chill overnight or up to 2 days.', undefined, [8, 48]],
    ['Rest in the fridge 1 hr minimum, best overnight.', undefined, [1, 16]],
    ['Chill overnight (at least 8 hours).', undefined, [8, 16]],
    ['375 degrees, 9-11 min.', [9, 11], undefined],
    ['350F 8-10 min', [8, 10], undefined],
    ['Chill the dough for up to 3 days.', undefined, undefined],
    ['Freeze for a maximum of 4 weeks.', undefined, undefined],
    ['Chill 20 min. Scoop. Chill for 2 hours.', undefined, [2, 2]],
    ['Brown the butter and chill 20 min.\nScoop. Chill overnight.', undefined, [8, 16]],
  ])('"%s"', (text, minutes, hours) => {
    const { bake, rest } = directionsOf(text);
    expect(bake?.minutes).toEqual(minutes);
    expect(rest?.hours).toEqual(hours);
  });
});

describe('what is done with the butter', () => {
  it.each([
    ['Melt the butter and let it cool.', 'melted'],
    ['Whisk the sugars into the melted butter.', 'melted'],
    ['Heat until the butter melts.', 'melted'],
    ['Die Butter schmelzen und abkühlen lassen.', 'melted'],
    ['Faire fondre le beurre.', 'melted'],
    ['Brown the butter in a light pan.', 'browned'],
    ['Melt the butter. Cook the butter until amber and nutty.', 'browned'],
    ['Cream butter and sugar until pale.', undefined],
    ['Brush the cookies with melted butter.', undefined],
    ['Melt the chocolate with a little butter.', undefined],
    ['Beat in the brown sugar and the butter.', undefined],
  ])('"%s": %s', (text, butter) => expect(directionsOf(text).butter).toBe(butter));
});

describe('how many it makes', () => {
  it.each([
    ['Cookies (makes about 3 dozen 2 1/2-inch cookies)', { pieces: 36, diameterMm: 64 }],
    ['Makes 2-3 dozen', { pieces: 36 }],
    ['Makes two dozen cookies', { pieces: 24 }],
    ['Makes a dozen', { pieces: 12 }],
    ['Yield: 4 doz.', { pieces: 48 }],
    ['Makes 24 cookies, 3½ inches across', { pieces: 24, diameterMm: 89 }],
    ['Yields 18 three-inch cookies', { pieces: 18, diameterMm: 76 }],
    ['Makes 20', { pieces: 20 }],
    ['Makes ~ 2 1/2 dozen', { pieces: 30 }],
    ['Yields 1½ doz. cookies', { pieces: 18 }],
    ['Makes 2-2 1/2 dozen', { pieces: 30 }],
    ['Servings: 24 cookies', { pieces: 24 }],
    ['Scoop 2 oz (57g) portions.', { pieceG: 57 }],
    ['Portion into 60 g balls.', { pieceG: 60 }],
    ['Divide into 1.5 oz balls', { pieceG: 42.5 }],
    ['Roll walnut-sized pieces (about 25g), 5cm apart.', { pieceG: 25 }],
    ['Shape into balls of 60 g each.', { pieceG: 60 }],
    ['Divide into 24 pieces of about 40 g', { pieces: 24, pieceG: 40 }],
    ['Makes 18. Use a 2 1/2 oz scoop.', { pieces: 18, pieceG: 70.9 }],
    ['Scoop 57 g/2 oz balls', { pieceG: 57 }],
    ['Chop into pieces and melt 200 g', undefined],
    ['Break the chocolate into pieces (200 g).', undefined],
    ['Cut the dough into pieces of 40 g', { pieceG: 40 }],
  ])('"%s"', (text, made) => expect(directionsOf(text).yield).toEqual(made));
  it.each([
    'Makes 500 g dough',
    'Makes 1 kg',
    'Pour 200 ml milk over.',
    'Makes 2 trays',
    'Makes 2 batches of 12',
    'Yields 3 cups',
  ])('"%s" counts no pieces', (text) => expect(directionsOf(text).yield?.pieces).toBeUndefined());
});

describe('lines that are no ingredient', () => {
  const kinds = (text: string) =>
    readSheet(text, settings).lines.map(({ state, use, ingredientId, massG }) =>
      state === 'read' ? `${use} ${ingredientId} ${Math.round(massG ?? 0)}` : `${use} ${state}`,
    );
  it('the parts that a list of ingredients is written in are headings', () =>
    expect(
      kinds(
        'Dry\n100 g flour\nWet\n50 g butter\nTo finish\n5 g flaky salt\nFor rolling\n20 g sugar\nTo decorate:\n9 g cocoa\nDry mix\n2 g salt',
      ),
    ).toEqual([
      'dough heading',
      'dough wheat-flour 100',
      'dough heading',
      'dough butter 50',
      'topping heading',
      'topping flaked-salt 5',
      'topping heading',
      'topping white-sugar 20',
      'topping heading',
      'topping ask',
      'dough heading',
      'dough salt 2',
    ]));
  it('how many it makes stands behind the name of a recipe, and is no part of it', () => {
    const text = 'Ginger Crinkles (makes about 3 dozen)\n100 g flour\n50 g butter';
    expect(recipeTitle(text)).toBe('Ginger Crinkles');
    expect(readSheet(text, settings).yield).toEqual({ pieces: 36 });
    expect(kinds(text)[0]).toBe('dough heading');
    expect(recipeTitle('100 g flour (makes 3)\n50 g butter')).toBe('');
  });
  it.each(['Drop of vanilla', 'Sprinkle of salt', 'Drizzle of honey', 'A dust of cinnamon'])(
    '"%s" is one all the same, and asked about',
    (text) => expect(kinds(`100 g flour\n${text}`)[1]).toBe('dough ask'),
  );
  it('what stands beside at the table goes on no piece', () =>
    expect(kinds('To serve\n100 g cream')).toEqual(['other heading', 'other heavy-cream 100']));
  it.each([
    'Preparation 15 min, cooking 12 min',
    'Prep 20 mins; Bake 10-12 mins; Chill 2 hours',
    'Active time: 30 minutes; total 26 hours',
    'Prep: 1 h 20 min',
  ])('times alone are none: "%s"', (text) =>
    expect(kinds(`100 g flour\n${text}\n50 g butter`)).toEqual([
      'dough wheat-flour 100',
      'dough instruction',
      'dough butter 50',
    ]),
  );
  it('the sum of a table is none', () => {
    expect(kinds('Ingredient\tGrams\nFlour\t1000\nTotal\t1000')).toEqual([
      'dough heading',
      'dough wheat-flour 1000',
      'dough instruction',
    ]);
    expect(isAbout('1000 g Total')).toBe(true);
    expect(isAbout('1000 g total flour')).toBe(false);
  });
  it('words of rolling around one another are taken apart no further', () =>
    expect(kinds('100 g flour\nRoll in roll in 2 Tbsp sugar')).toEqual([
      'dough wheat-flour 100',
      'dough ask',
    ]));
  it('what the pieces are rolled in is weighed for them', () =>
    expect(kinds('100 g flour\nRoll in 2 Tbsp sugar + 2 tsp cinnamon\nRoll in sugar and bake')).toEqual([
      'dough wheat-flour 100',
      'topping white-sugar 25',
      'topping cinnamon 5',
      'dough instruction',
    ]));
});
