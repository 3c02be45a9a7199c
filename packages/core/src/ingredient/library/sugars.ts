/** Sugars and syrups. Columns: see `read-rows.ts`. */
export const sugars = `
white-sugar | White sugar | sugar | 0.1 0 0 0 99.9 0 0 0 0 | level 0.845 | | | cube 4 | sugar, granulated sugar, white granulated sugar, granulated white sugar
caster-sugar | Caster sugar | sugar | 0.1 0 0 0 99.9 0 0 0 0 | level 0.88 | | | | superfine sugar, castor sugar, extra-fine sugar, golden caster sugar, golden castor sugar
raw-cane-sugar | Raw cane sugar | sugar | 0.3 0 0 0 99.3 0 0.4 0 0 | level 0.87 | | | | demerara sugar, demerara, turbinado sugar, turbinado, raw sugar, golden granulated sugar
light-brown-sugar | Light brown sugar | sugar | 1.5 0 0 0 97.7 0 0.8 0 0 | packed 0.93, loose 0.72 | | acid 0.006 | | soft light brown sugar, light soft brown sugar, light muscovado sugar, light muscovado, soft brown sugar
dark-brown-sugar | Dark brown sugar | sugar | 2 0 0 0 96.7 0 1.3 0 0 | packed 0.95, loose 0.74 | | acid 0.012 | | soft dark brown sugar, dark soft brown sugar, dark muscovado sugar, dark muscovado, muscovado sugar
icing-sugar | Icing sugar | sugar | 0.3 0 0 0 99.7 0 0 0 0 | sifted 0.48, dipped 0.56 | | | | powdered sugar, confectioners sugar, confectioners' sugar
pearl-sugar | Pearl sugar | sugar | 0.1 0 0 0 99.9 0 0 0 0 | level 0.7 | | | | nib sugar
coconut-sugar | Coconut sugar | sugar | 2.5 0 1 0 93 0.5 3 0 0 | level 0.68 | | | |
dextrose | Dextrose | sugar | 8.5 0 0 0 91.5 0 0 0 0 | level 0.7 | | | | glucose powder
honey | Honey | syrup | 17.5 0 0.4 0 81.6 0.2 0.3 0 0 | level 1.42 | | acid 0.03 | | clear honey, runny honey
molasses | Molasses | syrup | 22 0.1 0 0 73.9 0 4 0 0 | level 1.42 | | acid 0.1 | | unsulphured molasses, light molasses
black-treacle | Black treacle | syrup | 22 0 1 0 71 0 6 0 0 | level 1.42 | | acid 0.12 | | treacle, blackstrap molasses, dark molasses
golden-syrup | Golden syrup | syrup | 18 0 0.3 0 80.8 0 0.9 0 0 | level 1.43 | | acid 0.01 | | light treacle
glucose-syrup | Glucose syrup | syrup | 20 0 0 0 79.9 0 0.1 0 0 | level 1.42 | | | | corn syrup, light corn syrup
maple-syrup | Maple syrup | syrup | 32.5 0 0 0 66.9 0 0.6 0 0 | level 1.32 | | | |
agave-syrup | Agave syrup | syrup | 23 0.3 0 0 76.4 0.2 0.1 0 0 | level 1.35 | | | | agave nectar, agave
date-syrup | Date syrup | syrup | 25 0 1.2 0 71 0.8 2 0 0 | level 1.38 | | acid 0.05 | | silan
malt-syrup | Malt syrup | syrup | 22 0 5 12 59.8 0 1.2 0 0 | level 1.41 | gluten:barley | acid 0.02 | | malt extract, barley malt syrup, barley malt extract
invert-syrup | Invert syrup | syrup | 22 0 0 0 77.8 0 0.2 0 0 | level 1.4 | | acid 0.01 | | invert sugar, inverted sugar, inverted sugar syrup
condensed-milk | Condensed milk, sweetened | syrup | 27 8 8 0 55.2 0 1.8 0 0 | level 1.3 | milk | acid 0.01 | | condensed milk, sweetened condensed milk
caramel-sauce | Caramel sauce | syrup | 24 9 2 0 63 0 0.6 0.6 0 | level 1.3 | milk | | | dulce de leche
`;
