<script setup lang="ts" generic="R extends { key: string }">
import { computed, h, nextTick, onMounted, ref, type VNodeChild } from 'vue';
import { RouterLink } from 'vue-router';
import { NButton, NDataTable, NEmpty, type DataTableColumns, type DataTableSortState } from 'naive-ui';
import { printing } from './look';
import FindField from './FindField.vue';

/** A page that compares rows: where it hangs, find, filters, columns that sort, and the rows themselves. */
export interface Column<R> {
  name: string;
  /** Stands right, as figures do. */
  figure?: boolean;
  /** What it sorts by; a column without it cannot sort. */
  by?: (row: R) => number | string;
  /** As it stands; a column without it is drawn by the slot "cell". */
  text?: (row: R) => string;
  soft?: boolean;
  width: number;
}
const props = defineProps<{
  title: string;
  what: string;
  up: { to: string; name: string };
  columns: Column<R>[];
  rows: readonly R[];
  actsWidth?: number;
  /** What to do where nothing is there yet; empty where there is something. */
  none?: string;
}>();
/** Room for what is done to a row, px; a page whose rows are all the maker's own has more of it. */
const ACTS = 152;
const find = defineModel<string>('find', { required: true });
const slots = defineSlots<{
  cell(of: { row: R; name: string }): unknown;
  acts(of: { row: R }): unknown;
  filters(): unknown;
  foot(): unknown;
  default(): unknown;
}>();
const order = (by: (row: R) => number | string) => (a: R, b: R) => {
  const [x, y] = [by(a), by(b)];
  return typeof x === 'string' || typeof y === 'string' ? String(x).localeCompare(String(y)) : x - y;
};
const shown = computed<DataTableColumns<R>>(() => [
  ...props.columns.map((c) => ({
    key: c.name,
    // A button in the head: it sorts by keyboard as well.
    title: () => (c.by ? h(NButton, { text: true, class: 'sort' }, () => c.name) : c.name),
    width: c.width,
    align: (c.figure ? 'right' : 'left') as 'right' | 'left',
    ...(c.by ? { sorter: order(c.by) } : {}),
    render: (row: R) =>
      c.text ? h('span', { class: c.soft ? 'soft' : '' }, c.text(row)) : (slots.cell?.({ row, name: c.name }) as VNodeChild),
  })),
  {
    key: 'acts',
    title: () => h('span', { class: 'visually-hidden' }, 'What to do'),
    width: props.actsWidth ?? ACTS,
    fixed: 'right' as const,
    render: (row: R) => slots.acts?.({ row }) as VNodeChild,
  },
]);
const root = ref<HTMLElement>();
/** The library marks the sorted column for the eye only. */
async function tellOrder(sorted: DataTableSortState | DataTableSortState[] | null) {
  await nextTick();
  const now = Array.isArray(sorted) ? sorted[0] : sorted;
  for (const th of root.value?.querySelectorAll<HTMLElement>('th[data-col-key]') ?? []) {
    const order = now && th.dataset.colKey === String(now.columnKey) ? now.order : false;
    if (order) th.setAttribute('aria-sort', order === 'ascend' ? 'ascending' : 'descending');
    else th.removeAttribute('aria-sort');
  }
}
onMounted(() => void tellOrder(null));
const total = computed(() => props.columns.reduce((s, c) => s + c.width, props.actsWidth ?? ACTS));
</script>

<template>
  <div class="page whole">
    <header class="head">
      <div>
        <RouterLink class="crumb" :to="up.to">{{ up.name }}</RouterLink><span class="crumb"> / </span>
        <h1>{{ title }}</h1>
      </div>
      <FindField v-model="find" :label="`Find ${what}`" />
      <slot name="filters" />
      <span class="push chip" data-fact="shown">{{ rows.length }} shown</span>
    </header>
    <section ref="root" class="plate compare" :aria-label="title">
      <NDataTable
        class="rows"
        size="small"
        :flex-height="!printing"
        :virtual-scroll="!printing"
        :min-row-height="46"
        :bordered="false"
        :columns="shown"
        :data="rows as R[]"
        :row-key="(r: R) => r.key"
        :scroll-x="total"
        @update:sorter="tellOrder"
      >
        <template #empty><NEmpty :description="none || 'Nothing here matches. Take a filter off.'" /></template>
      </NDataTable>
    </section>
    <p class="soft foot"><slot name="foot" /></p>
    <slot />
  </div>
</template>

<style scoped>
.whole {
  height: 100%;
}
.compare {
  flex: 1;
  min-height: 260px;
  padding: 2px 12px 8px;
}
.rows {
  height: 100%;
}
.rows :deep(i) {
  display: inline-block;
  width: 12px;
  height: 21px;
  border-radius: 5px 5px 7px 7px;
  margin-right: 8px;
  vertical-align: middle;
  border: 1px solid rgb(0 0 0 / 12%);
}
.rows :deep(.sort) {
  font-weight: 700;
  white-space: normal;
  text-align: inherit;
}
.foot {
  margin: 0;
  font-size: 13.5px;
}
.foot:empty {
  display: none;
}
</style>
