<script setup lang="ts">
import { computed } from 'vue';
import { stationIn, stationOf, type BatchFile, type LineReport, type StationReport } from '@roskel/core';
import { day, grams, inManner, odds, plural, shu } from '../format';
import { intakeWords } from './intakes';

/** What lies beside the board while one works: every gram, every step with its day, and lines to write on. On paper only. */
const props = defineProps<{ file: BatchFile; report: LineReport }>();
/** What goes in at a station, to be weighed beside the board. */
function putIn(s: StationReport): { id: string; text: string }[] {
  // The report lags behind a line that was just changed.
  const intakes = stationIn(props.file, s.id)?.intakes ?? [];
  const made = s.made.map((f) => ({ id: f.id, text: `${f.name} ${grams(f.massG)}` }));
  return [
    ...intakes.map((i) => {
      const { name, how } = intakeWords(props.file, i);
      const words = typeof i.amount === 'object' && 'g' in i.amount && i.amount.words ? ` (${i.amount.words})` : '';
      return { id: i.id, text: `${name} ${grams(s.enters.grams[i.id] ?? 0)}${words}${how ? `, ${how}` : ''}` };
    }),
    ...made,
  ];
}
const stationsIn = (ids: readonly string[]) => ids.map((id) => stationOf(props.report, id));
const cautions = computed(() => [...new Set(props.report.cautions.filter((c) => c.severity !== 'note').map((c) => inManner(c.text)))]);
</script>

<template>
  <article class="sheet" aria-label="Bench sheet">
    <h1>{{ file.name }}</h1>
    <p v-for="e in report.ends" :key="e.strandId">
      <b v-if="report.ends.length > 1">{{ e.name }}: </b>{{ plural(e.goal.bottles, 'bottle') }} of {{ e.goal.bottleMl }} ml; wished heat
      {{ shu(e.goal.lowShu) }} to {{ shu(e.goal.highShu) }} SHU; likely {{ shu(e.heat.p10) }} to {{ shu(e.heat.p90) }},
      {{ odds(e.odds) }} in the wished heat.
    </p>
    <template v-for="strand in report.strands" :key="strand.id">
      <h2>{{ report.strands.length > 1 ? strand.name : 'Steps' }}</h2>
      <ol>
        <li v-for="s in stationsIn(strand.stationIds)" :key="s.id">
          <span class="tick" :class="{ done: s.done }" /> <b>{{ s.name }}</b> {{ s.done ? `done ${day(s.to)}` : `by ${day(s.plannedTo)}` }};
          planned {{ grams(s.planned.massG) }} <span class="write">weighed</span><span class="write">pH</span><span class="write">day</span>
          <ul>
            <li v-for="x in putIn(s)" :key="x.id"><span class="tick" /> {{ x.text }}</li>
          </ul>
        </li>
      </ol>
    </template>
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
