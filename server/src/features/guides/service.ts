import { randomUUID } from 'node:crypto'
import { guideSchema, type GuideList, type IssuedGuide, type Part, type Session } from '@binoculum/contract'
import { composeGuide, type Guide, type GuideInput } from '@binoculum/core'
import { branchIdsOf } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { hashToken } from '../../platform/secrets.ts'
import { loanCode, opticsOf, type ShelfRow } from '../kits/service.ts'
import { GuideRow } from './entities.ts'
import * as queries from './queries.ts'

export class Guides {
  constructor(private readonly context: Context) {}

  /** Makes and freezes the guide of a loan, in the hand-out's transaction. */
  async issue(
    tx: Tx,
    given: {
      loanId: string
      row: ShelfRow
      model: Pick<GuideInput, 'procedure' | 'mirror'>
      parts: readonly Part[]
      issuedOn: string
      dueOn: string
      at: Date
    },
  ): Promise<Guide> {
    const { row, model, parts, issuedOn, dueOn } = given
    const content = composeGuide({
      kitName: row.name,
      kitCode: row.code,
      modelName: row.modelName,
      family: row.family as Parameters<typeof composeGuide>[0]['family'],
      optics: opticsOf(row),
      parts: parts.map((part) => ({ ...part, ...part.optics })),
      ...model,
      collimationPolicy: row.collimationPolicy,
      branchName: row.branchName,
      emergencyLine: row.emergencyLine,
      issuedOn,
      dueOn,
    })
    await tx.insert(GuideRow, { id: randomUUID(), loanId: given.loanId, content, issuedAt: given.at })
    return content
  }

  /** The borrower's way in: the link's token, nothing else. */
  async byToken(token: string): Promise<IssuedGuide> {
    const { database, clock } = this.context
    const content = await queries.guideByLink(database.reader, hashToken(token), clock())
    if (!content) throw new Problem('LINK_OVER')
    return guideSchema.parse(content)
  }

  async ofLoan(session: Session, loanId: string): Promise<IssuedGuide> {
    const found = await queries.guideOfLoan(this.context.database.reader, loanId)
    if (!found || !branchIdsOf(session).includes(found.branchId)) throw new Problem('NOT_FOUND')
    return guideSchema.parse(found.content)
  }

  async list(session: Session): Promise<GuideList> {
    const rows = await queries.guidesOfOpenLoans(this.context.database.reader, branchIdsOf(session))
    const guides = rows.map(({ number, issuedAt, linkEndsAt, ...rest }) => ({
      ...rest,
      loanCode: loanCode(number),
      issuedAtUtc: issuedAt.toISOString(),
      linkEndsUtc: linkEndsAt?.toISOString() ?? null,
    }))
    return { guides }
  }
}
