/** The places of the application. Views are loaded when they are first gone to. */
import { createRouter, createWebHistory } from 'vue-router';
import { useSetup } from './stores/setup';

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/families' },
    {
      path: '/families',
      name: 'families',
      component: () => import('./families/FamiliesView.vue'),
      meta: { title: 'Families' },
    },
    {
      path: '/families/new',
      name: 'new',
      component: () => import('./families/NewFamilyView.vue'),
      // What is proposed there comes from the registry.
      beforeEnter: () => useSetup().ensure(),
      meta: { title: 'New family' },
    },
    {
      path: '/families/gather',
      name: 'gather',
      component: () => import('./gather/GatherView.vue'),
      meta: { title: 'Gather families' },
    },
    {
      path: '/families/:id',
      component: () => import('./families/FamilyView.vue'),
      meta: { title: 'Family' },
      children: [
        { path: '', name: 'family', component: () => import('./weave/WeaveTab.vue') },
        { path: 'words', name: 'words', component: () => import('./wording/WordsTab.vue') },
        { path: 'prices', name: 'prices', component: () => import('./money/PricesTab.vue') },
        { path: 'numbers', name: 'numbers', component: () => import('./numbers/NumbersTab.vue') },
        { path: 'pictures', name: 'pictures', component: () => import('./pictures/PicturesTab.vue') },
        { path: 'fit/:account', name: 'fit', component: () => import('./fit/FitTab.vue') },
        { path: 'journal', name: 'family-journal', component: () => import('./journal/JournalView.vue') },
      ],
    },
    { path: '/board', name: 'board', component: () => import('./board/BoardView.vue'), meta: { title: 'Fit board' } },
    {
      path: '/channels',
      name: 'channels',
      component: () => import('./channels/ChannelsView.vue'),
      meta: { title: 'Channels' },
    },
    {
      path: '/rules/:channel?',
      name: 'rulebook',
      component: () => import('./rulebook/RulebookView.vue'),
      meta: { title: 'Rules' },
    },
    {
      path: '/pictures',
      name: 'bring',
      component: () => import('./pictures/bring/BringView.vue'),
      meta: { title: 'Pictures' },
    },
    {
      path: '/pictures/brought/:id',
      name: 'settle',
      component: () => import('./pictures/bring/SettleView.vue'),
      meta: { title: 'Pictures' },
    },
    {
      path: '/intake/lists/:id',
      name: 'list',
      component: () => import('./intake/lists/ListView.vue'),
      meta: { title: 'Intake' },
    },
    { path: '/intake', name: 'intake', component: () => import('./intake/IntakeView.vue'), meta: { title: 'Intake' } },
    {
      path: '/dispatch',
      name: 'dispatch',
      component: () => import('./dispatch/DispatchView.vue'),
      meta: { title: 'Dispatch' },
    },
    {
      path: '/dispatch/new',
      name: 'compose',
      component: () => import('./dispatch/ComposeView.vue'),
      meta: { title: 'Dispatch' },
    },
    {
      path: '/dispatch/:id',
      name: 'receipt',
      component: () => import('./dispatch/DispatchView.vue'),
      meta: { title: 'Dispatch' },
    },
    {
      path: '/journal',
      name: 'journal',
      component: () => import('./journal/JournalView.vue'),
      meta: { title: 'Journal' },
    },
    { path: '/setup', name: 'setup', component: () => import('./setup/SetupView.vue'), meta: { title: 'Setup' } },
    {
      path: '/:rest(.*)*',
      name: 'nowhere',
      component: () => import('./shell/NowhereView.vue'),
      meta: { title: 'Nowhere' },
    },
  ],
});

/** Fetches the views that were not gone to yet, one after another. */
export async function fetchViews(): Promise<void> {
  for (const { components } of router.getRoutes()) {
    const view = components?.default as unknown;
    // A view that cannot be fetched now is fetched when somebody goes to it, and said so then.
    if (typeof view === 'function' && view.length === 0)
      await (view as () => Promise<unknown>)().catch(() => undefined);
  }
}
