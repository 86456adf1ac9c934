import type { Preparation } from '../heat';

/** What a line says was done to its pods with the knife; the first that matches is meant. Common practice, no source. */
const SAID: readonly (readonly [RegExp, Preparation])[] = [
  [/\bhalf(?: of them)? (?:cored|seeded|deseeded)\b|\b(?:core|seed|deseed) (?:half|every second)\b/i, 'halfCored'],
  [/\b(?:un|not )(?:cored|seeded|deseeded)\b|\bseeds? (?:left )?in\b|\bwith (?:the |their )?seeds\b/i, 'whole'],
  [/\bcored\b|\b(?:ribs?|membranes?|veins?|pith|placenta)\b.{0,20}\b(?:out|off|removed|gone)\b|\bwithout (?:ribs?|membranes?)\b/i, 'cored'],
  [
    /\b(?:seeded|deseeded|de-seeded|seedless)\b|\bseeds?(?: shaken)? (?:out|removed|gone)\b|\b(?:without|no) (?:the |their )?seeds\b/i,
    'seedsOut',
  ],
];

/** The knife that a line of a recipe names; null where it names none. */
export const prepSaid = (line: string): Preparation | null => SAID.find(([says]) => says.test(line))?.[1] ?? null;
