import { families, roles, type Family, type Role } from '../contents/roles.ts'
import { finderKindOnCard, finderOnCard } from '../finder/finder-kind.ts'
import { finderKinds, usualFinder, usualKnobs } from '../finder/finder-data.ts'
import { templateProcedure } from '../procedures/templates.ts'
import { stepQuestions } from '../checks/step-tests.ts'
import { drawStep } from '../drawings/step.ts'
import { armJoints, trays, tubeFixings, tubeRolls, usualStand, type StandData } from './stand.ts'

const everyRole = Object.keys(roles) as Role[]
const stepsOf = (family: Family, stand: Partial<StandData>, parts: readonly Role[] = everyRole) => {
  const given = { ...usualStand(family, parts), ...stand }
  return templateProcedure({ family, collapsible: false, parts, stand: given })
}
const step = (family: Family, key: string, stand: Partial<StandData>, parts?: readonly Role[]) =>
  stepsOf(family, stand, parts).setUp.find((each) => each.key === key)
const wordsOf = (family: Family, stand: Partial<StandData>) =>
  [...stepsOf(family, stand).setUp, ...stepsOf(family, stand).takeApart]
    .flatMap(({ title, lines }) => [title, ...lines.map(({ text }) => text)])
    .join('\n')

describe('trays and spreaders', () => {
  it.each([
    { tray: 'twisted', says: /Twist it until it locks/, undone: /twist the tray back/ },
    { tray: 'screwed', says: /Spin the tray onto the rod/, undone: /spin the tray off/ },
    { tray: 'bolted', says: /all three wing nuts/, undone: /three wing nuts off/ },
    { tray: 'brace', says: /arms are straight and it snaps/, undone: /middle of the brace up/ },
  ] as const)('$tray: its own words, feel, test and undoing', ({ tray, says, undone }) => {
    const found = step('equatorial-reflector', 'tray', { tray })
    expect(found?.lines.map(({ text }) => text).join(' ')).toMatch(says)
    expect(found?.test).toBe('tray-holds')
    expect(found?.check).toMatch(/can’t close/)
    const away = stepsOf('equatorial-reflector', { tray }).takeApart.find(({ key }) => key === 'away-tray')
    expect(away?.lines.map(({ text }) => text).join(' ')).toMatch(undone)
  })
  it('none: no step; a brace that is no part of its own keeps its step', () => {
    expect(step('equatorial-reflector', 'tray', { tray: 'none' })).toBeUndefined()
    const bare = everyRole.filter((role) => role !== 'tray')
    expect(step('large-equatorial', 'tray', { tray: 'brace' }, bare)?.title).toBe('Snap the brace straight')
    expect(step('equatorial-reflector', 'tray', { tray: 'twisted' }, bare)).toBeUndefined()
  })
  it('a pan head whose card has a tray gets its step, before the tube', () => {
    const parts: Role[] = ['tripod-legs', 'tray', 'tube', 'finder']
    const keys = templateProcedure({ family: 'tripod-refractor', collapsible: false, parts }).setUp.map(
      ({ key }) => key,
    )
    expect(keys.indexOf('tray')).toBeGreaterThan(keys.indexOf('legs'))
    expect(keys.indexOf('tray')).toBeLessThan(keys.indexOf('tube'))
    const bare = templateProcedure({ family: 'tripod-refractor', collapsible: false, parts: ['tripod-legs', 'tube'] })
    expect(bare.setUp.map(({ key }) => key)).not.toContain('tray')
  })
  it('its test says what to do when it gives', () => {
    const gives = stepQuestions['tray-holds'][0]?.answers.find(({ value }) => value === 'gives')
    expect(gives?.remedy).toMatch(/no head goes on/)
  })
})

