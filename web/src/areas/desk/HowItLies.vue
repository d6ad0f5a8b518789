<script setup lang="ts">
import { packingSchema } from '@binoculum/contract'
import { placeOf } from '@binoculum/core'
import { computed } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { deskWords } from './words.ts'

const t = deskWords('howItLies')

/** How the place of the part in hand looks when it is right, by the kit’s own picture; nothing where nobody took one. */
const { code, place } = defineProps<{ code: string; place: string }>()
const { data } = useLoaded(packingSchema, () => `/api/kits/${encodeURIComponent(code)}/packing`)
const pictures = computed(
  () => data.value?.slots.filter(({ kind, pictureId }) => kind === 'place' && pictureId) ?? [],
)
const here = computed(() => pictures.value.find(({ title }) => title === placeOf({ place })) ?? null)
const addresses = computed(() => pictures.value.map(({ pictureId }) => `/api/pictures/${pictureId ?? ''}`))
</script>

<template>
  <section
    v-if="here"
    class="lies grid grid-cols-[128px_minmax(0,1fr)] gap-12px items-center"
    :aria-label="t('howItLies')"
  >
    <ElImage
      :src="`/api/pictures/${here.pictureId}`"
      :alt="t('asItShouldLook', { title: here.title })"
      :preview-src-list="addresses"
      :initial-index="pictures.indexOf(here)"
      preview-teleported
      fit="cover"
    />
    <p>
      <b class="serif">{{ here.title }}</b>
      <span class="second block">{{ here.words || t('soItLies') }}</span>
    </p>
  </section>
</template>

<style scoped>
.lies :deep(img) {
  width: 128px;
  height: 96px;
  cursor: zoom-in;
}
</style>
