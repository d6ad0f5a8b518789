import { fitted, type Printer, type PageFont, type PageItem, type Fill } from './page-items.ts'

/** Puts words and lines down; keeps the layout below readable. */
export class Pen {
  constructor(readonly printer: Printer) {}

  text(
    x: number,
    y: number,
    sizeMm: number,
    font: PageFont,
    text: string,
    anchor: 'start' | 'middle' | 'end' = 'start',
  ): PageItem {
    return { kind: 'text', x, y, sizeMm, font, text, anchor }
  }

  /** A text that is shortened where it would run out of its room. */
  inRoom(x: number, y: number, sizeMm: number, font: PageFont, text: string, room: number): PageItem {
    return this.text(x, y, sizeMm, font, fitted(text, room, { font, sizeMm, measure: this.printer.measure }))
  }

  line(x1: number, y1: number, x2: number, y2: number, strokeMm = 0.15): PageItem {
    return { kind: 'line', x1, y1, x2, y2, strokeMm }
  }

  rect(
    x: number,
    y: number,
    width: number,
    height: number,
    set: { strokeMm?: number; fill?: Fill; radius?: number } = {},
  ): PageItem {
    return {
      kind: 'rect',
      x,
      y,
      width,
      height,
      radius: set.radius ?? 0,
      strokeMm: set.strokeMm ?? 0,
      fill: set.fill ?? 'none',
    }
  }

  path(d: string, x: number, y: number, scale: number, strokeMm: number): PageItem {
    return { kind: 'path', d, x, y, scaleX: scale, scaleY: scale, strokeMm, fill: 'none' }
  }
}
