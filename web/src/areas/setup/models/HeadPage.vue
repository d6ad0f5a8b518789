<script setup lang="ts">
import { writeHeadSchema, type ModelSheet, type WriteHead } from '@binoculum/contract'
import { families, type Family } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import { fieldProblems } from '../../../shared/field-problems.ts'
import type { Loose } from '../../../shared/loose.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import SetupTabs from '../SetupTabs.vue'
import FigureField from './FigureField.vue'
import { kindWords } from './kind-words.ts'
import KeptFormNote from './KeptFormNote.vue'
import ModelTabs from './ModelTabs.vue'
import { useKeptForm } from './use-kept-form.ts'

/** What a model is: name, family, tube. Steps, powers and limits hang on it. */
const route = useRoute()
const id = String(route.params.id)
const { data: sheet, problem: unreadable, reload } = useLoaded<ModelSheet>(`/api/models/${id}`)
const { sending, problem, run } = useSending()

type Form = Loose<Omit<WriteHead, 'version'>>
const form = ref<Form | null>(null)
const tried = ref(false)
const kept = ref(false)
const page = useKeptForm<Form>(`head ${id}`, form)
watch(sheet, (given) => {
  if (!given) return
  const { name, family, optics, version } = given
  const { apertureMm, focalLengthMm, kind, collapsible, focuserFemaleMm = null } = optics
  page.begin({ name, family, apertureMm, focalLengthMm, kind, collapsible, focuserFemaleMm }, version)
})
watch(form, () => (kept.value = false), { deep: true })
const body = computed(() => ({ version: sheet.value?.version ?? 0, ...form.value }))
const wrong = computed<Record<string, string>>(() => (tried.value ? fieldProblems(writeHeadSchema, body.value) : {}))
const mayChange = computed(() => sheet.value?.mayChange ?? false)
const guessed = computed(() => sheet.value?.optics.guessed ?? [])
const familyChoices = Object.entries(families) as [Family, string][]

async function save() {
  tried.value = true
  const read = writeHeadSchema.safeParse(body.value)
  if (!read.success) return
  const went = await run(async () => {
    const answer = await api.put<ModelSheet>(`/api/models/${id}/head`, read.data)
    page.done()
    sheet.value = answer
  })
  kept.value = went
}
</script>

<template>
  <main class="head">
    <div class="page">
      <SetupTabs />
      <ProblemNote :problem="unreadable" @retry="reload" />
      <template v-if="sheet && form">
        <ModelTabs :model-id="id" :name="sheet.name" />
        <ProblemNote :problem="problem" @retry="reload" />
        <KeptFormNote :page="page" />
        <p v-if="guessed.length > 0" class="rust">
          Only guessed from a list so far: {{ guessed.join(', ').replaceAll('-', ' ') }}. Look, and keep it.
        </p>
        <p v-if="!mayChange" class="quiet">Only a coordinator of every branch with such kits may change it.</p>
        <fieldset :disabled="!mayChange">
          <label class="labelled"
            ><span>name</span><ElInput v-model="form.name" maxlength="120" name="model-name" /><i
              v-if="wrong.name"
              class="rust"
              >{{ wrong.name }}</i
            ></label
          >
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
          <label class="labelled">
            <span>hole of the focuser</span>
            <ElSelect v-model="form.focuserFemaleMm" aria-label="hole of the focuser" :empty-values="[undefined]">
              <ElOption :value="null" label="nobody measured it" />
              <ElOption :value="24.5" label="24.5 mm" />
              <ElOption :value="31.75" label="31.75 mm, 1¼ inch" />
              <ElOption :value="50.8" label="50.8 mm, 2 inch" />
            </ElSelect>
          </label>
          <ElCheckbox v-model="form.collapsible">the tube slides open</ElCheckbox>
        </fieldset>
      </template>
    </div>
    <footer v-if="sheet && mayChange" class="action-bar">
      <button type="button" class="button main big" :disabled="sending" @click="save">Keep it</button>
      <span v-if="kept" class="moss" role="status">Kept for all kits of this model.</span>
      <span v-else-if="Object.keys(wrong).length > 0" class="rust" role="alert">Something can’t be used yet.</span>
    </footer>
  </main>
</template>

<style scoped>
.head {
  display: flex;
  flex: 1;
  flex-direction: column;
}

.page {
  flex: 1;
}

fieldset {
  display: grid;
  gap: 12px;
  max-width: 420px;
  margin: 12px 0;
  padding: 0;
  border: 0;
}
</style>
