import { balancePart, kitOnMount, roundMount } from '../testing/kit-on-mount.ts'
import {
  balanceOf,
  bareShaftMm,
  cantBalance,
  collapsibleBalance,
  ironWeightMm,
  learntHeadMoment,
  positionFromBareShaft,
  ridingParts,
  setUpParts,
  spareThatWouldDo,
  tapeMarkMm,
} from './kit-balance.ts'

const head = roundMount.equatorial
if (!head) throw new Error('the round mount has a head')

describe('the three set-ups', () => {
  const parts = [
    ...kitOnMount().parts,
    balancePart('finder', 60),
    balancePart('front-cap', 90),
    balancePart('eyepiece', 250),
    balancePart('barlow', 80),
    balancePart('phone-holder', 130),
    balancePart('diagonal', 85, { mark: 'missing' }),
  ]
  it.each([
    { name: 'lightest', on: ['tube', 'finder'] },
    { name: 'usual', on: ['tube', 'finder', 'low-eyepiece'] },
    { name: 'heaviest', on: ['tube', 'finder', 'eyepiece', 'barlow', 'phone-holder'] },
  ] as const)('$name: $on', ({ name, on }) => expect(setUpParts(parts, name)).toEqual(on))
  it('caps and what is missing don’t ride', () => {
    const roles = ridingParts(parts).map(({ role }) => role)
    expect(roles).not.toContain('front-cap')
    expect(roles).not.toContain('diagonal')
  })
})

it('reckons every part at its own distance', () => {
  // Tube 3000·160; eyepiece 100·(160 + 160·cos 0°) = 100·320: 512,000 ÷ 2000 = 256.
  const { shaft, wantedMm, load } = balanceOf(kitOnMount(), ['tube', 'low-eyepiece'])
  expect(shaft?.positionMm).toBeCloseTo(256, 9)
  expect(wantedMm).toBeCloseTo(256, 9)
  expect(load).toMatchObject({ loadG: 3100, verdict: 'good' })
  // A finder at 90° adds at the tube's own distance: 60·160 ÷ 2000 = 4.8.
  const withFinder = balanceOf(kitOnMount([balancePart('finder', 60)]), ['tube', 'low-eyepiece', 'finder'])
  expect(withFinder.wantedMm).toBeCloseTo(260.8, 9)
})

it('a phone holder rides with the phone in it, and says so', () => {
  const kit = kitOnMount([balancePart('phone-holder', 130)])
  const on = ['tube', 'low-eyepiece', 'phone-holder']
  // 512,000 + (130 + 200)·320 = 617,600 ÷ 2000 = 308.8; of a ring of the same 330 g nothing else is asked.
  const { wantedMm, load, names } = balanceOf(kit, on)
  expect(wantedMm).toBeCloseTo(308.8, 9)
  expect(load?.loadG).toBe(3430)
  expect(names).toContain('phone-holder with a phone')
  const ring = kitOnMount([balancePart('camera-ring', 330)])
  expect(wantedMm).toBe(balanceOf(ring, ['tube', 'low-eyepiece', 'camera-ring']).wantedMm)
})

it('magnets opposite the roll count on the tube’s side and in the load', () => {
  const kit = kitOnMount()
  const [without, with200] = [0, 200].map((magnetsG) => balanceOf(kit, ['tube', 'low-eyepiece'], magnetsG))
  // Opposite 0° is towards the head: 200·(160 − 80) ÷ 2000 = 8 mm further out.
  expect((with200?.wantedMm ?? 0) - (without?.wantedMm ?? 0)).toBeCloseTo(8, 9)
  expect(with200?.load?.loadG).toBe(3300)
  // 100 g at 160 mm against the skin at 80 mm.
  expect(without?.counterMassG).toBeCloseTo(200, 9)
})

it('the bare shaft and the place of the weight turn into each other', () => {
  const { parts } = kitOnMount()
  expect(bareShaftMm(head, parts, 256)).toBeCloseTo(320 - 256 - 20, 9)
  expect(positionFromBareShaft(head, parts, bareShaftMm(head, parts, 200))).toBeCloseTo(200, 9)
})

it('a learnt moment moves every set-up by the same', () => {
  const kit = kitOnMount()
  const on = setUpParts(kit.parts, 'usual')
  const learnt = learntHeadMoment(kit, on, 240)
  expect(learnt).toBeCloseTo((240 - 256) * 2000, 6)
  expect(balanceOf({ ...kit, headMomentGmm: learnt }, on).wantedMm).toBeCloseTo(240, 9)
})

describe('a weight too small', () => {
  const heavy = () => kitOnMount([balancePart('camera-ring', 600)])
  const on = ['tube', 'low-eyepiece', 'camera-ring']
  it('says what is missing and which spare would do, the lightest first', () => {
    // 512,000 + 600·320 = 704,000: 352 mm, the shaft ends at 300.
    const { shaft } = balanceOf(heavy(), on)
    expect(shaft).toMatchObject({ reason: 'too-light', positionMm: null })
    expect(shaft?.extraMassG).toBeCloseTo(704_000 / 300 - 2000, 6)
    const spares = [1000, 200, 600].map((massG) => ({ massG }))
    const choice = spareThatWouldDo(heavy(), on, spares)
    expect(choice?.spare.massG).toBe(600)
    expect(choice?.positionMm).toBeCloseTo(704_000 / 2600, 6)
  })
  it('no spare, or none heavy enough, is no choice', () => {
    expect(spareThatWouldDo(heavy(), on, [])).toBeNull()
    expect(spareThatWouldDo(heavy(), on, [{ massG: 100 }, { massG: null }, { massG: 0 }])).toBeNull()
  })
  it('a second weight takes room on the shaft', () => {
    const both = [...heavy().parts, balancePart('counterweight', 1000, { id: 'second' })]
    const thin = ironWeightMm(1000).thicknessMm
    expect(bareShaftMm(head, both, 200)).toBeCloseTo(320 - 200 - (40 + thin) / 2, 9)
  })
})

