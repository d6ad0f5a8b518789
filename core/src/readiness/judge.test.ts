import fc from 'fast-check'
import { roles, type Role } from '../contents/roles.ts'
import { reasonSentence } from '../words/readiness.ts'
import { conditions } from './condition.ts'
import { jobCodes } from './jobs.ts'
import { judgeReadiness } from './judge.ts'
import { hazardCodes, type JudgeInput, type Reading } from './judged.ts'

const atUtc = '2026-03-12T18:00:00Z'
const fresh = '2026-03-10T18:00:00Z'

const reading = (kind: Reading['kind'], rest: Partial<Reading> = {}): Reading => ({
  kind,
  value: 0,
  limit: 0,
  source: 'judged',
  atUtc: fresh,
  ...rest,
})
const fitReadings = [
  reading('glass'),
  reading('stand'),
  reading('collimation', { value: 0.4, limit: 0.66, source: 'typed' }),
  reading('finder', { value: 12, limit: 60, source: 'typed' }),
  reading('pack'),
]
/** A fit kit: everything else is one change away from it. */
const fit: JudgeInput = {
  model: {
    family: 'tabletop-reflector',
    optics: { apertureMm: 110, focalLengthMm: 480, kind: 'newtonian', collimatable: true },
    highestMagnification: 90,
  },
  parts: [
    { role: 'tube', mark: 'present' },
    { role: 'low-eyepiece', mark: 'present' },
    { role: 'coin-cell', mark: 'present' },
  ],
  readings: fitReadings,
  hazards: [],
  openJobs: [],
  policies: { maxAgeDays: 120, collimation: 'leave-it-to-us' },
  atUtc,
}
const withReading = (changed: Reading): JudgeInput => ({
  ...fit,
  readings: [...fitReadings.filter(({ kind }) => kind !== changed.kind), changed],
})
const withPart = (role: Role, mark: 'missing' | 'damaged' | 'wrong' | 'unseen'): JudgeInput => ({
  ...fit,
  parts: [...fit.parts, { role, mark }],
})

it('a kit with everything there and measured is fit, and says since when', () => {
  const { condition, reasons } = judgeReadiness(fit)
  expect(condition).toBe('full')
  expect(reasons).toEqual([expect.objectContaining({ code: 'ALL_GOOD', figures: { parts: 3, checkedAtUtc: fresh } })])
})

it('nothing measured is lend with a note: not measured', () => {
  const { condition, reasons } = judgeReadiness({ ...fit, readings: [] })
  expect(condition).toBe('half')
  expect(reasons[0]).toMatchObject({ code: 'NOT_MEASURED', figures: { missing: 5, needed: 5 } })
})

describe('parts', () => {
  it.each([
    { role: 'tube', mark: 'missing', condition: 'new', overrule: 'coordinator' },
    { role: 'tube', mark: 'damaged', condition: 'crescent', overrule: 'coordinator' },
    { role: 'low-eyepiece', mark: 'wrong', condition: 'new', overrule: 'coordinator' },
    { role: 'eyepiece', mark: 'missing', condition: 'half', overrule: 'coordinator' },
    { role: 'focuser-cap', mark: 'missing', condition: 'half', overrule: 'coordinator' },
    { role: 'sun-label', mark: 'missing', condition: 'crescent', overrule: 'coordinator' },
    { role: 'aa-cells', mark: 'missing', condition: 'crescent', overrule: 'coordinator' },
    { role: 'eyepiece', mark: 'unseen', condition: 'half', overrule: 'coordinator' },
  ] as const)('$role $mark: $condition', ({ role, mark, condition, overrule }) => {
    const judgement = judgeReadiness(withPart(role, mark))
    expect(judgement.condition).toBe(condition)
    expect(judgement.reasons[0]?.overrule).toBe(overrule)
  })

  it.each([
    'coin-cell',
    'weight-slug',
    'ring-clamp-screw',
    'dovetail-clamp-screw',
    'shaft-end-stop',
    'tray',
  ] as const)('a missing %s is held, and nobody may overrule it', (role) => {
    const { condition, reasons } = judgeReadiness(withPart(role, 'missing'))
    expect(condition).toBe('new')
    expect(reasons[0]?.overrule).toBe('never')
  })

  it('a missing coin cell asks for a word with the borrower now', () => {
    expect(judgeReadiness(withPart('coin-cell', 'missing')).reasons[0]?.remedy).toBe('ask-for-cell-now')
  })

  it('a screw-in sun filter holds the kit by being there; gone, it is forgotten', () => {
    const there = judgeReadiness({ ...fit, parts: [...fit.parts, { role: 'screw-in-sun-filter', mark: 'present' }] })
    expect(there.condition).toBe('new')
    expect(there.reasons[0]).toMatchObject({ code: 'HAZARD', overrule: 'never', remedy: 'withdraw-filter' })
    expect(judgeReadiness(withPart('screw-in-sun-filter', 'missing')).condition).toBe('full')
  })

  it('a list’s own word for how much a part is needed goes before the role’s', () => {
    const parts = [...fit.parts, { role: 'case', mark: 'missing', criticality: 'essential' } as const]
    expect(judgeReadiness({ ...fit, parts }).condition).toBe('new')
  })
})

