import { roleFacts } from '@binoculum/core'
import { DateTime } from 'luxon'
import { defaultAgreementText, defaultPolicies } from '../features/people/defaults.ts'
import type { DemoStory } from '../platform/demo-story.ts'
import { demoModels, demoPriceMinor, demoWeighGroups } from './catalogue.ts'
import { demoLandmarks } from './finders.ts'
import { demoGuideWords } from './guide-words.ts'
import { KitHistory } from './kit-history.ts'
import {
  demoBenchEvenings,
  demoBenchSkills,
  demoTransfer,
  demoClosings,
  demoWaiting,
  demoOpenings,
  openDay,
  promisesAhead,
  zoneOf,
} from './months-ahead.ts'
import { demoSites } from './mounts.ts'
import { Chance } from './random.ts'
import { demoToldStops, demoToldTargets } from './told-nights.ts'
import { demoBorrowers, demoBranches, demoSpares, demoStaff, type BranchKey, type KitStory } from './scenario.ts'

const HISTORY_MONTHS = 18
const LOAN_DAYS = 14
/** Between a return and the next pick-up, in the demo. */
const DAYS_BETWEEN = 4

/** Invents branches, people, models and eighteen months of every kit. Deterministic: only `now` and the passwords differ.
 * @param passwordHashes in the order of the demo's staff */
