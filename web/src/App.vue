<script setup lang="ts">
import { ref, onMounted } from 'vue';
import { RouterLink, RouterView, useRoute, useRouter } from 'vue-router';
import { NConfigProvider } from 'naive-ui';
import { IconArrowBackUp, IconKeyboard, IconSettings } from '@tabler/icons-vue';
import { PLACES } from './router';
import { naive } from './theme';
import { useKeys } from './ui/keys';
import { useUndo } from './stores/undo';
import { useSettings } from './stores/settings';
import { useNotices } from './stores/notices';
import { bench } from './worker/client';
import HelpSheet from './ui/HelpSheet.vue';
import SettingsSheet from './ui/SettingsSheet.vue';
import NoticeList from './ui/NoticeList.vue';

const route = useRoute();
const router = useRouter();
const undo = useUndo();
const settings = useSettings();
const notices = useNotices();
const help = ref(false);
const setup = ref(false);

/** Pages that belong to a place of the rail. */
const WITHIN: Record<string, string> = { batch: 'batches', choose: 'batches', varieties: 'pods', ingredients: 'larder' };
const here = (name: string) => (WITHIN[String(route.name)] ?? String(route.name)) === name;

useKeys('Everywhere', [
  ...PLACES.map((p) => ({ key: p.key, says: `go to ${p.title}`, run: () => void router.push(p.path) })),
  { key: '/', says: 'find', run: () => document.querySelector<HTMLInputElement>('[data-find]')?.focus() },
  { key: '?', says: 'this list of keys', run: () => (help.value = true) },
  { key: 'ctrl+z', says: 'undo', run: () => void undo.undo() },
]);
onMounted(() => {
  settings.load().catch((e: unknown) => notices.fail(e));
  void bench().warm();
});
</script>

<template>
  <NConfigProvider :theme-overrides="naive" class="shell">
    <nav class="rail" aria-label="Places">
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
      <button type="button" :disabled="!undo.last" :title="undo.last ? `Undo: ${undo.last}` : 'Nothing to undo'" @click="undo.undo()">
        <IconArrowBackUp :size="22" stroke="1.7" aria-hidden="true" />Undo
      </button>
      <button type="button" class="wide" @click="help = true"><IconKeyboard :size="22" stroke="1.7" aria-hidden="true" />Keys</button>
      <button type="button" @click="setup = true"><IconSettings :size="22" stroke="1.7" aria-hidden="true" />Kitchen</button>
    </nav>
    <main>
      <RouterView />
    </main>
    <HelpSheet v-model:show="help" />
    <SettingsSheet v-model:show="setup" />
    <NoticeList />
  </NConfigProvider>
</template>

<style scoped>
.shell {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  height: 100%;
}
.rail {
  background: var(--rim);
  color: #fff;
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
.rail button {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 2px;
  padding: 7px 0;
  min-height: 54px;
  justify-content: center;
  color: #dfe6f0;
  text-decoration: none;
  font-size: 12.5px;
  border: 0;
  background: none;
  border-left: 4px solid transparent;
  border-right: 4px solid transparent;
  cursor: pointer;
}
.rail button:disabled {
  opacity: 0.45;
  cursor: default;
}
.rail a.here {
  background: var(--ground);
  color: var(--rim);
  font-weight: 700;
  border-left-color: var(--heat);
}
.rail :focus-visible {
  outline-color: #f3c46c;
  outline-offset: -3px;
}
.gap {
  flex: 1;
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
  .rail {
    order: 2;
    flex-direction: row;
    padding: 0;
    overflow-x: auto;
  }
  .mark,
  .gap,
  .wide {
    display: none !important;
  }
  .rail a,
  .rail button {
    flex: 1;
    min-width: 60px;
    border: 0;
    border-top: 4px solid transparent;
  }
  .rail a.here {
    border-top-color: var(--heat);
  }
}
</style>
