<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { outcomeWords, reasonClause, type Outcome } from '@binoculum/core'
import { computed } from 'vue'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import { useSession } from '../people/session.ts'
import { outcomeKeys } from './outcome-keys.ts'
import type { useTakeBack } from './use-take-back.ts'
import { deskWords } from './words.ts'

const t = deskWords('whereItGoes')

/** Where a kit goes that came back: what is proposed and why, what else may be, and done. */
const { kit, back } = defineProps<{
  kit: Pick<KitSheet, 'name' | 'branchId'>
  back: ReturnType<typeof useTakeBack>
}>()

const session = useSession()
const moons = {
  shelf: 'full',
  'shelf-with-note': 'half',
  'to-go-through': 'new',
  bench: 'crescent',
  hold: 'new',
} as const
const mayOverrule = computed(() => session.may(kit.branchId, 'coordinator'))

function reasonFor(outcome: Outcome): string {
  if (outcome === back.proposed.value) {
    const worst = back.judgement.value?.reasons[0]
    if (outcome === 'to-go-through')
      return t('ofNotLookedAt', { unseen: back.unseen.value, parts: back.parts.value.length })
    return worst ? reasonClause(worst) : ''
  }
  const words: Record<Outcome, string> = {
    shelf: t('nothingAgainstIt'),
    'shelf-with-note': t('theNextBorrowerIsTold'),
    'to-go-through': t('itWaitsAtTheDesk'),
    bench: t('aCheckBeforeItGoes'),
    hold: t('untilItIsPutRight'),
  }
  return words[outcome]
}
</script>

<template>
  <footer class="night-bar gap-8px px-16px max-[1100px]:static">
    <p class="serif">{{ t('nameGoes', { name: kit.name }) }}</p>
    <ElButton
      v-for="outcome in back.choices.value"
      :key="outcome"
      :class="['bar-button narrow', { ready: outcome === back.chosen.value }]"
      :disabled="back.never.value.length > 0 && outcome !== 'hold'"
      :aria-pressed="outcome === back.chosen.value"
      @click="back.choose(outcome)"
    >
      <ConditionMoon :condition="moons[outcome]" :size="24" />
      <span
        ><b>{{ outcomeWords[outcome] }}</b
        ><br /><span
          class="second [display:-webkit-box] max-w-132px overflow-hidden [-webkit-box-orient:vertical] [-webkit-line-clamp:2]"
          >{{ reasonFor(outcome) }}{{ outcome === back.proposed.value ? t('proposed') : '' }}</span
        ></span
      >
      <KeyCap :name="outcomeKeys[outcome]" />
    </ElButton>
    <template v-if="back.isLax.value">
      <ElInput
        v-if="mayOverrule"
        class="w-190px"
        :placeholder="t('whyAllTheSame')"
        :aria-label="t('whyItGoesThereAll')"
        :model-value="back.draft.value.outcomeReason"
        @input="back.setReason($event)"
      />
      <span v-else class="second w-190px">{{ t('onlyACoordinatorMayOverrule') }}</span>
    </template>
    <ElButton class="bar-button narrow ml-auto" :disabled="back.sending.value" @click="back.finish">
      <b>{{ t('done') }}</b> <KeyCap name="Enter" />
    </ElButton>
  </footer>
</template>
