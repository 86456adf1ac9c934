import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import type { TSchema } from '@sinclair/typebox';
import { schemaAt } from '@roskel/contract';
import type { Clash } from '@roskel/core';
import { sayValue } from '../batch/words';

interface Asked {
  clashes: { key: string; title: string; mine: string; theirs: string }[];
  settle(keysOfMine: string[]): void;
}

/** "useFirst" as words, where the schema has no title for it. */
const plain = (field: string) =>
  field
    .replace(/^[@#]/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase();

/** A question about what two windows changed in the same record, each otherwise. */
export const useClash = defineStore('clash', () => {
  const asked = shallowRef<Asked | null>(null);
  /** Asks which of `clashes` go on as they stand here; names of fields come from the schema. */
  function ask(clashes: readonly Clash[], schema: TSchema): Promise<Clash[]> {
    return new Promise((done) => {
      asked.value = {
        clashes: clashes.map((c) => ({
          key: c.path.join('/'),
          title: String(schemaAt(schema, c.path.join('/'))?.title ?? plain(c.path.at(-1) ?? 'all of it')),
          mine: sayValue(c.after),
          theirs: sayValue(c.now),
        })),
        settle: (keys) => {
          asked.value = null;
          done(clashes.filter((c) => keys.includes(c.path.join('/'))));
        },
      };
    });
  }
  return { asked, ask };
});
