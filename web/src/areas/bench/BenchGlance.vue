<script setup lang="ts">
import { kitSheetSchema } from '@binoculum/contract'
import { skillsFor, toolsToBring } from '@binoculum/core'
import { computed } from 'vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import KitGlance from '../shelf/KitGlance.vue'
import { useKitKeys } from '../shelf/use-kit-keys.ts'
import BorrowerLooks from './BorrowerLooks.vue'
import ReadingHistory from './ReadingHistory.vue'
import { benchWords } from './words.ts'

const t = benchWords('benchGlance')

/** The chosen kit beside the bench's list: its last check, how its mirror held, pictures, and what to lay out for it. */
const { code } = defineProps<{ code: string }>()
const { data, problem, reload } = useLoaded(kitSheetSchema, () => `/api/kits/${encodeURIComponent(code)}`)
/** Never the kit that was chosen before, while this one's sheet is on its way: its keys act. */
const kit = computed(() => (data.value?.code === code ? data.value : null))
const { keys } = useKitKeys(kit)
useKeys(() => keys.value)
const tools = computed(() => {
  const sheet = kit.value
  if (!sheet) return []
  const skills = sheet.reasons.filter(({ minutes }) => minutes > 0).flatMap(skillsFor)
  return toolsToBring({
    skills,
    hasDot: sheet.finder?.kind === 'red-dot',
    isDriven: sheet.family === 'computer-driven',
    hasScrews: !!sheet.mirror?.cell,
  })
})
const mirrorLimit = computed(() => kit.value?.readings.find(({ kind }) => kind === 'collimation')?.limit ?? null)
</script>

<template>
  <div class="beside">
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="kit">
      <KitGlance :kit="kit">
        <section v-if="tools.length > 0">
          <h2>{{ t('toBring') }}</h2>
          <ul class="mx-0 mt-4px mb-0 pl-18px">
            <li v-for="tool in tools" :key="tool">{{ tool }}</li>
          </ul>
        </section>
        <section v-if="mirrorLimit !== null && kit.past.length > 0">
          <h2>{{ t('itsMirrorBefore') }}</h2>
          <ReadingHistory kind="collimation" :past="kit.past" :limit="mirrorLimit" />
        </section>
        <BorrowerLooks :kit-code="kit.code" :zone="kit.zone" :kinds="['peephole', 'star', 'finder']" />
      </KitGlance>
    </template>
  </div>
</template>
