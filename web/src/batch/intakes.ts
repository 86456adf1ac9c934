import { KNIFE, thingName, type BatchFile, type Intake } from '@roskel/core';

/** Its grams and the words they were said in; null where it is a share, or the rest. */
export const gramsIn = ({ amount }: Intake) => (typeof amount === 'object' && 'g' in amount ? amount : null);

/** What goes in, as people call it, and what is done to it first. */
export function intakeWords(file: BatchFile, { origin }: Intake): { name: string; how: string } {
  const name = thingName(file, origin);
  switch (origin.from) {
    case 'pods':
      return { name, how: KNIFE[origin.prep].name };
    case 'stored':
      return { name, how: 'kept' };
    case 'side':
      return { name: `Own ${name}`, how: '' };
    default:
      return { name, how: '' };
  }
}
