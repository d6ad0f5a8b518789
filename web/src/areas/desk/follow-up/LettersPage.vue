<script setup lang="ts">
import { messageSchema, outboxSchema, type Message } from '@binoculum/contract'
import { withName } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import CsvButton from '../../../shared/controls/CsvButton.vue'
import KitTag from '../../../shared/drawings/KitTag.vue'
import ProblemNote from '../../../shared/ProblemNote.vue'
import { whenText } from '../../../shared/dates.ts'
import DeskTabs from '../DeskTabs.vue'
import { deskWords } from '../words.ts'

const t = deskWords('lettersPage')

const route = useRoute()
const { data, problem, reload } = useLoaded(outboxSchema, '/api/messages')
const { sending, problem: refusal, run } = useSending()
const openId = ref(typeof route.query.open === 'string' ? route.query.open : null)
const letter = computed(
  () => data.value?.messages.find(({ id }) => id === openId.value) ?? data.value?.messages[0] ?? null,
)
const subject = ref('')
const body = ref('')
const isChanged = computed(
  () => letter.value !== null && (subject.value !== letter.value.subject || body.value !== letter.value.body),
)
const stateWords = {
  draft: t('notSentYet'),
  sending: t('onItsWay'),
  sent: t('sent'),
  failed: t('couldNotBeSent'),
} as const
/** It has left, or is about to: nothing of it can be changed. */
const isGone = computed(() => letter.value?.state === 'sent' || letter.value?.state === 'sending')

watch(
  letter,
  (given) => {
    subject.value = given?.subject ?? ''
    body.value = given?.body ?? ''
  },
  { immediate: true },
)

function put(message: Message) {
  const box = data.value
  if (box) data.value = { ...box, messages: box.messages.map((each) => (each.id === message.id ? message : each)) }
}

const letterTable = () =>
  (data.value?.messages ?? []).map(({ to, kitCode, kitName, subject: about, state, madeAtUtc, sentAtUtc, by }) => ({
    ...{ to, kit: kitCode, name: kitName, about, state: stateWords[state], made: madeAtUtc, sent: sentAtUtc, by },
  }))
const earlier = () =>
  run(async () => {
    const shown = data.value
    if (!shown?.next) return
    const { messages, next } = await api.get(outboxSchema, `/api/messages?before=${shown.next}`)
    data.value = { ...shown, messages: [...shown.messages, ...messages], next }
  })

async function keep() {
  const { id } = letter.value ?? {}
  if (!id) return
  await run(async () =>
    put(await api.post(messageSchema, `/api/messages/${id}`, { subject: subject.value, body: body.value })),
  )
}

async function send() {
  const { id } = letter.value ?? {}
  if (!id) return
  await run(async () => {
    if (isChanged.value)
      put(await api.post(messageSchema, `/api/messages/${id}`, { subject: subject.value, body: body.value }))
    put(await api.post(messageSchema, `/api/messages/${id}/send`))
  })
}
</script>

<template>
  <main class="page">
    <DeskTabs />
    <h1>{{ t('letters') }}</h1>
    <p v-if="data" class="quiet">
      {{ data.way === 'smtp' ? t('lettersAreHandedToYour') : t('noMailServerIsSet') }}
    </p>
    <CsvButton v-if="data && data.messages.length > 0" :rows="letterTable" name="letters" />
    <ProblemNote :problem="problem" @retry="reload" />
    <p v-if="data && data.messages.length === 0" class="mt-14px">
      {{ t('noLetterYet') }} <RouterLink to="/desk/follow-up">{{ t('followUp') }}</RouterLink>
      {{ t('draftsOneForWhatA') }}
    </p>
    <div
      v-if="letter && data"
      class="columns grid grid-cols-[320px_minmax(0,720px)] gap-28px items-start mt-14px max-[900px]:grid-cols-[minmax(0,1fr)]"
    >
      <ul class="max-h-70vh m-0 p-0 overflow-auto list-none">
        <li v-for="each in data.messages" :key="each.id">
          <button
            type="button"
            :class="['line', { current: each.id === letter.id }]"
            :aria-pressed="each.id === letter.id"
            @click="openId = each.id"
          >
            <b>{{ each.to }}</b> <KitTag :code="each.kitCode" />
            <span class="second overflow-hidden text-ellipsis whitespace-nowrap">{{ each.subject }}</span>
            <span :class="['second', { rust: each.state === 'failed', moss: each.state === 'sent' }]"
              >{{ stateWords[each.state] }} {{ whenText(each.sentAtUtc ?? each.madeAtUtc, each.zone) }}</span
            >
          </button>
        </li>
        <li v-if="data.next">
          <ElButton :disabled="sending" @click="earlier">{{ t('earlierLetters') }}</ElButton>
        </li>
      </ul>
      <section class="grid gap-12px py-18px px-24px line-rule-strong rd-4px bg-card">
        <dl class="grid grid-cols-[52px_1fr] gap-y-6px gap-x-10px items-baseline m-0">
          <dt class="[font:italic_400_16px_var(--serif)] text-quiet">{{ t('to') }}</dt>
          <dd class="m-0 break-anywhere">
            {{ letter.to }}
            <span class="quiet">{{ letter.toAddress || t('noMailAddressRingThem') }}</span>
          </dd>
          <dt class="[font:italic_400_16px_var(--serif)] text-quiet">{{ t('from') }}</dt>
          <dd class="m-0 break-anywhere">{{ letter.by }}</dd>
          <dt class="[font:italic_400_16px_var(--serif)] text-quiet">{{ t('about') }}</dt>
          <dd v-if="isGone" class="m-0 break-anywhere">{{ letter.subject }}</dd>
          <dd v-else class="m-0 break-anywhere">
            <ElInput v-model="subject" maxlength="200" :aria-label="t('subject')" />
          </dd>
        </dl>
        <p v-if="isGone" class="text [font:400_15px/22px_var(--sans)] whitespace-pre-wrap">
          {{ withName(letter.body, letter.to) }}
        </p>
        <template v-else>
          <ElInput
            v-model="body"
            type="textarea"
            class="text [font:400_15px/22px_var(--sans)] whitespace-pre-wrap"
            :rows="18"
            maxlength="5000"
            :aria-label="t('letter')"
          />
          <p class="second">{{ t('whereItSays') }} <code v-text="'{{name}}'"></code> {{ t('theNameIsPutIn') }}</p>
        </template>
        <p v-if="letter.problem" class="problem">{{ letter.problem }}</p>
        <ProblemNote :problem="refusal" @retry="send" />
        <div class="flex flex-wrap gap-10px">
          <template v-if="!isGone">
            <ElButton type="primary" size="large" :disabled="sending || !letter.toAddress" @click="send">
              {{ letter.state === 'failed' ? t('sendItAgain') : t('sendIt') }}
            </ElButton>
            <ElButton size="large" :disabled="!isChanged || sending" @click="keep">
              {{ t('keepTheChanges') }}
            </ElButton>
          </template>
          <a class="button big" :href="`/api/messages/${letter.id}/eml`" download>{{ t('saveAsAMailFile') }}</a>
        </div>
      </section>
    </div>
  </main>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 8px;
  width: 100%;
  padding: 8px 10px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.line.current {
  background: var(--wash);
  box-shadow: inset 3px 0 0 var(--night);
}

.line .second {
  grid-column: 1 / -1;
}
</style>
