import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { router } from './router';
import './style.css';
import { guardForms } from './ui/guardForms';
import { freshAfterBuild } from './ui/freshAfterBuild';
import { lightUp } from './ui/look';

lightUp();
createApp(App).use(createPinia()).use(router).mount('#app');
guardForms(document);
freshAfterBuild();
