import sharp from 'sharp'
import { decodePicture, NotAPicture } from './decode-picture.ts'

/** Left half black, right half white, 8 × 4. */
const halves = () =>
  sharp(Buffer.from(Array.from({ length: 8 * 4 * 3 }, (_, i) => (Math.floor(i / 3) % 8 < 4 ? 0 : 255))), {
    raw: { width: 8, height: 4, channels: 3 },
  })

it('a picture’s pixels come out as they were held: its EXIF turn undone', async () => {
  const upright = await decodePicture(await halves().png().toBuffer())
  expect([upright.widthPx, upright.heightPx, upright.rgba[0], upright.rgba[7 * 4]]).toEqual([8, 4, 0, 255])
  // 6: the camera was turned a quarter, its top is at the right.
  const turned = await decodePicture(
    await halves().withMetadata({ orientation: 6 }).jpeg({ quality: 100 }).toBuffer(),
  )
  expect([turned.widthPx, turned.heightPx]).toEqual([4, 8])
  expect(turned.rgba[0]).toBeLessThan(60)
  expect(turned.rgba[(4 * 8 - 1) * 4]).toBeGreaterThan(200)
})

it('a grey picture has four bytes a pixel too', async () => {
  const { rgba } = await decodePicture(await halves().greyscale().png().toBuffer())
  expect(rgba.length).toBe(8 * 4 * 4)
})

it.each([
  ['nothing', Buffer.alloc(0)],
  ['a text', Buffer.from('no picture at all')],
  ['a drawing that runs code', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="5" height="5"/>')],
])('%s is not a picture', async (_what, bytes) => {
  await expect(decodePicture(bytes)).rejects.toThrow(NotAPicture)
})
