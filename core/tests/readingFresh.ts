import type { Meant } from './readingLines';
import { page, type MeantRecipe } from './readingRecipes';

/** Lines written after the reader was done, none of them looked at while it was made; in the manner of `readingLines`. */
export const FRESH_LINES: readonly Meant[] = `
us | a good handful of cilantro leaves | cilantro 16
us | fifteen to twenty dried arbols | dried_chili_hot 12.25
us | 3 lbs. ripe red jalapeños, stems off | jalapeno_red 1360.8
us | garlic (1 head) | garlic 45
us | two 14.5 oz cans of diced tomatoes | tomato 822
us | 1/3 c. packed brown sugar | sugar_brown 73.3
us | one large yellow onion, quartered | onion 150
us | the juice of two big limes | lime_juice 88
us | 4 cloves of garlic, or to taste | garlic 16
us | 1 tablespoon plus 1 teaspoon sugar | sugar_white 16.7
us | a quart of cider vinegar | vinegar_cider 956
us | half a pound of carrots | carrot 226.8
us | 1 tsp. each of salt, cumin and oregano | salt_fine 6.08 + cumin_ground 2 + oregano_dry 1
us | one and three quarter cups of water | water 413
us | 8 ounces (about 3 cups) blueberries | ?
us | 2 chipotles | chipotle_dry 6
us | sugar - 2 tbsp (25g) | sugar_white 25
us | 1 cup of white wine vinegar, or apple cider vinegar | vinegar_red_wine 239
us | water, three cups | water 708
us | red bell pepper x 2 | bell_red 238
metric | 40 grams fine sea salt per litre of water | salt_fine 40
metric | juice of 1 lime (30 ml) | lime_juice 31.2
metric | four or five good pinches of salt | salt_fine 1.71
metric | 250 g strawberries | ?
metric | 1 heaped tbsp gochugaru | korean-flakes 9
metric | a litre and a half of water | water 1497
metric | 2 red onions, about 300 g, sliced | onion 300
metric | 300 g carrots - peeled - and 2 onions | carrot 300 + onion 220
metric | 3 ripe mangoes (600 g of flesh) | mango_ripe 600
metric | vinegar, 150 ml, white | vinegar_distilled_5 150.9
metric | some 20 g of ginger | ginger 20
metric | 20 g ginger and as much garlic | ginger 20 + ?
metric | six red chillies, the hot ones | ?
metric | 1 pineapple (about 500 g prepared weight) | pineapple 500
metric | tamarind paste 30 g, palm sugar 40 g, fish sauce 20 ml | tamarind_paste 30 + sugar_palm 40 + fish_sauce 24.3
metric | ½ tsp white pepper | white_pepper 1.2
metric | 150g of habs | habanero 150
metric | 2 tsp honey or maple syrup | honey 14.3
metric | a small piece of ginger | ?
metric | 50 ml of the best olive oil you have | oil_olive 45.6
metric | 200 g (2 large) carrots | carrot 200
metric | soy sauce (2 tbsp) and honey (1 tbsp) | soy_sauce 32.3 + honey 21.5
metric | oil for frying | ?
metric | salt | ?
metric | 5-6 scotch bonnets, deseeded | habanero 49.5 seedsOut
metric | 1.2 kg tomatoes, halved | tomato 1200
metric | zest of a lemon and juice of two limes | lime_zest 6 + lime_juice 60
metric | 3 thumbs of ginger | ginger 90
metric | 1 bottle of fish sauce | ?
metric | 30 dried chillies, small ones | dried_chili_hot 21
uk | a pint and a half of water | water 850
uk | 3 dsp caster sugar | sugar_white 25.4
uk | 2 tins of chopped tomatoes | tomato 800
uk | 100g/4oz onion | onion 100
uk | 1 level teaspoon of salt | salt_fine 6.17
uk | 1 clove garlic, minced, plus 1 more sliced | garlic 8
au | 3 long green chillies | anaheim 195
au | half a bunch of coriander | cilantro 40
au | 2 tbsp lime juice (about 1 lime) | lime_juice 41.6
au | 500g capsicum, red | bell_red 500
`
  .trim()
  .split('\n')
  .map((row) => row.split(' | ').map((x) => x.trim()) as unknown as Meant);

