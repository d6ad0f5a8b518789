import sharp from 'sharp'
import { isBareJpeg } from './bare-jpeg.ts'

const grey = () => sharp({ create: { width: 64, height: 48, channels: 3, background: '#888' } })
const joined = (...parts: Uint8Array[]) => new Uint8Array(Buffer.concat(parts))

it.each([{}, { progressive: true }, { mozjpeg: true }])(
  'what the program writes holds nothing else: %j',
  async (options) => {
    expect(isBareJpeg(await grey().jpeg(options).toBuffer())).toBe(true)
  },
)

it('a comment, a place, bytes after the end, or half a file are something else', async () => {
  const bare = new Uint8Array(await grey().jpeg().toBuffer())
  const comment = Uint8Array.from([0xff, 0xfe, 0x00, 0x06, 0x68, 0x69, 0x68, 0x69])
  expect(isBareJpeg(joined(bare.slice(0, 2), comment, bare.slice(2)))).toBe(false)
  expect(isBareJpeg(joined(bare, Uint8Array.from([1, 2, 3])))).toBe(false)
  expect(isBareJpeg(bare.slice(0, bare.length - 2))).toBe(false)
  expect(
    isBareJpeg(
      new Uint8Array(
        await grey()
          .withExif({ IFD0: { Copyright: 'x' } })
          .jpeg()
          .toBuffer(),
      ),
    ),
  ).toBe(false)
  expect(isBareJpeg(new Uint8Array(await grey().png().toBuffer()))).toBe(false)
})
