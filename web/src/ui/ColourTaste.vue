<script setup lang="ts">
import { COLOUR_FAMILIES, FLAVOUR_WORDS, type BlendWish, type ColourFamily, type Flavour } from '@roskel/core';

/** Which way a mix should look and taste. `share` is the least share of it that carries the colour or the taste. */
const props = defineProps<{ share: { colour: number; flavour: number } }>();
const wish = defineModel<Pick<BlendWish, 'colour' | 'flavours'>>({ required: true });
const value = (e: Event) => (e.target as HTMLSelectElement).value;
const look = (e: Event) =>
  (wish.value = { ...wish.value, colour: value(e) ? { family: value(e) as ColourFamily, share: props.share.colour } : null });
const taste = (e: Event) =>
  (wish.value = { ...wish.value, flavours: value(e) ? [{ flavour: value(e) as Flavour, share: props.share.flavour }] : [] });
</script>

<template>
  <select class="small-entry" aria-label="Colour of the mix" :value="wish.colour?.family ?? ''" @change="look">
    <option value="">any colour</option>
    <option v-for="f in COLOUR_FAMILIES" :key="f" :value="f">mostly {{ f }}</option>
  </select>
  <select class="small-entry" aria-label="Taste of the mix" :value="wish.flavours[0]?.flavour ?? ''" @change="taste">
    <option value="">any taste</option>
    <option v-for="f in FLAVOUR_WORDS" :key="f" :value="f">{{ f }}</option>
  </select>
</template>
