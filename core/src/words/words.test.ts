import { judgeReadiness } from '../readiness/judge.ts'
import { dateText, massText, mmPairText, moneyText } from './figures.ts'
import { primaryAdvice } from './collimation.ts'
import { lookSentence } from './look.ts'
import { differenceText, percentText } from './weigh-in.ts'
import { reasonClause, reasonSentence } from './readiness.ts'

it.each([
  { massG: 9, text: '9 g' },
  { massG: 999.4, text: '999 g' },
  { massG: 1984.47, text: '1.98 kg' },
  { massG: -0.2, text: '0 g' },
])('$massG g is “$text”', ({ massG, text }) => expect(massText(massG)).toBe(text))

it('never shows a reading and its limit as the same figure when they differ', () => {
  expect(mmPairText(0.68, 0.66)).toEqual(['0.68 mm', '0.66 mm'])
  expect(mmPairText(1.9, 0.66)).toEqual(['1.9 mm', '0.7 mm'])
})

it('knows the weekday of a leap day and refuses what is no date', () => {
  expect(dateText('2028-02-29')).toBe('Tue 29 Feb')
  expect(dateText('2026-11-25T23:30:00Z')).toBe('Wed 25 Nov')
  expect(() => dateText('soon')).toThrow('iso')
})

it('how long nobody looked, as one says it', () => {
  expect(lookSentence({ chance: 0.427, loans: 1 })).toContain('Not looked at for a loan: ')
  expect(lookSentence({ chance: 0.427, loans: 3 })).toContain('Not looked at for 3 loans: ')
  expect(lookSentence({ chance: 0.427, loans: 3 })).toContain('with 43 %')
})

it('money is whole where it is whole', () => {
  expect([moneyText(1250, 'EUR'), moneyText(4500, 'EUR')]).toEqual(['12.50 EUR', '45 EUR'])
})

it('says the figure, its limit and what to do next', () => {
  const { reasons } = judgeReadiness({
    model: {
      family: 'tabletop-reflector',
      optics: { apertureMm: 110, focalLengthMm: 480, kind: 'newtonian', collimatable: true },
      highestMagnification: 90,
    },
    parts: [{ role: 'tube', mark: 'present' }],
    readings: [{ kind: 'collimation', value: 1.9, limit: 0.66, source: 'typed', atUtc: '2026-03-10T18:00:00Z' }],
    hazards: [],
    openJobs: [],
    policies: { maxAgeDays: 120, collimation: 'leave-it-to-us' },
    atUtc: '2026-03-12T18:00:00Z',
  })
  const [worst] = reasons
  expect(worst && reasonSentence(worst)).toBe(
    'Primary off by 1.9 mm at the focal plane (limit 0.7 mm); its case gives 90×. Line up the primary at the bench.',
  )
})

it('an axis beside the pole is kept in minutes of arc and told in degrees', () => {
  const figures = { value: 90, limit: 30 }
  expect(reasonClause({ code: 'POLAR_OFF', figures } as unknown as Parameters<typeof reasonClause>[0])).toBe(
    'its axis points 1.5° beside the pole (limit 0.50°)',
  )
})

it('says which part of the cell goes towards the sky, from behind, never “out”', () => {
  expect(primaryAdvice({ x: 1, y: 0 })).toContain('on the focuser’s side must go towards the sky')
  expect(primaryAdvice({ x: 0, y: 1 })).toContain('at 3 o’clock')
  expect(primaryAdvice({ x: 0, y: -1 })).toMatch(/^From behind.*at 9 o’clock/)
})

it('what was only weighed is never sure, and a difference has its sign', () => {
  expect([0.991, 0.99, 0.504, 0].map(percentText)).toEqual(['over 99 %', '99 %', '50 %', '0 %'])
  expect([-126, 1984.47, 0.2, -0.2].map(differenceText)).toEqual(['−126 g', '+1.98 kg', '0 g', '0 g'])
})
