<script setup lang="ts">
import { receivedMessagesSchema } from '@binoculum/contract'
import { remoteLookWords } from '@binoculum/core'
import { computed } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import KitTag from '../../shared/drawings/KitTag.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { whenText } from '../../shared/dates.ts'
import { nextForMessage } from './next-for-message.ts'
import { useSession } from '../people/session.ts'
import { benchWords } from './words.ts'

const t = benchWords('borrowerMessages')

const session = useSession()

/** What borrowers sent from their guides and nobody has seen to yet. */
const { data: received, reload } = useLoaded(receivedMessagesSchema, '/api/borrower-messages')
const messages = computed(() => received.value?.messages ?? [])
const { sending, problem, run } = useSending()
const seen = (id: string) =>
  run(async () => {
    await api.act(`/api/borrower-messages/${id}/seen`)
    await reload()
  })
</script>

<template>
  <section v-if="messages.length > 0" class="mt-26px" aria-labelledby="from-borrowers">
    <h2 id="from-borrowers">{{ t('fromBorrowers') }}</h2>
    <ProblemNote :problem="problem" />
    <article
      v-for="message in messages"
      :key="message.id"
      class="grid grid-cols-[120px_minmax(0,1.4fr)_minmax(0,1fr)_110px] gap-14px items-start py-12px px-0 line-b-rule max-[720px]:grid-cols-[80px_minmax(0,1fr)]"
    >
      <a v-if="message.pictureId" :href="`/api/pictures/${message.pictureId}`" target="_blank">
        <img
          class="block w-120px max-h-100px line-rule-strong [object-fit:cover] max-[720px]:w-80px"
          :src="`/api/pictures/${message.pictureId}`"
          :alt="t('theBorrowersPictureOfTo', { kitName: message.kitName })"
          loading="lazy"
        />
      </a>
      <span v-else class="quiet">{{ t('noPicture') }}</span>
      <div>
        <p class="serif kit text-22px lh-26px">
          <RouterLink :to="`/kits/${encodeURIComponent(message.kitCode)}`">{{ message.kitName }}</RouterLink>
          <KitTag :code="message.kitCode" class="ml-6px" />
        </p>
        <template v-if="message.kind === 'report'">
          <p v-if="message.words">“{{ message.words }}”</p>
          <p v-if="message.walked.length > 0" class="second">{{ message.walked.join(' › ') }}</p>
        </template>
        <p v-else-if="message.look">{{ remoteLookWords(message.look) }}</p>
        <p v-else>
          {{ t('lookedThroughTheCaseOf', { looked: message.looked, of: message.of }) }}
          <b v-if="message.missing.length > 0" class="rust">{{
            t('missingMissing', { missing: message.missing.join(', ') })
          }}</b>
          <template v-else>{{ t('allThere') }}</template>
        </p>
        <p class="second">
          {{ t('loanLoanCode', { loanCode: message.loanCode, atUtc: whenText(message.atUtc, session.zoneOf()) }) }}
        </p>
      </div>
      <p>{{ nextForMessage(message) }}</p>
      <ElButton size="large" :disabled="sending" @click="seen(message.id)">{{ t('seenTo') }}</ElButton>
    </article>
  </section>
</template>

<style scoped>
@media (max-width: 720px) {
  article > p,
  article > button {
    grid-column: 2;
  }
}
</style>
