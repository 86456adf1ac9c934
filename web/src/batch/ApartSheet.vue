<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { STATION_KINDS, stationIn, type KindName } from '@roskel/core';
import { useOpenBatch } from '../stores/openBatch';
import PickField from '../ui/PickField.vue';
import SheetCard from '../ui/SheetCard.vue';
import SheetForm from '../ui/SheetForm.vue';
import TextField from '../ui/TextField.vue';
import TickField from '../ui/TickField.vue';
import { intakeWords } from './intakes';

/** What is made ready apart, in a strand of its own that flows in here. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ stationId: string; name: string }>();
const emit = defineEmits<{ apart: [ids: string[], name: string, kind: KindName] }>();
const batch = useOpenBatch();
const things = computed(() =>
  (stationIn(batch.file!, props.stationId)?.intakes ?? []).map((x) => ({ id: x.id, name: intakeWords(batch.file!, x).name })),
);
const ticked = ref<string[]>([]);
const title = ref('');
watch(show, (open) => {
  if (!open) return;
  ticked.value = things.value.length === 1 ? [things.value[0]!.id] : [];
  title.value = '';
});
const kinds = STATION_KINDS.filter((k) => !k.bottled && !k.lives).map((k) => ({
  value: k.kind,
  label: `${k.name}: ${k.verb.toLowerCase()}`,
  short: k.name,
}));
const kind = ref<KindName>(kinds[0]!.value);
const tick = (id: string, on: boolean) => (ticked.value = on ? [...ticked.value, id] : ticked.value.filter((x) => x !== id));
const usual = computed(() => {
  const first = things.value.find((t) => ticked.value.includes(t.id))?.name.split(',')[0] ?? '';
  return ticked.value.length > 1 ? `${first} and more` : first;
});
const save = () => emit('apart', ticked.value, title.value.trim() || usual.value, kind.value);
</script>

<template>
  <SheetCard v-model:show="show" title="Prepare apart" :width="460">
    <SheetForm @submit="save">
      <p v-if="things.length === 0">Nothing goes in at {{ name }}. Choose a station where something does.</p>
      <template v-else>
        <div>
          <TickField
            v-for="t in things"
            :key="t.id"
            :label="t.name"
            :model-value="ticked.includes(t.id)"
            @update:model-value="tick(t.id, $event)"
          />
        </div>
        <PickField v-model="kind" label="It begins with" :options="kinds" />
        <TextField v-model="title" label="What the strand is called" :placeholder="usual" />
        <NButton type="primary" attr-type="submit" :disabled="ticked.length === 0">Prepare apart</NButton>
      </template>
    </SheetForm>
  </SheetCard>
</template>
