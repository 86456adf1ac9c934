<script setup lang="ts">
import { COLOUR_FAMILIES, FLAVOUR_WORDS, type BlendWish, type ColourFamily, type Flavour } from '@roskel/core';
import PickField from '../ui/PickField.vue';

/** Which way a mix should look and taste. `share` is the least share of it that carries the colour or the taste. */
const props = defineProps<{ share: { colour: number; flavour: number } }>();
defineOptions({ inheritAttrs: false });
const wish = defineModel<Pick<BlendWish, 'colour' | 'flavours'>>({ required: true });
const colours = [{ value: '', label: 'any colour' }, ...COLOUR_FAMILIES.map((f) => ({ value: f, label: `mostly ${f}` }))];
const tastes = [{ value: '', label: 'any taste' }, ...FLAVOUR_WORDS.map((f) => ({ value: f, label: f }))];
const look = (family: string) =>
  (wish.value = { ...wish.value, colour: family ? { family: family as ColourFamily, share: props.share.colour } : null });
const taste = (flavour: string) =>
  (wish.value = { ...wish.value, flavours: flavour ? [{ flavour: flavour as Flavour, share: props.share.flavour }] : [] });
</script>

<template>
  <PickField
    v-bind="$attrs"
    small
    hide-label
    label="Colour of the mix"
    :model-value="wish.colour?.family ?? ''"
    :options="colours"
    @update:model-value="look"
  />
  <PickField
    v-bind="$attrs"
    small
    hide-label
    label="Taste of the mix"
    :model-value="wish.flavours[0]?.flavour ?? ''"
    :options="tastes"
    @update:model-value="taste"
  />
</template>
