import { families, type Family, type Role } from '../contents/roles.ts'
import { starterCard } from '../contents/starter-card.ts'
import { usualStand, type StandData } from '../mount/stand.ts'
import { englishOf as english, guideKit as base, guidePart as part } from '../testing/guide-kit.ts'
import { roundMount } from '../testing/kit-on-mount.ts'
import { composeGuide } from './compose.ts'
import type { Guide, GuideInput, GuidePart } from './guide.ts'
import { plain } from './said.ts'

const block = (input: GuideInput, key: string) => {
  const found = english(composeGuide(input)).blocks.find((each) => each.key === key)
  return found ? [...found.stays, ...found.lines].map(plain) : null
}

describe('a motor that meets a leg', () => {
  const place = { name: 'Quillstead', latitudeDeg: 51.7, longitudeDeg: -1.2, zone: 'Europe/London' }
  const highest = (mount: GuideInput['mount']) => {
    const parts = [...base.parts, part('controller'), part('mount-head'), part('aa-cells')]
    const { nights } = composeGuide({ ...base, family: 'large-equatorial', parts, place, mount })
    const looked = nights.flatMap(({ targets }) => targets.flatMap(({ session }) => (session ? [session] : [])))
    const stars = nights.flatMap((night) => night.stars)
    return {
      targets: Math.max(...looked.map(at)),
      stars: Math.max(...stars.map(at)),
      found: nights.map((n) => n.targets.length),
    }
  }
  const at = ({ altitudeDeg }: { readonly altitudeDeg: number }) => altitudeDeg
  const [free, stopped] = [
    highest(roundMount),
    highest({ ...roundMount, stop: { highestDeg: 55, meets: 'motor-leg' } }),
  ]
  it('sends nobody above it at the evening’s hour, neither to a target nor to a star', () => {
    expect(free.targets).toBeGreaterThan(55)
    expect(free.stars).toBeGreaterThan(55)
    expect(stopped.targets).toBeLessThanOrEqual(55)
    expect(stopped.stars).toBeLessThanOrEqual(55)
  })
  it('and loses no target: it waits for its own hour', () => {
    expect(stopped.found).toEqual(free.found)
  })
})

describe('driven kits, in the order that works', () => {
  const driven = [...base.parts, part('controller'), part('mount-head'), part('aa-cells')]
  const guide = english(composeGuide({ ...base, family: 'large-equatorial', parts: driven }))
  it('axis to the pole, then the finder, then the controller with its stars, then tonight', () => {
    const keys = guide.blocks.map(({ key }) => key)
    const wanted = ['place', 'set-up', 'polar', 'finder', 'power', 'controller', 'sky']
    expect(keys.filter((key) => wanted.includes(key))).toEqual(wanted)
  })
  it('no star is asked for before the finder is in line', () => {
    const early = JSON.stringify(guide.setUp)
    expect(early).not.toMatch(/bright stars/)
    expect(JSON.stringify(guide.blocks.find(({ key }) => key === 'controller'))).toMatch(/two bright stars/)
  })
})

/** Words that speak of a part, and the roles of which one must lie in the case. */
const speaksOf: readonly (readonly [RegExp, readonly Role[]])[] = [
  [/charger|12 V pack|\bthe pack\b/, ['power-pack', 'charger']],
  [/AA cells|lever a cell/, ['aa-cells']],
  [/coin cell|swallowed/, ['coin-cell']],
  [/\bthe weight\b|weight’s|Weight side/, ['counterweight']],
  [/\bslug\b/, ['weight-slug']],
  [/\bdiagonal\b/i, ['diagonal']],
  [/Barlow/, ['barlow']],
  [/controller/i, ['controller']],
  [/\btray\b/i, ['tray']],
  [/slow-motion|\bthe rod\b/, ['slow-motion-rod']],
  [/phone in its holder/, ['phone-holder']],
  [/\blegs\b/i, ['tripod-legs']],
  [/finder’s|the finder\b/i, ['finder']],
]
const cards = (Object.keys(families) as Family[]).map((family) => ({
  family,
  parts: starterCard(family, [25, 8.5]).map(({ role, name, optics }) => part(role, { name, ...optics })),
}))
it.each(cards)(
  '$family: no sentence speaks of a part that the kit lacks, whichever is missing',
  ({ family, parts }) => {
    const optional = speaksOf.flatMap(([, roles]) => roles).filter((role) => parts.some((each) => each.role === role))
    for (const left of [null, ...new Set(optional)]) {
      // What a family can't do without is not left out of its card.
      if (left && ['tray', 'finder', 'counterweight', 'tripod-legs'].includes(left)) continue
      const input = { ...base, family, parts: parts.filter(({ role }) => role !== left) }
      const { blocks, setUp, putAway, trouble } = english(composeGuide(input))
      const said = JSON.stringify([blocks, setUp, putAway, trouble])
      for (const [words, roles] of speaksOf) {
        if (input.parts.some(({ role }) => roles.includes(role))) continue
        expect([family, left, words.exec(said)?.[0] ?? null]).toEqual([family, left, null])
      }
    }
  },
)

