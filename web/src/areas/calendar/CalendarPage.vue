<script setup lang="ts">
import type { CalendarLoan, SuggestedSlot } from '@binoculum/contract'
import { dateOfDay, dayNumber } from '@binoculum/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import BranchSelect from '../../shared/controls/BranchSelect.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import { useKeys, type KeyMap } from '../../shared/keys/use-keys.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from '../people/session.ts'
import { columnsOf, openDaysOf, rangeWords } from './calendar-days.ts'
import { effectOf, type Wanted } from './effects.ts'
import BenchLoad from './BenchLoad.vue'
import CalendarTabs from './CalendarTabs.vue'
import KitLine from './KitLine.vue'
import LoanPanel from './LoanPanel.vue'
import NightBand from './NightBand.vue'
import PromisePanel from './PromisePanel.vue'
import { useBranch } from './use-branch.ts'
import { nextSpan, spans, useCalendar, type SpanName } from './use-calendar.ts'
import WhatFor from './WhatFor.vue'
import { calendarWords } from './words.ts'

const t = calendarWords('calendarPage')
const spanWords = { week: t('week'), fortnight: t('fortnight'), 'ten weeks': t('tenWeeks') } as const

/** Loans and promises against the nights of a branch. */
const route = useRoute()
const session = useSession()
const { branches, branchId } = useBranch()
const calendar = useCalendar(() => branchId.value)
const {
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
} = calendar
text.value = String(route.query.find ?? '')
// A loan's own page leads here, to its bar.
if (typeof route.query.loan === 'string') chosenId.value = route.query.loan

const mayAct = computed(() => session.may(branchId.value, 'coordinator', 'volunteer'))
const columns = computed(() => (data.value ? columnsOf(data.value) : []))
const loansOf = computed(() => {
  const byKit = new Map<string, CalendarLoan[]>()
  for (const loan of data.value?.loans ?? []) byKit.set(loan.kitId, [...(byKit.get(loan.kitId) ?? []), loan])
  return byKit
})
/** A new promise that is being made, or days that are being looked for. */
const making = ref<Wanted | null>(null)
const asksWhatFor = ref(false)
const panel = useTemplateRef('panel')
const isRefused = computed(() => {
  const shown = wanted.value ?? making.value
  return data.value && shown ? !effectOf(data.value, shown).allowed : false
})

/** Lines between the days, shaded where the desk is closed, as one picture behind every row. */
const columnsPicture = computed(() => {
  const days = columns.value.length
  const share = (index: number) => `${((100 * index) / days).toFixed(3)}%`
  const closed = columns.value.flatMap(({ isOpen }, index) =>
    isOpen ? [] : [`color-mix(in srgb, var(--rule) 55%, transparent) ${share(index)} ${share(index + 1)}`],
  )
  const stops = columns.value.map(({ isOpen }, index) =>
    isOpen ? `transparent ${share(index)} ${share(index + 1)}` : closed.shift(),
  )
  const every = `repeating-linear-gradient(90deg, var(--rule) 0 1px, transparent 1px calc(100% / ${days > 28 ? days / 7 : days}))`
  return days > 28
    ? `linear-gradient(90deg, ${stops.join(', ')})`
    : `${every}, linear-gradient(90deg, ${stops.join(', ')})`
})
const todayLeft = computed(() => {
  const index = columns.value.findIndex(({ isToday }) => isToday)
  return index < 0 ? null : `calc(var(--side) + (100% - var(--side)) * ${index / columns.value.length})`
})

function pick(id: string | null) {
  making.value = null
  asksWhatFor.value = false
  choose(id)
}
function makeOn(kitId: string, date: string) {
  const given = data.value
  if (!given || !mayAct.value || date < given.today) return
  const isOpen = openDaysOf(given)
  let until = dayNumber(date) + given.loanDays
  for (let tries = 0; tries < 14 && !isOpen(until); tries++) until++
  choose(null)
  asksWhatFor.value = false
  making.value = { loanId: null, kitId, fromOn: date, untilOn: dateOfDay(until) }
}
function takeSlot({ kitId, from: fromOn, until: untilOn }: SuggestedSlot) {
  asksWhatFor.value = false
  making.value = { loanId: null, kitId, fromOn, untilOn }
}
async function done() {
  making.value = null
  wanted.value = null
  await reload()
}

