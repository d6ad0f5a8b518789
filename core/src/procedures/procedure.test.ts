import { families, roles, type Family, type Role } from '../contents/roles.ts'
import { phases, procedureWarnings, stepsForKit, type Procedure } from './procedure.ts'
import { dismantling, templateProcedure } from './templates.ts'

const allRoles = Object.keys(roles) as Role[]
const every = Object.keys(families) as Family[]
const full = (family: Family) => templateProcedure({ family, collapsible: true, parts: allRoles })
const titles = (steps: Procedure['setUp']) => steps.map(({ title }) => title)
const move = (steps: Procedure['setUp'], key: string, to: number) => {
  const rest = steps.filter((step) => step.key !== key)
  const step = steps.find((each) => each.key === key)
  return step ? [...rest.slice(0, to), step, ...rest.slice(to)] : rest
}
const codes = (procedure: Procedure, parts = allRoles) => procedureWarnings(procedure, parts).map(({ code }) => code)

it.each(every)('%s: its template hurts nobody, and runs through the bench in order', (family) => {
  const { setUp, takeApart } = full(family)
  expect(codes({ setUp, takeApart }, rolesOf(family))).toEqual([])
  const order = setUp.map(({ phase }) => phases.indexOf(phase))
  expect(order).toEqual([...order].sort((a, b) => a - b))
  expect(new Set(setUp.map(({ key }) => key)).size).toBe(setUp.length)
  expect(new Set(takeApart.map(({ key }) => key)).size).toBe(takeApart.length)
  for (const step of [...setUp, ...takeApart]) expect(step.lines.length).toBeGreaterThan(0)
})

/** Roles that a family's kits have at least: warnings speak of those. */
const rolesOf = (family: Family): Role[] =>
  family.startsWith('equatorial') || family === 'large-equatorial'
    ? ['tripod-legs', 'tray', 'mount-head', 'counterweight', 'shaft-end-stop', 'tube', 'front-cap']
    : ['tube', 'front-cap']

describe('orders that can hurt are warned of, with the step and the reason', () => {
  const { setUp, takeApart } = full('equatorial-reflector')
  it.each([
    {
      what: 'tube before the weight',
      change: { setUp: move(setUp, 'tube', 5) },
      code: 'TUBE_BEFORE_WEIGHT',
      key: 'tube',
    },
    {
      what: 'no weight step at all',
      change: { setUp: setUp.filter(({ key }) => key !== 'weight') },
      code: 'TUBE_BEFORE_WEIGHT',
      key: 'tube',
    },
    {
      what: 'legs without tray',
      change: { setUp: setUp.filter(({ key }) => key !== 'tray') },
      code: 'LEGS_WITHOUT_TRAY',
      key: 'legs',
    },
    {
      what: 'head before the tray',
      change: { setUp: move(setUp, 'head', 2) },
      code: 'HEAD_BEFORE_TRAY',
      key: 'head',
    },
    {
      what: 'caps off before the tube is on',
      change: { setUp: move(setUp, 'caps', 3) },
      code: 'CAPS_OFF_BEFORE_TUBE_ON',
      key: 'caps',
    },
    {
      what: 'weight off before the tube',
      change: { takeApart: move(takeApart, 'away-weight', 1) },
      code: 'WEIGHT_OFF_BEFORE_TUBE',
      key: 'away-weight',
    },
    {
      what: 'tray off before the tube',
      change: { takeApart: move(takeApart, 'away-tray', 1) },
      code: 'TRAY_OFF_BEFORE_TUBE',
      key: 'away-tray',
    },
    {
      what: 'head off before the tube',
      change: { takeApart: move(takeApart, 'away-head', 1) },
      code: 'HEAD_OFF_BEFORE_TUBE',
      key: 'away-head',
    },
  ])('$what', ({ change, code, key }) => {
    const found = procedureWarnings({ setUp, takeApart, ...change }, allRoles)
    const warning = found.find((each) => each.code === code)
    expect(warning).toMatchObject({ stepKey: key })
    expect(warning?.why.length).toBeGreaterThan(20)
  })
  it('a weight whose step forgets the end stop', () => {
    const bare = setUp.map((step) => ({ ...step, lines: step.lines.filter(({ text }) => !/end stop/.test(text)) }))
    expect(codes({ setUp: bare, takeApart })).toContain('WEIGHT_WITHOUT_END')
  })
  it('says nothing of parts that a model hasn’t got', () => {
    const noTray = { setUp: setUp.filter(({ key }) => key !== 'tray'), takeApart }
    expect(codes(noTray, ['tube', 'tripod-legs'])).toEqual([])
  })
})

describe('taking apart', () => {
  it('reverses: tube off before the weight, weight before the head, tray when nothing is left on the legs', () => {
    const names = titles(full('equatorial-reflector').takeApart)
    const at = (part: RegExp) => names.findIndex((name) => part.test(name))
    expect(at(/Close it up/)).toBe(0)
    expect(at(/^Tube off first/)).toBeLessThan(at(/weight off/))
    expect(at(/weight off/)).toBeLessThan(at(/head off/))
    expect(at(/head off/)).toBeLessThan(at(/Tray off/))
    expect(at(/Pack the case/)).toBe(names.length - 1)
  })
  it('follows a changed order, and undoes a step of the model’s own by its name', () => {
    const { setUp } = full('altazimuth-reflector')
    const own = { ...setUp[2], key: 'own', title: 'Hang the bag under the tray' } as Procedure['setUp'][number]
    const names = titles(dismantling([...setUp.slice(0, 3), own, ...setUp.slice(3)]))
    expect(names).toContain('Undo: Hang the bag under the tray')
    expect(names.indexOf('Undo: Hang the bag under the tray')).toBeLessThan(names.indexOf('Tray off, only now'))
  })
})

it('speaks of a weight at taking apart only where one hangs', () => {
  for (const family of every) {
    const { setUp, takeApart } = full(family)
    const hangs = setUp.some(({ part }) => part === 'counterweight')
    expect([family, /weight/.test(titles(takeApart).join())]).toEqual([family, hangs])
  }
})

describe('what a kit’s own case leaves of it', () => {
  const { setUp } = full('equatorial-reflector')
  const has =
    (...there: Role[]) =>
    (role: Role) =>
      there.includes(role) ? `the ${role} here` : null
  it('drops steps and lines about parts it hasn’t got, and puts names in', () => {
    const steps = stepsForKit(setUp, has('counterweight', 'low-eyepiece'))
    const text = JSON.stringify(steps)
    expect(text).toContain('Take the low-eyepiece here.')
    expect(text).not.toContain('slug')
    expect(steps.map(({ key }) => key)).not.toContain('rods')
    expect(steps.map(({ key }) => key)).toContain('weight')
  })
  it('only a tube that slides has a step for it', () => {
    const keys = (collapsible: boolean) =>
      templateProcedure({ family: 'tabletop-reflector', collapsible, parts: [] }).setUp.map(({ key }) => key)
    expect([keys(true).includes('slide-open'), keys(false).includes('slide-open')]).toEqual([true, false])
  })
})