it.each(cards)(
  '$family: speaks of no clutch where friction holds, and of no zenith where the head ends before it',
  ({ family, parts }) => {
    const { setUp, putAway, trouble } = english(composeGuide({ ...base, family, parts }))
    const said = JSON.stringify([setUp, putAway, trouble])
    if (['tabletop-reflector', 'floor-reflector', 'altazimuth-reflector'].includes(family))
      expect(/clutch/i.exec(said)?.[0] ?? null).toBeNull()
    if (family === 'tripod-refractor') expect(said).not.toContain('straight up')
  },
)

it('“it slips”: asks for the lock that this very stand has', () => {
  const asks = (
    stand: Partial<StandData> | null,
    parts: readonly GuidePart[] = [...base.parts, part('tripod-legs'), part('tray')],
  ) => {
    const usual = usualStand(
      base.family,
      parts.map(({ role }) => role),
    )
    const guide = english(composeGuide({ ...base, parts, stand: stand && { ...usual, ...stand } }))
    return guide.trouble
      .find(({ key }) => key === 'slips')
      ?.checks.map(plain)
      .slice(1)
  }
  const spread = 'Legs spread all the way?'
  expect(asks(null)).toEqual(['Tray twisted until it locks?', spread])
  expect(asks({ tray: 'screwed' })).toEqual(['Tray screwed on until it presses on all three legs?', spread])
  expect(asks({ tray: 'bolted' })).toEqual(['All three wing nuts of the plate turned home?', spread])
  expect(asks({ tray: 'brace' }, [...base.parts, part('tripod-legs')])).toEqual(['Brace snapped straight?', spread])
  expect(asks({ tray: 'none' })).toEqual([spread])
  expect(asks({ tray: 'twisted' }, [...base.parts, part('tripod-legs')])).toEqual([spread])
})

describe('a compass in the case', () => {
  const withCompass = (given: Partial<GuideInput>, name = 'Bubble and compass') => ({
    ...base,
    ...given,
    parts: [...base.parts, part('bubble-level', { name })],
  })
  const at = (latitudeDeg: number, longitudeDeg: number) => ({
    place: { name: 'Marrowdale', zone: 'UTC', latitudeDeg, longitudeDeg },
  })
  const lines = (input: GuideInput) => block(input, 'polar')?.filter((line) => /compass|Here/.test(line)) ?? []
  // Declination by the model in `needle`, which has its own test against published values: about 13° W, 25° E, 0°.
  it.each([
    { where: 'north, needle to the west', ...at(44.6, -70), says: /^True north lies 1\d° to the right of/ },
    { where: 'north, needle to the east', ...at(61.2, -150), says: /^True north lies 1\d° to the left of/ },
    {
      where: 'south, needle to the east',
      ...at(-41.3, 174.8),
      says: /^True south lies 2\d° to the left of where the compass’s south end/,
    },
    {
      where: 'south, needle to the west',
      ...at(-33.9, 18.4),
      says: /^True south lies 2\d° to the right of where the compass’s south end/,
    },
    { where: 'where it points true', ...at(50.1, -1.5), says: /^Here the compass points true/ },
  ])('$where: how far true lies beside it', ({ place, says }) => {
    const [first, ...rest] = lines(withCompass({ place }))
    expect(first).toMatch(says)
    expect(rest).toEqual(['Read the compass an arm’s length away from the mount. Iron turns its needle.'])
  })
  it('a driven fork is turned to north too: said beside its controller, and once', () => {
    const { place } = at(44.6, -70)
    const driven = withCompass({ place, family: 'computer-driven' })
    const parts = [...driven.parts, part('controller')]
    expect(block({ ...driven, parts }, 'controller')?.[0]).toMatch(/^True north lies 1\d° to the right of/)
    // An equatorial head has its page about the pole.
    const large = { ...withCompass({ place, family: 'large-equatorial' }), parts }
    expect(block(large, 'controller')?.join(' ')).not.toContain('compass')
    expect(block(large, 'polar')?.join(' ')).toContain('True north lies')
  })
  it('nothing is said of one that isn’t packed, nor of how far beside where the place isn’t known', () => {
    expect(lines({ ...base, ...at(44.6, -70) })).toEqual([])
    expect(lines(withCompass(at(44.6, -70), 'Bubble level'))).toEqual([])
    expect(lines(withCompass({}))).toHaveLength(1)
  })
})

