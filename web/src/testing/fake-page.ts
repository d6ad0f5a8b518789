/** As much of a browser's page as key handling touches, for tests without one. */
export class FakeElement extends EventTarget {
  isContentEditable = false
}
export class FakeInput extends FakeElement {
  type = 'text'
  value = ''
  selectionStart: number | null = 0
  inputs = 0
  constructor(type = 'text') {
    super()
    this.type = type
    this.addEventListener('input', () => this.inputs++)
  }
  setSelectionRange(start: number): void {
    this.selectionStart = start
  }
}
export class FakeTextArea extends FakeInput {}
export class FakeButton extends FakeElement {}

export const fakeWindow = new EventTarget()
export const fakeDocument = new EventTarget()

/** Puts the page in place; its classes stand for the browser's. */
export function installFakePage(): void {
  Object.assign(globalThis, {
    window: fakeWindow,
    document: fakeDocument,
    HTMLElement: FakeElement,
    HTMLInputElement: FakeInput,
    HTMLTextAreaElement: FakeTextArea,
    HTMLSelectElement: class extends FakeElement {},
    HTMLButtonElement: FakeButton,
    HTMLAnchorElement: class extends FakeElement {},
  })
}

export interface Pressed {
  readonly prevented: boolean
  readonly stopped: boolean
}

/** A key as the browser sends it: first to the window's listeners, then, unless they stopped it, to the document's. A
 * text field takes the letter in unless somebody prevented that. */
export function pressKey(
  key: string,
  given: { readonly atMs: number; readonly target?: EventTarget; readonly ctrl?: boolean },
): Pressed {
  const { atMs, target = new FakeElement(), ctrl = false } = given
  let prevented = false
  let stopped = false
  const event = () => {
    const made = new Event('keydown', { cancelable: true })
    Object.defineProperties(made, {
      key: { value: key },
      timeStamp: { value: atMs },
      target: { value: target },
      ctrlKey: { value: ctrl },
      altKey: { value: false },
      metaKey: { value: false },
      defaultPrevented: { get: () => prevented },
      preventDefault: { value: () => (prevented = true) },
      stopImmediatePropagation: { value: () => (stopped = true) },
    })
    return made
  }
  fakeWindow.dispatchEvent(event())
  if (!stopped) fakeDocument.dispatchEvent(event())
  if (!prevented && target instanceof FakeInput && key.length === 1) target.value += key
  return { prevented, stopped }
}
