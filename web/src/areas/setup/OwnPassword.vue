<script setup lang="ts">
import { changePasswordSchema, sessionSchema } from '@binoculum/contract'
import { computed, reactive, ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import SchemaField from '../../shared/controls/SchemaField.vue'
import SchemaForm from '../../shared/controls/SchemaForm.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { setupWords } from './words.ts'

const t = setupWords('ownPassword')

/** One's own password, changed by the one of now. */
const emit = defineEmits<{ changed: [] }>()
const { sending, problem, run } = useSending()
const opened = ref(false)
const isDone = ref(false)
const given = reactive({ current: '', password: '', code: '' })
/** Only who has a second factor is asked for its code, and only once it is missed. */
const asksCode = computed(() => problem.value?.code === 'CODE_NEEDED' || problem.value?.code === 'WRONG_CODE')
const value = computed(() => ({ ...given, code: given.code === '' ? undefined : given.code }))

function open(now: boolean) {
  opened.value = now
  isDone.value = false
  Object.assign(given, { current: '', password: '', code: '' })
}
async function send() {
  const done = await run(async () => void (await api.put(sessionSchema, '/api/session/password', value.value)))
  if (!done) return
  open(false)
  isDone.value = true
  emit('changed')
}
</script>

<template>
  <section aria-labelledby="own-password-title">
    <h2 id="own-password-title">{{ t('yourPassword') }}</h2>
    <p v-if="isDone" role="status">{{ t('itIsChangedEverywhereElse') }}</p>
    <ElButton v-if="!opened" @click="open(true)">{{ t('changeIt') }}</ElButton>
    <SchemaForm v-else :schema="changePasswordSchema" :value="value" :label="t('changeYourPassword')" @send="send">
      <SchemaField :label="t('thePasswordYouSignIn')" path="current">
        <ElInput
          v-model="given.current"
          type="password"
          show-password
          name="current"
          autocomplete="current-password"
        />
      </SchemaField>
      <SchemaField :label="t('aNewOneAFew')" path="password">
        <ElInput v-model="given.password" type="password" show-password name="new" autocomplete="new-password" />
      </SchemaField>
      <SchemaField v-if="asksCode || given.code !== ''" :label="t('aCodeOfNowOr')" path="code">
        <ElInput v-model="given.code" name="code" autocomplete="one-time-code" />
      </SchemaField>
      <template #foot>
        <ProblemNote class="wide" :problem="problem" @retry="send" />
        <p class="wide">
          <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('changeIt') }}</ElButton>
          <ElButton link @click="open(false)">{{ t('leaveIt') }}</ElButton>
        </p>
      </template>
    </SchemaForm>
  </section>
</template>
