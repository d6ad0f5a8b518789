<script setup lang="ts">
import type { Calendar } from '@binoculum/contract'
import { computed } from 'vue'
import MoonPhase from '../../shared/drawings/MoonPhase.vue'
import type { Column } from './calendar-days.ts'
import { calendarWords } from './words.ts'

const t = calendarWords('nightBand')

/** Above the loans: each night as a column from dusk to dawn, with its Moon, and the dark hours that are left without it. */
const { calendar, columns } = defineProps<{ calendar: Calendar; columns: readonly Column[] }>()

const isWide = computed(() => calendar.days > 28)
/** The column's hours: from the earliest sunset to the latest sunrise shown, by whole hours after noon. */
const span = computed(() => {
  const sets = calendar.nights.flatMap(({ sunsetH }) => (sunsetH === null ? [] : [sunsetH]))
  const rises = calendar.nights.flatMap(({ sunriseH }) => (sunriseH === null ? [] : [sunriseH]))
  return { from: Math.floor(Math.min(6, ...sets)), until: Math.ceil(Math.max(18, ...rises)) }
})
const ticks = computed(() => [9, 13, 17].filter((hour) => hour > span.value.from && hour < span.value.until))
const clock = (hours: number) => `${(12 + hours) % 24}:00`
const height = computed(() => span.value.until - span.value.from)

type Night = Calendar['nights'][number]
const darkOf = (night: Night): readonly (readonly [number, number])[] => {
  if (night.state === 'never-dark') return []
  if (night.state === 'always-dark') return [[0, 24]]
  const [from, until] = [night.darkFromH ?? 0, night.darkUntilH ?? 24]
  return from <= until
    ? [[from, until]]
    : [
        [0, until],
        [from, 24],
      ]
}
const moonOf = (night: Night): readonly (readonly [number, number])[] => {
  const [rise, set] = [night.moonriseH ?? 24, night.moonsetH ?? 24]
  if (night.moonUpAtNoon) return [[0, set], ...(night.moonriseH !== null && rise > set ? [[rise, 24] as const] : [])]
  return night.moonriseH === null ? [] : [[rise, set > rise ? set : 24]]
}
const clipped = (spans: readonly (readonly [number, number])[], to: readonly (readonly [number, number])[]) =>
  spans.flatMap(([a, b]) =>
    to.flatMap(([c, d]) => (Math.min(b, d) > Math.max(a, c) ? [[Math.max(a, c), Math.min(b, d)] as const] : [])),
  )
const rects = (spans: readonly (readonly [number, number])[]) =>
  clipped(spans, [[span.value.from, span.value.until]]).map(([from, until]) => ({
    y: from - span.value.from,
    height: until - from,
  }))
/** How much of the dark the Moon takes: nothing while it is thin. */
const moonOpacity = ({ moonLit }: Night) => (moonLit < 0.1 ? 0 : Math.min(0.85, 0.12 + 0.8 * moonLit))
const hours = (night: Night) =>
  night.moonlessDarkHours < 0.05 ? '–' : night.moonlessDarkHours.toFixed(isWide.value ? 0 : 1)
const showsMoon = (index: number) => !isWide.value || index % 3 === 0
</script>

<template>
  <div
    class="band grid grid-cols-[var(--side)_minmax(0,1fr)] h-116px bg-deep text-pale text-12px"
    :class="{ wide: isWide }"
  >
    <div class="relative" aria-hidden="true">
      <span
        v-for="tick in ticks"
        :key="tick"
        class="absolute right-8px lh-0"
        :style="{ top: `${34 + (62 * (tick - span.from)) / height}px` }"
        >{{ clock(tick) }}</span
      >
      <span class="absolute right-8px bottom-2px">{{ t('darkHNoMoon') }}</span>
    </div>
    <div class="nights flex">
      <div
        v-for="(night, index) in calendar.nights"
        :key="night.date"
        class="night grid flex-[1_1_0] grid-rows-[34px_62px_20px] min-w-0 py-0 px-2px text-center"
        :class="{ closed: columns[index] && !columns[index].isOpen }"
        :title="
          t('darkHoursWithoutTheMoon', {
            night: hours(night),
            planets: night.planets.length > 0 ? t('inTheEvening', { planets: night.planets.join(', ') }) : '',
          })
        "
      >
        <span class="moon grid place-items-center"
          ><MoonPhase
            v-if="showsMoon(index)"
            :lit="night.moonLit"
            :waxing="night.moonWaxing"
            :southern="calendar.southern"
            :size="isWide ? 16 : 24"
        /></span>
        <svg class="w-full h-62px" :viewBox="`0 0 10 ${height}`" preserveAspectRatio="none" aria-hidden="true">
          <rect width="10" :height="height" class="[fill:var(--dusk)]" />
          <rect
            v-for="(rect, at) in rects([[night.sunsetH ?? 0, night.sunriseH ?? 24]])"
            :key="`t${at}`"
            width="10"
            v-bind="rect"
            class="[fill:var(--twilight)]"
          />
          <rect
            v-for="(rect, at) in rects(darkOf(night))"
            :key="`d${at}`"
            width="10"
            v-bind="rect"
            class="[fill:var(--dark)]"
          />
          <rect
            v-for="(rect, at) in rects(clipped(darkOf(night), moonOf(night)))"
            :key="`m${at}`"
            width="10"
            v-bind="rect"
            class="[fill:var(--moonlight)]"
            :style="{ opacity: moonOpacity(night) }"
          />
        </svg>
        <span class="hours overflow-visible whitespace-nowrap" :class="{ good: night.moonlessDarkHours >= 5 }">{{
          !isWide || index % 2 === 0 ? hours(night) : ''
        }}</span>
      </div>
      <p v-if="calendar.nights.length === 0" class="none self-center py-0 px-16px">
        {{ t('noPlaceIsEnteredFor') }}
        <RouterLink to="/setup/places">{{ t('addItsPlace') }}</RouterLink>
      </p>
    </div>
  </div>
</template>

<style scoped>
.wide .moon {
  justify-self: center;
  width: 16px;
  margin: 0 -8px;
}

.wide .night {
  padding: 0 1px;
}

.wide .hours {
  font-size: 11px;
}

.hours.good {
  color: var(--lit);
  font-weight: 640;
}

.none a {
  color: inherit;
}

@media print {
  .band {
    print-color-adjust: exact;
  }
}
</style>
