import { KNIFE, type BatchFile, type Intake } from '@roskel/core';

/** What goes in, as people call it, and what is done to it first. */
export function intakeWords(file: BatchFile, { origin }: Intake): { name: string; how: string } {
  switch (origin.from) {
    case 'pods':
      return { name: file.lots.find((l) => l.id === origin.lotId)?.name ?? origin.lotId, how: KNIFE[origin.prep].name };
    case 'larder':
      return { name: file.ingredients.find((i) => i.key === origin.key)?.name ?? origin.key, how: '' };
    case 'stored':
      return { name: file.stored.find((s) => s.id === origin.id)?.name ?? origin.id, how: 'kept' };
    case 'strand':
      return { name: file.strands.find((s) => s.id === origin.strandId)?.name ?? origin.strandId, how: '' };
    case 'side':
      return { name: `Own ${origin.side.replace(/-/g, ' ')}`, how: '' };
  }
}
