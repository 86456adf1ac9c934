<script setup lang="ts">
import { computed, defineAsyncComponent, ref, useId, watch } from 'vue';
import dayjs from 'dayjs';
import { NButton, NInput, NPopover } from 'naive-ui';
import { IconCalendar } from '@tabler/icons-vue';
import { dateOrder, firstWeekday, fullDay, readDay } from './days';
import LabelledField from './LabelledField.vue';
import { useTyping } from './typing';

/** A day, typed as people say it ("25 Nov", "yesterday") or picked from a calendar; kept as YYYY-MM-DD. */
const props = defineProps<{ label: string; modelValue: string | null; optional?: boolean; trouble?: string | null; hideLabel?: boolean }>();
const emit = defineEmits<{ 'update:modelValue': [value: string | null] }>();
/** The calendar comes when it is asked for: it is larger than all other controls together. */
const NDatePicker = defineAsyncComponent(() => import('naive-ui/es/date-picker').then((m) => m.NDatePicker));
const id = useId();
const show = (iso: string | null) => (iso ? fullDay(iso) : '');
const text = ref(show(props.modelValue));
const own = ref<string | null>(null);
const open = ref(false);
const { typed: typing, taken } = useTyping(typed);
const problem = computed(() => own.value ?? props.trouble ?? null);
watch(
  () => [props.modelValue, dateOrder()],
  () => {
    if (!own.value) text.value = show(props.modelValue);
  },
);
const HINTS = { 'day-month-year': '25 Nov', 'month-day-year': 'Nov 25', 'year-month-day': '2026-11-25' } as const;

function typed() {
  taken();
  own.value = null;
  const t = text.value.trim();
  if (t === '' && props.optional) return emit('update:modelValue', null);
  const day = readDay(t);
  if (day === null) {
    own.value = `Type a day, such as ${HINTS[dateOrder()]} or yesterday.`;
    return;
  }
  text.value = show(day);
  emit('update:modelValue', day);
}
function picked(ms: number) {
  open.value = false;
  own.value = null;
  const day = dayjs(ms).format('YYYY-MM-DD');
  text.value = show(day);
  emit('update:modelValue', day);
}
</script>

<template>
  <LabelledField
    :label="label"
    :for-id="id"
    :problem="problem"
    :hide-label="hideLabel ?? false"
    :hint="text === '' ? `like ${HINTS[dateOrder()]}` : ''"
  >
    <NInput
      v-model:value="text"
      size="medium"
      placeholder=""
      :status="problem ? 'error' : undefined"
      :input-props="{
        id,
        autocomplete: 'off',
        'aria-invalid': problem ? 'true' : undefined,
        'aria-describedby': problem ? `${id}-e` : undefined,
      }"
      @input="typing"
      @change="typed"
      @keydown.enter="typed"
    >
      <template #suffix>
        <NPopover v-model:show="open" trigger="click" placement="bottom-end" raw :show-arrow="false">
          <template #trigger>
            <NButton text class="calendar" :aria-label="`${label}: open the calendar`" tabindex="-1"
              ><IconCalendar :size="20" stroke="1.7"
            /></NButton>
          </template>
          <!-- As large as the calendar will be, so that it opens where there is room. -->
          <div class="room">
            <NDatePicker
              panel
              type="date"
              :value="modelValue ? dayjs(modelValue).valueOf() : null"
              :actions="null"
              :first-day-of-week="firstWeekday()"
              @update:value="picked"
            />
          </div>
        </NPopover>
      </template>
    </NInput>
  </LabelledField>
</template>

<style scoped>
.room {
  min-width: 318px;
  min-height: 362px;
  background: var(--plate);
}
.calendar {
  min-width: 32px;
  min-height: 44px;
  justify-content: center;
  color: var(--rim);
}
</style>
