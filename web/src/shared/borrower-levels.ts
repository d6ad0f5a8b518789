import { sharedWords } from './words.ts'

const t = sharedWords('borrowerLevels')

/** How much practice somebody has with a telescope. */
export const levelWords = { first: t('theFirstTime'), some: t('somePractice'), expert: t('experienced') } as const
