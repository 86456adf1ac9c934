import type { ReadClause } from './mentions';
import { ADD, NOTHING, station, type Done, type Where } from './done';
import type { RecipeThing } from './recipe';
import { HEATS, TWO_DAYS } from './roles';
import { isInJar, isSour, leave, LEAST_REST } from './stands';
import { FRIDGE, isKeptOut, JARS, VATS } from './vessels';

const BLENDER = /\b(?:blender|processor|liquidi[sz]er|mortar)\b/i;
const BOTTLES = /\bbottles?\b/i;
const SIEVE = /\b(?:sieve|strainer|cloth|muslin|cheesecloth|food mill|mill|mouli|through)\b/i;
const OVER = /\bover\b(?! *(?:a |the )?(?:low|medium|high|gentle|heat|ice|night))/i;
const ONTO = /\b(?:onto|on)\b(?! *(?:a |the )?(?:low|medium|high|gentle|heat|hob|stove|ice))/i;
const HOT_WATER = /\b(?:hot|boiling|boiled|warm)(?: \w+)? water\b/i;
const isLiquid = (t: RecipeThing) => t.wet || isSour(t) || t.family === 'water' || t.family === 'sauce';
const isOil = (t: RecipeThing) => t.family === 'oil';
const tamarind = (t: RecipeThing) => t.family === 'sour fruit block';

export const isInBlender = (text: string): boolean => BLENDER.test(text);
/** What is taken off pods and vegetables. */
const TRIMMINGS = /\b(?:stems?|seeds?|ribs?|cores?|skins?|tops?|stalks?|stones?|pith)\b/i;
/** "Pour over the chillies": not over a low heat, nor through anything. */
export const isPouredOver = (text: string): boolean => OVER.test(text) && !SIEVE.test(text);

/** "Strain the hot oil over the flakes". */
export const isStrainedOver = (c: ReadClause): boolean => c.act === 'strain' && OVER.test(c.text);

/** "Process in a boiling water bath": jars that are boiled shut are filled. */
export const isCanned = (c: ReadClause): boolean => c.stem === 'process' && /\b(?:bath|canner|canning)\b/i.test(c.text);

/** A mash before a ferment is what goes into the jar. */
const ground = (w: Where): Done =>
  station(w.fermentAhead && w.steps.every((s) => s.kind === 'prep' || s.kind === 'salt') ? 'salt' : 'blend');

/** What a vessel says is done. */
function intoVessel(c: ReadClause, w: Where): Done {
  const behind = c.text;
  if (BLENDER.test(behind)) return ground(w);
  if (/\b(?:grinder|mincer)\b/i.test(behind)) return ground(w);
  if (/\bthrough\b/i.test(behind) && SIEVE.test(behind.replace(/\bthrough\b/gi, ''))) return station('strain');
  const stays = w.poursAhead && !w.fermentAhead && w.steps.length === 0;
  if (stays && (BOTTLES.test(behind) || JARS.test(behind))) return ADD;
  if (BOTTLES.test(behind)) return station('bottle');
  if (VATS.test(behind) && (c.measures.minutes ?? 0) >= TWO_DAYS && w.fermentAhead) return station('salt');
  if (JARS.test(behind)) return w.fermentAhead ? station('salt') : w.workAhead ? ADD : station('bottle');
  // "Put them in a covered bowl for ten minutes."
  const covered = /\b(?:bowl|bag|covered)\b/i.test(behind) && c.measures.minutes !== null && w.steps.length > 0;
  if (covered) return c.measures.minutes! >= LEAST_REST ? station('rest') : NOTHING;
  return c.measures.minutes !== null ? { is: 'time' } : ADD;
}

/** Pods boiled in water, perhaps with a dash of something sour: the water goes, they stay. */
const DASH = 0.15;
function isBoiledOnly(w: Where): boolean {
  const puts = w.steps.at(-1)!.puts.map((p) => ({ t: w.things[p.thing]!, g: (w.things[p.thing]!.g ?? 0) * p.share }));
  const dry = puts.filter(({ t }) => t.family !== 'water').reduce((s, p) => s + p.g, 0);
  const cooked = puts.filter(({ t }) => isSour(t) || t.family === 'sweet').reduce((s, p) => s + p.g, 0);
  return dry > 0 && cooked <= DASH * dry;
}

function cook(w: Where): Done {
  const last = w.steps.at(-1)?.kind;
  const wet = [...w.named, ...w.waiting].some((t) => t.wet || isSour(t) || t.family === 'water');
  if (last === 'simmer' || (last === 'fry' && !wet)) return station(last);
  const oil = [...w.named, ...w.waiting].some(isOil);
  return station(oil && !wet ? 'fry' : 'simmer');
}