describe('how the tube is fixed', () => {
  it('a fork kit is never told to slide a rail or to mind a pole peg', () => {
    for (const armJoint of armJoints) {
      const words = wordsOf('computer-driven', { fixing: 'fork', armJoint })
      expect(words).not.toMatch(/rail|pole side|peg|Slide the tube/)
      expect(words).toMatch(/nothing slides/)
    }
  })
  it.each(armJoints)('its joint is said as it is: %s', (armJoint) => {
    const said = { 'bolts-below': /bolt from below/, knob: /big knob/, cone: /cone sink/ }[armJoint]
    expect(wordsOf('altazimuth-reflector', { armJoint })).toMatch(said)
    expect(wordsOf('computer-driven', { armJoint })).not.toMatch(/pole side/)
  })
  it('only equatorial heads have a peg on the pole side', () => {
    const withPeg = (Object.keys(families) as Family[]).filter((family) => /pole side/.test(wordsOf(family, {})))
    expect(withPeg.sort()).toEqual(['equatorial-maksutov', 'equatorial-reflector', 'large-equatorial'])
  })
  it.each(tubeFixings)('%s draws a joint without a hole in it', (fixing) => {
    const kit = {
      family: 'equatorial-reflector' as const,
      optics: { apertureMm: 118, focalLengthMm: 720, collapsible: false },
      mount: null,
      stand: { ...usualStand('equatorial-reflector', everyRole), fixing },
      parts: [],
    }
    for (const drawing of ['tube', 'tray', 'head', 'finder'] as const)
      expect(JSON.stringify(drawStep(kit, drawing))).not.toMatch(/NaN|undefined/)
  })
  it.each(trays)('a %s tray has its own close-up', (tray) => {
    const draw = (given: typeof tray) =>
      JSON.stringify(
        drawStep(
          {
            family: 'equatorial-reflector',
            optics: { apertureMm: 118, focalLengthMm: 720, collapsible: false },
            mount: null,
            stand: { ...usualStand('equatorial-reflector', everyRole), tray: given },
            parts: [],
          },
          'tray',
        ),
      )
    for (const other of trays) if (other !== tray) expect(draw(tray)).not.toBe(draw(other))
  })
})

describe('the finder is the part on the card', () => {
  const part = (name: string, rest: object = {}) => ({ name, role: 'finder' as const, ...rest })
  const cell = { name: 'Coin cell', role: 'coin-cell' as const }
  it.each([
    ['Red-dot finder', [], 'red-dot'],
    ['RDF', [], 'red-dot'],
    ['Finder 7x35', [], 'two-screws'],
    ['Finder 6×30 with bracket', [cell], 'two-screws'],
    ['Finder', [cell], 'red-dot'],
    ['Finder', [], null],
  ] as const)('%s beside %j: %s', (name, others, kind) => {
    expect(finderKindOnCard([part(name), ...others])).toBe(kind)
  })
  it('what is said of it goes before its name', () => {
    expect(finderKindOnCard([part('Red-dot finder', { optics: { finderKind: 'six-screws' } })])).toBe('six-screws')
    expect(finderKindOnCard([cell])).toBeNull()
  })
  const described = usualFinder({ kind: 'newtonian', finderOffsetMm: { x: 0, y: 120 } })
  it('another kind on the card than was described brings its own knobs and view', () => {
    const own = finderOnCard(described, [part('Finder 8x40')])
    expect([own.kind, own.view, own.knobs]).toEqual(['two-screws', 'turned', usualKnobs('two-screws')])
    expect(finderOnCard(described, [part('Red-dot finder')])).toBe(described)
  })
  it.each(finderKinds)('%s: own words, knobs and drawing', (finderKind) => {
    const { setUp } = templateProcedure({
      family: 'equatorial-reflector',
      collapsible: false,
      parts: everyRole,
      finderKind,
    })
    const words = JSON.stringify(setUp.find(({ key }) => key === 'finder'))
    expect(/red dot|switch/i.test(words)).toBe(finderKind === 'red-dot' || finderKind === 'peep')
    if (finderKind !== 'red-dot') expect(words).not.toMatch(/red dot shows|battery/)
    expect(usualKnobs(finderKind).length === 0).toBe(finderKind === 'peep')
    const draw = (kind: typeof finderKind) =>
      JSON.stringify(
        drawStep(
          {
            family: 'floor-reflector',
            optics: { apertureMm: 180, focalLengthMm: 1080, collapsible: false },
            mount: null,
            finderKind: kind,
            parts: [],
          },
          'finder',
        ),
      )
    for (const other of finderKinds) if (other !== finderKind) expect(draw(finderKind)).not.toBe(draw(other))
  })
})

it('a tube rolls in rings and straps, on no rail and in no fork', () => {
  const rolling = tubeFixings.filter((fixing) => tubeRolls({ fixing }))
  expect(rolling).toEqual(['rings', 'straps'])
})

it('axes are locked on equatorial and pan heads; what is moved by a push has no locks', () => {
  const locked = (Object.keys(families) as Family[]).filter((family) => usualStand(family, everyRole).axisLocks)
  expect(locked.sort()).toEqual([
    'equatorial-maksutov',
    'equatorial-reflector',
    'large-equatorial',
    'tripod-refractor',
  ])
})
