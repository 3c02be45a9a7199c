/** Leavening, salt, spices and flavours. Columns: see `read-rows.ts`. */
export const smallAmounts = `
baking-soda | Baking soda | leavening | 0 0 0 0 0 0 100 0 0 | level 0.93 | | base 11.9 gas 286 | | bicarbonate of soda, sodium bicarbonate, bicarb, soda
baking-powder | Baking powder | leavening | 5 0 0 28 0 0 67 0 0 | level 0.86 | | gas 71 | | double-acting baking powder
single-baking-powder | Baking powder, single-acting | leavening | 5 0 0 30 0 0 65 0 0 | level 0.86 | | gas 66 | | single-acting baking powder
cream-of-tartar | Cream of tartar | leavening | 0 0 0 0 0 0 100 0 0 | level 0.65 | | acid 5.31 | | potassium bitartrate
bakers-ammonia | Baker's ammonia | leavening | 100 0 0 0 0 0 0 0 0 | level 0.72 | | gas 608 | | ammonium bicarbonate, hartshorn
potash | Potash | leavening | 0 0 0 0 0 0 100 0 0 | level 1 | | base 14.47 gas 174 | | potassium carbonate
salt | Fine salt | salt | 0.2 0 0 0 0 0 0 99.8 0 | level 1.2 | | | | salt, table salt, fine sea salt, sea salt
kosher-salt | Coarse salt | salt | 0.2 0 0 0 0 0 0 99.8 0 | level 0.75 | | | | kosher salt, coarse sea salt
flaked-salt | Flaked salt | salt | 0.2 0 0 0 0 0 0 99.8 0 | loose 0.6 | | | | flaky salt, flaky sea salt, sea salt flakes
vanilla | Vanilla extract | flavour | 52.5 0 0 0 12.6 0 0.4 0 34.5 | level 0.95 | | | | vanilla, pure vanilla extract, vanilla essence
vanilla-paste | Vanilla paste | flavour | 40 0.1 0.3 2 56 1 0.6 0 0 | level 1.3 | | | | vanilla bean paste
vanilla-seeds | Vanilla seeds | flavour | 30 10 4 10 20 21 5 0 0 | level 0.6 | | | pod 0.4 | vanilla bean, vanilla pod
almond-extract | Almond extract | flavour | 55 0.5 0 0 0.5 0 0 0 44 | level 0.9 | nuts:almond | | | almond essence
peppermint-extract | Peppermint extract | flavour | 30 0.5 0 0 0.5 0 0 0 69 | level 0.86 | | | |
orange-zest | Orange zest | flavour | 72.5 0.2 1.5 0 14.4 10.6 0.8 0 0 | loose 0.4 | | acid 0.03 | orange 9 | zest of orange
lemon-zest | Lemon zest | flavour | 81.5 0.3 1.5 0 5.6 10.6 0.5 0 0 | loose 0.4 | | acid 0.05 | lemon 6 | zest of lemon, lemon rind
lime-zest | Lime zest | flavour | 81.5 0.3 1.5 0 5.6 10.6 0.5 0 0 | loose 0.4 | | acid 0.05 | lime 3 | zest of lime, lime rind
ginger | Ground ginger | flavour | 10 4.2 9 54.1 3.4 14 5.3 0 0 | level 0.37 | | | | ginger powder, dried ginger
fresh-ginger | Fresh ginger | flavour | 79 0.8 1.8 13.9 1.7 2 0.8 0 0 | grated 0.95 | | | | ginger root, grated ginger
crystallised-ginger | Crystallised ginger | inclusion | 12 0.2 0.3 3 82 2 0.5 0 0 | chopped 0.7 | sulphite | | | candied ginger, stem ginger
cinnamon | Ground cinnamon | flavour | 10.5 1.2 4 25.3 2.2 53 3.8 0 0 | level 0.53 | | | | cinnamon
clove | Ground clove | flavour | 10 13 6 29 2.5 34 5.5 0 0 | level 0.43 | | | | cloves, ground cloves
cardamom | Ground cardamom | flavour | 8.3 6.7 10.8 40.4 0 28 5.8 0 0 | level 0.4 | | | | cardamom
nutmeg | Ground nutmeg | flavour | 6.2 36.3 5.8 25.5 3 20.8 2.4 0 0 | level 0.47 | | | | nutmeg, grated nutmeg
mixed-spice | Mixed spice | flavour | 9 7 6 40 4 29 5 0 0 | level 0.45 | | | | pumpkin pie spice, pumpkin spice, apple pie spice
allspice | Ground allspice | flavour | 8.5 8.7 6 50 0 22 4.8 0 0 | level 0.41 | | | | allspice, pimento
black-pepper | Ground black pepper | flavour | 12.5 3.3 10.4 38 0.6 31 4.2 0 0 | level 0.47 | | | | black pepper, pepper
aniseed | Ground aniseed | flavour | 9.5 16 17.6 35 0 15 6.9 0 0 | level 0.4 | | | | anise, anise seed
cayenne | Cayenne | flavour | 8 17.3 12 19 10.4 27.3 6 0 0 | level 0.36 | | | | chilli powder, chili powder
cocoa-powder | Cocoa powder, natural | flavour | 4 13 20 15 2 37 9 0 0 | spooned 0.36, dipped 0.45, sifted 0.32 | | acid 0.2 | | natural cocoa powder, natural cocoa, natural unsweetened cocoa
dutch-cocoa | Cocoa powder, alkalised | flavour | 4 13 19 15 2 36 11 0 0 | spooned 0.38, dipped 0.46, sifted 0.33 | | | | alkalised cocoa, dutch cocoa, dutch-process cocoa powder, dutch-process cocoa, dutched cocoa, dark cocoa powder
espresso-powder | Instant coffee | flavour | 3.5 0.5 12 68 5 0 11 0 0 | level 0.25 | | acid 0.1 | | espresso powder, instant espresso powder, instant coffee, instant espresso, coffee powder
matcha | Matcha | flavour | 5 5.5 30 13 0 38.5 8 0 0 | level 0.35 | | | | green tea powder
gelatine | Gelatine | flavour | 11 0.1 87.5 0 0 0 1.4 0 0 | level 0.7 | | | sheet 2 | gelatin
xanthan | Xanthan gum | flavour | 9 0 3 0 0 79 9 0 0 | level 0.6 | | | | xanthan gum
wheat-gluten | Wheat gluten | flour | 7 2 76 12 1.5 0.5 1 0 0 | spooned 0.5 | gluten, wheat | | | vital wheat gluten, gluten
`;
