import {
  letGoAdvice,
  letGoAltitudesDeg,
  letGoSetUps,
  type FallingEnd,
  type LetGo,
  type LetGoSetUp,
} from './let-go.ts'

const at = (fell: (setUp: LetGoSetUp, altitudeDeg: number) => FallingEnd): LetGo[] =>
  letGoSetUps.flatMap((setUp) =>
    letGoAltitudesDeg.map((altitudeDeg) => ({ setUp, altitudeDeg, fell: fell(setUp, altitudeDeg) })),
  )

it.each([
  ['stays everywhere', at(() => 'stays'), 'stays'],
  ['the front falls everywhere', at(() => 'front'), 'towards-back'],
  ['the back falls everywhere', at(() => 'back'), 'towards-front'],
  ['only loaded', at((setUp) => (setUp === 'heaviest' ? 'front' : 'stays')), 'set-for-heaviest'],
  [
    'low the front, high the back',
    at((_setUp, deg) => (deg === 20 ? 'front' : deg === 70 ? 'back' : 'stays')),
    'tension',
  ],
  ['only low', at((_setUp, deg) => (deg === 20 ? 'front' : 'stays')), 'tension'],
  ['loaded alone was tried', at(() => 'front').filter(({ setUp }) => setUp === 'heaviest'), 'towards-back'],
] as const)('%s', (_case, looks, advice) => expect(letGoAdvice(looks)).toBe(advice))

it('nothing let go says nothing', () => expect(() => letGoAdvice([])).toThrow('once at least'))
