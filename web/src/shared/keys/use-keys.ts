import { useEventListener, useLocalStorage } from '@vueuse/core'
import { onScopeDispose } from 'vue'
import { BURST_GAP_MS } from '../devices/scanner.ts'

/** A busy page comes round late: keys that wait in line are let in first. */
const SETTLE_MS = 8

export type KeyMap = Readonly<Record<string, (event: KeyboardEvent) => void>>

/** Single keys may be turned off, for those whom they hinder: speech input types letters too. */
export const singleKeysOn = useLocalStorage('binoculum single keys', true)

const takesText = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    target instanceof HTMLTextAreaElement ||
    target instanceof HTMLSelectElement ||
    (target instanceof HTMLInputElement && !['checkbox', 'radio', 'button'].includes(target.type)))

/** True for a control that answers to this key by itself: a tick box takes Space, but leaves Enter to the page. */
const answersItself = (target: EventTarget | null, key: string) =>
  ((key === 'Enter' || key === ' ') &&
    (target instanceof HTMLButtonElement || target instanceof HTMLAnchorElement)) ||
  (key === ' ' && target instanceof HTMLInputElement)

const isPrintable = (key: string) => key.length === 1 && key !== ' '

/**
 * Single keys of a page. Typing into a field never triggers one; neither do keys held with Ctrl, Alt or Meta, nor those of
 * a scanner: a letter waits for 35 ms whether another one follows, and the keys of a burst do nothing.
 */
export function useKeys(keys: () => KeyMap): void {
  let waiting: { timer: ReturnType<typeof setTimeout>; act: () => void } | undefined
  let lastMs = -Infinity
  const forget = () => {
    clearTimeout(waiting?.timer)
    waiting = undefined
  }
  const actNow = () => {
    const act = waiting?.act
    forget()
    act?.()
  }
  onScopeDispose(forget)
  useEventListener(document, 'keydown', (event: KeyboardEvent) => {
    if (event.ctrlKey || event.altKey || event.metaKey) return
    const inBurst = event.timeStamp - lastMs <= BURST_GAP_MS
    if (isPrintable(event.key)) lastMs = event.timeStamp
    // A busy page may come round to the next key before the timer of the last: that one is a hand's all the same.
    if (inBurst) forget()
    else actNow()
    if (inBurst || event.defaultPrevented || takesText(event.target)) return
    if (answersItself(event.target, event.key)) return
    if (isPrintable(event.key) && !singleKeysOn.value) return
    const act = keys()[event.key === ' ' ? 'Space' : event.key]
    if (!act) return
    event.preventDefault()
    if (!isPrintable(event.key)) return act(event)
    // From the key itself, not from when this page came round to it.
    const heldMs = BURST_GAP_MS + 1 - (performance.now() - event.timeStamp)
    waiting = { timer: setTimeout(actNow, Math.max(heldMs, SETTLE_MS)), act: () => act(event) }
  })
}
