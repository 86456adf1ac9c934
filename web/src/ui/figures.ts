import { MASSES_G, numberOf, VOLUMES_ML } from '@roskel/core';
import { manner } from './manner';

/** How a field of a unit is shown and read: what is stored stays in the unit of its schema. */
export interface Figure {
  /** The unit as it stands beside the label. */
  unit: string;
  show(stored: number): number;
  /** The stored value of what was typed; NaN when it is no number of that kind. */
  read(text: string): number;
}

const PLAIN = /^([-+]?[\d\s./,½¼¾⅓⅔⅛]*\d?[\d½¼¾⅓⅔⅛]*)\s*(.*)$/u;

const PARTS: Record<string, string> = { '½': '1/2', '¼': '1/4', '¾': '3/4', '⅓': '1/3', '⅔': '2/3', '⅛': '1/8' };

/** A number as people type it ("1 1/2", "3,5", "1,500", "2½"); NaN when it is none. */
export function plainNumber(text: string): number {
  const t = text
    .trim()
    .replace(/[½¼¾⅓⅔⅛]/gu, (c) => ` ${PARTS[c]}`)
    .trim()
    // "1,500" and "1,234,567" are thousands; "3,5" is three and a half.
    .replace(/^([-+]?[1-9]\d{0,2})((?:,\d{3})+)$/, (_, first: string, more: string) => first + more.replaceAll(',', ''))
    .replace(/^([-+]?\d+),(\d+)$/, '$1.$2');
  if (/^[-+]?\d*\.?\d+$/.test(t)) return Number(t);
  const sign = t.startsWith('-') ? -1 : 1;
  if (!/^[-+]?\d[\d\s./]*$/.test(t)) return Number.NaN;
  try {
    return sign * numberOf(t.replace(/^[-+]/, ''));
  } catch {
    return Number.NaN;
  }
}

function split(text: string): { value: number; word: string } {
  const m = PLAIN.exec(text.trim());
  const word = (m?.[2] ?? '').toLowerCase().replace(/[.°\s]/g, '');
  return { value: plainNumber(m?.[1] ?? ''), word };
}

/** Multiples of the stored unit, by the words that mean them. */
function scaled(words: Record<string, number>, bare: number, unit: string): Figure {
  return {
    unit,
    show: (x) => x / bare,
    read: (text) => {
      const { value, word } = split(text);
      const factor = word === '' ? bare : words[word];
      return factor === undefined ? Number.NaN : value * factor;
    },
  };
}

const MASS: Record<string, number> = {
  g: 1,
  gram: 1,
  grams: 1,
  kg: 1000,
  kilo: 1000,
  oz: MASSES_G.oz,
  ounce: MASSES_G.oz,
  ounces: MASSES_G.oz,
  lb: MASSES_G.lb,
  lbs: MASSES_G.lb,
  pound: MASSES_G.lb,
  pounds: MASSES_G.lb,
};
const DAYS: Record<string, number> = { day: 1, days: 1, d: 1, week: 7, weeks: 7, w: 7, month: 30, months: 30 };

function volume(): Record<string, number> {
  const v = VOLUMES_ML[manner.kitchen];
  return {
    ml: 1,
    cl: 10,
    dl: 100,
    l: 1000,
    litre: 1000,
    liter: 1000,
    litres: 1000,
    liters: 1000,
    floz: v.flOz,
    oz: v.flOz,
    cup: v.cup,
    cups: v.cup,
  };
}

const CELSIUS = { show: (c: number) => c, read: (x: number) => x };
const FAHRENHEIT = { show: (c: number) => (c * 9) / 5 + 32, read: (f: number) => ((f - 32) * 5) / 9 };

function temperature(): Figure {
  const own = manner.temperature === 'F' ? FAHRENHEIT : CELSIUS;
  return {
    unit: `°${manner.temperature}`,
    show: own.show,
    read: (text) => {
      const { value, word } = split(text);
      if (word === '') return own.read(value);
      return word === 'c' ? value : word === 'f' ? FAHRENHEIT.read(value) : Number.NaN;
    },
  };
}

/** How a field with this unit in its schema is shown and read, in this kitchen's manner. */
export function figureOf(unit: string | undefined): Figure {
  switch (unit) {
    case '°C':
      return temperature();
    case 'g':
      return manner.weight === 'lb' ? scaled(MASS, MASSES_G.oz, 'oz') : scaled(MASS, 1, 'g');
    case 'ml':
      return scaled(volume(), 1, 'ml');
    case 'days':
      return scaled(DAYS, 1, 'days');
    default:
      return scaled({ ...(unit ? { [unit.toLowerCase().replace(/[.°\s]/g, '')]: 1 } : {}), '%': 1 }, 1, unit ?? '');
  }
}
