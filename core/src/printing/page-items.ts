/** What stands on a printed page, in millimetres from its upper left corner, y down. Screen and PDF draw the same items. */

export type PageFont = 'serif' | 'serif-italic' | 'sans' | 'sans-bold'

export type PageItem =
  | {
      readonly kind: 'text'
      readonly x: number
      /** Of the base line. */
      readonly y: number
      readonly sizeMm: number
      readonly font: PageFont
      readonly text: string
      readonly anchor: 'start' | 'middle' | 'end'
    }
  | {
      readonly kind: 'line'
      readonly x1: number
      readonly y1: number
      readonly x2: number
      readonly y2: number
      readonly strokeMm: number
    }
  | {
      readonly kind: 'rect'
      readonly x: number
      readonly y: number
      readonly width: number
      readonly height: number
      readonly radius: number
      /** 0 for none. */
      readonly strokeMm: number
      readonly fill: Fill
    }
  | {
      readonly kind: 'circle'
      readonly x: number
      readonly y: number
      readonly r: number
      readonly strokeMm: number
      readonly fill: Fill
    }
  | {
      readonly kind: 'path'
      /** SVG path in units of its own, put at x, y and enlarged. */
      readonly d: string
      readonly x: number
      readonly y: number
      readonly scaleX: number
      readonly scaleY: number
      readonly strokeMm: number
      readonly fill: Fill
    }

export type Fill = 'none' | 'black' | 'grey' | 'white'

export interface PrintedPage {
  readonly widthMm: number
  readonly heightMm: number
  readonly items: readonly PageItem[]
}

export type Paper = 'a4' | 'letter'
export const papers: Readonly<Record<Paper, { readonly widthMm: number; readonly heightMm: number }>> = {
  a4: { widthMm: 210, heightMm: 297 },
  letter: { widthMm: 8.5 * 25.4, heightMm: 11 * 25.4 },
}

/** Width of a text in millimetres; what draws the page knows its fonts. */
export type Measure = (text: string, font: PageFont, sizeMm: number) => number

/** A code as a path of black areas, in modules, with its quiet zone left out. */
export interface DrawnCode {
  readonly d: string
  readonly width: number
  readonly height: number
}

export interface Codes {
  qr(text: string): DrawnCode
  code128(text: string): DrawnCode
}

/** What a layout needs from the room it is drawn in. */
export interface Printer {
  readonly measure: Measure
  readonly codes: Codes
}

/** Shortens a text with “…” until it fits. */
export function fitted(text: string, widthMm: number, { font, sizeMm, measure }: TextStyle): string {
  if (measure(text, font, sizeMm) <= widthMm) return text
  const letters = [...text]
  while (letters.length > 1) {
    letters.pop()
    const shorter = `${letters.join('').trimEnd()}…`
    if (measure(shorter, font, sizeMm) <= widthMm) return shorter
  }
  return '…'
}

export interface TextStyle {
  readonly font: PageFont
  readonly sizeMm: number
  readonly measure: Measure
}

/** Breaks a text into lines that fit, by words; a word that is too long is shortened. */
export function wrapped(text: string, widthMm: number, style: TextStyle): readonly string[] {
  const lines: string[] = []
  let line = ''
  for (const word of text.split(/\s+/).filter((each) => each !== '')) {
    const longer = line === '' ? word : `${line} ${word}`
    if (style.measure(longer, style.font, style.sizeMm) <= widthMm) line = longer
    else {
      if (line !== '') lines.push(line)
      line = fitted(word, widthMm, style)
    }
  }
  return line === '' ? lines : [...lines, line]
}

/** The largest size from `most` down to `least` at which the text fits. */
export function sizeThatFits(
  text: string,
  widthMm: number,
  given: { readonly font: PageFont; readonly mostMm: number; readonly leastMm: number; readonly measure: Measure },
): number {
  const atMost = given.measure(text, given.font, given.mostMm)
  if (atMost <= widthMm) return given.mostMm
  return Math.max(given.leastMm, (given.mostMm * widthMm) / atMost)
}
