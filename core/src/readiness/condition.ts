/** full = fit to lend · half = lend with a note · crescent = needs the bench · new = held. */
export const conditions = ['full', 'half', 'crescent', 'new'] as const
export type Condition = (typeof conditions)[number]
