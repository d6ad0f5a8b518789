<script setup lang="ts">
import type { Slip } from '@binoculum/contract'
import { massText } from '@binoculum/core'
import { computed, onMounted, ref, watch } from 'vue'
import { dayText, hourText } from '../../shared/dates.ts'
import { deskWords } from './words.ts'

const t = deskWords('loanSlip')

/** The slip that goes with the kit: the day, the link to its guide, the warning. */
const { slip, draft = false } = defineProps<{ slip: Slip; draft?: boolean }>()
const qr = ref('')
const bars = ref('')
const link = computed(() => (slip.guidePath ? `${location.origin}${slip.guidePath}` : ''))

async function draw() {
  const { code128, drawingSVG } = await import('bwip-js/generic')
  bars.value = dataUrl(code128({ bcid: 'code128', text: slip.kitCode, height: 9, includetext: false }, drawingSVG()))
  if (!link.value) return
  const qrcode = await import('qrcode')
  qr.value = dataUrl(await qrcode.toString(link.value, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' }))
}
const dataUrl = (svg: string) => `data:image/svg+xml,${encodeURIComponent(svg)}`
onMounted(draw)
watch(() => [slip.guidePath, slip.kitCode], draw)
</script>

<template>
  <article :class="['slip', { draft }]" :aria-label="t('loanSlip')">
    <header class="grid grid-cols-[minmax(0,1fr)_auto] gap-y-2px gap-x-10px items-baseline">
      <p class="serif name text-29px lh-34px break-anywhere">{{ slip.kitName }}</p>
      <b class="text-22px">{{ slip.kitCode }}</b>
      <em class="[color:#333]">{{ t('loanSlip2', { loanCode: slip.loanCode }) }}</em>
      <img v-if="bars" :src="bars" :alt="t('barCode', { kitCode: slip.kitCode })" class="bars w-120px h-24px" />
    </header>
    <dl class="grid grid-cols-[58px_1fr] my-10px mx-0">
      <dt class="m-0 py-5px px-0 [border-top:1px_solid_#bbb] text-14px [font-family:var(--serif)] italic">
        {{ t('out') }}
      </dt>
      <dd class="m-0 py-5px px-0 [border-top:1px_solid_#bbb] text-14px">
        {{ dayText(slip.outAtUtc, slip.zone) }}, {{ hourText(slip.outAtUtc, slip.zone) }}
      </dd>
      <dt class="m-0 py-5px px-0 [border-top:1px_solid_#bbb] text-14px [font-family:var(--serif)] italic">
        {{ t('back') }}
      </dt>
      <dd class="m-0 py-5px px-0 [border-top:1px_solid_#bbb] text-14px">
        <strong>{{
          t('dueAtUtcBy', {
            dueAtUtc: dayText(slip.dueAtUtc, slip.zone),
            hour: hourText(slip.dueAtUtc, slip.zone),
          })
        }}</strong>
      </dd>
      <dt class="m-0 py-5px px-0 [border-top:1px_solid_#bbb] text-14px [font-family:var(--serif)] italic">
        {{ t('what') }}
      </dt>
      <dd class="m-0 py-5px px-0 [border-top:1px_solid_#bbb] text-14px">
        {{
          t('partCountLines', {
            partCount: slip.partCount,
            massG: massText(slip.massG),
            eyepieces: slip.eyepieces.join(', ') || t('noEyepieceListed'),
          })
        }}
      </dd>
      <dt class="m-0 py-5px px-0 [border-top:1px_solid_#bbb] text-14px [font-family:var(--serif)] italic">
        {{ t('where') }}
      </dt>
      <dd class="m-0 py-5px px-0 [border-top:1px_solid_#bbb] text-14px">{{ slip.branchName }}</dd>
    </dl>
    <p v-for="note in slip.notes" :key="note" class="second">{{ note }}</p>
    <div class="guide flex gap-14px min-h-104px items-center text-14px">
      <template v-if="link">
        <img :src="qr" :alt="t('qrCodeOfTheGuides')" class="qr w-104px h-104px" />
        <p>
          <strong>{{ t('guideForThisKit') }}</strong> {{ t('setUpPowersItDoesnt') }}<br />
          <a
            class="[color:#000] text-12.5px [word-break:break-all]"
            :href="link"
            target="_blank"
            rel="noopener"
            data-guide-link
            >{{ link }}</a
          >
        </p>
      </template>
      <p v-else class="quiet">{{ t('theLinkToTheGuide') }}</p>
    </div>
    <p class="mt-10px py-6px px-10px [border:2px_solid_#000] fw-640">{{ t('neverPointItAtThe') }}</p>
  </article>
</template>

<style scoped>
.slip {
  padding: 14px 16px;
  border: 1px solid var(--rule-strong);
  background: #fff;
  color: #000;
}
</style>
