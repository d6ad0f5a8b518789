import type { PointXY } from '../shared/angles.ts'
import { mmText } from '../words/figures.ts'
import { fitted, papers, wrapped, type PageItem, type Paper, type PrintedPage, type Printer } from './page-items.ts'

/** Two marks as far apart as a kit's finder sits from its tube: they agree at infinity from any distance. */
export interface AlignmentSheet {
  readonly kit: string
  readonly code: string
  readonly branch: string
  /** Of the finder from the tube's axis, x right, y up, seen from behind, mm. */
  readonly offsetMm: PointXY
  /** “Offset measured Thu 16 Apr 2026, O. Brightwater”, or that it is the model's. */
  readonly measured: string
  /** Nearest distance at which it comes sharp, m; null: not known. */
  readonly nearestM: number | null
  readonly focusing: 'drawtube' | 'moving-mirror'
  /** Good misalignment, arcminutes: the rings about the finder's mark. */
  readonly goodArcmin: number
  readonly dot: 'dot' | 'cross'
}

const MARGIN_MM = 11
const ARCMIN_RAD = Math.PI / 180 / 60
const BAR_MM = 100
const RING_MM = 13
const CROSS_MM = 25
/** Arms of the cross where the marks stand far apart. */
const SHORT_CROSS_MM = 14
const LABEL_MM = 8
/** Where the drawing may begin. */
const DRAWING_TOP_MM = 48
/** From below: where the steps begin, and what bar and caution take. The lower mark stands beside the steps. */
const STEPS_MM = 101
const BAR_MM_UP = 62
const CLEARS_STEPS_MM = 40
const STEPS_WIDTH_MM = 80
const NEAREST_USUAL_M = 9

/** Where both marks stand on a paper; null where they don't fit. */
function placesOf({ x, y }: PointXY, { widthMm, heightMm }: { widthMm: number; heightMm: number }) {
  // The lower mark is the cross where the finder sits above the tube, else the ring.
  const bottom = heightMm - BAR_MM_UP
  for (const crossMm of [CROSS_MM, SHORT_CROSS_MM]) {
    const above = y >= 0 ? RING_MM + LABEL_MM : crossMm
    const below = y >= 0 ? crossMm + LABEL_MM : RING_MM
    const spare = bottom - DRAWING_TOP_MM - above - below - Math.abs(y)
    const across = Math.abs(x) + 2 * Math.max(RING_MM, crossMm)
    if (spare < 0 || across > widthMm - 2 * MARGIN_MM) continue
    const upper = DRAWING_TOP_MM + above + spare / 2
    const lower = upper + Math.abs(y)
    const [ringY, crossY] = y >= 0 ? [upper, lower] : [lower, upper]
    // Marks one above the other stand to the right, clear of the steps.
    const middle = Math.abs(x) >= CLEARS_STEPS_MM ? widthMm / 2 : widthMm - MARGIN_MM - 40
    return { crossMm, ring: { x: middle + x / 2, y: ringY }, cross: { x: middle - x / 2, y: crossY } }
  }
  return null
}

/**
 * A sheet at true size, all in millimetres.
 * @throws RangeError where the marks don't fit the paper, or the finder sits in the tube's own axis */
