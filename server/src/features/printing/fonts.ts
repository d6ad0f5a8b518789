import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Measure, PageFont } from '@binoculum/core'
import * as fontkit from 'fontkit'

const require = createRequire(import.meta.url)
const at = (name: string) => readFileSync(require.resolve(`@fontsource/${name}`))

/** Each font in its Latin and its extended Latin file: the second is asked for letters the first lacks. */
const files: Readonly<Record<PageFont, (set: 'latin' | 'latin-ext') => Buffer>> = {
  serif: (set) => at(`sorts-mill-goudy/files/sorts-mill-goudy-${set}-400-normal.woff`),
  'serif-italic': (set) => at(`sorts-mill-goudy/files/sorts-mill-goudy-${set}-400-italic.woff`),
  sans: (set) => at(`atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-${set}-400-normal.woff`),
  'sans-bold': (set) => at(`atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-${set}-700-normal.woff`),
}

export interface PageFace {
  readonly name: string
  readonly bytes: Buffer
  readonly face: fontkit.Font
}

const loaded = new Map<PageFont, readonly PageFace[]>()

/** Faces of a font in the order they are asked. */
export function facesOf(font: PageFont): readonly PageFace[] {
  const known = loaded.get(font)
  if (known) return known
  const faces = (['latin', 'latin-ext'] as const).map((set) => {
    const bytes = files[font](set)
    return { name: `${font} ${set}`, bytes, face: fontkit.create(bytes) as fontkit.Font }
  })
  loaded.set(font, faces)
  return faces
}

export interface Run {
  readonly face: PageFace
  readonly text: string
}

/** A text in runs of one face each. Letters that no face has become “?”, so that nothing disappears. */
export function runsOf(text: string, font: PageFont): readonly Run[] {
  const faces = facesOf(font)
  const runs: { face: PageFace; text: string }[] = []
  for (const letter of text.normalize('NFC')) {
    const face = faces.find((each) => each.face.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0))
    const [used, shown] = face ? [face, letter] : [faces[0], '?']
    if (!used) continue
    const last = runs.at(-1)
    if (last?.face === used) last.text += shown
    else runs.push({ face: used, text: shown })
  }
  return runs
}

/** Widths in ems already laid out: sheets of many kits say the same words over and over. */
const widths = new Map<string, number>()
const MOST_WIDTHS = 20_000

export function runWidth({ face, text }: Run, size: number): number {
  const key = `${face.name}\n${text}`
  const known = widths.get(key)
  if (known !== undefined) return known * size
  if (widths.size >= MOST_WIDTHS) widths.clear()
  const ems = face.face.layout(text).advanceWidth / face.face.unitsPerEm
  widths.set(key, ems)
  return ems * size
}

export const measure: Measure = (text, font, sizeMm) =>
  runsOf(text, font).reduce((sum, run) => sum + runWidth(run, sizeMm), 0)
