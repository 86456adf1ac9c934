<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue';
import { toGrams, type Ingredient } from '@roskel/core';
import { useSettings } from '../stores/settings';
import { grams } from '../format';

/** Takes what people say ("3 cloves", "1 1/2 cups") and echoes grams with what was assumed. */
const props = defineProps<{
  label: string;
  massG: number;
  words?: string | undefined;
  what: Pick<Ingredient, 'name' | 'pieces' | 'measure' | 'density' | 'key'>;
  trouble?: string | null;
  hideLabel?: boolean;
}>();
const emit = defineEmits<{ change: [massG: number, words: string] }>();
const settings = useSettings();
const id = useId();
const shown = () => props.words ?? (props.massG > 0 ? `${Number(props.massG.toFixed(1))} g` : '');
const text = ref(shown());
const own = ref<string | null>(null);
const focused = ref(false);

const read = computed(() => {
  try {
    return toGrams(text.value, props.what, settings.value.kitchen);
  } catch {
    return null;
  }
});
const problem = computed(() => own.value ?? props.trouble ?? null);
watch(
  () => [props.massG, props.words],
  () => {
    if (!focused.value && !own.value) text.value = shown();
  },
);

function typed() {
  own.value = null;
  try {
    const { massG } = toGrams(text.value, props.what, settings.value.kitchen);
    if (massG > 50_000) own.value = `${grams(massG)} is more than a kitchen holds. Check the amount.`;
    else if (Math.abs(massG - props.massG) > 1e-6 || text.value !== shown()) emit('change', massG, text.value.trim());
  } catch (e) {
    own.value = (e as Error).message;
  }
}
</script>

<template>
  <div class="amount">
    <label :for="id" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
    <input
      :id="id"
      v-model="text"
      class="entry"
      autocomplete="off"
      placeholder="0 g"
      :aria-invalid="problem ? 'true' : undefined"
      :aria-describedby="`${id}-d`"
      @focus="focused = true"
      @blur="focused = false"
      @change="typed"
      @keydown.enter="typed"
    />
    <span :id="`${id}-d`">
      <span v-if="problem" class="field-error" role="alert">{{ problem }}</span>
      <span v-else-if="read && (focused || words)" class="echo soft"
        >{{ grams(read.massG) }}<template v-if="read.assumed.length">, {{ read.assumed.join(', ') }}</template></span
      >
    </span>
  </div>
</template>

<style scoped>
.amount {
  min-width: 0;
}
label {
  display: block;
  font-size: 13px;
  color: var(--soft);
}
.entry {
  font-weight: 600;
}
.echo {
  font-size: 12.5px;
}
</style>
