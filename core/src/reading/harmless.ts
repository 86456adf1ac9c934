import { plainWords } from './plain';

/** Words that change nothing about what a thing is. */
export const HARMLESS = new Set(
  (
    'a an the of in and or about approx approximately roughly around some fresh freshly ripe raw large small medium big little good quality best ' +
    'organic finely roughly coarsely thinly thickly lightly chopped diced minced sliced grated crushed cubed peeled seeded deseeded cored stemmed ' +
    'trimmed washed halved quartered shredded torn bruised smashed mashed toasted roasted fire charred ground cracked whole piece pieces chunk each sized ' +
    'packed loosely firmly level heaped drained rinsed squeezed juiced unsalted natural pure plain cold warm hot room temperature tinned canned frozen ' +
    'thawed dry optional more extra for to taste tender vine by weight serve your favourite favorite such as like use unpeeled skinned squashed medium-sized cut into ' +
    'strip strips wedge segment thin thick fat plump firm juicy generous scant rounded heaping bottled store bought filtered long ' +
    'unchlorinated dechlorinated chlorine free still head off on with without skin removed melted softened dissolved full your choice from stone stoned pitted hulled cleaned prepared well very ' +
    'all it that have been be is are i we you take grab need them per batch this ready fragrant lovely lukewarm tepid unwaxed young old new tough outer ' +
    'cooked boiled steamed plant garden allotment greenhouse today yesterday inner husked scrubbed equal part size sweetest same mixed stirred whisked beaten combined sweet really quite so nice bag pouch punnet sack flesh ring rings its completely thoroughly'
  )
    .split(' ')
    .flatMap((w) => plainWords(w)),
);
