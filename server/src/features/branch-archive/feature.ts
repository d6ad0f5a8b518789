import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { BringInBranch } from './bring-in.ts'
import { BringPictures } from './bring-pictures.ts'
import { branchArchiveRoutes } from './routes.ts'
import { BranchArchive } from './service.ts'

export const branchArchive: Feature = {
  name: 'branch-archive',
  acts: actsOf.branchArchive,
  routes: (app, { context }) =>
    branchArchiveRoutes(app, {
      archive: new BranchArchive(context),
      bringIn: new BringInBranch(context),
      bringPictures: new BringPictures(context),
    }),
}
