import { families, type Family } from '../contents/roles.ts'
import { sideOfMount } from '../mount/side.ts'
import { englishOf as english, guideKit as base, guidePart as part } from '../testing/guide-kit.ts'
import { composeGuide } from './compose.ts'
import { upgradeGuide } from './first-version.ts'
import type { GuideInput } from './guide.ts'
import { translator } from './languages/guide-languages.ts'
import { plain } from './said.ts'
import { inSentence, saidPart } from './said-part.ts'

const titles = (input: GuideInput) => english(composeGuide(input)).setUp.map(({ title }) => plain(title))
const textOf = (input: GuideInput) => JSON.stringify(english(composeGuide(input)))
const block = (input: GuideInput, key: string) => {
  const found = english(composeGuide(input)).blocks.find((each) => each.key === key)
  return found ? [...found.stays, ...found.lines].map(plain) : null
}

it('warns of the Sun before anything else', () => {
  expect(english(composeGuide(base)).blocks[0]?.key).toBe('sun')
  expect(block(base, 'sun')?.[0]).toMatch(/^Never point the telescope or its finder at the Sun/)
})

it.each(Object.keys(families) as Family[])('%s: has its own steps, and no empty one', (family) => {
  const guide = english(composeGuide({ ...base, family }))
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
  const away = english(composeGuide(base)).putAway.map(({ title }) => plain(title))
  expect(away).toContain('Tube off first, then the weight')
})

it('speaks only of parts that are in this case', () => {
  const without = { ...base, parts: base.parts.filter(({ role }) => role !== 'barlow' && role !== 'coin-cell') }
  expect(textOf(base)).toContain('The Barlow 2× comes last')
  expect(textOf(without)).not.toContain('comes last')
  expect(textOf(without)).not.toContain('red dot')
  expect(textOf(without)).not.toContain('coin cell')
})

it('a missing part is named as missing and gives no power', () => {
  const parts = base.parts.map((each) => (each.role === 'eyepiece' ? { ...each, mark: 'missing' as const } : each))
  const guide = composeGuide({ ...base, parts })
  expect(english(guide).notes).toEqual(['Eyepiece 4 mm is not in this kit at present.'])
  expect(guide.powers.map(({ magnification }) => magnification)).toEqual([24, 48])
  expect(JSON.stringify(english(guide).contents)).not.toContain('4 mm')
})

it('marks the start and what the tube can’t use', () => {
  const { powers } = composeGuide(base)
  expect(powers.filter(({ start }) => start)).toEqual([
    expect.objectContaining({ eyepiece: 'Eyepiece 25 mm', barlow: null }),
  ])
  expect(powers.map(({ magnification, verdict }) => [Math.round(magnification), verdict])).toEqual([
    [24, 'good'],
    [48, 'good'],
    [150, 'steady-air-only'],
    [300, 'empty'],
  ])
})

it('asks two people above ten kilograms', () => {
  expect(block(base, 'carry')?.[0]).toContain('Carry it in its case')
  const heavy = { ...base, parts: [...base.parts, part('mount-head', { massG: 9000 })] }
  expect(block(heavy, 'carry')?.[0]).toMatch(/14\.\d+ kg: two people, or a trolley/)
})

it('never sends a withdrawn filter along', () => {
  const parts = [...base.parts, part('screw-in-sun-filter')]
  expect(textOf({ ...base, parts })).not.toMatch(/sun filter/i)
})

it('leaves the mirror to the library by default', () => {
  expect(block(base, 'mirror')?.[0]).toContain('to us')
  expect(block({ ...base, collimationPolicy: 'with-help-sheet' }, 'mirror')?.[0]).toContain('help sheet')
})

it('tells known faults honestly, with what to do meanwhile', () => {
  const parts = [...base.parts, part('eyepiece-cap', { name: 'Second eyepiece cap', mark: 'missing' })]
  expect(english(composeGuide({ ...base, parts })).notes).toContain(
    'Second eyepiece cap is missing; please use a clean bag.',
  )
})

it('speaks to the borrower at hand: a child, a left eye, a seat', () => {
  const borrower = { ageGroup: 'child', level: 'expert', eye: 'left', seated: true } as const
  const [plainPlace, ownPlace] = [block(base, 'place'), block({ ...base, borrower }, 'place')]
  expect(plainPlace?.join(' ')).toContain('a stool for children')
  expect(ownPlace?.join(' ')).toContain('while you sit')
  expect(ownPlace?.join(' ')).toContain('Let the child look first')
  expect(block({ ...base, borrower }, 'finder')?.join(' ')).toContain('on your left')
  expect(block(base, 'expect')?.join(' ')).toContain('Start with the Moon')
  expect(block({ ...base, borrower }, 'expect')?.join(' ')).not.toContain('Start with the Moon')
})

