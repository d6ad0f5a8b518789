<script setup lang="ts">
import { ref } from 'vue'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from './session.ts'

const { email: knownEmail = '' } = defineProps<{ email?: string }>()
const emit = defineEmits<{ done: [] }>()
const session = useSession()
const email = ref(knownEmail)
const password = ref('')
const { sending, problem, run } = useSending()

async function submit() {
  if (await run(() => session.signIn(email.value, password.value))) emit('done')
  password.value = ''
}
</script>

<template>
  <form class="sign-in-form" @submit.prevent="submit">
    <label class="labelled">
      <span>mail address</span>
      <input
        v-model="email"
        class="field"
        type="email"
        name="email"
        autocomplete="username"
        required
        :autofocus="!knownEmail"
      />
    </label>
    <label class="labelled">
      <span>password</span>
      <input
        v-model="password"
        class="field"
        type="password"
        name="password"
        autocomplete="current-password"
        required
        :autofocus="!!knownEmail"
      />
    </label>
    <ProblemNote :problem="problem" @retry="submit" />
    <button class="button main big" :disabled="sending">Sign in</button>
  </form>
</template>

<style scoped>
.sign-in-form {
  display: grid;
  gap: 14px;
}
</style>
