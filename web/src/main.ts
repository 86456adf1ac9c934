import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { router } from './router';
import './style.css';
import { applyColours } from './theme';
import { guardForms } from './ui/guardForms';
import { freshAfterBuild } from './ui/freshAfterBuild';

applyColours(document.documentElement);
createApp(App).use(createPinia()).use(router).mount('#app');
guardForms(document);
freshAfterBuild();
