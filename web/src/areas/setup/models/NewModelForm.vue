<script setup lang="ts">
import { newModelSchema, modelSheetSchema, type ModelSheet } from '@binoculum/contract'
import { families, type Family } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { api } from '../../../shared/api/client.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import { fieldProblems } from '../../../shared/field-problems.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import FigureField from '../fields/FigureField.vue'
import { kindWords } from './kind-words.ts'

/** A model from nothing: what it is; its card begins as such kits usually are and is edited then. */
const { branchId } = defineProps<{ branchId: string }>()
const emit = defineEmits<{ made: [model: ModelSheet] }>()
const { sending, problem, run } = useSending()

const usualKind: Readonly<Partial<Record<Family, keyof typeof kindWords>>> = {
  'tripod-refractor': 'refractor',
  'equatorial-maksutov': 'maksutov',
}
const form = ref({
  family: 'tabletop-reflector' as Family,
  kind: 'newtonian' as keyof typeof kindWords,
  apertureMm: null as number | null,
  focalLengthMm: null as number | null,
  low: null as number | null,
  high: null as number | null,
  name: '',
})
const named = ref(false)
const tried = ref(false)
const familyChoices = Object.entries(families) as [Family, string][]
watch(
  () => form.value.family,
  (family) => (form.value.kind = usualKind[family] ?? 'newtonian'),
)
/** Named after what it is, until somebody names it. */
const usualName = computed(() => {
  const { family, apertureMm, focalLengthMm } = form.value
  return apertureMm && focalLengthMm ? `${families[family]} ${apertureMm}/${focalLengthMm}` : ''
})
watch(usualName, (name) => {
  if (!named.value) form.value.name = name
})
const body = computed(() => {
  const { low, high, ...rest } = form.value
  return { ...rest, branchId, eyepiecesMm: [low, high].filter((mm) => mm !== null && mm > 0) }
})
const wrong = computed<Record<string, string>>(() =>
  tried.value ? fieldProblems(newModelSchema.omit({ idempotencyKey: true }), body.value) : {},
)
async function make() {
  tried.value = true
  if (Object.keys(wrong.value).length > 0) return
  await run(async (idempotencyKey) => {
    emit('made', await api.post(modelSheetSchema, '/api/models', { ...body.value, idempotencyKey }))
  })
}
</script>

<template>
  <form class="new-model" aria-label="New model" @submit.prevent="make">
    <label class="labelled">
      <span>family</span>
      <ElSelect v-model="form.family" aria-label="family">
        <ElOption v-for="[key, words] in familyChoices" :key="key" :value="key" :label="words" />
      </ElSelect>
    </label>
    <label class="labelled">
      <span>tube</span>
      <ElSelect v-model="form.kind" aria-label="kind of tube">
        <ElOption v-for="(words, key) in kindWords" :key="key" :value="key" :label="words" />
      </ElSelect>
    </label>
    <FigureField v-model="form.apertureMm" label="aperture, mm" name="aperture" :problem="wrong.apertureMm" />
    <FigureField
      v-model="form.focalLengthMm"
      label="focal length, mm"
      name="focal-length"
      :problem="wrong.focalLengthMm"
    />
    <FigureField v-model="form.low" label="eyepiece with the highest number, mm" name="low-eyepiece" />
    <FigureField v-model="form.high" label="second eyepiece, mm" name="second-eyepiece" />
    <label class="labelled wide"
      ><span>name</span><ElInput v-model="form.name" maxlength="120" name="model-name" @input="named = true" /><i
        v-if="wrong.name"
        class="rust"
        >{{ wrong.name }}</i
      ></label
    >
    <ProblemNote class="wide" :problem="problem" @retry="make" />
    <p class="wide">
      <ElButton type="primary" native-type="submit" :disabled="sending">Make the model</ElButton>
      <span class="second"> Its card begins as such kits usually are; every line can be changed.</span>
    </p>
  </form>
</template>

<style scoped>
.new-model {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 260px));
  gap: 12px 16px;
  align-items: end;
  margin: 14px 0;
}

.wide {
  grid-column: 1 / -1;
  max-width: 536px;
}
</style>
