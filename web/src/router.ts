/** The places of the application. Views are loaded when they are first gone to. */
import { createRouter, createWebHistory } from 'vue-router';

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/families' },
    { path: '/families', name: 'families', component: () => import('./views/FamiliesView.vue'), meta: { title: 'Families' } },
    { path: '/families/new', name: 'new', component: () => import('./views/NewFamilyView.vue'), meta: { title: 'New family' } },
    {
      path: '/families/:id', component: () => import('./views/FamilyView.vue'), meta: { title: 'Family' },
      children: [
        { path: '', name: 'family', component: () => import('./views/WeaveTab.vue') },
        { path: 'words', name: 'words', component: () => import('./views/WordsTab.vue') },
        { path: 'pictures', name: 'pictures', component: () => import('./views/PicturesTab.vue') },
        { path: 'fit/:channel', name: 'fit', component: () => import('./views/FitTab.vue') },
        { path: 'journal', name: 'family-journal', component: () => import('./views/JournalView.vue') },
      ],
    },
    { path: '/channels', name: 'channels', component: () => import('./views/ChannelsView.vue'), meta: { title: 'Channels' } },
    { path: '/intake', name: 'intake', component: () => import('./views/IntakeView.vue'), meta: { title: 'Intake' } },
    { path: '/dispatch', name: 'dispatch', component: () => import('./views/DispatchView.vue'), meta: { title: 'Dispatch' } },
    { path: '/dispatch/new', name: 'compose', component: () => import('./views/ComposeView.vue'), meta: { title: 'Dispatch' } },
    { path: '/dispatch/:id', name: 'receipt', component: () => import('./views/DispatchView.vue'), meta: { title: 'Dispatch' } },
    { path: '/journal', name: 'journal', component: () => import('./views/JournalView.vue'), meta: { title: 'Journal' } },
    { path: '/setup', name: 'setup', component: () => import('./views/SetupView.vue'), meta: { title: 'Setup' } },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./views/NowhereView.vue'), meta: { title: 'Nowhere' } },
  ],
});
