<script setup lang="ts">
import type { KitSheet, Loss } from '@binoculum/contract'
import { ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { shelfWords } from './words.ts'

const t = shelfWords('lossForm')

/** A kit that is lost, stolen or taken out of use. It stays in the record and is held. */
const { kit } = defineProps<{ kit: KitSheet }>()
const emit = defineEmits<{ done: [] }>()
const { sending, problem, run } = useSending()
const given = ref<{ kind: Loss['kind']; text: string; reportNumber: string }>({
  kind: 'kit-lost',
  text: '',
  reportNumber: '',
})
const kinds = [
  { kind: 'kit-lost', words: t('lost') },
  { kind: 'kit-stolen', words: t('stolen') },
  { kind: 'retired', words: t('takenOutOfUse') },
] as const

async function send() {
  const went = await run(async (idempotencyKey) => {
    await api.act(`/api/kits/${kit.id}/loss`, { ...given.value, idempotencyKey, kitVersion: kit.version })
  })
  if (went) emit('done')
}
</script>

<template>
  <form
    class="grid gap-8px justify-items-start max-w-560px py-12px px-14px line-rust rd-4px bg-card"
    @submit.prevent="send"
  >
    <ProblemNote :problem="problem" @retry="send" />
    <ElRadioGroup v-model="given.kind" :aria-label="t('whatBecameOfIt')">
      <ElRadio v-for="each in kinds" :key="each.kind" :value="each.kind">{{ each.words }}</ElRadio>
    </ElRadioGroup>
    <label class="labelled w-full"
      ><span>{{ t('whatHappened') }}</span
      ><ElInput v-model="given.text" required minlength="5" maxlength="500"
    /></label>
    <label v-if="given.kind === 'kit-stolen'" class="labelled w-full"
      ><span>{{ t('numberOfThePoliceReport') }}</span
      ><ElInput v-model="given.reportNumber" maxlength="60"
    /></label>
    <p class="second">
      {{
        t('isHeldFromThenOn', {
          name: kit.name,
          code: kit.loan ? t('itsLoanStaysOpenUntil', { code: kit.loan.code }) : '',
        })
      }}
    </p>
    <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('recordIt') }}</ElButton>
  </form>
</template>
