import { GLYPHS } from './numbers';
import { plain } from './plain';

/** The smallest parts of a text. */
export type Token =
  | { is: 'figure'; value: number; text: string; from: number; to: number; glued: boolean }
  /** `w`: without accents, in small letters, singular. */
  | { is: 'word'; w: string; text: string; from: number; to: number; glued: boolean }
  | { is: 'mark'; text: string; from: number; to: number; glued: boolean };

/** A figure that means two things ("1.250 g"), or none ("1/0"): `sign` says which. */
export class FigureError extends Error {}

/** Signs as they are typeset, as plain ones of the same length or a figure; entities of a web page. */
export function plainSigns(text: string): string {
  let s = text
    .normalize('NFC')
    .replace(/&(?:nbsp|#160);/g, ' ')
    .replace(/&amp;/g, '&')
    .replace(/&frac(\d)(\d);/g, ' $1/$2')
    .replace(/&deg;/g, '°')
    .replace(/&[lr]dquo;|&quot;|[“”„"]/g, ' ')
    .replace(/&#39;|&[lr]squo;|[’‘`´]/g, "'");
  if (/[^\x20-\x7e]/.test(s)) for (const [glyph, figure] of Object.entries(GLYPHS)) s = s.replaceAll(glyph, ` ${figure}`);
  return s
    .replace(/⁄/g, '/')
    .replace(/[×✕]/g, ' x ')
    .replace(/\b(\d+)x(?=\s*\d)/gi, '$1 x ')
    .replace(/[–—−]/g, '-')
    .replace(/\bfl(?:uid)?\.?[\s-]*(?:oz|ounce)(s?)\b\.?/gi, 'floz')
    .replace(/\b7[\s-]pot\b/gi, 'seven pot')
    .replace(/℃/g, '°C');
}

const FIGURE =
  /(\d+)(?:\s+(?:and\s+)?|-)(\d+)\s*\/\s*(\d+)(?![\d/])|(\d+)\s*\/\s*(\d+)(?![\d/])|(\d{1,3}(?:,\d{3})+)(?![\d,])|(\d{1,3} \d{3})(?=\s*(?:g|gr|grams?|ml)\b)|(\d*[.,]\d+|\d+)/iy;
/** "1.250 g": thousands in some countries, a fraction of a gram in others. */
const DOTTED = /^[1-9]\d{0,2}\.\d{3}$/;
const FINE = /^\s*(?:g|gr|grams?|ml)\b/i;
const WORD = /[a-z\u00c0-\u024f]+(?:'[a-z]+)?/iy;

function figureAt(text: string, at: number): { value: number; to: number } | null {
  FIGURE.lastIndex = at;
  const m = FIGURE.exec(text);
  if (!m) return null;
  const to = FIGURE.lastIndex;
  const over = (top: string, bottom: string) => {
    if (Number(bottom) === 0) throw new FigureError('A fraction cannot have 0 below the line.');
    return Number(top) / Number(bottom);
  };
  if (m[1] !== undefined) return { value: Number(m[1]) + over(m[2]!, m[3]!), to };
  if (m[4] !== undefined) return { value: over(m[4], m[5]!), to };
  if (m[6] !== undefined) return { value: Number(m[6].replaceAll(',', '')), to };
  if (m[7] !== undefined) return { value: Number(m[7].replace(' ', '')), to };
  const said = m[8]!;
  if (DOTTED.test(said) && FINE.test(text.slice(to)))
    throw new FigureError(`Is that ${said.replace('.', '')} or ${said.replace('.', ',')}? Write it without the dot.`);
  return { value: Number(said.replace(',', '.')), to };
}

/**
 * The tokens of a text whose signs are plain. A hyphen inside a word or between a figure and its unit is none; several of the
 * same mark are one. Throws FigureError for a figure that means two things.
 */
export function tokensOf(text: string): Token[] {
  const tokens: Token[] = [];
  let at = 0;
  while (at < text.length) {
    const glued = at > 0 && !/\s/.test(text[at - 1]!);
    const figure = /[\d.,]/.test(text[at]!) ? figureAt(text, at) : null;
    if (figure) {
      tokens.push({ is: 'figure', value: figure.value, text: text.slice(at, figure.to), from: at, to: figure.to, glued });
      at = figure.to;
      continue;
    }
    WORD.lastIndex = at;
    const word = WORD.exec(text)?.[0];
    if (word) {
      const w = plain(word);
      if (w) tokens.push({ is: 'word', w, text: word, from: at, to: at + word.length, glued });
      at += word.length;
      continue;
    }
    const mark = text[at]!;
    at++;
    if (/\s/.test(mark)) continue;
    const last = tokens.at(-1);
    const inside = mark === '-' && glued && /[a-z\d\u00c0-\u024f]/i.test(text[at] ?? '') && /[a-z]/i.test((text[at] ?? '') + text[at - 2]!);
    if (inside || (last?.is === 'mark' && last.text === mark)) continue;
    tokens.push({ is: 'mark', text: mark, from: at - 1, to: at, glued });
  }
  return tokens;
}

/** A figure, a fraction or a mixed number ("1 1/2") and nothing else; NaN for anything else. Throws FigureError on a 0 below the line. */
export function numberOf(text: string): number {
  const [figure, ...more] = tokensOf(plainSigns(text));
  return figure?.is === 'figure' && more.length === 0 ? figure.value : Number.NaN;
}
