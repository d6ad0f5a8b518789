import { actsOf, type Act } from '@binoculum/contract'
import { logbookWords } from './words.ts'

const t = logbookWords('storyKinds')

/** Kinds of what was done to a kit, as somebody looks for them, by the features that write it down. */
export const kindsOfActs = {
  loans: t('loans'),
  bench: t('benchChecks'),
  parts: t('partsAndContents'),
  jobs: t('jobsAndLetters'),
  guides: t('guidesAndMessages'),
  rest: t('everythingElse'),
} as const
export type KindOfAct = keyof typeof kindsOfActs

const featuresOf: Partial<Record<keyof typeof actsOf, KindOfAct>> = {
  loans: 'loans',
  waiting: 'loans',
  transfers: 'loans',
  checks: 'bench',
  kits: 'parts',
  contents: 'parts',
  followUp: 'jobs',
  reminders: 'jobs',
  guides: 'guides',
}

const kinds = new Map<Act, KindOfAct>(
  (Object.entries(actsOf) as [keyof typeof actsOf, readonly Act[]][]).flatMap(([feature, acts]) =>
    acts.map((act) => [act, featuresOf[feature] ?? 'rest'] as const),
  ),
)
export const kindOfAct = (act: Act): KindOfAct => kinds.get(act) ?? 'rest'
