import type { Kitchen } from '../src';

/**
 * Whole recipes of our own invention, in five manners, each with the line that is meant, written before the reader of
 * methods was. `line`: a strand a row, the last one the sauce; stations in order with their minutes (hours, days) where said
 * and what goes in there, key and g; "-> kind" where a side strand joins. Prep is left out: what is cut counts where it
 * goes next. Grams are worked out as in `readingLines`.
 */
export interface MeantRecipe {
  manner: 'list' | 'numbered' | 'paragraph' | 'spoken' | 'page';
  kitchen: Kitchen;
  text: string;
  line: readonly string[];
}

export const page = (name: string, ingredients: string[], steps: string[]): string =>
  `<html><script type="application/ld+json">${JSON.stringify({
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name,
    recipeIngredient: ingredients,
    recipeInstructions: steps.map((text) => ({ '@type': 'HowToStep', text })),
  })}</script></html>`;

export const RECIPES: readonly MeantRecipe[] = [
  {
    manner: 'list',
    kitchen: 'us',
    text: `Smoky harbour sauce
Makes about a pint
ten red jalapeños, seeds out
one and a half onions
six cloves of garlic
a cup of white sugar, about 200 g
half a cup of rice vinegar or 125 ml
two more tablespoons of lime juice
salt, 6 g
Char peppers, onions and garlic 8 minutes. Add the sugar and vinegar and simmer about ten minutes. Blend until smooth, stir in the lime, push it through a fine sieve and bottle it hot.`,
    line: [
      'char 8: jalapeno_red 180, onion 165, garlic 24 > simmer 10: sugar_white 200, vinegar_rice 126, salt_fine 6 > blend: lime_juice 30.8 > strain > bottle hot',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `Green table sauce
200 g green jalapeños
1 small onion
2 cloves garlic
20 g cilantro
60 ml lime juice
5 g salt
Put everything in the blender and blend until coarse. Pour into a jar and keep in the fridge.`,
    line: ['blend: jalapeno_green 200, onion 70, garlic 8, cilantro 20, lime_juice 62.4, salt_fine 5 > bottle'],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `Quay Hot
Ingredients
400 g fresnos
150 g carrots
4 cloves garlic
30 g salt
1 litre water
100 ml cider vinegar
Method
Chop the fresnos, carrots and garlic and pack them into a jar. Dissolve the salt in the water and pour over. Ferment for 14 days. Drain, keep the brine, blend with the vinegar, strain and bottle.`,
    line: [
      'salt: fresno_red 400, carrot 150, garlic 16, salt_fine 30, water 998 > ferment 14 > drain > blend: vinegar_cider 101 > strain > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'us',
    text: `6 dried guajillos
2 anchos
3 cloves garlic
1/2 cup cider vinegar
1 tsp salt
1/2 tsp cumin
Toast the chiles in a dry pan for 2 minutes, then cover with hot water and soak 20 minutes. Drain them. Blend with the garlic, vinegar, salt and cumin until smooth. Bottle.`,
    line: [
      'toast 2: guajillo 36, dried_chili_mild 28 > soak 20 > blend: garlic 12, vinegar_cider 119.5, salt_fine 6.08, cumin_ground 1 > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `Sweet dip
5 red bird's eye chillies
200 ml rice vinegar
150 g sugar
100 ml water
2 cloves garlic
1 tbsp cornstarch
2 tbsp water
Simmer the chillies, garlic, vinegar, sugar and 100 ml water for 8 minutes. Stir the cornstarch into 2 tbsp water, add it and boil for 2 minutes until thick. Pour into bottles while hot.`,
    line: [
      'simmer 8: thai_red 5.5, garlic 8, vinegar_rice 202, sugar_white 150, water 99.8 > thicken 2: cornstarch 8.1, water 29.9 > bottle hot',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `For the paste:
300 g red jalapeños
5 shallots
60 ml neutral oil
To finish:
20 ml fish sauce
30 ml lime juice
Fry the shallots in the oil for 10 minutes, add the jalapeños and fry for another 5. Take off the heat, stir in the fish sauce and lime juice. Pound to a rough paste and spoon into a jar.`,
    line: ['fry 15: shallot 125, oil_neutral 55.3, jalapeno_red 300 > temper: fish_sauce 24.3, lime_juice 31.2 > blend > bottle'],
  },
  {
    manner: 'list',
    kitchen: 'us',
    text: `1 lb habaneros
1 ripe mango
1 cup cider vinegar
2 tbsp honey
2 tsp salt
Roast the habaneros in the oven at 220 °C for 20 minutes. Blend with the mango, vinegar, honey and salt. Bring to a boil and simmer 5 minutes. Bottle hot.`,
    line: ['char 20: habanero 453.6 > blend: mango_ripe 200, vinegar_cider 239, honey 42.4, salt_fine 12.2 > simmer 5 > bottle hot'],
  },
  {
    manner: 'list',
    kitchen: 'uk',
    text: `Long pot
1 kg tomatoes
200 g long red chillies
2 onions
200 ml cider vinegar
100 g soft brown sugar
15 g salt
Put everything in a large pot and simmer for 45 minutes, until reduced by half. Blend, pass through a food mill, return to the pot and simmer 10 minutes more. Fill into bottles.`,
    line: [
      'simmer 45: tomato 1000, cayenne_red 200, onion 220, vinegar_cider 202, sugar_brown 100, salt_fine 15 > blend > strain > simmer 10 > bottle',
    ],
  },
  {
    manner: 'numbered',
    kitchen: 'us',
    text: `Ingredients:
1 pound serranos
6 cloves garlic
1 medium onion
2 cups white vinegar
1 tablespoon kosher salt
1. Slice the serranos and chop the onion.
2. Bring the vinegar, serranos, onion, garlic and salt to a boil.
3. Lower the heat and simmer for 15 minutes.
4. Blend until very smooth.
5. Strain through a fine sieve and bottle.`,
    line: ['simmer 15: serrano_green 453.6, onion 110, garlic 24, vinegar_distilled_5 476, salt_kosher 11.25 > blend > strain > bottle'],
  },
  {
    manner: 'numbered',
    kitchen: 'metric',
    text: `- 500 g red jalapeños
- 25 g salt
- 100 ml white vinegar
1) Grind the jalapeños with the salt to a mash.
2) Pack into a jar and leave for 3 weeks.
3) Stir in the vinegar and blend smooth.
4) Push through a sieve.
5) Bottle.`,
    line: ['salt: jalapeno_red 500, salt_fine 25 > ferment 21 > blend: vinegar_distilled_5 100.6 > strain > bottle'],
  },
  {
    manner: 'numbered',
    kitchen: 'metric',
    text: `12 habaneros
