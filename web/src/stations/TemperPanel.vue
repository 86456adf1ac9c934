<script setup lang="ts">
import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { degrees, grams } from '../format';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import TemperPicture from './TemperPicture.vue';

const props = defineProps<{ station: StationReport<'temper'> }>();
const { params, set, facts } = usePanel<'temper'>(props);
const SPOON_G = 15;
const spoons = (g: number) => (g >= SPOON_G / 2 ? `, ${Math.round((2 * g) / SPOON_G) / 2} tbsp` : '');
const says = computed(() =>
  (facts.value?.things ?? []).map((t) =>
    Number.isFinite(t.firstG)
      ? `${t.name.split(',')[0]!} stands ${degrees(t.limitC)}; above that ${t.why}. First ${grams(t.firstG)}${spoons(t.firstG)} of the pot into it, then all of it back.`
      : `The pot is no hotter than ${t.name.split(',')[0]!.toLowerCase()} stands: in with it.`,
  ),
);
</script>

<template>
  <StationSheet :station="station">
    <TemperPicture
      :hot-c="params.hotC"
      :cold-c="params.coldC"
      :together-c="facts?.togetherC ?? params.hotC"
      :limits="(facts?.things ?? []).map((t) => ({ name: t.name.split(',')[0]!, c: t.limitC }))"
      :hex="station.now.hex"
      @hot="set({ hotC: $event })"
    />
    <p v-for="s in says" :key="s" data-fact="temper">{{ s }}</p>
    <p v-if="!says.length" class="soft">Nothing in here minds the heat. Herbs, honey and fish sauce keep their smell off the boil.</p>
    <template #says>
      <p class="soft">What goes in after the boil is the last addition: to keep as a cooked sauce it must be heated once more.</p></template
    >
  </StationSheet>
</template>
