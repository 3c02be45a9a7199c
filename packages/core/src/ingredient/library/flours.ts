/** Flours, starches and grains. Columns: see `read-rows.ts`. */
export const flours = `
wheat-flour | Wheat flour | flour | 13 1.2 10.5 70.9 1.1 2.7 0.6 0 0 | spooned 0.52, dipped 0.61, sifted 0.46 | gluten, wheat | | | flour, plain flour, all-purpose flour, all purpose flour, ap flour, white flour, plain wheat flour
soft-wheat-flour | Soft wheat flour | flour | 13 1 8.5 73.3 1.2 2.5 0.5 0 0 | spooned 0.48, dipped 0.56, sifted 0.42 | gluten, wheat | | | cake flour, pastry flour, soft flour
strong-wheat-flour | Strong wheat flour | flour | 13 1.3 13 68 1.2 2.9 0.6 0 0 | spooned 0.53, dipped 0.62, sifted 0.47 | gluten, wheat | | | bread flour, strong flour, strong white flour
wholemeal-flour | Wholemeal wheat flour | flour | 12.5 2.2 12.5 59.5 1.4 10.4 1.5 0 0 | spooned 0.5, dipped 0.58 | gluten, wheat | | | whole wheat flour, wholewheat flour, wholemeal flour, graham flour
dark-rye-flour | Dark rye flour | flour | 13 2 9.5 58 2 14 1.5 0 0 | spooned 0.46, dipped 0.54 | gluten:rye | | | rye flour, dark rye, wholegrain rye flour
light-rye-flour | Light rye flour | flour | 13 1.3 8 68 1.4 7.5 0.8 0 0 | spooned 0.44, dipped 0.52 | gluten:rye | | | light rye, white rye flour
spelt-flour | Spelt flour | flour | 12.5 2.1 12.5 65 1.5 5 1.4 0 0 | spooned 0.48, dipped 0.56 | gluten, wheat | | | spelt, white spelt flour
malted-barley-flour | Malted barley flour | flour | 7 1.8 10.5 62 9.5 7.5 1.7 0 0 | spooned 0.56 | gluten:barley | | | barley malt flour, malt flour
barley-flour | Barley flour | flour | 12 1.6 10 63 1 10.2 1.3 0 0 | spooned 0.5, dipped 0.58 | gluten:barley | | |
oat-flour | Oat flour | flour | 9 8.5 14 58 1 7.5 1.9 0 0 | spooned 0.4, dipped 0.48 | gluten:oats | | | ground oats
buckwheat-flour | Buckwheat flour | flour | 11.5 3 12 63 2 6.5 2 0 0 | spooned 0.52, dipped 0.6 | | | |
rice-flour | Rice flour | flour | 11.5 1.4 6.5 77.5 0.2 2.3 0.6 0 0 | spooned 0.6, dipped 0.68 | | | | white rice flour
maize-flour | Maize flour | flour | 11 3.8 7 68.5 1.2 7 1.5 0 0 | spooned 0.52, dipped 0.6 | | | | corn flour fine, masa, maize meal
cornmeal | Cornmeal | flour | 11 2.5 7.5 71 1 6 1 0 0 | level 0.66 | | | | polenta
semolina | Semolina | flour | 12.5 1.1 12 69 1 3.6 0.8 0 0 | level 0.7 | gluten, wheat | | | durum semolina
cornflour | Cornflour | flour | 11 0.1 0.3 87.6 0 0.9 0.1 0 0 | spooned 0.54 | | | | cornstarch, corn starch, maize starch
potato-starch | Potato starch | flour | 17 0.1 0.2 82 0 0.4 0.3 0 0 | spooned 0.66 | | | | potato flour
tapioca-starch | Tapioca starch | flour | 11.5 0 0.1 87 0.3 0.9 0.2 0 0 | spooned 0.51 | | | | tapioca flour
ground-almonds | Ground almonds | flour | 4.5 51 21 3 5 12.5 3 0 0 | spooned 0.4, dipped 0.46 | nuts:almond | | | almond flour, almond meal
ground-hazelnuts | Ground hazelnuts | flour | 4.5 62 14.5 2 4.5 10 2.5 0 0 | spooned 0.4 | nuts:hazelnut | | | hazelnut flour, hazelnut meal
coconut-flour | Coconut flour | flour | 5 13 18 5 14 40 5 0 0 | spooned 0.48 | | | |
chickpea-flour | Chickpea flour | flour | 10 6.7 22 44 3 11 3.3 0 0 | spooned 0.39 | | | | gram flour, besan
soy-flour | Soy flour | flour | 6 20.5 37 6 8 16 6.5 0 0 | spooned 0.36 | soy | | | soya flour
rolled-oats | Rolled oats | inclusion | 9.5 7 13 57.5 1 10 2 0 0 | level 0.38 | gluten:oats | | | oats, old-fashioned oats, porridge oats, jumbo oats
quick-oats | Quick oats | inclusion | 9.5 7 13 57.5 1 10 2 0 0 | level 0.36 | gluten:oats | | | quick-cooking oats, instant oats, fine oats
wheat-bran | Wheat bran | inclusion | 10 4.5 15.5 19 3 42.5 5.5 0 0 | level 0.24 | gluten, wheat | | | bran
wheat-germ | Wheat germ | inclusion | 10.5 9.5 25 33 6 12.5 3.5 0 0 | level 0.48 | gluten, wheat | | |
puffed-rice | Puffed rice | inclusion | 4 1 6.5 78 8 1 1 0.5 0 | loose 0.12 | | | | crisped rice
cornflakes | Cornflakes | inclusion | 3.5 0.6 7 76 8 2.5 0.6 1.8 0 | loose 0.12, crushed 0.35 | gluten:barley | | | corn flakes
`;
