import { isHazardRole } from '../contents/filters.ts'
import { roleFacts, type Mark, type Role } from '../contents/roles.ts'
import type { JobCode } from '../readiness/jobs.ts'

/** Steps after a part was found missing or damaged, in the order people take them. */
export const followUpCodes = [
  'look-for-part',
  'ask-borrower',
  'replace-from-drawer',
  'order-part',
  'mend-part',
] as const
export type FollowUpCode = (typeof followUpCodes)[number]

export const isFollowUp = (code: JobCode): code is FollowUpCode => (followUpCodes as readonly string[]).includes(code)

/** Days within which a step is due. Common practice, no source. */
const dueDays: Readonly<Record<FollowUpCode, number>> = {
  'look-for-part': 0,
  'ask-borrower': 1,
  'replace-from-drawer': 2,
  'order-part': 14,
  'mend-part': 7,
}

export interface FollowUp {
  readonly partId: string
  readonly code: FollowUpCode
  readonly dueInDays: number
}

interface FollowedPart {
  readonly id: string
  readonly role: Role
  readonly mark: Mark
}

/** The first step for each part that a take-back found off. A coin cell is asked for at once, by the alarm, and a sun
 * filter is not missed. */
export function followUpsOf(parts: readonly FollowedPart[]): readonly FollowUp[] {
  return parts.flatMap(({ id, role, mark }): FollowUp[] => {
    if (isHazardRole(role) || mark === 'present' || mark === 'unseen') return []
    const code: FollowUpCode = mark === 'damaged' ? 'mend-part' : 'look-for-part'
    return [{ partId: id, code, dueInDays: dueDays[code] }]
  })
}

/** What comes after a step that did not help: look, ask, then a spare from the drawer if there is one, else order. */
export function nextFollowUp(
  code: FollowUpCode,
  { spareThere }: { readonly spareThere: boolean },
): FollowUp['code'] | null {
  const replace: FollowUpCode = spareThere ? 'replace-from-drawer' : 'order-part'
  const next: Readonly<Record<FollowUpCode, FollowUpCode | null>> = {
    'look-for-part': 'ask-borrower',
    'ask-borrower': replace,
    'replace-from-drawer': 'order-part',
    'order-part': spareThere ? 'replace-from-drawer' : null,
    'mend-part': replace,
  }
  return next[code]
}

export const followUpDays = (code: FollowUpCode): number => dueDays[code]

/** Hours for which a wet kit dries in the open before any cap goes on. Common practice, no source. */
export const DRYING_HOURS = 24

/** Whether a part is worth a letter to the borrower: what can be put in from stock for a few cents is not. */
export const worthAsking = (role: Role): boolean => roleFacts(role).criticality !== 'papers'
