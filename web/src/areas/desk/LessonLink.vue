<script setup lang="ts">
import { lessonLinkSchema } from '@binoculum/contract'
import { ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import { whenText } from '../../shared/dates.ts'
import ProblemNote from '../../shared/ProblemNote.vue'

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
  <section aria-label="Lesson before it is fetched">
    <h2>Three minutes before it is fetched</h2>
    <p v-if="doneAtUtc" class="moss">Went through the lesson on {{ whenText(doneAtUtc, zone) }}.</p>
    <p v-else class="second">
      Its own drawing, the steps to be put in order, which eyepiece first, what never: on the borrower’s phone.
      Whoever hasn’t done it gets the kit all the same.
    </p>
    <div v-if="link" class="grid grid-cols-[96px_minmax(0,1fr)] gap-12px items-start my-8px mx-0">
      <img class="p-6px [background:#fff]" :src="qr" alt="QR code of the lesson’s link" />
      <p>
        <a class="break-anywhere" :href="link" target="_blank" rel="noopener">{{ link }}</a><br /><span class="quiet"
          >Send it or let it be scanned now: it is shown once. It ends when the kit goes out.</span
        >
      </p>
    </div>
    <ProblemNote :problem="problem" @retry="make" />
    <ElButton v-if="!doneAtUtc" :disabled="sending" @click="make">{{
      link ? 'Make another link' : 'Make the lesson’s link'
    }}</ElButton>
  </section>
</template>