describe('readings', () => {
  const off = reading('collimation', { value: 1.9, limit: 0.66, source: 'typed' })

  it('a mirror beyond its limit needs the bench where the case gives more than half the aperture of power', () => {
    const { condition, reasons } = judgeReadiness(withReading(off))
    expect(condition).toBe('crescent')
    expect(reasons[0]).toMatchObject({ code: 'COLLIMATION_BEYOND', figures: { value: 1.9, limit: 0.66 } })
  })

  it('and only a note where it gives less', () => {
    const model = { ...fit.model, highestMagnification: 55 }
    expect(judgeReadiness({ ...withReading(off), model }).condition).toBe('half')
  })

  it.each([
    { value: 0.66, condition: 'full' },
    { value: 0.661, condition: 'crescent' },
  ])('the limit itself still counts as within: $value', ({ value, condition }) => {
    expect(judgeReadiness(withReading({ ...off, value })).condition).toBe(condition)
  })

  it('a limit that lies inside the doubt is neither fit nor unfit', () => {
    const { condition, reasons } = judgeReadiness(withReading({ ...off, value: 0.6, uncertainty: 0.1 }))
    expect(condition).toBe('half')
    expect(reasons[0]?.code).toBe('COLLIMATION_UNSURE')
  })

  it('a finder beyond half the field needs the bench', () => {
    const { reasons } = judgeReadiness(withReading(reading('finder', { value: 61, limit: 60, source: 'typed' })))
    expect(reasons[0]).toMatchObject({ code: 'FINDER_OFF', condition: 'crescent' })
  })

  // What falls when it is let go stays in; what each borrower sets anew goes with a word.
  it.each([
    ['let-go', 'TIPS_OVER', 'crescent'],
    ['alignment', 'ALIGNMENT_OFF', 'half'],
    ['polar', 'POLAR_OFF', 'half'],
  ] as const)('%s at its limit is fine, beyond it %s', (kind, code, condition) => {
    expect(judgeReadiness(withReading(reading(kind, { value: 2, limit: 2 }))).condition).toBe('full')
    const beyond = judgeReadiness(withReading(reading(kind, { value: 2.1, limit: 2 })))
    expect(beyond).toMatchObject({ condition, reasons: [{ code, overrule: 'coordinator' }] })
  })
  it('a programme’s own limit goes before the reading’s', () => {
    const policies = { ...fit.policies, limits: { finder: 10 } }
    expect(judgeReadiness({ ...fit, policies }).reasons[0]?.code).toBe('FINDER_OFF')
  })

  it.each([
    { days: 120, condition: 'full' },
    { days: 121, condition: 'half' },
  ])('a reading of $days days against a limit of 120: $condition', ({ days, condition }) => {
    const at = new Date(Date.parse(atUtc) - days * 86_400_000).toISOString()
    expect(judgeReadiness(withReading(reading('glass', { atUtc: at }))).condition).toBe(condition)
  })

  it('of two readings of a kind the later one speaks', () => {
    const earlier = { ...off, atUtc: '2026-01-01T00:00:00Z' }
    expect(judgeReadiness({ ...fit, readings: [...fitReadings, earlier] }).condition).toBe('full')
  })

  it('judged kits need a star test instead of a mirror reading', () => {
    const model = { ...fit.model, optics: { ...fit.model.optics, collimatable: false } }
    expect(judgeReadiness({ ...fit, model }).reasons[0]).toMatchObject({ figures: { kinds: 'star' } })
    expect(judgeReadiness({ ...fit, model, readings: [...fitReadings, reading('star')] }).condition).toBe('full')
  })

  it('refuses an instant that is none', () => {
    expect(() => judgeReadiness({ ...fit, atUtc: 'yesterday' })).toThrow('atUtc')
  })
})

