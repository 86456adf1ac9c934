import type { Topic } from './topic';
import { TOPICS } from './topics';

const plain = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
const words = (text: string) => plain(text).match(/[a-z0-9.]+/g) ?? [];
/** "moulds" finds "mould" and "mould" finds "moulds"; "pH" is no plural. */
const stem = (w: string) => (w.length > 3 ? w.replace(/(ies|es|s)$/, '') : w);
const bodyOf = (t: Topic) => [...t.says, ...(t.facts ? [...t.facts.head, ...t.facts.rows.flat()] : []), t.also ?? '', t.source].join(' ');
const INDEX: readonly { topic: (typeof TOPICS)[number]; title: string[]; body: string[] }[] = TOPICS.map((topic) => ({
  topic,
  title: words(`${topic.title} ${topic.also ?? ''}`).map(stem),
  body: words(bodyOf(topic)).map(stem),
}));

/** Topics in which every word of a question stands (the last one as a beginning), those with it in their title first. */
export function searchGuide(question: string): readonly (typeof TOPICS)[number][] {
  const asked = words(question).map(stem);
  if (asked.length === 0) return TOPICS;
  const scored = INDEX.flatMap(({ topic, title, body }) => {
    let score = 0;
    for (const w of asked) {
      const inTitle = title.some((x) => x.startsWith(w));
      const count = body.filter((x) => x.startsWith(w)).length;
      if (!inTitle && count === 0) return [];
      score += (inTitle ? 10 : 0) + Math.min(4, count);
    }
    return [{ topic, score }];
  });
  return scored.sort((a, b) => b.score - a.score).map((s) => s.topic);
}
