<script setup lang="ts">
import { guideSchema } from '@binoculum/contract'
import { useRoute } from 'vue-router'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import HandedOut from '../desk/HandedOut.vue'
import PhoneFrame from './PhoneFrame.vue'
import { useGuideLink } from './use-guide-link.ts'
import { guidesWords } from './words.ts'

const t = guidesWords('guidePreviewPage')

const route = useRoute()
const loanId = String(route.params.loanId)
const { data: guide, problem, reload } = useLoaded(guideSchema, `/api/loans/${loanId}/guide`)
const { slip, ended, sending, problem: refusal, newLink, endLink } = useGuideLink()
const print = () => window.print()
</script>

<template>
  <HandedOut v-if="slip" :slip="slip" />
  <main v-else class="page">
    <ProblemNote :problem="problem" @retry="reload" />
    <ProblemNote :problem="refusal" />
    <div v-if="guide" class="ways screen-only flex flex-wrap gap-10px mb-20px">
      <ElButton type="primary" @click="print">{{ t('printThisGuide') }}</ElButton>
      <ElButton :disabled="sending" @click="newLink(loanId)"> {{ t('newLinkAndSlipThe') }} </ElButton>
      <ElButton :disabled="sending || ended" @click="endLink(loanId)">{{ t('endItsLink') }}</ElButton>
      <p v-if="ended" role="status">{{ t('theLinkIsEndedThe') }}</p>
    </div>
    <PhoneFrame v-if="guide" :guide="guide" />
  </main>
</template>
