import type { Feature } from '../../platform/feature.ts'
import { KitDriftRow } from './entities.ts'
import { recountDrift } from './service.ts'

export const drift: Feature = {
  name: 'drift',
  entities: [KitDriftRow],
  demo: { rows: () => [], after: recountDrift },
}
