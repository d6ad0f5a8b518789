import { explainWeight, type ExplainWeightInput, type WeightExplained } from '@binoculum/core'
import { expose } from 'comlink'

/** Explaining a weight may take a second: it is done here, so that the card stays quick. */
const work = {
  explain: (input: ExplainWeightInput, onProgress: (fraction: number) => void): WeightExplained =>
    explainWeight(input, onProgress),
}
export type ExplainWeightWork = typeof work
expose(work)
