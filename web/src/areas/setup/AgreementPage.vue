<script setup lang="ts">
import { branchAgreementsSchema, type BranchAgreement } from '@binoculum/contract'
import { ref, watch } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from '../people/session.ts'
import SetupTabs from './SetupTabs.vue'
import { setupWords } from './words.ts'

const t = setupWords('agreementPage')

const session = useSession()
const { data, problem, reload } = useLoaded(branchAgreementsSchema, '/api/agreements')
const { sending, problem: refusal, run } = useSending()
const texts = ref<Record<string, string>>({})

watch(data, (loaded) => {
  texts.value = Object.fromEntries((loaded?.agreements ?? []).map(({ branchId, text }) => [branchId, text]))
})
const changed = ({ branchId, text }: BranchAgreement) => (texts.value[branchId] ?? text).trim() !== text

async function write(branchId: string) {
  await run(async () => {
    data.value = await api.post(branchAgreementsSchema, '/api/agreements', { branchId, text: texts.value[branchId] })
  })
}
</script>

<template>
  <main class="page">
    <SetupTabs />
    <h1>{{ t('loanAgreement') }}</h1>
    <p class="quiet">{{ t('shownAndAcceptedAtEvery') }}</p>
    <ProblemNote :problem="problem" @retry="reload" />
    <ProblemNote :problem="refusal" />
    <section
      v-for="agreement in data?.agreements"
      :key="agreement.branchId"
      class="grid gap-10px justify-items-start max-w-760px mt-20px"
    >
      <h2>
        {{ agreement.branchName }} <em>{{ t('versionVersion', { version: agreement.version }) }}</em>
      </h2>
      <ElInput
        v-if="session.may(agreement.branchId, 'coordinator')"
        v-model="texts[agreement.branchId]"
        type="textarea"
        :rows="7"
        :aria-label="t('agreementOf', { branchName: agreement.branchName })"
      />
      <p v-else class="text whitespace-pre-line">{{ agreement.text }}</p>
      <ElButton
        v-if="session.may(agreement.branchId, 'coordinator')"
        type="primary"
        :disabled="sending || !changed(agreement)"
        @click="write(agreement.branchId)"
      >
        {{ t('makeItVersion', { version: agreement.version + 1 }) }}
      </ElButton>
    </section>
  </main>
</template>
