<script setup lang="ts">
import { closingsReadSchema, openingsSchema, type ClosingsRead, type Openings } from '@binoculum/contract'
import { ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import FileButton from '../../shared/controls/FileButton.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { setupWords } from './words.ts'

const t = setupWords('closingsFile')

/** Closings from a calendar file: read first, kept when somebody has seen them. */
const { branchId, say } = defineProps<{ branchId: string; say: (from: string, until: string) => string }>()
const emit = defineEmits<{ kept: [openings: Openings] }>()
const { sending, problem, run } = useSending()
const found = ref<ClosingsRead | null>(null)
const MOST_BYTES = 1_000_000
const tooLarge = ref(false)

async function read(file: File) {
  found.value = null
  tooLarge.value = file.size > MOST_BYTES
  if (tooLarge.value) return
  const text = await file.text()
  await run(async () => {
    found.value = await api.post(closingsReadSchema, `/api/branches/${branchId}/closings/read`, { text })
  })
}
const keep = () =>
  run(async () => {
    for (const closing of found.value?.closings ?? [])
      emit('kept', await api.post(openingsSchema, `/api/branches/${branchId}/closings`, closing))
    found.value = null
  })
</script>

<template>
  <div class="my-8px mx-0">
    <FileButton accept=".ics,text/calendar" @take="read">{{ t('fromACalendarFile') }}</FileButton>
    <p v-if="tooLarge" class="rust">{{ t('thisFileIsLargerThan') }}</p>
    <ProblemNote :problem="problem" />
    <template v-if="found">
      <ul class="my-6px mx-0 pl-18px">
        <li v-for="closing in found.closings" :key="`${closing.fromOn} ${closing.why}`">
          {{ say(closing.fromOn, closing.untilOn) }} <span class="quiet">{{ closing.why }}</span>
        </li>
      </ul>
      <p v-if="found.closings.length === 0">{{ t('nothingInThisFileLies') }}</p>
      <p v-if="found.leftOut.length > 0" class="second">{{ t('leftOut', { leftOut: found.leftOut.join('; ') }) }}</p>
      <ElButton v-if="found.closings.length > 0" type="primary" :disabled="sending" @click="keep">{{
        t('closeOnTheseDays')
      }}</ElButton>
      <ElButton @click="found = null">{{ t('leaveIt') }}</ElButton>
    </template>
  </div>
</template>