describe('coordinators’ own words', () => {
  const own = (scope: 'programme' | 'model' | 'kit', text: string | null, rest = {}) => ({
    scope,
    key: 'power',
    language: 'en',
    title: '',
    text,
    ...rest,
  })
  it('the narrowest scope wins; a line whose variable the kit hasn’t got falls away', () => {
    const ownBlocks = [
      own('programme', 'For all.'),
      own('kit', 'For {kit}.\nThe {barlow} last.'),
      own('model', 'Model.'),
    ]
    expect(block({ ...base, ownBlocks }, 'power')).toEqual(['For Sorrel.', 'The Barlow 2× last.'])
    const parts = base.parts.filter(({ role }) => role !== 'barlow')
    expect(block({ ...base, ownBlocks, parts }, 'power')).toEqual(['For Sorrel.'])
  })
  it('a block is taken out, but its caution never', () => {
    const left = {
      ...base,
      ownBlocks: [own('programme', null, { key: 'follow' }), own('programme', null, { key: 'sun' })],
    }
    expect(block(left, 'follow')).toBeNull()
    expect(block(left, 'sun')).toHaveLength(3)
    const longer = { ...base, ownBlocks: [own('programme', 'Not even at sunset.', { key: 'sun' })] }
    expect(block(longer, 'sun')?.at(-1)).toBe('Not even at sunset.')
    expect(block(longer, 'sun')?.[0]).toMatch(/^Never point/)
  })
  it('blocks of their own, in the order they chose', () => {
    const ownBlocks = [own('programme', 'Ring the bell.', { key: 'own-bell', title: 'The bell' })]
    const keys = english(composeGuide({ ...base, ownBlocks, order: ['sun', 'own-bell', 'carry'] })).blocks.map(
      ({ key }) => key,
    )
    expect(keys.slice(0, 3)).toEqual(['sun', 'own-bell', 'carry'])
  })
})

describe('nights', () => {
  const place = { name: 'Quillstead', latitudeDeg: 52.3472, longitudeDeg: 0.1384, zone: 'Europe/London' }
  const guide = composeGuide({ ...base, issuedOn: '2026-04-17', dueOn: '2026-05-01', place })
  it('one for each night of the loan, for a place no finer than a town', () => {
    expect(guide.nights).toHaveLength(15)
    expect(guide.place).toMatchObject({ latitudeDeg: 52.3, longitudeDeg: 0.1 })
    expect(JSON.stringify(guide)).not.toContain('52.34')
  })
  it('every target has its words, and only eyepieces of the case that the tube can use', () => {
    for (const night of guide.nights)
      for (const target of night.targets) {
        expect(english(guide).targets[target.id]).toBeDefined()
        for (const name of target.eyepieces) expect(['Eyepiece 25 mm', 'Eyepiece 4 mm']).toContain(name)
      }
  })
  it('a loan of many weeks carries a month of them', () => {
    expect(composeGuide({ ...base, issuedOn: '2026-04-17', dueOn: '2026-09-01', place }).nights).toHaveLength(31)
  })
})

it('a 2-inch eyepiece goes in without the adapter, and the guide says which need it', () => {
  const wide = part('eyepiece', { name: 'Eyepiece 32 mm', focalLengthMm: 32, apparentFieldDeg: 60, maleMm: 50.8 })
  const guide = composeGuide({ ...base, parts: [...base.parts, wide] })
  expect(guide.powers.filter(({ wideBarrel }) => wideBarrel).map(({ eyepiece }) => eyepiece)).toEqual([
    'Eyepiece 32 mm',
    'Eyepiece 32 mm',
  ])
  expect(block({ ...base, parts: [...base.parts, wide] }, 'power')?.at(-1)).toMatch(/^One eyepiece has a wide barrel/)
  expect(block(base, 'power')?.join()).not.toContain('wide barrel')
})

it('a zoom is named by its range and the length in use, in every language', () => {
  const zoom = part('low-eyepiece', {
    name: 'Zoom eyepiece 8–24 mm',
    focalLengthMm: 24,
    shortestFocalLengthMm: 8,
    apparentFieldDeg: 42,
  })
  const guide = composeGuide({ ...base, parts: [part('tube'), zoom] })
  expect(guide.powers.map(({ eyepiece }) => eyepiece)).toEqual([
    'Zoom eyepiece 8–24 mm at 24 mm',
    'Zoom eyepiece 8–24 mm at 8 mm',
  ])
  const spanish = translator('es')
  expect(saidPart(guide.powers[1]?.eyepiece ?? '', spanish)).toBe('Ocular 8–24 mm a 8 mm')
  expect(inSentence(guide.powers[0]?.eyepiece ?? '', spanish)).toBe('el ocular de 8–24 mm a 24 mm')
})

