<script setup lang="ts">
import {
  followUpSchema,
  messageSchema,
  modelListSchema,
  movedSpareSchema,
  type FollowUpJob,
  type SettleJob,
} from '@binoculum/contract'
import { dateText, isFollowUp, jobFacts } from '@binoculum/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import KitTag from '../../../shared/drawings/KitTag.vue'
import KeyCap from '../../../shared/keys/KeyCap.vue'
import { useKeys, type KeyMap } from '../../../shared/keys/use-keys.ts'
import CsvButton from '../../../shared/controls/CsvButton.vue'
import DayPicker from '../../../shared/controls/DayPicker.vue'
import ProblemNote from '../../../shared/ProblemNote.vue'
import { hourText } from '../../../shared/dates.ts'
import { useSession } from '../../people/session.ts'
import DeskTabs from '../DeskTabs.vue'
import { canBeAsked, dueWords, jobGroups } from './job-words.ts'
import NoticeForm from './NoticeForm.vue'
import { deskWords } from '../words.ts'

const t = deskWords('followUpPage')

const session = useSession()
const router = useRouter()
const { data, problem, reload } = useLoaded(followUpSchema, '/api/jobs')
const { data: models } = useLoaded(modelListSchema, '/api/models')
const { sending, problem: refusal, run } = useSending()
const at = ref<string | null>(null)
const told = ref<string | null>(null)
const asks = ref(false)

const groups = computed(() => jobGroups(data.value?.jobs ?? []))
const inOrder = computed(() => groups.value.flatMap(({ jobs }) => jobs))
const current = computed(() => inOrder.value.find(({ id }) => id === at.value) ?? inOrder.value[0] ?? null)
const jobTable = () =>
  groups.value.flatMap(({ words, jobs }) =>
    jobs.map(({ kitCode, kitName, partName, code, text, note, dueOn }) => ({
      ...{ when: words, kit: kitCode, name: kitName, part: partName, 'to do': jobFacts(code).words },
      ...{ text, note, due: dueOn },
    })),
  )
const mayAct = (job: FollowUpJob) => session.may(job.branchId, 'coordinator', 'volunteer')
const peopleOf = (job: FollowUpJob) => data.value?.people.filter(({ branchId }) => branchId === job.branchId) ?? []
const isWaiting = (job: FollowUpJob) => job.notBeforeUtc !== null && Date.parse(job.notBeforeUtc) > Date.now()

async function settle(job: FollowUpJob | null, result: SettleJob['result']) {
  if (!job || !mayAct(job)) return
  const index = inOrder.value.findIndex(({ id }) => id === job.id)
  const went = await run(async (idempotencyKey) => {
    const body = { idempotencyKey, version: job.version, result, note: '' }
    data.value = await api.post(followUpSchema, `/api/jobs/${job.id}/settle`, body)
  })
  if (!went) return
  const next = data.value?.jobs.find(
    ({ partId, kitId }) => partId !== null && partId === job.partId && kitId === job.kitId,
  )
  told.value =
    result === 'found'
      ? t('isBackIn', { partName: job.partName ?? t('it'), kitName: job.kitName })
      : result === 'not-helped' && next
        ? t('nextDue', {
            partName: job.partName ?? job.kitName,
            words: jobFacts(next.code).words,
            dueOn: next.dueOn ? dateText(next.dueOn) : t('soon'),
          })
        : t('kitNameDone', { kitName: job.kitName })
  at.value = next?.id ?? inOrder.value[Math.min(index, inOrder.value.length - 1)]?.id ?? null
}

async function change(job: FollowUpJob, set: { ownerId?: string | null; dueOn?: string | null; note?: string }) {
  const { version, ownerId, dueOn, note } = job
  await run(async () => {
    data.value = await api.post(followUpSchema, `/api/jobs/${job.id}`, { version, ownerId, dueOn, note, ...set })
  })
}

async function putIn(job: FollowUpJob | null) {
  if (!job?.spareId || !job.partId || !mayAct(job)) return
  await run(async (idempotencyKey) => {
    const body = { idempotencyKey, partId: job.partId, kitVersion: job.kitVersion, count: 1, way: 'into-kit' }
    await api.post(movedSpareSchema, `/api/spares/${job.spareId}/move`, body)
    told.value = t('aSpareIsInNow', { partName: job.partName, kitName: job.kitName })
  })
  await reload()
}

/** One letter for everything that is open about the same loan. */
async function write(job: FollowUpJob | null) {
  if (!job?.loanId || !mayAct(job)) return
  const jobIds = inOrder.value
    .filter((each) => each.loanId === job.loanId && each.kitId === job.kitId && canBeAsked(each))
    .map(({ id }) => id)
  await run(async () => {
    const letter = await api.post(messageSchema, '/api/messages', { jobIds })
    await router.push({ path: '/desk/letters', query: { open: letter.id } })
  })
}

function move(step: number) {
  const index = inOrder.value.findIndex(({ id }) => id === current.value?.id)
  at.value = inOrder.value[Math.min(Math.max(index + step, 0), inOrder.value.length - 1)]?.id ?? null
}
useKeys((): KeyMap => ({
  ArrowDown: () => move(1),
  ArrowUp: () => move(-1),
  f: () => current.value?.partId && settle(current.value, 'found'),
  n: () => current.value && isFollowUp(current.value.code) && settle(current.value, 'not-helped'),
  x: () => current.value && !isFollowUp(current.value.code) && settle(current.value, 'done'),
  p: () => putIn(current.value),
  l: () => current.value && canBeAsked(current.value) && write(current.value),
}))
</script>