it('what endangers somebody can’t be overruled; water, insects and smoke can', () => {
  const overrules = hazardCodes.map((hazard) => [
    hazard,
    judgeReadiness({ ...fit, hazards: [hazard] }).reasons[0]?.overrule,
  ])
  expect(Object.fromEntries(overrules)).toEqual({
    'screw-in-sun-filter': 'never',
    'battery-door-open': 'never',
    'laser-in-case': 'never',
    wet: 'coordinator',
    'insects-or-smoke': 'coordinator',
  })
})

it('the worst reason wins and stands first, whatever else there is', () => {
  const roleNames = Object.keys(roles) as Role[]
  const part = fc.record({
    role: fc.constantFrom(...roleNames),
    mark: fc.constantFrom('present', 'missing', 'damaged', 'wrong', 'unseen' as const),
  })
  const job = fc.record({ code: fc.constantFrom(...jobCodes) })
  fc.assert(
    fc.property(fc.array(part), fc.array(job), fc.subarray([...hazardCodes]), (parts, openJobs, hazards) => {
      const { condition, reasons } = judgeReadiness({
        ...fit,
        parts: parts as JudgeInput['parts'],
        openJobs,
        hazards,
      })
      const ranks = reasons.map((reason) => conditions.indexOf(reason.condition))
      expect(ranks).toEqual([...ranks].sort((a, b) => b - a))
      expect(condition).toBe(reasons[0]?.condition)
      for (const reason of reasons) expect(reasonSentence(reason)).not.toMatch(/undefined|NaN|null/)
    }),
  )
})

it.each([
  { value: 0, condition: 'full', code: 'ALL_GOOD' },
  { value: 1, condition: 'full', code: 'ALL_GOOD' },
  { value: 2, condition: 'crescent', code: 'COMES_BACK_ELSEWHERE' },
])('a sliding tube whose test said $value is $condition, however long ago', ({ value, condition, code }) => {
  const long = '2024-03-10T18:00:00Z'
  const judged = judgeReadiness(withReading(reading('repeat', { value, limit: 1, atUtc: long })))
  expect(judged).toMatchObject({ condition, reasons: [{ code }] })
})

it('a weight that can’t balance its own heaviest set-up is lent with a word, measured or not', () => {
  const cantBalance = { setUp: 'heaviest', reason: 'too-light', extraMassG: 133.4 } as const
  const { condition, reasons } = judgeReadiness({ ...fit, cantBalance })
  expect(condition).toBe('half')
  expect(reasons.map(reasonSentence)).toEqual([
    'Its weight is 133 g too light for its heaviest set-up. Give it a weight that fits from the drawer, or leave out of the case what is too much.',
  ])
})

it.each([
  ['stay-here', 'damaged', 'FILTER_UNSAFE'],
  ['stay-here', 'wrong', 'FILTER_UNSAFE'],
  ['stay-here', 'present', 'FILTER_STAYS'],
  ['lent', 'damaged', 'FILTER_UNSAFE'],
  ['lent', 'wrong', 'FILTER_UNSAFE'],
  ['lent', 'present', null],
] as const)('a front filter where they are %s, %s: %s, and nobody overrules it', (frontFilters, mark, code) => {
  const parts = [...fit.parts, { role: 'front-filter' as const, mark }]
  const { reasons } = judgeReadiness({ ...fit, parts, policies: { ...fit.policies, frontFilters } })
  const found = reasons.filter((reason) => reason.code.startsWith('FILTER'))
  expect(found.map((reason) => [reason.code, reason.overrule])).toEqual(code ? [[code, 'never']] : [])
})

it.each([
  { value: 2.9, condition: 'full' },
  { value: 3.1, condition: 'half' },
])(
  'a stand that trembles for $value s after a tap is $condition: a word to the borrower, no bar',
  ({ value, condition }) => {
    const judged = judgeReadiness(withReading(reading('shake', { value, limit: 3, source: 'measured' })))
    expect(judged.condition).toBe(condition)
    if (condition === 'half')
      expect(reasonSentence(judged.reasons[0] as never)).toMatch(/^It shakes for 3.1 s after a tap/)
  },
)
