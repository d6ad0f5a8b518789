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
    <h1>How it goes</h1>
    <p class="quiet">You see your own practice; a coordinator also that of the branch. Nobody else does.</p>
    <ProblemNote :problem="problem" @retry="reload" />
    <p v-if="data && people.length === 0">
      <strong>No telescope has been lined up yet.</strong>
      <RouterLink to="/practice/telescope">Take the first one</RouterLink>: about five minutes, and nothing can break.
    </p>
    <section v-for="person in people" :key="person.by">
      <h2>
        <span class="name" :title="person.by">{{ person.by }}</span> <span v-if="person.mine" class="quiet">you</span>
      </h2>
      <div role="table" :aria-label="`Practice of ${person.by}`">
        <p role="row" class="line head">
          <em role="columnheader">telescope</em><em role="columnheader">within limit</em>
          <em role="columnheader">turns, times the least</em><em role="columnheader">left, middle</em>
          <em role="columnheader">without help</em><em role="columnheader">last</em
          ><em role="columnheader">what that means</em>
        </p>
        <p v-for="each in person.levels" :key="each.level" role="row" class="line">
          <span role="cell">{{ levelWords[each.level] }}</span>
          <span role="cell"
            ><b>{{ each.within }}</b> of {{ each.tubes }}</span
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
h2 {
  display: flex;
  gap: 10px;
  align-items: baseline;
  margin: 18px 0 4px;
}

.name {
  overflow: hidden;
  max-width: 520px;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.line {
  display: grid;
  grid-template-columns:
    minmax(90px, 1.2fr) minmax(64px, 1fr) minmax(90px, 1.5fr) minmax(72px, 1fr) minmax(72px, 1fr)
    minmax(80px, 1.2fr) minmax(160px, 2.6fr);
  gap: 12px;
  align-items: baseline;
  padding: 7px 0;
  border-bottom: 1px solid var(--rule);
  font-variant-numeric: tabular-nums;
}

.head em {
  color: var(--quiet);
  font-size: 15px;
}

.ready {
  color: var(--moss);
}

@media (max-width: 900px) {
  .line {
    grid-template-columns: 1fr 1fr;
  }

  .head {
    display: none;
  }
}
</style>
