<script setup lang="ts">
import { remindersSchema, type BranchReminders, type ReminderText } from '@binoculum/contract'
import {
  fillReminder,
  reminderKinds,
  reminderWords,
  unknownBlanks,
  withName,
  type ReminderKind,
} from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import SetupTabs from './SetupTabs.vue'

/** Which letters leave by themselves, when, and in which words; each seen as a borrower would read it. */
const { data, problem, reload } = useLoaded(remindersSchema, '/api/reminders')
const { sending, problem: refusal, run } = useSending()
const chosenId = ref('')
const branch = computed<BranchReminders | null>(
  () => data.value?.branches.find(({ branchId }) => branchId === chosenId.value) ?? data.value?.branches[0] ?? null,
)
const policy = ref<BranchReminders['policy'] | null>(null)
watch(
  branch,
  (shown) => (policy.value = shown && (JSON.parse(JSON.stringify(shown.policy)) as BranchReminders['policy'])),
  { immediate: true },
)
const isChanged = computed(() => JSON.stringify(policy.value) !== JSON.stringify(branch.value?.policy))

const kind = ref<ReminderKind>('pick-up')
const language = ref<'en' | 'es'>('en')
const text = ref<ReminderText | null>(null)
const kept = computed(
  () => branch.value?.texts.find((each) => each.kind === kind.value && each.language === language.value) ?? null,
)
watch(
  kept,
  (shown) =>
    (text.value = shown && { kind: shown.kind, language: shown.language, subject: shown.subject, body: shown.body }),
  { immediate: true },
)
const isRewritten = computed(
  () => text.value?.subject !== kept.value?.subject || text.value?.body !== kept.value?.body,
)
const wrongBlanks = computed(() => (text.value ? unknownBlanks(text.value.subject + text.value.body) : []))
const sample = computed(() => {
  if (!text.value) return null
  const [from, until] =
    language.value === 'es'
      ? ['jueves, 26 de marzo', 'jueves, 9 de abril']
      : ['Thursday 26 March', 'Thursday 9 April']
  const filled = fillReminder(text.value, {
    kit: 'Yarrow',
    from: from ?? '',
    until: until ?? '',
    time: '16:00',
    branch: branch.value?.branchName ?? '',
  })
  return { subject: filled.subject, body: withName(filled.body, 'Mira Quill') }
})

const decide = () =>
  run(async () => {
    data.value = await api.put(remindersSchema, `/api/branches/${branch.value?.branchId}/reminders`, policy.value)
  })
const isWritten = ref(false)
async function writeNow() {
  isWritten.value = await run(async () => {
    data.value = await api.post(remindersSchema, `/api/branches/${branch.value?.branchId}/reminders/run`)
  })
}
const write = () =>
  run(async () => {
    data.value = await api.put(remindersSchema, `/api/branches/${branch.value?.branchId}/reminder-texts`, text.value)
  })
</script>

