import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import QRCode from 'qrcode'
import { expect, goTo, signIn, test } from '../support/people.ts'

const WIDTH = 640
const HEIGHT = 480
const MODULE = 8

/** A film of one picture, a QR code on grey paper, as raw Y4M: what Chromium takes for a camera. */
function filmOf(text: string): string {
  const { size, data } = QRCode.create(text).modules
  const bright = Buffer.alloc(WIDTH * HEIGHT, 200)
  const left = (WIDTH - size * MODULE) / 2
  const top = (HEIGHT - size * MODULE) / 2
  for (let y = 0; y < size * MODULE; y++)
    for (let x = 0; x < size * MODULE; x++)
      if (data[Math.floor(y / MODULE) * size + Math.floor(x / MODULE)])
        bright[(Math.floor(top) + y) * WIDTH + Math.floor(left) + x] = 30
  const grey = Buffer.alloc((WIDTH * HEIGHT) / 2, 128)
  const frames = Array.from({ length: 10 }, () => [Buffer.from('FRAME\n'), bright, grey]).flat()
  const path = join(mkdtempSync(join(tmpdir(), 'binoculum-camera-')), 'label.y4m')
  writeFileSync(path, Buffer.concat([Buffer.from(`YUV4MPEG2 W${WIDTH} H${HEIGHT} F10:1 Ip A1:1 C420\n`), ...frames]))
  return path
}

test('the camera reads a label and opens its kit, with the reader that is shipped', async ({ playwright }) => {
  const browser = await playwright.chromium.launch({
    executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-background-networking',
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-video-capture=${filmOf('M-04')}`,
    ],
  })
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  await signIn(context, 'ines')
  const page = await context.newPage()
  const problems: string[] = []
  page.on('pageerror', (error) => problems.push(error.message))
  page.on('console', (message) => message.type() === 'error' && problems.push(message.text()))
  await goTo(page, '/shelf')
  expect(await page.evaluate(() => 'BarcodeDetector' in window)).toBe(false)
  await page.getByRole('button', { name: 'Scan a label with the camera' }).click()
  await expect(page).toHaveURL(/\/kits\/M-04$/)
  await expect(page.getByLabel('Picture of the camera')).toHaveCount(0)
  expect(problems).toEqual([])
  await browser.close()
})

test('without a camera it says what to do instead', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/shelf')
  await page.getByRole('button', { name: 'Scan a label with the camera' }).click()
  await expect(page.getByText('Type the code into the find box instead.')).toBeVisible()
})
