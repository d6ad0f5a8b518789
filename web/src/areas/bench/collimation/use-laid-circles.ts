import { ref, type Ref } from 'vue'

interface Place {
  readonly x: number
  readonly y: number
}
export interface LaidCircle extends Place {
  readonly r: number
}
type Change = Partial<LaidCircle>

/**
 * Circles on a picture, moved by hand: dragged by the middle or by the edge, or by keys: arrows move the chosen one by a
 * pixel, with Shift by ten; + and − change its size.
 * @param chosen which one keys move @param box what of the picture is shown, px @param circle the circle of a name, or nothing where there is none
 */
export function useLaidCircles<Name extends string>(
  svg: Readonly<Ref<SVGSVGElement | null>>,
  chosen: Ref<Name>,
  given: {
    readonly box: () => { readonly x: number; readonly y: number; readonly w: number; readonly h: number }
    readonly circle: (name: Name) => LaidCircle | undefined
    readonly move: (name: Name, change: Change) => void
  },
) {
  const held = ref<'centre' | 'edge' | null>(null)

  function pictureAt(event: PointerEvent): Place {
    const frame = (svg.value as SVGSVGElement).getBoundingClientRect()
    const { x, y, w, h } = given.box()
    const scale = Math.max(w / frame.width, h / frame.height)
    return {
      x: x + w / 2 + (event.clientX - frame.left - frame.width / 2) * scale,
      y: y + h / 2 + (event.clientY - frame.top - frame.height / 2) * scale,
    }
  }
  function grab(name: Name, what: 'centre' | 'edge', event: PointerEvent) {
    held.value = what
    chosen.value = name
    svg.value?.setPointerCapture(event.pointerId)
  }
  function drag(event: PointerEvent) {
    const circle = given.circle(chosen.value)
    if (!held.value || !circle) return
    const at = pictureAt(event)
    given.move(chosen.value, held.value === 'centre' ? at : { r: Math.hypot(at.x - circle.x, at.y - circle.y) })
  }
  const letGo = () => (held.value = null)
  function nudge(event: KeyboardEvent) {
    const circle = given.circle(chosen.value)
    const by = event.shiftKey ? 10 : 1
    const steps: Record<string, Change> = circle
      ? {
          ArrowLeft: { x: circle.x - by },
          ArrowRight: { x: circle.x + by },
          ArrowUp: { y: circle.y - by },
          ArrowDown: { y: circle.y + by },
          '+': { r: circle.r + by },
          '-': { r: circle.r - by },
        }
      : {}
    const step = steps[event.key]
    if (!step) return
    event.preventDefault()
    event.stopPropagation()
    given.move(chosen.value, step)
  }
  return { pictureAt, grab, drag, letGo, nudge }
}