describe('how each stand is pointed', () => {
  const lines = (given: Partial<GuideInput>, roles: readonly Role[] = []) =>
    block({ ...base, ...given, parts: [...base.parts, ...roles.map((role) => part(role))] }, 'point')?.join(' ') ?? ''
  it.each([
    ['tabletop-reflector', [], /A hand under the tube/],
    ['floor-reflector', [], /upper rim/],
    ['equatorial-reflector', [], /lock of the tilted axis.*other lock.*open both rings/],
    ['equatorial-maksutov', [], /lock of the tilted axis.*other lock/],
    ['tripod-refractor', ['pan-handle'], /Turn the handle loose/],
    ['tripod-refractor', [], /Open the head’s lock/],
    ['altazimuth-reflector', [], /at its back end/],
    ['computer-driven', ['controller'], /The keys turn it/],
    ['large-equatorial', ['controller'], /The keys turn it.*open both rings/],
  ] as const)('%s with %j', (family, roles, says) => {
    const said = lines({ family }, [...roles])
    expect(said).toMatch(says)
    const ways = [
      /A hand under the tube/,
      /upper rim/,
      /tilted axis/,
      /handle loose/,
      /head’s lock/,
      /back end/,
      /keys turn/,
    ]
    expect(ways.filter((way) => way.test(said))).toHaveLength(1)
  })
  it('a tube held by a rail isn’t turned in rings, and nothing is unlocked on a driven one', () => {
    expect(lines({ family: 'equatorial-maksutov' })).not.toContain('rings')
    expect(lines({ family: 'computer-driven' }, ['controller'])).not.toMatch(/lock|Hold the tube/)
  })
})

describe('finding the pole', () => {
  const said = (latitudeDeg: number) =>
    block(
      { ...base, family: 'equatorial-reflector', place: { name: 'A', zone: 'UTC', latitudeDeg, longitudeDeg: 0 } },
      'polar',
    )?.join(' ') ?? ''
  it.each([
    [52.7, '5½ fists above the ground, due north'],
    [30, '3 fists above the ground, due north'],
    [-34, 'due south, 3½ fists above the ground'],
  ])('at %d° it is so many fists up', (latitudeDeg, says) => expect(said(latitudeDeg)).toContain(says))
  it('near the equator nobody is sent to look for it', () => expect(said(8)).not.toContain('fists'))
  it('no northern star is named in the south, and no cross in the north', () => {
    expect(said(-34)).not.toMatch(/Plough|pole star/)
    expect(said(52)).not.toContain('Southern Cross')
  })
})

describe('an eyepiece that doesn’t come to focus', () => {
  const low = part('low-eyepiece', { name: 'Eyepiece 25 mm', focalLengthMm: 25, apparentFieldDeg: 50 })
  const high = part('eyepiece', { name: 'Eyepiece 10 mm', focalLengthMm: 10, apparentFieldDeg: 50 })
  const guideOf = (withoutFocus?: readonly string[]) =>
    composeGuide({ ...base, parts: [low, high, part('barlow', { name: 'Barlow 2×', barlow: 2 })], withoutFocus })
  const ways = (guide: Guide) =>
    guide.powers.map(({ eyepiece, barlow }) => [eyepiece, barlow].filter(Boolean).join(' + '))
  it('is no power, and is named among what borrowers should know', () => {
    const guide = guideOf(['Eyepiece 10 mm + Barlow 2×'])
    expect(ways(guideOf())).toContain('Eyepiece 10 mm + Barlow 2×')
    expect(ways(guide)).not.toContain('Eyepiece 10 mm + Barlow 2×')
    expect(ways(guide)).toContain('Eyepiece 10 mm')
    expect(english(guide).notes.map(plain).join(' ')).toContain('Eyepiece 10 mm + Barlow 2× doesn’t come to focus')
  })
  it('where it was the one to start with, the next one is', () => {
    const guide = guideOf(['Eyepiece 25 mm'])
    expect(guide.powers.find(({ start }) => start)?.eyepiece).toBe('Eyepiece 10 mm')
    expect(guide.powers.filter(({ start }) => start)).toHaveLength(1)
  })
})
