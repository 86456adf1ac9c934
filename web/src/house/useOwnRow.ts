import { computed, reactive, ref, toRef, watch, type Ref } from 'vue';
import type { Begun } from '../stores/putRecord';
import { commitTyping } from '../ui/typing';
import { useDraft } from '../ui/useDraft';

interface Problem {
  field: string;
  message: string;
}
interface Kept<V> extends Begun<V> {
  id: string;
}

/**
 * A row of the maker's own on a sheet: begun as a copy of the one near by or as the row to change, checked while it is
 * typed, kept or refused with a sentence.
 */
export function useOwnRow<V extends { name: string }, O extends Kept<V>>(
  show: Ref<boolean>,
  props: { start: V | null; editing: O | null },
  own: {
    fresh(copy: V): V;
    problems(row: V): Problem[];
    add(row: V): Promise<void>;
    edit(id: string, begun: Begun<V>, row: V): Promise<void>;
  },
) {
  const form = reactive({ row: null, begun: null }) as { row: V | null; begun: Begun<V> | null };
  const row = toRef(form, 'row') as Ref<V | null>;
  const refused = ref('');
  const blank = () => {
    if (!props.start) return { row: null, begun: null };
    const copy = () => JSON.parse(JSON.stringify(props.start)) as V;
    return props.editing
      ? { row: copy(), begun: { revision: props.editing.revision, value: copy() } }
      : { row: own.fresh(copy()), begun: null };
  };
  const draft = useDraft(() => `own.${props.start?.name ?? ''}.${props.editing ? 'edit' : 'copy'}`, form, blank, show);
  watch(show, () => (refused.value = ''));
  const set = (change: Partial<V>) => (row.value = { ...row.value!, ...change });
  const problems = computed(() => (row.value ? own.problems(row.value) : []));
  async function save() {
    commitTyping();
    if (!row.value || problems.value.length > 0) return;
    try {
      if (props.editing) await own.edit(props.editing.id, form.begun!, row.value);
      else await own.add(row.value);
      await draft.done();
      show.value = false;
    } catch (e) {
      refused.value = (e as Error).message;
    }
  }
  return { row, set, problems, refused, save, draft };
}
