<script setup lang="ts">
import { benchPlansSchema, type Calendar } from '@binoculum/contract'
import { dayNumber } from '@binoculum/core'
import { computed } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { dayWords, stretchOf } from './calendar-days.ts'

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
  `${dayWords(onDay)}: ${minutes} of ${room} minutes at the bench${late > 0 ? `, ${late} too late for their pick-up` : ''}`
</script>

<template>
  <div v-if="evenings.length > 0" class="load" role="row" aria-label="Bench load">
    <div class="name" role="rowheader">
      <RouterLink to="/bench/plan" class="serif">bench load</RouterLink>
      <span class="second">min given / there</span>
    </div>
    <div class="track" role="gridcell">
      <span
        v-for="evening in evenings"
        :key="evening.id"
        class="evening"
        :class="{ late: evening.late > 0 }"
        :style="{ left: evening.at.left, width: evening.at.width }"
        :title="wordsOf(evening)"
        ><span class="figure">{{ evening.minutes }}/{{ evening.room }}</span>
        <i class="bar"><i :style="{ width: `${Math.min(100, evening.share * 100)}%` }" /></i
      ></span>
    </div>
  </div>
</template>

<style scoped>
.load {
  display: grid;
  grid-template-columns: var(--side) minmax(0, 1fr);
  position: sticky;
  z-index: 6;
  bottom: 0;
  height: 44px;
  background: var(--paper);
  border-top: 2px solid var(--rule-strong);
}

.name {
  display: flex;
  flex-direction: column;
  justify-content: center;
  padding: 0 8px 0 16px;
  border-right: 1px solid var(--rule);
}

.name .serif {
  color: var(--quiet);
  font-style: italic;
}

.track {
  position: relative;
  background-image: var(--columns);
}

.evening {
  position: absolute;
  inset-block: 4px;
  min-width: 58px;
  padding: 2px 4px;
  font-size: 13px;
}

.late .figure {
  color: var(--rust);
  font-weight: 640;
}

.bar {
  display: block;
  height: 4px;
  margin-top: 2px;
  border: 1px solid var(--rule-strong);
}

.bar i {
  display: block;
  height: 100%;
  background: var(--night);
}

.late .bar i {
  background: var(--rust);
}
</style>
