import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { router } from './router';
import './style.css';
import { applyColours } from './theme';
import { guardForms } from './ui/guardForms';

applyColours(document.documentElement);
createApp(App).use(createPinia()).use(router).mount('#app');
guardForms(document);