export function alignmentSheetPage(sheet: AlignmentSheet, paper: Paper, { measure, codes }: Printer): PrintedPage {
  const { widthMm, heightMm } = papers[paper]
  const { offsetMm } = sheet
  const apart = Math.hypot(offsetMm.x, offsetMm.y)
  if (apart < 15)
    throw new RangeError(
      `${sheet.kit}: its finder’s offset isn’t known; measure it at the bench, then print its sheet`,
    )
  const places = placesOf(offsetMm, papers[paper])
  if (!places)
    throw new RangeError(`${sheet.kit}: the marks stand ${mmText(apart)} apart and don’t fit on this paper`)
  const right = widthMm - MARGIN_MM
  const items: PageItem[] = []
  const text = (words: string, x: number, y: number, style: Partial<Extract<PageItem, { kind: 'text' }>> = {}) =>
    items.push({ kind: 'text', x, y, sizeMm: 4, font: 'sans', text: words, anchor: 'start', ...style })
  const line = (x1: number, y1: number, x2: number, y2: number, strokeMm = 0.3) =>
    items.push({ kind: 'line', x1, y1, x2, y2, strokeMm })
  const circle = (x: number, y: number, r: number, strokeMm: number, fill: 'none' | 'black' = 'none') =>
    items.push({ kind: 'circle', x, y, r, strokeMm, fill })

  // Head.
  text(fitted(sheet.kit, 118, { font: 'serif', sizeMm: 14, measure }), MARGIN_MM, 21, { font: 'serif', sizeMm: 14 })
  text('two marks to line its finder up, indoors', MARGIN_MM, 30, { font: 'serif-italic', sizeMm: 5.4 })
  text(sheet.code, right, 22, { font: 'sans-bold', sizeMm: 9, anchor: 'end' })
  const bars = codes.code128(sheet.code)
  const barScale = 30 / bars.width
  items.push({
    kind: 'path',
    d: bars.d,
    x: right - measure(sheet.code, 'sans-bold', 9) - 36,
    y: 14,
    scaleX: barScale,
    scaleY: 10 / bars.height,
    strokeMm: 0,
    fill: 'black',
  })
  line(MARGIN_MM, 34, right, 34, 0.7)
  const place = [
    Math.abs(offsetMm.x) < 0.5
      ? ''
      : `${mmText(Math.abs(offsetMm.x))} ${offsetMm.x > 0 ? 'right' : 'left'} of the tube’s middle`,
    Math.abs(offsetMm.y) < 0.5 ? '' : `${mmText(Math.abs(offsetMm.y))} ${offsetMm.y > 0 ? 'above' : 'below'} it`,
  ].filter(Boolean)
  const head = `For this kit with its finder as it sits now: ${place.join(' and ')}, seen from behind. Not for another kit.`
  wrapped(head, right - MARGIN_MM, { font: 'sans', sizeMm: 4, measure }).forEach((words, i) =>
    text(words, MARGIN_MM, 41 + 5.4 * i),
  )

  // The two marks, the cross where the eyepiece looks, the ring where the finder belongs.
  const spanX = Math.abs(offsetMm.x)
  const spanY = Math.abs(offsetMm.y)
  const { ring, cross, crossMm } = places
  if (spanX > 0.5 && spanY > 0.5) {
    dashed(items, ring.x, ring.y + Math.sign(cross.y - ring.y) * RING_MM, ring.x, cross.y)
    dashed(items, ring.x, cross.y, cross.x - Math.sign(cross.x - ring.x) * crossMm, cross.y)
    text(mmText(spanY), ring.x - 2, (ring.y + cross.y) / 2 + 6, { anchor: 'end', sizeMm: 3.6 })
    text(mmText(spanX), (ring.x + cross.x) / 2, cross.y - 2, { anchor: 'middle', sizeMm: 3.6 })
  }
  const along = { x: (cross.x - ring.x) / apart, y: (cross.y - ring.y) / apart }
  line(ring.x + along.x * 16, ring.y + along.y * 16, cross.x - along.x * 14, cross.y - along.y * 14, 0.3)
  text(mmText(apart), (ring.x + cross.x) / 2 + 3, (ring.y + cross.y) / 2, { font: 'sans-bold', sizeMm: 5 })
  circle(ring.x, ring.y, RING_MM, 3.2)
  circle(ring.x, ring.y, 0.7, 0, 'black')
  const fromM = [sheet.nearestM ?? NEAREST_USUAL_M].map((m) => Math.max(3, Math.ceil(m)))[0] ?? NEAREST_USUAL_M
  const goodAt = (distanceM: number) => distanceM * 1000 * Math.tan(sheet.goodArcmin * ARCMIN_RAD)
  let ringsDrawn = 0
  for (const [i, distanceM] of [fromM, Math.ceil(fromM * 1.35)].entries()) {
    const r = goodAt(distanceM)
    const fits = ring.x - r > 3 && ring.x + r < widthMm - 3 && ring.y - r > DRAWING_TOP_MM - 6
    if (r < RING_MM + 4 || !fits) continue
    ringsDrawn++
    if (i === 0) dottedCircle(items, ring.x, ring.y, r)
    else circle(ring.x, ring.y, r, 0.35)
    text(`good, from ${distanceM} m`, ring.x, ring.y - r + 1.2, { anchor: 'middle', sizeMm: 3.4 })
  }
  text(`the finder’s ${sheet.dot} belongs here`, ring.x, ring.y - RING_MM - 4, {
    anchor: 'middle',
    font: 'sans-bold',
    sizeMm: 4.2,
  })
  for (const [dx, dy] of [
    [1, 0],
    [-1, 0],
    [0, 1],
    [0, -1],
  ] as const) {
    line(cross.x, cross.y, cross.x + dx * 3, cross.y + dy * 3, 0.3)
    line(cross.x + dx * 3, cross.y + dy * 3, cross.x + dx * crossMm, cross.y + dy * crossMm, 1.9)
  }
  circle(cross.x, cross.y, 11, 0.6)
  text('middle of the eyepiece', cross.x, cross.y + crossMm + 6, {
    anchor: 'middle',
    font: 'sans-bold',
    sizeMm: 4.2,
  })
  const arrowX = Math.abs(offsetMm.x) >= CLEARS_STEPS_MM ? right - 4 : MARGIN_MM + 12
  line(arrowX, DRAWING_TOP_MM + 28, arrowX, DRAWING_TOP_MM + 8, 0.9)
  line(arrowX, DRAWING_TOP_MM + 8, arrowX - 3, DRAWING_TOP_MM + 13, 0.9)
  line(arrowX, DRAWING_TOP_MM + 8, arrowX + 3, DRAWING_TOP_MM + 13, 0.9)
  text('up', arrowX - 4, DRAWING_TOP_MM + 20, { anchor: 'end', font: 'sans-bold' })

  // Steps below the upper mark, the bar below the lower one.
  const mirrored = offsetMm.x > 0 === offsetMm.y >= 0 && Math.abs(offsetMm.x) >= CLEARS_STEPS_MM
  const stepsX = mirrored ? right - STEPS_WIDTH_MM - 6 : MARGIN_MM
  const from =
    sheet.nearestM === null ? 'As far away as it comes sharp' : `${Math.ceil(sheet.nearestM)} m away or more`
  const focus = sheet.focusing === 'drawtube' ? 'Rack the focuser out' : 'Turn the focus knob'
  const steps = [
    'Check the bar at the bottom with a ruler. Not 100 mm? Print again at 100 %.',
    `Hang the sheet level at the tube’s height. ${from}: nearer it won’t come sharp.`,
    `Lowest power. ${focus} until the cross is sharp.`,
    'Cross in the middle of the eyepiece. Lock.',
    `Turn the finder’s own screws until its ${sheet.dot} sits in the ring. Look back and forth.${
      ringsDrawn > 0 ? '' : ` From ${fromM} m, ${mmText(goodAt(fromM))} beside it is still good.`
    }`,
  ]
  let y = heightMm - STEPS_MM + 16
  steps.forEach((step, i) => {
    text(`${i + 1}`, stepsX, y, { font: 'serif-italic', sizeMm: 4.6 })
    for (const words of wrapped(step, STEPS_WIDTH_MM, { font: 'sans', sizeMm: 3.6, measure })) {
      text(words, stepsX + 6, y, { sizeMm: 3.6 })
      y += 4.8
    }
    y += 1.2
  })
  const barX = mirrored ? MARGIN_MM : right - BAR_MM
  const barY = heightMm - 36
  text('Lay a ruler here: this bar is 100 mm long.', barX, barY - 4, { font: 'sans-bold' })
  for (let i = 0; i < 10; i++)
    items.push({
      kind: 'rect',
      x: barX + i * 10,
      y: barY,
      width: 10,
      height: 4,
      radius: 0,
      strokeMm: 0.25,
      fill: i % 2 === 0 ? 'black' : 'white',
    })
  line(barX, barY - 2.5, barX, barY + 7, 0.35)
  line(barX + BAR_MM, barY - 2.5, barX + BAR_MM, barY + 7, 0.35)
  text('0', barX, barY + 11, { anchor: 'middle', sizeMm: 3.4 })
  text('50', barX + 50, barY + 11, { anchor: 'middle', sizeMm: 3.4 })
  text('100 mm', barX + BAR_MM, barY + 11, { anchor: 'end', sizeMm: 3.4 })

  // The caution, and where it comes from.
  const cautionX = mirrored ? right - 76 : MARGIN_MM
  items.push({
    kind: 'rect',
    x: cautionX,
    y: heightMm - 31,
    width: 76,
    height: 13.5,
    radius: 0,
    strokeMm: 0.7,
    fill: 'none',
  })
  text('Never towards a window with the Sun', cautionX + 3, heightMm - 25.4, { font: 'sans-bold', sizeMm: 3.6 })
  text('behind it. Finder off when done.', cautionX + 3, heightMm - 20.6, { sizeMm: 3.6 })
  line(MARGIN_MM, heightMm - 14, right, heightMm - 14, 0.3)
  text(sheet.measured, MARGIN_MM, heightMm - 9.5, { sizeMm: 3.4 })
  text(fitted(sheet.branch, 80, { font: 'sans', sizeMm: 3.4, measure }), right, heightMm - 9.5, {
    sizeMm: 3.4,
    anchor: 'end',
  })
  return { widthMm, heightMm, items }
}

