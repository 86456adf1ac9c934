<script setup lang="ts" generic="R">
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';

/** A page that compares rows: where it hangs, find, filters, columns that sort, and the rows themselves. */
export interface Column<R> {
  name: string;
  /** Stands right, as figures do. */
  figure?: boolean;
  /** What it sorts by; a column without it cannot sort. */
  by?: (row: R) => number | string;
}
const props = defineProps<{ title: string; what: string; up: { to: string; name: string }; columns: Column<R>[]; rows: readonly R[] }>();
const find = defineModel<string>('find', { required: true });
const sort = ref<{ column: number; down: boolean } | null>(null);
const sorted = computed(() => {
  const by = sort.value && props.columns[sort.value.column]?.by;
  if (!by) return props.rows;
  const sign = sort.value!.down ? -1 : 1;
  const order = (a: R, b: R) => {
    const [x, y] = [by(a), by(b)];
    return sign * (typeof x === 'string' || typeof y === 'string' ? String(x).localeCompare(String(y)) : x - y);
  };
  return [...props.rows].sort(order);
});
/** Up, down, and back to the order of the table. */
function press(column: number) {
  const now = sort.value;
  if (now?.column !== column) sort.value = { column, down: false };
  else sort.value = now.down ? null : { column, down: true };
}
const ariaSort = (i: number) => (sort.value?.column === i ? (sort.value.down ? 'descending' : 'ascending') : undefined);
</script>

<template>
  <div class="page whole">
    <header class="head">
      <div>
        <RouterLink class="crumb" :to="up.to">{{ up.name }}</RouterLink><span class="crumb"> / </span>
        <h1>{{ title }}</h1>
      </div>
      <input v-model="find" data-find class="entry find" type="search" :placeholder="`Find ${what}`" :aria-label="`Find ${what}`" />
      <slot name="filters" />
      <span class="push chip" data-fact="shown">{{ rows.length }} shown</span>
    </header>
    <section class="plate compare">
      <table>
        <thead>
          <tr>
            <th v-for="(c, i) in columns" :key="c.name" :class="{ n: c.figure }" :aria-sort="ariaSort(i)">
              <button v-if="c.by" type="button" @click="press(i)">
                {{ c.name }}<span aria-hidden="true">{{ sort?.column === i ? (sort.down ? ' ▾' : ' ▴') : '' }}</span>
              </button>
              <template v-else>{{ c.name }}</template>
            </th>
            <th><span class="visually-hidden">What to do</span></th>
          </tr>
        </thead>
        <tbody>
          <slot v-for="row in sorted" name="row" :row="row" />
        </tbody>
      </table>
      <p v-if="rows.length === 0" class="soft note">Nothing here matches. Take a filter off.</p>
    </section>
    <p class="soft foot"><slot name="foot" /></p>
    <slot />
  </div>
</template>

<style scoped>
.whole {
  height: 100%;
}
th button {
  border: 0;
  padding: 0;
  background: none;
  font: inherit;
  color: inherit;
  cursor: pointer;
}
th button:hover {
  text-decoration: underline;
}
.foot {
  margin: 0;
  font-size: 13.5px;
}
.foot:empty {
  display: none;
}
</style>
