import { opticsOf } from '../judgement/service.ts'
import type { SheetPart } from '../sheet/service.ts'
import * as queries from './sheet-queries.ts'

const PAST_READINGS = 60

/** What was measured of a kit before, what its screws and knobs taught, and how long its steps take. */
export const checksOnSheet: SheetPart = async (tx, { row }) => {
  // A mirror has screws that teach, a lens or a closed tube a star that is compared.
  const { collimatable } = opticsOf(row)
  const [past, turned, knobSteps, stepTimes, finderDrift, starLooks] = await Promise.all([
    queries.pastReadings(tx, row.id, PAST_READINGS),
    collimatable ? queries.newestTurnedSteps(tx, row.id) : [],
    queries.newestKnobSteps(tx, row.id),
    queries.stepTimesOfModel(tx, row.modelId),
    queries.finderDrift(tx, row.id),
    collimatable ? [] : queries.newestStarLooks(tx, row.id),
  ])
  return {
    past: past.map(({ at, ...reading }) => ({ ...reading, atUtc: at.toISOString() })),
    turned,
    knobSteps: knobSteps.map(({ step }) => step),
    stepSeconds: Object.fromEntries(stepTimes.map(({ key, medianSeconds }) => [key, medianSeconds])),
    finderDrift,
    starLooks,
  }
}
