import { cleanAnswers as clean, hazardsFrom, jobsForOutcome, jobsFrom, proposeOutcome } from './take-back.ts'

it('a clean return opens nothing', () => {
  expect([hazardsFrom(clean), jobsFrom(clean)]).toEqual([[], []])
})

it.each([
  { answers: { sunFilterFound: true }, hazard: 'screw-in-sun-filter' },
  { answers: { batteryDoorShut: false }, hazard: 'battery-door-open' },
  { answers: { wet: true }, hazard: 'wet' },
  { answers: { insectsOrSmoke: true }, hazard: 'insects-or-smoke' },
])('$answers brings $hazard to light', ({ answers, hazard }) => {
  expect(hazardsFrom({ ...clean, ...answers })).toEqual([hazard])
})

it.each([
  { answers: { dropped: true }, code: 'knock-check' },
  { answers: { glassWhole: false }, code: 'bench-wanted' },
  { answers: { whatDidNotWork: 'It sank.' }, code: 'reported-trouble' },
  { answers: { focuserSmooth: false }, code: 'bench-wanted' },
  { answers: { packCharged: false }, code: 'bench-wanted' },
  { answers: { wet: true }, code: 'drying' },
])('$answers opens the job $code', ({ answers, code }) => {
  expect(jobsFrom({ ...clean, ...answers }).map((job) => job.code)).toEqual([code])
})

it.each([
  { condition: 'full', outcome: 'shelf', jobs: 0 },
  { condition: 'half', outcome: 'shelf-with-note', jobs: 0 },
  { condition: 'crescent', outcome: 'bench', jobs: 1 },
  { condition: 'new', outcome: 'hold', jobs: 1 },
] as const)('$condition proposes $outcome', ({ condition, outcome, jobs }) => {
  expect(proposeOutcome({ condition, reasons: [] })).toBe(outcome)
  expect(jobsForOutcome(outcome)).toHaveLength(jobs)
})
