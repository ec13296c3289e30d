import { createRouter, createWebHistory, type RouteLocationNormalized } from 'vue-router'
import { onSignedOut } from '@/api/client'
import { tellAsked, tellPart } from '@/api/link'
import type { Room } from './rooms'
import { DeskPage } from '@/features/desk'
import { NewPasswordPage, SetUpPage, SignInPage, useSession } from '@/features/staff'

declare module 'vue-router' {
  interface RouteMeta {
    /** Without the lab's own frame: signing in, and the customer's pages. */
    bare?: boolean
    /** Opens without signing in. */
    open?: boolean
    room?: Room
    /** People type all the time here, so no single letter acts. */
    typing?: boolean
    title: string
  }
}

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/desk' },
    {
      path: '/sign-in',
      component: SignInPage,
      meta: { bare: true, open: true, title: 'Sign in' },
    },
    {
      path: '/setup',
      component: SetUpPage,
      meta: { bare: true, open: true, title: 'Set up' },
    },
    {
      path: '/new-password',
      component: NewPasswordPage,
      meta: { bare: true, open: true, title: 'New password' },
    },
    {
      path: '/own',
      component: () => import('@/features/entry').then((m) => m.OwnPage),
      meta: { room: 'ledger', title: 'Your sign-in' },
    },
    {
      path: '/people',
      component: () => import('@/features/entry').then((m) => m.PeoplePage),
      meta: { room: 'ledger', title: 'People' },
    },
    {
      path: '/d/:token',
      component: () => import('@/features/portal').then((m) => m.PortalPage),
      meta: { bare: true, open: true, title: 'Your files' },
    },
    {
      path: '/desk',
      component: DeskPage,
      meta: { room: 'desk', title: 'Desk' },
    },
    {
      path: '/intake',
      component: () => import('@/features/intake').then((m) => m.IntakePage),
      meta: { room: 'desk', typing: true, title: 'New intake' },
    },
    {
      path: '/bench',
      component: () => import('@/features/bench').then((m) => m.BenchPage),
      meta: { room: 'bench', title: 'Bench' },
    },
    {
      path: '/handover',
      component: () => import('@/features/handover').then((m) => m.HandoverPage),
      meta: { room: 'handover', title: 'Handover' },
    },
    {
      path: '/ledger',
      component: () => import('@/features/ledger').then((m) => m.LedgerPage),
      meta: { room: 'ledger', title: 'Ledger' },
    },
    {
      path: '/day',
      component: () => import('@/features/day').then((m) => m.DayPage),
      meta: { room: 'ledger', title: 'The day' },
    },
    {
      path: '/lab-record',
      component: () => import('@/features/labrecord').then((m) => m.LabRecordPage),
      meta: { room: 'ledger', title: 'The lab’s own record' },
    },
    {
      path: '/arrivals/:id?',
      component: () => import('@/features/labs').then((m) => m.ArrivalsPage),
      meta: { room: 'desk', title: 'From other labs' },
    },
    {
      path: '/outbox',
      component: () => import('@/features/outbox').then((m) => m.OutboxPage),
      meta: { room: 'desk', title: 'Outbox' },
    },
    {
      path: '/settings',
      component: () => import('@/features/settings').then((m) => m.SettingsPage),
      meta: { room: 'ledger', title: 'Settings' },
    },
    {
      path: '/cases/:number/intake',
      component: () => import('@/features/intake').then((m) => m.IntakePage),
      meta: { typing: true, room: 'desk', title: 'Intake' },
    },
    {
      path: '/imaging/:id/report',
      component: () => import('@/features/bench').then((m) => m.ReportPage),
      meta: { room: 'bench', title: 'Imaging report' },
    },
    {
      path: '/cases/:number/:place?',
      component: () => import('@/features/docket').then((m) => m.DocketPage),
      meta: { room: 'desk', title: 'Case' },
    },
    {
      path: '/:rest(.*)',
      component: () => import('@/ui/NothingHere.vue'),
      meta: { bare: true, open: true, title: 'Nothing here' },
    },
  ],
})

/** All that is open to whom the lab wants a second factor of first. */
const OWN = '/own'

/** Ends what is said of the page that is on its way. */
let arrived: (answered: boolean) => void = () => undefined

/**
 * Fetches a page's part while the server is asked who is signed in. Where that fails, the router asks again
 * and says so.
 */
function fetchAhead(to: RouteLocationNormalized): void {
  for (const { components } of to.matched) {
    const part: unknown = components?.default
    if (typeof part === 'function') (part as () => Promise<unknown>)().catch(() => undefined)
  }
}

router.beforeEach(async (to) => {
  arrived(false)
  arrived = tellAsked(true)
  fetchAhead(to)
  const session = useSession()
  await session.load()
  if (!to.meta.open && !session.person) return { path: '/sign-in', query: { to: to.fullPath } }
  if (!to.meta.open && session.lacking && to.path !== OWN) return OWN
  return true
})

router.onError((_, to) => {
  arrived(false)
  tellPart(to.fullPath)
})

router.afterEach((to) => {
  arrived(false)
  tellPart(undefined)
  document.title = `${to.params.number ? `${String(to.params.number)} · ` : ''}${to.meta.title} · Brantel`
})

onSignedOut(() => {
  const session = useSession()
  session.forget()
  if (!router.currentRoute.value.meta.open)
    void router.push({ path: '/sign-in', query: { to: router.currentRoute.value.fullPath } })
})
