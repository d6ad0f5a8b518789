import fc from 'fast-check'
import { secondaryErrorAfter, secondaryTurns } from './secondary.ts'

const holder = {
  apertureMm: 125,
  secondaryToPrimaryMm: 500,
  screws: [
    { name: '1', angleDeg: 0 },
    { name: '2', angleDeg: 120 },
    { name: '3', angleDeg: 240 },
  ],
  circleRadiusMm: 11,
  pitchMm: 0.7,
  clockwise: 'towards-primary' as const,
}

type Vector = readonly [number, number, number]
const rotate = ([x, y, z]: Vector, [a, b, c]: Vector): Vector => {
  // Rodrigues, exact.
  const angle = Math.hypot(a, b, c)
  if (angle === 0) return [x, y, z]
  const [u, v, w] = [a / angle, b / angle, c / angle]
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  const dot = (u * x + v * y + w * z) * (1 - cos)
  return [
    x * cos + (v * z - w * y) * sin + u * dot,
    y * cos + (w * x - u * z) * sin + v * dot,
    z * cos + (u * y - v * x) * sin + w * dot,
  ]
}
/** Where the focuser's axis, coming along −x, meets the primary 500 mm below a flat that was turned. */
function reflectedAt(turnedRad: Vector): { x: number; y: number } {
  const n = rotate([Math.SQRT1_2, 0, -Math.SQRT1_2], turnedRad)
  const u: Vector = [-1, 0, 0]
  const along = 2 * (u[0] * n[0] + u[1] * n[1] + u[2] * n[2])
  const out = [u[0] - along * n[0], u[1] - along * n[1], u[2] - along * n[2]] as const
  return { x: (-500 * out[0]) / out[2], y: (-500 * out[1]) / out[2] }
}
/** The plate's rotation for heights over its three screws, seen from the open end: angles run the other way there. */
function rotationOf(turns: readonly { name: string; turns: number }[]): Vector {
  const heights = holder.screws.map(({ name, angleDeg }) => {
    const rad = (-angleDeg * Math.PI) / 180
    const z = -(turns.find((turn) => turn.name === name)?.turns ?? 0) * holder.pitchMm
    return { x: 11 * Math.cos(rad), y: 11 * Math.sin(rad), z }
  })
  const slopeX = (2 / (3 * 121)) * heights.reduce((sum, { x, z }) => sum + x * z, 0)
  const slopeY = (2 / (3 * 121)) * heights.reduce((sum, { y, z }) => sum + y * z, 0)
  return [slopeY, -slopeX, 0]
}

it('the advised turns bring reflected rays back onto the mark', () => {
  const mm = fc.double({ min: -8, max: 8, noNaN: true })
  fc.assert(
    fc.property(mm, mm, (x, y) => {
      const { turns } = secondaryTurns({ ...holder, secondaryErrorMm: { x, y } })
      const moved = reflectedAt(rotationOf(turns))
      expect(Math.hypot(x + moved.x, y + moved.y)).toBeLessThan(0.02 * Math.hypot(x, y) + 0.02)
    }),
  )
})

it('turning the holder by hand does the sideways part', () => {
  const { rotateDeg } = secondaryTurns({ ...holder, secondaryErrorMm: { x: 0, y: 4 } })
  // Clockwise into the open end is anticlockwise about z.
  const moved = reflectedAt([0, 0, (-rotateDeg * Math.PI) / 180])
  expect(moved.y).toBeCloseTo(-4, 1)
})

it('rounded turns leave what they promise', () => {
  const given = { ...holder, secondaryErrorMm: { x: 5, y: -3 } }
  const { rounded, residualMm } = secondaryTurns(given)
  const left = secondaryErrorAfter(given, rounded)
  expect(Math.hypot(left.x, left.y)).toBeCloseTo(residualMm, 9)
})

it.each([
  [3.7, false],
  [3.8, true],
])('%f mm on a 125 mm mirror is due: %s (3 %% of the aperture, practice)', (x, due) =>
  expect(secondaryTurns({ ...holder, secondaryErrorMm: { x, y: 0 } }).due).toBe(due),
)

it('refuses a holder of which two screws are known', () => {
  const screws = holder.screws.slice(0, 2)
  expect(() => secondaryTurns({ ...holder, screws, secondaryErrorMm: { x: 1, y: 0 } })).toThrow('three')
})

it('screws that stand unevenly: all turned alike move it along and tip nothing; one turned back undoes one turned', () => {
  const screws = [
    { name: '1', angleDeg: 10 },
    { name: '2', angleDeg: 100 },
    { name: '3', angleDeg: 225 },
  ]
  const secondaryErrorMm = { x: 4, y: -3 }
  const after = (turns: readonly number[]) =>
    secondaryErrorAfter(
      { ...holder, screws, secondaryErrorMm },
      turns.map((count, i) => ({ name: `${i + 1}`, turns: count })),
    )
  for (const count of [-1, 0.25, 2]) {
    const { x, y } = after([count, count, count])
    expect([x, y]).toEqual([expect.closeTo(4, 9), expect.closeTo(-3, 9)])
  }
  const [one, others] = [after([0.3, 0, 0]), after([0, -0.3, -0.3])]
  expect([one.x, one.y]).toEqual([expect.closeTo(others.x, 9), expect.closeTo(others.y, 9)])
  expect(Math.hypot(one.x - 4, one.y + 3)).toBeGreaterThan(1)
})

it('a plate that tips one way does the same, wherever its screws stand', () => {
  const secondaryErrorMm = { x: 1, y: 2 }
  /** Heights that lie in a plane which rises by `x` and `y` of a turn from the middle to the screws' circle. */
  const tipped = (angles: readonly number[], x: number, y: number) => {
    const screws = angles.map((angleDeg, i) => ({ name: `${i}`, angleDeg }))
    const turns = screws.map(({ name, angleDeg }) => {
      const rad = (-angleDeg * Math.PI) / 180
      return { name, turns: x * Math.cos(rad) + y * Math.sin(rad) }
    })
    return secondaryErrorAfter({ ...holder, screws, secondaryErrorMm }, turns)
  }
  for (const [x, y] of [
    [0.2, 0],
    [0, 0.2],
    [-0.1, 0.3],
  ] as const) {
    const even = tipped([0, 120, 240], x, y)
    for (const angles of [
      [10, 100, 225],
      [0, 60, 200],
      [45, 135, 225, 315],
    ]) {
      const uneven = tipped(angles, x, y)
      expect([uneven.x, uneven.y]).toEqual([expect.closeTo(even.x, 9), expect.closeTo(even.y, 9)])
    }
  }
})
