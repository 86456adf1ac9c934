<script setup lang="ts">
import { computed } from 'vue';
import { extrasOf, FIRE, KNIFE, packedIn, podUses, type BatchFile, type LineReport } from '@roskel/core';
import { day, grams, inManner, odds, plural, shu } from '../format';

/** What lies beside the board while one works: every gram, every step with its day, and lines to write on. On paper only. */
const props = defineProps<{ file: BatchFile; report: LineReport }>();
const lotName = (id: string) => props.file.lots.find((l) => l.id === id)?.name ?? id;
const rowName = (id: string) => props.file.ingredients.find((i) => i.key === id)?.name ?? (id === 'brine' ? 'own brine' : id);
const pods = computed(() =>
  podUses(props.file).map((p) => ({
    name: lotName(p.lotId),
    g: grams(p.massG),
    how: [KNIFE[p.prep].name, p.fire && p.fire !== 'none' ? FIRE[p.fire].name : ''].filter(Boolean).join(', '),
  })),
);
const jar = computed(() => packedIn(props.report).map((f) => `${f.name} ${grams(f.massG)}`));
const extras = computed(() => extrasOf(props.file).map((x) => `${rowName(x.id)} ${grams(x.massG)}${x.words ? ` (${x.words})` : ''}`));
const cautions = computed(() => [...new Set(props.report.cautions.filter((c) => c.severity !== 'note').map((c) => inManner(c.text)))]);
</script>

<template>
  <article class="sheet" aria-label="Bench sheet">
    <h1>{{ file.name }}</h1>
    <p>
      {{ plural(file.goal.bottles, 'bottle') }} of {{ file.goal.bottleMl }} ml; wished heat {{ shu(file.goal.lowShu) }} to
      {{ shu(file.goal.highShu) }} SHU; likely {{ shu(report.heat.p10) }} to {{ shu(report.heat.p90) }}, {{ odds(report.odds) }} in the
      wished heat.
    </p>
    <h2>Pods</h2>
    <ul>
      <li v-for="p in pods" :key="p.name">
        <span class="tick" /> {{ p.name }} <b>{{ p.g }}</b>, {{ p.how }}
      </li>
    </ul>
    <p v-if="jar.length"><b>Into the jar:</b> {{ jar.join(', ') }}.</p>
    <p v-if="extras.length"><b>Into the blender:</b> {{ extras.join(', ') }}.</p>
    <h2>Steps</h2>
    <ol>
      <li v-for="s in report.stations" :key="s.id">
        <span class="tick" :class="{ done: s.done }" /> <b>{{ s.name }}</b> {{ s.done ? `done ${day(s.to)}` : `by ${day(s.plannedTo)}` }};
        planned {{ grams(s.planned.massG) }} <span class="write">weighed</span><span class="write">pH</span><span class="write">day</span>
      </li>
    </ol>
    <h2>To watch</h2>
    <ul>
      <li v-for="c in cautions" :key="c">{{ c }}</li>
    </ul>
    <h2>Notes</h2>
    <p v-for="n in 5" :key="n" class="line" />
  </article>
</template>

<style scoped>
.sheet {
  display: none;
}
@media print {
  .sheet {
    display: block;
    font-size: 12pt;
    line-height: 1.4;
    color: black;
  }
  ul,
  ol {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    margin: 4pt 0;
    break-inside: avoid;
  }
  h1 {
    font-size: 20pt;
  }
  h2 {
    font-size: 13pt;
    margin: 12pt 0 4pt;
    border-bottom: 1pt solid black;
  }
  .tick {
    display: inline-block;
    width: 10pt;
    height: 10pt;
    border: 1pt solid black;
    margin-right: 5pt;
  }
  .tick.done {
    background: black;
    print-color-adjust: exact;
  }
  .write {
    display: inline-block;
    margin-left: 10pt;
    min-width: 74pt;
    border-bottom: 1pt solid black;
    font-size: 9pt;
  }
  .line {
    height: 22pt;
    margin: 0;
    border-bottom: 1pt solid black;
  }
}
</style>
