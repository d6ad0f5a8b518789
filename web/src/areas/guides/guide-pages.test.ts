import { composeGuide, families, type Family, type GuideInput } from '@binoculum/core'
import type { IssuedGuide } from '@binoculum/contract'
import { chapterTitles, pagesOf, verdictWords } from './guide-pages.ts'

const input = (family: Family): GuideInput => ({
  kitName: 'Sorrel',
  kitCode: 'M-03',
  modelName: 'model',
  family,
  optics: { apertureMm: 130, focalLengthMm: 650, kind: 'newtonian', collimatable: true, collapsible: true },
  parts: [],
  collimationPolicy: 'leave-it-to-us',
  branchName: 'Marrowdale Library',
  emergencyLine: 'the emergency number',
  issuedOn: '2026-03-12',
  dueOn: '2026-03-26',
})

it.each(Object.keys(families) as Family[])(
  '%s: the Sun comes first, then the case, then every step once',
  (family) => {
    const guide = composeGuide(input(family)) as IssuedGuide
    const pages = pagesOf(guide)
    expect(pages.slice(0, 3).map(({ chapter }) => chapter)).toEqual(['sun', 'case', 'set-up'])
    const steps = pages.filter(({ chapter }) => chapter === 'set-up').map(({ step }) => step)
    expect(steps).toEqual([...guide.setUp.keys()])
    expect(pages.at(-1)).toEqual({ chapter: 'away', step: guide.putAway.length - 1 })
    for (const { chapter } of pages) expect(chapterTitles[chapter]).not.toBe('')
  },
)

it('says in words what a power is good for', () => {
  expect(Object.values(verdictWords).every((words) => words.length > 3)).toBe(true)
})
