<script setup lang="ts">
import { takenSchema } from '@binoculum/contract'
import dayjs from 'dayjs'
import { computed } from 'vue'
import type { ApiError } from '../../shared/api/client.ts'
import { deskWords } from './words.ts'

const t = deskWords('takenNote')

/** Another desk was faster, or these days belong to somebody: who, until when, and what would do instead. */
const { problem } = defineProps<{ problem: ApiError | null; mayMove?: boolean }>()
const emit = defineEmits<{ slot: [from: string, until: string]; kit: [id: string, code: string] }>()
const taken = computed(() => {
  if (problem?.code !== 'KIT_TAKEN' && problem?.code !== 'KIT_PROMISED') return null
  const read = takenSchema.safeParse(problem.reply.details)
  return read.success ? read.data : null
})
const dayWords = (day: string) => dayjs(day).format('ddd D MMM')
</script>

<template>
  <div v-if="taken">
    <p v-for="one in taken.taken" :key="one.loanId" class="rust">
      {{
        t('fromToFreeAgainOn', {
          borrower: one.borrower,
          state: one.state === 'out' ? t('hasIt') : t('getsIt'),
          fromOn: dayWords(one.fromOn),
          untilOn: dayWords(one.untilOn),
          freeOn: dayWords(one.freeOn),
        })
      }}
    </p>
    <p v-if="taken.others.length === 0 && !(mayMove && taken.nearest.length)" class="second">
      {{ t('noOtherKitOfIts') }}<template v-if="mayMove">{{ t('andThisOneOnNo') }}</template
      >.
    </p>
    <p v-else role="group" :aria-label="t('whatWouldDoInstead')" class="flex flex-wrap gap-6px mt-6px">
      <template v-if="mayMove">
        <ElButton
          v-for="free in taken.nearest"
          :key="free.from"
          size="small"
          @click="emit('slot', free.from, free.until)"
          >{{ t('fromTo', { from: dayWords(free.from), until: dayWords(free.until) }) }}</ElButton
        >
      </template>
      <ElButton
        v-for="other in taken.others"
        :key="other.id"
        size="small"
        @click="emit('kit', other.id, other.code)"
        >{{ t('nameInstead', { name: other.name }) }}</ElButton
      >
    </p>
  </div>
</template>
