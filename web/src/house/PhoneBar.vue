<script setup lang="ts">
import { ref } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { NButton, NDrawer, NDrawerContent } from 'naive-ui';
import { IconArrowBackUp, IconArrowForwardUp, IconDots, IconPlus, IconSettings, IconUser } from '@tabler/icons-vue';
import { setMakerHere } from '../api/maker';
import { PLACES } from '../router';
import { useMakers } from '../stores/makers';
import { useKeys } from '../ui/keys';
import { useUndo } from '../stores/undo';

/** Below a narrow window: what is needed with one hand, and all the rest, in groups, behind one button. */
defineProps<{ here: (name: string) => boolean }>();
const emit = defineEmits<{ settings: [] }>();
const undo = useUndo();
const makers = useMakers();
const router = useRouter();
const open = ref(false);
void makers.load();
useKeys('Everywhere', [{ key: 'y', says: 'who is at this device', run: () => (open.value = true) }]);
const FIRST = ['today', 'batches', 'shelf'];
const placesOf = (first: boolean) => PLACES.filter((p) => FIRST.includes(p.name) === first);
function act(what: () => unknown) {
  open.value = false;
  void what();
}
</script>

<template>
  <nav class="bar" aria-label="Places">
    <template v-for="p in placesOf(true)" :key="p.name">
      <RouterLink v-if="p.name === 'shelf'" class="cell" to="/batches?start=1">
        <IconPlus :size="24" stroke="1.7" aria-hidden="true" />Start
      </RouterLink>
      <RouterLink class="cell" :to="p.path" :class="{ here: here(p.name) }" :aria-current="here(p.name) ? 'page' : undefined">
        <component :is="p.icon" :size="24" stroke="1.7" aria-hidden="true" />{{ p.title }}
      </RouterLink>
    </template>
    <NButton quaternary class="cell" aria-haspopup="dialog" @click="open = true"
      ><span class="in"><IconDots :size="24" stroke="1.7" aria-hidden="true" />More</span></NButton
    >
  </nav>
  <NDrawer v-model:show="open" placement="bottom" :height="370" aria-label="More">
    <NDrawerContent title="More" closable>
      <div class="groups">
        <RouterLink v-for="p in placesOf(false)" :key="p.name" class="row" :to="p.path" @click="open = false">
          <component :is="p.icon" :size="22" stroke="1.7" aria-hidden="true" />{{ p.title }}
        </RouterLink>
      </div>
      <div class="groups">
        <NButton :disabled="!undo.last" @click="act(() => undo.undo())">
          <IconArrowBackUp :size="20" stroke="1.7" aria-hidden="true" />&nbsp;Undo{{ undo.last ? `: ${undo.last}` : '' }}
        </NButton>
        <NButton v-if="undo.next" @click="act(() => undo.redo())">
          <IconArrowForwardUp :size="20" stroke="1.7" aria-hidden="true" />&nbsp;Redo: {{ undo.next }}
        </NButton>
        <NButton @click="act(() => emit('settings'))">
          <IconSettings :size="20" stroke="1.7" aria-hidden="true" />&nbsp;Your kitchen
        </NButton>
        <NButton @click="act(() => router.push('/log'))">What was done</NButton>
      </div>
      <div v-if="makers.items.length" class="groups" role="group" aria-label="Who is at this device">
        <span class="soft"><IconUser :size="18" stroke="1.7" aria-hidden="true" /> At this device:</span>
        <NButton
          v-for="m in makers.items"
          :key="m.id"
          size="small"
          :type="makers.here?.id === m.id ? 'primary' : 'default'"
          :aria-pressed="makers.here?.id === m.id"
          @click="act(() => setMakerHere(makers.here?.id === m.id ? null : m.id))"
          >{{ m.value.name }}</NButton
        >
      </div>
    </NDrawerContent>
  </NDrawer>
</template>

<style scoped>
.bar {
  order: 2;
  display: flex;
  background: var(--rail);
}
.cell,
.in {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 2px;
  color: var(--rail-ink);
  font-size: 13px;
  text-decoration: none;
}
.cell {
  flex: 1;
  min-width: 0;
  height: 60px;
  line-height: 1.3;
  padding: 0;
  border: 0;
  border-top: 4px solid transparent;
  border-radius: 0;
  --n-text-color: var(--rail-ink) !important;
}
.in {
  font-weight: 400;
}
.cell.here {
  background: var(--ground);
  color: var(--rim);
  font-weight: 700;
  border-top-color: var(--heat);
}
.groups {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  padding: 8px 0;
  border-bottom: 1px dashed var(--line);
}
.row {
  display: flex;
  align-items: center;
  gap: 10px;
  flex: 1 1 140px;
  min-height: 48px;
  font-weight: 600;
  color: var(--rim);
  text-decoration: none;
}
</style>
