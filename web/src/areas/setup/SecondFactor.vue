<script setup lang="ts">
import { backupCodesSchema, newSecondFactorSchema, secondFactorStateSchema } from '@binoculum/contract'
import { ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { setupWords } from './words.ts'

const t = setupWords('secondFactor')

/** A code from one's phone besides the password: begun, shown, confirmed by a first code, ended by another. */
const path = '/api/session/second-factor'
const { data, problem, reload } = useLoaded(secondFactorStateSchema, path)
const { sending, problem: refusal, run } = useSending()
const begun = ref<{ secret: string; picture: string } | null>(null)
const backupCodes = ref<readonly string[]>([])
const ends = ref(false)
const code = ref('')
const asks = ref(false)
const current = ref('')

async function begin() {
  const done = await run(async () => {
    const { secret, address } = await api.post(newSecondFactorSchema, path, { current: current.value })
    const qrcode = await import('qrcode')
    const svg = await qrcode.toString(address, { type: 'svg', margin: 2, errorCorrectionLevel: 'M' })
    begun.value = { secret, picture: `data:image/svg+xml,${encodeURIComponent(svg)}` }
  })
  if (!done) return
  asks.value = false
  current.value = ''
}

async function confirm() {
  const done = await run(async () => {
    backupCodes.value = (await api.post(backupCodesSchema, `${path}/confirm`, { code: code.value })).backupCodes
  })
  code.value = ''
  if (!done) return
  begun.value = null
  await reload()
}

async function end() {
  const done = await run(async () => {
    data.value = await api.post(secondFactorStateSchema, `${path}/end`, { code: code.value })
  })
  code.value = ''
  if (!done) return
  ends.value = false
  backupCodes.value = []
}
/** Four signs at a time are easier to type. */
const inFours = (secret: string) => secret.match(/.{1,4}/g)?.join(' ') ?? secret
</script>

<template>
  <section v-if="data" aria-labelledby="second-factor-title">
    <h2 id="second-factor-title">{{ t('aCodeAsWellAs') }}</h2>
    <template v-if="data.on">
      <p>
        {{ t('onAtSignInYou', { backupCodesLeft: data.backupCodesLeft }) }}
      </p>
      <div v-if="backupCodes.length > 0">
        <p>
          <strong>{{ t('writeTheseDownOrPrint') }}</strong> {{ t('eachLetsYouInOnce') }}
        </p>
        <ul class="grid grid-cols-[repeat(auto-fill,220px)] gap-y-4px gap-x-20px my-8px p-0 list-none">
          <li v-for="each in backupCodes" :key="each">
            <code>{{ each }}</code>
          </li>
        </ul>
      </div>
      <ElButton v-if="!ends" @click="ends = true">{{ t('turnItOff') }}</ElButton>
      <form v-else class="flex flex-wrap gap-10px items-end mt-10px" @submit.prevent="end">
        <label class="labelled">
          <span>{{ t('aCodeOfNowOr') }}</span>
          <ElInput v-model="code" autocomplete="one-time-code" required />
        </label>
        <ElButton native-type="submit" :disabled="sending">{{ t('turnItOff') }}</ElButton>
        <ElButton @click="ends = false">{{ t('leaveItOn') }}</ElButton>
      </form>
    </template>
    <template v-else-if="begun">
      <p>{{ t('readThisWithAnApp') }}</p>
      <div class="flex flex-wrap gap-20px mt-10px">
        <img class="w-180px h-180px" :src="begun.picture" :alt="t('theKeyAsAPicture')" />
        <div>
          <code>{{ inFours(begun.secret) }}</code>
          <form class="flex flex-wrap gap-10px items-end mt-10px" @submit.prevent="confirm">
            <label class="labelled">
              <span>{{ t('sixDigits') }}</span>
              <ElInput v-model="code" inputmode="numeric" autocomplete="one-time-code" maxlength="6" required />
            </label>
            <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('turnItOn') }}</ElButton>
          </form>
        </div>
      </div>
    </template>
    <template v-else>
      <p>{{ t('offWithItAPassword') }}</p>
      <ElButton v-if="!asks" @click="asks = true">{{ t('setItUp') }}</ElButton>
      <form v-else class="flex flex-wrap gap-10px items-end mt-10px" @submit.prevent="begin">
        <label class="labelled">
          <span>{{ t('thePasswordYouSignIn') }}</span>
          <ElInput v-model="current" type="password" show-password autocomplete="current-password" required />
        </label>
        <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('setItUp') }}</ElButton>
        <ElButton @click="((asks = false), (current = ''))">{{ t('leaveItOff') }}</ElButton>
      </form>
    </template>
    <ProblemNote :problem="problem ?? refusal" @retry="reload" />
  </section>
</template>
