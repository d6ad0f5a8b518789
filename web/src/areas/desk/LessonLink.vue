<script setup lang="ts">
import { lessonLinkSchema } from '@binoculum/contract'
import { ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import { whenText } from '../../shared/dates.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { deskWords } from './words.ts'

const t = deskWords('lessonLink')

/** Three minutes on the borrower's own phone before they fetch it: the link, and whether it was done. It bars nobody. */
const { loanId, doneAtUtc, zone } = defineProps<{ loanId: string; doneAtUtc: string | null; zone: string }>()
const { sending, problem, run } = useSending()
const link = ref('')
const qr = ref('')

const make = () =>
  run(async () => {
    const { lessonPath } = await api.post(lessonLinkSchema, `/api/promises/${loanId}/lesson`)
    link.value = `${location.origin}${lessonPath}`
    const qrcode = await import('qrcode')
    const svg = await qrcode.toString(link.value, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' })
    qr.value = `data:image/svg+xml,${encodeURIComponent(svg)}`
  })
</script>

<template>
  <section :aria-label="t('lessonBeforeItIsFetched')">
    <h2>{{ t('threeMinutesBeforeItIs') }}</h2>
    <p v-if="doneAtUtc" class="moss">{{ t('wentThroughTheLessonOn', { doneAtUtc: whenText(doneAtUtc, zone) }) }}</p>
    <p v-else class="second">
      {{ t('itsOwnDrawingTheSteps') }}
    </p>
    <div v-if="link" class="grid grid-cols-[96px_minmax(0,1fr)] gap-12px items-start my-8px mx-0">
      <img class="p-6px [background:#fff]" :src="qr" :alt="t('qrCodeOfTheLessons')" />
      <p>
        <a class="break-anywhere" :href="link" target="_blank" rel="noopener">{{ link }}</a><br /><span
          class="quiet"
          >{{ t('sendItOrLetIt') }}</span
        >
      </p>
    </div>
    <ProblemNote :problem="problem" @retry="make" />
    <ElButton v-if="!doneAtUtc" :disabled="sending" @click="make">{{
      link ? t('makeAnotherLink') : t('makeTheLessonsLink')
    }}</ElButton>
  </section>
</template>
