<script setup lang="ts">
import { practiceLogSchema } from '@binoculum/contract'
import { practiceVerdict, practiceVerdictWords } from '@binoculum/core'
import { computed } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import SerifText from '../../shared/SerifText.vue'
import { dayText } from '../../shared/dates.ts'
import PracticeTabs from './PracticeTabs.vue'
import { levelWords } from './levels.ts'
import { useSession } from '../people/session.ts'
import { practiceWords } from './words.ts'

const t = practiceWords('practiceResultsPage')

const session = useSession()

/** How everybody whom one may see is getting on: oneself, and for a coordinator the people of their branches. */
const { data, problem, reload } = useLoaded(practiceLogSchema, '/api/practice')
const people = computed(() => {
  const names = [...new Set((data.value?.summaries ?? []).map(({ by }) => by))]
  return names.map((by) => ({
    by,
    mine: data.value?.summaries.some((each) => each.by === by && each.mine) ?? false,
    levels: data.value?.summaries.filter((each) => each.by === by) ?? [],
  }))
})
</script>

<template>
  <main class="page">
    <PracticeTabs />
    <h1>{{ t('howItGoes') }}</h1>
    <p class="quiet">{{ t('youSeeYourOwnPractice') }}</p>
    <ProblemNote :problem="problem" @retry="reload" />
    <p v-if="data && people.length === 0">
      <strong>{{ t('noTelescopeHasBeenLined') }}</strong>{{ ' ' }}
      <RouterLink to="/practice/telescope">{{ t('takeTheFirstOne') }}</RouterLink>{{
        t('aboutFiveMinutesAndNothing')
      }}
    </p>
    <section v-for="person in people" :key="person.by">
      <h2 class="flex gap-10px items-baseline mx-0 mt-18px mb-4px">
        <span class="name overflow-hidden max-w-520px text-ellipsis whitespace-nowrap" :title="person.by">{{
          person.by
        }}</span>
        <span v-if="person.mine" class="quiet">{{ t('you') }}</span>
      </h2>
      <div role="table" :aria-label="t('practiceOf', { by: person.by })">
        <p
          role="row"
          class="line grid grid-cols-[minmax(90px,1.2fr)_minmax(64px,1fr)_minmax(90px,1.5fr)_minmax(72px,1fr)_minmax(72px,1fr)_minmax(80px,1.2fr)_minmax(160px,2.6fr)] gap-12px items-baseline py-7px px-0 line-b-rule [font-variant-numeric:tabular-nums] max-[900px]:grid-cols-[1fr_1fr] max-[900px]:hidden"
        >
          <em class="text-quiet text-15px" role="columnheader">{{ t('telescope') }}</em><em
            class="text-quiet text-15px"
            role="columnheader"
            >{{ t('withinLimit') }}</em
          >
          <em class="text-quiet text-15px" role="columnheader">{{ t('turnsTimesTheLeast') }}</em><em
            class="text-quiet text-15px"
            role="columnheader"
            >{{ t('leftMiddle') }}</em
          >
          <em class="text-quiet text-15px" role="columnheader">{{ t('withoutHelp') }}</em><em
            class="text-quiet text-15px"
            role="columnheader"
            >{{ t('last') }}</em
          ><em class="text-quiet text-15px" role="columnheader">{{ t('whatThatMeans') }}</em>
        </p>
        <p
          v-for="each in person.levels"
          :key="each.level"
          role="row"
          class="line grid grid-cols-[minmax(90px,1.2fr)_minmax(64px,1fr)_minmax(90px,1.5fr)_minmax(72px,1fr)_minmax(72px,1fr)_minmax(80px,1.2fr)_minmax(160px,2.6fr)] gap-12px items-baseline py-7px px-0 line-b-rule [font-variant-numeric:tabular-nums] max-[900px]:grid-cols-[1fr_1fr]"
        >
          <span role="cell">{{ levelWords[each.level] }}</span>
          <span role="cell"
            ><b>{{ each.within }}</b> {{ t('ofTubes', { tubes: each.tubes }) }}</span
          >
          <span role="cell">{{ each.timesLeast === null ? '–' : `${each.timesLeast.toFixed(1)} ×` }}</span>
          <span role="cell">{{ each.middleLeftMm.toFixed(2) }} mm</span>
          <span role="cell">{{ each.unaided }}</span>
          <span role="cell">{{ dayText(each.lastAtUtc, session.zoneOf()) }}</span>
          <span role="cell" :class="{ ready: practiceVerdict(each).ready }"
            ><SerifText :text="practiceVerdictWords(each)"
          /></span>
        </p>
      </div>
    </section>
  </main>
</template>

<style scoped>
.ready {
  color: var(--moss);
}
</style>
