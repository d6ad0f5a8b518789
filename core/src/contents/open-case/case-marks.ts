import type { PointXY } from '../../shared/angles.ts'
import { CORNERS, MARK_QUIET_MM, markCornersMm, type CaseSize, type Corner, type MarkCorners } from './case-pose.ts'

/** The marks of one picture; which kit's they are, where that is known. */
export interface FoundMarks extends Partial<Readonly<Record<Corner, MarkCorners>>> {
  readonly kitCode?: string | null | undefined
  /** How far inside the mark's own edge the corners lie: a reader tells those of the code, not of the white about it. */
  readonly insetMm?: number | undefined
}

/** A code as a reader tells it: its text, and its corners clockwise from its own top left, px. */
export interface ReadCode {
  readonly text: string
  readonly corners: MarkCorners
}

/** What stands in a mark: `BNC1 <kit code> TL`. */
export const markText = (kitCode: string, corner: Corner): string => `BNC1 ${kitCode} ${corner}`
const MARK = /^BNC1 (\S.*) (TL|TR|BR|BL)$/

/** The marks among the codes of a picture. Where two kits' marks lie in it, those of which there are more are taken. */
export function marksAmong(codes: readonly ReadCode[]): FoundMarks {
  const read = codes.flatMap(({ text, corners }) => {
    const [, kitCode, corner] = MARK.exec(text.trim()) ?? []
    return kitCode && corner ? [{ kitCode, corner: corner as Corner, corners }] : []
  })
  const count = (kitCode: string) => read.filter((mark) => mark.kitCode === kitCode).length
  const kitCode = read.map((mark) => mark.kitCode).toSorted((a, b) => count(b) - count(a))[0] ?? null
  const own = read.filter((mark) => mark.kitCode === kitCode)
  return {
    ...Object.fromEntries(own.map(({ corner, corners }) => [corner, corners])),
    kitCode,
    insetMm: MARK_QUIET_MM,
  }
}

export const markCount = (marks: FoundMarks): number => CORNERS.filter((corner) => marks[corner]).length

/** The far corner of a code has no eye of its own: readers guess it from the other three. */
const FAR_CORNER = 2

/** Places in the picture and in the case that belong together. */
export function markPoints(marks: FoundMarks, caseMm: CaseSize): { readonly px: PointXY; readonly mm: PointXY }[] {
  const { insetMm = 0 } = marks
  return CORNERS.flatMap((corner) => {
    const seen = marks[corner]
    if (!seen) return []
    return markCornersMm(caseMm, corner, insetMm).flatMap((mm, i) => {
      const px = seen[i]
      return px && !(insetMm > 0 && i === FAR_CORNER) ? [{ px, mm }] : []
    })
  })
}
