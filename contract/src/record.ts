import { z } from 'zod'

/** Acts of the record by the feature that writes them. */
export const actsOf = {
  people: [
    'invited',
    'joined',
    'signed-in',
    'password-reset',
    'password-changed',
    'reset-issued',
    'person-closed',
    'role-changed',
    'branch-added',
    'agreement-written',
  ],
  opening: ['opening-changed', 'closing-added', 'closing-removed'],
  transfers: ['transfer-planned', 'transfer-arrived', 'transfer-cancelled'],
  benchPlan: ['bench-evening-added', 'bench-evening-removed', 'bench-skills-said', 'bench-seats-given'],
  reminders: ['reminders-decided', 'reminder-written'],
  waiting: ['waiting-asked', 'waiting-offered', 'waiting-answered', 'waiting-gone'],
  spread: ['spread-read', 'spread-forgotten'],
  branchArchive: ['branch-archived', 'branch-brought-in'],
  cards: ['card-looked-up'],
  borrowers: ['borrower-looked-at', 'borrower-changed', 'borrowers-unlinked', 'unlinking-decided'],
  feeds: ['feed-made', 'feed-ended'],
  secondFactor: ['second-factor-on', 'second-factor-off'],
  kits: [
    'part-marked',
    'wear-noted',
    'extra-settled',
    'hazard-cured',
    'kit-changed',
    'collimation-policy-set',
    'finder-offset-measured',
  ],
  contents: ['brought-in', 'brought-up-to-date', 'model-changed', 'weighed', 'part-moved', 'drawer-changed'],
  openCase: ['case-drawn', 'case-seen', 'case-view-forgotten'],
  checks: ['checked', 'cell-forgotten'],
  guides: ['borrower-wrote', 'guide-words-changed'],
  loans: [
    'handed-out',
    'hand-out-corrected',
    'taken-back',
    'take-back-corrected',
    'coin-cell-asked',
    'link-renewed',
    'link-revoked',
    'borrowers-joined',
    'promised',
    'promise-moved',
    'promise-cancelled',
    'extended',
  ],
  lessons: ['lesson-offered', 'lesson-done'],
  packing: ['packing-shown', 'packing-unshown'],
  followUp: ['job-opened', 'job-changed', 'job-settled', 'cells-changed', 'message-sent'],
} as const

export type Act = (typeof actsOf)[keyof typeof actsOf][number]
export type KitAct = (typeof actsOf)['kits'][number]
export const acts: readonly Act[] = Object.values(actsOf).flat()

export const recordLineSchema = z.object({
  id: z.string(),
  atUtc: z.string(),
  act: z.enum(acts as [Act, ...Act[]]),
  by: z.string(),
  before: z.record(z.string(), z.unknown()).nullable(),
  after: z.record(z.string(), z.unknown()).nullable(),
})
export type RecordLine = z.infer<typeof recordLineSchema>
