<script setup lang="ts">
import { computed, onMounted, shallowRef } from 'vue';
import { RouterLink } from 'vue-router';
import type { BottlingRecord } from '@roskel/contract';
import { countedIn, labelOf, LineProblem, NoLabel, type BatchFile } from '@roskel/core';
import { fullDay, inManner, today } from '../format';
import LabelPicture from '../labels/LabelPicture.vue';
import { labelFonts } from '../labels/fonts';
import { layoutLabel, TooSmall, type Measure } from '../labels/layout';
import { measureWith } from '../labels/pdf';
import { useNotices } from '../stores/notices';
import { useSettings } from '../stores/settings';

/** The label of a bottling as it is now, small; or why there is none. */
const props = defineProps<{ file: BatchFile; bottling: BottlingRecord }>();
const settings = useSettings();
const notices = useNotices();
/** A label of a usual size, mm. */
const SIZE = [90, 50] as const;
const measure = shallowRef<Measure | null>(null);
onMounted(async () => {
  try {
    measure.value = await measureWith(await labelFonts());
  } catch (e) {
    notices.fail(e);
  }
});
const drawn = computed(() => {
  const b = props.bottling;
  if (!measure.value) return null;
  if (b.place === 'bin') return { why: `This gets no label: ${b.keeping}` };
  try {
    const label = labelOf(countedIn(props.file, settings.value.school), b.strandId, today(), b.useBy);
    return { marks: layoutLabel(label, ...SIZE, { list: 'eu', day: fullDay, qr: null }, measure.value) };
  } catch (e) {
    if (e instanceof NoLabel || e instanceof LineProblem || e instanceof RangeError || e instanceof TooSmall) return { why: e.message };
    throw e;
  }
});
</script>

<template>
  <RouterLink v-if="drawn && 'marks' in drawn" :to="{ name: 'label', params: { id: bottling.id } }">
    <LabelPicture :marks="drawn.marks!" :size="SIZE" :says="`Label of ${bottling.name}`" />
  </RouterLink>
  <p v-else-if="drawn" class="soft">{{ inManner(drawn.why!) }}</p>
  <p v-else class="soft">Drawing the label.</p>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
