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
import { setupWords } from './words.ts'

const t = setupWords('remindersPage')

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
    language.value === 'es' ? [t('juevesDeMarzo'), t('juevesDeAbril')] : [t('thursdayMarch'), t('thursdayApril')]
  const filled = fillReminder(text.value, {
    kit: 'Yarrow',
    from: from ?? '',
    until: until ?? '',
    time: '16:00',
    branch: branch.value?.branchName ?? '',
  })
  return { subject: filled.subject, body: withName(filled.body, t('miraQuill')) }
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
    <h1>{{ t('lettersThatLeaveByThemselves') }}</h1>
    <p class="second">
      {{ t('eachIsWrittenOnceBy', { way: data?.way === 'smtp' ? t('theyGoToTheMail') : t('hereTheyGoIntoThe') }) }}
      <RouterLink to="/desk/letters">{{ t('letters') }}</RouterLink>.
    </p>
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="branch && policy">
      <ElRadioGroup
        v-if="(data?.branches.length ?? 0) > 1"
        class="mt-8px"
        :model-value="branch.branchId"
        :aria-label="t('branch')"
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
        <ElFormItem :label="t('writtenWhen')" class="col-span-full">
          <ElCheckboxGroup v-model="policy.kinds" :aria-label="t('writtenWhen')">
            <ElCheckbox v-for="each in reminderKinds" :key="each" :value="each">{{ reminderWords[each] }}</ElCheckbox>
          </ElCheckboxGroup>
        </ElFormItem>
        <ElFormItem :label="t('daysBeforeTheReturn')">
          <ElInputNumber v-model="policy.dueInDays" :min="0" :max="30" :aria-label="t('daysBeforeTheReturn')" />
        </ElFormItem>
        <ElFormItem
          v-for="(_step, index) in policy.lateAfterDays"
          :key="index"
          :label="[t('firstDaysLate'), t('secondDaysLate'), t('thirdDaysLate')][index]"
        >
          <ElInputNumber
            v-model="policy.lateAfterDays[index as 0 | 1 | 2]"
            :min="1"
            :max="120"
            :aria-label="t('daysLateStep', { index: index + 1 })"
          />
        </ElFormItem>
        <ElFormItem :label="t('notBeforeOclock')">
          <ElInputNumber v-model="policy.fromHour" :min="0" :max="23" :aria-label="t('notBefore')" />
        </ElFormItem>
        <ElFormItem :label="t('notAfterOclock')">
          <ElInputNumber v-model="policy.untilHour" :min="1" :max="24" :aria-label="t('notAfter')" />
        </ElFormItem>
        <ElButton v-if="branch.mayChange" type="primary" native-type="submit" :disabled="!isChanged || sending">{{
          t('keep')
        }}</ElButton>
        <ElButton
          v-if="branch.mayChange"
          :disabled="isChanged || sending || branch.policy.kinds.length === 0"
          @click="writeNow"
          >{{ t('writeWhatIsDueNow') }}</ElButton
        >
      </ElForm>
      <ProblemNote :problem="refusal" />
      <p v-if="isWritten" role="status" class="moss">
        {{ t('whatWasDueIsWritten') }} <RouterLink to="/desk/letters">{{ t('letters') }}</RouterLink>.
      </p>

      <h2>{{ t('inWhichWords') }}</h2>
      <div class="flex flex-wrap gap-12px items-center my-8px mx-0">
        <ElSelect v-model="kind" :aria-label="t('letter')" class="w-260px">
          <ElOption v-for="each in reminderKinds" :key="each" :value="each" :label="reminderWords[each]" />
        </ElSelect>
        <ElRadioGroup v-model="language" class="mt-8px" :aria-label="t('language')">
          <ElRadioButton value="en">{{ t('english') }}</ElRadioButton>
          <ElRadioButton value="es">{{ t('espaOl') }}</ElRadioButton>
        </ElRadioGroup>
        <span class="second">{{ kept?.isOwn ? t('yourOwnWords') : t('theUsualWords') }}</span>
      </div>
      <div v-if="text && sample" class="words grid grid-cols-[repeat(auto-fit,minmax(300px,1fr))] gap-24px">
        <form @submit.prevent="write">
          <label class="labelled"
            ><span>{{ t('subject') }}</span
            ><ElInput v-model="text.subject" maxlength="200" :disabled="!branch.mayChange" name="reminder-subject"
          /></label>
          <label class="labelled"
            ><span>{{ t('letter2') }}</span
            ><ElInput
              v-model="text.body"
              type="textarea"
              :rows="10"
              maxlength="5000"
              :disabled="!branch.mayChange"
              name="reminder-body"
          /></label>
          <p class="second">
            {{ t('blanks') }}
            <code v-for="blank in ['name', 'kit', 'from', 'until', 'time', 'branch']" :key="blank">{{
              '{' + '{' + blank + '}' + '} '
            }}</code>
          </p>
          <p v-if="wrongBlanks.length > 0" class="rust">
            {{
              t('thereIsNoBlank', {
                wrongBlanks: wrongBlanks.map((blank) => '{' + '{' + blank + '}' + '}').join(', '),
              })
            }}
          </p>
          <ElButton
            v-if="branch.mayChange"
            native-type="submit"
            :disabled="!isRewritten || wrongBlanks.length > 0 || sending"
            >{{ t('keepTheseWords') }}</ElButton
          >
        </form>
        <article class="py-16px px-20px line-rule bg-card" :aria-label="t('asItIsRead')">
          <p>
            <strong>{{ sample.subject }}</strong>
          </p>
          <p class="mt-10px whitespace-pre-wrap">{{ sample.body }}</p>
        </article>
      </div>
    </template>
  </main>
</template>
