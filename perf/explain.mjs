import { alignmentStars, dayStrip, explainWeight, sunDay } from '../core/dist/index.js'

/** 45 parts, up to 4 missing, no swap: the program's search beside trying every set one after the other, in one run. */
const parts = Array.from({ length: 45 }, (_, index) => ({
  id: `p${index}`,
  massG: 5 + ((index * 37) % 211) + index / 10,
  toleranceG: 1.5,
  count: 1,
  group: 'tray',
}))
const expectedG = parts.reduce((sum, { massG }) => sum + massG, 0)
const gone = [3, 17, 29, 41]
const measuredG = expectedG - gone.reduce((sum, index) => sum + parts[index].massG, 0)

function everySet() {
  let near = 0
  const visit = (from, left, lostG) => {
    const residualG = measuredG - (expectedG - lostG)
    if (Math.abs(residualG) < 6) near++
    if (left === 0) return
    for (let index = from; index < parts.length; index++) visit(index + 1, left - 1, lostG + parts[index].massG)
  }
  visit(0, 4, 0)
  return near
}
const bestOf = (times, work) => {
  let best = Infinity
  for (let turn = 0; turn < times; turn++) {
    const startedAt = performance.now()
    work()
    best = Math.min(best, performance.now() - startedAt)
  }
  return best
}
const input = {
  parts,
  weighings: [{ group: 'tray', measuredG, scaleResolutionG: 1 }],
  maxMissing: 4,
  maxSwaps: 0,
  limit: 12,
}
const explainMs = bestOf(5, () => explainWeight(input))
/** What the desk really asks: up to 4 missing, one swap, and a dozen things of other kits that could lie in the case. */
const foreign = Array.from({ length: 12 }, (_, index) => ({
  id: `f${index}`,
  massG: 30 + index * 17,
  toleranceG: 2,
  replaces: [`p${index}`, `p${index + 10}`],
}))
const desk = { ...input, foreign, maxSwaps: 1 }
const explainDeskMs = bestOf(5, () => explainWeight(desk))
const place = { latitudeDeg: 52.3, longitudeDeg: 0.1, zone: 'Europe/London', atUtc: '2026-04-17T21:30:00Z' }
const landmarksMs = bestOf(3, () => {
  const day = sunDay(place)
  for (let i = 0; i < 40; i++) dayStrip(day, { azimuthDeg: 9 * i, altitudeDeg: i / 4 })
})
const { zone: _zone, ...evening } = place
const starsMs = bestOf(3, () => alignmentStars(evening))
process.stdout.write(
  JSON.stringify({ explainMs, explainDeskMs, everySetMs: bestOf(5, everySet), landmarksMs, starsMs }),
)
