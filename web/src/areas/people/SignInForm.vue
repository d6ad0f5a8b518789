<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from './session.ts'
import { peopleWords } from './words.ts'

const t = peopleWords('signInForm')

const { email: knownEmail = '' } = defineProps<{ email?: string }>()
const emit = defineEmits<{ done: [] }>()
const session = useSession()
const email = ref(knownEmail)
const password = ref('')
const code = ref('')
const { sending, problem, run } = useSending()
/** Asked for only where the password was right and this person has a second factor. */
const wantsCode = ref(false)
const refused = computed(() => (problem.value?.code === 'CODE_NEEDED' ? null : problem.value))

async function submit() {
  const given = { email: email.value, password: password.value, ...(wantsCode.value ? { code: code.value } : {}) }
  const done = await run(() => session.signIn(given))
  const answered = problem.value?.code ?? ''
  wantsCode.value = ['CODE_NEEDED', 'WRONG_CODE'].includes(answered)
  code.value = ''
  if (!wantsCode.value) password.value = ''
  if (done) emit('done')
}
</script>

<template>
  <form class="grid gap-14px" @submit.prevent="submit">
    <label class="labelled">
      <span>{{ t('mailAddress') }}</span>
      <ElInput
        v-model="email"
        type="email"
        name="email"
        autocomplete="username"
        required
        :autofocus="!knownEmail"
        size="large"
      />
    </label>
    <label class="labelled">
      <span>{{ t('password') }}</span>
      <ElInput
        v-model="password"
        type="password"
        name="password"
        autocomplete="current-password"
        required
        :autofocus="!!knownEmail"
        size="large"
      />
    </label>
    <label v-if="wantsCode" class="labelled">
      <span>{{ t('theSixDigitsThatYour') }}</span>
      <ElInput v-model="code" name="code" autocomplete="one-time-code" required autofocus size="large" />
    </label>
    <ProblemNote :problem="refused" @retry="submit" />
    <ElButton type="primary" native-type="submit" size="large" :disabled="sending">{{ t('signIn') }}</ElButton>
  </form>
</template>
