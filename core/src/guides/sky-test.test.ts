import { brightStars, polaris } from '../sky/stars.ts'
import {
  faintPattern,
  highestWorth,
  leftOutBy,
  moonEdges,
  skyVerdict,
  twinkles,
  type SkyAnswers,
} from './sky-test.ts'

const nothing: SkyAnswers = { twinkle: null, moonEdge: null, stars: null }
const north = faintPattern(52)
const verdict = (answers: Partial<SkyAnswers>, pattern = north, apertureMm = 110) =>
  skyVerdict({ ...nothing, ...answers }, { apertureMm, pattern })

describe('the place’s own sky', () => {
  const at = (stars: number | null) =>
    skyVerdict({ ...nothing, stars }, { apertureMm: 110, pattern: north, placeSky: 'fair' })
  it('counts until somebody counts stars', () => {
    expect(at(null)).toMatchObject({ sky: 'fair', isSkyOfPlace: true, faintestMagnitude: null })
    expect(at(7)).toMatchObject({ sky: 'dark', isSkyOfPlace: false })
    expect(leftOutBy({ kind: 'galaxy' }, at(null))).toBe('too-bright')
  })
  it('of which nobody wrote says nothing', () =>
    expect(verdict({})).toMatchObject({ sky: null, isSkyOfPlace: false }))
})

describe('the air', () => {
  it.each([
    ['hardly', null, 'steady', 220],
    ['a-little', null, 'fair', 110],
    ['hard', null, 'poor', 55],
    ['hardly', 'boils', 'poor', 55],
    ['hard', 'sharp', 'poor', 55],
    [null, 'wavers', 'fair', 110],
  ] as const)('stars twinkle %s, the Moon’s edge is %s: %s', (twinkle, moonEdge, air, mostPower) => {
    expect(verdict({ twinkle, moonEdge })).toMatchObject({ air, mostPower })
  })
  it('nobody answered: nothing is claimed', () => {
    expect(verdict({})).toEqual({
      ...{ air: null, sky: null, mostPower: null, faintestMagnitude: null, isSkyOfPlace: false },
    })
  })
  it('a better sign never makes it worse', () => {
    const order = ['poor', 'fair', 'steady']
    for (const twinkle of twinkles)
      moonEdges.reduce((before, moonEdge) => {
        const now = order.indexOf(verdict({ twinkle, moonEdge }).air ?? '')
        expect(now).toBeLessThanOrEqual(before)
        return now
      }, order.length)
  })
})

describe('the sky', () => {
  it.each([
    [0, 'bright'],
    [2, 'bright'],
    [3, 'bright'],
    [4, 'fair'],
    [6, 'fair'],
    [7, 'dark'],
  ] as const)('%d of the Little Bear’s stars: %s', (stars, sky) => expect(verdict({ stars }).sky).toBe(sky))
  it('the Cross has no faint star: seen whole it says fair at most', () => {
    const south = faintPattern(-35)
    expect(verdict({ stars: 5 }, south).sky).toBe('fair')
    expect(verdict({ stars: 3 }, south).sky).toBe('bright')
  })
  it('near the equator nothing is asked', () => expect(faintPattern(5)).toBeNull())
  it('more stars than there are is refused, and so is an aperture that is none', () => {
    expect(() => verdict({ stars: 8 })).toThrow(RangeError)
    expect(() => verdict({ stars: 3 }, north, 0)).toThrow(RangeError)
  })
  it('its bright stars have the catalogue’s magnitudes', () => {
    const of = (name: string) => brightStars.find((star) => star.name === name)?.magnitude
    expect(north?.magnitudes.slice(0, 2)).toEqual([polaris.magnitude, of('Kochab')])
    expect(faintPattern(-35)?.magnitudes).toEqual(expect.arrayContaining([of('Acrux'), of('Gacrux')]))
  })
})

describe('what to use and what to leave out', () => {
  const power = (eyepiece: string, magnification: number, verdictOf: 'good' | 'empty' = 'good') => ({
    ...{ eyepiece, barlow: null, magnification, verdict: verdictOf },
  })
  const powers = [power('9 mm', 53), power('23 mm', 21), power('4 mm', 120), power('2 mm', 240, 'empty')]
  it('the highest one that the air bears, never one that the tube can’t use', () => {
    expect(highestWorth(powers, 110)?.eyepiece).toBe('9 mm')
    expect(highestWorth(powers, 500)?.eyepiece).toBe('4 mm')
  })
  it('its lowest where even that is more, and none where it has none', () => {
    expect(highestWorth(powers, 10)?.eyepiece).toBe('23 mm')
    expect(highestWorth([], 10)).toBeNull()
  })
  it('faint things under a bright sky, double stars in boiling air; the Moon never', () => {
    expect(leftOutBy({ kind: 'galaxy' }, { air: null, sky: 'fair' })).toBe('too-bright')
    expect(leftOutBy({ kind: 'nebula' }, { air: null, sky: 'bright' })).toBe('too-bright')
    expect(leftOutBy({ kind: 'nebula' }, { air: null, sky: 'fair' })).toBeNull()
    expect(leftOutBy({ kind: 'double-star' }, { air: 'poor', sky: null })).toBe('air-boils')
    for (const kind of ['moon', 'planet', 'open-cluster'] as const)
      expect(leftOutBy({ kind }, { air: 'poor', sky: 'bright' })).toBeNull()
  })
})
