import type { GiftCard } from '@roskel/core';
import type { Block } from './blocks';

/** The card of a bottle as a paper. */
export const giftBlocks = (card: GiftCard): Block[] => [
  { kind: 'title', text: card.title },
  ...card.parts.flatMap((p): Block[] => [
    { kind: 'head', text: p.head },
    { kind: 'text', text: p.text.map((r) => r.text).join('') },
    ...p.lines.map((text): Block => ({ kind: 'text', text })),
  ]),
  { kind: 'text', text: card.foot },
];
