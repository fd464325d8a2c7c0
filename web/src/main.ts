import { createPinia } from 'pinia';
import { createApp } from 'vue';
import '@fontsource-variable/hanken-grotesk';
import '@fontsource-variable/jetbrains-mono';
import 'element-plus/dist/index.css';
import './look/tokens.css';
import './look/base.css';
import App from './shell/App.vue';
import { router } from './router';

createApp(App).use(createPinia()).use(router).mount('#app');
