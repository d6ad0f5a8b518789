<script setup lang="ts">
import {
  staffRoles,
  staffRoleWords,
  oneTimeLinkSchema,
  peopleSchema,
  type StaffMember,
  type StaffRole,
} from '@binoculum/contract'
import { computed, ref, useTemplateRef } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { dayText } from '../../shared/dates.ts'
import { useSession } from '../people/session.ts'
import OwnPassword from './OwnPassword.vue'
import OwnSessions from './OwnSessions.vue'
import SecondFactor from './SecondFactor.vue'
import SetupTabs from './SetupTabs.vue'
import { setupWords } from './words.ts'

const t = setupWords('peoplePage')

const session = useSession()
const ownSessions = useTemplateRef('ownSessions')
const { data, problem, reload } = useLoaded(peopleSchema, '/api/people')
const { sending, problem: refusal, run } = useSending()
const branches = computed(() => session.current?.memberships.filter(({ role }) => role === 'coordinator') ?? [])
const given = ref({
  name: '',
  email: '',
  role: 'volunteer' as StaffRole,
  branchId: branches.value[0]?.branchId ?? '',
})
const link = ref<{ url: string; ends: string; who: string } | null>(null)

async function makeLink(path: string, who: string, body?: unknown) {
  await run(async () => {
    const made = await api.post(oneTimeLinkSchema, path, body)
    link.value = { url: `${location.origin}${made.path}`, ends: made.expiresAtUtc, who }
  })
  await reload()
}
async function invite() {
  await makeLink('/api/people', given.value.name, given.value)
  if (!refusal.value) given.value = { ...given.value, name: '', email: '' }
}
/** One's own role stays: another coordinator changes it. */
const rowClass = ({ row }: { row: StaffMember }) => (row.closed ? 'closed' : '')
const mayChange = (person: StaffMember, branchId: string) =>
  !person.closed && person.id !== session.current?.staffId && branches.value.some((own) => own.branchId === branchId)
const missingIn = (person: StaffMember) =>
  branches.value.filter(({ branchId }) => !person.memberships.some((member) => member.branchId === branchId))
async function setRole(person: StaffMember, branchId: string, role: StaffRole) {
  await run(async () => {
    data.value = await api.post(peopleSchema, `/api/people/${person.id}/role`, { branchId, role })
  })
}
async function close(person: StaffMember) {
  await run(() => api.act(`/api/people/${person.id}/close`))
  await reload()
}
</script>

<template>
  <main class="page">
    <SetupTabs />
    <h1>{{ t('people') }}</h1>
    <ProblemNote :problem="problem" @retry="reload" />
    <div v-if="link" class="my-10px mx-0 py-12px px-16px line-night rd-4px bg-card">
      <p>
        {{ t('giveThisLinkTo') }} <strong>{{ link.who }}</strong>{{
          t('itIsShownOnceWorks', { ends: dayText(link.ends, session.zoneOf()) })
        }}
      </p>
      <code class="[font:640_15px_var(--sans)] [word-break:break-all]">{{ link.url }}</code>
    </div>
    <ElTable v-if="data" class="mt-10px mb-20px" :data="data.people" row-key="id" :row-class-name="rowClass">
      <ElTableColumn :label="t('who')" min-width="200">
        <template #default="{ row: person }: { row: StaffMember }">
          {{ person.name }} <span class="second">{{ person.email }}</span>
        </template>
      </ElTableColumn>
      <ElTableColumn :label="t('role')" min-width="380">
        <template #default="{ row: person }: { row: StaffMember }">
          <div class="flex flex-wrap gap-y-6px gap-x-18px items-center">
            <span v-for="member in person.memberships" :key="member.branchId">
              <ElSelect
                v-if="mayChange(person, member.branchId)"
                class="role w-170px"
                :model-value="member.role"
                :aria-label="t('roleOfAt', { name: person.name, branchName: member.branchName })"
                @change="(role: StaffRole) => setRole(person, member.branchId, role)"
              >
                <ElOption v-for="role in staffRoles" :key="role" :value="role" :label="staffRoleWords[role]" />
              </ElSelect>
              <template v-else>{{ staffRoleWords[member.role] }}</template>
              <span class="quiet where ml-6px">{{ member.branchName }}</span>
            </span>
            <ElSelect
              v-if="!person.closed && missingIn(person).length > 0"
              class="role w-170px"
              :model-value="''"
              :placeholder="t('andAt')"
              :aria-label="t('anotherBranchFor', { name: person.name })"
              @change="(branchId: string) => setRole(person, branchId, 'volunteer')"
            >
              <ElOption
                v-for="branch in missingIn(person)"
                :key="branch.branchId"
                :value="branch.branchId"
                :label="branch.branchName"
              />
            </ElSelect>
          </div>
          <em v-if="person.closed"> {{ ' ' }}{{ t('hasLeft') }}</em
          ><em v-else-if="person.waiting"> {{ ' ' }}{{ t('invitedHasntJoinedYet') }}</em>
        </template>
      </ElTableColumn>
      <ElTableColumn align="right" min-width="220">
        <template #default="{ row: person }: { row: StaffMember }">
          <div
            v-if="branches.length > 0 && !person.closed && person.id !== session.current?.staffId"
            class="flex flex-wrap gap-y-4px gap-x-20px justify-end"
          >
            <ElButton link :disabled="sending" @click="makeLink(`/api/people/${person.id}/reset`, person.name)">
              {{ t('newPasswordLink') }}
            </ElButton>
            <ElButton link :disabled="sending" @click="close(person)">{{ t('hasLeft2') }}</ElButton>
          </div>
        </template>
      </ElTableColumn>
    </ElTable>
    <ProblemNote :problem="refusal" />
    <form
      v-if="data && branches.length > 0"
      class="grid grid-cols-[repeat(auto-fit,minmax(200px,1fr))] gap-y-10px gap-x-16px items-end mt-14px"
      @submit.prevent="invite"
    >
      <h2 class="col-span-full">{{ t('inviteSomebody') }}</h2>
      <label class="labelled"
        ><span>{{ t('name') }}</span
        ><ElInput v-model="given.name" required
      /></label>
      <label class="labelled"
        ><span>{{ t('mailAddress') }}</span
        ><ElInput v-model="given.email" type="email" required
      /></label>
      <label class="labelled">
        <span>{{ t('role') }}</span>
        <ElSelect v-model="given.role" :aria-label="t('role')">
          <ElOption v-for="role in staffRoles" :key="role" :value="role" :label="staffRoleWords[role]" />
        </ElSelect>
      </label>
      <label class="labelled">
        <span>{{ t('where') }}</span>
        <ElSelect v-model="given.branchId" :aria-label="t('where')">
          <ElOption
            v-for="branch in branches"
            :key="branch.branchId"
            :value="branch.branchId"
            :label="branch.branchName"
          />
        </ElSelect>
      </label>
      <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('makeTheLink') }}</ElButton>
    </form>
    <OwnPassword class="mt-22px" @changed="ownSessions?.reload()" />
    <OwnSessions ref="ownSessions" class="mt-22px" :zone="session.zoneOf()" />
    <SecondFactor class="mt-22px" />
  </main>
</template>

<style scoped>
/* Apart, so that a thumb doesn't take the wrong one. */

:deep(.closed) {
  color: var(--quiet);
}
</style>
