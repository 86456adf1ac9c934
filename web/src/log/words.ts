import { LONG, type LogLine } from '@roskel/contract';
import { sayValue } from '../batch/words';
import { grams, plural } from '../format';
import { bottleWord, stockWord, wordOf } from '../ui/stockWords';

/** Whose things they are, and where the page of one is. */
const OF: Partial<Record<LogLine['topic'], { one: string; to?(id: string): string }>> = {
  batches: { one: 'the batch', to: (id) => `/batches/${id}` },
  pods: { one: 'the pods', to: () => '/pods' },
  larder: { one: 'the larder’s', to: () => '/larder' },
  stored: { one: 'what was kept:', to: () => '/larder' },
  shelf: { one: 'the bottles', to: (id) => `/shelf/${id}` },
  varieties: { one: 'the variety', to: () => '/pods/varieties' },
  ingredients: { one: 'the ingredient', to: () => '/larder/table' },
  tools: { one: 'the thing', to: () => '/larder/tools' },
  makers: { one: 'the maker' },
  season: { one: 'the season', to: () => '/batches/season' },
  learnt: { one: 'what kitchens learnt:' },
  settings: { one: 'how the kitchen is set' },
  heat: { one: 'an entry of heat' },
};
export const placeOf = (line: LogLine): string | null => OF[line.topic]?.to?.(line.itemId) ?? null;

const DID: Record<Exclude<LogLine['did'], 'set' | 'moved' | 'turned'>, string> = {
  added: 'added',
  changed: 'changed',
  archived: 'archived',
  restored: 'brought back',
  unturned: 'taken back:',
  tasted: 'entered',
  withdrawn: 'took back',
  entered: 'put in again',
  'read-in': 'read in from a file',
  'went-back': 'went back to a backup; what was there before is kept as a copy',
};

const HEAT_WORDS: Readonly<Record<string, string>> = {
  tasting: 'a tasting',
  measured: 'a dilution test',
  reference: 'a labelled sauce',
};

const amountOf = (value: unknown) => (typeof value === 'object' && value !== null && 'amount' in value ? value.amount : undefined);
const isLong = (value: unknown) => typeof value === 'object' && value !== null && LONG in value;
const signed = (g: number) => `${g < 0 ? '−' : '+'}${grams(Math.abs(g))}`;
/** What a line says was done, without who and without the thing's name. */
export function didWords({ did, detail, topic }: LogLine): string {
  const { what, before, after, g, bottles, reason = '', words } = detail;
  if (did === 'set') {
    // What goes in is named before the colon already.
    const said = (v: unknown) => sayValue(amountOf(v) ?? v);
    const now = after === undefined ? (before === undefined ? 'changed' : 'taken out') : isLong(after) ? 'changed' : said(after);
    const was = before === undefined || isLong(before) ? '' : after === undefined ? ` (${said(before)})` : `, before ${said(before)}`;
    return `${what ?? 'a field'}: ${now}${was}`;
  }
  if (did === 'moved') {
    const said = (bottles === undefined ? stockWord : bottleWord)(reason);
    const why = [said, words ?? ''].filter(Boolean).join(', ');
    const much =
      bottles !== undefined ? `${bottles < 0 ? '−' : '+'}${plural(Math.abs(bottles), 'bottle')}` : g !== undefined ? signed(g) : '';
    return [much, why].filter(Boolean).join(', ');
  }
  if (did === 'turned') return `${grams(g ?? 0)} ${stockWord(reason)}`.trim();
  if (topic === 'batches' && did === 'added') return 'begun';
  if (did === 'went-back') return DID[did];
  if (topic === 'settings') return 'changed how it is set';
  return topic === 'heat' ? `${DID[did]} ${wordOf(HEAT_WORDS, reason) ?? 'an entry'}` : DID[did];
}