/** Enter on the bar that is chosen lets its change go, as anywhere else on the page. */
function enter(id: string) {
  if (id === chosenId.value && wanted.value) void panel.value?.letGo()
  else pick(id)
}

/** A held bar is followed; let go, its change waits to be said yes to. */
function drag({ id, days, longer, kitId }: { id: string; days: number; longer: number; kitId: string | null }) {
  if (!mayAct.value) return
  if (chosenId.value !== id) pick(id)
  const loan = chosen.value
  wanted.value = null
  if (!loan || (days === 0 && longer === 0 && (kitId === null || kitId === loan.kitId))) return
  alter({ days, longer, ...(kitId && loan.state === 'promised' ? { kitId } : {}) })
}

/** From bar to bar: along a kit's days, and to the kit above or below. */
function step(along: number, across: number) {
  const rows = kits.value.map(({ id }) => (loansOf.value.get(id) ?? []).filter(({ state }) => state !== 'back'))
  const row = rows.findIndex((loans) => loans.some(({ id }) => id === chosenId.value))
  if (row < 0) return pick(rows.find((loans) => loans.length > 0)?.[0]?.id ?? null)
  const at = rows[row]?.findIndex(({ id }) => id === chosenId.value) ?? 0
  if (along !== 0) return pick(rows[row]?.[at + along]?.id ?? chosenId.value)
  for (let next = row + across; next >= 0 && next < rows.length; next += across) {
    const first = rows[next]?.[0]
    if (first) return pick(first.id)
  }
}
watch(chosenId, async (id) => {
  await nextTick()
  document.querySelector(`[data-loan-id="${id}"]`)?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
})

useKeys((): KeyMap => {
  const loan = chosen.value
  const base: KeyMap = {
    t: goToToday,
    w: () => (span.value = nextSpan(span.value)),
    ArrowDown: () => step(0, 1),
    ArrowUp: () => step(0, -1),
    ...(mayAct.value
      ? {
          p: () => {
            pick(null)
            asksWhatFor.value = true
          },
        }
      : {}),
  }
  if (!loan || loan.state === 'back' || !mayAct.value)
    return { ...base, ArrowLeft: () => turn(-1), ArrowRight: () => turn(1), Escape: () => pick(null) }
  const change: KeyMap = {
    ArrowLeft: () => alter({ days: -1 }),
    ArrowRight: () => alter({ days: 1 }),
    '+': () => alter({ longer: 1 }),
    '-': () => alter({ longer: -1 }),
    e: () => alter({ longer: 7 }),
    Enter: () => void panel.value?.letGo(),
    Escape: () => (wanted.value ? (wanted.value = null) : pick(null)),
  }
  const byNumber = Object.fromEntries(
    ways.value.map((way, index) => [String(index + 1), () => (wanted.value = way.wanted)]),
  )
  return { ...base, ...change, ...byNumber }
})
</script>

