import type { LessonLink, Session } from '@binoculum/contract'
import { composeLesson, type Lesson } from '@binoculum/core'
import type { Context } from '../../platform/context.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { hashToken, newToken } from '../../platform/secrets.ts'
import { guideInput, ownWordsFor, withoutFocus } from '../guides/service.ts'
import { linkEnd, type Loans } from '../loans/service.ts'
import * as queries from './queries.ts'

/** Three minutes on the phone before a promised kit is fetched. The desk sees that it was done; nobody is barred. */
export class Lessons {
  constructor(
    private readonly context: Context,
    private readonly loans: Loans,
  ) {}

  /** Makes the link of a promise's lesson; one made before ends. @throws Problem NOT_FOUND, NOT_ALLOWED, LINK_OVER where it
   * isn't promised any more */
  async offer(session: Session, loanId: string): Promise<LessonLink> {
    const { database, clock } = this.context
    return database.inTransaction(async (tx) => {
      const { state, branchId, kitId, promisedFor } = await this.loans.lockedLoan(tx, session, loanId)
      if (state !== 'promised') throw new Problem('LINK_OVER')
      const at = clock()
      const token = newToken()
      const from = Math.max(at.getTime(), promisedFor?.getTime() ?? 0)
      await queries.setLessonLink(tx, loanId, hashToken(token), linkEnd(new Date(from)))
      await appendRecord(tx, { act: 'lesson-offered', at, branchId, staffId: session.staffId, kitId, loanId })
      return { lessonPath: `/l/${token}` }
    })
  }

  /** The lesson of the kit as its card says it now; null where the link is over. */
  async byToken(token: string): Promise<Lesson | null> {
    const { database, clock } = this.context
    const { reader } = database
    const promise = await queries.promiseByLink(reader, hashToken(token), clock())
    if (!promise) return null
    const { shelf, sheets } = this.loans.rooms
    const row = await shelf.rowById(reader, promise.kitId)
    const { model, parts } = await sheets.guideModel(reader, row)
    const { fromOn, untilOn, language } = promise
    const own = { ...(await ownWordsFor(reader, row)), withoutFocus: await withoutFocus(reader, row) }
    const kit = guideInput({ row, parts, model, issuedOn: fromOn, dueOn: untilOn }, own, null)
    return composeLesson({ ...kit, fromOn, language })
  }

  /** @throws Problem LINK_OVER */
  async done(token: string): Promise<void> {
    const { database, clock } = this.context
    const at = clock()
    await database.inTransaction(async (tx) => {
      const promise = await queries.promiseByLink(tx, hashToken(token), at)
      if (!promise) throw new Problem('LINK_OVER')
      const { loanId, kitId, branchId } = promise
      if (!(await queries.noteDone(tx, loanId, at))) return
      await appendRecord(tx, { act: 'lesson-done', at, branchId, staffId: null, kitId, loanId })
    })
  }
}
