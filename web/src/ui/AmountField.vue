<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue';
import { NInput } from 'naive-ui';
import { toGrams, type Ingredient } from '@roskel/core';
import { grams, inManner } from '../format';
import LabelledField from './LabelledField.vue';
import { manner } from './manner';
import { useTyping } from './typing';

/** Takes what people say ("3 cloves", "1 1/2 cups") and echoes grams with what was assumed. */
const props = defineProps<{
  label: string;
  massG: number;
  words?: string | undefined;
  what: Pick<Ingredient, 'name' | 'pieces' | 'measure' | 'density' | 'key'>;
  trouble?: string | null;
  hideLabel?: boolean;
  small?: boolean;
}>();
const emit = defineEmits<{ change: [massG: number, words: string] }>();
const id = useId();
const shown = () => props.words ?? (props.massG > 0 ? grams(props.massG) : '');
const text = ref(shown());
const own = ref<string | null>(null);
const focused = ref(false);
const { typed: typing, taken } = useTyping(typed);

/** A bare number is what this kitchen's scale shows. */
const inGrams = () => toGrams(text.value, props.what, manner.kitchen, manner.weight === 'lb' ? 'oz' : 'g');
const read = computed(() => {
  try {
    return inGrams();
  } catch {
    return null;
  }
});
const problem = computed(() => own.value ?? props.trouble ?? null);
watch(shown, (now, before) => {
  // With the cursor in it, only what was not touched follows.
  if (!own.value && (!focused.value || text.value === before)) text.value = now;
});

function typed() {
  taken();
  own.value = null;
  if (text.value === shown()) return;
  try {
    const { massG } = inGrams();
    if (massG > 50_000) own.value = `${grams(massG)} is more than a kitchen holds. Check the amount.`;
    else emit('change', massG, text.value.trim());
  } catch (e) {
    own.value = (e as Error).message;
  }
}
</script>

<template>
  <LabelledField :label="label" :for-id="id" :problem="problem" :hide-label="hideLabel ?? false">
    <NInput
      v-model:value="text"
      class="figure"
      :size="small ? 'small' : 'medium'"
      :placeholder="manner.weight === 'lb' ? '0 oz, 2 tbsp' : '0 g, 2 tbsp'"
      :status="problem ? 'error' : undefined"
      :input-props="{
        id,
        autocomplete: 'off',
        'aria-invalid': problem ? 'true' : undefined,
        'aria-describedby': `${id}-d`,
      }"
      @focus="focused = true"
      @input="typing"
      @blur="focused = false"
      @change="typed"
      @keydown.enter="typed"
    />
    <template #below>
      <span :id="`${id}-d`" class="echo soft">
        <template v-if="read && (focused || words)"
          >{{ grams(read.massG) }}<template v-if="read.assumed.length">, {{ inManner(read.assumed.join(', ')) }}</template></template
        >
      </span>
    </template>
  </LabelledField>
</template>

<style scoped>
.echo {
  display: block;
  font-size: 13px;
  line-height: 1.3;
}
.echo:empty {
  display: none;
}
</style>
