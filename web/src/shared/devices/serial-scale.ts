import type { ScaleDriver } from './scale-driver.ts'
import { sharedWords } from '../words.ts'

const t = sharedWords('serialScale')

/** The part of the Web Serial interface that is used here; the browser's types do not know it yet. */
interface SerialPort {
  open(options: { baudRate: number }): Promise<void>
  close(): Promise<void>
  readonly readable: ReadableStream<Uint8Array> | null
}
interface Serial {
  getPorts(): Promise<SerialPort[]>
  requestPort(): Promise<SerialPort>
}

const BAUD_RATE = 9600

/** A scale on a serial line or its USB adapter, by Web Serial. The browser asks once which one. */
export const serialScale: ScaleDriver = {
  async open(onLine, onEnd) {
    const serial = (navigator as Navigator & { serial?: Serial }).serial
    if (!serial) throw new Error(t('thisBrowserCantRead'))
    const port = (await serial.getPorts())[0] ?? (await serial.requestPort())
    await port.open({ baudRate: BAUD_RATE })
    const reader = port.readable
      ?.pipeThrough(new TextDecoderStream() as TransformStream<Uint8Array, string>)
      .getReader()
    if (!reader) throw new Error(t('theScaleCantBeRead'))
    let stopped = false
    void (async () => {
      let rest = ''
      try {
        for (;;) {
          const { value, done } = await reader.read()
          if (done) break
          const lines = (rest + value).split(/\r\n|\r|\n/)
          rest = lines.pop() ?? ''
          lines.filter((line) => line.trim() !== '').forEach(onLine)
        }
      } catch {
        // Unplugged: said below.
      }
      if (!stopped) onEnd(t('theScaleWasUnplugged'))
    })()
    return () => {
      stopped = true
      void reader
        .cancel()
        .then(() => port.close())
        .catch(() => undefined)
    }
  },
}
