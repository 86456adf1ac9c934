<script setup lang="ts">
import { DILUTION, levelName, type DilutionEstimate } from '@roskel/core';
import { shu } from '../format';
import { useSettings } from '../stores/settings';

/** What a ladder came to: the heat of the sauce with its error, or the panel's own threshold. */
defineProps<{
  estimate: DilutionEstimate | null;
  threshold: { shu: number; sd: number } | null;
  who: (n: number) => string;
  mashParts: number;
}>();
const settings = useSettings();
</script>

<template>
  <div class="estimate">
    <template v-if="estimate">
      <p class="figure" data-fact="estimate">
        about <b>{{ shu(estimate.shu) }} SHU</b>, {{ levelName(estimate.shu) }}
      </p>
      <p>
        8 in 10 such tests of a sauce land between <b>{{ shu(estimate.p10) }}</b> and <b>{{ shu(estimate.p90) }}</b> of the truth. Never
        rely on one sitting.
      </p>
      <p v-if="estimate.censored" class="plate warn">
        <b>Caution.</b>
        {{
          estimate.censored === 'above'
            ? 'Someone found even the weakest cup: read it as at least this hot, and start weaker next time.'
            : 'Someone missed even the strongest cup: read it as at most this hot, and start stronger next time.'
        }}
      </p>
      <ul>
        <li v-for="(p, i) in estimate.people" :key="i">
          {{ who(i) }}: threshold at 1 in {{ Math.round(p.threshold.dilution).toLocaleString('en') }}, which is {{ shu(p.shu) }} SHU
        </li>
      </ul>
      <p class="soft">
        SHU = {{ (settings.value.threshold?.shu ?? DILUTION.thresholdShu).toFixed(1) }} SHU in a cup at threshold × the geometric mean of
        the thresholds{{ mashParts > 1 ? ` × ${mashParts}, for 1 part of pods in ${mashParts} of mash` : '' }}.
        {{
          settings.value.threshold
            ? 'The threshold is your own, from a labelled sauce.'
            : 'The threshold is the middle of common ones, 1 to 5, not measured on you. A labelled sauce tells yours.'
        }}
        After ISO 3513 and ASTM E679.
      </p>
    </template>
    <template v-else-if="threshold">
      <p class="figure">
        your threshold: about <b>{{ threshold.shu.toFixed(1) }} SHU</b> in the cup
      </p>
      <p class="soft">Common ones lie between 1 and 5. Kept, it makes later tests of the same people surer.</p>
    </template>
  </div>
</template>

<style scoped>
.estimate {
  display: grid;
  gap: 10px;
}
p,
ul {
  margin: 0;
}
.figure {
  font-size: 22px;
}
.warn {
  background: var(--warn-plate);
  border-color: var(--warn);
  padding: 8px 14px;
}
</style>
