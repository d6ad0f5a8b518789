import { fillReminder, reminderLanguages, reminderTexts, unknownBlanks } from '../words/reminders.ts'
import { defaultReminderPolicy, isLetterHour, reminderDue, reminderKinds, type ReminderPolicy } from './reminders.ts'

const TODAY = 1000
const policy: ReminderPolicy = { ...defaultReminderPolicy, kinds: reminderKinds }
const promised = (from: number, isNew = false) =>
  reminderDue({ state: 'promised', from, until: from + 14, isNew }, policy, TODAY)
const out = (until: number, by = policy) =>
  reminderDue({ state: 'out', from: until - 14, until, isNew: false }, by, TODAY)

it('nothing is written before somebody has decided it', () => {
  expect(out(TODAY - 3, defaultReminderPolicy)).toBeNull()
})

it('a promise is told when it is made, and the day before it is fetched', () => {
  expect([promised(1010, true), promised(1010), promised(1001, true), promised(1000), promised(999)]).toEqual([
    ...['promise-made', null, 'pick-up', 'pick-up', null],
  ])
})

it('a return is told two days before, and on its day, and then in three steps', () => {
  expect([3, 2, 0, -1, -6, -7, -13, -14, -400].map((inDays) => out(TODAY + inDays))).toEqual([
    ...[null, 'due-soon', 'due-soon', 'late-1', 'late-1', 'late-2', 'late-2', 'late-3', 'late-3'],
  ])
})

it('a step that isn’t wanted is left out, and no earlier one comes in its place', () => {
  const twice = { ...policy, kinds: ['late-1', 'late-3'] as const }
  expect([out(TODAY - 2, twice), out(TODAY - 8, twice), out(TODAY - 20, twice)]).toEqual(['late-1', null, 'late-3'])
})

it('letters leave by day only', () => {
  expect([8, 9, 18, 19, 23].map((hour) => isLetterHour(policy, hour))).toEqual([false, true, true, false, false])
})

it.each(reminderLanguages)('every text in %s has only blanks that are filled, and keeps the name out', (language) => {
  const blanks = { kit: 'Yarrow', from: 'Thu 26 Mar', until: 'Thu 9 Apr', time: '10:00', branch: 'The library' }
  for (const kind of reminderKinds) {
    const text = reminderTexts[language][kind]
    expect(unknownBlanks(text.subject + text.body)).toEqual([])
    const { subject, body } = fillReminder(text, blanks)
    expect(subject).toContain('Yarrow')
    expect(`${subject}${body}`.match(/\{\{[^}]*\}\}/g)).toEqual(['{{name}}'])
  }
  expect(unknownBlanks('{{nmae}} and {{kit}}')).toEqual(['nmae'])
})