<template>
  <main class="page">
    <SetupTabs />
    <h1>Letters that leave by themselves</h1>
    <p class="second">
      {{ data?.way === 'smtp' ? 'They go to the mail server.' : 'Here they go into the outbox, and nowhere else.' }}
      Each is written once, by day, and stands with the <RouterLink to="/desk/letters">letters</RouterLink>.
    </p>
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="branch && policy">
      <ElRadioGroup
        v-if="(data?.branches.length ?? 0) > 1"
        class="mt-8px"
        :model-value="branch.branchId"
        aria-label="Branch"
        @update:model-value="chosenId = String($event)"
      >
        <ElRadioButton v-for="each in data?.branches" :key="each.branchId" :value="each.branchId">{{
          each.branchName
        }}</ElRadioButton>
      </ElRadioGroup>
      <ElForm
        class="grid grid-cols-[repeat(auto-fill,minmax(190px,max-content))] gap-y-0 gap-x-24px items-end my-14px mx-0"
        label-position="top"
        :disabled="!branch.mayChange"
        @submit.prevent="decide"
      >
        <ElFormItem label="written when" class="col-span-full">
          <ElCheckboxGroup v-model="policy.kinds" aria-label="written when">
            <ElCheckbox v-for="each in reminderKinds" :key="each" :value="each">{{ reminderWords[each] }}</ElCheckbox>
          </ElCheckboxGroup>
        </ElFormItem>
        <ElFormItem label="days before the return">
          <ElInputNumber v-model="policy.dueInDays" :min="0" :max="30" aria-label="days before the return" />
        </ElFormItem>
        <ElFormItem
          v-for="(_step, index) in policy.lateAfterDays"
          :key="index"
          :label="`days late, ${['first', 'second', 'third'][index]}`"
        >
          <ElInputNumber
            v-model="policy.lateAfterDays[index as 0 | 1 | 2]"
            :min="1"
            :max="120"
            :aria-label="`days late, step ${index + 1}`"
          />
        </ElFormItem>
        <ElFormItem label="not before, o’clock">
          <ElInputNumber v-model="policy.fromHour" :min="0" :max="23" aria-label="not before" />
        </ElFormItem>
        <ElFormItem label="not after, o’clock">
          <ElInputNumber v-model="policy.untilHour" :min="1" :max="24" aria-label="not after" />
        </ElFormItem>
        <ElButton v-if="branch.mayChange" type="primary" native-type="submit" :disabled="!isChanged || sending"
          >Keep</ElButton
        >
        <ElButton
          v-if="branch.mayChange"
          :disabled="isChanged || sending || branch.policy.kinds.length === 0"
          @click="writeNow"
          >Write what is due now</ElButton
        >
      </ElForm>
      <ProblemNote :problem="refusal" />
      <p v-if="isWritten" role="status" class="moss">
        What was due is written; see the <RouterLink to="/desk/letters">letters</RouterLink>.
      </p>

      <h2>In which words</h2>
      <div class="flex flex-wrap gap-12px items-center my-8px mx-0">
        <ElSelect v-model="kind" aria-label="Letter" class="w-260px">
          <ElOption v-for="each in reminderKinds" :key="each" :value="each" :label="reminderWords[each]" />
        </ElSelect>
        <ElRadioGroup v-model="language" class="mt-8px" aria-label="Language">
          <ElRadioButton value="en">English</ElRadioButton>
          <ElRadioButton value="es">Español</ElRadioButton>
        </ElRadioGroup>
        <span class="second">{{ kept?.isOwn ? 'your own words' : 'the usual words' }}</span>
      </div>
      <div v-if="text && sample" class="words grid grid-cols-[repeat(auto-fit,minmax(300px,1fr))] gap-24px">
        <form @submit.prevent="write">
          <label class="labelled"
            ><span>subject</span
            ><ElInput v-model="text.subject" maxlength="200" :disabled="!branch.mayChange" name="reminder-subject"
          /></label>
          <label class="labelled"
            ><span>letter</span
            ><ElInput
              v-model="text.body"
              type="textarea"
              :rows="10"
              maxlength="5000"
              :disabled="!branch.mayChange"
              name="reminder-body"
          /></label>
          <p class="second">
            Blanks:
            <code v-for="blank in ['name', 'kit', 'from', 'until', 'time', 'branch']" :key="blank">{{
              '{' + '{' + blank + '}' + '} '
            }}</code>
          </p>
          <p v-if="wrongBlanks.length > 0" class="rust">
            There is no blank {{ wrongBlanks.map((blank) => '{' + '{' + blank + '}' + '}').join(', ') }}.
          </p>
          <ElButton
            v-if="branch.mayChange"
            native-type="submit"
            :disabled="!isRewritten || wrongBlanks.length > 0 || sending"
            >Keep these words</ElButton
          >
        </form>
        <article class="py-16px px-20px line-rule bg-card" aria-label="As it is read">
          <p>
            <strong>{{ sample.subject }}</strong>
          </p>
          <p class="mt-10px whitespace-pre-wrap">{{ sample.body }}</p>
        </article>
      </div>
    </template>
  </main>
</template>
