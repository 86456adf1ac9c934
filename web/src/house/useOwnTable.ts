import { computed, ref, shallowRef, type Ref } from 'vue';
import type { Archive } from '../stores/archive';
import { useNotices } from '../stores/notices';

interface Row<V> {
  id: string;
  value: V;
}

/** A table with rows of the maker's own in it: which row the sheet copies or changes, and archiving one. */
export function useOwnTable<O extends Row<unknown>>(own: { readonly items: readonly O[]; readonly archive: Archive<O> }) {
  const notices = useNotices();
  const sheet = ref(false);
  const archived = ref(false);
  const start = shallowRef<O['value'] | null>(null) as Ref<O['value'] | null>;
  const editing = shallowRef<O | null>(null) as Ref<O | null>;
  const byId = computed(() => new Map(own.items.map((o) => [o.id, o])));
  const ownOf = (id: string): O | null => byId.value.get(id) ?? null;
  function copy(value: O['value']) {
    editing.value = null;
    start.value = value;
    sheet.value = true;
  }
  function edit(row: O) {
    editing.value = row;
    start.value = row.value;
    sheet.value = true;
  }
  async function away(row: O) {
    try {
      await own.archive.put(row.id, own.archive.nameOf(row));
      notices.say('Archived. Undo brings it back, and so does the archive.');
    } catch (e) {
      notices.fail(e);
    }
  }
  return { sheet, archived, start, editing, ownOf, copy, edit, away };
}
