<script setup lang="ts">
import { newModelSchema, modelSheetSchema, type ModelSheet } from '@binoculum/contract'
import { families, type Family } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { api } from '../../../shared/api/client.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import SchemaField from '../../../shared/controls/SchemaField.vue'
import SchemaForm from '../../../shared/controls/SchemaForm.vue'
import ProblemNote from '../../../shared/ProblemNote.vue'
import { kindWords } from './kind-words.ts'
import { setupWords } from '../words.ts'

const t = setupWords('newModelForm')

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
const figures = [
  { key: 'apertureMm', path: 'apertureMm', label: t('apertureMm'), name: 'aperture' },
  { key: 'focalLengthMm', path: 'focalLengthMm', label: t('focalLengthMm'), name: 'focal-length' },
  { key: 'low', path: 'eyepiecesMm.0', label: t('eyepieceWithTheHighestNumber'), name: 'low-eyepiece' },
  { key: 'high', path: 'eyepiecesMm.1', label: t('secondEyepieceMm'), name: 'second-eyepiece' },
] as const
const modelSchema = newModelSchema.omit({ idempotencyKey: true })
async function make() {
  await run(async (idempotencyKey) => {
    emit('made', await api.post(modelSheetSchema, '/api/models', { ...body.value, idempotencyKey }))
  })
}
</script>

<template>
  <SchemaForm :schema="modelSchema" :value="body" :label="t('newModel')" @send="make">
    <SchemaField :label="t('family')" path="family">
      <ElSelect v-model="form.family" :aria-label="t('family')">
        <ElOption v-for="[key, words] in familyChoices" :key="key" :value="key" :label="words" />
      </ElSelect>
    </SchemaField>
    <SchemaField :label="t('tube')" path="kind">
      <ElSelect v-model="form.kind" :aria-label="t('kindOfTube')">
        <ElOption v-for="(words, key) in kindWords" :key="key" :value="key" :label="words" />
      </ElSelect>
    </SchemaField>
    <SchemaField v-for="{ key, path, label, name } in figures" :key="key" :label="label" :path="path">
      <ElInputNumber
        v-model="form[key]"
        class="figure w-full"
        :controls="false"
        :name="name"
        :value-on-clear="null"
        align="left"
      />
    </SchemaField>
    <SchemaField class="wide" :label="t('name')" path="name"
      ><ElInput v-model="form.name" maxlength="120" name="model-name" @input="named = true"
    /></SchemaField>
    <ProblemNote class="wide" :problem="problem" @retry="make" />
    <p class="wide">
      <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('makeTheModel') }}</ElButton>
      <span class="second"> {{ ' ' }}{{ t('itsCardBeginsAsSuch') }}</span>
    </p>
  </SchemaForm>
</template>
