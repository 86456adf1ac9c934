<script setup lang="ts">
import { computed } from 'vue';
import { FRESH_STAMP, inSchool, lotOfVariety, lotShu, variety } from '@roskel/core';
import { shu } from '../format';
import SheetCard from '../ui/SheetCard.vue';

/** Why the two ways of counting heat differ, on one pod. */
const show = defineModel<boolean>('show', { required: true });
const pod = computed(() => {
  const lot = lotOfVariety(variety('habanero-orange'), { id: 'example' });
  return { lot, dry: lotShu(lot), fresh: lotShu(inSchool(lot, 'fresh')) };
});
</script>

<template>
  <SheetCard v-model:show="show" title="Why? Dry or as quoted" :width="560">
    <p>
      The numbers of a laboratory are per gram of <b>dried</b> pod. A fresh pod is mostly water: an orange habanero of
      {{ shu(pod.lot.heat!.dryShu) }} SHU dry and {{ pod.lot.waterPct }} % water brings <b>{{ shu(pod.dry) }} SHU</b> into the sauce, gram
      for gram.
    </p>
    <p class="formula">SHU as it is = SHU of the dry matter × (1 − water)</p>
    <p>
      Many recipes take the quoted number for the fresh pod: then the same habanero would bring {{ shu(pod.fresh) }}. That is
      {{ Math.round(pod.fresh / pod.dry) }} times as much, and most of it would vanish in a dehydrator, which cannot be. Sauces made so come
      out several times milder than promised.
    </p>
    <p>
      Choose "as quoted" if you compare with recipes that count that way. Every number then carries the stamp
      <span class="stamp">{{ FRESH_STAMP }}</span>. What is stored keeps its own basis: measured and labelled heat never changes, and what
      tasting taught is set aside, not lost.
    </p>
    <p class="soft">
      Source: handbook chapter 2, section 1.2; variety values from memory; ASTA 21.3 counts on dried ground pods, from memory.
    </p>
  </SheetCard>
</template>

<style scoped>
.formula {
  padding: 8px 12px;
  background: var(--active);
  border-radius: 10px;
}
</style>