<template>
  <main class="page [--side:190px] max-w-none pr-0 pl-0 max-[760px]:[--side:118px]">
    <CalendarTabs v-if="mayAct" class="py-0 px-24px" />
    <header class="flex flex-wrap gap-y-8px gap-x-12px items-center py-0 px-24px">
      <h1>{{ t('nightsAndLoans') }}</h1>
      <em v-if="data">{{ rangeWords(from, data.days, data.today) }}</em>
      <div class="second flex gap-6px items-center ml-auto max-[760px]:ml-0">
        <span class="key out w-24px h-12px ml-8px line-night" /> {{ t('out') }}
        <span class="key w-24px h-12px ml-8px line-night" /> {{ t('promised') }}
        <span class="key ready w-24px h-12px ml-8px line-night" /> {{ t('madeReady') }}
        <span class="key closed w-24px h-12px ml-8px line-night" /> {{ t('closed') }}
      </div>
    </header>
    <div class="tools screen-only flex flex-wrap gap-y-8px gap-x-12px items-center py-0 px-24px mx-0 mt-6px mb-8px">
      <BranchSelect v-model="branchId" :branches="branches" />
      <ElInput
        v-model="text"
        clearable
        :placeholder="t('kitOrBorrower')"
        :aria-label="t('showOnly')"
        class="w-170px"
      />
      <ElRadioGroup v-model="span" :aria-label="t('howMuch')">
        <ElRadioButton v-for="(_days, name) in spans" :key="name" :value="name as SpanName">{{
          spanWords[name]
        }}</ElRadioButton>
      </ElRadioGroup>
      <ElButton :aria-label="t('earlier')" @click="turn(-1)"><KeyCap name="←" /></ElButton>
      <ElButton @click="goToToday">{{ t('today') }} <KeyCap name="t" /></ElButton>
      <ElButton :aria-label="t('later')" @click="turn(1)"><KeyCap name="→" /></ElButton>
      <ElButton v-if="mayAct" type="primary" class="promise" @click="(pick(null), (asksWhatFor = true))"
        >{{ t('promiseAKit') }} <KeyCap name="p"
      /></ElButton>
    </div>
    <p v-if="clashes.length > 0" class="clashes flex flex-wrap gap-y-8px gap-x-12px items-center py-0 px-24px mb-6px">
      <strong class="rust">{{ t('promisesCantBeKeptAs', { n: clashes.length }) }}</strong>
      <ElButton v-for="loan in clashes.slice(0, 6)" :key="loan.id" link @click="pick(loan.id)"
        >{{ data?.kits.find(({ id }) => id === loan.kitId)?.name }}, {{ loan.borrower || loan.code }}</ElButton
      >
      <span v-if="clashes.length > 6" class="quiet">{{ t('andMore', { clashes: clashes.length - 6 }) }}</span>
    </p>
    <ProblemNote :problem="problem" @retry="reload" />
    <div v-if="data" class="sheet pb-12px max-[760px]:overflow-x-auto" :style="{ '--columns': columnsPicture }">
      <div
        class="sticky top-48px z-6 bg-paper max-[760px]:relative max-[760px]:top-0"
        :class="{ 'max-[760px]:min-w-900px': data.days > spans.week }"
      >
        <div class="flex pl-[var(--side)]">
          <span
            v-for="column in columns"
            :key="column.day"
            :data-day="column.day"
            class="date flex-[1_1_0] min-w-0 text-ink text-13px lh-18px text-center"
            :class="{ today: column.isToday, weekend: column.isWeekend, shut: !column.isOpen, wide: data.days > 28 }"
          >
            <template v-if="data.days <= 28"
              ><span class="block max-[760px]:text-11px">{{ column.isToday ? t('today2') : column.weekday }}</span
              ><b
                class="serif block text-19px fw-400 lh-22px whitespace-nowrap max-[760px]:text-15px max-[760px]:lh-16px max-[760px]:whitespace-normal"
                >{{ column.label }}</b
              ></template
            >
            <template v-else>{{ column.label }}</template>
          </span>
        </div>
        <NightBand :calendar="data" :columns="columns" />
      </div>
      <div
        class="rows relative max-[760px]:relative max-[760px]:top-0"
        :class="{ 'max-[760px]:min-w-900px': data.days > spans.week }"
        role="grid"
        :aria-label="t('kitsByDays')"
      >
        <span
          v-if="todayLeft"
          class="absolute z-4 top-0 bottom-0 line-l-2-night pointer-events-none"
          :style="{ left: todayLeft }"
        />
        <KitLine
          v-for="kit in kits"
          :key="kit.id"
          :calendar="data"
          :kit="kit"
          :loans="loansOf.get(kit.id) ?? []"
          :chosen-id="chosenId"
          :wanted="wanted?.kitId === kit.id ? wanted : making?.kitId === kit.id ? making : null"
          :refused="isRefused"
          @choose="pick"
          @enter="enter"
          @free="makeOn(kit.id, $event)"
          @drag="drag"
        />
      </div>
      <BenchLoad :calendar="data" />
      <p v-if="kits.length === 0" class="quiet py-16px px-24px">
        {{ text ? t('noKitAndNoBorrower') : t('thisBranchHasNoKits') }}
      </p>
    </div>
    <WhatFor v-if="data && asksWhatFor" :calendar="data" @choose="takeSlot" @close="asksWhatFor = false" />
    <PromisePanel v-else-if="data && making" v-model="making" :calendar="data" @done="done" @close="making = null" />
    <LoanPanel
      v-else-if="data && chosen"
      ref="panel"
      :calendar="data"
      :loan="chosen"
      :wanted="wanted"
      :effect="effect"
      :ways="ways"
      :may-act="mayAct"
      @alter="alter"
      @want="wanted = $event"
      @done="done"
      @close="pick(null)"
    />
  </main>
</template>

<style scoped src="./calendar-page.css"></style>
