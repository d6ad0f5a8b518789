<script setup lang="ts">
import { modelListSchema } from '@binoculum/contract'
import { families } from '@binoculum/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import { useSession } from '../../people/session.ts'
import SetupTabs from '../SetupTabs.vue'
import NewModelForm from './NewModelForm.vue'
import { setupWords } from '../words.ts'

const t = setupWords('modelsPage')

const router = useRouter()
const session = useSession()
const branchId = computed(() => session.coordinates[0] ?? '')
const makes = ref(false)
const { data, problem, reload } = useLoaded(modelListSchema, '/api/models')
const kitWords = (kits: readonly string[]) =>
  kits.length === 0
    ? t('noKitYet')
    : kits.length > 5
      ? t('andMore', { kits: kits.slice(0, 4).join(', '), others: kits.length - 4 })
      : kits.join(', ')
</script>

<template>
  <main class="page">
    <SetupTabs />
    <h1>{{ t('models') }}</h1>
    <p class="quiet">
      {{ t('whatTheKitsOfA') }}
    </p>
    <ProblemNote :problem="problem" @retry="reload" />
    <p v-if="branchId && !makes">
      <ElButton @click="makes = true">{{ t('newModel') }}</ElButton>
    </p>
    <NewModelForm v-if="makes" :branch-id="branchId" @made="({ id }) => router.push(`/setup/models/${id}`)" />
    <p v-if="data && data.models.length === 0">
      {{ t('noModelYetMakeOne') }} <RouterLink to="/setup/bring-in">{{ t('bringInAList') }}</RouterLink>{{
        t('eachKitBringsItsModel')
      }}
    </p>
    <ul v-if="data" class="max-w-980px mx-0 mt-14px mb-0 p-0 list-none">
      <li
        v-for="model in data.models"
        :key="model.id"
        class="grid grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)_80px_minmax(0,1.6fr)] gap-16px items-baseline py-7px px-0 line-b-rule max-[700px]:grid-cols-[minmax(0,1fr)_80px] max-[700px]:gap-y-0"
      >
        <RouterLink :to="`/setup/models/${model.id}`" class="serif text-19px">{{ model.name }}</RouterLink>
        <span class="second">{{ families[model.family] }}</span>
        <span>{{ t('partsParts', { parts: model.parts }) }}</span>
        <span class="quiet">{{ kitWords(model.kits) }}</span>
      </li>
    </ul>
  </main>
</template>
