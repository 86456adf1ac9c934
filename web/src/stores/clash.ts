import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import type { Clash } from '@roskel/core';
import type { RecordKind } from './recordWords';

interface Asked {
  clashes: { key: string; title: string; mine: string; theirs: string }[];
  settle(keysOfMine: string[]): void;
}

/** A question about what two windows changed in the same record, each otherwise. */
export const useClash = defineStore('clash', () => {
  const asked = shallowRef<Asked | null>(null);
  /** Asks which of `clashes` go on as they stand here. */
  async function ask(clashes: readonly Clash[], kind: RecordKind): Promise<Clash[]> {
    // Its words know every schema: they come when two windows do differ.
    const { clashWords } = await import('./recordWords');
    return new Promise((done) => {
      asked.value = {
        clashes: clashes.map((c) => clashWords(kind, c)),
        settle: (keys) => {
          asked.value = null;
          done(clashes.filter((c) => keys.includes(c.path.join('/'))));
        },
      };
    });
  }
  return { asked, ask };
});
