import { VARIETIES } from '../matter/variety';
import { singular } from './singular';

/** Plain words of a name, singular and without accents: "Bird's-eye chillies" becomes bird eye chili. */
export function plainWords(text: string): string[] {
  return text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/['’`]s?\b/g, '')
    .replace(/\d+(?:[.,]\d+)?\s*%/g, ' ')
    .split(/[^a-z]+/)
    .filter(Boolean)
    .map(singular);
}

/** What cooks call the rows of the ingredient table. Names that hold in every kitchen; those that do not are in `RULES`. Behind a bar: things for which the row only stands in. */
const NAMES: Record<string, string> = {
  jalapeno_green: 'jalapeno; green jalapeno; jalapeno chili; jalapeno pepper',
  jalapeno_red: 'red jalapeno; ripe jalapeno',
  fresno_red: 'fresno; fresno chili; fresno pepper; red fresno',
  serrano_green: 'serrano; serrano chili; serrano pepper; green serrano',
  cayenne_red: 'fresh cayenne; cayenne chili; fresh cayenne pepper; red cayenne | long red chili',
  thai_red: 'bird eye chili; bird eye; birdseye chili; thai chili; red thai chili; thai pepper; red bird eye chili; thai bird chili',
  thai_green: 'green bird eye chili; green thai chili',
  habanero:
    'habanero; habanero chili; habanero pepper; orange habanero; red habanero; hab; scotch bonnet; scotch bonnet chili; scotch bonnet pepper',
  superhot: 'ghost pepper; ghost chili; bhut jolokia; superhot chili; superhot pepper',
  aji_yellow: 'yellow aji; aji chili',
  poblano: 'poblano; poblano pepper; poblano chili',
  anaheim: 'anaheim; anaheim chili; anaheim pepper | long green chili',
  banana_pepper: 'banana pepper; hungarian wax; hungarian wax pepper; wax pepper',
  pickled_jalapeno: 'pickled jalapeno',
  bell_red: 'red bell pepper; red bell; red capsicum; sweet red pepper; red sweet pepper',
  bell_green: 'green bell pepper; green bell; green capsicum',
  bell_yellow: 'yellow bell pepper; yellow bell; yellow capsicum; yellow pepper | orange bell pepper; orange pepper; orange capsicum',
  roasted_pepper_jar: 'roasted red pepper; roasted pepper; roasted red capsicum; jarred red pepper | piquillo',
  dried_chili_hot:
    'dried arbol; chile de arbol; chili de arbol; arbol chili; dried bird eye chili; dried thai chili; small dried chili; small dried red chili',
  dried_chili_mild: 'ancho; ancho chili; dried ancho chili; large dried chili; large dried red chili; dried ancho',
  chipotle_dry: 'chipotle; dried chipotle; chipotle chili; dried chipotle chili; chipotle pepper',
  chili_powder_pure:
    'cayenne pepper; cayenne; ground cayenne; ground cayenne pepper; cayenne powder; ground chili; ground red chili; pure chili powder; kashmiri chili powder; hot chili powder',
  smoked_paprika: 'smoked paprika; sweet smoked paprika; smoky paprika; pimenton',
  garlic: 'garlic; garlic clove; clove garlic; minced garlic; garlic head; head garlic',
  garlic_powder: 'garlic powder; granulated garlic; dried garlic; garlic granule',
  shallot: 'shallot; eschalot; french shallot; banana shallot; shallot bulb',
  onion: 'onion; red onion; white onion; brown onion; yellow onion; spanish onion; sweet onion',
  onion_powder: 'onion powder; granulated onion',
  spring_onion: 'spring onion; scallion; green onion; salad onion; green shallot; green part spring onion',
  ginger: 'fresh ginger; ginger root; root ginger; ginger; fresh ginger root; fresh root ginger',
  galangal: 'galangal; fresh galangal',
  turmeric_fresh: 'fresh turmeric; turmeric root; fresh turmeric root',
  carrot: 'carrot',
  celery: 'celery; celery rib; celery stalk; rib celery; stick celery; celery stick',
  mango_ripe: 'mango; ripe mango; mango flesh; mango cube; frozen mango',
  mango_green: 'green mango; unripe mango; raw mango',
  pineapple: 'pineapple; fresh pineapple; pineapple chunk; pineapple ring; frozen pineapple',
  peach: 'peach; yellow peach; white peach',
  blueberry: 'blueberry; frozen blueberry',
  orange_juice: 'orange juice; fresh orange juice',
  apple: 'apple; green apple; cooking apple; red apple; granny smith apple; tart apple',
  pear: 'pear',
  tomato:
    'tomato; cherry tomato; roma tomato; ripe tomato; chopped tomato; diced tomato; crushed tomato; plum tomato; whole tomato; fresh tomato; vine tomato; whole peeled tomato; peeled plum tomato',
  tomato_passata: 'passata; tomato passata; strained tomato; sieved tomato',
  tomato_paste: 'tomato paste; tomato concentrate; concentrated tomato puree; double concentrate tomato; double concentrated tomato puree',
  lime_whole: 'whole lime',
  lemon_whole: 'whole lemon',
  tomato_ketchup: 'ketchup; tomato ketchup; catsup',
  tomatillo: 'tomatillo; fresh tomatillo',
  avocado: 'avocado; ripe avocado; hass avocado',
  cilantro:
    'cilantro; coriander leaf; fresh coriander; fresh cilantro; cilantro leaf; coriander leaf and stem; leaf coriander; fresh coriander leaf; chopped coriander',
  cilantro_root: 'coriander root; cilantro root',
  culantro: 'culantro; sawtooth coriander; long coriander',
  basil: 'basil; fresh basil; basil leaf; thai basil; sweet basil; fresh basil leaf; thai basil leaf',
  mint: 'mint; fresh mint; mint leaf; fresh mint leaf',
  lemongrass: 'lemongrass; lemon grass',
  makrut_leaf: 'makrut lime leaf; kaffir lime leaf; makrut leaf; lime leaf',
  lime_juice: 'lime juice; fresh lime juice; freshly squeezed lime juice',
  lemon_juice: 'lemon juice; fresh lemon juice; freshly squeezed lemon juice; bottled lemon juice',
  calamansi_juice: 'calamansi juice; calamansi; kalamansi juice',
  lime_zest:
    'lime zest; lime rind; lime peel | lemon zest; citrus zest; orange zest; lemon rind; orange rind; lemon peel; orange peel; grated lemon rind',
  tamarind_pulp: 'tamarind pulp; tamarind block; block tamarind; seedless tamarind; seedless tamarind pulp',
  tamarind_paste: 'tamarind paste; tamarind concentrate; tamarind puree; strained tamarind; tamarind water',
  vinegar_distilled_5: 'white vinegar; distilled vinegar; distilled white vinegar; spirit vinegar; clear vinegar',
  vinegar_distilled_6: 'strong white vinegar; double strength vinegar',
  vinegar_cider: 'cider vinegar; apple cider vinegar; acv; apple vinegar',
  vinegar_red_wine: 'wine vinegar; red wine vinegar | white wine vinegar; sherry vinegar; champagne vinegar',
  vinegar_rice_seasoned: 'seasoned rice vinegar; sweetened rice vinegar; sushi vinegar',
  vinegar_rice: 'rice vinegar; rice wine vinegar; unseasoned rice vinegar',
  mirin: 'mirin; sweet rice wine',
  water: 'water; cold water; warm water; hot water; boiling water; filtered water; ice water; tap water; spring water; tepid water',
  salt_fine: 'salt; table salt; fine salt; pickling salt; canning salt; fine sea salt; non iodised salt; non iodized salt',
  salt_kosher: 'kosher salt; flaky salt; salt flake; sea salt flake; coarse kosher salt; flake salt',
  salt_sea: 'sea salt; coarse sea salt; coarse salt; rock salt; grey salt',
  msg: 'msg; monosodium glutamate',
  sugar_white:
    'sugar; white sugar; granulated sugar; caster sugar; castor sugar; golden caster sugar; superfine sugar; cane sugar; raw sugar',
  sugar_brown:
    'brown sugar; light brown sugar; dark brown sugar; soft brown sugar; packed brown sugar; soft dark brown sugar; dark soft brown sugar; light soft brown sugar; soft light brown sugar | demerara sugar; demerara; muscovado sugar; dark muscovado sugar; light muscovado sugar; muscovado',
  sugar_palm: 'palm sugar; coconut palm sugar; gula melaka | jaggery; coconut sugar',
  honey: 'honey; runny honey; clear honey; raw honey',
  maple_syrup: 'maple syrup; pure maple syrup',
  agave: 'agave; agave syrup; agave nectar',
  molasses: 'molasses; blackstrap molasses | treacle; black treacle',
  sweetener_erythritol: 'erythritol',
  sweetener_highint: 'stevia sweetener; stevia',
  fish_sauce: 'fish sauce; nam pla; nuoc mam',
  shrimp_paste: 'shrimp paste; belacan; terasi',
  soy_sauce: 'soy sauce; light soy sauce; dark soy sauce; shoyu; soya sauce; light soy | tamari',
  mustard_yellow: 'yellow mustard; american mustard; prepared mustard',
  mustard_dijon: 'dijon mustard; dijon',
  mustard_seed:
    'mustard seed; yellow mustard seed; ground mustard seed; mustard powder; dry mustard; ground mustard; english mustard powder',
  worcestershire: 'worcestershire sauce; worcester sauce; worcestershire',
  cumin_ground: 'cumin; ground cumin; cumin powder; cumin seed',
  ginger_ground: 'ground ginger; ginger powder; dried ginger',
  turmeric_ground: 'turmeric; ground turmeric; turmeric powder; dried turmeric',
  coriander_seed: 'coriander seed; ground coriander; coriander powder; ground coriander seed',
  cinnamon_ground: 'cinnamon; ground cinnamon; cinnamon stick; stick cinnamon; cinnamon powder',
  black_pepper:
    'black pepper; ground black pepper; black peppercorn; freshly ground black pepper; peppercorn; cracked pepper; ground pepper',
  white_pepper: 'white pepper; ground white pepper',
  allspice: 'allspice; ground allspice; pimento berry; allspice berry',
  oregano_dry: 'oregano; dried oregano; mexican oregano; dried mexican oregano',
  liquid_smoke: 'liquid smoke',
  oil_olive: 'olive oil; extra virgin olive oil; light olive oil; evoo; virgin olive oil',
  oil_neutral:
    'oil; vegetable oil; canola oil; rapeseed oil; sunflower oil; neutral oil; peanut oil; grapeseed oil; groundnut oil; cooking oil',
  oil_sesame: 'sesame oil; toasted sesame oil',
  tapioca_starch: 'tapioca starch; tapioca flour; tapioca',
  cornstarch: 'cornstarch; corn starch; maize starch',
  xanthan: 'xanthan; xanthan gum',
  citric_acid_powder: 'citric acid; citric acid powder',
  lactic_acid_80: 'lactic acid',
  rum: 'rum; white rum; dark rum | vodka; tequila; whiskey; whisky; bourbon; mezcal; brandy; gin',
};

/** What cooks call the pod varieties beyond their table names. */
const POD_NAMES: Record<string, string> = {
  'crushed-red':
    'chili flake; red pepper flake; crushed red pepper; crushed red pepper flake; red chili flake; crushed chili; dried chili flake; hot red pepper flake',
  'korean-flakes': 'gochugaru; korean chili flake; korean pepper flake; korean chili powder; korean red pepper flake',
  'aleppo-flakes': 'aleppo pepper; aleppo flake; pul biber',
  'urfa-flakes': 'urfa biber; urfa flake',
  'paprika-sweet': 'paprika; sweet paprika; paprika powder; mild paprika',
  'paprika-hot': 'hot paprika',
  'reaper-type': 'reaper; reaper pepper; reaper chili',
  'aji-amarillo': 'aji amarillo',
  'facing-heaven': 'facing heaven chili',
  'seven-pot-red': 'seven pot; seven pot pepper',
  'scorpion-red': 'scorpion pepper; scorpion chili; trinidad scorpion',
  rocoto: 'rocoto; manzano; rocoto pepper',
  padron: 'padron pepper; padron',
  shishito: 'shishito pepper; shishito',
  pequin: 'pequin; chile pequin; chili pequin',
  guajillo: 'guajillo; guajillo chili; dried guajillo; dried guajillo chili',
  'pointed-red': 'romano pepper; pointed pepper; red pointed pepper; sweet pointed pepper; pointed red pepper',
  pimiento: 'pimiento; pimento',
  'habanero-powder': 'habanero powder; ground habanero',
  'long-red-slim': 'long slim red chili',
};

/** An ingredient row or a variety that a phrase names. */
export interface Named {
  store: 'larder' | 'pods';
  id: string;
  phrase: string[];
  /** The row is only the nearest to what was said. */
  standIn: boolean;
}

function entries(): Named[] {
  const list: Named[] = [];
  const add = (store: Named['store'], id: string, names: string) => {
    names.split('|').forEach((part, i) => {
      for (const name of part.split(';')) list.push({ store, id, phrase: plainWords(name), standIn: i > 0 });
    });
  };
  for (const [id, names] of Object.entries(NAMES)) add('larder', id, names);
  for (const [id, names] of Object.entries(POD_NAMES)) add('pods', id, names);
  const known = new Set(list.map((e) => e.phrase.join(' ')));
  for (const v of VARIETIES) {
    const plain = v.name.replace(/\(.*\)/, '').split(/[,/]/)[0]!;
    const phrase = plainWords(plain);
    // "7-pot" would leave "pot", and "bell" says no colour.
    const vague = phrase.length === 1 && /^(pot|bell)$/.test(phrase[0]!);
    if (phrase.length > 0 && !vague && !known.has(phrase.join(' '))) list.push({ store: 'pods', id: v.id, phrase, standIn: false });
  }
  return list;
}
const byPhrase = new Map(entries().map((e) => [e.phrase.join(' '), e]));

/** The row or variety that these plain words name exactly; undefined when none does. */
export function named(words: readonly string[]): Named | undefined {
  return byPhrase.get(words.join(' '));
}
