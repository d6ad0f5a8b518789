<script setup lang="ts">
import type { Calendar, CalendarKit, CalendarLoan } from '@binoculum/contract'
import { dateOfDay, dayNumber } from '@binoculum/core'
import { computed, useTemplateRef } from 'vue'
import { endOf, stretchOf } from './calendar-days.ts'
import type { Wanted } from './effects.ts'
import { calendarWords } from './words.ts'

const t = calendarWords('kitLine')

/** One kit's days: who has it, to whom it is promised, and when it is made ready in between. */
const { calendar, kit, loans, chosenId, wanted, refused } = defineProps<{
  calendar: Calendar
  kit: CalendarKit
  loans: readonly CalendarLoan[]
  chosenId: string | null
  /** A change that is about to be made in this row. */
  wanted: Wanted | null
  refused: boolean
}>()
const emit = defineEmits<{
  choose: [id: string]
  /** Enter on a bar: chooses it, or lets its change go. */
  enter: [id: string]
  free: [date: string]
  /** A bar is held: how many days it was moved, or made longer, and over which kit's row it is. */
  drag: [given: { id: string; days: number; longer: number; kitId: string | null; done: boolean }]
}>()

const track = useTemplateRef('track')
const bars = computed(() =>
  loans.flatMap((loan) => {
    const [from, until] = [dayNumber(loan.fromOn), dayNumber(endOf(loan, calendar.today))]
    const agreed = stretchOf(calendar, from, loan.state === 'out' ? Math.max(from, dayNumber(loan.untilOn)) : until)
    const late = loan.daysLate > 0 ? stretchOf(calendar, dayNumber(loan.untilOn) + 1, until) : null
    const ready = stretchOf(calendar, until + 1, until + loan.turnaroundDays)
    return agreed || late || ready ? [{ loan, agreed, late, ready }] : []
  }),
)
const ghost = computed(() =>
  wanted ? stretchOf(calendar, dayNumber(wanted.fromOn), dayNumber(wanted.untilOn)) : null,
)
/** Days on which it is at another branch, or on the van. */
const away = computed(() => {
  const last = dayNumber(calendar.from) + calendar.days
  const { hereFrom, hereUntil } = kit
  if (hereFrom)
    return { at: stretchOf(calendar, dayNumber(calendar.from), dayNumber(hereFrom) - 1), word: t('comesWithTheVan') }
  if (hereUntil) return { at: stretchOf(calendar, dayNumber(hereUntil) + 1, last), word: t('goneWithTheVan') }
  return { at: null, word: '' }
})
const conditionWord = computed(
  () => ({ full: '', half: t('note'), crescent: t('bench'), new: t('held') })[kit.condition],
)
const isOutNow = computed(() => loans.some(({ state }) => state === 'out'))
const whoOf = (loan: CalendarLoan) => loan.borrower || loan.code
const barWords = (loan: CalendarLoan) =>
  t('nameTo', {
    name: kit.name,
    state: loan.state === 'out' ? t('outWith') : loan.state === 'back' ? t('wasWith') : t('promisedTo'),
    loan: whoOf(loan),
    fromOn: loan.fromOn,
    untilOn: loan.untilOn,
    daysLate: loan.daysLate > 0 ? t('daysLate', { daysLate: loan.daysLate }) : '',
    clash: loan.clash ? t('clash') : '',
  })

const dayPx = () => (track.value?.clientWidth ?? 1) / calendar.days

/** A free day that was clicked on. */
function onTrack(event: MouseEvent) {
  if (event.target !== track.value || !track.value) return
  const left = track.value.getBoundingClientRect().left
  emit('free', dateOfDay(dayNumber(calendar.from) + Math.floor((event.clientX - left) / dayPx())))
}

const MOVED_PX = 4
/** Within so many pixels of its right end a bar is stretched. */
const EDGE_PX = 10
let held: { id: string; startX: number; stretches: boolean; moved: boolean } | null = null

