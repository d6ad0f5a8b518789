<script setup lang="ts">
import { ownSessionsSchema } from '@binoculum/contract'
import { computed } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { whenText } from '../../shared/dates.ts'
import { setupWords } from './words.ts'

const t = setupWords('ownSessions')

/** Where one is signed in, and the way to end it everywhere else. */
const { zone } = defineProps<{ zone: string }>()
const { data, problem, reload } = useLoaded(ownSessionsSchema, '/api/session/all')
const { sending, problem: refusal, run } = useSending()
const others = computed(() => data.value?.sessions.filter(({ isThis }) => !isThis) ?? [])
defineExpose({ reload })
const endOthers = () =>
  run(async () => void (data.value = await api.delete(ownSessionsSchema, '/api/session/others')))
</script>

<template>
  <section v-if="data">
    <h2>{{ t('whereYouAreSignedIn') }}</h2>
    <p v-if="others.length === 0">{{ t('hereAndNowhereElse') }}</p>
    <template v-else>
      <p>
        {{
          t('hereAndOnOtherDevices', {
            others: others
              .map(({ startedAtUtc, lastSeenUtc }) =>
                t('sinceLastUsed', {
                  startedAtUtc: whenText(startedAtUtc, zone),
                  lastSeenUtc: whenText(lastSeenUtc, zone),
                }),
              )
              .join('; '),
            n: others.length,
          })
        }}
      </p>
      <ElButton :disabled="sending" @click="endOthers">{{ t('signOutEverywhereElse') }}</ElButton>
    </template>
    <ProblemNote :problem="problem ?? refusal" @retry="reload" />
  </section>
</template>