it('an iron weight of 2 kg is about 92 mm across and 41 thick', () => {
  // r = ∛(2000 ÷ (0.9·π·0.0072)) = 46.1 mm.
  const { radiusMm, thicknessMm } = ironWeightMm(2000)
  expect(radiusMm ** 3 * 0.9 * Math.PI * 0.0072).toBeCloseTo(2000, 6)
  expect(thicknessMm / radiusMm).toBeCloseTo(0.9, 9)
})

describe('along the tube', () => {
  const kit = kitOnMount([balancePart('barlow', 100)])
  it('more at the sky end slides the tube back, and its line of tape forward', () => {
    // 100·200 = 20,000 more on 3200: −6.25 mm.
    const { tubeShiftMm } = balanceOf(kit, ['tube', 'low-eyepiece', 'barlow'])
    expect(tubeShiftMm).toBeCloseTo(-6.25, 9)
    expect(tapeMarkMm(tubeShiftMm ?? 0)).toBeCloseTo(6.25, 9)
  })
  it('the usual set-up has its line at 0, and taking off slides it up', () => {
    expect(balanceOf(kit, setUpParts(kit.parts, 'usual')).tubeShiftMm).toBe(0)
    // −100·200 on 3000: +6.67 mm.
    expect(balanceOf(kit, ['tube']).tubeShiftMm).toBeCloseTo(20_000 / 3000, 9)
  })
})

it('names what nobody weighed, and doesn’t pretend', () => {
  const kit = kitOnMount([balancePart('barlow', null)])
  expect(balanceOf(kit, ['tube', 'barlow']).unweighed).toEqual(['barlow'])
  const noWeight = { ...kit, parts: kit.parts.filter(({ role }) => role !== 'counterweight') }
  expect(balanceOf(noWeight, ['tube'])).toMatchObject({ shaft: null, wantedMm: null })
  const unknown = { ...kit, parts: [...noWeight.parts, balancePart('counterweight', null)] }
  expect(balanceOf(unknown, ['tube']).shaft).toBeNull()
})

it('a sliding tube that is level fitted is tail-heavy empty', () => {
  // Eyepiece 100·200 = 20,000 g·mm, at the open end 290 mm away: 69 g would level it empty.
  const level = collapsibleBalance(kitOnMount(), 0)
  expect(level?.emptyHangG).toBeCloseTo(20_000 / 290, 9)
  expect(level?.shiftMm).toBe(0)
  expect(collapsibleBalance(kitOnMount(), -50)?.shiftMm).toBeLessThan(0)
})

describe('whether the weight balances what the case can put on the tube', () => {
  // The weight's middle reaches 300 mm: 2000 g there make 600,000 g mm; the tube alone makes 480,000.
  it('is no question for a set-up that it reaches', () => expect(cantBalance(kitOnMount())).toBeNull())
  it('tells the heaviest that is beyond it, by the extra weight at the end', () => {
    // 3000·160 + (100 + 400)·320 = 640,000: 40,000 ÷ 300 mm = 133 g too little.
    const cant = cantBalance(kitOnMount([balancePart('camera-ring', 400)]))
    expect(cant).toMatchObject({
      setUp: 'heaviest',
      reason: 'too-light',
      extraMassG: expect.closeTo(40_000 / 300, 6),
    })
  })
  it('tells the lightest that is lighter than the weight at the head', () => {
    // At its nearest the middle stands at 80 mm: 6200·80 = 496,000, more than the tube, less than with the eyepiece.
    const parts = kitOnMount().parts.map((part) => (part.role === 'counterweight' ? { ...part, massG: 6200 } : part))
    expect(cantBalance({ ...kitOnMount(), parts })).toMatchObject({ setUp: 'lightest', reason: 'too-heavy' })
  })
  it('judges by what the case holds: the phone that a borrower puts in its holder is shown, not judged', () => {
    // 480,000 + (100 + 200)·320 = 576,000 is reached; with a phone of 200 g 640,000 would not be.
    const kit = kitOnMount([balancePart('phone-holder', 200)])
    expect(cantBalance(kit)).toBeNull()
    expect(balanceOf(kit, setUpParts(kit.parts, 'heaviest')).shaft?.reason).toBe('too-light')
  })
  it('says nothing of a mount that nobody measured, or a weight of unknown mass', () => {
    expect(cantBalance({ ...kitOnMount(), mount: { ...roundMount, equatorial: null } })).toBeNull()
    const unknown = kitOnMount().parts.filter(({ role }) => role !== 'counterweight')
    expect(cantBalance({ ...kitOnMount(), parts: [...unknown, balancePart('counterweight', null)] })).toBeNull()
  })
})
