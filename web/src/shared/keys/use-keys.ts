import { useEventListener } from '@vueuse/core'

export type KeyMap = Readonly<Record<string, (event: KeyboardEvent) => void>>

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

/** Single keys of a page. Typing into a field never triggers one; neither do keys held with Ctrl, Alt or Meta. */
export function useKeys(keys: () => KeyMap): void {
  useEventListener(document, 'keydown', (event: KeyboardEvent) => {
    if (event.ctrlKey || event.altKey || event.metaKey || event.defaultPrevented || takesText(event.target)) return
    if (answersItself(event.target, event.key)) return
    const act = keys()[event.key === ' ' ? 'Space' : event.key]
    if (!act) return
    event.preventDefault()
    act(event)
  })
}
