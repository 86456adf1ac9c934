import { bodyWord, heatWord, type Eaten, type Rail } from '@roskel/core';
import { ph, percent, shu } from '../format';

/** How a rail is drawn and told: its ends in words, and where a value lies on it, 0 to 1. */
export interface RailScale {
  rail: Rail;
  name: string;
  ends: readonly [low: string, high: string];
  colour: string;
  at(value: number): number;
  value(at: number): number;
  /** Least step of a key. */
  step: number;
  says(value: number, measured: boolean, eaten: Eaten): string;
  words: readonly [little: string, much: string];
}

const HEAT = { low: 50, high: 1_500_000 } as const;
const SOUR = { flat: 4.7, sharp: 2.8 } as const;
const MOST_SALT = 6;
const MOST_SWEET = 45;
const clamp = (x: number) => Math.min(1, Math.max(0, x));

export const SCALES: readonly RailScale[] = [
  {
    rail: 'heat',
    name: 'Heat',
    ends: ['no heat', 'extreme'],
    colour: 'var(--heat)',
    at: (v) => clamp(Math.log(Math.max(HEAT.low, v) / HEAT.low) / Math.log(HEAT.high / HEAT.low)),
    value: (x) => HEAT.low * (HEAT.high / HEAT.low) ** clamp(x),
    step: 0.01,
    says: (v, _, eaten) => `${shu(v)} SHU, ${heatWord(v, eaten)}`,
    words: ['too mild', 'too hot'],
  },
  {
    rail: 'sour',
    name: 'Sour',
    ends: ['flat', 'sharp'],
    colour: 'var(--acid)',
    // The sourer, the lower its pH.
    at: (v) => clamp((SOUR.flat - v) / (SOUR.flat - SOUR.sharp)),
    value: (x) => SOUR.flat - (SOUR.flat - SOUR.sharp) * clamp(x),
    step: 0.01,
    says: (v, measured) => `pH ${ph(v, measured)}`,
    words: ['flat', 'too sour'],
  },
  {
    rail: 'salt',
    name: 'Salt',
    ends: ['none', 'very salty'],
    colour: 'var(--salt)',
    at: (v) => clamp(v / MOST_SALT),
    value: (x) => MOST_SALT * clamp(x),
    step: 0.01,
    says: (v) => percent(v),
    words: ['too little', 'too salty'],
  },
  {
    rail: 'sweet',
    name: 'Sweet',
    ends: ['dry', 'syrup'],
    colour: 'var(--sweet)',
    at: (v) => clamp(Math.sqrt(Math.max(0, v) / MOST_SWEET)),
    value: (x) => MOST_SWEET * clamp(x) ** 2,
    step: 0.01,
    says: (v) => percent(v),
    words: ['not sweet', 'too sweet'],
  },
  {
    rail: 'body',
    name: 'Body',
    ends: ['like water', 'stands up'],
    colour: 'var(--pulp)',
    at: (v) => clamp((v - 1) / 6),
    value: (x) => 1 + 6 * clamp(x),
    step: 0.01,
    says: (v) => bodyWord(v),
    words: ['too thin', 'too thick'],
  },
];
