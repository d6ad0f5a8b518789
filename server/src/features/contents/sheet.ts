import { kitDifferences } from '@binoculum/core'
import type { SheetPart } from '../sheet/service.ts'
import * as queries from './sheet-queries.ts'

/** How a kit differs from its model, and the weighings that still hold. */
export const contentsOnSheet: SheetPart = async (tx, { row, parts }) => {
  const [modelParts, baselines] = await Promise.all([
    queries.partsOfModel(tx, row.modelId),
    queries.baselinesOf(tx, row.id),
  ])
  return { baselines, differences: [...kitDifferences(modelParts, parts)] }
}
