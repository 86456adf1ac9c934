import type { Kitchen } from '../src';

/**
 * Lines as people say and write them, with the things and grams that are meant, worked out by hand before the reader was
 * written: unit definitions (NIST Handbook 44, appendix C; Australian tablespoon 20 ml, metric cup 250 ml) times the weight
 * of a cup, a spoon or a piece of the table (USDA household measures, from memory); hands and sizes by judgement.
 * "key grams" for each thing, joined by " + "; a state behind the grams where one must be heard; "?" where it must be
 * asked, "-" where it is no thing at all.
 */
export type Meant = readonly [kitchen: Kitchen, line: string, meant: string];

const of = (kitchen: Kitchen, rows: string): Meant[] =>
  rows
    .trim()
    .split('\n')
    .map((row) => row.split(' => ').map((x) => x.trim()) as [string, string])
    .map(([line, meant]) => [kitchen, line, meant] as const);

export const MEANT: readonly Meant[] = [
  // Two ways of one amount: the weighed one, never a sum.
  ...of(
    'us',
    `
    a cup of sugar, 200 g => sugar_white 200
    sugar, 1 cup, 200 g => sugar_white 200
    200 g sugar, a cup => sugar_white 200
    half a cup or 125 ml rice vinegar => vinegar_rice 126
    rice vinegar, half a cup or 125 ml => vinegar_rice 126
    a pound, 450 g, of carrots => carrot 450
    a pound of carrots, 450 g => carrot 450
    about 3 tbsp, 30 g, minced garlic => garlic 30
    1 lb (450 g) ripe tomatoes => tomato 450
    14 oz can, 400 g, tomatoes => tomato 400
    14 oz (400 g) can tomatoes => tomato 400
    one 14 ounce can of tomatoes => tomato 396.9
    2 limes, about 60 ml of juice => lime_juice 62
    1/4 cup (60 ml) lime juice => lime_juice 62
    1/4 cup / 60 ml lime juice => lime_juice 62
    lime juice 1/4 cup = 60 ml => lime_juice 62
    8 oz or 225 g fresno chiles => fresno_red 225
    1 medium onion (about 110 g) => onion 110
    a cup of brown sugar, 600 g => ?
    1 tsp salt, 60 g => ?
    250 ml (1 cup) white vinegar, plus 2 tbsp => vinegar_distilled_5 281
    1 lb (a dozen or so) red jalapeños => jalapeno_red 453.6
    two tins (400 g each) tomatoes => tomato 800
    a mango, peeled and cubed (200 g) => mango_ripe 200
    2 carrots, 150 g in all => carrot 150
    500 g (about 1 lb) tomatillos => tomatillo 500
    3/4 cup sugar (150 grams) => sugar_white 150
    1 tablespoon (18 g) fine salt => salt_fine 18
  `,
  ),
  // Numbers as they are said.
  ...of(
    'us',
    `
    two and a half cups cider vinegar => vinegar_cider 597
    two and a half cups of water => water 590
    an eighth of a teaspoon of white pepper => white_pepper 0.297
    three fourths of a cup of water => water 177
    two thirds of a cup of sugar => sugar_white 133.3
    one and a half onions => onion 165
    three and a quarter pounds of fresnos => fresno_red 1474
    a third of a cup of honey => honey 113
    half to two thirds of a cup of sugar => sugar_white 116.7
    4, 5, maybe 6 cloves of garlic => garlic 20
    4 or 5 cloves of garlic => garlic 18
    garlic, six cloves => garlic 24
    garlic - 6 cloves => garlic 24
    salt, about 3 g => salt_fine 3
    habaneros, ten of them => habanero 90
    ten of the habaneros => habanero 90
    twenty-five serranos => serrano_green 175
    twenty five serranos => serrano_green 175
    a dozen red jalapeños => jalapeno_red 216
    two dozen serranos => serrano_green 168
    half a dozen habaneros => habanero 54
    a couple of carrots => carrot 122
    another tablespoon of sugar => sugar_white 12.5
    one more clove of garlic => garlic 4
    two more tablespoons of lime juice => lime_juice 30.8
    an extra tablespoon of white vinegar => vinegar_distilled_5 14.9
    two ounces each of carrot and onion => carrot 56.7 + onion 56.7
    carrot and onion, 50 g each => carrot 50 + onion 50
    1 tbsp each soy sauce, fish sauce and lime juice => soy_sauce 16 + fish_sauce 18 + lime_juice 15.4
    a tablespoon of honey with a tablespoon of lime juice => honey 21 + lime_juice 15.4
    2 tbsp cornstarch mixed with 3 tbsp water => cornstarch 16 + water 44.4
    1 tbsp cornstarch + 1 tbsp water => cornstarch 8 + water 14.8
    salt and pepper, 1 tsp each => salt_fine 6.08 + black_pepper 2.3
    one hundred grams of ginger => ginger 100
    a hundred and fifty grams of shallots => shallot 150
    a pound and a half of tomatoes => tomato 680.4
    a cup and a half of white vinegar => vinegar_distilled_5 357
    a cup plus two tablespoons of sugar => sugar_white 225
    1 lb 4 oz ripe tomatoes => tomato 567
    1½ lb carrots => carrot 680.4
    1-1/2 cups water => water 354
    1,000 g tomatoes => tomato 1000
    12,5 g salt => salt_fine 12.5
    a teaspoon or two of sugar => sugar_white 6.25
    3 x 400 g tins of tomatoes => tomato 1200
    garlic cloves x 4 => garlic 16
    ¼ tsp ground cumin => cumin_ground 0.5
    carrots: 2 => carrot 122
    Onion ....... 1 => onion 110
    2T soy sauce => soy_sauce 32
    1 t. kosher salt => salt_kosher 3.75
    1c. sugar => sugar_white 200
    100g. ginger => ginger 100
    six to eight cloves of garlic => garlic 28
    around forty grams of garlic => garlic 40
    a full cup of water => water 236
    one heaped tablespoon of brown sugar => sugar_brown 20.6
    a scant teaspoon of salt => salt_fine 5.47
    5 grams of salt per batch => salt_fine 5
  `,
  ),
  // Hands, lengths, packs.
  ...of(
    'metric',
    `
    an inch of ginger => ginger 15
    a thumb of ginger => ginger 30
    a knob of ginger, grated => ginger 15
    a two inch piece of ginger => ginger 30
    5 cm galangal => galangal 40
    a squeeze of lime juice => lime_juice 5.2
    a splash of cider vinegar => vinegar_cider 8.1
    a glug of olive oil => oil_olive 18.3
    a drizzle of honey => honey 11.5
    a pinch of white pepper => white_pepper 0.148
    a dash of fish sauce => fish_sauce 0.75
    a handful of cilantro => cilantro 16
    a small handful of basil => basil 16.8
    a bunch of coriander leaves => cilantro 80
    two stalks of lemongrass => lemongrass 30
    a head of garlic => garlic 45
    3 sprigs of basil => basil 7.5
    a tin of tomatoes => tomato 400
    1 tin chopped tomatoes, drained weight 240 g => tomato 240
    a 340 g jar of honey => honey 340
    a jar of honey => ?
    a 100 g bottle of fish sauce => fish_sauce 100
    2 shots of rum => rum 57
    1 stick of cinnamon => cinnamon_ground 2.6
    a large pinch of salt => salt_fine 0.536
    4 turns of black pepper => black_pepper 0.2
    half a head of garlic => garlic 22.5
    half an onion => onion 55
    half a small onion => onion 35
    a quarter of a pineapple => pineapple 225
    2 dl water => water 200
    half a litre of water => water 499
    three quarters of a litre of cider vinegar => vinegar_cider 758
    1 kilo of red jalapeños => jalapeno_red 1000
    a ladle of water => water 100
    6 drops of liquid smoke => liquid_smoke 0.31
    a punnet of habaneros => habanero 90
    a bag of fresnos => fresno_red 400
    2 spoons of fresh pineapple => ?
    a spoon of honey => ?
    3 spoonfuls of sugar => ?
    a few carrots => ?
    several habaneros => ?
    a bit of sugar => ?
    some vinegar => ?
    plenty of garlic => ?
  `,
  ),
  // Names, forms, states.
  ...of(
    'metric',
    `
    ten red jalapeños, seeds out => jalapeno_red 180 seedsOut
    10 red jalapeños, deseeded => jalapeno_red 180 seedsOut
    10 red jalapeños, cored => jalapeno_red 180 cored
    3 habaneros, ribs and seeds removed => habanero 27 cored
    5 serranos, half of them deseeded => serrano_green 35 halfCored
    200 g fresnos, stemmed and chopped => fresno_red 200
    peeled, diced carrots, 200 g => carrot 200
    200 g of carrots that have been peeled and grated => carrot 200
    vinegar (cider), 200 ml => vinegar_cider 202
    sugar, half a cup, brown => sugar_brown 116
    oil (olive), 2 tbsp => oil_olive 27.4
    60 ml oil, olive => oil_olive 54.8
    zest and juice of 2 limes => lime_zest 6 + lime_juice 60
    2 limes, juiced => lime_juice 60
    juice from half a lemon => lemon_juice 23.5
    5 tbsp lime juice + zest of 1 lime => lime_juice 78 + lime_zest 3
    juice of 3 limes and 1 lemon => lime_juice 90 + lemon_juice 47
    a lime, quartered => lime_whole 67
    2 limes => ?
    3 lemons => ?
    100 ml lime juice (from 3 limes) => lime_juice 104
    100 g red or orange peppers => bell_red 100
    2 red bell peppers or 200 g roasted peppers => bell_red 238
    a mango or a cup of frozen mango => mango_ripe 200
    6 cloves => ?
    5 cloves garlic, peeled => garlic 20
    2 tbsp tomato paste => tomato_paste 33
    1 tsp ground coriander => coriander_seed 1.69
    1 tsp smoked paprika => smoked_paprika 2.3
    200 g roasted red peppers from a jar => roasted_pepper_jar 200
    50 ml soya sauce => soy_sauce 54
    6 dried guajillos, toasted and soaked => guajillo 36
    20 g gochugaru => korean-flakes 20
    3 spring onions => spring_onion 45
    100 g frozen blueberries, thawed => blueberry 100
    1 tsp garlic powder => garlic_powder 3.27
    30 ml worcestershire => worcestershire 34.9
    1/2 tsp xanthan gum => xanthan 1.52
    5 makrut lime leaves => makrut_leaf 3
    150 g carrot juice => ?
    2 blood oranges, juiced => ?
    50 g miso => ?
    200 ml coconut milk => ?
    1 bay leaf => ?
    100 ml brine => ?
    10 g yellow mustard => mustard_yellow 10
    2 tsp dijon => mustard_dijon 10.5
    120 g dark brown sugar, packed => sugar_brown 120
    sea salt, 12 g => salt_sea 12
    1 tbsp apple cider vinegar, at the end => vinegar_cider 15.1 late
    a handful of cilantro, to finish => cilantro 16 late
    30 g honey, optional => honey 30
    salt to taste => ?
    salt and pepper => ? + ?
    black pepper, freshly ground, 1 tsp => black_pepper 2.3
    3 ripe peaches, stones out => peach 450
    1 apple, cored and grated => apple 182
  `,
  ),
  // Pods by weight and any word.
  ...of(
    'metric',
    `
    3 kg of hot pods => mixed-unknown 3000
    200 g hot peppers => mixed-unknown 200
    a pound of mixed hot chillies => mixed-unknown 453.6
    500 g mixed pods => mixed-unknown 500
    1 kg garden chillies => mixed-unknown 1000
    12 garden chillies => mixed-unknown 96
    5 red chillies => ?
    peppers, 300 g => ?
    a bowl of hot pods => mixed-unknown 120
    15 hot pods => mixed-unknown 120
    2 kg ripe chillies from the garden => mixed-unknown 2000
    100 g superhots => superhot 100
    400 g long red chillies => cayenne_red 400
    20 bird's eye chillies => thai_red 22
    4 aji amarillo => aji-amarillo 128
    250 g of cayennes => cayenne_red 250
    2 ghost peppers => superhot 14
    3 scotch bonnets => habanero 27
    1 lb serranos, green => serrano_green 453.6
    300 g jalapeños (red) => jalapeno_red 300
    10 green jalapeños and 5 red ones => jalapeno_green 180 + jalapeno_red 90
    3 Ghost, 1 Habanero => ghost-red 21 + habanero 9
    2 poblanos => poblano 160
    200 g sweet peppers => bell_red 200
    a red pepper => bell_red 119
    1 red bell pepper, roasted and peeled => bell_red 119
    50 g arbol chiles => dried_chili_hot 50
    4 anchos, stems and seeds removed => dried_chili_mild 56
    100 g dried chillies => ?
    1 chipotle => chipotle_dry 3
    200 g pickled jalapeños => pickled_jalapeno 200
  `,
  ),
  // Several on a line, connected as one speaks.
  ...of(
    'metric',
    `
    200 g carrots, 100 g onion, 20 g garlic => carrot 200 + onion 100 + garlic 20
    200 g carrots and 100 g onions => carrot 200 + onion 100
    I have 300 g fresnos and 2 heads of garlic => fresno_red 300 + garlic 90
    an onion, two carrots and six cloves of garlic => onion 110 + carrot 122 + garlic 24
    salt 5 g, 200 g onions => salt_fine 5 + onion 200
    carrots 200 g, onion 100 g, garlic 20 g => carrot 200 + onion 100 + garlic 20
    1 onion; 2 carrots; 3 cloves garlic => onion 110 + carrot 122 + garlic 12
    half a red bell pepper and half a yellow one => bell_red 59.5 + bell_yellow 59.5
    100 ml water plus 50 ml cider vinegar => water 100 + vinegar_cider 50.6
    20 g salt in 500 ml water => salt_fine 20 + water 499
    500 ml water with 20 g salt => water 499 + salt_fine 20
    a cup of vinegar, white, and half a cup of water => vinegar_distilled_5 251.5 + water 125
    2 carrots (grated) and 1 onion (diced) => carrot 122 + onion 110
    equal parts, 100 ml each, of water and white vinegar => water 100 + vinegar_distilled_5 100.6
    2 onions & 1 carrot => onion 220 + carrot 61
    a pinch each of salt and sugar => salt_fine 0.38 + sugar_white 0.26
    3 tbsp soy sauce, 1 tbsp honey => soy_sauce 48.5 + honey 21.5
    10 g salt, 5 g sugar & 2 g cumin => salt_fine 10 + sugar_white 5 + cumin_ground 2
    take 3 mangoes and 2 limes, juiced => mango_ripe 600 + lime_juice 60
  `,
  ),
  // No thing at all, or a wish.
  ...of(
    'metric',
    `
    For the base: => -
    Ingredients => -
    Method => -
    Makes about 2 pints => -
    Yield: 4 bottles of 150 ml => -
    Prep time: 20 minutes => -
    Keeps for a month in the fridge => -
    Harbour pepper sauce => -
    Serves 8 => -
    Blend until smooth and strain. => -
    Simmer for 10 minutes. => -
    1. Char the peppers until black all over. => -
    Day 1 => -
    Enough for 3 jars => -
    To finish: => -
    ---- => -
  `,
  ),
  // Bullets, capitals, marks, adornments.
  ...of(
    'metric',
    `
    - 200 g carrots => carrot 200
    • 3 cloves garlic, crushed => garlic 12
    * 1 onion => onion 110
    [ ] 50 g ginger => ginger 50
    1) 200 g carrots => carrot 200
    2. 100 g onion => onion 100
    200 G CARROTS => carrot 200
    200g carrots! => carrot 200
    ~200 g carrots => carrot 200
    approx. 200 g carrots => carrot 200
    200 g carrots (organic, if you can) => carrot 200
    200 g carrots (see note 1) => carrot 200
    200 g good sweet carrots => carrot 200
    200 g carrots, plus extra to serve => carrot 200
    about 200 grammes of really fresh carrots => carrot 200
    “3 cloves” garlic => garlic 12
    3–4 cloves garlic => garlic 14
    3 cloves garlic* => garlic 12
    2 large carrots => carrot 144
    1 big onion => onion 150
    3 fat cloves garlic => garlic 12
    2 small shallots => shallot 35
    1 tablespoon good fish sauce (or less) => fish_sauce 18.3
    150 g caster sugar => sugar_white 150
    150 g granulated white sugar => sugar_white 150
    250 ml distilled white vinegar (5%) => vinegar_distilled_5 251.5
    250 ml filtered water, lukewarm => water 249.5
    30 g salt (3 %) => salt_fine 30
  `,
  ),
  // Australian and British kitchens.
  ...of(
    'au',
    `
    2 tablespoons fish sauce => fish_sauce 48.6
    a tablespoon of soy sauce, 20 ml => soy_sauce 21.6
    1/3 cup caster sugar => sugar_white 70.4
    1 cup water, 250 ml => water 249.5
    2 capsicums => bell_red 238
    3 tsp sea salt => salt_sea 15.2
  `,
  ),
  ...of(
    'uk',
    `
    half a pint of cider vinegar => vinegar_cider 287
    4 fl oz water => water 113.4
    2 dessertspoons of soft brown sugar => sugar_brown 18.6
    4 tbsp tomato purée => tomato_paste 66.4
    1 tin tomato purée => tomato_paste 142
    1/2 pint (284 ml) water => water 283.4
    2 oz root ginger => ginger 56.7
    1 stick celery => celery 40
    3 spring onions, trimmed => spring_onion 45
    12 oz carrots => carrot 340.2
  `,
  ),
];
