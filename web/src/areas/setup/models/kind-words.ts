import type { ModelOptics } from '@binoculum/contract'

export const kindWords: Readonly<Record<ModelOptics['kind'], string>> = {
  newtonian: 'mirror, open tube',
  refractor: 'lens',
  maksutov: 'mirror and lens, closed tube',
}
