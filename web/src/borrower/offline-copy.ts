import type { IssuedGuide } from '@binoculum/contract'
import { picturesInGuide, zoneOffsetHours } from '@binoculum/core'
import { copyName, type GuideMemory } from './guide-memory.ts'

const HOUR_MS = 3_600_000
const DAY_MS = 24 * HOUR_MS

/** A day after the due date, by the clocks where the borrower looks, the copy on the phone is over. */
export function copyEndsMs({ dueOn, place }: Pick<IssuedGuide, 'dueOn' | 'place'>): number {
  const dueDayEndsUtcMs = Date.parse(`${dueOn}T00:00:00Z`) + DAY_MS
  const offsetHours = place ? zoneOffsetHours(place.zone, dueDayEndsUtcMs) : 0
  return dueDayEndsUtcMs - offsetHours * HOUR_MS + DAY_MS
}

/** Keeps this guide and nothing else on the phone, so that it opens without a network. */
export async function keepOffline(given: {
  readonly token: string
  readonly guide: IssuedGuide
  readonly assets: readonly string[]
}) {
  if (!('serviceWorker' in navigator)) return
  const { token, guide, assets } = given
  const endsMs = copyEndsMs(guide)
  if (Date.now() > endsMs) return dropCopy(token)
  const page = `/g/${token}`
  await navigator.serviceWorker.register('/guide-worker.js', { scope: page })
  const cache = await caches.open(copyName(token))
  await cache.put(`${page}/ends`, new Response(String(endsMs)))
  await cache.addAll([page, ...assets])
  // A picture that isn't there yet must not cost the whole copy.
  await Promise.allSettled(picturesInGuide(guide).map((id) => cache.add(`${page}/pictures/${id}`)))
}

/** Wipes the copy and its worker. */
async function dropCopy(token: string) {
  if (!('serviceWorker' in navigator)) return
  await caches.delete(copyName(token))
  const registration = await navigator.serviceWorker.getRegistration(`/g/${token}`)
  await registration?.unregister()
}

/** Wipes the copy and all that the phone remembers of the guide. */
export async function forgetGuide(token: string, memory: GuideMemory): Promise<void> {
  await Promise.all([memory.wipe(), dropCopy(token)])
}
