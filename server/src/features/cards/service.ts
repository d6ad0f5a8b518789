import { cardNumberSchema, directoryCardSchema, type CardAnswer, type Session } from '@binoculum/contract'
import { deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import { appendRecord } from '../../platform/record.ts'
import { isCardOnly } from '../loans/service.ts'
import type { Opening } from '../opening/service.ts'

/** Longer nobody waits for a directory: the desk goes on without it. */
const MOST_MS = 2000
const silent: CardAnswer = { state: 'silent', person: null, validUntil: null }
const unknown: CardAnswer = { ...silent, state: 'unknown' }

/** What the library's own directory knows of a card. It is asked, never relied on. */
export class Cards {
  constructor(
    private readonly context: Context,
    private readonly opening: Opening,
  ) {}

  async lookUp(session: Session, branchId: string, cardNumber: string): Promise<CardAnswer> {
    requireRole(session, branchId, deskRoles)
    const { database, clock } = this.context
    const { today } = await this.opening.daysOf(database.reader, branchId)
    const answer = await this.ask(cardNumberSchema.parse(cardNumber), today)
    // That somebody asked, and how it ended: never the number, and no name.
    await appendRecord(database.reader, {
      ...{ act: 'card-looked-up', at: clock(), branchId, staffId: session.staffId },
      after: { state: answer.state },
    })
    return (await isCardOnly(database.reader, branchId)) ? { ...answer, person: null } : answer
  }

  private async ask(cardNumber: string, today: string): Promise<CardAnswer> {
    const { cards } = this.context
    if (!cards) return unknown
    const signal = AbortSignal.timeout(MOST_MS)
    try {
      // A driver that doesn't heed the signal keeps nobody waiting either.
      const ended = new Promise<never>((_, fail) =>
        signal.addEventListener('abort', () => fail(new Error('the card directory is silent'))),
      )
      const said = await Promise.race([cards.lookUp(cardNumber, signal), ended])
      if (said === null) return unknown
      const read = directoryCardSchema.safeParse(said)
      // Another card's answer is worse than none.
      if (!read.success || read.data.cardNumber !== cardNumber) return silent
      const { validUntil, name, contact, language } = read.data
      const isOver = validUntil !== null && validUntil < today
      return { state: isOver ? 'expired' : 'good', person: { name, contact, language }, validUntil }
    } catch {
      return silent
    }
  }
}
