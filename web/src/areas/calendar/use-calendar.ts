import { calendarSchema, type CalendarLoan } from '@binoculum/contract'
import { dateOfDay, dayNumber, isoWeekday } from '@binoculum/core'
import { useIntervalFn, useMediaQuery } from '@vueuse/core'
import dayjs from 'dayjs'
import { computed, ref, shallowRef, watch } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { changed, effectOf, waysOut, type Wanted } from './effects.ts'

export const spans = { week: 9, fortnight: 18, 'ten weeks': 70 } as const
export type SpanName = keyof typeof spans
const spanNames = Object.keys(spans) as SpanName[]
export const nextSpan = (span: SpanName): SpanName =>
  spanNames[(spanNames.indexOf(span) + 1) % spanNames.length] ?? 'fortnight'

const REREAD_MS = 60_000
/** Days shown before today. */
const BEFORE = 2

/** What the calendar shows, what is chosen on it, and the change that is about to be made. */
export function useCalendar(branchId: () => string) {
  // On a phone a week's days are wide enough to be read and touched; more of them are a scroll to the side.
  const span = ref<SpanName>(useMediaQuery('(max-width: 760px)').value ? 'week' : 'fortnight')
  const from = ref(dayjs().subtract(BEFORE, 'day').format('YYYY-MM-DD'))
  const days = computed(() => spans[span.value])
  const { data, problem, reload } = useLoaded(calendarSchema, () =>
    branchId() === '' ? null : `/api/branches/${branchId()}/calendar?from=${from.value}&days=${days.value}`,
  )
  const chosenId = ref<string | null>(null)
  const wanted = shallowRef<Wanted | null>(null)
  const text = ref('')

  const chosen = computed<CalendarLoan | null>(
    () => data.value?.loans.find(({ id }) => id === chosenId.value) ?? null,
  )
  const clashes = computed(() => data.value?.loans.filter(({ clash }) => clash !== null) ?? [])
  const effect = computed(() => (data.value && wanted.value ? effectOf(data.value, wanted.value) : null))
  const ways = computed(() => (data.value && chosen.value?.clash ? waysOut(data.value, chosen.value) : []))

  /** Kits by their name, code or model, or by whoever has them. */
  const kits = computed(() => {
    const calendar = data.value
    const words = text.value.trim().toLowerCase()
    if (!calendar) return []
    const there = calendar.kits.filter(({ gone }) => !gone)
    if (words === '') return there
    const has = new Set(
      calendar.loans.filter(({ borrower }) => borrower.toLowerCase().includes(words)).map(({ kitId }) => kitId),
    )
    return there.filter(
      ({ id, name, code, modelName }) => has.has(id) || `${name} ${code} ${modelName}`.toLowerCase().includes(words),
    )
  })

  function choose(id: string | null) {
    chosenId.value = id
    wanted.value = null
  }
  /** Begins or goes on with a change of the loan that is chosen. */
  function alter(by: Parameters<typeof changed>[1]) {
    const loan = chosen.value
    if (!loan || loan.state === 'back') return
    const base = wanted.value ? { ...wanted.value, id: loan.id } : loan
    // What is out has been picked up: only its return can change.
    const allowed = loan.state === 'out' ? { longer: (by.longer ?? 0) + (by.days ?? 0) } : by
    wanted.value = changed(base, allowed)
  }
  function turn(direction: -1 | 1) {
    const step = span.value === 'ten weeks' ? 28 : 7
    from.value = dateOfDay(dayNumber(from.value) + direction * step)
  }
  function goToToday() {
    const today = dayNumber(data.value?.today ?? dayjs().format('YYYY-MM-DD'))
    from.value = dateOfDay(span.value === 'ten weeks' ? today - isoWeekday(today) + 1 : today - BEFORE)
  }
  watch(span, goToToday)
  watch(branchId, () => choose(null))
  useIntervalFn(() => {
    if (!wanted.value) void reload()
  }, REREAD_MS)

  return {
    data,
    problem,
    reload,
    span,
    from,
    text,
    kits,
    chosen,
    chosenId,
    clashes,
    wanted,
    effect,
    ways,
    choose,
    alter,
    turn,
    goToToday,
  }
}
