import type { Feature } from '../../platform/feature.ts'
import { ExtraPartRow, Job, Kit, Model, ModelPartRow, PartRow } from './entities.ts'
import { KitStore } from './service.ts'

export const store: Feature = {
  name: 'store',
  entities: [Model, ModelPartRow, Kit, PartRow, ExtraPartRow, Job],
  open: (house) => house.offer(new KitStore(house.context)),
  demo: {
    rows: (story) => [
      [Model, story.models],
      [ModelPartRow, story.modelParts],
      [Kit, story.kits],
      [PartRow, story.parts],
      [Job, story.jobs],
    ],
  },
}
