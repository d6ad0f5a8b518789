import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { marksAmong, type FoundMarks, type Picture } from '@binoculum/core'
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'

/** Four of a case, and what else may lie about. */
const MOST_CODES = 12

let prepared = false
function prepare(): void {
  if (prepared) return
  prepared = true
  const file = readFileSync(createRequire(import.meta.url).resolve('zxing-wasm/reader/zxing_reader.wasm'))
  const wasmBinary = file.buffer.slice(file.byteOffset, file.byteOffset + file.byteLength) as ArrayBuffer
  prepareZXingModule({ overrides: { wasmBinary } })
}

/** The case's marks in a picture, by the reader that the desk uses as well. */
export async function readCaseMarks({ widthPx, heightPx, rgba }: Picture): Promise<FoundMarks> {
  prepare()
  const codes = await readBarcodes(
    {
      data: new Uint8ClampedArray(rgba.buffer as ArrayBuffer, rgba.byteOffset, rgba.length),
      width: widthPx,
      height: heightPx,
      colorSpace: 'srgb',
    },
    { formats: ['QRCode'], maxNumberOfSymbols: MOST_CODES, tryHarder: true },
  )
  return marksAmong(
    codes.map(({ text, position: { topLeft, topRight, bottomRight, bottomLeft } }) => ({
      text,
      corners: [topLeft, topRight, bottomRight, bottomLeft],
    })),
  )
}
