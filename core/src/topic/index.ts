/**
 * What the guide has topics on, by part: the names by which a caution or a "why" leads there. A room of its own, for the guide
 * takes its figures from the rooms whose cautions lead to it.
 */
export const TOPIC_IDS = [
  ...[
    'skin-and-eyes',
    'hot-air',
    'hot-jug',
    'glass-under-pressure',
    'botulism',
    'garlic-in-oil',
    'burns',
    'warm-too-long',
    'allergens',
    'giving',
  ],
  ...['where-heat-sits', 'numbers-of-heat', 'pods-differ', 'heat-words', 'dilution-test', 'seeds-ground', 'strained-heat', 'too-hot'],
  ...['worked-out-acid', 'measured', 'meter', 'strips', 'water-moves-little', 'more-acid', 'sour-tongue'],
  ...['salt-of-what', 'how-much-salt', 'spoons', 'put-salt-right', 'salts-and-waters', 'evening-out'],
  ...['what-happens', 'jar-warmth', 'read-the-jar', 'signs', 'under-the-brine', 'burping', 'starters', 'mash', 'own-brine'],
  ...[
    'what-leaves',
    'char',
    'toast',
    'soak',
    'fruit-pulp',
    'steep',
    'fry',
    'reduce',
    'syrup',
    'thickness',
    'thicken',
    'blend',
    'strain',
    'rest',
  ],
  ...['keeping', 'hot-fill', 'bottles', 'live', 'cold', 'powder'],
  ...['marks', 'sweetness'],
] as const;
/** The id of a topic of the guide. */
export type TopicId = (typeof TOPIC_IDS)[number];
