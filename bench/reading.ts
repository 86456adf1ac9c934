import { plainSigns, readLine, readText, tokensOf } from '@roskel/core';
import { LINES_MEANT as MEANT, RECIPES } from '../core/tests/readingCorpus';
import { measure, type Line } from './measure';

/** Sixty lines and a method of twenty sentences, read as they would be in the worker. */
export function readingLines(): Line[] {
  const lines = MEANT.filter(([kitchen, , meant]) => kitchen === 'us' && meant !== '-')
    .slice(0, 60)
    .map(([, line]) => line);
  const sentences = RECIPES.filter((r) => r.manner === 'paragraph')
    .flatMap((r) => r.text.split(/(?<=\.)\s+/))
    .slice(0, 20);
  const text = [...lines, 'Method:', ...sentences].join('\n');
  const tokens = () => lines.forEach((l) => tokensOf(plainSigns(l)));
  return [
    {
      what: `reading ${lines.length} lines and ${sentences.length} sentences`,
      ours: measure(() => readText(text, { kitchen: 'us', own: [] }), 20),
      reference: measure(() => Array.from({ length: 10 }, tokens), 20),
      against: 'ten times the tokens of the lines alone',
      wantedMs: 50,
    },
    {
      what: `reading ${lines.length} lines`,
      ours: measure(() => lines.forEach((l) => readLine(l, 'us')), 20),
      reference: measure(tokens, 20),
      against: 'their tokens alone',
    },
  ];
}
