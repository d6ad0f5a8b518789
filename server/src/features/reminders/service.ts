import { randomUUID } from 'node:crypto'
import {
  reminderPolicySchema,
  type ReminderText,
  type Reminders as RemindersView,
  type Session,
} from '@binoculum/contract'
import {
  dayNumber,
  defaultReminderPolicy,
  fillReminder,
  isLetterHour,
  reminderDue,
  reminderKinds,
  reminderLanguages,
  reminderTexts,
  type ReminderKind,
  type ReminderLanguage,
  type ReminderPolicy,
} from '@binoculum/core'
import { DateTime } from 'luxon'
import { coordinatorOnly, deskBranchIds, requireRole, signedInAs } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import { appendRecord } from '../../platform/record.ts'
import type { Letters } from '../follow-up/service.ts'
import { ReminderPolicyRow, ReminderTextRow } from './entities.ts'
import * as queries from './queries.ts'

const policyOf = (stored: unknown): ReminderPolicy => {
  const read = reminderPolicySchema.safeParse(stored)
  return read.success ? read.data : defaultReminderPolicy
}

/** Letters that loans make by themselves: promise, pick-up, due, late. Never twice, never at night, never to a name that is gone. */
export class Reminders {
  constructor(
    private readonly context: Context,
    private readonly letters: Letters,
  ) {}

  async list(session: Session): Promise<RemindersView> {
    const { reader } = this.context.database
    const branchIds = deskBranchIds(session)
    const own = await queries.textsOf(reader, branchIds)
    const branches = (await queries.policiesOf(reader, branchIds)).map(({ branchId, branchName, policy }) => ({
      ...{ branchId, branchName, mayChange: signedInAs(session, branchId, 'coordinator') },
      policy: policyOf(policy) as RemindersView['branches'][number]['policy'],
      texts: reminderLanguages.flatMap((language) =>
        reminderKinds.map((kind) => {
          const text = own.find(
            (each) => each.branchId === branchId && each.kind === kind && each.language === language,
          )
          const { subject, body } = text ?? reminderTexts[language][kind]
          return { kind, language, subject, body, isOwn: text !== undefined }
        }),
      ),
    }))
    return { branches, way: this.context.mail.way }
  }

  async decide(session: Session, branchId: string, policy: ReminderPolicy): Promise<RemindersView> {
    requireRole(session, branchId, coordinatorOnly)
    await this.context.database.inTransaction(async (tx) => {
      const before = await tx.findOneBy(ReminderPolicyRow, { branchId })
      await tx.upsert(ReminderPolicyRow, { branchId, policy: policy as never }, ['branchId'])
      const at = this.context.clock()
      const { staffId } = session
      await appendRecord(tx, {
        act: 'reminders-decided',
        at,
        branchId,
        staffId,
        ...(before && { before: before.policy }),
        after: policy,
      })
    })
    return this.list(session)
  }

  /** A branch's own words; the house's own again where they are the same. */
  async write(session: Session, branchId: string, given: ReminderText): Promise<RemindersView> {
    requireRole(session, branchId, coordinatorOnly)
    const house = reminderTexts[given.language][given.kind]
    await this.context.database.inTransaction(async (tx) => {
      const { kind, language, subject, body } = given
      if (subject === house.subject && body === house.body.trim())
        await tx.delete(ReminderTextRow, { branchId, kind, language })
      else await tx.upsert(ReminderTextRow, { branchId, ...given }, ['branchId', 'kind', 'language'])
      const at = this.context.clock()
      await appendRecord(tx, {
        act: 'reminder-written',
        at,
        branchId,
        staffId: session.staffId,
        after: { kind, language },
      })
    })
    return this.list(session)
  }

  /** Writes what is due at every branch, and sends it. One branch's trouble keeps no other from its letters. */
  async run(): Promise<void> {
    const branches = await queries.policiesOf(this.context.database.reader, null)
    for (const branch of branches) if (branch.policy !== null) await this.runBranch(branch)
  }

