<script setup lang="ts">
import { isFollowUp, outcomeWords, type Outcome } from '@binoculum/core'
import { computed } from 'vue'
import { kitSheetSchema } from '@binoculum/contract'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import ReasonText from '../../shared/ReasonText.vue'
import { deskWords } from './words.ts'

const t = deskWords('takenBack')

const { kitCode, outcome, name } = defineProps<{ kitCode: string; outcome: Outcome; name: string }>()
const code = encodeURIComponent(kitCode)
const { data: kit } = useLoaded(kitSheetSchema, `/api/kits/${code}`)
const hasFollowUp = computed(() => kit.value?.jobs.some(({ code: job }) => isFollowUp(job)) ?? false)
const waits = computed(() => outcome === 'to-go-through')
const toBench = computed(() => outcome === 'bench' || outcome === 'hold')
</script>

<template>
  <main class="page grid gap-16px max-w-760px">
    <h1>{{ name }}: {{ outcomeWords[outcome].toLowerCase() }}.</h1>
    <p v-if="kit" class="state flex gap-14px items-center text-17px lh-24px">
      <ConditionMoon :condition="kit.condition" :size="40" />
      <span><ReasonText :condition="kit.condition" :reasons="kit.reasons" remedy /></span>
    </p>
    <div class="ways flex flex-wrap gap-10px">
      <RouterLink to="/desk" class="button main big">{{ t('nextAtTheDesk') }}</RouterLink>
      <RouterLink
        v-if="waits && kit?.lastLoan"
        :to="`/desk/take-back/${kit.lastLoan.id}/correct`"
        class="button big"
        >{{ t('goThroughItNow') }}</RouterLink
      >
      <RouterLink v-if="toBench" :to="`/bench/${code}`" class="button big">{{ t('checkItNow') }}</RouterLink>
      <RouterLink v-if="hasFollowUp" to="/desk/follow-up" class="button big">{{ t('followUpWhatIsOff') }}</RouterLink>
      <RouterLink :to="`/kits/${code}`" class="button big">{{ t('itsSheet') }}</RouterLink>
      <RouterLink v-if="kit?.lastLoan && !waits" :to="`/desk/take-back/${kit.lastLoan.id}/correct`">{{
        t('somethingWasWrongCorrectIt')
      }}</RouterLink>
    </div>
  </main>
</template>
