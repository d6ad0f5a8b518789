import type { ReadingView } from '@binoculum/contract'
import { readingFigureText } from '@binoculum/core'

/** A reading as it was left, in its unit. */
export const readingText = ({ unit, asLeft, kind }: ReadingView): string => readingFigureText(unit, asLeft, kind)
