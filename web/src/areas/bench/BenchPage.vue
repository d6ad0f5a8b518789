<script setup lang="ts">
import type { Bench, ReceivedMessages } from '@binoculum/contract'
import { computed } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import KitTag from '../../shared/drawings/KitTag.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { ownZone, whenText } from '../../shared/words.ts'

const { data: bench, problem, reload } = useLoaded<Bench>('/api/bench')
const { data: received, reload: reloadMessages } = useLoaded<ReceivedMessages>('/api/borrower-messages')
const messages = computed(() => received.value?.messages ?? [])
const { sending, problem: refusal, run } = useSending()
const seen = (id: string) =>
  run(async () => {
    await api.post(`/api/borrower-messages/${id}/seen`)
    await reloadMessages()
  })
const minutes = computed(() => bench.value?.waiting.reduce((sum, item) => sum + item.minutes, 0) ?? 0)
</script>

<template>
  <main class="page bench">
    <h1>The bench</h1>
    <p v-if="bench && bench.waiting.length > 0" class="quiet">
      {{ bench.waiting.length }} kits wait, about {{ minutes }} minutes. What is promised soonest stands first.
    </p>
    <ProblemNote :problem="problem" @retry="reload" />
    <p v-if="bench && bench.waiting.length === 0">
      <strong>The bench is clear.</strong> Nothing waits. A kit from the shelf can be checked from its sheet at any
      time.
    </p>
    <ol v-if="bench">
      <li v-for="item in bench.waiting" :key="item.code">
        <ConditionMoon :condition="item.condition" :size="28" />
        <div>
          <p class="serif kit">{{ item.name }} <KitTag :code="item.code" /></p>
          <p class="second">{{ item.modelName }}</p>
        </div>
        <p>{{ item.sentence }}</p>
        <p>
          <template v-if="item.neededByUtc">wanted {{ whenText(item.neededByUtc, ownZone) }}</template
          ><span v-else class="quiet">not promised</span><br /><span class="second"
            >about {{ item.minutes }} min</span
          >
        </p>
        <RouterLink v-if="item.condition === 'new'" :to="`/kits/${encodeURIComponent(item.code)}`" class="button big"
          >Its sheet</RouterLink
        >
        <RouterLink v-else :to="`/bench/${encodeURIComponent(item.code)}`" class="button main big">Check</RouterLink>
      </li>
    </ol>
    <section v-if="messages.length > 0" aria-labelledby="from-borrowers">
      <h2 id="from-borrowers">From borrowers</h2>
      <ProblemNote :problem="refusal" />
      <article v-for="message in messages" :key="message.id">
        <img
          v-if="message.pictureId"
          :src="`/api/pictures/${message.pictureId}`"
          alt="The borrower’s picture"
          loading="lazy"
        />
        <div>
          <p class="serif kit">
            <RouterLink :to="`/kits/${encodeURIComponent(message.kitCode)}`">{{ message.kitName }}</RouterLink>
            <KitTag :code="message.kitCode" />
          </p>
          <template v-if="message.kind === 'report'">
            <p v-if="message.walked.length > 0">{{ message.walked.join(' › ') }}</p>
            <p v-if="message.words">“{{ message.words }}”</p>
          </template>
          <p v-else>
            Looked through the case, {{ message.looked }} of {{ message.of }}:
            <b v-if="message.missing.length > 0" class="rust">missing: {{ message.missing.join(', ') }}</b>
            <template v-else>all there</template>
          </p>
          <p class="second">loan {{ message.loanCode }} · {{ whenText(message.atUtc, ownZone) }}</p>
        </div>
        <button type="button" class="button big" :disabled="sending" @click="seen(message.id)">Seen to</button>
      </article>
    </section>
  </main>
</template>

<style scoped>
ol {
  margin: 12px 0 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 34px 220px minmax(0, 1fr) 190px 110px;
  gap: 14px;
  align-items: center;
  padding: 12px 0;
  border-bottom: 1px solid var(--rule);
}

.kit {
  overflow: hidden;
  font-size: 22px;
  line-height: 26px;
  text-overflow: ellipsis;
}

section {
  margin-top: 26px;
}

article {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 14px;
  align-items: start;
  padding: 12px 0;
  border-bottom: 1px solid var(--rule);
}

article img {
  max-width: 160px;
  max-height: 120px;
  border: 1px solid var(--rule-strong);
}
</style>
