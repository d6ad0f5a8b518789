<script setup lang="ts">
import type { CellAnswer } from '@binoculum/contract'
import { onMounted, ref, useTemplateRef } from 'vue'
import WayChoice from '../../shared/controls/WayChoice.vue'
import { deskWords } from './words.ts'

const t = deskWords('cellAlarm')

/** A coin cell is missing: nothing else goes on until the borrower has been asked and the answer is written down. */
const { emergencyLine, contact, borrower } = defineProps<{
  emergencyLine: string
  contact: string
  borrower: string
}>()
const emit = defineEmits<{ answer: [answer: CellAnswer]; found: [] }>()

const dialog = useTemplateRef<HTMLDialogElement>('dialog')
const whereIsIt = ref('')
const couldAChildHaveIt = ref<CellAnswer['couldAChildHaveIt'] | null>(null)
const spokeTo = ref('')
const answers = [
  { value: 'no', words: t('no') },
  { value: 'not-sure', words: t('notSure') },
  { value: 'yes', words: t('yes') },
] as const

const isAsked = ref(false)

function keep() {
  isAsked.value = true
  if (couldAChildHaveIt.value === null) return
  emit('answer', {
    whereIsIt: whereIsIt.value.trim(),
    couldAChildHaveIt: couldAChildHaveIt.value,
    spokeTo: spokeTo.value.trim(),
  })
}
onMounted(() => dialog.value?.showModal())
</script>

<template>
  <dialog
    ref="dialog"
    class="cell-alarm w-[min(620px,94vw)] py-22px px-26px [border:6px_double_var(--rust)] rd-4px bg-card text-ink"
    role="alertdialog"
    aria-labelledby="cell-title"
    @cancel.prevent
  >
    <h2 id="cell-title" class="mb-8px text-rust text-28px lh-34px">
      {{ t('aCoinCellIsMissing') }}
    </h2>
    <p>{{ t('swallowedByAChildIt') }}</p>
    <p v-if="couldAChildHaveIt !== 'no'" class="act my-8px mx-0 py-8px px-12px line-rust text-rust text-18px lh-26px">
      {{ t('ifAChildMayHave') }} <strong>{{ emergencyLine }}</strong>
    </p>
    <p>
      {{ t('ifNoLongerAtThe', { borrower }) }} <strong>{{ contact }}</strong>
    </p>
    <form class="grid gap-12px mx-0 mt-14px mb-10px" @submit.prevent="keep">
      <label class="labelled">
        <span>{{ t('whereIsIt') }}</span>
        <ElInput v-model="whereIsIt" required minlength="3" maxlength="500" :placeholder="t('inTheBorrowersWords')" />
      </label>
      <div class="labelled">
        <span>{{ t('couldAChildHaveIt') }}</span>
        <WayChoice v-model="couldAChildHaveIt" :options="answers" :label="t('couldAChildHaveIt')" />
        <p v-if="isAsked && couldAChildHaveIt === null" class="rust" role="alert">
          {{ t('sayThisFirstNoNot') }}
        </p>
      </div>
      <label class="labelled">
        <span>{{ t('whomDidYouSpeakTo') }}</span>
        <ElInput v-model="spokeTo" required minlength="2" maxlength="120" />
      </label>
      <div class="ways flex flex-wrap gap-10px">
        <ElButton type="primary" size="large" native-type="submit">{{ t('writeItDownAndHold') }}</ElButton>
        <ElButton size="large" @click="emit('found')">{{ t('itIsHereAfterAll') }}</ElButton>
      </div>
    </form>
    <p class="second">{{ t('localRulesAndMedicalAdvice') }}</p>
  </dialog>
</template>

<style scoped>
.cell-alarm::backdrop {
  background: rgb(24 46 69 / 70%);
}
</style>
