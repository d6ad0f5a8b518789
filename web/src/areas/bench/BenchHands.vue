<script setup lang="ts">
import { benchPlansSchema, type BenchHand, type BenchPlans, type BranchBenchPlan } from '@binoculum/contract'
import { benchSkills, type BenchSkill } from '@binoculum/core'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { benchWords } from './words.ts'

const t = benchWords('benchHands')

/** Who can do what at this bench, as they say themselves. Nothing said means anything. */
const { plan } = defineProps<{ plan: BranchBenchPlan }>()
const emit = defineEmits<{ kept: [plans: BenchPlans] }>()
const { sending, problem, run } = useSending()
const words: Readonly<Record<BenchSkill, string>> = {
  contents: t('goingThroughACase'),
  assembly: t('puttingTogether'),
  balance: t('balance'),
  place: t('latitudeAndController'),
  collimation: t('mirrors'),
  star: t('starTest'),
  finder: t('finder'),
  glass: t('glass'),
  pack: t('packing'),
  mending: t('mending'),
}
const say = (hand: BenchHand, skills: BenchSkill[]) =>
  run(async () => {
    const given = { staffId: hand.staffId, skills: skills.length > 0 ? skills : null }
    emit('kept', await api.put(benchPlansSchema, `/api/branches/${plan.branchId}/bench-skills`, given))
  })
</script>

<template>
  <section>
    <h2 class="mx-0 mt-18px mb-6px">
      {{ t('whoCanDoWhat') }} <em>{{ t('kitsAreGivenToWhoever') }}</em>
    </h2>
    <ProblemNote :problem="problem" />
    <div
      v-for="hand in plan.hands"
      :key="hand.staffId"
      class="grid grid-cols-[minmax(120px,180px)_minmax(200px,640px)] gap-12px items-center mt-6px max-[760px]:grid-cols-[minmax(0,1fr)]"
    >
      <span>{{ hand.name }}</span>
      <ElSelect
        :model-value="hand.skills ?? []"
        multiple
        clearable
        collapse-tags
        :max-collapse-tags="4"
        :placeholder="t('anything')"
        :disabled="!hand.mayChange || sending"
        :aria-label="t('whatCanDo', { name: hand.name })"
        @change="say(hand, $event)"
      >
        <ElOption v-for="skill in benchSkills" :key="skill" :value="skill" :label="words[skill]" />
      </ElSelect>
    </div>
  </section>
</template>
