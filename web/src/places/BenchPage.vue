<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink, useRoute } from 'vue-router';
import HeatMix from '../bench/HeatMix.vue';
import DilutionTest from '../bench/DilutionTest.vue';
import MatchTest from '../bench/MatchTest.vue';
import MeasureReader from '../bench/MeasureReader.vue';
import AcidTool from '../bench/AcidTool.vue';
import SaltTool from '../bench/SaltTool.vue';
import HeatLog from '../bench/HeatLog.vue';
import TrimBench from '../trim/TrimBench.vue';
import SchoolStamp from '../heat/SchoolStamp.vue';

/** The single tools, for someone without a batch. A new tool is a line here and a component. */
const TOOLS = [
  { name: 'mix', title: 'Heat mix', is: HeatMix },
  { name: 'dilution', title: 'Dilution test', is: DilutionTest },
  { name: 'match', title: 'Match test', is: MatchTest },
  { name: 'trim', title: 'Trim', is: TrimBench },
  { name: 'salt', title: 'Salt', is: SaltTool },
  { name: 'ph', title: 'pH', is: AcidTool },
  { name: 'heat', title: 'Heat log', is: HeatLog },
  { name: 'measures', title: 'Measures', is: MeasureReader },
] as const;
const route = useRoute();
const tool = computed(() => TOOLS.find((t) => t.name === route.params.tool) ?? TOOLS[0]);
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Bench</h1>
      <nav aria-label="Tools" class="tools">
        <RouterLink
          v-for="t in TOOLS"
          :key="t.name"
          :to="`/bench/${t.name}`"
          :aria-current="t === tool ? 'page' : undefined"
          :class="{ on: t === tool }"
          >{{ t.title }}</RouterLink
        >
      </nav>
      <SchoolStamp />
      <span id="bench-acts" class="push acts" />
    </header>
    <component :is="tool.is" :key="tool.name" />
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.tools a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  padding: 0 14px;
  border: 1.5px solid var(--line);
  border-radius: 10px;
  text-decoration: none;
}
.tools a.on {
  border: 2px solid var(--rim);
  background: var(--active);
  font-weight: 700;
}
.acts {
  display: flex;
  gap: 8px;
}
@media (max-width: 1000px) {
}
</style>
