import type { Feature } from '../../platform/feature.ts'
import { LandmarkRow, SiteRow } from './entities.ts'
import { Landmarks } from './landmarks.ts'
import { siteRoutes } from './routes.ts'
import { Sites } from './service.ts'

export const sites: Feature = {
  name: 'sites',
  entities: [SiteRow, LandmarkRow],
  routes: (app, house) =>
    siteRoutes(app, { sites: new Sites(house.context), landmarks: new Landmarks(house.context) }),
  demo: {
    rows: (story) => [
      [SiteRow, story.sites],
      [LandmarkRow, story.landmarks],
    ],
  },
}
