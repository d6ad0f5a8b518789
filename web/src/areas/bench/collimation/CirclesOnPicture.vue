<script setup lang="ts" generic="Name extends string">
import { computed, useTemplateRef } from 'vue'
import { useLaidCircles, type LaidCircle } from './use-laid-circles.ts'
import { benchWords } from '../words.ts'

const t = benchWords('circlesOnPicture')

/** A picture with circles laid on it that a hand can move: by middle or edge, or by keys. What else lies on it comes in the slot. */
const { names, circles, source, size, box, label } = defineProps<{
  names: readonly Name[]
  circles: Partial<Record<Name, LaidCircle>>
  source: string
  size: { readonly widthPx: number; readonly heightPx: number }
  /** What of the picture is shown, px. */
  box: { readonly x: number; readonly y: number; readonly w: number; readonly h: number }
  label: string
}>()
const chosen = defineModel<Name>('chosen', { required: true })
const emit = defineEmits<{ move: [name: Name, change: Partial<LaidCircle>] }>()

const svg = useTemplateRef<SVGSVGElement>('svg')
/** So many pixels of the picture are one on the screen, or about. */
const unit = computed(() => box.w / 400)
const { pictureAt, grab, drag, letGo, nudge } = useLaidCircles<Name>(svg, chosen, {
  box: () => box,
  circle: (name) => circles[name],
  move: (name, change) => emit('move', name, change),
})
</script>

<template>
  <div tabindex="0" role="application" :aria-label="t('arrowsMoveTheChosenOne', { label })" @keydown="nudge">
    <svg
      ref="svg"
      class="block w-full max-h-420px bg-deep [touch-action:none]"
      :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`"
      @pointermove="drag"
      @pointerup="letGo"
      @pointercancel="letGo"
    >
      <image :href="source" :width="size.widthPx" :height="size.heightPx" />
      <template v-for="name in names" :key="name">
        <g v-if="circles[name]" :class="['laid', name]">
          <circle
            :cx="circles[name].x"
            :cy="circles[name].y"
            :r="circles[name].r"
            class="fill-none cursor-ew-resize [pointer-events:stroke]"
            :stroke-width="unit * (name === chosen ? 2.3 : 1.4)"
            @pointerdown="grab(name, 'edge', $event)"
          />
          <circle
            :cx="circles[name].x"
            :cy="circles[name].y"
            :r="unit * 5"
            class="fill-transparent cursor-move"
            :stroke-width="unit * 1.5"
            @pointerdown="grab(name, 'centre', $event)"
          />
        </g>
      </template>
      <slot :unit="unit" :picture-at="pictureAt" />
    </svg>
  </div>
</template>

<style scoped>
.laid circle {
  stroke: #9fd0ff;
}

.laid:is(.centreMark, .shadow) circle {
  stroke: #ffb347;
}

.laid.reflection circle {
  stroke: #fff2b0;
}

[data-scheme='ember'] .laid circle {
  stroke: #ff3800;
}
</style>
