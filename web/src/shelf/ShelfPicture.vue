<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import type { BottlingRecord } from '@roskel/contract';
import { plural, today } from '../format';
import BottleShape from '../ui/BottleShape.vue';
import { byPlace, lasting, useFirst } from './standing';

/** What stands where: each place with its bottles on a board, how long they are good for, what lives, what to use first. */
const props = defineProps<{ items: readonly BottlingRecord[] }>();
const MOST = 8;
const places = computed(() => byPlace(props.items));
const first = computed(() => useFirst(props.items, today()));
/** Kinds that a board has room for: those that must go first. */
const ROOM = 12;
const count = (items: readonly BottlingRecord[]) => items.reduce((s, b) => s + b.left, 0);
</script>

<template>
  <div class="places">
    <section
      v-for="p in places"
      :key="p.place"
      class="place"
      :class="p.place"
      :style="{ flexGrow: Math.max(1, p.items.length * 2) }"
      :aria-label="p.name"
    >
      <h2>
        {{ p.name }} <span class="soft">{{ plural(count(p.items), 'bottle') }}</span>
      </h2>
      <p v-if="p.items.length === 0" class="soft">Nothing stands here.</p>
      <div v-else class="board">
        <RouterLink
          v-for="b in p.items.slice(0, ROOM)"
          :key="b.id"
          class="group"
          :to="{ name: 'bottling', params: { id: b.id } }"
          :data-standing="b.id"
        >
          <span class="bottles">
            <BottleShape v-for="n in Math.min(b.left, MOST)" :key="n" :hex="b.hex" :fill="1" :live="b.state === 'live'" :size="92" />
            <span v-if="b.left > MOST" class="soft">+{{ b.left - MOST }}</span>
          </span>
          <span class="tag" :class="{ late: lasting(b, today()).late }">
            <b>{{ b.name }}</b>
            <span class="left"><i :style="{ width: `${100 * lasting(b, today()).share}%` }" /></span>
            <span>{{ lasting(b, today()).text }}</span>
            <span v-if="b.state === 'live'" class="flag">live</span>
            <span v-if="first?.id === b.id" class="flag use">use first</span>
          </span>
        </RouterLink>
        <span v-if="p.items.length > ROOM" class="soft rest">and {{ plural(p.items.length - ROOM, 'kind') }} more</span>
      </div>
    </section>
  </div>
</template>

<style scoped>
.places {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
}
.place {
  flex: 1 1 240px;
  min-width: 0;
  border: 2px solid var(--rim);
  border-radius: 12px;
  background: var(--plate);
  padding: 8px 12px 10px;
}
.place.fridge {
  background: color-mix(in srgb, var(--acid) 9%, var(--plate));
}
.place.freezer {
  background: color-mix(in srgb, var(--rim) 12%, var(--plate));
}
.place.bin {
  border-color: var(--warn);
  background: var(--warn-plate);
}
h2 {
  margin: 0 0 4px;
  display: flex;
  justify-content: space-between;
}
h2 span {
  font-weight: 400;
}
.board {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
}
.rest {
  align-self: center;
}
.group {
  color: inherit;
  text-decoration: none;
  min-width: 0;
}
.bottles {
  display: flex;
  align-items: end;
  gap: 3px;
  border-bottom: 7px solid var(--rim);
  padding: 0 6px;
  min-height: 96px;
}
.bottles :deep(svg) {
  margin-bottom: -3px;
}
.tag {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 8px;
  font-size: 14px;
  padding-top: 4px;
  max-width: 240px;
}
.tag b {
  flex-basis: 100%;
}
.group:hover b {
  text-decoration: underline;
}
.left {
  width: 64px;
  height: 7px;
  border-radius: 4px;
  background: var(--line);
  overflow: hidden;
}
.left i {
  display: block;
  height: 100%;
  background: var(--acid);
}
.late {
  color: var(--warn);
}
.flag {
  border: 1.5px solid var(--warn);
  color: var(--warn);
  border-radius: 6px;
  padding: 0 6px;
  font-weight: 600;
}
.flag.use {
  border-color: var(--rim);
  color: var(--ink);
  background: var(--active);
}
</style>
