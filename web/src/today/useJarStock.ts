import { computed, onMounted } from 'vue';
import type { JarStock } from '@roskel/core';
import { useNotices } from '../stores/notices';
import { useTools } from '../stores/own';

/** The jars of this kitchen; none said means that they are not counted. */
export function useJarStock() {
  const tools = useTools();
  const notices = useNotices();
  onMounted(() => void tools.load().catch((e: unknown) => notices.fail(e)));
  return computed<JarStock[]>(() =>
    tools.items.flatMap(({ value: t }) => (t.kind === 'jar' && t.volumeMl ? [{ ml: t.volumeMl, count: t.count ?? 1 }] : [])),
  );
}
