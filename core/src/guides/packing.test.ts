import { guideKit, guidePart } from '../testing/guide-kit.ts'
import { composeGuide } from './compose.ts'
import type { GuideInput } from './guide.ts'
import { packingSlots, picturesInGuide } from './packing.ts'

const kit: GuideInput = {
  ...guideKit,
  parts: (
    [
      ['tube', 'tube well'],
      ['tripod-legs', 'lower tray'],
      ['mount-head', 'lower tray'],
      ['low-eyepiece', 'eyepiece tray'],
      ['counterweight', ''],
    ] as const
  ).map(([role, place]) => guidePart(role, { place })),
}

it('may be shown by each place of the card, once, and by each step of putting away', () => {
  const slots = packingSlots(kit)
  const places = slots.filter(({ kind }) => kind === 'place')
  expect(places.map(({ key }) => key)).toEqual([
    'place tube well',
    'place lower tray',
    'place eyepiece tray',
    'place case',
  ])
  const steps = slots.filter(({ kind }) => kind === 'step').map(({ key }) => key.replace(/^step /, ''))
  expect(steps).toEqual([...new Set(composeGuide(kit).texts.en?.putAway.map(({ key }) => key))])
  expect(new Set(slots.map(({ key }) => key)).size).toBe(slots.length)
})

it('the guide shows a picture where it belongs and nowhere else, with its words in the borrower’s language', () => {
  const words = 'Mirror end to the left.'
  const step = packingSlots(kit).find(({ kind }) => kind === 'step')?.key ?? ''
  const guide = composeGuide({
    ...kit,
    packing: [
      { key: 'place tube well', pictureId: 'tube', words },
      { key: step, pictureId: 'step', words: '' },
      // Its place is on no card any more.
      { key: 'place attic', pictureId: 'old', words: '' },
    ],
    ownWords: { es: { [words]: 'El lado del espejo, a la izquierda.' } },
  })
  const { en, es } = guide.texts
  expect(en?.contents.map(({ lies }) => lies?.pictureId ?? null)).toEqual(['tube', null, null, null])
  expect(en?.contents[0]?.lies?.words).toBe(words)
  expect(es?.contents[0]?.lies?.words).toBe('El lado del espejo, a la izquierda.')
  expect(en?.putAway.map(({ key, lies }) => (lies ? `step ${key}` : '')).filter(Boolean)).toEqual([step])
  expect(en?.setUp.every(({ lies }) => !lies)).toBe(true)
  expect(picturesInGuide(guide)).toEqual(['tube', 'step'])
})

it('words that nobody translated are marked as English', () => {
  const packing = [{ key: 'place tube well', pictureId: 'tube', words: 'Mirror end to the left.' }]
  const { es } = composeGuide({ ...kit, packing }).texts
  expect(es?.contents[0]?.lies?.words).toEqual({ en: 'Mirror end to the left.' })
})
