<script setup lang="ts">
import { newKitSchema, kitSheetSchema, modelListSchema, shelfSchema, type ModelSheet } from '@binoculum/contract'
import { sampleList } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import KitTag from '../../shared/drawings/KitTag.vue'
import { fieldProblems } from '../../shared/field-problems.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from '../people/session.ts'
import NewModelForm from './models/NewModelForm.vue'
import SetupTabs from './SetupTabs.vue'

/** Kits from nothing: choose or make a model, give the copy its code, and go through it once. */
const router = useRouter()
const session = useSession()
const { data: models, reload } = useLoaded(modelListSchema, '/api/models')
const { data: shelf } = useLoaded(shelfSchema, '/api/kits')
const { sending, problem, run } = useSending()
const branches = computed(() => session.current?.memberships.filter(({ role }) => role === 'coordinator') ?? [])
const makesModel = ref(false)
const tried = ref(false)
const form = ref({ branchId: branches.value[0]?.branchId ?? '', modelId: '', code: '', name: '', place: '' })
watch(branches, ([first]) => (form.value.branchId ||= first?.branchId ?? ''))
const chosen = computed(() => models.value?.models.find(({ id }) => id === form.value.modelId) ?? null)
const wrong = computed<Record<string, string>>(() => {
  if (!tried.value) return {}
  if (form.value.modelId === '') return { modelId: 'choose a model, or make one' }
  return fieldProblems(newKitSchema.omit({ idempotencyKey: true }), form.value)
})
const sample = URL.createObjectURL(new Blob(['\uFEFF', sampleList()], { type: 'text/csv' }))

async function modelMade(model: ModelSheet) {
  makesModel.value = false
  await reload()
  form.value.modelId = model.id
}
async function make() {
  tried.value = true
  if (Object.keys(wrong.value).length > 0) return
  await run(async (idempotencyKey) => {
    const kit = await api.post(kitSheetSchema, '/api/kits', { ...form.value, idempotencyKey })
    await router.push(`/kits/${encodeURIComponent(kit.code)}`)
  })
}
</script>

<template>
  <main class="page kits">
    <SetupTabs />
    <h1>Kits</h1>
    <p v-if="branches.length === 0" class="quiet">Coordinators make kits here. Yours can be found on the Shelf.</p>
    <template v-else>
      <section>
        <h2>One kit by hand</h2>
        <p class="quiet">
          A model says what such a kit is and what lies in its case. Then the copy gets its code, and is gone through
          once.
        </p>
        <NewModelForm v-if="makesModel" :branch-id="form.branchId" @made="modelMade" />
        <form v-else aria-label="New kit" @submit.prevent="make">
          <label class="labelled">
            <span>model</span>
            <ElSelect v-model="form.modelId" filterable aria-label="model" placeholder="choose a model">
              <ElOption
                v-for="model in models?.models ?? []"
                :key="model.id"
                :value="model.id"
                :label="`${model.name}, ${model.parts} parts`"
              />
            </ElSelect>
            <i v-if="wrong.modelId" class="rust">{{ wrong.modelId }}</i>
          </label>
          <p class="beside">
            <ElButton @click="makesModel = true">It is a new model</ElButton>
            <RouterLink v-if="chosen" :to="`/setup/models/${chosen.id}`">Edit its card</RouterLink>
          </p>
          <label class="labelled"
            ><span>code, on its label</span><ElInput v-model="form.code" maxlength="40" name="kit-code" /><i
              v-if="wrong.code"
              class="rust"
              >{{ wrong.code }}</i
            ></label
          >
          <label class="labelled"
            ><span>name</span><ElInput v-model="form.name" maxlength="200" name="kit-name" /><i
              v-if="wrong.name"
              class="rust"
              >{{ wrong.name }}</i
            ></label
          >
          <label class="labelled"
            ><span>where it stands</span><ElInput v-model="form.place" maxlength="200" name="kit-place"
          /></label>
          <label v-if="branches.length > 1" class="labelled">
            <span>branch</span>
            <ElSelect v-model="form.branchId" aria-label="branch">
              <ElOption
                v-for="branch in branches"
                :key="branch.branchId"
                :value="branch.branchId"
                :label="branch.branchName"
              />
            </ElSelect>
          </label>
          <ProblemNote class="wide" :problem="problem" @retry="make" />
          <p class="wide">
            <ElButton type="primary" native-type="submit" :disabled="sending">Make the kit</ElButton>
          </p>
        </form>
      </section>
      <section>
        <h2>A whole list at once</h2>
        <p>
          <RouterLink to="/setup/bring-in">Bring in a list</RouterLink> you have, as it is; or begin with
          <a :href="sample" download="sample-kits.csv">a sample to fill in</a>: two kits, a line for each part.
        </p>
      </section>
      <section v-if="shelf && shelf.kits.length > 0">
        <h2>Kits there are <em>rename, move and note on each one’s sheet</em></h2>
        <ul>
          <li v-for="kit in shelf.kits" :key="kit.id">
            <RouterLink :to="`/kits/${encodeURIComponent(kit.code)}`">{{ kit.name }}</RouterLink>&nbsp;
            <KitTag :code="kit.code" /> <span class="quiet">{{ kit.modelName }}</span>
          </li>
        </ul>
      </section>
    </template>
  </main>
</template>

<style scoped>
.kits {
  max-width: 900px;
}

section {
  margin-top: 22px;
}

form {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 320px));
  gap: 12px 16px;
  align-items: end;
  margin: 12px 0;
}

.wide {
  grid-column: 1 / -1;
}

.beside {
  display: flex;
  gap: 12px;
  align-items: center;
}

i {
  font-style: normal;
  font-size: 13px;
}

ul {
  columns: 2;
  padding: 0;
  list-style: none;
}

li {
  padding: 3px 0;
  break-inside: avoid;
}
</style>
