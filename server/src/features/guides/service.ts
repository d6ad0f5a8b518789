import { randomUUID } from 'node:crypto'
import {
  keptLookSchema,
  storedGuideSchema,
  type BorrowerMessage,
  type GuideList,
  type GuideWishes,
  type IssuedGuide,
  type ReceivedMessages,
  type Session,
} from '@binoculum/contract'
import { composeGuide, picturesInGuide, type Guide, type GuideInput } from '@binoculum/core'
import { branchIdsOf, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { hashToken } from '../../platform/secrets.ts'
import { keepBorrowersPicture, makePicture, pictureBytes, type PictureMade } from '../contents/service.ts'
import { loanCode } from '../judgement/service.ts'
import { BorrowerMessageRow, GuideRow } from './entities.ts'
import { asIssued, TODAYS_SHAPE } from './issued-shape.ts'
import * as queries from './queries.ts'
import { guideInput, ownWordsFor, withoutFocus, type KitInGuide } from './guide-input.ts'

export { GuideTextRow } from './entities.ts'
export { GuideTextsDesk } from './texts.ts'
export { asIssued } from './issued-shape.ts'
export { newestLooks } from './queries.ts'
export { guideInput, ownWordsFor, withoutFocus } from './guide-input.ts'
export { builtPage, htmlPage, languageAsked, type Built } from './built-page.ts'

/** A link may be passed on; so many messages and pictures of one loan are taken, and no more. */
const MOST_MESSAGES = 30
const MOST_PICTURES = 8

/** What a guide is made of at a hand-out. */
export interface GuideOfLoan extends KitInGuide {
  readonly dueTime: string
  readonly borrowerName: string
  readonly wishes: GuideWishes
  /** The branch's, where the borrower wishes none. */
  readonly place: GuideInput['place'] | null
}

/** What a borrower sent, on its way into the house. */
interface NewMessage {
  readonly id: string
  readonly kind: BorrowerMessageRow['kind']
  readonly body: object
  readonly made: PictureMade | null
  /** For the bench to read; null where all is well. */
  readonly trouble: string | null
}

export class Guides {
  constructor(private readonly context: Context) {}

  /** The guide of a hand-out to come, with the words and the place that count for its kit now. */
  async compose(tx: Tx, given: GuideOfLoan): Promise<Guide> {
    const { row, wishes } = given
    return composeGuide({
      ...guideInput(
        given,
        { ...(await ownWordsFor(tx, row)), withoutFocus: await withoutFocus(tx, row) },
        wishes.place ?? given.place,
      ),
      dueTime: given.dueTime,
      firstName: given.borrowerName.split(/\s+/)[0] || undefined,
      language: wishes.language,
      borrower: wishes.borrower,
    })
  }

  /** Freezes it with its loan, in the hand-out's transaction. */
  async issue(tx: Tx, { loanId, guide, at }: { loanId: string; guide: Guide; at: Date }): Promise<void> {
    await tx.insert(GuideRow, { id: randomUUID(), loanId, ...asIssued(guide), issuedAt: at })
  }

  /** Its loan is over: it is kept small, and read as it was. */
  compact(tx: Tx, loanId: string): Promise<unknown> {
    return queries.compactGuides(tx, loanId)
  }

  /** The borrower's way in: the link's token, nothing else. */
  async byToken(token: string): Promise<IssuedGuide> {
    const { database, clock } = this.context
    const find = (tx: Tx) => queries.guideByLink(tx, hashToken(token), clock())
    // A link of this minute may not be in a copy yet.
    const content = (await find(database.farReader)) ?? (await find(database.reader))
    if (!content) throw new Problem('LINK_OVER')
    return storedGuideSchema.parse(content)
  }

  /** A picture that a guide shows, for whoever has its link. @throws Problem LINK_OVER, NOT_FOUND */
  async pictureByToken(token: string, pictureId: string): Promise<Buffer> {
    if (!picturesInGuide(await this.byToken(token)).includes(pictureId)) throw new Problem('NOT_FOUND')
    // One that was kept a moment ago may not be in a copy yet.
    return pictureBytes(this.context.database.reader, pictureId)
  }

  /** Which guide a link opens, without reading it; null where the link is over. */
  idByToken(token: string): Promise<string | null> {
    const { database, clock } = this.context
    return queries.guideIdByLink(database.reader, hashToken(token), clock())
  }

  async ofLoan(session: Session, loanId: string): Promise<string> {
    const { farReader, reader } = this.context.database
    const find = (tx: Tx) => queries.guideOfLoan(tx, loanId, TODAYS_SHAPE)
    const found = (await find(farReader)) ?? (await find(reader))
    if (!found || !branchIdsOf(session).includes(found.branchId)) throw new Problem('NOT_FOUND')
    return found.text ?? JSON.stringify(storedGuideSchema.parse(found.content))
  }

  /** What a borrower sends: kept with its picture, in the kit's record, and as a job of the bench where there is trouble.
   * The same key twice is the same message. */
  async receive(token: string, message: BorrowerMessage): Promise<void> {
    const { key: id, kind, picture, ...body } = message
    // The picture is decoded in a bounded worker of its own before anything is locked.
    await this.kitBehind(token)
    const made = picture === null ? null : await makePicture(Buffer.from(picture, 'base64'))
    await this.keepMessage(token, { id, kind, body, made, trouble: troubleText(message) })
  }

  /** The kit that a link's borrower holds. @throws Problem LINK_OVER */
  async kitBehind(token: string): Promise<queries.LinkedLoan> {
    const { database, clock } = this.context
    const loan = await queries.loanByLink(database.reader, hashToken(token), clock())
    if (!loan) throw new Problem('LINK_OVER')
    return loan
  }

  /** What was answered to a look of this key before; null where it is new. */
  async lookKept(loan: queries.LinkedLoan, id: string): Promise<unknown> {
    const row = await this.context.database.reader.findOneBy(BorrowerMessageRow, { id, loanId: loan.loanId })
    return row?.kind === 'look' ? row.body : null
  }

  /** Keeps a message with its picture, already made small, and opens a job where there is trouble. */
  async keepMessage(token: string, { id, kind, body, made, trouble }: NewMessage): Promise<void> {
    const { database, clock } = this.context
    const at = clock()
    await database.inTransaction(async (tx) => {
      const loan = await queries.loanByLink(tx, hashToken(token), at, 'locked')
      if (!loan) throw new Problem('LINK_OVER')
      if (await queries.messageBranch(tx, id)) return
      const counts = await queries.messageCounts(tx, loan.loanId)
      if (counts.all >= MOST_MESSAGES || (made && counts.pictures >= MOST_PICTURES))
        throw new Problem('TOO_MANY_MESSAGES')
      const { branchId, kitId, loanId } = loan
      const pictureId = made && (await keepBorrowersPicture(tx, branchId, made, at))
      const row = { id, branchId, kitId, loanId, kind, body, pictureId, at, seenAt: null, seenBy: null }
      await tx.insert(BorrowerMessageRow, row)
      if (trouble !== null) await queries.openTroubleJob(tx, { id: randomUUID(), kitId, loanId, text: trouble, at })
      const after = { ...body, pictures: pictureId ? [pictureId] : [] }
      await appendRecord(tx, { act: 'borrower-wrote', at, branchId, staffId: null, kitId, loanId, after })
    })
  }

  async messages(session: Session): Promise<ReceivedMessages> {
    const rows = await queries.unseenMessages(this.context.database.reader, branchIdsOf(session))
    const messages = rows.map(({ number, body, at, ...rest }) => ({
      ...rest,
      ...emptyBody,
      ...(rest.kind === 'look' ? { look: keptLookSchema.parse(body) } : (body as Partial<typeof emptyBody>)),
      loanCode: loanCode(number),
      atUtc: at.toISOString(),
    }))
    return { messages }
  }

  /** Somebody has seen to it; it leaves the list and stays in the kit's history. */
  async seen(session: Session, id: string): Promise<void> {
    const { database, clock } = this.context
    const branchId = await queries.messageBranch(database.reader, id)
    if (!branchId) throw new Problem('NOT_FOUND')
    requireRole(session, branchId, deskRoles)
    await database.reader.update(BorrowerMessageRow, { id }, { seenAt: clock(), seenBy: session.staffId })
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

const emptyBody = { look: null, walked: [] as string[], words: '', missing: [] as string[], looked: 0, of: 0 }

/** What the bench reads; null where all is well. */
function troubleText(message: BorrowerMessage): string | null {
  if (message.kind === 'contents') return message.missing.length > 0 ? `missing: ${message.missing.join(', ')}` : null
  const said = [message.walked.join(' › '), message.words].filter((each) => each !== '').join('; ')
  return said === '' ? 'a picture came without words' : said
}