export function tellStory(now: Date, passwordHashes: readonly string[], kits: readonly KitStory[]): DemoStory {
  const chance = new Chance('people')
  const branches = demoBranches.map((branch) => ({ ...branch, id: chance.id() }))
  const staff = demoStaff.map((person) => ({ ...person, id: chance.id() }))
  const agreements = branches.map(({ id: branchId, key }) => ({
    id: chance.id(),
    branchId,
    key,
    version: 1,
    text: defaultAgreementText,
    validFrom: monthsBefore(now),
  }))
  const borrowers = demoBorrowers.map((borrower, index) => {
    const branch = branches[index % 4 === 3 ? 1 : 0]
    return { id: chance.id(), branchId: branch?.id ?? '', ...borrower }
  })
  const idOf = (key: BranchKey) => branches.find((branch) => branch.key === key)?.id ?? ''
  const models = demoModels.map((model) => ({
    ...model,
    id: chance.id(),
    partIds: model.parts.map(() => chance.id()),
  }))
  const spares = branches.flatMap(({ id: branchId, key }) =>
    demoSpares
      .filter(({ branch }) => branch === key)
      .map(({ branch: _branch, ...spare }) => ({ ...spare, id: chance.id(), branchId, note: '', version: 1 })),
  )
  const sites = demoSites.map(({ branch, ...site }) => ({
    ...site,
    id: chance.id(),
    branchId: idOf(branch),
    version: 1,
  }))
  const landmarks = sites.flatMap(({ id: siteId, name }) =>
    (demoLandmarks[name] ?? []).map((landmark) => ({ ...landmark, id: chance.id(), siteId, version: 1 })),
  )
  const histories = kits.map((kit) => {
    const model = models.find(({ key }) => key === kit.model)
    const branch = branches.find(({ key }) => key === kit.branch)
    if (!model || !branch) throw new RangeError(`story ${kit.code} names no model or branch`)
    const staffIds = staff
      .filter((person) => person.role !== 'read-only' && (person.branches as readonly string[]).includes(kit.branch))
      .map(({ id }) => id)
    const cast = {
      branchId: branch.id,
      branch,
      agreementId: agreements.find(({ key }) => key === kit.branch)?.id ?? '',
      staffIds,
      borrowerIds: borrowers.filter(({ branchId }) => branchId === branch.id).map(({ id }) => id),
    }
    const history = new KitHistory(kit, model, model.id, model.partIds, cast, new Chance(kit.code))
    return { story: kit, model, history: playHistory(kit, history, now) }
  })
  // Two kits of it, one of them out.
  const toldModelId = models.find(({ key }) => key === 'light-108')?.id ?? ''
  const all = <T>(pick: (history: KitHistory) => T[]) => histories.flatMap(({ history }) => pick(history))
  return {
    now,
    branches: branches.map(({ key: _key, frontFilters, ...branch }) => ({
      ...branch,
      policies: { ...defaultPolicies, frontFilters },
    })),
    openings: branches.map(({ id: branchId, key }) => ({ branchId, ...demoOpenings[key] })),
    closings: branches
      .slice(0, 1)
      .map(({ id, zone }) =>
        demoClosings(id, DateTime.fromJSDate(now, { zone }).startOf('day'), new Chance('closings')),
      ),
    staff: staff.map(({ id, name, email }, index) => ({
      id,
      name,
      email,
      passwordHash: passwordHashes[index],
      closedAt: null,
    })),
    memberships: staff.flatMap(({ id, role, branches: keys }) =>
      keys.map((key) => ({ staffId: id, branchId: idOf(key), role })),
    ),
    agreements,
    borrowers,
    models: models.map(({ key, partIds: _ids, parts, ...model }) => ({
      ...model,
      branchId: idOf(kits.find((kit) => kit.model === key)?.branch ?? demoBranches[0].key),
      procedure: null,
      weighGroups: demoWeighGroups.filter((group) => parts.some(({ weighGroup }) => weighGroup === group.name)),
      version: 1,
    })),
    modelParts: models.flatMap(({ id: modelId, parts, partIds }) =>
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
    spares,
    sites,
    landmarks,
    guideTexts: guideTexts(
      branches.map(({ id }) => id),
      staff.find(({ role }) => role === 'coordinator')?.id,
      monthsBefore(now),
    ),
    kits: histories.map(({ story, model, history }) => ({
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
      priceMinor: demoPriceMinor(model),
      version: 1,
    })),
    parts: all(({ rows }) => rows.parts),
    loans: all(({ rows }) => rows.loans).sort(byTime('outAt')),
    transfers: histories
      .filter(({ story: { code } }) => code === 'F-05')
      .map(({ history: { kitId } }) =>
        demoTransfer({
          ...{ kitId, fromBranchId: idOf('club'), toBranchId: idOf('library'), byStaffId: staff[0]?.id ?? '' },
          now: DateTime.fromJSDate(now),
        }),
      ),
    benchSkills: demoBenchSkills(idOf('library'), staff.find(({ name }) => name === 'Kofi Arden')?.id ?? ''),
    benchEvenings: demoBenchEvenings(idOf('library'), DateTime.fromJSDate(now)),
    waiting: demoWaiting(idOf('library'), borrowers, DateTime.fromJSDate(now)),
    takeBacks: all(({ rows }) => rows.takeBacks),
    toldTargets: demoToldTargets(toldModelId),
    toldStops: demoToldStops(toldModelId),
    guides: all(({ rows }) => rows.guides),
    checks: all(({ rows }) => rows.checks),
    readings: all(({ rows }) => rows.readings),
    stepTimes: all(({ rows }) => rows.stepTimes),
    weighings: all(({ rows }) => rows.weighings),
    jobs: all(({ rows }) => rows.jobs),
    record: all(({ rows }) => rows.record).sort(byTime('at')),
  }
}

const byTime = (key: string) => (a: Record<string, unknown>, b: Record<string, unknown>) =>
  Number(a[key] ?? Infinity) - Number(b[key] ?? Infinity)

/** A programme's own words for its place, in both languages. */
function guideTexts(branchIds: readonly string[], byStaffId: string | undefined, at: Date) {
  const chance = new Chance('guide words')
  return branchIds.flatMap((branchId) =>
    Object.entries(demoGuideWords).flatMap(([language, words]) =>
      Object.entries(words).map(([title, text]) => ({
        id: chance.id(),
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
        byStaffId,
        at,
      })),
    ),
  )
}

const monthsBefore = (now: Date) => DateTime.fromJSDate(now).minus({ months: HISTORY_MONTHS }).toJSDate()

/** Plays loan after loan up to today, and ends as the kit's story wants. */
function playHistory(story: KitStory, history: KitHistory, now: Date): KitHistory {
  const zone = zoneOf(story.branch)
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
  let freeFrom: DateTime = today.plus({ days: Math.max(0, story.outDueInDays ?? 0) + DAYS_BETWEEN })
  if (story.promised) {
    const from = promiseAt(openDay(today.plus({ days: story.promised.inDays })), story.promised.hour, now)
    const until = openDay(DateTime.fromJSDate(from, { zone }).startOf('day').plus({ days: LOAN_DAYS }))
    history.promise(from, until.toISODate() ?? '')
    freeFrom = until.plus({ days: DAYS_BETWEEN })
  }
  if (!story.neverPromised)
    promisesAhead({ ...story, today, freeFrom }).forEach(({ at: from, untilOn }) => history.promise(from, untilOn))
  return history
}

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