  /** The same for one branch at a press, within its hours. */
  async runNow(session: Session, branchId: string): Promise<RemindersView> {
    requireRole(session, branchId, coordinatorOnly)
    const branches = await queries.policiesOf(this.context.database.reader, [branchId])
    for (const branch of branches) if (branch.policy !== null) await this.runBranch(branch)
    return this.list(session)
  }

  /** Letters that a branch's policy lets be written now. */
  private async wanted(
    branchId: string,
    policy: ReminderPolicy,
    { now, today }: { readonly now: Date; readonly today: string },
  ): Promise<WantedLetter[]> {
    const { reader } = this.context.database
    const { dueInDays, kinds } = policy
    const byDay = (await queries.candidatesOf(reader, { branchId, today, dueInDays, now })).flatMap((candidate) => {
      const kind = reminderDue(remindedOf(candidate, now), policy, dayNumber(today))
      return kind === null ? [] : [{ kind, candidate, onceKey: keyOf(kind, candidate) }]
    })
    const reported = kinds.includes('report-received') ? await queries.reportedOf(reader, { branchId, now }) : []
    const off = kinds.includes('finder-off') ? await queries.finderOffOf(reader, branchId) : []
    return [
      ...byDay,
      ...reported.map((candidate) => ({
        ...{ kind: 'report-received' as const, candidate, onceKey: `report-received ${candidate.messageId}` },
      })),
      ...off.map((candidate) => ({
        ...{ kind: 'finder-off' as const, candidate, onceKey: `finder-off ${candidate.loanId}` },
      })),
    ]
  }

  private async runBranch({ branchId, branchName, zone, policy: stored }: queries.BranchPolicy): Promise<void> {
    const { database, clock } = this.context
    const now = clock()
    const local = DateTime.fromJSDate(now, { zone })
    const policy = policyOf(stored)
    if (!isLetterHour(policy, local.hour)) return
    const today = local.toISODate() ?? ''
    const texts = await queries.textsOf(database.reader, [branchId])
    for (const { kind, onceKey, candidate } of await this.wanted(branchId, policy, { now, today })) {
      const language: ReminderLanguage = candidate.language === 'es' ? 'es' : 'en'
      const text =
        texts.find((each) => each.kind === kind && each.language === language) ?? reminderTexts[language][kind]
      const letter = fillReminder(text, { ...blanksOf(candidate, zone, language), branch: branchName })
      const { loanId, kitId, borrowerId } = candidate
      const id = randomUUID()
      await this.letters.draftOnce({ id, branchId, borrowerId, loanId, kitId, ...letter, onceKey })
    }
    for (const { id } of await queries.ownDrafts(database.reader, branchId)) await this.letters.sendOwn(id)
  }
}

interface WantedLetter {
  readonly kind: ReminderKind
  readonly candidate: queries.Candidate
  /** What keeps it from being written twice. */
  readonly onceKey: string
}

/** A promise that is moved, or a loan that is put off, gets its letters for the new days. */
const keyOf = (kind: ReminderKind, { loanId, fromOn, untilOn }: queries.Candidate): string =>
  `${kind} ${loanId} ${kind === 'pick-up' || kind === 'promise-made' ? fromOn : untilOn}`

const MS_PER_DAY = 86_400_000
const remindedOf = ({ state, fromOn, untilOn, promisedAt }: queries.Candidate, now: Date) => ({
  ...{ state, from: dayNumber(fromOn), until: dayNumber(untilOn) },
  isNew: promisedAt !== null && now.getTime() - promisedAt.getTime() < MS_PER_DAY,
})

function blanksOf(
  { kitName, fromOn, untilOn, promisedFor }: queries.Candidate,
  zone: string,
  language: ReminderLanguage,
) {
  const dayOf = (day: string) =>
    new Intl.DateTimeFormat(language === 'es' ? 'es-ES' : 'en-GB', {
      weekday: 'long',
      day: 'numeric',
      month: 'long',
      timeZone: 'UTC',
    }).format(new Date(`${day}T12:00:00Z`))
  const time = promisedFor ? DateTime.fromJSDate(promisedFor, { zone }).toFormat('HH:mm') : ''
  return { kit: kitName, from: dayOf(fromOn), until: dayOf(untilOn), time }
}