/** Whole recipes written after the reader was done, looked at for the first time when they were measured. */
export const FRESH_RECIPES: readonly MeantRecipe[] = [
  {
    manner: 'list',
    kitchen: 'us',
    text: `Pier 9 burn
2 lbs fresno chiles, stemmed
1 head garlic, cloves peeled
3 tbsp kosher salt
1/2 cup distilled white vinegar
2 tbsp light brown sugar

Roughly chop the chiles. Put them in a food processor with the garlic and salt and pulse to a mash. Transfer to a clean quart jar, cover and leave on the counter for 7 days, stirring every day. Blend with the vinegar and sugar until very smooth. Press through a fine-mesh strainer. Simmer gently for 5 minutes and funnel into bottles.`,
    line: [
      'salt: fresno_red 907.2, garlic 45, salt_kosher 33.75 > ferment 7 > blend: vinegar_distilled_5 119, sugar_brown 27.5 > strain > simmer 5 > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `6 yellow bell peppers
4 habaneros
2 shallots
80 ml white wine vinegar
50 ml olive oil
8 g salt
Preheat the oven to 220 °C. Spread the bell peppers, habaneros and shallots on a tray and roast for 30 minutes until blistered. Peel the peppers. Purée with the vinegar, oil and salt. Keeps for a week in the fridge.`,
    line: ['char 30: bell_yellow 714, habanero 36, shallot 50 > blend: vinegar_red_wine 80.8, oil_olive 45.6, salt_fine 8 > bottle'],
  },
  {
    manner: 'numbered',
    kitchen: 'metric',
    text: `Ingredients
10 dried guajillos
5 dried árbol chillies
4 tomatillos
2 cloves garlic
120 ml water
6 g salt
Method
1. Toast the dried chillies in a dry frying pan until fragrant, about 1 minute.
2. Soak them in hot water for 15 minutes and drain.
3. Meanwhile, char the tomatillos and garlic under the grill for 8 minutes.
4. Blend everything with the water and salt.
5. Taste and adjust the salt.
6. Serve at once or keep in a jar.`,
    line: [
      'toast 1: guajillo 60, dried_chili_hot 3.5 > soak 15 -> blend',
      'char 8: tomatillo 136, garlic 8 > blend: water 119.8, salt_fine 6 > trim > bowl',
    ],
  },
  {
    manner: 'numbered',
    kitchen: 'us',
    text: `1 lb carrots
6 habaneros
1 onion
3 cups cider vinegar
2 tsp salt
2 tbsp lime juice
1. Peel and slice the carrots, onion and habaneros.
2. Put the carrots, onion and vinegar in a pot and bring to a boil.
3. Reduce the heat, cover and simmer until the carrots are soft, 20 to 25 minutes.
4. Add the habaneros and salt and cook 5 more minutes.
5. Remove from the heat and let cool slightly.
6. Blend in batches until smooth, adding the lime juice.
7. Bottle and refrigerate.`,
    line: ['simmer 27.5: carrot 453.6, onion 110, vinegar_cider 717, habanero 54, salt_fine 12.2 > blend: lime_juice 30.8 > bottle'],
  },
  {
    manner: 'paragraph',
    kitchen: 'metric',
    text: `Bring 300 ml rice vinegar, 250 g sugar and 5 g salt to a boil and reduce for 10 minutes. Add 100 g chopped red jalapeños and 20 g garlic, simmer for another 5 minutes, then stir in 1 tbsp cornstarch mixed with 2 tbsp water and boil 1 minute until it thickens. Pour into hot jars.`,
    line: [
      'simmer 15: vinegar_rice 303, sugar_white 250, salt_fine 5, jalapeno_red 100, garlic 20 > thicken 1: cornstarch 8.1, water 29.9 > bottle hot',
    ],
  },
  {
    manner: 'paragraph',
    kitchen: 'us',
    text: `In a blender, combine 8 oz serranos, 1/2 cup lime juice, 1/4 cup olive oil, a bunch of cilantro and 2 tsp salt. Blend until smooth. Pour into a jar and refrigerate.`,
    line: ['blend: serrano_green 226.8, lime_juice 123, oil_olive 54, cilantro 80, salt_fine 12.2 > bottle'],
  },
  {
    manner: 'spoken',
    kitchen: 'metric',
    text: `okay so what I do is I sweat two onions in three tablespoons of olive oil for a quarter of an hour, then I throw in eight cloves of garlic and 200 g of chopped fresnos, cook that for another ten minutes, add 150 ml of red wine vinegar and let it reduce by half, then blend it and jar it`,
    line: ['fry 25: onion 220, oil_olive 41.1, garlic 32, fresno_red 200 > simmer: vinegar_red_wine 151.5 > blend > bottle'],
  },
  {
    manner: 'spoken',
    kitchen: 'metric',
    text: `We roasted six red peppers and four cayennes on the barbecue for about twenty minutes, peeled them, and blended them with 100 ml of cider vinegar, 10 g of salt and a clove of garlic. Then we strained it and filled it into bottles.`,
    line: ['char 20: bell_red 714, cayenne_red 32 > blend: vinegar_cider 101, salt_fine 10, garlic 4 > strain > bottle'],
  },
  {
    manner: 'spoken',
    kitchen: 'us',
    text: `Get a pound of jalapeños, slice them, cover them with 2 cups of white vinegar and leave them in the fridge for 3 days. Then blend it all with a tablespoon of sugar and 2 teaspoons of salt, strain it and bottle it.`,
    line: ['steep 72h: jalapeno_green 453.6, vinegar_distilled_5 476 > blend: sugar_white 12.5, salt_fine 12.2 > strain > bottle'],
  },
  {
    manner: 'page',
    kitchen: 'us',
    text: page(
      'Pineapple blaze',
      [
        '2 cups pineapple chunks',
        '5 habaneros, seeded',
        '1/2 cup apple cider vinegar',
        '1/4 cup brown sugar',
        '1 tsp salt',
        '1/2 tsp ground allspice',
      ],
      [
        'Place the pineapple, habaneros, vinegar, sugar, salt and allspice in a medium saucepan over medium-high heat.',
        'Bring to a boil, then reduce heat to low and simmer, stirring occasionally, for 15 minutes.',
        'Carefully transfer to a blender and puree until smooth.',
        'Let cool completely, then pour into a bottle.',
      ],
    ),
    line: ['simmer 15: pineapple 330, habanero 45, vinegar_cider 119.5, sugar_brown 55, salt_fine 6.08, allspice 1 > blend > bottle'],
  },
  {
    manner: 'page',
    kitchen: 'metric',
    text: page(
      'Tamarind dip',
      ['60 g tamarind block', '200 ml hot water', '5 dried árbol chillies', '60 g palm sugar', '40 ml fish sauce', '3 cloves garlic'],
      [
        'Soak the tamarind in the hot water for 20 minutes, then press through a sieve.',
        'Toast the chillies until dark.',
        'Pound the garlic and chillies in a mortar.',
        'Simmer the tamarind, palm sugar and fish sauce for 5 minutes and stir in the pounded garlic and chillies.',
        'Cool and bottle.',
      ],
    ),
    line: [
      'toast: dried_chili_hot 3.5 > blend: garlic 12 -> simmer',
      'press 20: tamarind_pulp 60, water 199.6 > simmer 5: sugar_palm 60, fish_sauce 48.7 > bottle',
    ],
  },
  {
    manner: 'page',
    kitchen: 'metric',
    text: page(
      'Brined green',
      ['500 g green jalapeños', '4 cloves garlic', '1 litre of 3 % brine', '60 ml lime juice', '20 g cilantro'],
      [
        'Halve the jalapeños and put them with the garlic into a large jar.',
        'Pour the brine over, weigh everything down and close the jar with an airlock.',
        'Ferment for 10 days at room temperature.',
        'Drain, reserving the brine.',
        'Blend with the lime juice, the cilantro and enough of the brine to make it pourable.',
        'Bottle and store in the fridge.',
      ],
    ),
    line: ['salt: jalapeno_green 500, garlic 16 > ferment 10 > drain > blend: lime_juice 62.4, cilantro 20 > bottle'],
  },
];