/** What a clause does. The table of verbs is in `verbs`; here is what hangs on what stands around it. */
export function doneBy(c: ReadClause, w: Where): Done {
  const last = w.steps.at(-1)?.kind;
  const here = [...w.named, ...w.waiting];
  const heatNext = /^(?:the )?heat\b/i.test(c.text.slice(c.text.search(/\s/) + 1));
  switch (c.act) {
    case 'none':
      // "Keep just below the boil for 15 minutes."
      if (c.stem === 'keep' && c.measures.minutes !== null && /\b(?:boil|simmer|bubbl)/i.test(c.text)) return station('simmer');
      // "Keep in a dark place for two weeks": no fridge, and not how long it keeps.
      if (c.stem === 'keep' && (c.measures.minutes ?? 0) >= TWO_DAYS && isKeptOut(c)) return leave(c, w);
      // "Set aside for 4 hours."
      if (c.stem === 'set' && c.measures.minutes !== null) return leave(c, w);
      // "Keep it there for 20 minutes."
      if ((c.stem === 'keep' || c.stem === 'hold') && c.measures.minutes !== null && (last === 'simmer' || last === 'fry'))
        return { is: 'time' };
      return NOTHING;
    case 'have':
      // "Off the heat, 150 ml vinegar and the salt."
      if (c.offHeat) return c.stem === '' && w.named.length + c.mentions.length > 0 ? ADD : NOTHING;
      // "Takes about 25 minutes."
      if (c.stem === 'take' && c.measures.minutes !== null && c.mentions.length === 0) return { is: 'time' };
      return w.named.length > 0 || c.mentions.length > 0 ? { is: 'inventory' } : NOTHING;
    case 'offHeat':
      // "Remove the stems and seeds".
      return TRIMMINGS.test(c.text) ? { is: 'prep', peel: /\bskins?\b/i.test(c.text) } : NOTHING;
    case 'prep':
      // "Mince … in a food processor".
      if (BLENDER.test(c.text)) return ground(w);
      // "Roast, peel. Mince.": all of it, and it is a paste then.
      if (c.stem === 'mince' && c.mentions.length === 0 && (last === 'char' || last === 'rest' || last === 'simmer'))
        return station('blend');
      return { is: 'prep', peel: c.stem === 'peel' || c.stem === 'skin' };
    case 'reserve':
      return /\bbrine\b/i.test(c.text) ? NOTHING : { is: 'reserve' };
    case 'divide':
      return BOTTLES.test(c.text) || JARS.test(c.text) ? NOTHING : { is: 'divide' };
    case 'fill':
      if (c.stem === 'pour' && c.next === 'off') return isInJar(w) ? station('drain') : NOTHING;
      // "Pour boiling water over the chillies".
      if (HOT_WATER.test(c.text) && (isPouredOver(c.text) || ONTO.test(c.text)) && here.some((t) => t.dried)) return station('soak');
      // Hot oil over what stands in a bowl, hot vinegar over sliced pods.
      if (isPouredOver(c.text) && w.steps.length > 0) {
        const hot = /\bhot\b/i.test(c.text) || last === 'simmer' || last === 'fry';
        if (hot && here.length > 0 && !w.fermentAhead) return station('temper');
      }
      return intoVessel(c, w);
    case 'leave':
      return leave(c, w);
    case 'add':
      if (
        here.some((t) => t.family === 'starch') &&
        w.steps.some((s) => s.kind === 'simmer' || s.kind === 'thicken') &&
        (c.next === 'in' || !/\b(?:into|with|in)\b.*\bwater\b/i.test(c.text))
      )
        return station('thicken');
      if (c.stem === 'season' && /\bto taste\b/i.test(c.text)) return station('trim');
      if (c.stem === 'return' || c.stem === 'drop') return ADD;
      // "Add the pods to a large jar".
      if (JARS.test(c.text) && w.fermentAhead && !isPouredOver(c.text)) return station('salt');
      return BLENDER.test(c.text) ? ground(w) : ADD;
    case 'simmer':
      // A brine is boiled and cooled: it goes into the jar.
      if (w.fermentAhead && here.length > 0 && here.every((t) => t.family === 'water' || t.family === 'salt' || t.family === 'sweet'))
        return ADD;
      // "Cover with plastic and steam 15 minutes": under their own skin.
      if (c.stem === 'steam' && last === 'char') return (c.measures.minutes ?? 0) >= LEAST_REST ? station('rest') : NOTHING;
      // "Boil the clean bottles": nothing of the sauce.
      if (/^\W*\w+\s+(?:the |your |some )?(?:clean |empty |glass )*(?:bottles|jars|lids|caps|oven)\b/i.test(c.text)) return NOTHING;
      if (/^(?:bring|heat|warm)$/.test(c.stem) && (c.measures.tempC ?? 0) >= 60)
        return station(here.some(isOil) && !here.some(isLiquid) ? 'fry' : 'simmer');
      if (
        c.stem === 'heat' &&
        /\b(?:below|to|near) (?:just |a |the |almost )*(?:below |under )?(?:the |a )?(?:boil(?:ing)?|simmer)\b/i.test(c.text)
      )
        return station('simmer');
      // "Heat the vinegar until it just simmers."
      if (/^(?:heat|warm)$/.test(c.stem) && /\b(?:simmer|boil|bubbl)/i.test(c.looks) && here.some(isLiquid)) return station('simmer');
      if (heatNext || (c.stem === 'bring' && !/\b(?:boil|simmer|bubble)\b/i.test(c.text))) return NOTHING;
      if ((c.stem === 'heat' || c.stem === 'warm') && c.measures.minutes === null) return c.mentions.length > 0 ? ADD : NOTHING;
      if ((c.stem === 'heat' || c.stem === 'warm') && here.some(isOil) && !here.some(isLiquid)) return station('fry');
      if (last === 'thicken' && w.named.length === 0 && w.waiting.length === 0) return { is: 'time' };
      if (last === 'fry' && c.stem !== 'boil' && c.stem !== 'simmer' && c.stem !== 'bubble' && !here.some(isLiquid)) return station('fry');
      return c.stem === 'cook' || c.stem === 'reduce' || c.stem === 'bubble' ? cook(w) : station('simmer');
    case 'salt':
      // What is boiled soft is mashed in its pot.
      if (c.stem === 'mash' && c.next === 'in') return ADD;
      if (c.stem === 'mash' && (last === 'simmer' || last === 'fry')) return station('blend');
      if (c.stem === 'mash' || c.stem === 'grind')
        return w.fermentAhead ? station('salt') : c.stem === 'grind' ? station('blend') : { is: 'prep', peel: false };
      if (c.stem === 'pack') return w.fermentAhead ? station('salt') : intoVessel(c, w);
      return w.fermentAhead ? station('salt') : ADD;
    case 'steep':
      if (c.stem === 'cover')
        return /\b(?:hot|boiling|boiled|warm|cold)(?: \w+)? water\b|\bwater\b[^.]*\bboil(?:ed|ing)\b/i.test(c.text)
          ? station('soak')
          : here.some(isLiquid)
            ? ADD
            : NOTHING;
      // "Steep two weeks in the fridge before using."
      if ((c.measures.minutes ?? 0) >= TWO_DAYS && /\bbefore\b/i.test(c.text)) return leave(c, w);
      // "Let it steep until it comes to room temperature."
      return c.measures.minutes === null && (last === 'simmer' || last === 'fry') ? NOTHING : station('steep');
    case 'soak':
      return here.some(tamarind) ? station('press') : station('soak');
    case 'char':
      // Roasted spices and dried pods are toasted.
      return here.length > 0 && here.every((t) => t.dried || t.family === 'spice') ? station('toast') : station('char');
    case 'drain':
      if (isInJar(w)) return station('drain');
      if (last === 'simmer') return station(isBoiledOnly(w) ? 'lift' : 'strain');
      return last === 'steep' ? station('strain') : NOTHING;
    case 'lift':
      if (isInJar(w)) return station('drain');
      // "Fish out the star anise".
      if (w.named.length > 0 && w.named.every((t) => t.family === 'spice' || t.family === 'leaf')) return NOTHING;
      return last === 'simmer' && !BOTTLES.test(c.text) && !JARS.test(c.text)
        ? station('lift')
        : c.stem === 'lift'
          ? NOTHING
          : intoVessel(c, w);
    case 'strain':
      if (c.stem === 'press' && (last === 'press' || here.some(tamarind))) return station('press');
      if (/^(?:press|push|rub|pass|force|squeeze)$/.test(c.stem) && !SIEVE.test(c.text))
        return JARS.test(c.text) && w.fermentAhead ? station('salt') : NOTHING;
      if (isInJar(w) && (c.stem === 'strain' || c.stem === 'sieve')) return station('drain');
      if (isStrainedOver(c) && last === 'fry' && here.length > 0) return station('temper');
      return last === 'soak' || last === 'press' ? NOTHING : station('strain');
    case 'blend':
      if (isCanned(c)) return NOTHING;
      return c.stem === 'crush' && !/\b(?:paste|smooth|mortar)\b/i.test(c.text) ? { is: 'prep', peel: false } : ground(w);
    case 'rest':
      return (c.measures.minutes ?? 0) >= LEAST_REST || (c.stem === 'chill' && FRIDGE.test(c.text) && c.measures.minutes !== null)
        ? station('rest')
        : NOTHING;
    case 'ferment':
      // "Check it for fermentation" says nothing of what was cooked or is in its bottle.
      return c.stem !== 'ferment' && w.steps.some((s) => HEATS.has(s.kind) || s.kind === 'bottle') ? NOTHING : station('ferment');
    case 'bottle':
      return station('bottle');
    default:
      return station(c.act);
  }
}
