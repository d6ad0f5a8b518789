<script setup lang="ts">
import { shapeOf, sightWords, type PracticePart } from '@binoculum/core'
import { computed } from 'vue'
import { practiceWords } from './words.ts'

const t = practiceWords('closeUp')

/** A part in the hand: what it looks like, without saying whether that is right. */
const { part } = defineProps<{ part: PracticePart }>()

/** Pixels for a millimetre of a cap, so that caps of different barrels are seen to differ. */
const PX_PER_MM = 1.9
const words = computed(() => sightWords(part))
const shape = computed(() => shapeOf(part.role))
const count = computed(() => (part.sight.kind === 'pieces' ? part.sight.count : part.count))
</script>

<template>
  <figure
    :aria-label="t('whatYouSee')"
    class="close-up grid grid-cols-[140px_1fr] gap-10px items-center m-0 py-8px px-14px line-t-rule-strong max-[900px]:grid-cols-[minmax(0,1fr)]"
  >
    <svg width="212" height="120" viewBox="0 0 300 170" role="img" :aria-label="words">
      <g v-if="part.sight.kind === 'eyepiece'">
        <path
          d="M92 34H176V66H92ZM98 66H170V108H98ZM112 108H156V150H112Z"
          class="line fill-wash stroke-graphite stroke-1.6"
        />
        <path d="M98 74H170M98 82H170M98 90H170M98 98H170" class="fill-none stroke-quiet stroke-1" />
        <path d="M112 128H156" class="fill-none stroke-quiet stroke-1" />
        <text x="134" y="57" class="[font:640_17px_var(--sans)] [text-anchor:middle] fill-ink">
          {{ part.sight.focalLengthMm }} mm
        </text>
      </g>
      <g v-else-if="part.sight.kind === 'cap'" transform="translate(150 82)">
        <circle :r="part.sight.openingMm * PX_PER_MM * 0.5 + 9" class="line fill-wash stroke-graphite stroke-1.6" />
        <circle :r="part.sight.openingMm * PX_PER_MM * 0.5" class="line stroke-graphite stroke-1.6 fill-card" />
        <path
          :d="`M${-part.sight.openingMm * PX_PER_MM * 0.5} 0H${part.sight.openingMm * PX_PER_MM * 0.5}M${-part.sight.openingMm * PX_PER_MM * 0.5} -6V6M${part.sight.openingMm * PX_PER_MM * 0.5} -6V6`"
          class="fill-none stroke-brass stroke-1.4"
        />
        <text y="-6" class="[font:640_17px_var(--sans)] [text-anchor:middle] fill-ink">
          {{ part.sight.openingMm }}
        </text>
      </g>
      <g v-else-if="part.sight.kind === 'weight'" transform="translate(150 85)">
        <circle r="62" class="line fill-wash stroke-graphite stroke-1.6" />
        <circle r="15" class="line stroke-graphite stroke-1.6 fill-card" />
        <path d="M15 -9H60V9H15" class="line stroke-graphite stroke-1.6 fill-card" />
        <path d="M36 -9V9M42 -9V9M48 -9V9" class="fill-none stroke-quiet stroke-1" />
        <circle cx="24" cy="0" r="7" :class="part.sight.slugInside ? 'brass' : 'gap'" />
        <path d="M60 -16H84V16H60Z" class="line fill-wash stroke-graphite stroke-1.6" />
        <path d="M66 -16V16M72 -16V16M78 -16V16" class="fill-none stroke-quiet stroke-1" />
      </g>
      <g v-else-if="part.sight.kind === 'battery-door'" transform="translate(70 40)">
        <rect width="160" height="72" rx="6" class="line fill-wash stroke-graphite stroke-1.6" />
        <circle cx="52" cy="36" r="22" class="line stroke-graphite stroke-1.6 fill-card" />
        <circle v-if="!part.sight.closed" cx="52" cy="36" r="17" class="brass" />
        <path v-if="part.sight.closed" d="M26 14H78V58H26Z" class="line fill-wash stroke-graphite stroke-1.6" />
        <path v-else d="M26 58L20 104H72L78 58Z" class="line fill-wash stroke-graphite stroke-1.6" />
        <circle v-if="part.sight.closed" cx="70" cy="50" r="4" class="line stroke-graphite stroke-1.6 fill-card" />
        <path v-if="part.sight.closed" d="M67.5 50H72.5" class="fill-none stroke-quiet stroke-1" />
        <path d="M104 14H150V24H104Z" class="fill-none stroke-quiet stroke-1" />
      </g>
      <path v-else-if="part.sight.kind === 'absent'" d="M90 40H210V130H90Z" class="gap" />
      <g v-else>
        <g v-for="index in count" :key="index" :transform="`translate(${150 + (index - (count + 1) / 2) * 62} 85)`">
          <circle v-if="shape === 'round'" r="22" class="line fill-wash stroke-graphite stroke-1.6" />
          <rect
            v-else-if="shape === 'tube'"
            x="-110"
            y="-34"
            width="220"
            height="68"
            rx="4"
            class="line fill-wash stroke-graphite stroke-1.6"
          />
          <rect
            v-else-if="shape === 'long'"
            x="-26"
            y="-52"
            width="9"
            height="104"
            rx="3"
            class="line fill-wash stroke-graphite stroke-1.6"
          />
          <rect
            v-else-if="shape === 'paper'"
            x="-38"
            y="-52"
            width="76"
            height="104"
            class="line fill-wash stroke-graphite stroke-1.6"
          />
          <rect
            v-else
            x="-44"
            y="-36"
            width="88"
            height="72"
            rx="5"
            class="line fill-wash stroke-graphite stroke-1.6"
          />
        </g>
      </g>
    </svg>
    <figcaption>
      <b>{{ part.name }}</b> <span class="second block">{{ t('lookFor', { lookFor: part.lookFor }) }}</span>
      <p class="serif mt-6px text-20px lh-26px">{{ words }}</p>
      <slot />
    </figcaption>
  </figure>
</template>

<style scoped>
.brass {
  fill: var(--brass);
}

.gap {
  fill: none;
  stroke: var(--quiet);
  stroke-dasharray: 4 4;
}
</style>
