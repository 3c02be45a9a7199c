/** Chocolate, nuts, seeds, fruit and other pieces. Columns: see `read-rows.ts`. */
export const inclusions = `
dark-chocolate | Dark chocolate | inclusion | 1 38 7 6 34 11 3 0 0 | chips 0.72, chopped 0.6 | soy | | square 10 | dark chocolate chips, bittersweet chocolate, dark chocolate chunks, bittersweet chocolate chips
semisweet-chocolate | Semisweet chocolate | inclusion | 1 30 4.5 4 52 7 1.5 0 0 | chips 0.72, chopped 0.6 | soy | | square 10 | semisweet chocolate chips, semi-sweet chocolate, semi-sweet chocolate chips, semisweet chips, semi-sweet chips
milk-chocolate | Milk chocolate | inclusion | 1.2 31 7.5 3 52 3.3 2 0 0 | chips 0.72, chopped 0.6 | milk, soy | | square 10 | milk chocolate chips
white-chocolate | White chocolate | inclusion | 1.2 32 6 0 59 0.2 1.6 0 0 | chips 0.74, chopped 0.62 | milk, soy | | square 10 | white chocolate chips
cocoa-nibs | Cocoa nibs | inclusion | 5 50 13 18 1 10 3 0 0 | level 0.55 | | | | cacao nibs
toffee-pieces | Toffee pieces | inclusion | 2 31 1.3 0 64 0 0.7 1 0 | level 0.68 | milk | | | toffee bits
sugar-pearls | Sugar sprinkles | inclusion | 1.5 5 0 6 87 0 0.5 0 0 | level 0.8 | | | | sprinkles, hundreds and thousands
marshmallows | Marshmallows | inclusion | 16.5 0.2 1.8 23 58.4 0 0.1 0 0 | loose 0.2 | | | marshmallow 7 | mini marshmallows
walnuts | Walnuts, chopped | inclusion | 4.1 65.2 15.2 4.4 2.6 6.7 1.8 0 0 | chopped 0.5 | nuts:walnut | | | walnuts, walnut halves
pecans | Pecans, chopped | inclusion | 3.5 72 9.2 0.5 4 9.6 1.5 0 0 | chopped 0.46 | nuts:pecan | | | pecans, pecan halves
almonds | Almonds, chopped | inclusion | 4.4 50 21 5 4.4 12.5 3 0 0 | chopped 0.55 | nuts:almond | | | almonds, slivered almonds, whole almonds
flaked-almonds | Flaked almonds | inclusion | 4.4 50 21 5 4.4 12.5 3 0 0 | loose 0.38 | nuts:almond | | | sliced almonds
hazelnuts | Hazelnuts, chopped | inclusion | 5.3 60.8 15 2.7 4.3 9.7 2.3 0 0 | chopped 0.5 | nuts:hazelnut | | | hazelnuts
pistachios | Pistachios, chopped | inclusion | 4.4 45.3 20.2 9 7.7 10.6 3 0 0 | chopped 0.52 | nuts:pistachio | | | pistachios
cashews | Cashews, chopped | inclusion | 5.2 44 18.2 21 6 3.3 2.5 0 0 | chopped 0.55 | nuts:cashew | | | cashews, cashew nuts
macadamias | Macadamias, chopped | inclusion | 1.4 75.8 7.9 1.2 4.6 8.6 1.1 0 0 | chopped 0.55 | nuts:macadamia | | | macadamia nuts, macadamias
chopped-peanuts | Peanuts, chopped | inclusion | 1.6 49.7 23.7 8.5 5 8 3.5 0 0 | chopped 0.6 | peanut | | | peanuts, roasted peanuts
coconut | Coconut, shredded dry | inclusion | 3 64.5 6.9 0 7.4 16.3 1.9 0 0 | loose 0.35 | | | | desiccated coconut, dessicated coconut, shredded coconut, unsweetened coconut, coconut flakes
sweet-coconut | Coconut, sweetened | inclusion | 13 35.5 3 0 43 4.5 1 0 0 | loose 0.36, packed 0.42 | sulphite | | | sweetened coconut, sweetened shredded coconut
sesame | Sesame | inclusion | 4.7 49.7 17.7 11.4 0.3 11.8 4.4 0 0 | level 0.6 | sesame | | | sesame seeds, white sesame
black-sesame | Black sesame | inclusion | 4.7 49.7 17.7 11.4 0.3 11.8 4.4 0 0 | level 0.6 | sesame | | | black sesame seeds
poppy-seed | Poppy seed | inclusion | 6 41.6 18 5.6 3 19.5 6.3 0 0 | level 0.59 | | | | poppy seeds
sunflower-seeds | Sunflower seeds | inclusion | 4.7 51.5 20.8 8.8 2.6 8.6 3 0 0 | level 0.57 | | | |
pumpkin-seeds | Pumpkin seeds | inclusion | 5.2 49 30.2 3.3 1.4 6 4.8 0 0 | level 0.55 | | | | pepitas
linseed | Linseed | inclusion | 7 42.2 18.3 0.1 1.5 27.3 3.7 0 0 | level 0.7, ground 0.48 | | | | flaxseed, flax seeds, ground flaxseed
chia | Chia seeds | inclusion | 6 31 17 7.6 0 34 4.8 0 0 | level 0.72 | | | | chia
raisins | Raisins | inclusion | 16 0.5 3 2.5 72 4 2 0 0 | level 0.65 | sulphite | acid 0.1 | | sultanas, seedless raisins
currants | Currants, dried | inclusion | 19 0.3 4 0 68 6.8 2 0 0 | level 0.62 | | acid 0.1 | | currants
dried-cranberries | Cranberries, dried | inclusion | 15.5 1.1 0.2 4 73.5 5.3 0.2 0 0 | level 0.5 | | acid 0.15 | | dried cranberries, cranberries
dried-cherries | Cherries, dried | inclusion | 17 0.8 1.5 3 72 4.5 1.2 0 0 | level 0.6 | | acid 0.12 | | sour cherries, dried sour cherries, dried cherries, cherries
dried-apricots | Apricots, dried | inclusion | 31 0.5 3.4 2 53.5 7.3 2.6 0 0 | chopped 0.6 | sulphite | acid 0.15 | apricot 7 | apricots, dried apricots
dates | Dates, chopped | inclusion | 20.5 0.4 2.5 3.6 63.4 8 1.6 0 0 | chopped 0.62 | | | medjool 24, deglet 7.1 | dates, pitted dates, medjool dates, deglet dates, deglet nour dates, deglet noor dates
figs | Figs, dried | inclusion | 30 0.9 3.3 5.1 48 9.8 1.9 0 0 | chopped 0.62 | | acid 0.05 | fig 9 | dried figs
candied-peel | Candied peel | inclusion | 17 0.3 0.3 0 78.5 3.5 0.4 0 0 | chopped 0.6 | sulphite | acid 0.03 | | candied orange peel, mixed peel
freeze-dried-raspberries | Raspberries, freeze-dried | inclusion | 3 4.5 8 3 42 34 4 0 0 | loose 0.12 | | acid 1.5 | | freeze-dried strawberries, freeze dried raspberries
jam | Jam | inclusion | 30 0 0.4 0 68 1.2 0.4 0 0 | level 1.33 | | acid 0.08 | | raspberry jam, apricot jam, marmalade
pretzels | Pretzels, crushed | inclusion | 3.5 3.5 10 71.5 2.5 3.5 1.5 3.5 0 | crushed 0.35 | gluten, wheat | | | pretzels
biscuit-crumbs | Biscuit crumbs | inclusion | 3.5 16 7 43 25 3 1.2 1 0 | crushed 0.42 | gluten, milk, wheat | | | graham cracker crumbs, cookie crumbs
potato-crisps | Potato crisps, crushed | inclusion | 2 34 6.5 48 0.5 4.5 3 1.5 0 | crushed 0.24 | | | | potato chips, potato crisps
`;
