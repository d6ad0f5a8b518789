/** Reports and contents checks to the library: at once, or when the phone is online again. */

export interface Report {
  readonly kind: 'report'
  readonly sign: string
  readonly walked: readonly string[]
  readonly words: string
}
export interface CaseCheck {
  readonly kind: 'contents'
  readonly missing: readonly string[]
  readonly looked: number
  readonly of: number
}
export type Message = Report | CaseCheck
export type Outcome = 'sent' | 'kept' | 'failed'

const LONGEST_PX = 1600
const MOST_BYTES = 900_000

/** A picture made small and stripped on the phone already; the server does both again. Null where it can't be read. */
export async function pictureForSending(file: Blob): Promise<Blob | null> {
  try {
    const bitmap = await createImageBitmap(file)
    const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height))
    const canvas = document.createElement('canvas')
    canvas.width = Math.round(bitmap.width * scale)
    canvas.height = Math.round(bitmap.height * scale)
    canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
    bitmap.close()
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.82))
    return blob && blob.size <= MOST_BYTES ? blob : null
  } catch {
    return null
  }
}

const waitingKey = (token: string) => `binoculum guide ${token.slice(0, 12)} waiting`

interface Waiting {
  readonly key: string
  readonly message: Message
  readonly pictureUrl: string | null
}

const waiting = (token: string): readonly Waiting[] => {
  try {
    return JSON.parse(localStorage.getItem(waitingKey(token)) ?? '[]') as Waiting[]
  } catch {
    return []
  }
}

const asDataUrl = (blob: Blob) =>
  new Promise<string>((done, failed) => {
    const reader = new FileReader()
    reader.onload = () => done(String(reader.result))
    reader.onerror = () => failed(reader.error ?? new Error('unreadable'))
    reader.readAsDataURL(blob)
  })

async function post(token: string, { key, message, pictureUrl }: Waiting): Promise<Response> {
  return fetch(`/api/guides/${encodeURIComponent(token)}/messages`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ key, ...message, picture: pictureUrl?.split(',')[1] ?? null }),
  })
}

/** @returns `kept` without a network: it goes as soon as there is one; `failed` where the library refused it */
export async function sendToLibrary(token: string, message: Message, picture: Blob | null = null): Promise<Outcome> {
  const one: Waiting = { key: crypto.randomUUID(), message, pictureUrl: picture && (await asDataUrl(picture)) }
  try {
    return (await post(token, one)).ok ? 'sent' : 'failed'
  } catch {
    try {
      localStorage.setItem(waitingKey(token), JSON.stringify([...waiting(token), one]))
      return 'kept'
    } catch {
      return 'failed'
    }
  }
}

/** Sends what waits on this phone; what the library refuses isn't tried again. */
export async function sendWaiting(token: string): Promise<void> {
  const left: Waiting[] = []
  for (const one of waiting(token)) {
    try {
      await post(token, one)
    } catch {
      left.push(one)
    }
  }
  if (left.length > 0) localStorage.setItem(waitingKey(token), JSON.stringify(left))
  else localStorage.removeItem(waitingKey(token))
}
