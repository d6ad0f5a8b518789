import { flushPromises, mount } from '@vue/test-utils'
import { defineComponent, h } from 'vue'
import { laterComponent } from './later-component.ts'

const Panel = defineComponent({ render: () => h('p', 'the case') })

test('a piece that could not be loaded leaves the page as it is, and comes when the line is back', async () => {
  const told: unknown[] = []
  let line = false
  const Later = laterComponent(async () => {
    if (!line) throw new Error('Unable to preload CSS for /assets/case.css')
    return { default: Panel }
  })
  const page = mount(() => h('main', ['the card', h(Later)]), {
    global: { config: { errorHandler: (error: unknown) => told.push(error) } },
  })
  await flushPromises()
  expect(page.text()).toBe('the card')
  expect(told).toEqual([])

  line = true
  window.dispatchEvent(new Event('online'))
  await flushPromises()
  expect(page.text()).toBe('the cardthe case')
})