2 carrots
1 onion
200 ml white vinegar
60 ml lime juice
10 g salt
1. Boil the carrots and onion in the vinegar for 10 minutes.
2. Let it cool for 30 minutes.
3. Blend with the habaneros, lime juice and salt.
4. Bottle and keep in the fridge.`,
    line: [
      'simmer 10: carrot 122, onion 110, vinegar_distilled_5 201 > rest 0.5h > blend: habanero 108, lime_juice 62.4, salt_fine 10 > bottle',
    ],
  },
  {
    manner: 'numbered',
    kitchen: 'us',
    text: `8 oz fresnos
4 cloves garlic
1 cup rice vinegar
1/4 cup sugar
1 tsp salt
1. Chop the fresnos and garlic.
2. Cover with the vinegar and leave overnight in the fridge.
3. Tip into a pan with the sugar and salt and simmer 6 minutes.
4. Blend.
5. Strain.
6. Pour into clean bottles.`,
    line: ['steep 12h: fresno_red 226.8, garlic 16, vinegar_rice 239 > simmer 6: sugar_white 50, salt_fine 6.08 > blend > strain > bottle'],
  },
  {
    manner: 'numbered',
    kitchen: 'metric',
    text: `300 g tomatillos
4 green jalapeños
1 onion
3 cloves garlic
15 g cilantro
30 ml lime juice
8 g salt
1. Grill the tomatillos, jalapeños, onion and garlic until blackened, about 12 minutes.
2. Put in the blender with the cilantro, lime juice and salt.
3. Pulse to a rough sauce.
4. Serve the same day.`,
    line: ['char 12: tomatillo 300, jalapeno_green 72, onion 110, garlic 12 > blend: cilantro 15, lime_juice 31.2, salt_fine 8 > bowl'],
  },
  {
    manner: 'numbered',
    kitchen: 'metric',
    text: `100 g dried árbol chillies
