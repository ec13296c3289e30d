// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { computed, ref } from 'vue'
import { expect, it } from 'vitest'
import { Refused } from '@/api/client'
import ComingLines from './ComingLines.vue'

it('says that something is on its way until it is here, or was refused', async () => {
  const data = ref<unknown>()
  const refused = ref<Refused>()
  const of = { data, refused: computed(() => refused.value) }
  const shown = mount(ComingLines, { props: { of, lines: 3 } })
  expect(shown.text()).toContain('On its way')
  expect(shown.findAll('.placeholder')).toHaveLength(3)
  data.value = []
  await shown.vm.$nextTick()
  expect(shown.html()).not.toContain('placeholder')
  data.value = undefined
  refused.value = new Refused(500, 'The lab does not answer.')
  await shown.vm.$nextTick()
  expect(shown.html()).not.toContain('placeholder')
})
