import { spawn } from 'node:child_process'
import { chmodSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { freePort } from '../../scripts/lib/processes.mjs'
import { expect, fillHandOut, test } from '../support/people.ts'

const script = fileURLToPath(new URL('../../scripts/start.mjs', import.meta.url))

test('from an empty programme to the first loan, by hand and without a dead end @long', async ({ page }) => {
  const data = mkdtempSync(join(tmpdir(), 'binoculum-start-'))
  chmodSync(data, 0o755)
  const port = await freePort()
  const env = { ...process.env, DATABASE_URL: '', BINOCULUM_DATA: data, PORT: String(port) }
  const programme = spawn(process.execPath, [script, '--empty'], { env, stdio: ['ignore', 'pipe', 'pipe'] })
  let said = ''
  programme.stdout.on('data', (chunk) => (said += chunk))
  programme.stderr.on('data', (chunk) => (said += chunk))
  const ended = new Promise((resolve) => programme.on('exit', resolve))
  try {
    const link = /http:\/\/127\.0\.0\.1:\d+\/join\/[\w-]{22,}/
    await expect.poll(() => said, { timeout: 90_000 }).toMatch(link)
    // Every hand's movement counts: fields filled, buttons and lines touched.
    let touches = 0
    const fill = async (label: string, words: string) => {
      touches++
      await page.getByLabel(label, { exact: true }).fill(words)
    }
    const named = async (name: string, words: string) => {
      touches++
      await page.locator(`[name=${name}]`).fill(words)
    }
    const click = async (name: string | RegExp, role: 'button' | 'link' = 'button') => {
      touches++
      await page.getByRole(role, { name }).first().click()
    }
    await page.goto(link.exec(said)?.[0] ?? '')
    await fill('your name', 'Mirja Dunlop')
    await fill('mail address', 'mirja@hollow.example')
    await fill('library or club', 'Hollow Street Library')
    await fill('time zone, such as Europe/Dublin', 'Europe/Dublin')
    await fill('emergency line, printed beside every coin cell', '112')
    await page.locator('input[type=password]').first().fill('a long first password')
    await page.locator('form button').last().click()

    // The empty shelf says what comes first.
    await expect(page.getByRole('heading', { name: 'No kit stands here yet.' })).toBeVisible()
    await click('Make one by hand', 'link')
    await expect(page.getByRole('heading', { name: 'Kits', exact: true })).toBeVisible()
    if (await page.getByRole('button', { name: 'It is a new model' }).isVisible()) await click('It is a new model')
    await named('aperture', '108')
    await named('focal-length', '460')
    await named('low-eyepiece', '22')
    await named('second-eyepiece', '9')
    await click('Make the model')
    await named('kit-code', 'H-01')
    await named('kit-name', 'Bilberry')
    await named('kit-place', 'cupboard')
    await click('Make the kit')

    // Its own sheet: nobody has looked at it, so it may not go out, and what to do stands there.
    await expect(page.getByRole('heading', { name: /Bilberry/ }).first()).toBeVisible()
    await expect(page.getByText(/parts not looked at/).first()).toBeVisible()
    for (let looks = 0; looks < 12; looks++) {
      await click('all the rest is there')
      await page.waitForTimeout(300)
      const own = page.getByRole('button', { name: 'It is there' })
      if ((await own.count()) > 0) {
        touches++
        await own.first().click()
        await page.waitForTimeout(300)
      }
      if ((await page.getByRole('button', { name: 'all the rest is there' }).count()) === 0) break
    }
    await expect(page.getByText(/parts not looked at/)).toHaveCount(0)
    await click(/Hand out/, 'link')
    await expect(page.getByRole('heading', { name: 'Bilberry goes out' })).toBeVisible()
    await fillHandOut(page, { name: 'Ross Finch', contact: 'ross@post.example' })
    touches += 7
    await click(/Hand out/)
    await expect(page.getByRole('heading', { name: 'Bilberry is out.' })).toBeVisible()
    await expect(page.locator('[data-guide-link]')).toBeVisible()
    // Fifteen minutes, at six seconds a touch.
    expect(touches).toBeLessThan(150)
    console.log(`from nothing to the first loan: ${touches} touches`)
  } finally {
    programme.kill('SIGTERM')
    await ended
  }
})
