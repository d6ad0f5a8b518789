<script setup lang="ts">
import { ownSessionsSchema } from '@binoculum/contract'
import { computed } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { whenText } from '../../shared/dates.ts'

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
    <h2>Where you are signed in</h2>
    <p v-if="others.length === 0">Here, and nowhere else.</p>
    <template v-else>
      <p>
        Here, and on
        {{ others.length === 1 ? 'one other device or browser' : `${others.length} other devices or browsers` }}:
        {{
          others
            .map(
              ({ startedAtUtc, lastSeenUtc }) =>
                `since ${whenText(startedAtUtc, zone)}, last used ${whenText(lastSeenUtc, zone)}`,
            )
            .join('; ')
        }}.
      </p>
      <ElButton :disabled="sending" @click="endOthers">Sign out everywhere else</ElButton>
    </template>
    <ProblemNote :problem="problem ?? refusal" @retry="reload" />
  </section>
</template>
