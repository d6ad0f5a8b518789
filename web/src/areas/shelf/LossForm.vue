<script setup lang="ts">
import type { KitSheet, Loss } from '@binoculum/contract'
import { ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'

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
  { kind: 'kit-lost', words: 'lost' },
  { kind: 'kit-stolen', words: 'stolen' },
  { kind: 'retired', words: 'taken out of use' },
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
    <ElRadioGroup v-model="given.kind" aria-label="what became of it">
      <ElRadio v-for="each in kinds" :key="each.kind" :value="each.kind">{{ each.words }}</ElRadio>
    </ElRadioGroup>
    <label class="labelled w-full"
      ><span>what happened</span><ElInput v-model="given.text" required minlength="5" maxlength="500"
    /></label>
    <label v-if="given.kind === 'kit-stolen'" class="labelled w-full"
      ><span>number of the police report, if there is one</span><ElInput v-model="given.reportNumber" maxlength="60"
    /></label>
    <p class="second">
      {{ kit.name }} is held from then on{{
        kit.loan ? `; its loan ${kit.loan.code} stays open until it is settled` : ''
      }}. A coordinator can bring it back from this sheet.
    </p>
    <ElButton type="primary" native-type="submit" :disabled="sending">Record it</ElButton>
  </form>
</template>
