import type { Session } from '@binoculum/contract'
import { anyRole, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import { catalogueAsMarcxml } from './marcxml.ts'
import * as queries from './queries.ts'

/** What a branch lends, for the catalogue of the library it belongs to. */
export class Catalogue {
  constructor(private readonly context: Context) {}

  async write(session: Session, branchId: string): Promise<string> {
    requireRole(session, branchId, anyRole)
    const tx = this.context.database.reader
    const models = await queries.cataloguedModels(tx, branchId)
    return catalogueAsMarcxml(models, await queries.nameOfBranch(tx, branchId), this.context.clock())
  }
}
