import { ref } from 'vue'
import { testKit, testMount, testPart } from '../../testing/kit-sheet.ts'
import { emptyCheck, type BalanceDraft } from './check-draft.ts'
import { useBalance } from './use-balance.ts'

const kit = (headMomentGmm: number | null = 0) => {
  const weights = [
    testPart('tube', { role: 'tube', massG: 3000, toleranceG: 30 }),
    testPart('weight', { role: 'counterweight', massG: 2000, toleranceG: 5 }),
    testPart('eyepiece', { role: 'low-eyepiece', massG: 100 }),
    testPart('barlow', { role: 'barlow', massG: 80 }),
  ]
  return testKit({ mount: testMount, headMomentGmm, parts: weights })
}
function balanceOf(draft: Partial<BalanceDraft> = {}, headMomentGmm: number | null = 0) {
  const state = ref<BalanceDraft>({ ...emptyCheck().balance, ...draft })
  const sheet = kit(headMomentGmm)
  return { draft: state, ...useBalance(state, () => sheet) }
}

// The shaft ends at 320, the weight is 40 thick. Tube 3000·160, eyepiece 100·(160 + 160·cos 38°): 254.3 mm is right.
const RIGHT_MM = (3000 * 160 + 100 * (160 + 160 * Math.cos((38 * Math.PI) / 180))) / 2000

it('says how far the weight stands from its right place, and which way it goes', () => {
  const { errorMm, falls, advice, nowMm } = balanceOf({ foundMm: 90 })
  expect(nowMm.value).toBeCloseTo(210, 9)
  expect(errorMm.value).toBeCloseTo(RIGHT_MM - 210, 9)
  expect(falls.value).toBe('tube')
  expect(advice.value).toBe(`Slide the weight outward by ${Math.round(RIGHT_MM - 210)} mm.`)
})

it('a hand that moves the weight writes nothing down until it lets go', () => {
  const { draft, moveTo, letGo, nowMm } = balanceOf({ foundMm: 90 })
  moveTo(240)
  expect([draft.value.foundMm, nowMm.value]).toEqual([90, 240])
  letGo()
  expect(draft.value.foundMm).toBeCloseTo(60, 9)
  letGo()
  expect(draft.value.foundMm).toBeCloseTo(60, 9)
})

it('moved: as found stays, and as left is measured anew, not taken for what was advised', () => {
  const { draft, moved, setBare, errorMm, forget } = balanceOf({ foundMm: 90 })
  moved()
  expect([draft.value.foundMm, draft.value.leftMm, errorMm.value]).toEqual([90, null, null])
  setBare(50)
  expect(draft.value).toMatchObject({ foundMm: 90, leftMm: 50, moved: true, stays: false })
  forget()
  expect(draft.value).toMatchObject({ foundMm: 90, leftMm: null, moved: false })
})

it('what stays is right by itself, and teaches the head', () => {
  const { draft, stays, errorMm, learnt, rightMm } = balanceOf({ foundMm: 70 }, null)
  expect([errorMm.value, rightMm.value]).toEqual([null, null])
  stays()
  expect(draft.value.stays).toBe(true)
  expect(errorMm.value).toBeCloseTo(0, 9)
  expect(learnt.value).toBeCloseTo((230 - RIGHT_MM) * 2000, 6)
  stays()
  expect([draft.value.stays, learnt.value]).toEqual([false, null])
})

it('before the head is known it asks for a balance by hand, and claims no figure', () => {
  expect(balanceOf({}, null).advice.value).toMatch(/^Balance it by hand/)
  expect(balanceOf({ foundMm: 70 }, null).advice.value).toMatch(/^Does it stay/)
  expect(balanceOf({ foundMm: 70 }, null).falls.value).toBeNull()
})

it('runs through the set-ups, and makes one’s own of what is ticked', () => {
  const { draft, nextSetUp, toggle, on } = balanceOf()
  for (const setUp of ['heaviest', 'lightest', 'usual']) {
    nextSetUp()
    expect(draft.value.setUp).toBe(setUp)
  }
  toggle('barlow')
  expect([draft.value.setUp, on.value]).toEqual(['own', ['tube', 'eyepiece', 'barlow']])
  toggle('eyepiece')
  expect(on.value).toEqual(['tube', 'barlow'])
  nextSetUp()
  expect(draft.value.setUp).toBe('lightest')
})

it.each([
  { foundMm: -2, words: /0 mm or more/ },
  { foundMm: 400, words: /the bare shaft is 220 mm long/ },
  { foundMm: 100, words: /^$/ },
])('$foundMm mm: $words', ({ foundMm, words }) => {
  expect(balanceOf({ foundMm }).badLength.value).toMatch(words)
})
