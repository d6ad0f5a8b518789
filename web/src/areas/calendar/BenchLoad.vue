<script setup lang="ts">
import { benchPlansSchema, type Calendar } from '@binoculum/contract'
import { dayNumber } from '@binoculum/core'
import { computed } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { dayWords, stretchOf } from './calendar-days.ts'
import { calendarWords } from './words.ts'

const t = calendarWords('benchLoad')

/** The calendar's foot: how full each evening at the bench is, in minutes given of minutes there are. */
const { calendar } = defineProps<{ calendar: Calendar }>()
const { data } = useLoaded(benchPlansSchema, '/api/bench-plan')
const plan = computed(() => data.value?.branches.find(({ branchId }) => branchId === calendar.branchId) ?? null)
const evenings = computed(() => {
  const { evenings = [], lines = [] } = plan.value ?? {}
  return evenings.flatMap(({ id, onDay, seats, minutesEach }) => {
    const day = dayNumber(onDay)
    const at = stretchOf(calendar, day, day)
    if (!at) return []
    const given = lines.filter(({ eveningId }) => eveningId === id)
    const minutes = given.reduce((sum, line) => sum + line.minutes, 0)
    const late = given.filter(({ isLate }) => isLate).length
    return [{ id, onDay, at, minutes, room: seats * minutesEach, late, share: minutes / (seats * minutesEach) }]
  })
})
const wordsOf = ({ onDay, minutes, room, late }: (typeof evenings.value)[number]) =>
  t('ofMinutesAtTheBench', {
    onDay: dayWords(onDay),
    minutes,
    room,
    late: late > 0 ? t('tooLateForTheirPick', { late }) : '',
  })
</script>

<template>
  <div
    v-if="evenings.length > 0"
    class="grid grid-cols-[var(--side)_minmax(0,1fr)] sticky z-6 bottom-0 h-44px bg-paper line-t-2-rule-strong"
    role="row"
    :aria-label="t('benchLoad')"
  >
    <div class="name flex flex-col justify-center pr-8px pl-16px py-0 line-r-rule" role="rowheader">
      <RouterLink to="/bench/plan" class="serif text-quiet italic">{{ t('benchLoad2') }}</RouterLink>
      <span class="second">{{ t('minGivenThere') }}</span>
    </div>
    <div class="relative [background-image:var(--columns)]" role="gridcell">
      <span
        v-for="evening in evenings"
        :key="evening.id"
        class="evening absolute [inset-block:4px] min-w-58px py-2px px-4px text-13px"
        :class="{ late: evening.late > 0 }"
        :style="{ left: evening.at.left, width: evening.at.width }"
        :title="wordsOf(evening)"
        ><span class="figure">{{ evening.minutes }}/{{ evening.room }}</span>
        <i class="bar block h-4px mt-2px line-rule-strong"
          ><i class="block h-full bg-night" :style="{ width: `${Math.min(100, evening.share * 100)}%` }" /></i
      ></span>
    </div>
  </div>
</template>

<style scoped>
.late .figure {
  color: var(--rust);
  font-weight: 640;
}

.late .bar i {
  background: var(--rust);
}
</style>
