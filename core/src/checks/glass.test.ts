import { glassAdvice, glassGrades, glassTroubles, type GlassGrades } from './glass.ts'

const clean: GlassGrades = { dust: 'none', fungus: 'none', scratches: 'none', coating: 'none' }
const advice = (
  grades: Partial<GlassGrades>,
  earlier: GlassGrades | null = null,
  daysSinceCleaning: number | null = null,
) => glassAdvice({ ...clean, ...grades }, { grades: earlier, daysSinceCleaning })

it.each(glassGrades)('%s dust is never a reason to keep a kit in', (dust) =>
  expect(advice({ dust }).judged).toBe('fine'),
)

it.each([
  ['none', null, 'not-now', 'hardly-costs-light'],
  ['little', null, 'not-now', 'hardly-costs-light'],
  ['much', null, 'by-one-who-knows', 'much-dust'],
  ['much', 90, 'blow', 'cleaned-lately'],
  ['much', 900, 'by-one-who-knows', 'much-dust'],
] as const)('%s dust, cleaned %s days ago: %s', (dust, days, way, cleanWhy) => {
  expect(advice({ dust }, null, days)).toMatchObject({ clean: way, cleanWhy })
})

it('a little fungus is enough: apart, dry, and no cloth', () => {
  expect(advice({ fungus: 'little', dust: 'much' })).toMatchObject({
    ...{ judged: 'not-fine', keepApart: true, clean: 'not-now', cleanWhy: 'fungus-first' },
  })
})

it('wear that was there before is known wear; more of it is not', () => {
  const worn = { ...clean, scratches: 'much', coating: 'much' } as const
  expect(advice(worn, worn)).toMatchObject({ judged: 'fine', worse: [] })
  expect(advice({ scratches: 'much' }, clean)).toMatchObject({ judged: 'not-fine', worse: ['scratches'] })
  // Nobody looked before: nobody says that it is new.
  expect(advice(worn)).toMatchObject({ judged: 'fine', worse: [] })
})

it('less than before is nothing worse', () => {
  const all = Object.fromEntries(glassTroubles.map((each) => [each, 'much'])) as unknown as GlassGrades
  expect(advice({}, all).worse).toEqual([])
})
