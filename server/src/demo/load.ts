import { mkdirSync, existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { z } from 'zod'
import { features } from '../features.ts'
import type { Database, Tx } from '../platform/database.ts'
import { insertAlongKeys, insertMany, isEmpty } from '../platform/bulk.ts'
import { ActRecord } from '../platform/record-entities.ts'
import { hashPassword, readablePassword } from '../platform/secrets.ts'
import { demoKits, demoStaff, type KitStory } from './scenario.ts'
import { tellStory } from './story.ts'

const DEMO_LOCK = 8_460_002

const signInsSchema = z.array(z.object({ email: z.string(), role: z.string(), password: z.string() }))
type SignIns = z.infer<typeof signInsSchema>

/** Fills an empty database with the demo and tells the sign-ins; a filled one is left alone. */
export async function loadDemo(given: { database: Database; now: Date; dataFolder: string }): Promise<string> {
  const path = join(given.dataFolder, 'demo-sign-ins.json')
  await given.database.inTransaction(async (tx) => {
    // Of two servers that start on an empty database the second waits, and finds it filled.
    await tx.query('SELECT pg_advisory_xact_lock($1)', [DEMO_LOCK])
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

/** Everything invented, written in one transaction: each feature's part, along the foreign keys. */
export async function fillDemo(
  tx: Tx,
  now: Date,
  signIns: SignIns,
  kits: readonly KitStory[] = demoKits,
): Promise<void> {
  const passwordHashes = await Promise.all(signIns.map(({ password }) => hashPassword(password)))
  const story = tellStory(now, passwordHashes, kits)
  const parts = features.flatMap(({ demo }) => demo?.rows(story) ?? [])
  await insertAlongKeys(tx, parts)
  await insertMany(tx, ActRecord, story.record)
  for (const { demo } of features) await demo?.after?.(tx)
}
