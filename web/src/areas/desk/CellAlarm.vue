<script setup lang="ts">
import type { CellAnswer } from '@binoculum/contract'
import { onMounted, ref, useTemplateRef } from 'vue'
import WayChoice from '../../shared/controls/WayChoice.vue'

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
  { value: 'no', words: 'no' },
  { value: 'not-sure', words: 'not sure' },
  { value: 'yes', words: 'yes' },
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
      A coin cell is missing. Speak to the borrower now.
    </h2>
    <p>Swallowed by a child it burns within two hours, often before anyone notices.</p>
    <p v-if="couldAChildHaveIt !== 'no'" class="act my-8px mx-0 py-8px px-12px line-rust text-rust text-18px lh-26px">
      If a child may have it, act at once, do not wait for signs: <strong>{{ emergencyLine }}</strong>
    </p>
    <p>
      {{ borrower }}, if no longer at the desk: <strong>{{ contact }}</strong>
    </p>
    <form class="grid gap-12px mx-0 mt-14px mb-10px" @submit.prevent="keep">
      <label class="labelled">
        <span>Where is it?</span>
        <ElInput v-model="whereIsIt" required minlength="3" maxlength="500" placeholder="in the borrower’s words" />
      </label>
      <div class="labelled">
        <span>Could a child have it?</span>
        <WayChoice v-model="couldAChildHaveIt" :options="answers" label="Could a child have it?" />
        <p v-if="isAsked && couldAChildHaveIt === null" class="rust" role="alert">
          Say this first: no, not sure or yes.
        </p>
      </div>
      <label class="labelled">
        <span>Whom did you speak to?</span>
        <ElInput v-model="spokeTo" required minlength="2" maxlength="120" />
      </label>
      <div class="ways flex flex-wrap gap-10px">
        <ElButton type="primary" size="large" native-type="submit">Write it down, and hold the kit</ElButton>
        <ElButton size="large" @click="emit('found')">It is here after all</ElButton>
      </div>
    </form>
    <p class="second">Local rules and medical advice come before anything written here.</p>
  </dialog>
</template>

<style scoped>
.cell-alarm::backdrop {
  background: rgb(24 46 69 / 70%);
}
</style>
