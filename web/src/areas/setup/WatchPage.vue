<script setup lang="ts">
import { watchSchema } from '@binoculum/contract'
import { computed } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import SetupTabs from './SetupTabs.vue'
import { deviceClockWords, watchWords } from './watch-words.ts'
import { setupWords } from './words.ts'

const t = setupWords('watchPage')

/** What is wrong with the installation itself, in plain words; nothing of kits. */
const { data, problem, reload } = useLoaded(watchSchema, '/api/watch')
const lines = computed(() => {
  if (!data.value) return []
  const device = deviceClockWords(data.value.nowUtc, Date.now())
  return [
    ...data.value.findings.map((finding) => ({ ...watchWords(finding), isFault: finding.weight === 'fault' })),
    ...(device ? [{ ...device, isFault: true }] : []),
  ]
})
const faults = computed(() => lines.value.filter(({ isFault }) => isFault).length)
</script>

<template>
  <main class="page">
    <SetupTabs />
    <h1>{{ t('whatIsWrong') }}</h1>
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="data">
      <p class="serif">
        {{ faults === 0 ? t('nothingThatIsLookedAt') : t('thingsNeedSomebody', { n: faults }) }}
      </p>
      <p class="quiet">
        {{ t('lookedAtLettersOfYour') }}
      </p>
      <ol class="max-w-760px mx-0 mt-12px mb-18px p-0 list-none">
        <li v-for="line in lines" :key="line.what" class="py-12px px-0 line-t-rule">
          <p class="what fw-640" :class="{ rust: line.isFault }">{{ line.what }}</p>
          <p class="quiet">{{ line.why }}</p>
          <p>{{ line.next }}</p>
        </li>
      </ol>
      <ElButton @click="reload">{{ t('lookAgain') }}</ElButton>
    </template>
  </main>
</template>
