import { createRouter, createWebHistory } from 'vue-router'
import CaseloadPage from './pages/CaseloadPage.vue'

export const router = createRouter({
  history: createWebHistory('/'),
  routes: [
    { path: '/', name: 'caseload', component: CaseloadPage },
    { path: '/sign-in', name: 'sign-in', component: () => import('./pages/SignInPage.vue'), meta: { open: true } },
    { path: '/set-up', name: 'set-up', component: () => import('./pages/SetUpPage.vue'), meta: { bare: true } },
    {
      path: '/join/:token',
      name: 'join',
      component: () => import('./pages/JoinPage.vue'),
      props: true,
      meta: { bare: true },
    },
    { path: '/clinic', name: 'people', component: () => import('./pages/PeoplePage.vue') },
    { path: '/learned', name: 'learned', component: () => import('./pages/LearnedPage.vue') },
    { path: '/audit', name: 'audit', component: () => import('./pages/AuditPage.vue') },
    { path: '/me', name: 'account', component: () => import('./pages/AccountPage.vue') },
    {
      path: '/children/:childId(\\d+)',
      component: () => import('./pages/ChildFrame.vue'),
      props: (route) => ({ childId: Number(route.params.childId) }),
      children: [
        { path: '', name: 'child', component: () => import('./pages/ChildPage.vue') },
        { path: 'cupboard', name: 'cupboard', component: () => import('./pages/CupboardPage.vue') },
        { path: 'stock', name: 'stock', component: () => import('./pages/StockPage.vue') },
        { path: 'library', name: 'library', component: () => import('./pages/LibraryPage.vue') },
        {
          path: 'library/:activityId',
          name: 'activity',
          component: () => import('./pages/ActivityPage.vue'),
          props: true,
        },
        { path: 'progress', name: 'progress', component: () => import('./pages/ProgressPage.vue') },
        { path: 'week', name: 'week', component: () => import('./pages/WeekPage.vue') },
        { path: 'plan', name: 'ask', component: () => import('./pages/AskPage.vue') },
      ],
    },
    { path: '/together/:groupId?', name: 'together', component: () => import('./pages/TogetherPage.vue'), props: true },
    {
      path: '/together/run/:runIds',
      name: 'run-together',
      component: () => import('./pages/RunTogetherPage.vue'),
      props: (route) => ({ runIds: String(route.params.runIds).split(',') }),
      meta: { bare: true },
    },
    { path: '/day/:day(\\d{4}-\\d{2}-\\d{2})?', name: 'day', component: () => import('./pages/DayPage.vue') },
    { path: '/bag', name: 'bag', component: () => import('./pages/BagPage.vue') },
    { path: '/plans/:planId', name: 'bench', component: () => import('./pages/BenchPage.vue'), props: true },
    {
      path: '/runs/:runId',
      name: 'run',
      component: () => import('./pages/RunPage.vue'),
      props: true,
      meta: { bare: true },
    },
    { path: '/runs/:runId/results', name: 'results', component: () => import('./pages/ResultsPage.vue'), props: true },
    { path: '/:anything(.*)', name: 'lost', component: () => import('./pages/LostPage.vue') },
  ],
  scrollBehavior: (_to, _from, saved) => saved ?? { top: 0 },
})
