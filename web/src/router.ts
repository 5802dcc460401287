import { createRouter, createWebHistory } from 'vue-router'
import TodayPage from './pages/TodayPage.vue'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'today', component: TodayPage },
    {
      path: '/sign-in',
      name: 'sign-in',
      component: () => import('./pages/SignInPage.vue'),
      meta: { bare: true },
    },
    {
      path: '/first-run',
      name: 'first-run',
      component: () => import('./pages/FirstRunPage.vue'),
      meta: { bare: true },
    },
    { path: '/songs', name: 'songs', component: () => import('./pages/SongsPage.vue') },
    { path: '/songs/new', name: 'type-song', component: () => import('./pages/TypeSongPage.vue') },
    {
      path: '/songs/:id',
      name: 'song',
      component: () => import('./pages/SongPage.vue'),
      props: true,
    },
    {
      path: '/sections/:id',
      name: 'section',
      component: () => import('./pages/SectionPage.vue'),
      props: true,
    },
    {
      path: '/sections/:id/ledger',
      name: 'ledger',
      component: () => import('./pages/LedgerPage.vue'),
      props: true,
    },
    {
      path: '/sections/:id/year',
      name: 'year',
      component: () => import('./pages/YearPage.vue'),
      props: true,
    },
    {
      path: '/year/:grade?',
      name: 'school-year',
      component: () => import('./pages/SchoolYearPage.vue'),
      props: true,
    },
    { path: '/week', name: 'week', component: () => import('./pages/WeekPage.vue') },
    { path: '/ledger', name: 'ledgers', component: () => import('./pages/LedgersPage.vue') },
    {
      path: '/lessons/:id',
      name: 'lesson',
      component: () => import('./pages/LessonPage.vue'),
      props: true,
    },
    {
      path: '/lessons/:id/teach',
      name: 'teach',
      component: () => import('./pages/TeachPage.vue'),
      props: true,
      meta: { wide: true },
    },
    {
      path: '/lessons/:id/projector',
      name: 'projector',
      component: () => import('./pages/ProjectorPage.vue'),
      props: true,
      meta: { bare: true },
    },
    { path: '/kept', name: 'kept', component: () => import('./pages/KeptPage.vue') },
    { path: '/pieces', name: 'pieces', component: () => import('./pages/PiecesPage.vue') },
    {
      path: '/pieces/:id',
      name: 'piece',
      component: () => import('./pages/PiecePage.vue'),
      props: true,
    },
    {
      path: '/ladder/:choir?',
      name: 'ladder',
      component: () => import('./pages/LadderPage.vue'),
      props: true,
    },
    { path: '/sequence', name: 'sequence', component: () => import('./pages/SequencePage.vue') },
    { path: '/set-up', name: 'set-up', component: () => import('./pages/SetUpPage.vue') },
    { path: '/:rest(.*)', name: 'not-found', component: () => import('./pages/NotFoundPage.vue') },
  ],
})
