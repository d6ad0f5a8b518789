<script setup lang="ts">
import { guideSchema, slipSchema, type Slip } from '@binoculum/contract'
import { ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import HandedOut from '../desk/HandedOut.vue'
import BorrowerGuide from '../../borrower/BorrowerGuide.vue'

const route = useRoute()
const loanId = String(route.params.loanId)
const { data: guide, problem, reload } = useLoaded(guideSchema, `/api/loans/${loanId}/guide`)
const { sending, problem: refusal, run } = useSending()
const slip = ref<Slip | null>(null)
const ended = ref(false)
const print = () => window.print()

async function endLink() {
  await run(async () => {
    await api.remove(`/api/loans/${loanId}/link`)
    ended.value = true
  })
}

async function newLink() {
  await run(async () => {
    slip.value = await api.post(slipSchema, `/api/loans/${loanId}/link`)
  })
}
</script>

<template>
  <HandedOut v-if="slip" :slip="slip" />
  <main v-else class="page">
    <ProblemNote :problem="problem" @retry="reload" />
    <ProblemNote :problem="refusal" />
    <div v-if="guide" class="ways screen-only">
      <ElButton type="primary" @click="print">Print this guide</ElButton>
      <ElButton :disabled="sending" @click="newLink"> New link and slip; the old link ends </ElButton>
      <ElButton :disabled="sending || ended" @click="endLink">End its link</ElButton>
      <p v-if="ended" role="status">The link is ended; the copy on the phone goes when it next asks.</p>
    </div>
    <div v-if="guide" class="phone"><BorrowerGuide :guide="guide" token="" :start-language="guide.language" /></div>
  </main>
</template>

<style scoped>
.ways {
  display: flex;
  gap: 10px;
  margin-bottom: 20px;
}

@media screen {
  .phone {
    max-width: 430px;
    max-height: 860px;
    overflow-y: auto;
    border: 1px solid var(--ink);
    border-radius: 14px;
  }
}
</style>
