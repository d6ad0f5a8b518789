import { jest } from '@jest/globals'
import { flushPromises, mount } from '@vue/test-utils'
import { reactive } from 'vue'
import { serverWith } from '../../../testing/answers.ts'
import { idOf } from '../../../testing/ids.ts'
import BenchLight from './BenchLight.vue'

const yard = {
  ...{ id: idOf('yard'), branchId: idOf('b1'), branchName: 'Marrowdale Library', version: 1, name: 'Library yard' },
  ...{ zone: 'UTC', latitudeDeg: 0, longitudeDeg: 0, heightM: null, needleDeg: null, needleOn: null },
  needle: { declinationDeg: null, source: 'unknown', changeDegPerYear: null, reason: null },
}
const light = () => mount(BenchLight, { props: { branchId: idOf('b1'), modelValue: reactive({ shaded: null }) } })
const atHour = (hour: number) => {
  const now = new Date(Date.UTC(2026, 2, 20, hour))
  jest.useFakeTimers({ now, doNotFake: ['setTimeout', 'setImmediate', 'queueMicrotask', 'nextTick'] })
  serverWith({ '/api/sites': { sites: [yard], nowUtc: now.toISOString() } })
}
afterEach(() => jest.useRealTimers())

it('by night no question of the Sun is shown, not even while the places are on their way', async () => {
  atHour(0)
  const shown = light()
  expect(shown.find('[role=radiogroup]').exists()).toBe(false)
  expect(shown.text()).toContain('Looking where the Sun stands')
  await flushPromises()
  expect(shown.text()).toContain('It is night at Library yard')
  expect(shown.find('[role=radiogroup]').exists()).toBe(false)
})

it('by day it is asked, and a no shuts', async () => {
  atHour(12)
  const shown = light()
  await flushPromises()
  expect(shown.find('[role=radiogroup]').exists()).toBe(true)
  await shown.find('input[value=false]').setValue()
  expect(shown.text()).toContain('Cap on now')
})

it('a server that says nothing leaves the question standing', async () => {
  serverWith({})
  const shown = light()
  await flushPromises()
  expect(shown.find('[role=radiogroup]').exists()).toBe(true)
})
