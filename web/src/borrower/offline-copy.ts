import { forgetGuide } from './use-kept.ts'

const DAY_MS = 86_400_000

/** A day after the due date the copy on the phone is over. */
export const copyEndsMs = (dueOn: string): number => Date.parse(`${dueOn}T23:59:59Z`) + DAY_MS

export const cacheName = (token: string): string => `guide-${token.slice(0, 12)}`

/** Keeps this guide and nothing else on the phone, so that it opens without a network. */
export async function keepOffline(given: {
  readonly token: string
  readonly dueOn: string
  readonly assets: readonly string[]
}) {
  if (!('serviceWorker' in navigator)) return
  const { token, dueOn, assets } = given
  if (Date.now() > copyEndsMs(dueOn)) return dropCopy(token)
  const page = `/g/${token}`
  await navigator.serviceWorker.register('/guide-worker.js', { scope: page })
  const cache = await caches.open(cacheName(token))
  await cache.put(`${page}/ends`, new Response(String(copyEndsMs(dueOn))))
  await cache.addAll([page, ...assets])
}

/** Wipes the copy, what the phone remembers of it, and the worker. */
export async function dropCopy(token: string) {
  forgetGuide(token)
  await caches.delete(cacheName(token))
  const registration = await navigator.serviceWorker.getRegistration(`/g/${token}`)
  await registration?.unregister()
}
