import type { EntityTarget, ObjectLiteral } from 'typeorm'
import type { Tx } from './database.ts'

type Row = Record<string, unknown>

/** All that is invented for the demo, as rows. Each feature takes what is its own and says which table it goes into. */
export interface DemoStory {
  readonly now: Date
  readonly branches: readonly Row[]
  readonly openings: readonly Row[]
  readonly closings: readonly Row[]
  readonly staff: readonly Row[]
  readonly memberships: readonly Row[]
  readonly agreements: readonly Row[]
  readonly borrowers: readonly Row[]
  readonly models: readonly Row[]
  readonly modelParts: readonly Row[]
  readonly spares: readonly Row[]
  readonly sites: readonly Row[]
  readonly landmarks: readonly Row[]
  readonly guideTexts: readonly Row[]
  readonly kits: readonly Row[]
  readonly parts: readonly Row[]
  readonly loans: readonly Row[]
  readonly benchEvenings: readonly Row[]
  readonly transfers: readonly Row[]
  readonly benchSkills: readonly Row[]
  readonly waiting: readonly Row[]
  readonly takeBacks: readonly Row[]
  readonly guides: readonly Row[]
  readonly toldTargets: readonly Row[]
  readonly toldStops: readonly Row[]
  readonly checks: readonly Row[]
  readonly readings: readonly Row[]
  readonly stepTimes: readonly Row[]
  readonly weighings: readonly Row[]
  readonly jobs: readonly Row[]
  readonly record: readonly Row[]
}

/** A feature's part of the demo. Tables may be named in any order: they are filled along their foreign keys. */
export interface DemoPart {
  readonly rows: (story: DemoStory) => readonly (readonly [EntityTarget<ObjectLiteral>, readonly Row[]])[]
  /** What is kept as counts, recounted when all is in. */
  readonly after?: (tx: Tx) => Promise<unknown>
}
