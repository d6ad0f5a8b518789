import { remoteLookAnswerSchema, remoteLookOffersSchema } from '@binoculum/contract'
import { asDataUrl } from '../send-to-library.ts'
import type { RemoteLook, RemoteLookAnswer, RemoteLookOffers } from '@binoculum/contract'

/** A look from home: sent and measured at once. It needs a network, because a phone can't do the measuring. */

type Without<T, K extends keyof T> = T extends unknown ? Omit<T, K> : never
export type NewLook = Without<RemoteLook, 'key'>
export type Taken =
  | { readonly state: 'answered'; readonly answer: RemoteLookAnswer }
  | { readonly state: 'offline' | 'refused' | 'unreadable' }

const pathOf = (token: string) => `/api/guides/${encodeURIComponent(token)}/looks`

/** Asked once for all pages of a guide, and anew where nobody could be asked. */
const asked = new Map<string, Promise<RemoteLookOffers | null>>()

/** What may be looked at; null where nobody can be asked. */
export function offersFor(token: string): Promise<RemoteLookOffers | null> {
  const offers = asked.get(token) ?? askOffers(token)
  asked.set(token, offers)
  void offers.then((given) => given === null && asked.delete(token))
  return offers
}

async function askOffers(token: string): Promise<RemoteLookOffers | null> {
  const reply = await fetch(pathOf(token)).catch(() => null)
  if (!reply?.ok) return null
  const offers = remoteLookOffersSchema.safeParse(await reply.json().catch(() => null))
  return offers.success ? offers.data : null
}

/** A picture as it is sent. */
export const asBase64 = async (picture: Blob): Promise<string> => (await asDataUrl(picture)).split(',')[1] ?? ''

/** @param key stays the same while one look is tried again, so that it is kept once */
export async function takeLook(token: string, key: string, look: NewLook): Promise<Taken> {
  const reply = await fetch(pathOf(token), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ key, ...look }),
  }).catch(() => null)
  if (!reply || reply.status >= 500) return { state: 'offline' }
  if (!reply.ok) return { state: reply.status === 400 ? 'unreadable' : 'refused' }
  const answer = remoteLookAnswerSchema.safeParse(await reply.json().catch(() => null))
  return answer.success ? { state: 'answered', answer: answer.data } : { state: 'refused' }
}
