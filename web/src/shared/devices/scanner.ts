import { onScopeDispose } from 'vue'

/** Where scans come from: a scanner that types, a camera, a stand-in. Nothing else in the code knows which. */
export interface ScannerDriver {
  /** Begins to listen; @returns stops it. */
  open(onScan: (code: string) => void): () => void
}

type Handler = (code: string) => boolean | void

/** Keys that come faster than this were typed by no hand. */
export const BURST_GAP_MS = 35
const SHORTEST = 4
const LONGEST = 80
const CHANNEL = 'binoculum scanner'

interface Field {
  readonly element: HTMLInputElement | HTMLTextAreaElement
  readonly value: string
  readonly start: number | null
}

const textField = (target: EventTarget | null): Field | null => {
  const isField =
    target instanceof HTMLTextAreaElement ||
    (target instanceof HTMLInputElement && !['checkbox', 'radio', 'button', 'file'].includes(target.type))
  if (!isField) return null
  // Number fields have no caret to be asked for.
  const start = target instanceof HTMLInputElement && target.type === 'number' ? null : target.selectionStart
  return { element: target, value: target.value, start }
}

/** A scanner that types like a keyboard: a burst of keys ending in Enter is a scan, wherever the focus is. What it typed
 * into a field is taken out again. */
export const keyboardScanner: ScannerDriver = {
  open(onScan) {
    let text = ''
    let lastMs = -Infinity
    let field: Field | null = null
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.altKey || event.metaKey) return
      const follows = event.timeStamp - lastMs <= BURST_GAP_MS
      if (event.key === 'Enter') {
        const code = text
        const isScan = follows && code.length >= SHORTEST
        text = ''
        if (!isScan) return
        event.preventDefault()
        event.stopImmediatePropagation()
        giveBack(field)
        onScan(code.trim())
        return
      }
      if (event.key.length !== 1) return
      if (!follows) {
        text = ''
        field = textField(event.target)
      }
      text = (text + event.key).slice(-LONGEST)
      lastMs = event.timeStamp
    }
    window.addEventListener('keydown', onKey, { capture: true })
    return () => window.removeEventListener('keydown', onKey, { capture: true })
  },
}

function giveBack(field: Field | null): void {
  if (!field) return
  field.element.value = field.value
  if (field.start !== null) field.element.setSelectionRange(field.start, field.start)
  field.element.dispatchEvent(new Event('input', { bubbles: true }))
}

/** The stand-in: a page of this program says that something was scanned, and every open window hears it. */
export const simulatedScanner: ScannerDriver & { scan(code: string): void } = {
  open(onScan) {
    const channel = new BroadcastChannel(CHANNEL)
    channel.onmessage = ({ data }: MessageEvent<string>) => onScan(data)
    return () => channel.close()
  },
  scan(code) {
    const channel = new BroadcastChannel(CHANNEL)
    channel.postMessage(code)
    channel.close()
  },
}

const handlers: Handler[] = []
let closers: (() => void)[] = []

/** Hands a scan to whoever asked last; one that answers false passes it on. */
export function scanned(code: string): void {
  for (const handler of [...handlers].reverse()) if (handler(code) !== false) return
}

/** Listens for scans while the page is shown, whatever device they come from. */
export function useScans(handler: Handler): void {
  handlers.push(handler)
  if (handlers.length === 1) closers = [keyboardScanner.open(scanned), simulatedScanner.open(scanned)]
  onScopeDispose(() => {
    handlers.splice(handlers.indexOf(handler), 1)
    if (handlers.length > 0) return
    closers.forEach((close) => close())
    closers = []
  })
}