500 ml cider vinegar
5 cloves garlic
10 g salt
5 g oregano
1. Toast the chillies for 1 minute.
2. Toast the oregano in another pan for 1 minute.
3. Simmer the chillies in the vinegar with the garlic and salt for 10 minutes.
4. Add the oregano, blend, strain and bottle hot.`,
    line: [
      'toast 1: oregano_dry 5 -> blend',
      'toast 1: dried_chili_hot 100 > simmer 10: vinegar_cider 505, garlic 20, salt_fine 10 > blend > strain > bottle hot',
    ],
  },
  {
    manner: 'numbered',
    kitchen: 'au',
    text: `4 long red chillies
1 cup white vinegar
1 cup caster sugar
2 tsp salt
1 tbsp fish sauce
1. Simmer the vinegar, sugar and salt for 5 minutes.
2. Add the chillies and cook 3 minutes more.
3. Off the heat, stir in the fish sauce.
4. Bottle.`,
    line: ['simmer 8: vinegar_distilled_5 251.5, sugar_white 211, salt_fine 12.3, cayenne_red 32 > temper: fish_sauce 24.3 > bottle'],
  },
  {
    manner: 'numbered',
    kitchen: 'metric',
    text: `1 kg red bell peppers
200 g cayennes
100 ml olive oil
50 ml lemon juice
15 g salt
1. Roast the bell peppers at 200 °C for 40 minutes, then peel them.
2. Blend the peppers with the cayennes, oil, lemon juice and salt.
3. Cook it down in a wide pot for 30 minutes.
4. Fill hot into jars.`,
    line: ['char 40: bell_red 1000 > blend: cayenne_red 200, oil_olive 91.3, lemon_juice 51.6, salt_fine 15 > simmer 30 > bottle hot'],
  },
  {
    manner: 'paragraph',
    kitchen: 'metric',
    text: `Simmer 300 g red jalapeños, 100 g onion and 20 g garlic in 250 ml white vinegar for 12 minutes, add 10 g salt and 20 g sugar, blend until smooth, strain and bottle hot.`,
    line: [
      'simmer 12: jalapeno_red 300, onion 100, garlic 20, vinegar_distilled_5 251.5 > blend: salt_fine 10, sugar_white 20 > strain > bottle hot',
    ],
  },
  {
    manner: 'paragraph',
    kitchen: 'us',
    text: `Char 6 jalapeños, 1 onion and 4 cloves of garlic in a dry pan for 10 minutes. Blend with half a cup of cider vinegar, 2 tablespoons of lime juice and a teaspoon of salt. Bottle it.`,
    line: ['char 10: jalapeno_green 108, onion 110, garlic 16 > blend: vinegar_cider 119.5, lime_juice 30.8, salt_fine 6.08 > bottle'],
  },
  {
    manner: 'paragraph',
    kitchen: 'metric',
    text: `Chop 600 g fresnos and pack them into a jar with 3 % brine. Let them ferment for two weeks. Drain, blend with 80 ml cider vinegar and 10 g sugar, push through a sieve and fill into bottles.`,
    line: ['salt: fresno_red 600 > ferment 14 > drain > blend: vinegar_cider 80.9, sugar_white 10 > strain > bottle'],
  },
  {
    manner: 'paragraph',
    kitchen: 'metric',
    text: `Fry 150 g shallots and 40 g garlic in 100 ml oil over low heat for 15 minutes until soft. Add 200 g red jalapeños and 20 g gochugaru and fry 10 minutes longer. Blend with 30 ml soy sauce and 30 g palm sugar to a coarse paste. Spoon into jars and keep cold.`,
    line: [
      'fry 25: shallot 150, garlic 40, oil_neutral 92.1, jalapeno_red 200, korean-flakes 20 > blend: soy_sauce 32.3, sugar_palm 30 > bottle',
    ],
  },
  {
    manner: 'paragraph',
    kitchen: 'us',
    text: `Put a pound of habaneros, two carrots, an onion and two cups of cider vinegar in a pot, bring it to a boil and let it bubble gently for 20 minutes. Let cool a little, blend it with a tablespoon of salt and 2 tablespoons of honey, and strain through a cloth. Bottle.`,
    line: ['simmer 20: habanero 453.6, carrot 122, onion 110, vinegar_cider 478 > blend: salt_fine 18.25, honey 42.4 > strain > bottle'],
  },
  {
    manner: 'paragraph',
    kitchen: 'metric',
    text: `Blend 250 g yellow peaches with 6 habaneros, 120 ml white wine vinegar, 8 g salt and 15 g honey. Strain it. Simmer for 10 minutes. Bottle hot.`,
    line: ['blend: peach 250, habanero 54, vinegar_red_wine 121.2, salt_fine 8, honey 15 > strain > simmer 10 > bottle hot'],
  },
  {
    manner: 'paragraph',
    kitchen: 'metric',
    text: `Soak 50 g tamarind block in 150 ml warm water and press it through a sieve. Simmer the tamarind with 10 red bird's eye chillies, 80 g palm sugar and 20 ml fish sauce for 6 minutes. Blend and pour into a bottle.`,
    line: ['press: tamarind_pulp 50, water 150 > simmer 6: thai_red 11, sugar_palm 80, fish_sauce 24.3 > blend > bottle'],
  },
  {
    manner: 'paragraph',
    kitchen: 'metric',
    text: `Mix 200 g chopped serranos with 100 ml lime juice, 10 g salt, 20 g cilantro and half an onion, chopped. Leave it to stand for an hour in the fridge, then serve.`,
    line: ['steep 1h: serrano_green 200, lime_juice 104, salt_fine 10, cilantro 20, onion 55 > bowl'],
  },
  {
    manner: 'spoken',
    kitchen: 'metric',
    text: `so I take about ten red jalapeños and an onion and four cloves of garlic, I char them in a dry pan for eight minutes or so, then I put them in the blender with a hundred ml of cider vinegar and a teaspoon of salt, I blend it smooth, and then I bottle it`,
    line: ['char 8: jalapeno_red 180, onion 110, garlic 16 > blend: vinegar_cider 101, salt_fine 6.17 > bottle'],
  },
  {
    manner: 'spoken',
    kitchen: 'us',
    text: `We took two pounds of fresnos and chopped them, put them in a jar with 60 g of salt and two liters of water and let it ferment for ten days. Then we drained it, blended it with half a cup of white vinegar, strained it and put it into bottles.`,
    line: ['salt: fresno_red 907.2, salt_fine 60, water 1996 > ferment 10 > drain > blend: vinegar_distilled_5 119 > strain > bottle'],
  },
  {
    manner: 'spoken',
    kitchen: 'metric',
    text: `You need five shallots, ten cloves of garlic, thirty bird's eye chillies and 200 ml oil. Fry the shallots and garlic in the oil until golden, about ten minutes. Then the chillies go in for two more minutes. Blend it roughly, add 5 g salt and put it in a jar in the fridge.`,
    line: ['fry 12: shallot 125, garlic 40, oil_neutral 184.3, thai_red 33 > blend: salt_fine 5 > bottle'],
  },
  {
    manner: 'spoken',
    kitchen: 'metric',
    text: `grab a dozen habaneros, a mango and 200 ml of white vinegar and blend them. Pour that into a pan, add 100 g of sugar and 8 g of salt and let it simmer for a quarter of an hour. Then straight into hot bottles.`,
    line: ['blend: habanero 108, mango_ripe 200, vinegar_distilled_5 201.2 > simmer 15: sugar_white 100, salt_fine 8 > bottle hot'],
  },
  {
    manner: 'spoken',
    kitchen: 'uk',
    text: `I simmer 500 g of tomatoes with 6 long red chillies and 100 ml of cider vinegar for half an hour, then I blend it, then I add a tablespoon of sugar and two teaspoons of salt and cook it another ten minutes. It goes into bottles while it is hot.`,
    line: ['simmer 30: tomato 500, cayenne_red 48, vinegar_cider 101 > blend > simmer 10: sugar_white 12.7, salt_fine 12.3 > bottle hot'],
  },
  {
    manner: 'spoken',
    kitchen: 'metric',
    text: `First toast 6 dried guajillos until they smell nice, a minute or two. Soak them in boiling water for 15 minutes. Meanwhile fry an onion and three cloves of garlic in 2 tablespoons of oil for 8 minutes. Blend everything together with 60 ml of cider vinegar and 6 g of salt and bottle it.`,
    line: [
      'toast 1.5: guajillo 36 > soak 15 -> blend',
      'fry 8: onion 110, garlic 12, oil_neutral 27.6 > blend: vinegar_cider 60.6, salt_fine 6 > bottle',
    ],
  },
  {
    manner: 'spoken',
    kitchen: 'metric',
    text: `Right, so 400 g of red peppers and 6 cayennes get roasted in the oven for half an hour at 200. Peel them. Then everything goes in the blender with 50 ml olive oil, 30 ml lemon juice and a teaspoon of salt. Blend till smooth, and that's it, into a jar.`,
    line: ['char 30: bell_red 400, cayenne_red 48 > blend: oil_olive 45.6, lemon_juice 30.9, salt_fine 6.17 > bottle'],
  },
  {
    manner: 'spoken',
    kitchen: 'metric',
    text: `I boil 300 g of pineapple with 4 habaneros, 150 ml of cider vinegar and 50 g of brown sugar until the pineapple is soft, say 15 minutes. Then blend, taste and adjust, and bottle it hot.`,
    line: ['simmer 15: pineapple 300, habanero 36, vinegar_cider 151.6, sugar_brown 50 > blend > trim > bottle hot'],
  },
  {
    manner: 'page',
    kitchen: 'us',
    text: page(
      'Dockside red',
      ['1 lb red jalapeños, stemmed', '5 cloves garlic', '1 cup distilled white vinegar', '1 tbsp sugar', '2 tsp kosher salt'],
      ['Combine everything in a saucepan and simmer for 20 minutes.', 'Blend until smooth, then strain.', 'Bottle while hot.'],
    ),
    line: [
      'simmer 20: jalapeno_red 453.6, garlic 20, vinegar_distilled_5 238, sugar_white 12.5, salt_kosher 7.5 > blend > strain > bottle hot',
    ],
  },
  {
    manner: 'page',
    kitchen: 'metric',
    text: page(
      'Lantern fruit sauce',
      ['6 habaneros', '250 g pineapple', '1 red bell pepper', '120 ml cider vinegar', '40 g honey', '6 g salt', '30 ml lime juice'],
      [
        'Char the habaneros, pineapple and bell pepper under a hot grill for 10 minutes.',
        'Blend with the vinegar, honey and salt until smooth.',
        'Stir in the lime juice.',
        'Bottle.',
      ],
    ),
    line: [
      'char 10: habanero 54, pineapple 250, bell_red 119 > blend: vinegar_cider 121.3, honey 40, salt_fine 6, lime_juice 31.2 > bottle',
    ],
  },
  {
    manner: 'page',
    kitchen: 'metric',
    text: page(
      'Two week red',
      ['700 g cayennes', '6 cloves garlic', '35 g salt', '150 ml white vinegar'],
      [
        'Chop the cayennes and garlic and mix with the salt.',
        'Pack tightly into a jar and ferment for 2 weeks at 20 °C.',
        'Blend with the vinegar.',
        'Strain, then bottle.',
      ],
    ),
    line: ['salt: cayenne_red 700, garlic 24, salt_fine 35 > ferment 14 > blend: vinegar_distilled_5 150.9 > strain > bottle'],
  },
  {
    manner: 'page',
    kitchen: 'us',
    text: page(
      'Starboard dip',
      ['1 cup mayonnaise', '3 pickled jalapeños', '1 tbsp lime juice', '1/2 tsp salt'],
      ['Blend everything until smooth.', 'Chill for an hour and serve.'],
    ),
    line: ['blend: pickled_jalapeno 51, lime_juice 15.4, salt_fine 3.04 > rest 1h > bowl'],
  },
  {
    manner: 'page',
    kitchen: 'metric',
    text: page(
      'Slow onion paste',
      ['500 g onions', '100 ml olive oil', '200 g fresnos', '20 g tomato paste', '10 g salt', '50 ml red wine vinegar'],
      [
        'Sweat the onions in the oil for 30 minutes.',
        'Add the fresnos and tomato paste and cook 10 minutes more.',
        'Blend with the vinegar and salt to a smooth paste.',
        'Fill into jars while hot.',
      ],
    ),
    line: ['fry 40: onion 500, oil_olive 91.3, fresno_red 200, tomato_paste 20 > blend: vinegar_red_wine 50.5, salt_fine 10 > bottle hot'],
  },
  {
    manner: 'page',
    kitchen: 'metric',
    text: page(
      'Bay syrup',
      ["8 red bird's eye chillies", '300 g white sugar', '250 ml rice vinegar', '20 g ginger', '5 g salt'],
      [
        'Bring the vinegar, sugar, ginger and salt to the boil.',
        'Add the chillies and simmer for 12 minutes until syrupy.',
        'Strain and pour into bottles while hot.',
      ],
    ),
    line: ['simmer 12: vinegar_rice 252.5, sugar_white 300, ginger 20, salt_fine 5, thai_red 8.8 > strain > bottle hot'],
  },
  {
    manner: 'page',
    kitchen: 'us',
    text: page(
      'Half and half',
      ['1 lb fresnos', '1 cup white vinegar', '4 cloves garlic', '2 tsp salt'],
      [
        'Simmer the fresnos and garlic in half the vinegar for 10 minutes.',
        'Blend with the rest of the vinegar and the salt.',
        'Strain and bottle.',
      ],
    ),
    line: [
      'simmer 10: fresno_red 453.6, garlic 16, vinegar_distilled_5 119 > blend: vinegar_distilled_5 119, salt_fine 12.2 > strain > bottle',
    ],
  },
  {
    manner: 'page',
    kitchen: 'metric',
    text: page(
      'Evening green',
      ['250 g serranos', '1 bunch cilantro', '100 ml lime juice', '50 ml olive oil', '10 g salt', '2 cloves garlic'],
      [
        'Roughly chop the serranos and garlic.',
        'Blend everything except the cilantro until fine.',
        'Add the cilantro and pulse briefly.',
        'Pour into a clean jar.',
      ],
    ),
    line: ['blend: serrano_green 250, garlic 8, lime_juice 104, oil_olive 45.6, salt_fine 10, cilantro 80 > bottle'],
  },
];
