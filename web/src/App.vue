<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue';
import { RouterLink, RouterView, useRoute, useRouter } from 'vue-router';
import { NButton, NConfigProvider, NMessageProvider } from 'naive-ui';
import { IconArrowBackUp, IconArrowForwardUp, IconKeyboard, IconSettings } from '@tabler/icons-vue';
import { fromHere } from './api/client';
import { PLACES } from './router';
import commonDark from 'naive-ui/es/_styles/common/dark';
import { naive } from './theme';
import { colours, dark } from './ui/look';
import { useKeptFocus } from './ui/keepFocus';
import { useKeys } from './ui/keys';
import { useClash } from './stores/clash';
import { useUndo } from './stores/undo';
import { useSettings } from './stores/settings';
import { lazySheet } from './ui/lazySheet';
import { useNotices } from './stores/notices';
import PhoneBar from './house/PhoneBar.vue';
import { useNarrow } from './ui/useNarrow';
import NoticeList from './house/NoticeList.vue';
import MakerChip from './makers/MakerChip.vue';
import { useDrafts } from './house/useDrafts';
import MovesBar from './house/MovesBar.vue';
import AlarmBar from './counter/AlarmBar.vue';

const route = useRoute();
const router = useRouter();
const undo = useUndo();
const settings = useSettings();
const notices = useNotices();
useDrafts();
const clash = useClash();
/** Sheets come when they are first opened. */
const ClashSheet = lazySheet(() => import('./ui/ClashSheet.vue'));
const HelpSheet = lazySheet(() => import('./house/HelpSheet.vue'));
const SettingsSheet = lazySheet(() => import('./house/SettingsSheet.vue'));
/** Before the door: nothing is read, and no place is shown. */
const outside = computed(() => route.name === 'enter' || (route.name === undefined && location.pathname === '/enter'));
const narrow = useNarrow(720);
/** The library's own parts on dark ground; their colours are ours. */
const night = { name: 'night', common: commonDark };
const theme = computed(() => naive(colours.value));
const page = ref<HTMLElement>();
useKeptFocus(page);
const help = ref(false);
const setup = ref(false);

/** Pages that belong to a place of the rail. */
watch(
  () => route.path,
  (path) => (undo.screen = path),
  { immediate: true },
);
const WITHIN: Record<string, string> = {
  ...{
    batch: 'batches',
    choose: 'batches',
    trim: 'batches',
    counter: 'batches',
    ideas: 'batches',
    season: 'batches',
    recipe: 'batches',
    compare: 'batches',
    cost: 'batches',
  },
  ...{ bottling: 'shelf' },
  ...{ varieties: 'pods', ingredients: 'larder', tools: 'larder', devices: 'larder', label: 'shelf', trainer: 'guide' },
};
const here = (name: string) => (WITHIN[String(route.name)] ?? String(route.name)) === name;

useKeys('Everywhere', [
  ...PLACES.map((p) => ({ key: p.key, says: `go to ${p.title}`, run: () => void router.push(p.path) })),
  { key: '/', says: 'find', run: () => document.querySelector<HTMLInputElement>('[data-find]')?.focus() },
  { key: '?', says: 'this list of keys', run: () => (help.value = true) },
  { key: 'ctrl+z', says: 'undo', run: () => void undo.undo() },
  { key: 'ctrl+shift+z', says: 'redo', run: () => void undo.redo() },
]);
onMounted(() => {
  if (outside.value) return;
  settings.load().catch((e: unknown) => notices.fail(e));
});
</script>

