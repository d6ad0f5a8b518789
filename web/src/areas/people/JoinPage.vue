<script setup lang="ts">
import { staffRoleWords, invitationSchema, sessionSchema } from '@binoculum/contract'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { deviceZone } from '../../shared/dates.ts'
import { useSession } from './session.ts'
import { peopleWords } from './words.ts'

const t = peopleWords('joinPage')

const route = useRoute()
const router = useRouter()
const session = useSession()
const path = `/api/invitations/${encodeURIComponent(String(route.params.token))}`
const { data: invitation, problem: unreadable } = useLoaded(invitationSchema, path)
const { sending, problem, run } = useSending()
const given = ref({ name: '', email: '', branchName: '', zone: deviceZone, emergencyLine: '', password: '' })

async function submit() {
  const first = invitation.value?.kind === 'first-coordinator'
  const done = await run(async () => {
    session.joined(await api.post(sessionSchema, path, first ? given.value : { password: given.value.password }))
  })
  if (done) await router.push('/shelf')
}
</script>

<template>
  <main class="join w-[min(460px,calc(100vw_-_48px))] my-64px mx-auto">
    <h1>{{ t('binoculum') }}</h1>
    <ProblemNote :problem="unreadable" />
    <form v-if="invitation" class="grid gap-14px mt-16px" @submit.prevent="submit">
      <template v-if="invitation.kind === 'first-coordinator'">
        <p>{{ t('nobodyIsHereYetYou') }}</p>
        <label class="labelled"
          ><span>{{ t('yourName') }}</span
          ><ElInput v-model="given.name" required
        /></label>
        <label class="labelled">
          <span>{{ t('mailAddress') }}</span><ElInput
            v-model="given.email"
            type="email"
            required
            autocomplete="username"
          />
        </label>
        <label class="labelled">
          <span>{{ t('libraryOrClub') }}</span><ElInput v-model="given.branchName" required />
        </label>
        <label class="labelled">
          <span>{{ t('timeZoneSuchAsEurope') }}</span><ElInput v-model="given.zone" required />
        </label>
        <label class="labelled">
          <span>{{ t('emergencyLinePrintedBesideEvery') }}</span>
          <ElInput v-model="given.emergencyLine" required />
        </label>
      </template>
      <p v-else>
        <strong>{{ invitation.name }}</strong>, {{ invitation.email }}: {{ invitation.branchName }},
        {{ staffRoleWords[invitation.role] }}.
        {{ invitation.kind === 'reset' ? t('chooseANewPassword') : t('chooseAPasswordToBegin') }}
      </p>
      <label class="labelled">
        <span>{{ t('passwordAtLeastCharacters') }}</span>
        <ElInput
          v-model="given.password"
          type="password"
          minlength="12"
          required
          autocomplete="new-password"
          name="password"
        />
      </label>
      <ProblemNote :problem="problem" @retry="submit" />
      <ElButton type="primary" size="large" native-type="submit" :disabled="sending">{{ t('begin') }}</ElButton>
    </form>
  </main>
</template>
