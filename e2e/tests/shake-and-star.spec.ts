import sharp from 'sharp'
import { diffractionStar, type Aberrated } from '../../core/src/testing/diffraction-star.ts'
import { openStation } from '../support/bench.ts'
import { hurdles } from '../support/hurdles.ts'
import { expect, signIn, test } from '../support/people.ts'
import { figure } from '../support/seen.ts'

/** A star by diffraction, as a phone writes it. */
const star = async (given: Aberrated, name = 'star.png') => {
  const { widthPx, heightPx, rgba } = diffractionStar(given)
  const raw = { width: widthPx, height: heightPx, channels: 4 as const }
  return { name, mimeType: 'image/png', buffer: await sharp(Buffer.from(rgba), { raw }).png().toBuffer() }
}

// Its owner lets the tablet's sensors be read.
test.use({ permissions: ['accelerometer', 'gyroscope', 'magnetometer'] })

test('a tap is told by the tablet’s sensor, and what was tightened stands beside it @long', async ({
  page,
  context,
}) => {
  await signIn(context, 'kofi')
  await openStation(page, 'M-05', /^Assembly/)
  const shake = page.getByRole('region', { name: 'Shake' })
  /** A swing that the page hears as its sensor would tell it, sixty times a second. */
  const tap = async (decayPerS: number) => {
    await shake.getByRole('button', { name: 'Listen, then tap' }).click()
    await page.evaluate(async (decay) => {
      const began = performance.now()
      await new Promise<void>((done) => {
        const timer = setInterval(() => {
          const t = (performance.now() - began) / 1000 - 0.2
          const y = t < 0 ? 0 : 1.1 * Math.exp(-decay * t) * Math.cos(2 * Math.PI * 2.5 * t)
          window.dispatchEvent(Object.assign(new Event('devicemotion'), { acceleration: { x: 0, y, z: 0 } }))
          if (t > 6) {
            clearInterval(timer)
            done()
          }
        }, 16)
      })
    }, decayPerS)
  }
  await tap(0.8)
  await expect(figure(shake)).toHaveText(/^3\.[67] s|^3\.8 s/)
  await expect(shake.getByRole('status')).toContainText('Only low powers')
  await tap(2)
  await expect(figure(shake)).toHaveText(/^1\.[3-7] s/)
  await expect(shake.getByRole('status')).toContainText('Tightening the feet helped most')
  expect(await hurdles(page)).toEqual([])
})

test('a tap is told by a video of a star; a video of nothing is refused @long', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await openStation(page, 'M-05', /^Assembly/)
  const shake = page.getByRole('region', { name: 'Shake' })
  /** A phone's video at the eyepiece: a star that swings 2.5 times a second, still after a second and a half. */
  const video = async (peak: number) => ({
    name: 'star.webm',
    mimeType: 'video/webm',
    buffer: Buffer.from(
      await page.evaluate(async (brightness) => {
        const canvas = Object.assign(document.createElement('canvas'), { width: 320, height: 240 })
        const page2d = canvas.getContext('2d')
        const recorder = new MediaRecorder(canvas.captureStream(30), {
          mimeType: 'video/webm',
          videoBitsPerSecond: 4e6,
        })
        const pieces: Blob[] = []
        recorder.ondataavailable = ({ data }) => pieces.push(data)
        const began = performance.now()
        recorder.start()
        await new Promise<void>((done) => {
          const timer = setInterval(() => {
            const t = (performance.now() - began) / 1000
            const swing = t < 0.6 ? 0 : 50 * Math.exp(-2 * (t - 0.6)) * Math.sin(2 * Math.PI * 2.5 * (t - 0.6))
            if (page2d) {
              page2d.fillStyle = '#0b0b12'
              page2d.fillRect(0, 0, 320, 240)
              page2d.fillStyle = `rgb(${brightness} ${brightness} ${brightness})`
              page2d.beginPath()
              page2d.arc(160 + swing, 120 + swing / 3, 3.5, 0, 7)
              page2d.fill()
            }
            if (t > 5) {
              clearInterval(timer)
              done()
            }
          }, 12)
        })
        const all = new Promise((done) => (recorder.onstop = done))
        recorder.stop()
        await all
        return [...new Uint8Array(await new Blob(pieces).arrayBuffer())]
      }, peak),
    ),
  })
  const upload = shake.locator('input[type=file]')
  await upload.setInputFiles(await video(12))
  await expect(shake.getByRole('alert')).toContainText('No star stands alone in the video')
  await upload.setInputFiles(await video(250))
  await expect(figure(shake)).toHaveText(/^1\.[3-7] s/)
  await expect(shake.getByRole('status')).toContainText(/It swings 2\.[4-6] times a second/)
  await expect(shake.getByRole('alert')).toBeHidden()
  expect(await hurdles(page)).toEqual([])
})

test('a star through a lens: fit, or a workshop’s; a lamp is refused', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await openStation(page, 'M-05', /^Star/)
  const look = page.getByRole('region', { name: 'The star, photographed' })
  const upload = look.locator('input[type=file]').first()
  await upload.setInputFiles(await star({ defocusWaves: 5 }))
  await expect(look.getByRole('status')).toContainText('Fit.')
  await expect(page.getByRole('radio', { name: 'Fine', exact: true })).toBeChecked()
  await upload.setInputFiles(await star({ defocusWaves: 5, comaWaves: 1.2 }, 'knocked.png'))
  await expect(look.getByRole('status')).toContainText('For a workshop')
  await expect(page.getByRole('radio', { name: 'Not fine' })).toBeChecked()
  const lamp = await sharp({ create: { width: 400, height: 300, channels: 3, background: '#ddd' } })
    .png()
    .toBuffer()
  await upload.setInputFiles({ name: 'lamp.png', mimeType: 'image/png', buffer: lamp })
  await expect(look.getByRole('alert')).toBeVisible()
  expect(await hurdles(page)).toEqual([])
})
