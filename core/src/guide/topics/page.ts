import type { Topic } from '../topic';

export const PAGE: readonly Topic[] = [
  {
    id: 'marks',
    part: 'page',
    title: 'Blur, dot and bracket',
    says: [
      'A blur is what is expected: eight of ten batches like this one land in it. A dot is what was measured, and replaces it. A bracket is what you wish. They are the same everywhere, and told apart by shape.',
      'Odds are in people\'s words: "about 7 in 10 of such batches land inside the bracket". A blur that is wide is not a fault: it says what a taste, a weighing or a reading is worth.',
    ],
    drawing: 'marks',
    source: 'the house',
    see: ['pods-differ'],
  },
  {
    id: 'sweetness',
    part: 'page',
    title: 'Sweet: sugar by weight',
    says: [
      'The track shows grams of sugars in a hundred grams, whichever kind. Pods bring 3 to 8 %, fruit 10 to 15. The jar eats most of what pods brought. On the tongue sourness and heat take sweetness down, warmth lifts it.',
    ],
    source: 'handbook chapter 5, section 13; tables of the larder',
    see: ['syrup', 'too-hot'],
  },
];
