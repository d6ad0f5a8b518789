<script setup lang="ts">
import { finderOffsetGivenSchema, kitSheetSchema, type KitSheet } from '@binoculum/contract'
import { aimWords, dateText } from '@binoculum/core'
import { computed, ref } from 'vue'
import { api } from '../../../shared/api/client.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import SchemaField from '../../../shared/controls/SchemaField.vue'
import SchemaForm from '../../../shared/controls/SchemaForm.vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import ProblemNote from '../../../shared/ProblemNote.vue'
import { benchWords } from '../words.ts'

const t = benchWords('offsetForm')

/** Where the finder sits on this very kit: measured once with a ruler, asked for where nobody knows. */
const { kit, known } = defineProps<{ kit: KitSheet; known: boolean }>()
const emit = defineEmits<{ changed: [kit: KitSheet]; reload: [] }>()
const { sending, problem, run } = useSending()
const open = ref(!known)
const x = ref<number | null>(null)
const y = ref<number | null>(null)
const body = computed(() => ({ kitVersion: kit.version, offsetMm: { x: x.value, y: y.value } }))
async function keep() {
  const went = await run(async () =>
    emit('changed', await api.post(kitSheetSchema, `/api/kits/${kit.id}/finder-offset`, body.value)),
  )
  if (went) open.value = false
  else if (problem.value?.code === 'KIT_CHANGED') emit('reload')
}
</script>

<template>
  <div class="offset">
    <p class="second">
      <template v-if="known">
        {{ ' '
        }}{{
          t('theFinderSitsOfThe', {
            finderOffsetMm: aimWords(kit.optics.finderOffsetMm),
            measuredAtUtc: kit.ownFinder
              ? t('measuredMeasuredAtUtc', {
                  measuredAtUtc: dateText(kit.ownFinder.measuredAtUtc),
                  by: kit.ownFinder.by,
                })
              : t('thatIsTheModelsNot'),
          })
        }}{{ ' ' }}
      </template>
      <strong v-else>{{ t('whereTheFinderSitsIsnt') }}</strong>
      <ElButton link @click="open = !open">
        {{ open ? t('notNow') : t('measureItOnThisKit') }}
      </ElButton>
    </p>
    <SchemaForm
      v-if="open"
      :schema="finderOffsetGivenSchema"
      :value="body"
      :label="t('whereTheFinderSits')"
      @send="keep"
    >
      <svg viewBox="-90 -88 180 150" width="150" aria-hidden="true">
        <circle r="52" class="tube fill-paper stroke-ink" />
        <circle r="2.4" class="fill-ink" />
        <rect x="-46" y="-82" width="24" height="18" rx="4" class="fill-paper stroke-ink" />
        <path d="M0 0H-34M-34 0V-73" class="fill-none stroke-brass stroke-2" />
        <text class="fill-brass-text [font:640_13px_var(--sans)] [text-anchor:middle]" x="-17" y="14">
          {{ t('right') }}
        </text>
        <text x="-38" y="-30" class="fill-brass-text [font:640_13px_var(--sans)] [text-anchor:end]">
          {{ t('up') }}
        </text>
      </svg>
      <p class="second">
        {{ t('fromBehindTheTubeWith') }}
      </p>
      <SchemaField :label="t('acrossMmRight')" path="offsetMm.x"
        ><FigureInput v-model="x" :label="t('acrossMm')" unit="mm" name="offset-x"
      /></SchemaField>
      <SchemaField :label="t('upMmDown')" path="offsetMm.y"
        ><FigureInput v-model="y" :label="t('upMm')" unit="mm" name="offset-y"
      /></SchemaField>
      <ProblemNote class="wide" :problem="problem" />
      <p class="wide">
        <ElButton native-type="submit" :disabled="sending">{{ t('keepItsOffset') }}</ElButton>
      </p>
    </SchemaForm>
  </div>
</template>
