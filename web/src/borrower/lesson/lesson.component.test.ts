import { jest } from '@jest/globals'
import { composeLesson, type Lesson } from '@binoculum/core'
import { flushPromises, mount } from '@vue/test-utils'
import LessonPage from './LessonPage.vue'
import { useOrder } from './use-order.ts'

const lesson = (rest: object = {}): Lesson =>
  composeLesson({
    kitName: 'Wren',
    kitCode: 'M-01',
    modelName: 'tabletop reflector 114/450',
    family: 'tabletop-reflector',
    optics: { apertureMm: 114, focalLengthMm: 450, kind: 'newtonian', collimatable: true, collapsible: false },
    parts: [
      { name: 'Eyepiece 25 mm', role: 'low-eyepiece', mark: 'present', count: 1, focalLengthMm: 25 },
      { name: 'Eyepiece 10 mm', role: 'eyepiece', mark: 'present', count: 1, focalLengthMm: 10 },
    ],
    collimationPolicy: 'leave-it-to-us',
    branchName: 'Quillstead Library',
    emergencyLine: 'the poison line',
    issuedOn: '2026-04-17',
    dueOn: '2026-04-24',
    fromOn: '2026-04-17',
    ...rest,
  } as never)
const page = (given = lesson(), startLanguage = 'en') =>
  mount(LessonPage, {
    props: { lesson: given, token: 'thrush-meadow-lantern-27', startLanguage },
    global: { stubs: { GuideDrawing: true } },
  })
type Page = ReturnType<typeof page>
const press = async (shown: Page, words: string) => {
  const button = shown.findAll('button').find((each) => each.text().includes(words))
  if (!button) throw new Error(`no button says ${words}`)
  await button.trigger('click')
}
const putInOrder = async (shown: Page, given: Lesson) => {
  for (const { title } of given.texts.en?.steps ?? [])
    await press(shown, typeof title === 'string' ? title : title.en)
}
const sayAll = async (shown: Page, word: 'Fine' | 'Never') => {
  for (const button of shown.findAll('button').filter((each) => each.text() === word)) await button.trigger('click')
}

describe('putting in order', () => {
  const keys = ['legs', 'head', 'weight', 'tube']
  it('names the first that stands too early and what comes before it', () => {
    const order = useOrder(keys, 'M-01')
    for (const key of ['legs', 'weight', 'head', 'tube']) order.touch(key)
    expect(order.isWhole.value).toBe(true)
    expect(order.tooEarly.value).toEqual({ key: 'weight', before: 'head' })
  })
  it('touched again, one goes with all after it', () => {
    const order = useOrder(keys, 'M-01')
    for (const key of ['tube', 'legs', 'head']) order.touch(key)
    order.touch('legs')
    expect(order.chosen.value).toEqual(['tube'])
    expect(order.placeOf('head')).toBeNull()
  })
  it('is never offered in the right order', () => {
    expect(useOrder(keys, 'M-01').offered).not.toEqual(keys)
  })
})

it('can be said to be done only once all three were answered, rightly or not', async () => {
  const given = lesson()
  const shown = page(given)
  const done = () => shown.findAll('button').find((each) => each.text() === 'I went through it')
  await flushPromises()
  expect(done()?.attributes('disabled')).toBeDefined()
  await putInOrder(shown, given)
  expect(shown.text()).toContain('That is the order in which it goes together.')
  await press(shown, 'Eyepiece 10 mm')
  expect(shown.text()).toContain('begin with Eyepiece 25 mm')
  expect(done()?.attributes('disabled')).toBeDefined()
  await sayAll(shown, 'Never')
  expect(shown.text()).toContain('That one is fine.')
  expect(done()?.attributes('disabled')).toBeUndefined()
  const sent = jest.fn(async () => ({ ok: true }))
  globalThis.fetch = sent as never
  await done()?.trigger('click')
  await flushPromises()
  expect(sent).toHaveBeenCalledWith('/api/lessons/thrush-meadow-lantern-27/done', { method: 'POST' })
  expect(shown.text()).toContain('The library sees that you went through it.')
})

it('a line that is cut bars nobody', async () => {
  const given = lesson({ parts: [] })
  const shown = page(given)
  // Without eyepieces to choose from, that question isn't asked.
  expect(shown.text()).not.toContain('Which eyepiece first?')
  await putInOrder(shown, given)
  await sayAll(shown, 'Fine')
  globalThis.fetch = jest.fn(async () => Promise.reject(new Error('cut'))) as never
  await press(shown, 'I went through it')
  await flushPromises()
  expect(shown.text()).toContain('just come and fetch it')
})

it('speaks Spanish from its first word', () => {
  expect(page(lesson(), 'es').text()).toContain('¿En qué orden?')
})

it('what nobody translated yet is seen and heard as English', () => {
  const step = {
    ...{ key: 'own', phase: 'stand', part: null, title: 'Hang the lantern', feel: null, check: '', test: null },
    ...{ lines: [{ text: 'On the hook.', needs: null }], caution: null, drawing: null, needs: null },
  }
  const own = lesson({ procedure: { setUp: [step], takeApart: [] } })
  const english = (shown: Page) => shown.findAll('.foreign[lang="en"]').map((each) => each.text())
  expect(english(page(own, 'es'))).toContain('Hang the lantern')
  expect(english(page(own))).toEqual([])
})
