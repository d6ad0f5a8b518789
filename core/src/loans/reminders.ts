/** Letters that a loan's days make by themselves, in the order of its life; then those that something else makes. */
export const reminderKinds = [
  ...(['promise-made', 'pick-up', 'due-soon', 'late-1', 'late-2', 'late-3'] as const),
  ...(['report-received', 'finder-off'] as const),
] as const
export type ReminderKind = (typeof reminderKinds)[number]

export interface ReminderPolicy {
  /** Letters that are written; others aren't. */
  readonly kinds: readonly ReminderKind[]
  /** Days before the return on which it is said, and after it for each of the three steps. */
  readonly dueInDays: number
  readonly lateAfterDays: readonly [number, number, number]
  /** Hours of the branch's own clock within which letters leave; nobody is written to at night. */
  readonly fromHour: number
  readonly untilHour: number
}

/** What a branch begins with: nothing is written before somebody has decided it. Days are common practice, no source. */
export const defaultReminderPolicy: ReminderPolicy = {
  kinds: [],
  dueInDays: 2,
  lateAfterDays: [1, 7, 14],
  fromHour: 9,
  untilHour: 19,
}

/** A loan by its day numbers. */
export interface RemindedLoan {
  readonly state: 'promised' | 'out'
  readonly from: number
  readonly until: number
  /** Promised within the last day. */
  readonly isNew: boolean
}

/**
 * The one letter that a loan wants on a day, if any. Of several that would be due after a pause only the newest is written:
 * nobody gets three at once.
 * @param today the branch's own day
 */
export function reminderDue(loan: RemindedLoan, policy: ReminderPolicy, today: number): ReminderKind | null {
  const kind = loan.state === 'promised' ? ofPromise(loan, today) : ofLoan(loan, policy, today)
  return kind !== null && policy.kinds.includes(kind) ? kind : null
}

function ofPromise({ from, isNew }: RemindedLoan, today: number): ReminderKind | null {
  if (from < today) return null
  if (from - today <= 1) return 'pick-up'
  return isNew ? 'promise-made' : null
}

function ofLoan(
  { until }: RemindedLoan,
  { dueInDays, lateAfterDays }: ReminderPolicy,
  today: number,
): ReminderKind | null {
  const late = today - until
  const [first, second, third] = lateAfterDays
  if (late >= third) return 'late-3'
  if (late >= second) return 'late-2'
  if (late >= first) return 'late-1'
  return late <= 0 && -late <= dueInDays ? 'due-soon' : null
}

/** Whether letters may leave at an hour of the branch's own clock. */
export const isLetterHour = ({ fromHour, untilHour }: ReminderPolicy, hour: number): boolean =>
  hour >= fromHour && hour < untilHour
