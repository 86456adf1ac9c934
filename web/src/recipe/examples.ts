/** Recipes to look at, of our own invention, in three manners. */
export const EXAMPLES: readonly { name: string; text: string }[] = [
  {
    name: 'a list and what is done',
    text: `Smoky harbour sauce
Makes about a pint
ten red jalapeños, seeds out
one and a half onions
six cloves of garlic
a cup of white sugar, about 200 g
half a cup of rice vinegar or 125 ml
two more tablespoons of lime juice
salt and pepper
Char peppers, onions and garlic 8 minutes. Add the sugar and vinegar and simmer about ten minutes. Blend until smooth, stir in the lime, push it through a fine sieve and bottle it hot.`,
  },
  {
    name: 'as one tells it',
    text: `So I fry five shallots and ten cloves of garlic in 100 ml of oil for ten minutes, then I add 200 g of chopped fresnos and cook them five minutes more. I blend it with 60 ml of cider vinegar and a teaspoon of salt, and put it in a jar in the fridge.`,
  },
  {
    name: 'a jar that stands already',
    text: `Packed two weeks ago. pH 4.4 on day 5, pH 3.9 yesterday
400 g fresnos
4 cloves garlic
20 g salt
600 ml water
60 ml cider vinegar
Pack the fresnos and garlic into a jar with the salt and water and ferment for 3 weeks. Drain, blend with the vinegar, strain and bottle.`,
  },
];
