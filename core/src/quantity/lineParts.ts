import { leadAmount, type Lead, type LeadAmount } from './lead';
import { NUMBER_WORDS, tidy } from './parse';
import { HARMLESS } from './meanings';
import { plainWords } from './words';

/** A line of a recipe as people write it, brought into one order and taken apart. */

const TAIL =
  /\b(?:plus (?:extra|more)|for (?:serving|garnish|frying|the \w+)|to (?:serve|garnish|cover|fill|top|finish)|if needed|if you like|optional|as needed)\b.*$/i;

/** "two 2-inch pieces" is four inches. */
const LENGTHS = /^(an?|one|two|three|four|[1-4])\s+(\d+(?:\.\d+)?)[\s-]*(inch|in|cm)\b/i;
/** "one 28 oz can": a count in words before the size of a package. */
const PACKS_OF = /^(an?|one|two|three|four|five|six)\s+(?=\d[\d.]*[\s-]*[a-z]+\.?[\s-]+(?:tin|can|jar|packet|pack|bag|bottle)s?\b)/i;
const countOf = (n: string) => NUMBER_WORDS[n.toLowerCase()] ?? Number(n);

/** Bullets and numbering off, typographic signs to plain ones. */
function clean(line: string): string {
  return tidy(
    line
      .replace(/^[\s]*(?:[-*•·–—▢□☐]+|\[[ x]?\]|\d+[.)](?=\s+\D*\d))\s*/, '')
      .replace(/[×✕]/g, 'x')
      .replace(/[“”"]/g, '')
      .replace(LENGTHS, (_, n: string, each: string, unit: string) => `${countOf(n) * Number(each)} ${unit}`)
      .replace(PACKS_OF, (_, n: string) => `${countOf(n)} x `)
      .replace(/(\d)\s*x\s*(?=\d)/gi, '$1 x ')
      .replace(/^(?=(?:(?:small|large|big|good|generous) )?(?:handful|bunch|pinch|knob|thumb|dash)\b)/i, '1 ')
      .replace(/^(?:about|approx(?:imately)?\.?|roughly|around|ca\.?|~)(?=[\s\d])\s*/i, '')
      // No amount at all, whatever is said of it: it is asked.
      .replace(/^(?:lots|plenty|loads|heaps|a lot|a bit|a little|some|enough)(?: of)? /i, ''),
  );
}

/** "garlic: 3 cloves", "salt 2 tsp", "limes x 2" turned to the common order. */
function amountFirst(line: string): string {
  const times = /^([a-z][^\d]*?)\s+x\s*(\d+)\s*(.*)$/i.exec(line);
  if (times) return `${times[2]} ${times[1]} ${times[3]}`.trim();
  const at = /^([a-z][^\d(]*?)\s*[:,–—-]*\s+(\d.*|a (?:pinch|handful|dash|bunch).*|half a .*)$/i.exec(line);
  if (!at || /\b(?:of|and|about|the)$/i.test(at[1]!) || Object.hasOwn(NUMBER_WORDS, at[1]!.toLowerCase())) return line;
  return `${at[2]} ${at[1]}`.replace(/^(.*?)(\s*\([^)]*\))(.*)$/, '$1$3$2');
}

export interface Parts {
  lead: Lead | null;
  name: string;
  note: string;
  /** An amount in brackets: "(about 200 g)". */
  bracket: LeadAmount | null;
}

/** An amount, a name, and what else is said; the line must be a plain one. */
export function partsOf(written: string): Parts {
  const line = amountFirst(written);
  const lead = leadAmount(line);
  let rest = lead ? lead.rest : line;
  let bracket: LeadAmount | null = null;
  rest = rest.replace(/\(([^)]*)\)?/g, (_, inside: string) => {
    const found = leadAmount(inside.replace(/^(?:about|approx\.?|around|roughly|weighing|ca\.?)\s+/i, ''));
    if (found && found.amounts[0]!.unit && found.rest === '') bracket = found.amounts[0]!;
    return /^[a-z ]+$/i.test(inside) ? `, ${inside},` : ' ';
  });
  rest = rest.replace(TAIL, '').replace(/\b(?:or )?to taste\b.*$/i, '');
  // "peeled, diced squash": what is done to it may stand before its name.
  let start = 0;
  for (const cut of rest.matchAll(/[,;]|\s[-–—]\s/g)) {
    const head = rest.slice(start, cut.index);
    const after = cut.index + cut[0].length;
    const words = plainWords(head);
    if (words.every((w) => HARMLESS.has(w))) start = after;
    else return { lead, name: head.trim(), note: `${rest.slice(0, start)} ${rest.slice(after)}`.trim(), bracket };
  }
  return { lead, name: rest.slice(start).trim(), note: rest.slice(0, start).trim(), bracket };
}

/** "juice of 2 limes", "zest and juice of 1 lemon": the fruit's parts, as lines of their own. */
function fruitParts(line: string): string[] {
  const m =
    /^(?:the\s+)?(?:(?:finely |freshly |coarsely )?(?:grated|squeezed|strained) )?(juice|zest|rind|peel)(?:\s+(?:and|&|\+)\s+(?:the\s+)?(?:grated\s+)?(juice|zest|rind|peel))?(?:\s+(?:of|from)\s+|\s+(?=\d))(.*)$/i.exec(
      line,
    );
  if (m) {
    const rest = m[3]!.replace(/[,(].*$/, '').trim();
    const whole = /^(?:\d|half|one|two|three|four|five|six|a\b|an\b)/i.test(rest) ? rest : `1 ${rest}`;
    return [m[1]!, m[2]]
      .filter((p): p is string => p !== undefined)
      .map((p) => `${whole}, ${p.toLowerCase() === 'juice' ? 'juiced' : 'zested'}`);
  }
  const both = /^(.*\b(?:limes?|lemons?|oranges?)\b)[\s,(]+(?:grated )?(juice[d]?|zest(?:ed)?) (?:and|&) (juice[d]?|zest(?:ed)?)\)?$/i.exec(
    line,
  );
  return both ? [`${both[1]!}, ${both[2]!}`, `${both[1]!}, ${both[3]!}`] : [line];
}

/** "half a red bell pepper and half a yellow one": the second of them names the first one's kind. */
function pronouns(line: string): string[] {
  const m = /^(.+?)\s+and\s+((?:half )?(?:an?|one|two|three|\d+(?:\s*\/\s*\d+)?)\s+\w+)\s+ones?$/i.exec(line);
  if (!m) return [line];
  const noun = m[1]!.split(' ').slice(-2).join(' ');
  return [m[1]!, `${m[2]!} ${noun}`];
}

/** The lines that one line means, cleaned: most mean one, "juice and zest of a lime" means two. */
export const plainLines = (line: string): string[] => pronouns(clean(line)).flatMap(fruitParts);
