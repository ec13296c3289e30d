// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { until } from '@/testing/server'
import SignInPage from './SignInPage.vue'

const nothing = { template: '<p />' }

async function page(answers: Response[]) {
  const sent: unknown[] = []
  vi.stubGlobal('fetch', async (request: Request) => {
    sent.push(JSON.parse(await request.text()))
    return answers.shift() ?? new Response('{}', { status: 500 })
  })
  const router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/:all(.*)*', component: nothing }] })
  await router.push('/sign-in?to=//elsewhere.example/')
  const shown = mount(SignInPage, { global: { plugins: [router, createPinia()] } })
  await shown.find('#login').setValue('tom')
  await shown.find('#password').setValue('harbour over gannet')
  return { shown, router, sent }
}
const refused = (field?: string) =>
  new Response(JSON.stringify({ status: 401, detail: 'Enter the code.', field }), { status: 401 })
const letIn = () =>
  new Response(JSON.stringify({ person: { login: 'tom' }, lacking: false, lab: 'L', zone: 'UTC', host: 'localhost' }))

it('asks for a code where the server wants one, and goes nowhere outside of the lab', async () => {
  const { shown, router, sent } = await page([refused('code'), letIn()])
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.find('#code').exists()).toBe(true))
  expect(shown.find('[role=alert]').exists()).toBe(false)
  await shown.find('#code').setValue('123456')
  await shown.find('form').trigger('submit')
  await until(() => expect(router.currentRoute.value.path).toBe('/desk'))
  expect(sent).toEqual([
    { login: 'tom', password: 'harbour over gannet' },
    { login: 'tom', password: 'harbour over gannet', code: '123456' },
  ])
})
it('asks for no code where the password is wrong', async () => {
  const { shown } = await page([refused()])
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.find('[role=alert]').text()).toBe('Enter the code.'))
  expect(shown.find('#code').exists()).toBe(false)
})
