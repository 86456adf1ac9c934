import { useRoute } from 'vue-router';
import { useOpenBatch } from '../stores/openBatch';

/** The batch of the address; `ready` opens it unless it is open already. */
export function useBatchHere() {
  const route = useRoute();
  const batch = useOpenBatch();
  const ready = async () => {
    const id = String(route.params.id);
    if (batch.id !== id || !batch.file) await batch.open(id);
  };
  return { batch, ready };
}
