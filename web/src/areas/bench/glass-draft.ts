import type { GlassLook } from '@binoculum/contract'
import { glassTroubles, type GlassGrade, type GlassTrouble } from '@binoculum/core'

/** What a torch showed so far; a grade nobody chose is none at all, not *none*. */
export interface GlassDraft {
  grades: Partial<Record<GlassTrouble, GlassGrade>>
  cleaned: GlassLook['cleaned']
  pictureId: string | null
}
export const emptyGlass = (): GlassDraft => ({ grades: {}, cleaned: null, pictureId: null })

/** The look as it is sent: once all four were looked for; a cleaning once its reason is there. */
export function glassLookOf({ grades, cleaned, pictureId }: GlassDraft): GlassLook | null {
  const { dust, fungus, scratches, coating } = grades
  if (!dust || !fungus || !scratches || !coating) return null
  return { dust, fungus, scratches, coating, cleaned: cleaned?.why.trim() ? cleaned : null, pictureId }
}

/** What is still to be looked for, once somebody began. */
export const stillToLook = ({ grades }: GlassDraft): readonly GlassTrouble[] =>
  Object.keys(grades).length === 0 ? [] : glassTroubles.filter((each) => !grades[each])
