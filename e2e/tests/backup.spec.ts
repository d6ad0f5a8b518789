import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { expect, test } from '@playwright/test'
import { makeDatabase, makeDemo, startOn } from '../support/server.ts'

import { entry, loanOut, run, digests, signedIn } from '../support/bad-nights.ts'

test('a backup made in use is one instant, comes back identical, and is refused when it was touched @long', async () => {
  const database = await makeDemo()
  const server = await startOn(database)
  const folder = mkdtempSync(join(tmpdir(), 'binoculum-backup-'))
  const made = () =>
    readdirSync(folder)
      .filter((name) => name.endsWith('.backup'))
      .sort()
  try {
    const call = await signedIn(server.base, server.signInsPath)
    const loanId = await loanOut(call)
    let sent = 0
    let isOver = false
    const writing = (async () => {
      while (!isOver)
        if ((await call('POST', `/api/loans/${loanId}/draft`, entry(`mark-${sent++}`))).status !== 200) break
    })()
    const inUse = await run('backup.mjs', ['--to', folder], {
      DATABASE_OWNER_URL: database.ownerUrl,
      DATABASE_URL: '',
    })
    isOver = true
    await writing
    expect([inUse.code, inUse.said]).toEqual([0, expect.stringContaining('SHA-256')])
    expect(sent).toBeGreaterThan(3)

    const atRest = await run('backup.mjs', ['--to', folder, '--keep', '1'], {
      ...{ DATABASE_OWNER_URL: database.ownerUrl, BACKUP_PASSPHRASE: 'cellar-lantern-harrow' },
    })
    expect(atRest.code).toBe(0)
    expect(made()).toHaveLength(1)
    const path = join(folder, made()[0] ?? '')
    const bytes = readFileSync(path)
    expect(bytes.includes('Teague')).toBe(false)

    const empty = await makeDatabase()
    const touched = join(folder, 'touched.backup')
    writeFileSync(touched, Buffer.from(bytes).fill(7, bytes.length - 900, bytes.length - 899))
    const refused = await run('restore.mjs', [touched], { DATABASE_OWNER_URL: empty.ownerUrl })
    expect([refused.code, refused.said]).toEqual([8, expect.stringContaining('not whole')])
    const locked = await run('restore.mjs', [path], {
      DATABASE_OWNER_URL: empty.ownerUrl,
      BACKUP_PASSPHRASE: 'another',
    })
    expect([locked.code, locked.said]).toEqual([8, expect.stringContaining('passphrase')])
    const env = { DATABASE_OWNER_URL: empty.ownerUrl, BACKUP_PASSPHRASE: 'cellar-lantern-harrow' }
    const back = await run('restore.mjs', [path], env)
    expect([back.code, back.said]).toEqual([0, expect.stringContaining('18 kits')])
    const [before, after] = [await digests(database), await digests(empty)]
    // The mark that says when the backup was made is set when it is done.
    const { upkeep_mark: _made, ...rest } = before
    expect(after).toMatchObject(rest)
    const twice = await run('restore.mjs', [path], env)
    expect([twice.code, twice.said]).toEqual([8, expect.stringContaining('not empty')])

    // And it works: the same people sign in to the same kits.
    const second = await startOn(empty, { data: dirname(server.signInsPath) })
    const again = await signedIn(second.base, second.signInsPath)
    expect(await loanOut(again)).toBe(loanId)
    await second.stop()
  } finally {
    await server.stop()
  }
})
