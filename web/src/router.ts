import { createRouter, createWebHistory, type RouteRecordRaw } from 'vue-router';
import { IconBasket, IconBook2, IconBottle, IconPepper, IconScale, IconSun, IconTimeline } from '@tabler/icons-vue';
import type { Component } from 'vue';
import { watchWays } from './ui/remember';

/** A place of the house: what the rail shows and which key leads there. A new place is a line here and a page. */
export interface Place {
  name: string;
  title: string;
  path: string;
  key: string;
  icon: Component;
}
export const PLACES: readonly Place[] = [
  { name: 'today', title: 'Today', path: '/today', key: 't', icon: IconSun },
  { name: 'batches', title: 'Batches', path: '/batches', key: 'b', icon: IconTimeline },
  { name: 'pods', title: 'Pods', path: '/pods', key: 'p', icon: IconPepper },
  { name: 'larder', title: 'Larder', path: '/larder', key: 'l', icon: IconBasket },
  { name: 'shelf', title: 'Shelf', path: '/shelf', key: 's', icon: IconBottle },
  { name: 'bench', title: 'Bench', path: '/bench', key: 'e', icon: IconScale },
  { name: 'guide', title: 'Guide', path: '/guide', key: 'i', icon: IconBook2 },
];

const routes: RouteRecordRaw[] = [
  { path: '/', redirect: '/today' },
  { path: '/today', name: 'today', meta: { title: 'Today' }, component: () => import('./places/TodayPage.vue') },
  { path: '/batches', name: 'batches', meta: { title: 'Batches' }, component: () => import('./places/BatchesPage.vue') },
  { path: '/batches/from-a-recipe', name: 'recipe', meta: { title: 'From a recipe' }, component: () => import('./places/RecipePage.vue') },
  { path: '/batches/ideas', name: 'ideas', meta: { title: 'What could I make?' }, component: () => import('./places/IdeasPage.vue') },
  { path: '/batches/season', name: 'season', meta: { title: 'The season' }, component: () => import('./places/SeasonPage.vue') },
  { path: '/batches/scores', name: 'scores', meta: { title: 'How good were we?' }, component: () => import('./places/ScoresPage.vue') },
  { path: '/batches/:id', name: 'batch', meta: { title: '' }, component: () => import('./places/BatchPage.vue') },
  { path: '/side-by-side', name: 'compare', meta: { title: 'Side by side' }, component: () => import('./places/ComparePage.vue') },
  { path: '/batches/:id/cost', name: 'cost', meta: { title: 'what it costs' }, component: () => import('./places/CostPage.vue') },
  { path: '/batches/:id/pods', name: 'choose', meta: { title: 'choose the pods' }, component: () => import('./places/ChoosePage.vue') },
  { path: '/batches/:id/counter', name: 'counter', meta: { title: 'at the counter' }, component: () => import('./places/CounterPage.vue') },
  { path: '/batches/:id/trim/:station', name: 'trim', meta: { title: 'put it right' }, component: () => import('./places/TrimPage.vue') },
  { path: '/pods', name: 'pods', meta: { title: 'Pods' }, component: () => import('./places/PodsPage.vue') },
  { path: '/pods/varieties', name: 'varieties', meta: { title: 'Varieties' }, component: () => import('./places/VarietiesPage.vue') },
  { path: '/larder/tools', name: 'tools', meta: { title: 'Things of the kitchen' }, component: () => import('./places/ToolsPage.vue') },
  { path: '/larder/devices', name: 'devices', meta: { title: 'Devices' }, component: () => import('./places/DevicesPage.vue') },
  { path: '/larder/table', name: 'ingredients', meta: { title: 'Ingredients' }, component: () => import('./places/IngredientsPage.vue') },
  { path: '/bench/:tool?', name: 'bench', meta: { title: 'Bench' }, component: () => import('./places/BenchPage.vue') },
  { path: '/larder', name: 'larder', meta: { title: 'Larder' }, component: () => import('./places/LarderPage.vue') },
  { path: '/guide/try', name: 'trainer', meta: { title: 'Try yourself' }, component: () => import('./places/TrainerPage.vue') },
  { path: '/guide/:topic?', name: 'guide', meta: { title: 'Guide' }, component: () => import('./places/GuidePage.vue') },
  { path: '/shelf/:id/label', name: 'label', meta: { title: 'labels' }, component: () => import('./places/LabelPage.vue') },
  { path: '/shelf/:id', name: 'bottling', meta: { title: 'bottles' }, component: () => import('./places/BottlingPage.vue') },
  { path: '/record/:kind/:id', name: 'record', meta: { title: 'record' }, component: () => import('./places/RecordPage.vue') },
  { path: '/shelf', name: 'shelf', meta: { title: 'Shelf' }, component: () => import('./places/ShelfPage.vue') },
  { path: '/log', name: 'log', meta: { title: 'What was done' }, component: () => import('./places/LogPage.vue') },
  { path: '/enter', name: 'enter', meta: { title: 'The door' }, component: () => import('./places/EnterPage.vue') },
  { path: '/:rest(.*)*', name: 'nowhere', meta: { title: 'Nothing here' }, component: () => import('./places/NowherePage.vue') },
];

export const router = createRouter({ history: createWebHistory(), routes });
watchWays(router);