<template>
  <main class="page">
    <DeskTabs />
    <header class="flex gap-14px items-baseline max-[760px]:flex-wrap">
      <h1>{{ t('followUp') }}</h1>
      <p v-if="data" class="quiet">
        {{ t('thingsToSeeTo', { n: data.jobs.length }) }}
      </p>
      <ElButton
        v-if="session.coordinates.length > 0"
        class="ml-auto max-[760px]:ml-0"
        :aria-expanded="asks"
        @click="asks = !asks"
      >
        {{ t('noticeToAllOfA') }}
      </ElButton>
      <CsvButton v-if="inOrder.length > 0" class="ml-auto max-[760px]:ml-0" :rows="jobTable" name="follow-up" />
    </header>
    <ProblemNote :problem="problem" @retry="reload" />
    <ProblemNote :problem="refusal" @retry="reload" />
    <p v-if="told" class="moss mt-8px" role="status">{{ told }}</p>
    <NoticeForm
      v-if="asks && models"
      :models="models.models"
      :branches="session.current?.memberships.filter(({ role }) => role === 'coordinator') ?? []"
      :today="data?.today ?? ''"
      @done="((told = $event), (asks = false), reload())"
    />
    <p v-if="data && data.jobs.length === 0" class="mt-8px">
      {{ t('nothingIsMissingNothingTo') }}
    </p>
    <section v-for="group in groups" :key="group.words">
      <h2 class="mt-18px pb-2px line-b-rule-strong">
        {{ group.words }} <em>{{ group.aside }}</em>
      </h2>
      <ul class="m-0 p-0 list-none">
        <li
          v-for="job in group.jobs"
          :key="job.id"
          class="grid grid-cols-[minmax(0,1fr)_322px_84px_430px] gap-12px items-center min-h-56px py-6px px-8px line-b-rule max-[1150px]:grid-cols-[minmax(0,1fr)_292px_104px] max-[760px]:grid-cols-[minmax(0,1fr)] max-[760px]:gap-8px"
          :class="{ current: job.id === current?.id }"
          :aria-current="job.id === current?.id"
          @click="at = job.id"
        >
          <div class="what">
            <p class="break-anywhere flex flex-wrap gap-y-0 gap-x-8px items-baseline">
              <b>{{ job.partName ?? job.text }}</b>
              <span class="next [font:italic_400_16px_var(--serif)] text-quiet"> {{ jobFacts(job.code).words }}</span>
            </p>
            <p class="second break-anywhere flex flex-wrap gap-y-0 gap-x-8px items-baseline">
              <RouterLink :to="`/kits/${encodeURIComponent(job.kitCode)}`">{{ job.kitName }}</RouterLink>
              <KitTag :code="job.kitCode" />
              <span v-if="job.partName && job.text !== job.partName"> {{ job.text }}</span>
            </p>
          </div>
          <div class="grid grid-cols-[minmax(0,1fr)_176px] gap-6px">
            <ElSelect
              :model-value="job.ownerId ?? ''"
              :placeholder="t('nobodyYet')"
              :disabled="!mayAct(job) || sending"
              :aria-label="t('whoSeesTo', { partName: job.partName ?? job.text })"
              @change="(ownerId: string) => change(job, { ownerId: ownerId || null })"
            >
              <ElOption value="" :label="t('nobodyYet')" />
              <ElOption v-for="person in peopleOf(job)" :key="person.id" :value="person.id" :label="person.name" />
            </ElSelect>
            <DayPicker
              :model-value="job.dueOn"
              clearable
              :disabled="!mayAct(job) || sending"
              :aria-label="t('duePartName', { partName: job.partName ?? job.text })"
              @update:model-value="(dueOn: string | null) => change(job, { dueOn: dueOn || null })"
            />
          </div>
          <p class="grid">
            <span :class="{ rust: job.daysOver > 0 }">{{ dueWords(job) }}</span>
            <span v-if="isWaiting(job)" class="second">{{
              t('notBefore', { notBeforeUtc: hourText(job.notBeforeUtc!, job.zone) })
            }}</span>
          </p>
          <div v-if="mayAct(job)" class="acts tight flex flex-wrap gap-6px max-[1150px]:col-span-full">
            <ElButton v-if="job.partId" :disabled="sending" @click="settle(job, 'found')">
              {{ job.code === 'mend-part' ? t('mended') : t('found') }}
              <KeyCap v-if="job.id === current?.id" name="f" />
            </ElButton>
            <ElButton v-if="job.spareId && job.partId" :disabled="sending" @click="putIn(job)">
              {{ t('putInASpare') }} <span class="second">{{ t('sparesThere', { spares: job.spares }) }}</span>
              <KeyCap v-if="job.id === current?.id" name="p" />
            </ElButton>
            <ElButton v-if="canBeAsked(job)" :disabled="sending" @click="write(job)">
              {{ t('write') }} <KeyCap v-if="job.id === current?.id" name="l" />
            </ElButton>
            <ElButton
              v-if="isFollowUp(job.code)"
              class="[border-color:var(--rule-strong)] fw-400"
              :disabled="sending"
              @click="settle(job, 'not-helped')"
            >
              {{ t('didntHelp') }} <KeyCap v-if="job.id === current?.id" name="n" />
            </ElButton>
            <ElButton v-else :disabled="sending || isWaiting(job)" @click="settle(job, 'done')">
              {{ t('done') }} <KeyCap v-if="job.id === current?.id" name="x" />
            </ElButton>
          </div>
        </li>
      </ul>
    </section>
  </main>
</template>

<style scoped>
li.current {
  background: var(--wash);
  box-shadow: inset 3px 0 0 var(--night);
}
</style>
