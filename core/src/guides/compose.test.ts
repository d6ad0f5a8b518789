import { families, roleFacts, type Family, type Role } from '../contents/roles.ts'
import { composeGuide } from './compose.ts'
import type { GuideInput, GuidePart } from './guide.ts'

const part = (role: Role, rest: Partial<GuidePart> = {}): GuidePart => ({
  role,
  name: rest.name ?? roleFacts(role).words,
  count: 1,
  mark: 'present',
  massG: 100,
  place: 'Tray',
  ...rest,
})

const base: GuideInput = {
  kitName: 'Sorrel',
  kitCode: 'M-03',
  modelName: 'equatorial reflector 130/650',
  family: 'equatorial-reflector',
  optics: { apertureMm: 130, focalLengthMm: 650, kind: 'newtonian', collimatable: true, collapsible: false },
  parts: [
    part('tube', { massG: 3150 }),
    part('counterweight', { massG: 1980 }),
    part('weight-slug', { massG: 9 }),
    part('low-eyepiece', { name: 'Eyepiece 25 mm', focalLengthMm: 25, apparentFieldDeg: 50 }),
    part('eyepiece', { name: 'Eyepiece 4 mm', focalLengthMm: 4, apparentFieldDeg: 50 }),
    part('barlow', { name: 'Barlow 2×', barlow: 2 }),
    part('coin-cell', { massG: 3 }),
  ],
  collimationPolicy: 'leave-it-to-us',
  branchName: 'Marrowdale Library',
  emergencyLine: 'the poison line',
  issuedOn: '2026-03-12',
  dueOn: '2026-03-26',
}
const titles = (input: GuideInput) => composeGuide(input).setUp.map(({ title }) => title)
const textOf = (input: GuideInput) => JSON.stringify(composeGuide(input))

it('warns of the Sun before anything else', () => {
  expect(composeGuide(base).sun[0]).toMatch(/^Never point the telescope or its finder at the Sun/)
})

it.each(Object.keys(families) as Family[])('%s: has its own steps, and no empty one', (family) => {
  const guide = composeGuide({ ...base, family })
  expect(guide.setUp.length).toBeGreaterThanOrEqual(7)
  for (const step of [...guide.setUp, ...guide.putAway]) {
    expect(step.title).not.toBe('')
    expect(step.lines.length).toBeGreaterThan(0)
  }
})

it('puts weights on before the tube, and takes the tube off before the weights', () => {
  for (const family of ['equatorial-reflector', 'equatorial-maksutov', 'large-equatorial'] as const) {
    const names = titles({ ...base, family })
    const weight = names.findIndex((title) => title.includes('weight'))
    const tube = names.findIndex((title) => /tube (in its rings|on)/.test(title))
    expect(weight).toBeGreaterThanOrEqual(0)
    expect(weight).toBeLessThan(tube)
  }
  const away = composeGuide(base).putAway.map(({ title }) => title)
  expect(away).toContain('Tube off first, then the weight')
})

it('speaks only of parts that are in this case', () => {
  const without = { ...base, parts: base.parts.filter(({ role }) => role !== 'barlow' && role !== 'coin-cell') }
  expect(textOf(base)).toContain('The Barlow comes last')
  expect(textOf(without)).not.toContain('Barlow comes last')
  expect(textOf(without)).not.toContain('red dot')
  expect(textOf(without)).not.toContain('coin cell')
})

it('a missing part is named as missing and gives no power', () => {
  const parts = base.parts.map((each) => (each.role === 'eyepiece' ? { ...each, mark: 'missing' as const } : each))
  const guide = composeGuide({ ...base, parts })
  expect(guide.notes).toEqual(['Eyepiece 4 mm is not in this kit at present.'])
  expect(guide.powers.map(({ magnification }) => magnification)).toEqual([26, 52])
  expect(JSON.stringify(guide.contents)).not.toContain('4 mm')
})

it('marks the start and what the tube can’t use', () => {
  const { powers } = composeGuide(base)
  expect(powers.filter(({ start }) => start)).toEqual([
    expect.objectContaining({ eyepiece: 'Eyepiece 25 mm', barlow: null }),
  ])
  expect(powers.map(({ magnification, verdict }) => [Math.round(magnification), verdict])).toEqual([
    [26, 'good'],
    [52, 'good'],
    [163, 'steady-air-only'],
    [325, 'empty'],
  ])
})

it('asks two people above ten kilograms', () => {
  expect(composeGuide(base).safety[0]).toContain('Carry it in its case')
  const heavy = { ...base, parts: [...base.parts, part('mount-head', { massG: 9000 })] }
  expect(composeGuide(heavy).safety[0]).toMatch(/14\.\d+ kg: two people, or a trolley/)
})

it('never sends a withdrawn filter along', () => {
  const parts = [...base.parts, part('screw-in-sun-filter')]
  expect(textOf({ ...base, parts })).not.toMatch(/sun filter/i)
})

it('leaves the mirror to the library by default', () => {
  expect(composeGuide(base).collimation[0]).toContain('to us')
  expect(composeGuide({ ...base, collimationPolicy: 'with-help-sheet' }).collimation[0]).toContain('help sheet')
})
