// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { fakeServer, until } from '@/testing/server'
import ImageGone from './ImageGone.vue'

const server = fakeServer()
const shown = () => mount(ImageGone, { props: { number: 'BR-1' }, global: { stubs: { RouterLink: true } } })

it('says which image is not there any more, and what can still be done', async () => {
  server.answer('GET /api/cases/BR-1/images', [
    { sessions: [4, 2], file: '/lab/cases/BR-1/images/2.img', there: false },
    { sessions: [1], file: '/lab/cases/BR-1/images/1.img', there: true },
  ])
  const strip = shown()
  await until(() => expect(strip.findAll('.gone')).toHaveLength(1))
  expect(strip.text().replace(/\s+/g, ' ')).toContain('The image of sessions 4, 2 is not where it was written')
  expect(strip.text().replace(/\s+/g, ' ')).toContain('Put the file back there, or read the device again')
})
it('says nothing while all are there', async () => {
  server.answer('GET /api/cases/BR-1/images', [{ sessions: [1], file: '/x', there: true }])
  const strip = shown()
  await until(() => expect(server.sent).toHaveLength(1))
  expect(strip.find('.gone').exists()).toBe(false)
})
