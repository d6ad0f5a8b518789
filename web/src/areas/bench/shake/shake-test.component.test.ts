import { mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import ShakeTest from './ShakeTest.vue'

const shown = (modelValue: object | null) => mount(ShakeTest, { props: { modelValue: modelValue as never } })
const draft = (foundS: number, tried: object[] = []) => ({ way: 'stopwatch', foundS, frequencyHz: null, tried })

it('two presses of a stopwatch are a figure', async () => {
  const test = shown(null)
  const button = test.findAll('button').find((each) => each.text().startsWith('Stopwatch'))
  await button?.trigger('click')
  expect(test.text()).toContain('Still now')
  await button?.trigger('click')
  await nextTick()
  expect(test.emitted('update:modelValue')?.[0]?.[0]).toMatchObject({ way: 'stopwatch', tried: [] })
})
it.each([
  [draft(1.9), 'Still soon enough'],
  [draft(2.6), 'Usable'],
  [draft(3.4), 'Only low powers'],
  [draft(4, [{ what: 'leg locks', settleS: 1.5 }]), 'leg locks helped most: 2.5 s less'],
])('says what it is worth: %j', (model, words) => {
  expect(shown(model).text()).toContain(words)
})
