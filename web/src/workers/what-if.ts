import { whatIf, type WhatIfInput, type YearUnderRule } from '@binoculum/core'
import { expose } from 'comlink'

/** Hundreds of years are played through here, so that the page stays quick. */
const work = {
  play: (input: WhatIfInput, onProgress: (share: number) => void): readonly YearUnderRule[] | null => {
    let told = 0
    return whatIf(input, (share) => {
      if (share - told >= 0.01) onProgress((told = share))
      return true
    })
  },
}
export type WhatIfWork = typeof work
expose(work)
