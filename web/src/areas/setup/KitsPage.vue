<script setup lang="ts">
import { newKitSchema, kitSheetSchema, modelListSchema, shelfSchema, type ModelSheet } from '@binoculum/contract'
import { sampleList } from '@binoculum/core'
import { z } from 'zod'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import SchemaField from '../../shared/controls/SchemaField.vue'
import SchemaForm from '../../shared/controls/SchemaForm.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from '../people/session.ts'
import KitsThere from './KitsThere.vue'
import NewModelForm from './models/NewModelForm.vue'
import SetupTabs from './SetupTabs.vue'
import { setupWords } from './words.ts'

const t = setupWords('kitsPage')

/** Kits from nothing: choose or make a model, give the copy its code, and go through it once. */
const router = useRouter()
const session = useSession()
const { data: models, reload } = useLoaded(modelListSchema, '/api/models')
const { data: shelf } = useLoaded(shelfSchema, '/api/kits')
const { sending, problem, run } = useSending()
const branches = computed(() => session.current?.memberships.filter(({ role }) => role === 'coordinator') ?? [])
const makesModel = ref(false)
const form = ref({ branchId: branches.value[0]?.branchId ?? '', modelId: '', code: '', name: '', place: '' })
watch(branches, ([first]) => (form.value.branchId ||= first?.branchId ?? ''))
const chosen = computed(() => models.value?.models.find(({ id }) => id === form.value.modelId) ?? null)
/** The contract's own rules; no model chosen is said in plain words. */
const kitSchema = newKitSchema
  .omit({ idempotencyKey: true })
  .extend({ modelId: z.string().min(1, t('chooseAModelOrMake')) })
const sample = URL.createObjectURL(new Blob(['\uFEFF', sampleList()], { type: 'text/csv' }))

async function modelMade(model: ModelSheet) {
  makesModel.value = false
  await reload()
  form.value.modelId = model.id
}
async function make() {
  await run(async (idempotencyKey) => {
    const kit = await api.post(kitSheetSchema, '/api/kits', { ...form.value, idempotencyKey })
    await router.push(`/kits/${encodeURIComponent(kit.code)}`)
  })
}
</script>

<template>
  <main class="page max-w-900px">
    <SetupTabs />
    <h1>{{ t('kits') }}</h1>
    <p v-if="branches.length === 0" class="quiet">{{ t('coordinatorsMakeKitsHereYours') }}</p>
    <template v-else>
      <section class="mt-22px">
        <h2>{{ t('oneKitByHand') }}</h2>
        <p class="quiet">
          {{ t('aModelSaysWhatSuch') }}
        </p>
        <NewModelForm v-if="makesModel" :branch-id="form.branchId" @made="modelMade" />
        <SchemaForm v-else :schema="kitSchema" :value="form" :label="t('newKit')" @send="make">
          <SchemaField :label="t('model')" path="modelId">
            <ElSelect v-model="form.modelId" filterable :aria-label="t('model')" :placeholder="t('chooseAModel')">
              <ElOption
                v-for="model in models?.models ?? []"
                :key="model.id"
                :value="model.id"
                :label="t('nameParts', { name: model.name, parts: model.parts })"
              />
            </ElSelect>
          </SchemaField>
          <p class="beside flex gap-12px items-center">
            <ElButton @click="makesModel = true">{{ t('itIsANewModel') }}</ElButton>
            <RouterLink v-if="chosen" :to="`/setup/models/${chosen.id}`">{{ t('editItsCard') }}</RouterLink>
          </p>
          <SchemaField :label="t('codeOnItsLabel')" path="code"
            ><ElInput v-model="form.code" maxlength="40" name="kit-code"
          /></SchemaField>
          <SchemaField :label="t('name')" path="name"
            ><ElInput v-model="form.name" maxlength="200" name="kit-name"
          /></SchemaField>
          <SchemaField :label="t('whereItStands')" path="place"
            ><ElInput v-model="form.place" maxlength="200" name="kit-place"
          /></SchemaField>
          <SchemaField v-if="branches.length > 1" :label="t('branch')" path="branchId">
            <ElSelect v-model="form.branchId" :aria-label="t('branch')">
              <ElOption
                v-for="branch in branches"
                :key="branch.branchId"
                :value="branch.branchId"
                :label="branch.branchName"
              />
            </ElSelect>
          </SchemaField>
          <ProblemNote class="wide" :problem="problem" @retry="make" />
          <p class="wide">
            <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('makeTheKit') }}</ElButton>
          </p>
        </SchemaForm>
      </section>
      <section class="mt-22px">
        <h2>{{ t('aWholeListAtOnce') }}</h2>
        <p>
          <RouterLink to="/setup/bring-in">{{ t('bringInAList') }}</RouterLink> {{ t('youHaveAsItIs') }}
          <a :href="sample" download="sample-kits.csv">{{ t('aSampleToFillIn') }}</a>{{ t('twoKitsALineFor') }}
        </p>
      </section>
      <section v-if="shelf && shelf.kits.length > 0" class="mt-22px">
        <h2>
          {{ t('kitsThereAre') }} <em>{{ t('renameMoveAndNoteOn') }}</em>
        </h2>
        <KitsThere :kits="shelf.kits" />
      </section>
    </template>
  </main>
</template>
