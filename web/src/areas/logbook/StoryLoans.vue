<script setup lang="ts">
import type { StoryLoan } from '@binoculum/contract'
import { dayNumber } from '@binoculum/core'
import dayjs from 'dayjs'
import { computed } from 'vue'
import { logbookWords } from './words.ts'

const t = logbookWords('storyLoans')

/** Loans along time as bars, and under each what was off when it came back. */
const { loans, from, until, today } = defineProps<{
  loans: readonly StoryLoan[]
  from: string
  until: string
  today: string
}>()
const days = computed(() => dayNumber(until) - dayNumber(from))
const share = (day: string) => (100 * (dayNumber(day) - dayNumber(from))) / days.value
const bars = computed(() =>
  loans
    .filter(({ fromOn }) => fromOn < until)
    .map((loan) => {
      const end = loan.state === 'out' && loan.untilOn < today ? today : loan.untilOn
      const [left, right] = [Math.max(0, share(loan.fromOn)), Math.min(100, share(end))]
      return { loan, left: `${left}%`, width: `${Math.max(0.3, right - left)}%`, at: `${right}%` }
    }),
)
const months = computed(() => {
  const found: { left: string; words: string }[] = []
  const every = days.value > 500 ? 3 : 1
  for (
    let at = dayjs(from).startOf('month').add(1, 'month');
    at.format('YYYY-MM-DD') < until;
    at = at.add(every, 'month')
  )
    found.push({
      left: `${share(at.format('YYYY-MM-DD'))}%`,
      words: at.format(at.month() === 0 ? 'MMM YYYY' : 'MMM'),
    })
  return found
})
const wordsOf = ({ code, fromOn, untilOn, daysLate, state }: StoryLoan) =>
  t('codeTo', {
    code,
    fromOn,
    untilOn,
    state: state === 'promised' ? t('promised') : '',
    daysLate: daysLate > 0 ? t('daysLate', { daysLate }) : '',
  })
const offOf = ({ off }: StoryLoan) => off.map(({ part, mark }) => `${part} ${mark}`).join(', ')
</script>

<template>
  <div class="mr-8px ml-64px mt-12px mb-0" role="group" :aria-label="t('loansAlongTime')">
    <p class="row months relative h-24px line-b-rule-strong text-quiet [font-family:var(--serif)]" aria-hidden="true">
      <span v-for="month in months" :key="month.left" class="absolute" :style="{ left: month.left }">{{
        month.words
      }}</span>
    </p>
    <div class="row relative h-24px">
      <RouterLink
        v-for="{ loan, left, width } in bars"
        :key="loan.id"
        :to="`/desk/loans/${loan.id}`"
        class="bar absolute top-4px h-16px line-night"
        :class="[loan.state, { late: loan.daysLate > 0 }]"
        :style="{ left, width }"
        :title="wordsOf(loan)"
        :aria-label="wordsOf(loan)"
      />
    </div>
    <div class="row relative h-24px">
      <template v-for="{ loan, at } in bars" :key="loan.id">
        <span
          v-if="loan.state === 'back'"
          class="mark absolute -ml-6px"
          :class="{ off: loan.off.length > 0 }"
          :style="{ left: at }"
          :title="offOf(loan) || t('allThere')"
          >{{ loan.off.length > 0 ? '○' : '✓'
          }}<span class="absolute overflow-hidden w-1px h-1px [clip-path:inset(50%)]">{{
            offOf(loan) || t('allThere')
          }}</span></span
        >
      </template>
    </div>
  </div>
</template>

<style scoped>
.bar.out,
.bar.back {
  background: var(--night);
}

.bar.late {
  border-right: 4px solid var(--rust);
}

.mark.off {
  color: var(--rust);
  font-weight: 640;
}

@media (max-width: 760px) {
  .months span:not(:nth-child(3n + 1)) {
    display: none;
  }
}
</style>
