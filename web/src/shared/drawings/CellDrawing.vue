<script setup lang="ts">
import { screwPlace, turnFraction, wayWord, type CellResponse, type ScrewTurn } from '@binoculum/core'
import { computed } from 'vue'
import { atDeg } from './on-dial.ts'

/** The primary's cell seen from behind, focuser's side up: its own screws, its locks, and which to turn which way. */
const {
  screws,
  locks = false,
  turns = [],
  inHand = null,
  learnt = null,
} = defineProps<{
  screws: readonly { readonly name: string; readonly angleDeg: number; readonly blocked?: string | undefined }[]
  locks?: boolean
  turns?: readonly ScrewTurn[]
  inHand?: string | null
  /** What its screws were seen to do on this kit. */
  learnt?: CellResponse | null
}>()
const emit = defineEmits<{ pick: [name: string]; wheel: [name: string, by: number] }>()

const R = 78
const places = computed(() =>
  screws.map((screw) => ({
    ...screw,
    ...screwPlace(screw.angleDeg, R),
    turn: turns.find(({ name }) => name === screw.name)?.turns ?? 0,
  })),
)
const lockPlaces = computed(() => (locks ? screws.map(({ angleDeg }) => screwPlace(angleDeg + 24, R)) : []))
const board = computed(() => {
  const points = places.value.flatMap(({ angleDeg }) => [
    screwPlace(angleDeg - 15, R + 22),
    screwPlace(angleDeg + 15, R + 22),
    screwPlace(angleDeg + 60, R * 0.42),
  ])
  return points.map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ')
})
/** An arc about the screw, three quarters round, its head at the end that the hand goes to. */
function arrow(turn: number) {
  const r = 31
  const from = -55
  const to = 55
  const point = (deg: number) => {
    const { x, y } = atDeg(deg, r)
    return `${x.toFixed(1)} ${y.toFixed(1)}`
  }
  return turn > 0 ? `M${point(from)}A${r} ${r} 0 0 1 ${point(to)}` : `M${point(to)}A${r} ${r} 0 0 0 ${point(from)}`
}
/** What differs from the model's, in a word; nothing where nothing does. */
const learntWords = computed(() => {
  if (!learnt || learnt.steps === 0) return ''
  if (learnt.verdict === 'reversed') return 'learnt: turns the other way'
  return learnt.verdict === 'weaker' || learnt.verdict === 'stronger' ? `learnt: ×${learnt.share.toFixed(1)}` : ''
})
const headAt = (turn: number) => (turn > 0 ? 55 : -55)
</script>

<template>
  <svg viewBox="-132 -132 264 264" class="cell" role="group" aria-label="The cell from behind, focuser’s side up">
    <circle r="122" class="rim" />
    <circle r="115" class="rim thin" />
    <polygon :points="board" class="board" />
    <g v-for="(lock, i) in lockPlaces" :key="`l${i}`" :transform="`translate(${lock.x} ${lock.y})`" class="lock">
      <circle r="8" />
      <line x1="-5" x2="5" />
    </g>
    <g
      v-for="screw in places"
      :key="screw.name"
      :transform="`translate(${screw.x} ${screw.y})`"
      :class="['screw', { wanted: screw.turn !== 0, held: screw.name === inHand }]"
      role="button"
      :aria-label="`Screw ${screw.name}${screw.turn ? `, ${wayWord(screw.turn)} ${turnFraction(screw.turn)}` : ''}`"
      tabindex="-1"
      @click="emit('pick', screw.name)"
      @wheel.prevent="emit('wheel', screw.name, ($event as WheelEvent).deltaY > 0 ? 1 : -1)"
    >
      <circle r="24" class="touch" />
      <circle r="20" class="head" />
      <text y="7">{{ screw.name }}</text>
      <g v-if="screw.turn !== 0" :transform="`rotate(${Math.atan2(screw.x, -screw.y) * (180 / Math.PI)})`">
        <path :d="arrow(screw.turn)" class="arc" />
        <path
          :transform="`rotate(${headAt(screw.turn)}) translate(0 -31) scale(${screw.turn > 0 ? 1 : -1} 1)`"
          d="M-2 -6L8 0L-2 6Z"
          class="arrow-head"
        />
      </g>
      <text v-if="screw.blocked" y="34" class="end">at its end</text>
    </g>
    <text v-if="learntWords" y="6" class="learnt">{{ learntWords }}</text>
  </svg>
</template>

<style scoped>
.cell {
  display: block;
  width: 100%;
  max-width: 264px;
}

.rim {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.4;
}

.rim.thin {
  stroke-width: 0.8;
}

.board {
  fill: var(--well);
  stroke: var(--quiet);
  stroke-linejoin: round;
}

.lock circle {
  fill: var(--card);
  stroke: var(--quiet);
}

.lock line {
  stroke: var(--quiet);
}

.screw {
  cursor: pointer;
}

.touch {
  fill: transparent;
}

.head {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 2.2 1;
}

.screw text {
  fill: var(--ink);
  font: 660 20px var(--sans);
  text-anchor: middle;
}

.wanted .head,
.held .head {
  fill: var(--night);
  stroke: var(--night);
}

.wanted text,
.held text {
  fill: var(--on-fill);
}

.screw .end {
  fill: var(--rust);
  font-size: 12px;
}

.arc {
  fill: none;
  stroke: var(--rust);
  stroke-width: 3.4;
}

.arrow-head {
  fill: var(--rust);
}

.learnt {
  fill: var(--brass-text);
  font: 640 14px var(--sans);
  text-anchor: middle;
}
</style>
