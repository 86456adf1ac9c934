import { page, type MeantRecipe } from './readingRecipes';

/**
 * Five more rounds of whole recipes, each looked at for the first time when it was measured: of these, stations were in order
 * in 28 of 49 and everything in its place in 21 at first sight; the rules were mended by them since.
 */
export const LATER_RECIPES: readonly MeantRecipe[] = [
  {
    manner: 'list',
    kitchen: 'us',
    text: `Lighthouse Louisiana style
1 lb red jalapeños
2 cups white vinegar
2 tsp salt
Remove the stems from the jalapeños. Put the peppers, vinegar and salt into a saucepan. Bring to a simmer and cook until soft, about 20 minutes. Let it cool. Transfer the contents to a blender and process until smooth. Pour it through a fine strainer into a bowl. Pour into bottles and store in the refrigerator.`,
    line: ['simmer 20: jalapeno_red 453.6, vinegar_distilled_5 476, salt_fine 12.2 > blend > strain > bottle'],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `Fermented garlic honey sauce
500 g red fresnos, sliced
10 cloves of garlic, peeled
25 g sea salt
3 tbsp honey
100 ml cider vinegar

1. In a large bowl, toss the fresnos and garlic with the salt.
2. Pack everything tightly into a 1 litre jar, pressing down so that juice covers it.
3. Close and ferment at room temperature for 10 days, burping daily.
4. Tip the jar into a blender, add the honey and vinegar, and blend for 3 minutes.
5. Pass through a sieve and bottle.`,
    line: ['salt: fresno_red 500, garlic 40, salt_sea 25 > ferment 10 > blend: honey 64.5, vinegar_cider 101 > strain > bottle'],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `You'll need 250 g of yellow aji, one mango, the juice of two limes, 80 ml of rice vinegar and a teaspoon of salt. Deseed the aji and peel the mango. Boil the aji for 5 minutes and drain them. Then blend them with everything else until it is silky and fill it into bottles.`,
    line: ['simmer 5: aji_yellow 250 > strain > blend: mango_ripe 200, lime_juice 60, vinegar_rice 80.7, salt_fine 6.17 > bottle'],
  },
  {
    manner: 'page',
    kitchen: 'us',
    text: page(
      'Salsa of the roof garden',
      [
        '6 roma tomatoes',
        '3 serranos',
        '1/2 white onion',
        '3 cloves garlic, unpeeled',
        '1/4 cup chopped cilantro',
        'juice of 1 lime',
        'salt to taste',
      ],
      [
        'Place the tomatoes, serranos, onion and garlic on a baking sheet and broil for 10 minutes, turning once, until charred.',
        'Peel the garlic.',
        'Pulse everything in a food processor.',
        'Stir in the cilantro and lime juice and season with salt.',
        'Serve with chips.',
      ],
    ),
    line: ['char 10: tomato 372, serrano_green 21, onion 55, garlic 12 > blend: cilantro 4, lime_juice 30 > bowl'],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `Caribbean mustard sauce
8 habaneros
1 large mango
1 onion
4 cloves garlic
60 g yellow mustard
200 ml white vinegar
50 g brown sugar
1 tsp turmeric
1 tsp salt
Roughly chop the habaneros, mango, onion and garlic. Put all the ingredients in a pan, bring to the boil, turn down the heat and simmer for 15 min. Blitz with a stick blender. Simmer another 5 minutes. Ladle into sterilised jars while hot and seal.`,
    line: [
      'simmer 15: habanero 72, mango_ripe 270, onion 110, garlic 16, mustard_yellow 60, vinegar_distilled_5 201, sugar_brown 50, turmeric_ground 3.04, salt_fine 6.17 > blend > simmer 5 > bottle hot',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `I take 300 grams of dried anchos, take out the seeds and stems, and toast them lightly in a pan. Then they go into a pot with a litre of water and I let them soak for half an hour. After that I blend them with six cloves of garlic, two teaspoons of salt, a teaspoon of cumin and 50 ml of vinegar, white, and push the whole thing through a sieve. Then I fry it in three tablespoons of oil for ten minutes.`,
    line: [
      'toast: dried_chili_mild 300 > soak 30: water 998 > blend: garlic 24, salt_fine 12.3, cumin_ground 2, vinegar_distilled_5 50.3 > strain > fry 10: oil_neutral 41.5 > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'uk',
    text: `Makes 3 bottles
300g red chillies (long ones), stalks removed
1 red pepper, deseeded
4 garlic cloves
500ml cider vinegar
200g caster sugar
2 tsp salt

Put the chillies, red pepper and garlic in a food processor and whizz until finely chopped. Tip into a large pan with the vinegar, sugar and salt. Bring to the boil, then simmer for 25 mins until thick and syrupy. Leave to cool for 10 mins, then pour into sterilised bottles.`,
    line: [
      'blend: cayenne_red 300, bell_red 119, garlic 16 > simmer 25: vinegar_cider 505, sugar_white 200, salt_fine 12.3 > rest 0.16666666666666666h > bottle',
    ],
  },
  {
    manner: 'page',
    kitchen: 'metric',
    text: page(
      'Zesty pepper oil',
      ['200 ml neutral oil', '20 g crushed red pepper flakes', '5 cloves garlic, sliced', '1 tsp salt', '1 tbsp soy sauce'],
      [
        'Heat the oil and garlic gently in a small pan for 10 minutes until the garlic is golden.',
        'Put the flakes and salt in a heatproof bowl.',
        'Pour the hot oil over the flakes.',
        'Stir in the soy sauce.',
        'Cool and pour into a jar.',
      ],
    ),
    line: ['fry 10: oil_neutral 184, garlic 20 > temper: crushed-red 20, salt_fine 6.17, soy_sauce 16.2 > bottle'],
  },
  {
    manner: 'list',
    kitchen: 'us',
    text: `Start by roasting 2 pounds of tomatillos, an onion and 5 serranos under the broiler for 12 minutes. Let them cool, then puree in a blender with a bunch of cilantro, 1/4 cup lime juice and 2 teaspoons salt. Chill for 2 hours before serving.`,
    line: ['char 12: tomatillo 907.2, onion 110, serrano_green 35 > blend: cilantro 80, lime_juice 61.5, salt_fine 12.2 > rest 2h > bowl'],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `Kelp road brine
1 kg cayennes
1 l water
40 g salt
1 head garlic
Dissolve the salt in the water to make a brine. Slit the cayennes and put them into a clean jar together with the garlic. Pour in the brine and weigh the peppers down. Leave at 22 °C for three weeks. Drain the peppers, reserving 200 ml of brine. Blend the peppers and garlic with the reserved brine until smooth. Strain. Bottle and keep refrigerated.`,
    line: ['salt: cayenne_red 1000, water 998, salt_fine 40, garlic 45 > ferment 21 > drain > blend > strain > bottle'],
  },
  {
    manner: 'page',
    kitchen: 'metric',
    text: page(
      'Charred corn-free relish',
      ['4 red bell peppers', '3 jalapeños', '1 red onion', '120 ml red wine vinegar', '60 g sugar', '1 tsp mustard seeds', '8 g salt'],
      [
        'Char the peppers and jalapeños over an open flame until blackened all over.',
        'Place in a bowl, cover and leave for 15 minutes, then peel off the skins.',
        'Dice the onion.',
        'Bring the vinegar, sugar, mustard seeds and salt to the boil in a saucepan.',
        'Add the onion and peppers and simmer for 20 minutes.',
        'Spoon into hot jars.',
      ],
    ),
    line: [
      'char: bell_red 476, jalapeno_green 54 > rest 0.25h -> simmer',
      'simmer 20: vinegar_red_wine 121, sugar_white 60, mustard_seed 2.18, salt_fine 8, onion 110 > bottle hot',
    ],
  },
  {
    manner: 'list',
    kitchen: 'us',
    text: `- 10 dried árbol chiles
- 4 tomatillos
- 2 cloves garlic
- 1/2 tsp salt
- 1/2 cup water

Toast chiles in dry skillet 1-2 min. Remove. Char tomatillos and garlic in same skillet, 8 min. Blend everything. Done.`,
    line: ['toast 1.5: dried_chili_hot 7 -> blend', 'char 8: tomatillo 136, garlic 8 > blend: salt_fine 3.04, water 118 > bottle'],
  },

  {
    manner: 'list',
    kitchen: 'metric',
    text: `Cove red
Ingredients:
500 g red jalapeños
1 onion, chopped
5 cloves garlic, chopped
1 tbsp olive oil
250 ml cider vinegar
2 tbsp sugar
10 g salt
Directions:
Heat the oil in a saucepan over medium heat. Add the onion and garlic and cook for 5 minutes, until soft. Add the jalapeños and cook 5 minutes more. Pour in the vinegar, add the sugar and salt, and simmer for 15 minutes. Remove from the heat and let cool for 20 minutes. Blend until smooth. Pour into bottles.`,
    line: [
      'fry 10: oil_olive 13.7, onion 110, garlic 20, jalapeno_red 500 > simmer 15: vinegar_cider 252.5, sugar_white 25.4, salt_fine 10 > rest 0.3333333333333333h > blend > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'us',
    text: `For the peppers:
1 lb jalapeños
1 tbsp oil
For the sauce:
1/2 cup white vinegar
1/4 cup water
2 cloves garlic
1 tsp salt

Toss the jalapeños with the oil and roast at 425 F for 20 minutes. Put the peppers and everything for the sauce in a blender and blend until smooth. Strain if you like. Bottle.`,
    line: [
      'char 20: jalapeno_green 453.6, oil_neutral 13.6 > blend: vinegar_distilled_5 119, water 59, garlic 8, salt_fine 6.08 > strain > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `- 20 bird's eye chillies
- 6 shallots
- 8 cloves garlic
- 2 stalks lemongrass
- 30 g ginger
- 10 g shrimp paste
- 100 ml oil
- 50 g palm sugar
- 30 ml tamarind paste
1. Pound the chillies, shallots, garlic, lemongrass and ginger to a paste.
2. Heat the oil and fry the paste for 15 minutes over low heat, stirring.
3. Stir in the shrimp paste, palm sugar and tamarind and cook for 5 minutes.
4. Let it cool and put it in a jar.`,
    line: [
      'blend: thai_red 22, shallot 150, garlic 32, lemongrass 30, ginger 30 > fry 20: oil_neutral 92.1, shrimp_paste 10, sugar_palm 50, tamarind_paste 33 > bottle',
    ],
  },
  {
    manner: 'page',
    kitchen: 'us',
    text: page(
      'Five alarm',
      ['10 ghost peppers', '2 carrots', '1 cup white vinegar', '1/2 cup water', '1 tbsp sugar', '1 tsp salt'],
      [
        'Wear gloves.',
        'Steam the carrots until tender, about 10 minutes.',
        'Combine carrots, ghost peppers, vinegar, water, sugar and salt in a blender.',
        'Blend on high for 2 minutes.',
        'Pour into a saucepan and bring to a boil; reduce heat and simmer 10 minutes.',
        'Cool and bottle. Refrigerate for up to 3 months.',
      ],
    ),
    line: [
      'simmer 10: carrot 122 > blend 2: superhot 70, vinegar_distilled_5 238, water 118, sugar_white 12.5, salt_fine 6.08 > simmer 10 > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `We put 800 g of red cayennes through the grinder with 4 % salt, filled it into a crock and let it ferment for a month. In the end we mixed in 200 ml of white vinegar, let it stand a week, and pressed it through a cloth.`,
    line: ['salt: cayenne_red 800 > ferment 30 > blend: vinegar_distilled_5 201.2 > rest 168h > strain > bottle'],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `Mango fire
2 ripe mangoes
5 habaneros
100 ml white wine vinegar
2 tbsp honey
1 lime, juiced
pinch of salt
Everything in the blender until smooth, then through a sieve into bottles. Keep cold, use within a week.`,
    line: ['blend: mango_ripe 400, habanero 45, vinegar_red_wine 101, honey 43, lime_juice 30, salt_fine 0.38 > strain > bottle'],
  },
  {
    manner: 'list',
    kitchen: 'us',
    text: `1. Cut 1 pound of fresnos into rings and put in a jar with 4 cloves of garlic.
2. Dissolve 2 tablespoons of salt in 3 cups of water and pour it over.
3. Leave to ferment at room temperature for 2 weeks.
4. Strain, saving the brine.
5. Puree the peppers with 1/2 cup of the brine and 2 tablespoons of vinegar, apple cider.
6. Bottle.`,
    line: ['salt: fresno_red 453.6, garlic 16, salt_fine 36.5, water 708 > ferment 14 > drain > blend: vinegar_cider 29.9 > bottle'],
  },
  {
    manner: 'list',
    kitchen: 'uk',
    text: `Sticky chilli glaze
4 long red chillies
150ml cider vinegar
150g light brown sugar
2 tbsp soy sauce
1 tsp cornflour mixed with 1 tbsp water

Finely chop the chillies. Gently heat the vinegar and sugar until dissolved, then boil hard for 8 minutes. Add the chillies and soy and boil for 2 minutes. Stir in the cornflour mixture and cook for 1 minute until glossy. Pour into a hot jar.`,
    line: [
      'simmer 10: vinegar_cider 151.5, sugar_brown 150, cayenne_red 32, soy_sauce 32.3 > thicken 1: cornstarch 2.7, water 15 > bottle hot',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `take 300g tomatillos 6 jalapeños half an onion and 2 cloves of garlic and boil them in water for 10 minutes then drain and blend with a bunch of coriander leaves and a teaspoon of salt and the juice of one lime`,
    line: [
      'simmer 10: tomatillo 300, jalapeno_green 108, onion 55, garlic 8 > strain > blend: cilantro 80, salt_fine 6.17, lime_juice 30 > bottle',
    ],
  },
  {
    manner: 'page',
    kitchen: 'metric',
    text: page(
      'Roast onion hot sauce',
      [
        '3 onions',
        '10 red fresnos',
        '1 head garlic',
        '3 tbsp olive oil',
        '180 ml sherry vinegar',
        '1 tbsp maple syrup',
        '2 tsp smoked paprika',
        '10 g salt',
      ],
      [
        'Preheat oven to 200 °C.',
        'Halve the onions and the garlic head, toss with the fresnos and oil on a tray.',
        'Roast for 35 minutes.',
        'Squeeze the garlic out of its skins.',
        'Transfer to a pan with the vinegar, maple syrup, paprika and salt and simmer 5 minutes.',
        'Blend until very smooth, adding a splash of water if needed.',
        'Pass through a sieve, then bottle hot.',
      ],
    ),
    line: [
      'char 35: onion 330, garlic 45, fresno_red 200, oil_olive 41.1 > simmer 5: vinegar_red_wine 182, maple_syrup 20, smoked_paprika 4.6, salt_fine 10 > blend: water 7.98 > strain > bottle hot',
    ],
  },

  {
    manner: 'list',
    kitchen: 'us',
    text: `Garden hot sauce
2 cups chopped hot peppers (about 8 oz)
4 cloves garlic
1/2 cup chopped onion
1 cup apple cider vinegar
1 tsp salt
1 tsp sugar
Combine peppers, garlic, onion and salt in a skillet with a splash of oil and saute over high heat for 3 minutes. Add 1 cup of water and continue to cook for 20 minutes or until the peppers are soft and almost all of the liquid has gone. Let it cool to room temperature. Puree in a food processor until smooth. With the processor running, slowly add the vinegar and sugar. Pour into a sterilized bottle and refrigerate.`,
    line: [
      'fry 3: mixed-unknown 226.8, garlic 16, onion 80, salt_fine 6.08, oil_neutral 7.4 > simmer 20: water 236 > blend: vinegar_cider 239, sugar_white 4.2 > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `Zutaten-free classic
1 kg red peppers
100 g hot red chillies
50 g garlic
150 ml olive oil
30 g salt
Grill the peppers, put them in a covered bowl for 10 minutes and peel them. Mince the peppers, chillies and garlic in a food processor. Cook the mixture in the oil with the salt for 40 minutes, stirring. Fill into hot jars, cover with a film of oil.`,
    line: [
      'char: bell_red 1000 > rest 0.16666666666666666h > blend: mixed-unknown 100, garlic 50 > fry 40: oil_olive 137, salt_fine 30 > bottle hot',
    ],
  },
  {
    manner: 'page',
    kitchen: 'metric',
    text: page(
      'Fast fridge pickle sauce',
      ['250 g red chillies, sliced', '300 ml rice vinegar', '2 tbsp sugar', '1 tbsp salt', '2 cloves garlic, crushed'],
      [
        'Put the chillies and garlic in a heatproof jar.',
        'Bring the vinegar, sugar and salt to the boil and pour over the chillies.',
        'Leave to cool, then refrigerate for 24 hours.',
        'Blend everything until smooth and return to the jar.',
      ],
    ),
    line: ['simmer: vinegar_rice 303, sugar_white 25.4, salt_fine 18.5, mixed-unknown 250, garlic 8 > rest 24h > blend > bottle'],
  },
  {
    manner: 'list',
    kitchen: 'us',
    text: `So you want half a pound of habaneros and a pound of carrots, peeled. Boil the carrots in two cups of water for fifteen minutes till they're soft. Throw the habaneros in for the last five minutes. Drain it, keep half a cup of the water. Blend with the water, half a cup of lime juice, a cup of white vinegar and a tablespoon of salt.`,
    line: [
      'simmer 15: carrot 453.6, water 472, habanero 226.8 > strain > blend: lime_juice 123, vinegar_distilled_5 238, salt_fine 18.25 > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `Ancho adobo
8 anchos
2 chipotles
500 ml hot water
1 onion
3 cloves garlic
2 tbsp oil
60 ml cider vinegar
1 tsp oregano
1 tsp cumin
1 tsp salt

1) Stem and seed the anchos and chipotles, then soak in the hot water for 30 minutes.
2) Sauté the onion and garlic in the oil for 7 minutes.
3) Drain the chiles, reserving 200 ml of the soaking water.
4) Blend the chiles, onion mixture, vinegar, oregano, cumin, salt and reserved water until smooth.
5) Simmer for 10 minutes.
6) Cool and jar.`,
    line: [
      'soak 30: dried_chili_mild 112, chipotle_dry 6, water 499 -> blend',
      'fry 7: onion 110, garlic 12, oil_neutral 27.6 > blend: vinegar_cider 60.6, oregano_dry 1.01, cumin_ground 2.03, salt_fine 6.17 > simmer 10 > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `500g cherry tomatoes, 4 red jalapeños, 1 head of garlic, 3 tbsp olive oil, 50 ml red wine vinegar, 8 g salt. Roast the tomatoes, jalapeños and garlic with the oil at 200C for 30 min. Squeeze out the garlic. Blend all with vinegar and salt. Bottle.`,
    line: ['char 30: tomato 500, jalapeno_red 72, garlic 45, oil_olive 41.1 > blend: vinegar_red_wine 50.5, salt_fine 8 > bottle'],
  },
  {
    manner: 'page',
    kitchen: 'uk',
    text: page(
      'Ploughman chilli jam',
      [
        '500g tomatoes',
        '6 red chillies (60g)',
        '4 garlic cloves',
        '1 thumb ginger',
        '250g golden caster sugar',
        '120ml red wine vinegar',
        '1 tbsp fish sauce',
      ],
      [
        'Blitz half the tomatoes with the chillies, garlic, ginger and fish sauce until smooth.',
        'Tip into a heavy pan with the sugar and vinegar and bring slowly to the boil, stirring.',
        'Finely chop the remaining tomatoes and add them to the pan.',
        'Simmer for 40 minutes, stirring, until thick and sticky.',
        'Cool slightly and spoon into sterilised jars.',
      ],
    ),
    line: [
      'blend: tomato 250, mixed-unknown 60, garlic 16, ginger 30, fish_sauce 18.3 > simmer 40: sugar_white 250, vinegar_red_wine 121, tomato 250 > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `Yesterday's mash
1.2 kg red jalapeños
36 g salt
1. Remove stems and grind the jalapeños.
2. Mix in the salt.
3. Fill into a jar and ferment 14 days at 20 °C.
4. Blend on high for 5 minutes and pass through a food mill.
5. Bring to 85 °C and bottle hot.`,
    line: ['salt: jalapeno_red 1200, salt_fine 36 > ferment 14 > blend 5 > strain > simmer > bottle hot'],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `I just mix 100 g of gochugaru with 100 ml soy sauce, 50 ml rice vinegar, 2 tablespoons of honey and 3 grated cloves of garlic, and leave it overnight in the fridge.`,
    line: ['steep 12h: korean-flakes 100, soy_sauce 107.8, vinegar_rice 50.5, honey 43, garlic 12 > bottle'],
  },
  {
    manner: 'list',
    kitchen: 'us',
    text: `1 lb tomatillos, 2 jalapeños, 1/2 onion, 2 cloves garlic, 1/2 bunch cilantro, 2 tbsp lime juice, 1 tsp salt
Broil tomatillos, jalapeños, onion and garlic until black in spots, 8 minutes. Add to blender with cilantro, lime juice and salt; blend. Transfer to a bowl and serve.`,
    line: ['char 8: tomatillo 453.6, jalapeno_green 36, onion 55, garlic 8 > blend: cilantro 40, lime_juice 30.8, salt_fine 6.08 > bowl'],
  },

  {
    manner: 'page',
    kitchen: 'us',
    text: page(
      'Backyard Buffalo-ish sauce',
      ['1/2 cup butter', '3/4 cup cayenne pepper sauce', '1 tbsp white vinegar', '1/4 tsp Worcestershire sauce', '1/8 tsp garlic powder'],
      [
        'Melt the butter in a saucepan over low heat.',
        'Whisk in the pepper sauce, vinegar, Worcestershire and garlic powder.',
        'Simmer for 5 minutes.',
        'Serve warm.',
      ],
    ),
    line: ['simmer 5: vinegar_distilled_5 14.9, worcestershire 1.43, garlic_powder 0.4 > bowl'],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `Peach habanero
4 peaches
6 habaneros
1/2 red onion
150 ml cider vinegar
50 ml lime juice
40 g brown sugar
8 g salt

Step 1: Halve the peaches and take out the stones.
Step 2: Grill peaches, habaneros and onion until well charred, about 10 minutes.
Step 3: Put the grilled fruit and peppers in a saucepan with the vinegar, sugar and salt.
Step 4: Bring to a boil, lower the heat and cook for 15 minutes.
Step 5: Add the lime juice, blend and strain.
Step 6: Fill into hot bottles.`,
    line: [
      'char 10: peach 600, habanero 54, onion 55 > simmer 15: vinegar_cider 151.5, sugar_brown 40, salt_fine 8 > blend: lime_juice 52 > strain > bottle hot',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `1 kg Fresno chillies, 40 g salt, 2 heads of garlic, 20 g sugar. Coarsely grind everything, pack it in jars and let it ferment for 5 days at room temperature. Purée, pass through a sieve, bring to the boil with 100 ml white vinegar, and bottle while hot.`,
    line: [
      'salt: fresno_red 1000, salt_fine 40, garlic 90, sugar_white 20 > ferment 5 > blend > strain > simmer: vinegar_distilled_5 100.6 > bottle hot',
    ],
  },
  {
    manner: 'list',
    kitchen: 'uk',
    text: `First I roast a tray of 6 red peppers and 2 onions for about 40 minutes in a hot oven, then skin the peppers. Those go in a pan with a tin of tomatoes, 8 bird's eye chillies, 3 tbsp red wine vinegar and a good pinch of salt. I let that bubble away for half an hour. Blitz it and keep it in the fridge.`,
    line: [
      'char 40: bell_red 714, onion 220 > simmer 30: tomato 400, thai_red 8.8, vinegar_red_wine 45.5, salt_fine 0.38 > blend > bottle',
    ],
  },
  {
    manner: 'page',
    kitchen: 'metric',
    text: page(
      'Coconut-free green curry style paste',
      [
        "15 green bird's eye chillies",
        '4 shallots',
        '6 cloves garlic',
        '2 stalks lemongrass, sliced',
        '20 g galangal',
        '5 g coriander root',
        '1 tsp ground cumin',
        '1 tsp shrimp paste',
        '1 tsp salt',
      ],
      [
        'Pound the salt, chillies, lemongrass and galangal in a mortar until fine.',
        'Add the shallots, garlic and coriander root and pound to a paste.',
        'Mix in the cumin and shrimp paste.',
        'Store in a jar in the fridge for two weeks.',
      ],
    ),
    line: [
      'blend: salt_fine 6.17, thai_green 16.5, lemongrass 30, galangal 20, shallot 100, garlic 24, cilantro_root 5, cumin_ground 2, shrimp_paste 5.5 > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'us',
    text: `Ingredients
2 lbs jalapeños
1/4 cup olive oil
1 cup cider vinegar
6 cloves garlic
1 tbsp salt
Instructions
Slice jalapeños in half. Coat with half of the oil. Smoke or grill them for 1 hour over low coals. Meanwhile, warm the vinegar with the garlic and salt. Combine jalapeños, vinegar mixture and remaining oil in blender. Process 2 minutes. Bottle.`,
    line: ['char 60: jalapeno_green 907.2, oil_olive 27 > blend 2: vinegar_cider 239, garlic 24, salt_fine 18.25, oil_olive 27 > bottle'],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `200 g dried guajillos toasted for a minute, then soaked in 1 litre of boiling water for 25 minutes, blended with 4 cloves of garlic, 10 g salt and 300 ml of their soaking water, strained, and fried in 50 ml of oil for 8 minutes. Stir in 30 ml cider vinegar and bottle.`,
    line: [
      'toast 1: guajillo 200 > soak 25: water 998 > blend: garlic 16, salt_fine 10 > strain > fry 8: oil_neutral 46.1, vinegar_cider 30.3 > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `Simple vinegar sauce
300 g cayennes
300 ml white vinegar
9 g salt
Put the cayennes in a jar, cover with the vinegar and let stand for 2 weeks in a dark place. Blend with the salt. Strain through muslin. Bottle.`,
    line: ['steep 336h: cayenne_red 300, vinegar_distilled_5 301.8 > blend: salt_fine 9 > strain > bottle'],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `What you need: 400 g tomatoes, 3 habaneros, 1 onion, 2 tbsp oil, 1 tsp salt, 2 tbsp white vinegar. What you do: chop the onion and soften it in the oil for 6 minutes. Add the tomatoes and habaneros, chopped. Simmer 20 minutes. Blend. Season with the salt and vinegar. Pour into a bottle.`,
    line: [
      'fry 6: onion 110, oil_neutral 27.6 > simmer 20: tomato 400, habanero 27 > blend: salt_fine 6.17, vinegar_distilled_5 30.2 > bottle',
    ],
  },
  {
    manner: 'page',
    kitchen: 'us',
    text: page(
      'Overnight oats of fire, not',
      ['1 lb Thai chiles', '20 cloves garlic', '3 tbsp kosher salt', '2 tbsp sugar', '1/2 cup rice vinegar'],
      [
        'Combine the chiles, garlic, salt and sugar in a food processor; pulse until coarsely chopped.',
        'Transfer to a jar, cover loosely and let sit at room temperature for 7 to 10 days, stirring once a day.',
        'Stir in vinegar.',
        'Refrigerate.',
      ],
    ),
    line: ['salt: thai_red 453.6, garlic 80, salt_kosher 33.75, sugar_white 25 > ferment 9 > blend: vinegar_rice 119.5 > bottle'],
  },

  {
    manner: 'list',
    kitchen: 'us',
    text: `Red jalapeño sauce
2 cups distilled white vinegar
2 lbs red jalapeños, stemmed and sliced
2 tsp salt
2 tsp minced garlic

In a medium pot, combine the vinegar, jalapeños, salt and garlic. Bring to a boil, then cover, reduce the heat to low and simmer for 20 minutes. Cool. Pour into a blender and puree until smooth. Strain through a fine mesh strainer. Pour into jars and refrigerate.`,
    line: ['simmer 20: vinegar_distilled_5 476, jalapeno_red 907.2, salt_fine 12.2, garlic 5.67 > blend > strain > bottle'],
  },
  {
    manner: 'page',
    kitchen: 'metric',
    text: page(
      'Harissa of the harbour',
      [
        '80 g dried guajillo chillies',
        '20 g dried árbol chillies',
        '1 tsp cumin',
        '1 tsp ground coriander',
        '4 cloves garlic',
        '60 ml olive oil',
        '30 ml lemon juice',
        '8 g salt',
      ],
      [
        'Cover the chillies with boiling water and leave for 30 minutes.',
        'Toast the cumin and coriander in a dry pan for 1 minute.',
        'Drain the chillies and blend them with the spices, garlic, lemon juice, salt and half the oil to a smooth paste.',
        'Spoon into a jar and top with the remaining oil.',
      ],
    ),
    line: [
      'soak 30: guajillo 80, dried_chili_hot 20 -> blend',
      'toast 1: cumin_ground 2.03, coriander_seed 1.69 > blend: garlic 16, lemon_juice 30.9, salt_fine 8, oil_olive 54.8 > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `Ferment: 700 g mixed red chillies and 3 cloves garlic, chopped, with 21 g salt, in a jar for 10 days. Then blend it all with 100 ml of apple cider vinegar and 1 tbsp honey. Sieve. Bottle.`,
    line: ['salt: mixed-unknown 700, garlic 12, salt_fine 21 > ferment 10 > blend: vinegar_cider 101, honey 21.5 > strain > bottle'],
  },
  {
    manner: 'list',
    kitchen: 'uk',
    text: `Chilli jam
8 red peppers, deseeded and roughly chopped
10 red chillies, roughly chopped
finger-sized piece fresh ginger, peeled and chopped
8 garlic cloves, peeled
400g tin cherry tomatoes
750g golden caster sugar
250ml red wine vinegar
Tip the peppers, chillies, ginger and garlic into a food processor, then whizz until very finely chopped. Scrape into a heavy-bottomed pan with the tomatoes, sugar and vinegar, then bring everything to the boil. Turn down to a simmer and cook for about 50 minutes, stirring occasionally. Continue cooking for 10 minutes more, stirring frequently. Cool slightly, transfer to sterilised jars, then leave to cool completely.`,
    line: ['blend: bell_red 952, ginger 30, garlic 32 > simmer 60: tomato 400, sugar_white 750, vinegar_red_wine 252.5 > bottle'],
  },
  {
    manner: 'list',
    kitchen: 'us',
    text: `I use a dozen serranos, half an onion, three tomatillos and two cloves of garlic. Everything gets boiled for ten minutes, drained, and blended with a handful of cilantro, a tablespoon of lime juice and a teaspoon of salt. That's it.`,
    line: [
      'simmer 10: serrano_green 84, onion 55, tomatillo 102, garlic 8 > strain > blend: cilantro 16, lime_juice 15.4, salt_fine 6.08 > bottle',
    ],
  },
  {
    manner: 'list',
    kitchen: 'metric',
    text: `Verbena yellow
300 g yellow bell peppers
4 lemon drop peppers
1 yellow onion
100 g pineapple
120 ml white wine vinegar
6 g salt
1. Sweat the onion in a splash of neutral oil for 5 minutes.
2. Add the bell peppers, lemon drops and pineapple and cook 10 minutes.
3. Add the vinegar and salt, bring to a simmer for 5 minutes.
4. Blend on high until silky, pass through a fine sieve.
5. Bottle hot.`,
    line: [
      'fry 15: onion 110, oil_neutral 7.4, bell_yellow 300, lemon-drop 16, pineapple 100 > simmer 5: vinegar_red_wine 121.2, salt_fine 6 > blend > strain > bottle hot',
    ],
  },
  {
    manner: 'page',
    kitchen: 'metric',
    text: page(
      'Three day green',
      ['400 g green jalapeños', '1 onion', '12 g salt', '80 ml lime juice', '30 g cilantro'],
      [
        'Blend the jalapeños, onion and salt.',
        'Leave in a covered jar at room temperature for 3 days.',
        'Blend again with the lime juice and cilantro.',
        'Strain and bottle. Keep in the fridge.',
      ],
    ),
    line: ['salt: jalapeno_green 400, onion 110, salt_fine 12 > ferment 3 > blend: lime_juice 83, cilantro 30 > strain > bottle'],
  },
];
