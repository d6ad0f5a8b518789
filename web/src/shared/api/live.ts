import { liveEventSchema, type LiveEvent } from '@binoculum/contract'
import { onScopeDispose } from 'vue'

type Listener = (event: LiveEvent | 'reconnected') => void

const TRY_AGAIN_MS = 3000
const listeners = new Set<Listener>()
let source: EventSource | null = null
let wasOpen = false

const tell = (event: LiveEvent | 'reconnected') => listeners.forEach((listener) => listener(event))

function connect(): void {
  if (source || listeners.size === 0) return
  source = new EventSource('/api/live')
  source.onopen = () => {
    if (wasOpen) tell('reconnected')
    wasOpen = true
  }
  source.onmessage = ({ data }: MessageEvent<string>) => {
    const event = liveEventSchema.safeParse(JSON.parse(data))
    if (event.success) tell(event.data)
  }
  source.onerror = () => {
    // The browser tries again by itself unless it was refused: then a new session may be there later.
    if (source?.readyState !== EventSource.CLOSED) return
    source = null
    setTimeout(connect, TRY_AGAIN_MS)
  }
}

/** Hears what other desks change, one connection for the whole page. After a gap it says *reconnected*: read anew. */
export function useLive(listener: Listener): void {
  listeners.add(listener)
  connect()
  onScopeDispose(() => {
    listeners.delete(listener)
    if (listeners.size > 0) return
    source?.close()
    source = null
  })
}
