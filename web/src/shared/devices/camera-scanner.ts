import { sharedWords } from '../words.ts'

const t = sharedWords('cameraScanner')

/** The part of the browser's own reader that is used here; its types do not know it yet. */
interface Detector {
  detect(source: HTMLVideoElement): Promise<readonly { rawValue: string }[]>
}
type DetectorClass = new (options: { formats: string[] }) => Detector

type Read = (video: HTMLVideoElement) => Promise<string | null>

const LOOKS_PER_S = 5

/** Reads with the browser's own reader where it has one. */
function ownReader(): Read | null {
  const own = (globalThis as { BarcodeDetector?: DetectorClass }).BarcodeDetector
  if (!own) return null
  const detector = new own({ formats: ['qr_code', 'code_128'] })
  return async (video) => (await detector.detect(video))[0]?.rawValue ?? null
}

/** Reads with the reader that is shipped, loaded only when it is wanted. */
async function shippedReader(): Promise<Read> {
  const [{ prepareZXingModule, readBarcodes }, { default: wasmUrl }] = await Promise.all([
    import('zxing-wasm/reader'),
    import('zxing-wasm/reader/zxing_reader.wasm?url'),
  ])
  await prepareZXingModule({ overrides: { locateFile: () => wasmUrl }, fireImmediately: true })
  const canvas = document.createElement('canvas')
  const context = canvas.getContext('2d', { willReadFrequently: true })
  return async (video) => {
    if (!context || video.videoWidth === 0) return null
    canvas.width = video.videoWidth
    canvas.height = video.videoHeight
    context.drawImage(video, 0, 0)
    const pixels = context.getImageData(0, 0, canvas.width, canvas.height)
    const found = await readBarcodes(pixels, { formats: ['QRCode', 'Code128'], maxNumberOfSymbols: 1 })
    return found[0]?.text ?? null
  }
}

/** Looks at the camera until a label was read, then again once it is gone from the picture.
 * @returns stops the camera; @throws what to do instead, where there is none or it was not allowed */
export async function cameraScanner(video: HTMLVideoElement, onScan: (code: string) => void): Promise<() => void> {
  const stream = await navigator.mediaDevices
    ?.getUserMedia({ video: { facingMode: 'environment' } })
    .catch(() => null)
  if (!stream) throw new Error(t('noCameraOrThisPage'))
  video.srcObject = stream
  await video.play()
  const read = ownReader() ?? (await shippedReader())
  let isOver = false
  let last: string | null = null
  void (async () => {
    while (!isOver) {
      const code = await read(video).catch(() => null)
      if (code && code !== last && !isOver) onScan(code.trim())
      last = code
      await new Promise((resolve) => setTimeout(resolve, 1000 / LOOKS_PER_S))
    }
  })()
  return () => {
    isOver = true
    stream.getTracks().forEach((track) => track.stop())
    video.srcObject = null
  }
}
