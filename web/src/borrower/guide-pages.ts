import type { IssuedGuide } from '@binoculum/contract'
import { plain, type Said } from '@binoculum/core'

type GuideText = IssuedGuide['texts'][string]
export type Block = GuideText['blocks'][number]
export type Step = GuideText['setUp'][number]

/** One screen of the phone: a block, or one step of a block that has steps. */
export interface GuidePage {
  readonly key: string
  readonly block: Block
  readonly step: Step | null
  /** Its number among the steps of its block, from 1. */
  readonly stepNumber: number
  readonly stepCount: number
  readonly title: Said
}

export const textOf = (guide: IssuedGuide, language: string): GuideText => {
  const text = guide.texts[language] ?? guide.texts.en ?? Object.values(guide.texts)[0]
  if (!text) throw new RangeError('guide must hold words in one language at least')
  return text
}

/** The pages of a guide in the order of its blocks. */
export function pagesOf(text: GuideText): readonly GuidePage[] {
  return text.blocks.flatMap((block): GuidePage[] => {
    const own = { block, step: null, stepNumber: 0, stepCount: 0 }
    const stepPages = (steps: readonly Step[]) =>
      steps.map((step, index): GuidePage => ({
        key: `${block.key}-${step.key}-${index}`,
        block,
        step,
        stepNumber: index + 1,
        stepCount: steps.length,
        title: step.title,
      }))
    if (block.key === 'set-up') return stepPages(text.setUp)
    if (block.key === 'away')
      return [
        ...(block.stays.length > 0 ? [{ ...own, key: 'away', title: block.title }] : []),
        ...stepPages(text.putAway),
      ]
    return [{ ...own, key: block.key, title: block.title }]
  })
}

/** Whether steps begin here that nothing has headed yet: a block with cautions has its own page and heading before them. */
export const isChapter = (page: GuidePage, before: GuidePage | undefined): boolean =>
  page.stepNumber === 1 && before?.block.key !== page.block.key

/** What a page says, for reading aloud. */
export function spokenText(page: GuidePage): string {
  const lines: Said[] = page.step
    ? [page.title, ...page.step.lines, ...(page.step.caution ? [page.step.caution] : [])]
    : [page.title, ...page.block.stays, ...page.block.lines]
  return lines.map((line) => plain(line)).join('. ')
}
