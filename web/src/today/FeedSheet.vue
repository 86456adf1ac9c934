<script setup lang="ts">
import { computed } from 'vue';
import { NButton } from 'naive-ui';
import { elsewhere } from '../house/elsewhere';
import { useHouse } from '../house/useHouse';
import { useNotices } from '../stores/notices';
import SheetCard from '../ui/SheetCard.vue';

/** The duties as a calendar: an address that a calendar program asks again, or a file of what is open now. */
const show = defineModel<boolean>('show', { required: true });
const notices = useNotices();
const house = useHouse();
/** By a name that holds elsewhere too where there is one, and with the key in place of the passphrase where that is asked for. */
const address = computed(() => {
  const key = house.value?.feedKey;
  return `${elsewhere(house.value) ?? location.origin}/api/calendar.ics${key ? `?key=${key}` : ''}`;
});
async function copy() {
  try {
    await navigator.clipboard.writeText(address.value);
    notices.say('The address is copied.');
  } catch {
    notices.fail(new Error('This browser does not let the address be copied. Mark it and copy it by hand.'));
  }
}
</script>

<template>
  <SheetCard v-model:show="show" title="In your calendar" :width="560">
    <p>
      Give your calendar program this address, as a calendar to subscribe to. It asks again by itself: what is done goes, what moves moves.
    </p>
    <p class="address" data-fact="address">{{ address }}</p>
    <div class="acts">
      <NButton type="primary" @click="copy">Copy the address</NButton>
      <a class="act" :href="address" download="roskel.ics">Save as a file</a>
    </div>
    <p class="soft">
      {{
        house?.open
          ? 'Whoever has this address reads what is to be done, and nothing else; another passphrase ends it. It works in the house, as long as the kitchen runs.'
          : 'The address works on this machine only, as long as the kitchen runs here.'
      }}
      A file holds what is open now; opened again later, it puts the same entries right instead of adding new ones.
    </p>
  </SheetCard>
</template>

<style scoped>
.address {
  padding: 8px 12px;
  border: 1.5px dashed var(--line);
  border-radius: 10px;
  overflow-wrap: anywhere;
  user-select: all;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin: 12px 0;
}
</style>