<template>
  <NConfigProvider :theme="dark ? night : null" :theme-overrides="theme" class="shell" :class="{ outside }">
    <a class="skip" href="#page" @click.prevent="page?.focus()">To the page</a>
    <PhoneBar v-if="!outside && narrow" :here="here" @settings="setup = true" />
    <nav v-else-if="!outside" class="rail" aria-label="Places">
      <span class="mark">Roskel</span>
      <RouterLink
        v-for="p in PLACES"
        :key="p.name"
        :to="p.path"
        :class="{ here: here(p.name) }"
        :aria-current="here(p.name) ? 'page' : undefined"
      >
        <component :is="p.icon" :size="24" stroke="1.7" aria-hidden="true" />
        {{ p.title }}
      </RouterLink>
      <span class="gap" />
      <MakerChip />
      <NButton quaternary :disabled="!undo.last" :title="undo.last ? `Undo: ${undo.last}` : 'Nothing to undo here'" @click="undo.undo()">
        <span class="in"><IconArrowBackUp :size="22" stroke="1.7" aria-hidden="true" />Undo</span>
      </NButton>
      <NButton v-if="undo.next" quaternary :title="`Redo: ${undo.next}`" @click="undo.redo()">
        <span class="in"><IconArrowForwardUp :size="22" stroke="1.7" aria-hidden="true" />Redo</span>
      </NButton>
      <NButton quaternary @click="help = true"
        ><span class="in"><IconKeyboard :size="22" stroke="1.7" aria-hidden="true" />Keys</span></NButton
      >
      <NButton quaternary @click="setup = true"
        ><span class="in"><IconSettings :size="22" stroke="1.7" aria-hidden="true" />Kitchen</span></NButton
      >
    </nav>
    <main id="page" ref="page" tabindex="-1">
      <AlarmBar v-if="!outside" />
      <p v-if="fromHere" class="from-here no-print" role="status">
        The server does not answer. What stands here was last read on this device: it may be otherwise now.
      </p>
      <MovesBar v-if="!outside" />
      <RouterView />
    </main>
    <HelpSheet v-model:show="help" />
    <ClashSheet :show="clash.asked !== null" :clashes="clash.asked?.clashes ?? []" @settle="clash.asked?.settle($event)" />
    <SettingsSheet v-model:show="setup" />
    <NMessageProvider placement="bottom-right" :max="4"><NoticeList /></NMessageProvider>
  </NConfigProvider>
</template>

<style scoped>
.shell {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  height: 100%;
}

.shell.outside {
  grid-template-columns: 1fr;
}
.rail {
  background: var(--rail);
  color: var(--rail-ink);
  display: flex;
  flex-direction: column;
  padding-bottom: 8px;
}
.mark {
  font:
    700 19px 'Bricolage Grotesque Variable',
    sans-serif;
  text-align: center;
  padding: 15px 0 17px;
}
.rail a,
.rail :deep(.in) {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 2px;
  padding: 7px 0;
  min-height: 54px;
  justify-content: center;
  color: var(--rail-ink);
  text-decoration: none;
  font-size: 13px;
  border: 0;
  background: none;
  border-left: 4px solid transparent;
  border-right: 4px solid transparent;
  cursor: pointer;
}
.rail :deep(.n-button) {
  --n-text-color: var(--rail-ink);
  --n-text-color-hover: var(--rail-ink);
  --n-text-color-pressed: var(--rail-ink);
  --n-text-color-focus: var(--rail-ink);
  --n-text-color-disabled: var(--rail-ink);
  --n-color-quaternary-hover: transparent;
  --n-border-radius: 0;
  height: 54px;
  padding: 0;
}
.rail a.here {
  background: var(--ground);
  color: var(--rim);
  font-weight: 700;
  border-left-color: var(--heat);
}
.rail :focus-visible {
  outline-color: var(--glow);
  outline-offset: -3px;
}
.gap {
  flex: 1;
}
/* The first stop of the keyboard: past the rail. */
.skip {
  position: absolute;
  z-index: 30;
  left: 8px;
  top: -60px;
  padding: 10px 16px;
  background: var(--plate);
  border: 2px solid var(--rim);
  border-radius: 10px;
}
.skip:focus {
  top: 8px;
}
main:focus {
  outline: none;
}
main > .from-here {
  margin: 0;
  padding: 8px 20px;
  background: var(--warn-plate);
}
main {
  overflow: auto;
  min-width: 0;
}
@media (max-width: 720px) {
  .shell {
    grid-template-columns: 1fr;
    grid-template-rows: 1fr auto;
  }
}
</style>
