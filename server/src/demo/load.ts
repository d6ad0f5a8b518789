import { mkdirSync, existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { DateTime } from 'luxon'
import { z } from 'zod'
import { BenchCheck, ReadingRow, StepTimeRow } from '../features/checks/entities.ts'
import { GuideRow, GuideTextRow } from '../features/guides/entities.ts'
import { recountStepMedians } from '../features/checks/queries.ts'
import { compactGuides } from '../features/guides/queries.ts'
import { Spare, WeighingRow } from '../features/contents/entities.ts'
import { recountLosses } from '../features/contents/weigh-queries.ts'
import { Job, Kit, Model, ModelPartRow, PartRow } from '../features/store/entities.ts'
import { Agreement, BorrowerRow, Loan, TakeBackRow } from '../features/loans/entities.ts'
import { Branch, Membership, Staff } from '../features/people/entities.ts'
import { defaultAgreementText, defaultPolicies } from '../features/people/service.ts'
import { LandmarkRow, SiteRow } from '../features/sites/entities.ts'
import type { Database, Tx } from '../platform/database.ts'
import { insertMany, isEmpty } from '../platform/bulk.ts'
import { ActRecord } from '../platform/record-entities.ts'
import { hashPassword, readablePassword } from '../platform/secrets.ts'
import { demoLandmarks } from './finders.ts'
import { demoModels, demoWeighGroups } from './catalogue.ts'
import { demoGuideWords } from './guide-words.ts'
import { KitHistory } from './kit-history.ts'
import { demoSites } from './mounts.ts'
import { Chance } from './random.ts'
import { roleFacts } from '@binoculum/core'
import {
  demoBorrowers,
  demoBranches,
  demoKits,
  demoSpares,
  demoStaff,
  type BranchKey,
  type KitStory,
} from './scenario.ts'

const HISTORY_MONTHS = 18
const LOAN_DAYS = 14

const signInsSchema = z.array(z.object({ email: z.string(), role: z.string(), password: z.string() }))
type SignIns = z.infer<typeof signInsSchema>

/** Fills an empty database with the demo and tells the sign-ins; a filled one is left alone. */
export async function loadDemo(given: { database: Database; now: Date; dataFolder: string }): Promise<string> {
  const path = join(given.dataFolder, 'demo-sign-ins.json')
  await given.database.inTransaction(async (tx) => {
    if (!(await isEmpty(tx, 'staff'))) return
    const signIns = demoStaff.map(({ email, role }) => ({ email, role, password: readablePassword() }))
    await fillDemo(tx, given.now, signIns)
    mkdirSync(given.dataFolder, { recursive: true })
    writeFileSync(path, JSON.stringify(signIns, null, 2), { mode: 0o600 })
  })
  if (!existsSync(path)) return 'The database is not empty, so no demo data was loaded.'
  return describe(signInsSchema.parse(JSON.parse(readFileSync(path, 'utf8'))))
}

function describe(signIns: SignIns): string {
  const lines = signIns.map(({ email, role, password }) => `    ${email.padEnd(26)} ${password}   ${role}`)
  return `\nDemo sign-ins of this installation:\n\n${lines.join('\n')}\n`
}

/** Everything invented, written in one transaction. Deterministic: only `now` and the passwords differ. */
export async function fillDemo(
  tx: Tx,
  now: Date,
  signIns: SignIns,
  kits: readonly KitStory[] = demoKits,
): Promise<void> {
  const chance = new Chance('people')
  const branches = demoBranches.map((branch) => ({ ...branch, id: chance.id() }))
  const staff = demoStaff.map((person) => ({ ...person, id: chance.id() }))
  const agreements = branches.map((branch) => ({ id: chance.id(), branchId: branch.id, key: branch.key }))
  const borrowers = demoBorrowers.map((borrower, index) => {
    const branch = branches[index % 4 === 3 ? 1 : 0]
    return { id: chance.id(), branchId: branch?.id ?? '', ...borrower }
  })
  await insertMany(
    tx,
    Branch,
    branches.map(({ key: _key, frontFilters, ...branch }) => ({
      ...branch,
      policies: { ...defaultPolicies, frontFilters },
    })),
  )
  const passwordHashes = await Promise.all(signIns.map(({ password }) => hashPassword(password)))
  await insertMany(
    tx,
    Staff,
    staff.map(({ id, name, email }, index) => ({
      id,
      name,
      email,
      passwordHash: passwordHashes[index],
      closedAt: null,
    })),
  )
  const idOf = (key: BranchKey) => branches.find((branch) => branch.key === key)?.id ?? ''
  await insertMany(
    tx,
    Membership,
    staff.flatMap(({ id, role, branches: keys }) => keys.map((key) => ({ staffId: id, branchId: idOf(key), role }))),
  )
  await insertMany(
    tx,
    Agreement,
    agreements.map(({ id, branchId }) => ({
      id,
      branchId,
      version: 1,
      text: defaultAgreementText,
      validFrom: monthsBefore(now),
    })),
  )
  const chanceOfWords = new Chance('guide words')
  const coordinator = staff.find(({ role }) => role === 'coordinator')
  await insertMany(
    tx,
    GuideTextRow,
    branches.flatMap(({ id: branchId }) =>
      Object.entries(demoGuideWords).flatMap(([language, words]) =>
        Object.entries(words).map(([title, text]) => ({
          id: chanceOfWords.id(),
          branchId,
          scope: 'programme',
          modelId: null,
          kitId: null,
          key: '_words',
          language,
          title,
          text,
          reason: '',
          inUse: true,
          byStaffId: coordinator?.id,
          at: monthsBefore(now),
        })),
      ),
    ),
  )
  await insertMany(tx, BorrowerRow, borrowers)
  const models = demoModels.map((model) => ({
    ...model,
    id: chance.id(),
    partIds: model.parts.map(() => chance.id()),
  }))
  await insertMany(
    tx,
    Model,
    models.map(({ id, name, family, optics, mount, mirror, stand, finder, parts }) => ({
      id,
      name,
      family,
      optics,
      mount,
      mirror,
      stand,
      finder,
      procedure: null,
      weighGroups: demoWeighGroups.filter((group) => parts.some(({ weighGroup }) => weighGroup === group.name)),
      version: 1,
    })),
  )
  await insertMany(
    tx,
    ModelPartRow,
    models.flatMap(({ id: modelId, parts, partIds }) =>
      parts.map(({ consumable, ...part }, index) => ({
        ...part,
        id: partIds[index],
        modelId,
        position: index + 1,
        criticality: roleFacts(part.role).criticality,
        toleranceG: Math.max(1, part.massG * 0.02),
        lookEveryTime: roleFacts(part.role).lookEveryTime ?? false,
        lookFor: '',
        consumable: consumable && { ...consumable, changedOn: null },
        pictureId: null,
      })),
    ),
  )
  await insertMany(
    tx,
    Spare,
    branches.flatMap(({ id: branchId, key }) =>
      demoSpares
        .filter(({ branch }) => branch === key)
        .map(({ branch: _branch, ...spare }) => ({ ...spare, id: chance.id(), branchId, note: '', version: 1 })),
    ),
  )

  const sites = demoSites.map(({ branch, ...site }) => ({
    ...site,
    id: chance.id(),
    branchId: idOf(branch),
    version: 1,
  }))
  await insertMany(tx, SiteRow, sites)
  await insertMany(
    tx,
    LandmarkRow,
    sites.flatMap(({ id: siteId, name }) =>
      (demoLandmarks[name] ?? []).map((landmark) => ({ ...landmark, id: chance.id(), siteId, version: 1 })),
    ),
  )

  const histories = kits.map((story) => {
    const model = models.find(({ key }) => key === story.model)
    const branch = branches.find(({ key }) => key === story.branch)
    if (!model || !branch) throw new RangeError(`story ${story.code} names no model or branch`)
    const cast = {
      branchId: branch.id,
      branch,
      agreementId: agreements.find(({ key }) => key === story.branch)?.id ?? '',
      staffIds: staff
        .filter(
          (person) => person.role !== 'read-only' && (person.branches as readonly string[]).includes(story.branch),
        )
        .map(({ id }) => id),
      borrowerIds: borrowers.filter(({ branchId }) => branchId === branch.id).map(({ id }) => id),
    }
    return {
      story,
      model,
      history: playHistory(
        story,
        new KitHistory(story, model, model.id, model.partIds, cast, new Chance(story.code)),
        now,
      ),
    }
  })
  await writeHistories(tx, histories)
}

const monthsBefore = (now: Date) => DateTime.fromJSDate(now).minus({ months: HISTORY_MONTHS }).toJSDate()

/** Plays loan after loan up to today, and ends as the kit's story wants. */
function playHistory(story: KitStory, history: KitHistory, now: Date): KitHistory {
  const zone = demoBranches.find(({ key }) => key === story.branch)?.zone ?? 'UTC'
  const today = DateTime.fromJSDate(now, { zone }).startOf('day')
  const chance = new Chance(`${story.code} loans`)
  const at = (day: DateTime, hour: number) => day.set({ hour: Math.floor(hour), minute: (hour % 1) * 60 }).toJSDate()
  let day: DateTime = today.minus({ months: HISTORY_MONTHS }).plus({ days: chance.whole(0, 12) })
  history.broughtIn(at(day, 10))
  history.check(at(day, 14))
  history.changeCells(at(day, 14))
  if (!story.neverWeighed) history.weighComplete(at(day, 15))

  const openOut = story.outDueInDays === undefined ? null : today.plus({ days: story.outDueInDays - LOAN_DAYS })
  const lastDay = openOut ?? today.minus({ days: story.lastReturn?.checked === false ? 1 : 2 })
  for (;;) {
    const out = openDay(day.plus({ days: chance.whole(1, 9) }))
    const due = openDay(out.plus({ days: LOAN_DAYS }))
    const back = openDay(due.plus({ days: chance.pick([-1, 0, 0, 0, 0, 1, 2]) }))
    const following = back.plus({ days: 3 + LOAN_DAYS + 5 })
    const isLast = following > lastDay
    const backDay = isLast ? latestOf(back, story, lastDay) : back
    if (backDay >= lastDay.plus({ days: 1 })) break
    const loanId = history.loan(at(out, 16), at(due, 17), at(backDay, 11))
    history.takeBack(loanId, at(backDay, 11), isLast ? story.lastReturn : undefined)
    const unchecked = story.uncheckedForDays && backDay > today.minus({ days: story.uncheckedForDays })
    const waits = isLast && (story.lastReturn?.checked === false || story.leftOff)
    if (!unchecked && !waits) history.check(at(backDay, 15))
    if (isLast && story.leftOff) history.check(at(backDay, 15), story.leftOff)
    day = backDay
    if (isLast) break
  }
  if (openOut) history.loan(at(openOut, 16), dueAt(today, story.outDueInDays ?? 0, now), null)
  if (story.promised)
    history.promise(promiseAt(openDay(today.plus({ days: story.promised.inDays })), story.promised.hour, now))
  return history
}

/** Closed on Sundays. */
const openDay = (day: DateTime): DateTime => (day.weekday === 7 ? day.plus({ days: 1 }) : day)

/** The last return lies close to today where the story hangs on it. */
const latestOf = (back: DateTime, story: KitStory, lastDay: DateTime): DateTime =>
  story.lastReturn || story.leftOff ? lastDay : back

/** Due at five; “due today” is tomorrow when five is over. */
function dueAt(today: DateTime, inDays: number, now: Date): Date {
  const due = today.plus({ days: inDays }).set({ hour: 17 })
  return (inDays === 0 && due.toJSDate() <= now ? due.plus({ days: 1 }) : due).toJSDate()
}

function promiseAt(day: DateTime, hour: number, now: Date): Date {
  const at = day.set({ hour: Math.floor(hour), minute: (hour % 1) * 60 })
  return (at.toJSDate() <= now ? at.plus({ days: 1 }) : at).toJSDate()
}

async function writeHistories(
  tx: Tx,
  histories: { story: KitStory; model: { id: string }; history: KitHistory }[],
): Promise<void> {
  const all = <T>(pick: (history: KitHistory) => T[]) => histories.flatMap(({ history }) => pick(history))
  const byTime = (key: string) => (a: Record<string, unknown>, b: Record<string, unknown>) =>
    Number(a[key] ?? Infinity) - Number(b[key] ?? Infinity)
  const kits = histories.map(({ story, model, history }) => ({
    id: history.kitId,
    branchId: history.rows.record[0]?.branchId,
    modelId: model.id,
    code: story.code,
    name: story.name,
    place: story.place,
    standsAt: history.standsAt,
    collimationPolicy: 'leave-it-to-us',
    ownFinder: null,
    hazards: history.hazards,
    headMomentGmm: history.headMomentGmm,
    version: 1,
  }))
  await insertMany(tx, Kit, kits)
  await insertMany(
    tx,
    PartRow,
    all(({ rows }) => rows.parts),
  )
  await insertMany(tx, Loan, all(({ rows }) => rows.loans).sort(byTime('outAt')))
  await insertMany(
    tx,
    TakeBackRow,
    all(({ rows }) => rows.takeBacks),
  )
  await insertMany(
    tx,
    GuideRow,
    all(({ rows }) => rows.guides),
  )
  await insertMany(
    tx,
    BenchCheck,
    all(({ rows }) => rows.checks),
  )
  await insertMany(
    tx,
    ReadingRow,
    all(({ rows }) => rows.readings),
  )
  await insertMany(
    tx,
    StepTimeRow,
    all(({ rows }) => rows.stepTimes),
  )
  await compactGuides(tx)
  await recountStepMedians(tx)
  await recountLosses(tx)
  await insertMany(
    tx,
    WeighingRow,
    all(({ rows }) => rows.weighings),
  )
  await insertMany(
    tx,
    Job,
    all(({ rows }) => rows.jobs),
  )
  await insertMany(tx, ActRecord, all(({ rows }) => rows.record).sort(byTime('at')))
}
