<script setup lang="ts">
import type { Slip } from '@binoculum/contract'
import { massText } from '@binoculum/core'
import { computed, onMounted, ref, watch } from 'vue'
import { dayText, hourText } from '../../shared/dates.ts'

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
  <article :class="['slip', { draft }]" aria-label="Loan slip">
    <header>
      <p class="serif name">{{ slip.kitName }}</p>
      <b>{{ slip.kitCode }}</b>
      <em>loan slip {{ slip.loanCode }}</em>
      <img v-if="bars" :src="bars" :alt="`bar code ${slip.kitCode}`" class="bars" />
    </header>
    <dl>
      <dt>out</dt>
      <dd>{{ dayText(slip.outAtUtc, slip.zone) }}, {{ hourText(slip.outAtUtc, slip.zone) }}</dd>
      <dt>back</dt>
      <dd>
        <strong>{{ dayText(slip.dueAtUtc, slip.zone) }} by {{ hourText(slip.dueAtUtc, slip.zone) }}</strong>
      </dd>
      <dt>what</dt>
      <dd>
        {{ slip.partCount }} lines, {{ massText(slip.massG) }}:
        {{ slip.eyepieces.join(', ') || 'no eyepiece listed' }}
      </dd>
      <dt>where</dt>
      <dd>{{ slip.branchName }}</dd>
    </dl>
    <p v-for="note in slip.notes" :key="note" class="second">{{ note }}</p>
    <div class="guide">
      <template v-if="link">
        <img :src="qr" alt="QR code of the guide’s link" class="qr" />
        <p>
          <strong>Guide for this kit:</strong> set-up, powers, “it doesn’t work”.<br />
          <a class="link" :href="link" target="_blank" rel="noopener" data-guide-link>{{ link }}</a>
        </p>
      </template>
      <p v-else class="quiet">The link to the guide stands here when the kit goes out.</p>
    </div>
    <p class="sun">Never point it at the Sun.</p>
  </article>
</template>

<style scoped>
.slip {
  padding: 14px 16px;
  border: 1px solid var(--rule-strong);
  background: #fff;
  color: #000;
}

header {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 10px;
  align-items: baseline;
}

.name {
  font-size: 29px;
  line-height: 34px;
  overflow-wrap: anywhere;
}

header b {
  font-size: 22px;
}

em {
  color: #333;
}

.bars {
  width: 120px;
  height: 24px;
}

dl {
  display: grid;
  grid-template-columns: 58px 1fr;
  margin: 10px 0;
}

dt,
dd {
  margin: 0;
  padding: 5px 0;
  border-top: 1px solid #bbb;
  font-size: 14px;
}

dt {
  font-family: var(--serif);
  font-style: italic;
}

.guide {
  display: flex;
  gap: 14px;
  min-height: 104px;
  align-items: center;
  font-size: 14px;
}

.qr {
  width: 104px;
  height: 104px;
}

.link {
  color: #000;
  font-size: 12.5px;
  word-break: break-all;
}

.sun {
  margin-top: 10px;
  padding: 6px 10px;
  border: 2px solid #000;
  font-weight: 640;
}
</style>
