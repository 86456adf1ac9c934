<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref } from 'vue';
import { useNotices } from '../stores/notices';
import { canKeep, forgetOnDevice, isKept, keepOnDevice } from './keepOnDevice';

/** Keeping the kitchen on this device, by wish, and taking it off again, also while the server is away. */
defineProps<{ /** Where this kitchen is reached over TLS; null where it is not. */ secure: string | null }>();
const notices = useNotices();
/** Kept on this device: null while nobody knows, or while it is being done. */
const kept = ref<boolean | null>(null);
const look = () => void isKept().then((is) => (kept.value = is));
look();
async function keep(wanted: boolean) {
  kept.value = null;
  try {
    await (wanted ? keepOnDevice() : forgetOnDevice());
    if (wanted) notices.say('Kept on this device: what is open here goes on when the server is away.');
  } catch (e) {
    notices.fail(e);
  } finally {
    look();
  }
}
</script>

<template>
  <p v-if="!canKeep()" class="soft">
    To go on when the server is away, a browser keeps a page only over TLS, or on the machine itself<template v-if="secure"
      >: open <a :href="secure">{{ secure }}</a></template
    >.
  </p>
  <template v-else>
    <p class="soft">
      {{
        kept
          ? 'Kept on this device: batches, readings, the counter, ticks and stock go on when the server is away, and are stored when it is back.'
          : 'This device can go on when the server is away: it keeps the program, the lists and the batches.'
      }}
    </p>
    <p>
      <NButton :disabled="kept === null" @click="keep(!kept)">{{
        kept === null ? 'Wait a moment' : kept ? 'Forget it on this device' : 'Keep on this device'
      }}</NButton>
    </p>
  </template>
</template>

<style scoped>
p {
  margin: 0 0 6px;
}
</style>
