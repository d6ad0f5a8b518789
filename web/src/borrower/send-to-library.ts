import type { GuideMemory } from './guide-memory.ts'

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
/** Whose guide it is, and where what can't go yet waits. */
export interface Sender {
  readonly token: string
  readonly memory: GuideMemory
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

interface Waiting {
  readonly key: string
  readonly message: Message
  readonly pictureUrl: string | null
}

const WAITING = 'waiting'
const waiting = async (memory: GuideMemory): Promise<readonly Waiting[]> => {
  const kept = await memory.read(WAITING).catch(() => null)
  return Array.isArray(kept) ? (kept as Waiting[]) : []
}

export const asDataUrl = (blob: Blob) =>
  new Promise<string>((done, failed) => {
    const reader = new FileReader()
    reader.onload = () => done(String(reader.result))
    reader.onerror = () => failed(reader.error ?? new Error('unreadable'))
    reader.readAsDataURL(blob)
  })

/** `refused` for good: the link is over, or the library can't take it; `later` where neither was reached. */
async function post(token: string, { key, message, pictureUrl }: Waiting): Promise<'sent' | 'refused' | 'later'> {
  const reply = await fetch(`/api/guides/${encodeURIComponent(token)}/messages`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ key, ...message, picture: pictureUrl?.split(',')[1] ?? null }),
  }).catch(() => null)
  if (!reply || reply.status >= 500) return 'later'
  if (reply.ok) return 'sent'
  // Too much at once is over in a minute; too many in all is not.
  const isOver = reply.status !== 429 || (await codeOf(reply)) === 'TOO_MANY_MESSAGES'
  return isOver ? 'refused' : 'later'
}

async function codeOf(reply: Response): Promise<string> {
  const body = (await reply.json().catch(() => null)) as { error?: { code?: string } } | null
  return body?.error?.code ?? ''
}

/** @returns `kept` where the library can't be reached: it goes as soon as it can; `failed` where it was refused */
export async function sendToLibrary(
  { token, memory }: Sender,
  message: Message,
  picture: Blob | null = null,
): Promise<Outcome> {
  const one: Waiting = { key: crypto.randomUUID(), message, pictureUrl: picture && (await asDataUrl(picture)) }
  const outcome = await post(token, one)
  if (outcome !== 'later') return outcome === 'sent' ? 'sent' : 'failed'
  try {
    await memory.write(WAITING, [...(await waiting(memory)), one])
    return 'kept'
  } catch {
    return 'failed'
  }
}

/** Sends what waits on this phone. What the library refuses isn't tried again, but it isn't dropped either: its words stay on
 * this phone for whoever wrote them.
 * @returns the words of all that was refused, today or before */
export async function sendWaiting({ token, memory }: Sender): Promise<readonly string[]> {
  const all = await waiting(memory)
  const refused = await refusedWords(memory)
  if (all.length === 0) return refused
  const left: Waiting[] = []
  for (const one of all) {
    const outcome = await post(token, one)
    if (outcome === 'later') left.push(one)
    if (outcome === 'refused') refused.push(wordsOf(one.message))
  }
  await memory.write(WAITING, left).catch(() => undefined)
  await memory.write(REFUSED, refused).catch(() => undefined)
  return refused
}

const REFUSED = 'refused'
async function refusedWords(memory: GuideMemory): Promise<string[]> {
  const kept = await memory.read(REFUSED).catch(() => null)
  return Array.isArray(kept) ? kept.map(String) : []
}

const wordsOf = (message: Message): string =>
  message.kind === 'report' ? message.words || message.sign : message.missing.join(', ')

/** Whoever wrote it has rung the library, or lets it be. */
export const forgetRefused = (memory: GuideMemory): Promise<void> => memory.write(REFUSED, []).catch(() => undefined)
