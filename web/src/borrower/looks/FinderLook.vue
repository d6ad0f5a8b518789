<script setup lang="ts">
import type { RemoteLookOffers } from '@binoculum/contract'
import { computed, ref } from 'vue'
import { useWords } from '../guide-language.ts'
import { aimWords } from './look-words.ts'
import LookAnswer from './LookAnswer.vue'
import { useLook } from './use-look.ts'

/** Dot or cross on something far away; where does that stand in the eyepiece? */
const { token, finder } = defineProps<{ token: string; finder: NonNullable<RemoteLookOffers['finder']> }>()
const { say } = useWords()
const { state, answer, take } = useLook(() => token)
const sunSafe = ref(false)
const notInView = ref(false)
/** In half fields from the middle, right and up. */
const at = ref<{ x: number; y: number } | null>(null)
const FAR = 'far'
const distances = computed(() => [200, 500, 1000, 2000].filter((metres) => metres >= finder.nearestM))
const distance = ref(FAR)
const text = (metres: number) => (metres >= 1000 ? `${metres / 1000} km` : `${metres} m`)

function tapped(event: PointerEvent) {
  if (!sunSafe.value) return
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  move(
    ((event.clientX - box.left) / box.width - 0.5) * (VIEW / FIELD),
    -((event.clientY - box.top) / box.height - 0.5) * (VIEW / FIELD),
  )
}
/** The drawing's width, and the eyepiece's round field in it: a tap beside it is at its edge. */
const VIEW = 240
const FIELD = 110
function move(x: number, y: number) {
  const length = Math.hypot(x, y)
  const by = length > 1 ? 1 / length : 1
  at.value = { x: x * by, y: y * by }
  notInView.value = false
}
const STEP = 0.1
const keys: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [0, STEP],
  ArrowDown: [0, -STEP],
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
}
function keyed(event: KeyboardEvent) {
  const by = keys[event.key]
  if (!by || !sunSafe.value) return
  event.preventDefault()
  const { x, y } = at.value ?? { x: 0, y: 0 }
  move(x + by[0], y + by[1])
}
function setNotInView() {
  notInView.value = !notInView.value
  at.value = null
}
const ready = computed(() => sunSafe.value && (notInView.value || at.value !== null) && state.value !== 'sending')
function send() {
  const seen = at.value && {
    fraction: Math.min(1, Math.hypot(at.value.x, at.value.y)),
    clockHours: ((Math.atan2(at.value.x, at.value.y) / (2 * Math.PI)) * 12 + 12) % 12,
  }
  const distanceM = distance.value === FAR ? null : Number(distance.value)
  void take({ kind: 'finder', sunSafe: true, seen, distanceM })
}
</script>

<template>
  <p>
    {{
      say('A chimney or a mast, {distance} away or more. Never near the Sun.', { distance: text(finder.nearestM) })
    }}
  </p>
  <label class="safe">
    <input v-model="sunSafe" type="checkbox" name="sun-safe" />
    {{ say('The Sun can’t get into the tube: it is in the shade.') }}
  </label>
  <fieldset :disabled="!sunSafe">
    <label class="labelled">
      <span>{{ say('How far away is it?') }}</span>
      <select v-model="distance" class="field" name="distance">
        <option v-for="metres in distances" :key="metres" :value="String(metres)">{{ text(metres) }}</option>
        <option :value="FAR">{{ say('farther than 2 km') }}</option>
      </select>
    </label>
    <p>{{ say(aimWords[finder.thing]) }}</p>
    <p>{{ say('Look into the eyepiece, lowest power. Where does it stand? Tap there.') }}</p>
    <svg
      :viewBox="`${-VIEW / 2} ${-VIEW / 2} ${VIEW} ${VIEW}`"
      role="application"
      tabindex="0"
      :aria-label="say('Look into the eyepiece, lowest power. Where does it stand? Tap there.')"
      @pointerdown="tapped"
      @keydown="keyed"
    >
      <circle :r="FIELD" class="view" />
      <path d="M-8 0H8M0 -8V8" class="middle" />
      <circle v-if="at" :cx="at.x * FIELD" :cy="-at.y * FIELD" r="9" class="seen" />
    </svg>
    <button type="button" class="button" :aria-pressed="notInView" @click="setNotInView">
      {{ say('It is not in view') }}
    </button>
    <button type="button" class="button main" :disabled="!ready" @click="send">{{ say('Send it') }}</button>
  </fieldset>
  <LookAnswer :state="state" :answer="answer" />
</template>

<style scoped src="./look.css"></style>

<style scoped>
svg {
  display: block;
  width: min(100%, 300px);
  margin: 0 auto;
  touch-action: manipulation;
}

.view {
  fill: var(--field);
  stroke: var(--ink);
  stroke-width: 2;
}

.middle {
  fill: none;
  stroke: var(--field-moon);
}

.seen {
  fill: none;
  stroke: var(--field-moon);
  stroke-width: 4;
}

[aria-pressed='true'] {
  border-width: 3px;
  font-weight: 640;
}
</style>
