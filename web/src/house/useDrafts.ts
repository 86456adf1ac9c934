import { onMounted, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { onChange } from '../api/events';
import { useNotices } from '../stores/notices';
import { DRAFTS, leftUnsent } from '../stores/draftKeys';
import { cameToKitchen, keysHere } from '../ui/keepHere';

/** What is not expected is read more slowly. */
const READ_MS = 15_000;
/** From one try to the next while the server does not answer, ms. */
const AGAIN_MS = 5000;

/** Sees to it that what was typed while the server was away is stored, also of batches that are not open any more. */
export function useDrafts(): void {
  const route = useRoute();
  const router = useRouter();
  const notices = useNotices();
  /** Told once: each is settled on its page. */
  const told = new Set<string>();
  let running = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  function later() {
    clearTimeout(timer);
    timer = setTimeout(() => void send(), AGAIN_MS);
  }
  async function send() {
    // What sends them knows every station: it comes when there is something to send.
    if (running || keysHere(DRAFTS).length === 0) return;
    running = true;
    try {
      const [{ sendDrafts }, { useOpenBatch }] = await Promise.all([import('../stores/drafts'), import('../stores/openBatch')]);
      const batch = useOpenBatch();
      const open = new Set([batch.id, String(route.params.id ?? '')]);
      const { sent, answered } = await sendDrafts(open);
      // A server that stood still says nothing when it goes on.
      if (!answered) later();
      for (const { id, name, stored } of sent) {
        if (stored) notices.say(`${name}: what was typed here is stored now.`);
        else if (!told.has(id)) {
          told.add(id);
          notices.fail(new Error(`${name}: what was typed here cannot be stored as it is. Open the batch to settle it.`));
        }
      }
    } catch (e) {
      notices.fail(e);
    } finally {
      running = false;
    }
  }
  onMounted(async () => {
    await router.isReady();
    if (cameToKitchen())
      notices.say(
        'Another kitchen answers at this address than before. What you typed for the one before is kept here until it is back.',
        READ_MS,
      );
    if (route.name === 'enter') return;
    void send();
    // What is typed into one batch after another while the server is away.
    watch(leftUnsent, later);
    // The server is back: everything may have changed, and everything may be sent.
    onChange((event) => event.topic === 'all' && void send());
  });
}
