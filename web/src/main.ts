import { createPinia } from 'pinia';
import { createApp } from 'vue';
import '@fontsource-variable/hanken-grotesk';
import '@fontsource-variable/jetbrains-mono';
import 'element-plus/dist/index.css';
import './look/tokens.css';
import './look/base.css';
import App from './shell/App.vue';
import { tell } from './api/api';
import { fetchViews, router } from './router';

router.onError((error) => tell(error));
createApp(App).use(createPinia()).use(router).mount('#app');
// Every view is there before somebody goes to it, so that it opens when the server is away.
void router.isReady().then(() => whenIdle(fetchViews));

function whenIdle(work: () => void): void {
  if ('requestIdleCallback' in window) requestIdleCallback(work, { timeout: 4000 });
  else setTimeout(work, 1500);
}
