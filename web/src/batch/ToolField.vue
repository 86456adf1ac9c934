<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, onMounted, ref } from 'vue';
import { mapStations, seenEntry, seenLog, stationIn, stationKind, type StationReport, type Tool, type ToolKind } from '@roskel/core';
import { grams, today } from '../format';
import { learntWords, TOOL_NAMES } from '../house/tools';
import { useNotices } from '../stores/notices';
import { useOpenBatch } from '../stores/openBatch';
import { useTools } from '../stores/own';
import PickField from '../ui/PickField.vue';

/** Which pot or sieve of this kitchen it is done with, and teaching it what was weighed here. */
const props = defineProps<{ station: StationReport }>();
const emit = defineEmits<{ tool: [tool: Tool] }>();
const batch = useOpenBatch();
const tools = useTools();
const notices = useNotices();
onMounted(() => void tools.load().catch((e: unknown) => notices.fail(e)));
const kind = computed(() => stationKind(props.station.kind).tool as ToolKind);
const entry = computed(() => stationIn(batch.file!, props.station.id)!);
const mine = computed(() => tools.items.filter((o) => o.value.kind === kind.value));
const options = computed(() => [
  { value: '', label: `any ${TOOL_NAMES[kind.value]}` },
  ...mine.value.map((o) => ({ value: o.id, label: o.value.name })),
  // One that was archived since stays named here.
  ...(batch.file!.tools ?? [])
    .filter((t) => t.id === entry.value.toolId && !mine.value.some((o) => o.id === t.id))
    .map((t) => ({ value: t.id, label: t.name })),
]);
const used = computed(() => batch.file!.tools?.find((t) => t.id === entry.value.toolId) ?? null);
function choose(id: string) {
  const known = mine.value.find((o) => o.id === id)?.value;
  // What this very station taught is in its own weighings already: nothing counts twice.
  const tool = known && { ...known, seen: known.seen.filter((s) => s.of !== of.value) };
  const file = batch.file!;
  const named = mapStations(file, (s) => {
    if (s.id !== props.station.id) return s;
    const { toolId: _, ...rest } = s;
    return tool ? { ...rest, toolId: tool.id } : rest;
  });
  const kept = (file.tools ?? []).filter((t) => t.id !== tool?.id);
  batch.change(`${props.station.name}: ${tool?.name ?? 'any'}`, batch.carried({ ...named, tools: tool ? [...kept, tool] : kept }));
  if (tool) emit('tool', tool);
}
/** What was weighed here, said of the tool; null where nothing was, or it was taught already. */
const of = computed(() => `${batch.id}/${props.station.id}`);
const shown = computed(() => {
  const teaches = stationKind(props.station.kind).teaches;
  return props.station.facts && teaches ? teaches(props.station.facts as never, props.station.log) : null;
});
const own = computed(() => mine.value.find((o) => o.id === entry.value.toolId) ?? null);
const before = computed(() => own.value?.value.seen.find((s) => s.of === of.value) ?? null);
const fresh = computed(
  () => shown.value && (!before.value || Math.abs(seenLog(own.value!.value.kind, before.value) - shown.value.log) > 1e-6),
);
const TEACH: Partial<Record<ToolKind, string>> = {
  blender: 'Teach it what was seen here',
  place: 'Teach it how this jar soured',
};
const busy = ref(false);
async function teach() {
  const o = own.value!;
  const seen = seenEntry(o.value.kind, { on: today(), where: batch.file!.name, of: of.value }, shown.value!);
  busy.value = true;
  try {
    await tools.edit(
      o.id,
      { revision: o.revision, value: o.value },
      { ...o.value, seen: [...o.value.seen.filter((s) => s.of !== of.value), seen] },
    );
    notices.say(`${o.value.name} knows it from now on. Undo forgets it.`);
  } catch (e) {
    notices.fail(e);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div v-if="mine.length || used" class="tool">
    <PickField
      :label="kind === 'place' ? 'Where it stands' : `Which ${TOOL_NAMES[kind].replace(' or pan', '')}`"
      :model-value="entry.toolId ?? ''"
      :options="options"
      @update:model-value="choose"
    />
    <p v-if="used" class="soft" data-fact="tool">
      <template v-if="used.tareG">empty {{ grams(used.tareG) }}<template v-if="learntWords(used)">; </template></template
      >{{ learntWords(used) }}
    </p>
    <NButton v-if="own && fresh" :disabled="busy" @click="teach">{{ TEACH[kind] ?? 'Teach it what was weighed here' }}</NButton>
  </div>
</template>

<style scoped>
.tool {
  display: grid;
  gap: 2px;
  justify-items: start;
}
.tool > :first-child {
  width: 100%;
}
p {
  margin: 0;
  font-size: 13px;
}
</style>
