import type { Codes, DrawnCode } from '@binoculum/core'
import bwipjs from 'bwip-js/node'
import QRCode from 'qrcode'

/** Black modules as a path of rectangles, one per run of a row. */
function pathOf(size: number, isDark: (x: number, y: number) => boolean): string {
  let d = ''
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      if (!isDark(x, y)) continue
      const from = x
      while (x < size && isDark(x, y)) x++
      d += `M${from} ${y}H${x}V${y + 1}H${from}Z`
    }
  return d
}

interface Raw {
  /** Widths of bars and gaps in turn, in modules, a bar first. */
  readonly sbs: readonly number[]
}

/** QR (ISO/IEC 18004, level M) and Code 128 (ISO/IEC 15417) from the two libraries that encode them. */
export const codes: Codes = {
  qr(text): DrawnCode {
    const { size, data } = QRCode.create(text, { errorCorrectionLevel: 'M' }).modules
    return { d: pathOf(size, (x, y) => data[y * size + x] === 1), width: size, height: size }
  },
  code128(text): DrawnCode {
    const [raw] = bwipjs.raw({ bcid: 'code128', text }) as unknown as readonly Raw[]
    let x = 0
    let d = ''
    raw?.sbs.forEach((width, index) => {
      if (index % 2 === 0) d += `M${x} 0H${x + width}V1H${x}Z`
      x += width
    })
    return { d, width: x, height: 1 }
  },
}
