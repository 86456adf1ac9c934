<script setup lang="ts">
import { NForm } from 'naive-ui';
import { fieldsOf, type Field } from '@roskel/core';
import type { TObject } from '@sinclair/typebox';
import NumberField from './NumberField.vue';
import PickField from './PickField.vue';
import PillField from './PillField.vue';
import TextField from './TextField.vue';
import TickField from './TickField.vue';

/** The fields of a schema: names, words, units and bounds are the schema's own. `set` gives undefined for what is left out. */
const props = defineProps<{
  fields: readonly Field[];
  value: Readonly<Record<string, unknown>>;
  trouble?: (name: string) => string | null;
  /** It stands within another form. */
  inner?: boolean;
}>();
const emit = defineEmits<{ set: [name: string, value: unknown] }>();

type Option = { value: string | number; label: string };
/** So many letters of choices stand side by side; more are a list. */
const IN_SIGHT = 44;
const NOT_SAID = '';
const figures = (f: Field) => f.schema.type === 'number';
const asked = (f: Field): Option[] =>
  Object.entries(f.names!).map(([value, label]) => ({ value: figures(f) ? Number(value) : value, label }));
/** What may be left out, and is nothing then, can be taken back. */
const options = (f: Field): Option[] =>
  f.optional && held(f) === undefined ? [{ value: NOT_SAID, label: 'not said' }, ...asked(f)] : asked(f);
const inSight = (f: Field) => f.main === true && options(f).reduce((n, o) => n + o.label.length + 3, 0) <= IN_SIGHT;
/** A list whose words need the whole width. */
const LONG = 18;
const long = (f: Field) => Object.values(f.names!).some((label) => label.length > LONG);
const held = (f: Field) => f.schema.default as unknown;
const own = (f: Field) => props.value[f.name] ?? held(f);
function chosen(f: Field): string | number {
  const now = own(f);
  return figures(f) ? Math.round(Number(now)) : ((now as string | undefined) ?? NOT_SAID);
}
const choose = (f: Field, to: string | number | null) => emit('set', f.name, to === NOT_SAID ? undefined : to);
const number = (f: Field, x: number | null) => emit('set', f.name, x ?? (f.nullable ? null : undefined));
/** A unit that its name says already is not said again. */
const unit = (f: Field) => (f.unit === f.label.toLowerCase() ? '' : f.unit);
const form = (f: Field) => (own(f) ?? {}) as Record<string, unknown>;
const figure = (f: Field) => (typeof own(f) === 'number' ? (own(f) as number) : null);
const words = (f: Field) => (typeof own(f) === 'string' ? (own(f) as string) : '');
</script>

<template>
  <component :is="inner ? 'div' : NForm" class="schema">
    <template v-for="f in fields" :key="f.name">
      <PillField
        v-if="f.type === 'choice' && inSight(f)"
        class="wide"
        :label="f.label"
        :model-value="chosen(f)"
        :options="options(f)"
        @update:model-value="choose(f, $event)"
      />
      <PickField
        v-else-if="f.type === 'choice'"
        :class="{ wide: long(f) }"
        :label="f.label"
        :model-value="chosen(f)"
        :options="options(f)"
        :problem="trouble?.(f.name) ?? null"
        @update:model-value="choose(f, $event)"
      />
      <TickField
        v-else-if="f.type === 'tick'"
        :label="f.label"
        :model-value="own(f) === true"
        @update:model-value="emit('set', f.name, $event)"
      />
      <TextField
        v-else-if="f.type === 'words'"
        :label="f.label"
        :model-value="words(f)"
        :maxlength="f.schema.maxLength ?? 200"
        @update:model-value="emit('set', f.name, $event)"
      />
      <SchemaForm
        v-else-if="f.type === 'form'"
        class="wide"
        inner
        :fields="fieldsOf(f.schema as TObject, form(f))"
        :value="form(f)"
        :trouble="(name) => trouble?.(`${f.name}/${name}`) ?? null"
        @set="(name, x) => emit('set', f.name, { ...form(f), [name]: x })"
      />
      <NumberField
        v-else
        :label="f.label"
        :unit="unit(f)"
        :optional="f.optional"
        :placeholder="f.usual ?? ''"
        :model-value="figure(f)"
        :schema="f.schema"
        :trouble="trouble?.(f.name) ?? null"
        @update:model-value="number(f, $event)"
      />
    </template>
  </component>
</template>

<style scoped>
.schema {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
  gap: 6px 10px;
  align-items: end;
}
.wide {
  grid-column: 1 / -1;
}
</style>
