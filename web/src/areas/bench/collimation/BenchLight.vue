<script setup lang="ts">
import type { Site, Sites } from '@binoculum/contract'
import { sunSafety } from '@binoculum/core'
import { useIntervalFn, useLocalStorage } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { api } from '../../../shared/api/client.ts'

const MINUTE_MS = 60_000

/** Before anything is looked at by day: where the Sun stands, and the one question that no clock can answer. */
const { branchId } = defineProps<{ branchId: string }>()
const shaded = defineModel<boolean | null>({ required: true })
const emit = defineEmits<{ sunDown: [isDown: boolean] }>()
const site = ref<Site | null>(null)
/** The place that was chosen last, at whichever station. */
const remembered = useLocalStorage('binoculum site', '')
const atUtc = ref(new Date().toISOString())
useIntervalFn(() => (atUtc.value = new Date().toISOString()), MINUTE_MS)

onMounted(async () => {
  try {
    const { sites } = await api.get<Sites>('/api/sites')
    site.value =
      sites.find(({ id }) => id === remembered.value) ??
      sites.find((each) => each.branchId === branchId) ??
      sites[0] ??
      null
  } catch {
    // Without a place the question alone has to do.
  }
})
const winds = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west']
const sun = computed(() => {
  if (!site.value) return null
  const { latitudeDeg, longitudeDeg, zone, name } = site.value
  const opposite = { azimuthDeg: 0, altitudeDeg: 30 }
  const answer = sunSafety({ latitudeDeg, longitudeDeg, zone, atUtc: atUtc.value, target: opposite })
  const wind = (deg: number) => winds[Math.round((((deg % 360) + 360) % 360) / 45) % 8]
  return { ...answer, place: name, from: wind(answer.sunAzimuthDeg), away: wind(answer.sunAzimuthDeg + 180) }
})
const isDown = computed(() => sun.value !== null && sun.value.sunAltitudeDeg < -1)
watch(isDown, (down) => emit('sunDown', down), { immediate: true })
</script>

<template>
  <div class="light">
    <p v-if="isDown" class="second">The Sun is down at {{ sun?.place }}. A lamp on a wall is light enough.</p>
    <template v-else>
      <p class="second">
        Point it at a lit wall, or shaded sky on the side away from the Sun.
        <template v-if="sun">
          At {{ sun.place }} the Sun stands {{ sun.sunAltitudeDeg.toFixed(0) }}° high in the {{ sun.from }} now: keep
          the tube towards the {{ sun.away }}, 45° from it at least.
        </template>
      </p>
      <p class="ask" role="group" aria-label="Is the tube in shade?">
        <strong>Is the tube in shade, or does your shadow point where it points?</strong>
        <label><input v-model="shaded" type="radio" name="shaded" :value="true" /> yes</label>
        <label><input v-model="shaded" type="radio" name="shaded" :value="false" /> no</label>
      </p>
      <p v-if="shaded === false" class="problem" role="alert">
        Cap on now. Nobody looks through it, and no phone: the Sun blinds in a moment and sets things alight. Move it
        into shade first.
      </p>
    </template>
  </div>
</template>

<style scoped>
.light {
  display: grid;
  gap: 4px;
}

.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}

label {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 32px;
}
</style>
