<script setup lang="ts">
import { benchSchema } from '@binoculum/contract'
import { computed } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import KitTag from '../../shared/drawings/KitTag.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useChosenLine } from '../../shared/use-chosen-line.ts'
import { whenText } from '../../shared/dates.ts'
import { useSession } from '../people/session.ts'
import BenchGlance from './BenchGlance.vue'
import BenchTabs from './BenchTabs.vue'
import BorrowerMessages from './BorrowerMessages.vue'
import { benchWords } from './words.ts'

const t = benchWords('benchPage')

const session = useSession()
const { data: bench, problem, reload } = useLoaded(benchSchema, '/api/bench')
const { chosen, choose } = useChosenLine(
  () => bench.value?.waiting ?? [],
  ({ code }) => code,
)
const minutes = computed(() => bench.value?.waiting.reduce((sum, item) => sum + item.minutes, 0) ?? 0)
</script>

<template>
  <main :class="['page bench', { 'with-preview': chosen }]">
    <div>
      <BenchTabs />
      <h1>{{ t('theBench') }}</h1>
      <p v-if="bench && bench.waiting.length > 0" class="quiet">
        {{ t('kitsWaitAboutMinutesWhat', { waiting: bench.waiting.length, minutes }) }}
      </p>
      <ProblemNote :problem="problem" @retry="reload" />
      <p v-if="bench && bench.waiting.length === 0">
        <strong>{{ t('theBenchIsClear') }}</strong> {{ t('nothingWaitsAKitFrom') }}
      </p>
      <ol v-if="bench" class="mx-0 mt-12px mb-0 p-0 list-none">
        <li
          v-for="item in bench.waiting"
          :key="item.code"
          class="grid grid-cols-[34px_190px_minmax(0,1fr)_150px_112px] gap-14px items-center py-12px px-0 line-b-rule max-[720px]:grid-cols-[34px_minmax(0,1fr)]"
          :class="{ chosen: item.code === chosen?.code }"
          @click="choose(item)"
        >
          <ConditionMoon :condition="item.condition" :size="28" />
          <div>
            <p class="serif kit overflow-hidden text-22px lh-26px text-ellipsis">
              {{ item.name }} <KitTag :code="item.code" />
            </p>
            <p class="second">{{ item.modelName }}</p>
          </div>
          <p>{{ item.sentence }}</p>
          <p>
            <template v-if="item.neededByUtc">{{
              t('wantedNeededByUtc', { neededByUtc: whenText(item.neededByUtc, session.zoneOf(item.branchId)) })
            }}</template><span v-else class="quiet">{{ t('notPromised') }}</span
            ><br /><span class="second">{{ t('aboutMin', { minutes: item.minutes }) }}</span>
          </p>
          <RouterLink
            v-if="item.condition === 'new' || !session.may(item.branchId, 'coordinator', 'volunteer')"
            :to="`/kits/${encodeURIComponent(item.code)}`"
            class="button big"
            >{{ t('itsSheet') }}</RouterLink
          >
          <RouterLink v-else :to="`/bench/${encodeURIComponent(item.code)}`" class="button main big">{{
            t('check')
          }}</RouterLink>
        </li>
      </ol>
      <BorrowerMessages />
    </div>
    <BenchGlance v-if="chosen" :code="chosen.code" />
  </main>
</template>

<style scoped>
@media (max-width: 720px) {
  li > :nth-child(n + 3) {
    grid-column: 2;
  }
}
</style>
