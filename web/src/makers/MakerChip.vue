<script setup lang="ts">
import { NButton, NDropdown } from 'naive-ui';
import { IconUser } from '@tabler/icons-vue';
import { computed, ref } from 'vue';
import { setMakerHere } from '../api/maker';
import { useMakers } from '../stores/makers';
import { useKeys } from '../ui/keys';

/** Who is at this device, on the rail of a kitchen that knows makers by name; another one with two taps, or the key `y`. */
const makers = useMakers();
void makers.load();
const open = ref(false);
const options = computed(() => [...makers.items.map((m) => ({ key: m.id, label: m.value.name })), { key: '', label: 'nobody by name' }]);
useKeys('Everywhere', [{ key: 'y', says: 'who is at this device', run: () => makers.items.length > 0 && (open.value = true) }]);
</script>

<template>
  <NDropdown
    v-if="makers.items.length"
    v-model:show="open"
    trigger="click"
    placement="right-end"
    keyboard
    :options="options"
    @select="(key: string) => setMakerHere(key || null)"
  >
    <NButton quaternary aria-haspopup="menu" :title="makers.here ? 'Who is at this device' : 'Say who is at this device'">
      <span class="in"
        ><IconUser :size="22" stroke="1.7" aria-hidden="true" /><span class="who">{{ makers.here?.value.name ?? 'Who?' }}</span></span
      >
    </NButton>
  </NDropdown>
</template>

<style scoped>
.who {
  max-width: 76px;
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
