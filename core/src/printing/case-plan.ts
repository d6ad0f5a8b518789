import { caseLayout, type PartShape } from '../contents/case-layout.ts'
import type { Role, Criticality } from '../contents/roles.ts'
import type { PageItem } from './page-items.ts'
import { Pen } from './pen.ts'

const shapeHeights: Readonly<Record<PartShape, number>> = {
  paper: 0.7,
  round: 0.5,
  box: 0.45,
  tube: 0.5,
  long: 0.08,
  block: 0.6,
}

/** The case from above, each part a plain shape with its number. */
export function plan(parts: readonly CardPart[], top: number, height: number, pen: Pen): readonly PageItem[] {
  const frames = caseLayout(parts, height / LEFT_WIDTH)
  return frames.flatMap((frame) => [
    pen.rect(
      MARGIN + frame.x * LEFT_WIDTH,
      top + frame.y * LEFT_WIDTH,
      frame.width * LEFT_WIDTH,
      frame.height * LEFT_WIDTH,
      {
        strokeMm: 0.35,
        radius: 1,
      },
    ),
    pen.inRoom(
      MARGIN + frame.x * LEFT_WIDTH + 1.2,
      top + frame.y * LEFT_WIDTH + 3.6,
      3.2,
      'serif-italic',
      frame.place || 'Case',
      frame.width * LEFT_WIDTH - 2,
    ),
    ...frame.parts.flatMap((placed): PageItem[] => {
      const x = MARGIN + placed.x * LEFT_WIDTH
      const y = top + placed.y * LEFT_WIDTH
      const width = Math.min(
        placed.width * LEFT_WIDTH * 0.8,
        placed.shape === 'long' || placed.shape === 'tube' ? 40 : 9,
      )
      const tall = Math.min(placed.height * LEFT_WIDTH * 0.8, Math.max(width * shapeHeights[placed.shape], 0.8))
      const r = Math.min(2.2, placed.width * LEFT_WIDTH * 0.42, placed.height * LEFT_WIDTH * 0.45)
      return [
        placed.shape === 'round'
          ? { kind: 'circle', x, y, r: Math.min(width, tall * 1.6) / 2, strokeMm: 0.2, fill: 'none' }
          : pen.rect(x - width / 2, y - tall / 2, width, tall, { strokeMm: 0.2, radius: 0.3 }),
        { kind: 'circle', x, y, r, strokeMm: 0.2, fill: 'white' },
        pen.text(x, y + r * 0.46, r * 1.3, 'sans-bold', String(placed.number), 'middle'),
      ]
    }),
  ])
}

export interface CardPart {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly criticality: Criticality
  readonly count: number
  readonly massG: number | null
  readonly place: string
  readonly lookFor: string
  readonly lookEveryTime: boolean
}

export const MARGIN = 11
export const LEFT_WIDTH = 57
