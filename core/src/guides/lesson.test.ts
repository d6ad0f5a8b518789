import { families, type Family, type Role } from '../contents/roles.ts'
import { englishOf, guideKit, guidePart as part } from '../testing/guide-kit.ts'
import type { GuideInput } from './guide.ts'
import { composeLesson, mixed } from './lesson.ts'
import { translator } from './languages/guide-languages.ts'
import { isEnglish, plain } from './said.ts'
import { kitInHand, setUpSteps } from './set-up-steps.ts'

const eyepiece = (mm: number, role: Role = 'eyepiece') =>
  part(role, { name: `Eyepiece ${mm} mm`, focalLengthMm: mm, apparentFieldDeg: 50 })

const base: GuideInput & { fromOn: string } = {
  ...guideKit,
  parts: [
    ...[part('tube'), part('tripod-legs'), part('tray'), part('mount-head'), part('counterweight')],
    ...[eyepiece(10), eyepiece(25, 'low-eyepiece'), part('finder', { name: 'Red-dot finder' })],
  ],
  fromOn: '2026-03-12',
}
const english = (input: GuideInput & { fromOn: string }) => englishOf(composeLesson(input))

it.each(Object.keys(families) as Family[])('%s: has steps to order, what never, and speaks Spanish', (family) => {
  const lesson = composeLesson({ ...base, family })
  const { en, es } = lesson.texts
  expect(en?.steps.length).toBeGreaterThanOrEqual(4)
  expect(en?.steps.length).toBeLessThanOrEqual(5)
  expect(new Set(en?.steps.map(({ key }) => key)).size).toBe(en?.steps.length)
  expect(en?.acts.map(({ never }) => never)).toEqual(expect.arrayContaining([true, false]))
  expect(es?.acts.every(({ act, why }) => !isEnglish(act) && !isEnglish(why))).toBe(true)
  expect(lesson.drawn.family).toBe(family)
})

it('the weight goes on before the tube, and taking it off first is what never happens', () => {
  const { steps, acts } = english(base)
  expect(acts.find(({ key }) => key === 'weight')).toMatchObject({ never: true })
  const all = setUpSteps(kitInHand(base), translator('en')).map(({ key }) => key)
  expect(all).toEqual(expect.arrayContaining(['weight', 'tube']))
  expect(all.indexOf('weight')).toBeLessThan(all.indexOf('tube'))
  const chosen = steps.map(({ key }) => all.indexOf(key))
  expect(chosen).toEqual([...chosen].sort((a, b) => a - b))
  expect([chosen[0], chosen.at(-1)]).toEqual([0, all.length - 1])
  expect(
    english({ ...base, parts: base.parts.filter(({ role }) => role !== 'counterweight') }).acts,
  ).not.toContainEqual(expect.objectContaining({ key: 'weight' }))
})

it('asks after the mirror of a reflector and the lens of a refractor', () => {
  const keys = (input: typeof base) => english(input).acts.map(({ key }) => key)
  expect(keys(base)).toContain('wipe-mirror')
  const refractor = { ...base, family: 'tripod-refractor', optics: { ...base.optics, kind: 'refractor' } } as const
  expect(keys(refractor)).toContain('wipe-lens')
  expect(keys(refractor)).not.toContain('wipe-mirror')
})

it('names the eyepieces by their power, and leaves out one that doesn’t come to focus', () => {
  expect(english(base).eyepieces.map(plain)).toEqual(['Eyepiece 25 mm', 'Eyepiece 10 mm'])
  // One is left: nothing to choose from.
  expect(english({ ...base, withoutFocus: ['Eyepiece 25 mm'] }).eyepieces).toEqual([])
})

it.each([2, 3, 4, 5, 9])('mixes %i things the same way each time, and never leaves their order', (count) => {
  const list = Array.from({ length: count }, (_each, index) => index)
  for (let seed = 0; seed < 200; seed++) {
    const other = mixed(list, `M-${seed}`)
    expect(other).not.toEqual(list)
    expect([...other].sort((a, b) => a - b)).toEqual(list)
    expect(mixed(list, `M-${seed}`)).toEqual(other)
  }
  expect(mixed(['one'], 'M-01')).toEqual(['one'])
})
