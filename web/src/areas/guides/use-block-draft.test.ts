import { spokenBlock, useBlockDraft } from './use-block-draft.ts'

const power = { key: 'power', language: 'en', title: 'Lowest power first', text: 'Begin low.' }
const place = { key: 'place', language: 'en', title: 'A good place', text: 'Firm ground.' }

it('is clean until something is typed, and again once that counts', () => {
  const { draft, dirty, start, change } = useBlockDraft()
  start(power)
  expect(dirty.value).toBe(false)
  change({ text: 'Begin very low.' })
  expect(dirty.value).toBe(true)
  start({ ...power, text: 'Begin very low.' })
  expect([dirty.value, draft.value.text]).toEqual([false, 'Begin very low.'])
})

it('words left unsaved are there when one comes back, in their own language', () => {
  const { draft, start, change } = useBlockDraft()
  start(power)
  change({ text: 'Half a sentence' })
  start(place)
  expect(draft.value.text).toBe('Firm ground.')
  start({ ...power, language: 'es', text: 'Empieza bajo.' })
  expect(draft.value.text).toBe('Empieza bajo.')
  start(power)
  expect(draft.value.text).toBe('Half a sentence')
})

it('what is typed while the server answers isn’t lost', () => {
  const { draft, dirty, start, change } = useBlockDraft()
  start(power)
  change({ text: 'Begin very low.' })
  change({ text: 'Begin very low. And wait.' })
  start({ ...power, text: 'Begin very low.' })
  expect([draft.value.text, dirty.value]).toEqual(['Begin very low. And wait.', true])
})

it('is read with its variables put in and its tags gone', () => {
  expect(spokenBlock('[barlow] The {barlow} last.\n{nobody} is here.', { barlow: 'Barlow 2×' })).toBe(
    'The Barlow 2× last.\nnobody is here.',
  )
})
