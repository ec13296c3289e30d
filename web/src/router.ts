import { createRouter, createWebHistory } from 'vue-router'
import { onSignedOut } from './api/client'
import type { Room } from './shell/rooms'
import { useSession } from './staff/session'

declare module 'vue-router' {
  interface RouteMeta {
    /** Without the lab's own frame: signing in, and the customer's pages. */
    bare?: boolean
    /** Opens without signing in. */
    open?: boolean
    room?: Room
    title: string
  }
}

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/desk' },
    {
      path: '/sign-in',
      component: () => import('./staff/SignInPage.vue'),
      meta: { bare: true, open: true, title: 'Sign in' },
    },
    {
      path: '/setup',
      component: () => import('./staff/SetUpPage.vue'),
      meta: { bare: true, open: true, title: 'Set up' },
    },
    {
      path: '/d/:token',
      component: () => import('./portal/PortalPage.vue'),
      meta: { bare: true, open: true, title: 'Your files' },
    },
    { path: '/desk', component: () => import('./desk/DeskPage.vue'), meta: { room: 'desk', title: 'Desk' } },
    {
      path: '/intake',
      component: () => import('./intake/IntakePage.vue'),
      meta: { room: 'desk', title: 'New intake' },
    },
    { path: '/bench', component: () => import('./bench/BenchPage.vue'), meta: { room: 'bench', title: 'Bench' } },
    {
      path: '/handover',
      component: () => import('./handover/HandoverPage.vue'),
      meta: { room: 'handover', title: 'Handover' },
    },
    { path: '/ledger', component: () => import('./ledger/LedgerPage.vue'), meta: { room: 'ledger', title: 'Ledger' } },
    { path: '/outbox', component: () => import('./outbox/OutboxPage.vue'), meta: { room: 'desk', title: 'Outbox' } },
    {
      path: '/settings',
      component: () => import('./settings/SettingsPage.vue'),
      meta: { room: 'ledger', title: 'Settings' },
    },
    {
      path: '/cases/:number/intake',
      component: () => import('./intake/IntakePage.vue'),
      meta: { room: 'desk', title: 'Intake' },
    },
    {
      path: '/imaging/:id/report',
      component: () => import('./bench/ReportPage.vue'),
      meta: { room: 'bench', title: 'Imaging report' },
    },
    {
      path: '/cases/:number/:place?',
      component: () => import('./docket/DocketPage.vue'),
      meta: { room: 'desk', title: 'Case' },
    },
    {
      path: '/:rest(.*)',
      component: () => import('./shell/NothingHere.vue'),
      meta: { bare: true, open: true, title: 'Nothing here' },
    },
  ],
})

router.beforeEach(async (to) => {
  const session = useSession()
  await session.load()
  if (!to.meta.open && !session.person) return { path: '/sign-in', query: { to: to.fullPath } }
  return true
})

router.afterEach((to) => {
  document.title = `${to.params.number ? `${String(to.params.number)} · ` : ''}${to.meta.title} · Brantel`
})

onSignedOut(() => {
  const session = useSession()
  session.forget()
  if (!router.currentRoute.value.meta.open)
    void router.push({ path: '/sign-in', query: { to: router.currentRoute.value.fullPath } })
})