const DASH_MM = 2.4

/** Strokes as one path: a page of hundreds of single lines takes long to write. */
const strokes = (d: string, strokeMm: number): PageItem => ({
  kind: 'path',
  d,
  x: 0,
  y: 0,
  scaleX: 1,
  scaleY: 1,
  strokeMm,
  fill: 'none',
})
const at = (x: number, y: number) => `${x.toFixed(3)} ${y.toFixed(3)}`

function dashed(items: PageItem[], x1: number, y1: number, x2: number, y2: number): void {
  const length = Math.hypot(x2 - x1, y2 - y1)
  const on = (mm: number) => at(x1 + ((x2 - x1) * mm) / length, y1 + ((y2 - y1) * mm) / length)
  let d = ''
  for (let mm = 0; mm < length; mm += 2 * DASH_MM) d += `M${on(mm)}L${on(Math.min(mm + DASH_MM, length))}`
  items.push(strokes(d, 0.25))
}

function dottedCircle(items: PageItem[], x: number, y: number, r: number): void {
  const dots = Math.round((2 * Math.PI * r) / DASH_MM)
  const on = (share: number) => at(x + r * Math.cos(2 * Math.PI * share), y + r * Math.sin(2 * Math.PI * share))
  let d = ''
  for (let i = 0; i < dots; i++) d += `M${on((i - 0.15) / dots)}L${on((i + 0.15) / dots)}`
  items.push(strokes(d, 0.6))
}
