import {
  DEFAULT_DUE_CHANCE,
  driftPairs,
  forecastDrift,
  lentDrift,
  type ClassDrift,
  type DriftForecast,
  type DriftForecastInput,
  type DriftPair,
} from '@binoculum/core'
import type { Tx } from '../../platform/database.ts'
import { KitDriftRow } from './entities.ts'
import * as queries from './queries.ts'

/** The model counts for at most so many pairs of a kit's own. */
const MOST_PRIOR = 4
/** Chances are kept for so many loans without a look; after more the last one counts. */
const LOANS_AHEAD = 10

export interface KitForecast extends DriftForecast {
  readonly limitMm: number
  /** How far off it was left. */
  readonly leftMm: number
  readonly loansSince: number
  readonly dueChance: number
  /** The chance after 1, 2, 3 … loans without a look. */
  readonly chanceAfter: readonly number[]
}

interface KitOfModel {
  readonly id: string
  readonly modelId: string
}

/** Of a mirror that somebody has looked at; its model's other kits lend what it has too little of. Null without a look. */
export async function forecastOf(
  tx: Tx,
  kit: KitOfModel,
  dueChance = DEFAULT_DUE_CHANCE,
): Promise<KitForecast | null> {
  const looks = await queries.mirrorLooks(tx, kit)
  const own = looks.filter(({ kitId }) => kitId === kit.id)
  const limitMm = own.reduce((newest, look) => (look.at > newest.at ? look : newest), own[0] ?? NEVER).limit
  if (!(limitMm > 0)) return null
  const backs = await queries.returnsOf(tx, [...new Set(looks.map(({ kitId }) => kitId))])
  const pairsOf = (id: string) =>
    driftPairs(
      looks.filter(({ kitId }) => kitId === id).map(({ at, ...look }) => ({ ...look, atUtc: at.toISOString() })),
      backs.filter(({ kitId }) => kitId === id).map(({ backAt }) => backAt.toISOString()),
    )
  const pairs = pairsOf(kit.id)
  if (!pairs) return null
  const others = [...new Set(looks.map(({ kitId }) => kitId))].filter((id) => id !== kit.id)
  const ofModel = priorOf(
    others.flatMap((id) => pairsOf(id)?.history ?? []),
    limitMm,
  )
  // Its own model's kits say more than other programmes' of its class.
  const prior = ofModel ?? (await priorTold(tx, kit.id))
  const { history, now } = pairs
  const given: Omit<DriftForecastInput, 'now'> = { history, limitMm, ...(prior && { prior }) }
  const chanceAfter = Array.from(
    { length: LOANS_AHEAD },
    (_, loansSince) => forecastDrift({ ...given, now: { ...now, loansSince } }).chanceBeyondLimit ?? 0,
  )
  return {
    ...forecastDrift({ ...given, now, dueChance }),
    leftMm: 'lengthMm' in now.asLeftMm ? now.asLeftMm.lengthMm : Math.hypot(now.asLeftMm.x, now.asLeftMm.y),
    ...{ limitMm, loansSince: now.loansSince, dueChance, chanceAfter },
  }
}

async function priorTold(tx: Tx, kitId: string) {
  const told = await queries.driftTold(tx, kitId)
  return lentDrift(
    told.map(({ drift }) => ({ losses: [], drift })),
    told[0]?.family ?? '',
  )
}

/** So many kits are enough to tell how a class wanders. */
const MOST_TOLD_KITS = 300

/** How a branch's mirrors wander from loan to loan, class by class. */
export async function driftOfBranch(tx: Tx, branchId: string): Promise<ClassDrift[]> {
  const kits = await queries.kitsOfBranchWithMirrors(tx, branchId, MOST_TOLD_KITS)
  const ids = kits.map(({ id }) => id)
  const looks = await queries.looksOfKits(tx, ids)
  const backs = await queries.returnsOf(tx, ids)
  const histories = new Map<string, DriftPair[]>()
  for (const { id, family } of kits) {
    const pairs = driftPairs(
      looks.filter(({ kitId }) => kitId === id).map(({ at, ...look }) => ({ ...look, atUtc: at.toISOString() })),
      backs.filter(({ kitId }) => kitId === id).map(({ backAt }) => backAt.toISOString()),
    )
    histories.set(family, [...(histories.get(family) ?? []), ...(pairs?.history ?? [])])
  }
  return [...histories].flatMap(([family, history]) => {
    const now = { asLeftMm: { lengthMm: 0 }, loansSince: 0 }
    const { sigmaPerLoanMm } = forecastDrift({ history, now, limitMm: 1 })
    return sigmaPerLoanMm
      ? [{ family: family as ClassDrift['family'], sigmaMmPerLoan: sigmaPerLoanMm, pairs: history.length }]
      : []
  })
}

const NEVER = { at: new Date(0), limit: 0 }

/** The model's spread per loan, by as many pairs as there are, and counting for few. */
function priorOf(pairs: readonly DriftPair[], limitMm: number): { sigmaMm: number; weight: number } | null {
  if (pairs.length === 0) return null
  const now = { asLeftMm: { lengthMm: 0 }, loansSince: 0 }
  const { sigmaPerLoanMm } = forecastDrift({ history: pairs, now, limitMm })
  return sigmaPerLoanMm ? { sigmaMm: sigmaPerLoanMm, weight: Math.min(MOST_PRIOR, pairs.length) } : null
}

/** Keeps a kit's chances after a look at its mirror, within the transaction that kept the look. */
export async function keepDrift(tx: Tx, kit: KitOfModel): Promise<void> {
  const forecast = await forecastOf(tx, kit)
  if (!forecast) return
  const { limitMm, chanceAfter, loansSince, basis } = forecast
  const known = basis.kind === 'none' ? [] : [...chanceAfter]
  await tx.upsert(KitDriftRow, { kitId: kit.id, limitMm, chanceAfter: known, loansSince }, ['kitId'])
}

/** All of them anew from the history, where rows came in by the thousand. */
export async function recountDrift(tx: Tx): Promise<void> {
  for (const kit of await queries.kitsWithMirrors(tx)) await keepDrift(tx, kit)
}