it('says nothing of a Barlow, a switch or a mirror where there is none', () => {
  const bare = base.parts.filter(({ role }) => role !== 'barlow' && role !== 'coin-cell')
  const optics = { ...base.optics, kind: 'refractor', collimatable: false } as const
  const guide = english(composeGuide({ ...base, parts: [...bare, part('finder'), part('diagonal')], optics }))
  const said = JSON.stringify({ ...guide, blocks: guide.blocks.filter(({ key }) => key !== 'sun') })
  expect(said).not.toMatch(/Barlow/)
  expect(said).not.toMatch(/switch (it )?(on|off)|switched/i)
  expect(said).not.toMatch(/mirror(?!")/i)
  const full = JSON.stringify(english(composeGuide({ ...base, parts: [...base.parts, part('finder')] })))
  expect(full).toMatch(/No Barlow yet/)
  expect(full).toMatch(/Switch the finder off/)
  expect(full).toMatch(/That is the mirror/)
})

it('says what one lifts where one lifts it: a table’s kit by its base, with the tube on it', () => {
  const parts = [part('tube', { massG: 3090 }), part('base', { massG: 4160 })]
  const table = titles({ ...base, family: 'tabletop-reflector', parts })
  expect(table.filter((title) => title.includes('kg'))).toEqual(['Lift it by its base, 7.25 kg'])
  const floor = titles({ ...base, family: 'floor-reflector', parts })
  expect(floor.filter((title) => title.includes('kg'))).toEqual([
    'Set the base on level ground, 4.16 kg',
    'Lift the tube into its cradles, 3.09 kg',
  ])
})

it('the Sun opens a guide in any order', () => {
  expect(english(composeGuide({ ...base, order: ['away', 'case', 'sun'] })).blocks[0]?.key).toBe('sun')
})

it('an older guide is shown as it was issued', () => {
  const first = {
    version: 1,
    kitName: 'Wren',
    kitCode: 'M-01',
    modelName: 'm',
    branchName: 'b',
    emergencyLine: 'e',
    issuedOn: '2026-01-02',
    dueOn: '2026-01-16',
    sun: ['Never.'],
    safety: ['Carry it.'],
    contents: [{ place: 'Lid', parts: ['Manual'] }],
    notes: [],
    setUp: [{ title: 'Legs', lines: ['Open them.'], feel: 'firm', caution: null }],
    place: ['Firm ground.'],
    firstLook: ['Look.'],
    powers: [],
    expect: ['Grey.'],
    trouble: [{ sign: 'Black', tries: ['Caps off?'] }],
    putAway: [],
    collimation: ['Leave it.'],
    helpSheet: null,
  } as const
  const upgraded = upgradeGuide(first)
  const all = JSON.stringify(upgraded.texts.en)
  for (const words of [
    'Never.',
    'Carry it.',
    'Manual',
    'Open them.',
    'Firm ground.',
    'Look.',
    'Grey.',
    'Caps off?',
    'Leave it.',
  ])
    expect(all).toContain(words)
  // What the first version didn't tell is not made up.
  expect(upgraded.texts.en?.setUp.map(({ undo, drawing, lies }) => [undo, drawing, lies])).toEqual([
    [false, null, null],
  ])
  expect(upgradeGuide({ ...first, putAway: first.setUp }).texts.en?.putAway.map(({ undo }) => undo)).toEqual([true])
  const power = { eyepiece: '25 mm', barlow: null, magnification: 24, trueFieldDeg: 2, exitPupilMm: 5 }
  const known = { ...power, verdict: 'good', start: true, wholeMoon: true } as const
  expect(upgradeGuide({ ...first, powers: [known] }).powers).toEqual([
    { ...known, driftSeconds: null, wideBarrel: false },
  ])
})

it('a tube that has to be looked at each time says so; one that holds, or doesn’t slide, says nothing', () => {
  const line = 'doesn’t always come back the same'
  const sliding = { ...base, optics: { ...base.optics, collapsible: true } }
  expect(textOf({ ...sliding, repeat: 'check-each-time' })).toContain(line)
  for (const input of [
    sliding,
    { ...sliding, repeat: 'holds' as const },
    { ...base, repeat: 'check-each-time' as const },
  ])
    expect(textOf(input)).not.toContain(line)
})

it('the emergency line is said in the borrower’s language; one that nobody translated is listed to be', () => {
  const cell = (emergencyLine: string) => {
    const { es } = composeGuide({ ...base, emergencyLine }).texts
    return { text: JSON.stringify(es?.blocks.find(({ key }) => key === 'cell')), missing: es?.missing }
  }
  expect(cell('your country’s emergency number or poison line').text).toContain('el número de emergencias')
  expect(cell('ring the night desk').missing).toContain('ring the night desk')
})

it('the side of the tube in its sentence is the one that is reckoned for stars', () => {
  const follow = block(base, 'follow')?.find((line) => line.startsWith('Look east')) ?? ''
  const side = (hourAngleHours: number) => sideOfMount({ latitudeDeg: 52, hourAngleHours }).tubeSide
  expect(follow).toContain(`Look east, and the tube is on the ${side(-2)} side`)
  expect(follow).toContain(`Look west, and it is on the ${side(2)} side`)
  // A star under the pole and east of it, 8 h before its meridian, and one west of it.
  expect([side(-8), side(8)]).toEqual([side(2), side(-2)])
})

it('no figure of a Spanish guide has a decimal point, those beside what is lifted neither', () => {
  const { es } = composeGuide({ ...base, language: 'es' }).texts
  const written = JSON.stringify([es?.setUp, es?.putAway, es?.blocks, es?.trouble])
  expect(written).toMatch(/\d,\d+ kg/)
  expect(written.match(/\d\.\d/g)).toBeNull()
})
