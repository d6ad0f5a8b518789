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
        The finder sits {{ aimWords(kit.optics.finderOffsetMm) }} of the tube’s middle, seen from behind;
        {{
          kit.ownFinder
            ? `measured ${dateText(kit.ownFinder.measuredAtUtc)}, ${kit.ownFinder.by}`
            : 'that is the model’s, not measured on this kit'
        }}.
      </template>
      <strong v-else>Where the finder sits isn’t known: measure it, or use a star.</strong>
      <ElButton link @click="open = !open">
        {{ open ? 'not now' : 'measure it on this kit' }}
      </ElButton>
    </p>
    <SchemaForm
      v-if="open"
      :schema="finderOffsetGivenSchema"
      :value="body"
      label="Where the finder sits"
      @send="keep"
    >
      <svg viewBox="-90 -88 180 150" width="150" aria-hidden="true">
        <circle r="52" class="tube fill-paper stroke-ink" />
        <circle r="2.4" class="fill-ink" />
        <rect x="-46" y="-82" width="24" height="18" rx="4" class="fill-paper stroke-ink" />
        <path d="M0 0H-34M-34 0V-73" class="fill-none stroke-brass stroke-2" />
        <text class="fill-brass-text [font:640_13px_var(--sans)] [text-anchor:middle]" x="-17" y="14">right +</text>
        <text x="-38" y="-30" class="fill-brass-text [font:640_13px_var(--sans)] [text-anchor:end]">up +</text>
      </svg>
      <p class="second">
        From behind the tube, with a ruler: from the middle of the tube to the middle of the finder, across and up. To
        2 mm is enough.
      </p>
      <SchemaField label="across, mm, right +" path="offsetMm.x"
        ><FigureInput v-model="x" label="across, mm" unit="mm" name="offset-x"
      /></SchemaField>
      <SchemaField label="up, mm, down −" path="offsetMm.y"
        ><FigureInput v-model="y" label="up, mm" unit="mm" name="offset-y"
      /></SchemaField>
      <ProblemNote class="wide" :problem="problem" />
      <p class="wide"><ElButton native-type="submit" :disabled="sending">Keep its offset</ElButton></p>
    </SchemaForm>
  </div>
</template>
