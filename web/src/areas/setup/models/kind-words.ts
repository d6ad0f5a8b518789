import type { ModelOptics } from '@binoculum/contract'
import { setupWords } from '../words.ts'

const t = setupWords('kindWords')

export const kindWords: Readonly<Record<ModelOptics['kind'], string>> = {
  newtonian: t('mirrorOpenTube'),
  refractor: t('lens'),
  maksutov: t('mirrorAndLensClosedTube'),
}
