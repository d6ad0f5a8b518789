import { straightArrow } from './arrows.ts'
import { closeUp } from './close-ups.ts'
import type { DrawnPath } from './solid.ts'
import type { DrawnItem } from './drawn.ts'

/** Drawings that show no kit on its stand: the open case, and the table that doesn't shake beside the one that does. */

/** The case from the front, lid open; screws are backed off when things come out, the pouch goes in last. */
export function openCase(drawing: 'unpack' | 'pack', widthPx: number, groundPx: number): readonly DrawnItem[] {
  const packing = drawing === 'pack'
  const left = 40
  const right = packing ? widthPx - 40 : 236
  const top = 236
  const middle = (left + right) / 2
  const line = (d: string, look = 'line'): DrawnPath => ({ kind: 'path', d, look })
  const case_: DrawnPath[] = [
    line(`M14 ${groundPx}H344`, 'ground'),
    // Lid with its foam, leaning back.
    line(`M${left + 10} ${top}L${left + 22} 132H${right - 22}L${right - 10} ${top}Z`, 'outline'),
    line(`M${left + 26} ${top - 10}L${left + 35} 144H${right - 35}L${right - 26} ${top - 10}Z`, 'inner'),
    line(`M${left} ${top}H${right}V${groundPx}H${left}Z`, 'outline'),
    line(`M${left} ${top + 12}H${right}`, 'inner'),
    line(`M${middle - 26} ${groundPx - 46}h52v12h-52Z`, 'outline'),
    line(`M${left + 26} ${top + 4}v20h18v-20ZM${right - 44} ${top + 4}v20h18v-20Z`, 'outline'),
    // Tube lying in its foam, seen over the rim.
    line(`M${left + 22} ${top}V${top - 26}a8 8 0 0 1 8 -8H${middle + 8}a8 8 0 0 1 8 8V${top}Z`, 'outline'),
    line(`M${left + 40} ${top - 34}V${top}`, 'inner'),
  ]
  const pouch: DrawnPath[] = [
    line(
      packing
        ? `M${right - 86} 96h52v52q-26 12 -52 0ZM${right - 86} 96q26 -14 52 0Z`
        : `M${right - 66} ${top}v-36h44v36Z`,
      packing ? 'fill' : 'outline',
    ),
  ]
  if (packing) return [...case_, ...pouch, ...straightArrow([right - 60, 160], [right - 60, 226])]
  return [
    ...case_,
    ...pouch,
    ...straightArrow([middle - 30, 196], [middle - 30, 112]),
    closeUp('backed-off', [288, 84], 64),
  ]
}

/** A table that doesn't sway, and the folding one that does, beside each other. */
export function tablesCompared(groundPx: number): DrawnPath[] {
  const path = (d: string, look: string): DrawnPath => ({ kind: 'path', d, look })
  return [
    path(`M14 ${groundPx}H344`, 'ground'),
    path('M136 186h120v8h-120Z', 'fill'),
    path('M144 194h12v136h-12Z', 'outline'),
    path('M236 194h12v136h-12Z', 'outline'),
    path('M166 194h10v136h-10Z', 'recede'),
    path('M216 194h10v136h-10Z', 'recede'),
    path('M190 262l9 12l17 -28', 'so'),
    path('M274 190h74', 'recede'),
    path('M280 330L340 194M286 330L346 194', 'recede'),
    path('M342 330L282 194M336 330L276 194', 'recede'),
    path('M284 312L334 176', 'not-so'),
  ]
}
