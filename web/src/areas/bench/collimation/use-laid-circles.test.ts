import { ref } from 'vue'
import { useLaidCircles } from './use-laid-circles.ts'

/** A drawing 400 × 200 px on the screen at (10, 20), showing 800 × 400 px of a picture. */
const svg = ref({
  getBoundingClientRect: () => ({ left: 10, top: 20, width: 400, height: 200 }),
  setPointerCapture: () => undefined,
} as unknown as SVGSVGElement)
const box = { x: 100, y: 50, w: 800, h: 400 }
type Name = 'edge' | 'mark'

function laid() {
  const circles = ref({ edge: { x: 500, y: 250, r: 150 }, mark: { x: 500, y: 250, r: 10 } })
  const chosen = ref<Name>('mark')
  const work = useLaidCircles<Name>(svg, chosen, {
    box: () => box,
    circle: (name) => circles.value[name],
    move: (name, change) => void Object.assign(circles.value[name], change),
  })
  return { circles, chosen, ...work }
}
const pointer = (clientX: number, clientY: number) => ({ clientX, clientY, pointerId: 1 }) as PointerEvent
let prevented = 0
const key = (name: string, shiftKey = false) =>
  ({
    key: name,
    shiftKey,
    preventDefault: () => void prevented++,
    stopPropagation: () => undefined,
  }) as unknown as KeyboardEvent

it('a place on the screen is the place on the picture under it', () => {
  const { pictureAt } = laid()
  expect(pictureAt(pointer(10, 20))).toEqual({ x: 100, y: 50 })
  expect(pictureAt(pointer(210, 120))).toEqual({ x: 500, y: 250 })
})

it('dragged by the middle a circle goes along; by its edge it changes its size', () => {
  const { circles, grab, drag, letGo } = laid()
  grab('mark', 'centre', pointer(210, 120))
  drag(pointer(220, 110))
  expect(circles.value.mark).toEqual({ x: 520, y: 230, r: 10 })
  letGo()
  grab('edge', 'edge', pointer(285, 120))
  drag(pointer(290, 120))
  expect(circles.value.edge).toEqual({ x: 500, y: 250, r: 160 })
  letGo()
  drag(pointer(10, 20))
  expect(circles.value.edge.r).toBe(160)
})

it.each([
  ['ArrowRight', false, { x: 501 }],
  ['ArrowUp', true, { y: 240 }],
  ['+', false, { r: 11 }],
  ['-', true, { r: 0 }],
] as const)('%s, Shift %s, moves the chosen circle', (name, shift, change) => {
  const { circles, nudge } = laid()
  nudge(key(name, shift))
  expect(circles.value.mark).toEqual({ x: 500, y: 250, r: 10, ...change })
  expect(circles.value.edge).toEqual({ x: 500, y: 250, r: 150 })
})

it('other keys are left to the page', () => {
  prevented = 0
  laid().nudge(key('p'))
  expect(prevented).toBe(0)
})
