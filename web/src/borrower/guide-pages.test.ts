import type { IssuedGuide } from '@binoculum/contract'
import { composeGuide, families, type Family, type GuideInput } from '@binoculum/core'
import { isChapter, pagesOf, spokenText, textOf } from './guide-pages.ts'

const input = (family: Family): GuideInput => ({
  kitName: 'Wren',
  kitCode: 'M-01',
  modelName: 'model',
  family,
  optics: { apertureMm: 110, focalLengthMm: 480, kind: 'newtonian', collimatable: true, collapsible: false },
  parts: [],
  collimationPolicy: 'leave-it-to-us',
  branchName: 'Library',
  emergencyLine: 'the emergency number',
  issuedOn: '2026-03-12',
  dueOn: '2026-03-26',
})
const guideOf = (family: Family) => composeGuide(input(family)) as IssuedGuide

it.each(Object.keys(families) as Family[])(
  '%s: begins with the Sun, has every step once, ends with the mirrors',
  (family) => {
    for (const language of ['en', 'es']) {
      const text = textOf(guideOf(family), language)
      const pages = pagesOf(text)
      expect(pages[0]?.block.key).toBe('sun')
      expect(pages.at(-1)?.block.key).toBe('mirror')
      const steps = pages.filter(({ step }) => step !== null)
      expect(steps).toHaveLength(text.setUp.length + text.putAway.length)
      expect(new Set(pages.map(({ key }) => key)).size).toBe(pages.length)
    }
  },
)

it('a language that a guide doesn’t hold is shown in English', () => {
  const guide = guideOf('tabletop-reflector')
  expect(textOf(guide, 'pl')).toBe(guide.texts.en)
  expect(() => textOf({ ...guide, texts: {} }, 'en')).toThrow('one language')
})

it('reads a page’s title, its lines and its caution aloud', () => {
  const pages = pagesOf(textOf(guideOf('equatorial-reflector'), 'en'))
  const legs = pages.find(({ step }) => step?.key === 'legs')
  expect(legs && spokenText(legs)).toMatch(/^Open the legs fully\. .*Fingers clear/)
})

it('a chapter of steps is headed once: by its own page of cautions, or on paper before its first step', () => {
  const parts = (['tube', 'counterweight', 'mount-head', 'tripod-legs', 'tray'] as const).map((role) => ({
    ...{ role, name: role, count: 1, mark: 'present' as const, massG: 100, place: 'Tray' },
  }))
  for (const given of [[], parts]) {
    const guide = composeGuide({ ...input('equatorial-reflector'), parts: given }) as IssuedGuide
    const pages = pagesOf(textOf(guide, 'en'))
    const heads = pages.filter((page, at) => page.key === 'away' || isChapter(page, pages[at - 1]))
    expect(heads.map(({ block }) => block.key)).toEqual(['set-up', 'away'])
  }
})