function hold(event: PointerEvent, loan: CalendarLoan) {
  if (event.button !== 0 || loan.state === 'back' || !(event.currentTarget instanceof HTMLElement)) return
  const { right } = event.currentTarget.getBoundingClientRect()
  held = {
    id: loan.id,
    startX: event.clientX,
    stretches: loan.state === 'out' || right - event.clientX < EDGE_PX,
    moved: false,
  }
  event.currentTarget.setPointerCapture(event.pointerId)
}
function follow(event: PointerEvent, done = false) {
  if (!held) return
  const offset = event.clientX - held.startX
  if (!held.moved && Math.abs(offset) < MOVED_PX && rowUnder(event) === kit.id) {
    if (done) held = null
    return
  }
  held.moved = true
  const days = Math.round(offset / dayPx())
  const { id, stretches } = held
  const kitId = stretches ? null : rowUnder(event)
  emit('drag', { id, days: stretches ? 0 : days, longer: stretches ? days : 0, kitId, done })
  if (done) held = null
}
const rowUnder = (event: PointerEvent): string | null =>
  document
    .elementsFromPoint(event.clientX, event.clientY)
    .find((element): element is HTMLElement => element instanceof HTMLElement && !!element.dataset.kitId)?.dataset
    .kitId ?? null
</script>

<template>
  <div
    class="line grid grid-cols-[var(--side)_minmax(0,1fr)] h-28px line-b-rule [content-visibility:auto] [contain-intrinsic-size:auto_28px]"
    :data-kit-id="kit.id"
    role="row"
  >
    <div
      class="kit flex gap-8px items-baseline overflow-hidden pr-8px pl-16px py-0 line-r-rule whitespace-nowrap max-[760px]:pl-8px"
      role="rowheader"
    >
      <RouterLink
        :to="`/kits/${encodeURIComponent(kit.code)}`"
        class="serif overflow-hidden text-18px lh-27px text-ink no-underline text-ellipsis"
        :title="kit.modelName"
        >{{ kit.name }}</RouterLink
      >
      <span class="code text-quiet text-12px ml-auto max-[760px]:hidden">{{ kit.code }}</span>
      <span
        v-if="conditionWord && !isOutNow"
        class="state text-quiet text-12px max-[760px]:ml-auto"
        :class="kit.condition"
        >{{ conditionWord }}</span
      >
    </div>
    <div ref="track" class="track" role="gridcell" @click="onTrack">
      <template v-for="{ loan, agreed, late, ready } in bars" :key="loan.id">
        <span
          v-if="ready && loan.state !== 'back'"
          class="ready line-r-2-brass [background:repeating-linear-gradient(45deg,var(--rule-strong)_0_1px,transparent_1px_5px)] pointer-events-none"
          :style="{ left: ready.left, width: ready.width }"
        />
        <span
          v-if="late"
          class="late overflow-hidden line-dashed-rust line-l-none bg-card text-rust text-12px fw-640 lh-18px whitespace-nowrap pointer-events-none"
          :style="{ left: late.left, width: late.width }"
          ><span class="py-0 px-4px">{{ t('daysLate2', { n: loan.daysLate }) }}</span></span
        >
        <button
          v-if="agreed"
          type="button"
          class="bar"
          :class="[
            loan.state,
            {
              clash: loan.clash,
              chosen: loan.id === chosenId,
              'cut-left': agreed.cutLeft,
              'cut-right': agreed.cutRight,
            },
          ]"
          :style="{ left: agreed.left, width: agreed.width }"
          :aria-label="barWords(loan)"
          :aria-pressed="loan.id === chosenId"
          :data-loan-id="loan.id"
          @click.stop="emit('choose', loan.id)"
          @keydown.enter.prevent="emit('enter', loan.id)"
          @pointerdown="hold($event, loan)"
          @pointermove="follow($event)"
          @pointerup="follow($event, true)"
          @pointercancel="held = null"
        >
          <span>{{ whoOf(loan) }}</span>
        </button>
      </template>
      <span
        v-if="away.at"
        class="absolute [inset-block:4px] overflow-hidden [background:linear-gradient(var(--brass-text),var(--brass-text))_0_50%_/_100%_1px_no-repeat] text-quiet text-12px lh-19px whitespace-nowrap pointer-events-none"
        :style="{ left: away.at.left, width: away.at.width }"
        ><span class="ml-10px py-0 px-6px bg-paper">{{ away.word }}</span></span
      >
      <span
        v-if="ghost"
        class="ghost z-3 line-2-dashed-moss [background:color-mix(in_srgb,var(--moss)_14%,transparent)] pointer-events-none"
        :class="{ refused }"
        :style="{ left: ghost.left, width: ghost.width }"
      />
    </div>
  </div>
</template>

<style scoped src="./kit-line.css"></style>
