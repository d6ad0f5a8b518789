<script setup lang="ts">
import { branchFieldsSchema, branchesSchema, type BranchFields, type BranchView } from '@binoculum/contract'
import { DEFAULT_DUE_CHANCE } from '@binoculum/core'
import { ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import SchemaField from '../../shared/controls/SchemaField.vue'
import SchemaForm from '../../shared/controls/SchemaForm.vue'
import { deviceZone } from '../../shared/dates.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from '../people/session.ts'
import SetupTabs from './SetupTabs.vue'
import UnlinkingForm from './UnlinkingForm.vue'
import { setupWords } from './words.ts'

const t = setupWords('branchesPage')

/** Lending places of the programme, and what is decided for each. */
const session = useSession()
const { data, problem, reload } = useLoaded(branchesSchema, '/api/branches')
const { sending, problem: refusal, run } = useSending()
const zones: readonly string[] = Intl.supportedValuesOf('timeZone')
const blank = (): BranchFields => ({
  name: '',
  zone: deviceZone,
  emergencyLine: '',
  currency: data.value?.branches[0]?.currency ?? 'EUR',
  loanDays: 14,
  returnTime: '17:00',
  frontFilters: 'stay-here',
  dueChance: DEFAULT_DUE_CHANCE,
  sameByPicture: 'mark',
})
const open = ref<{ id: string | null; fields: BranchFields } | null>(null)
function edit(branch: BranchView | null) {
  if (branch === null) return void (open.value = { id: null, fields: blank() })
  const { id, mayChange: _mayChange, ...fields } = branch
  open.value = { id, fields }
}
async function keep() {
  const given = open.value
  if (!given) return
  const done = await run(async () => {
    data.value = given.id
      ? await api.put(branchesSchema, `/api/branches/${given.id}`, given.fields)
      : await api.post(branchesSchema, '/api/branches', given.fields)
  })
  if (!done) return
  open.value = null
  await session.refresh()
}
</script>

<template>
  <main class="page max-w-900px">
    <SetupTabs />
    <h1>{{ t('branches') }}</h1>
    <ProblemNote :problem="problem" @retry="reload" />
    <ul v-if="data" class="p-0 list-none">
      <li
        v-for="branch in data.branches"
        :key="branch.id"
        class="grid grid-cols-[minmax(0,1fr)_auto] gap-y-0 gap-x-16px items-center py-10px px-0 line-b-rule"
      >
        <div>
          <p class="flex flex-wrap gap-x-8px items-baseline">
            <strong class="serif text-20px fw-400">{{ branch.name }}</strong>
            <span class="quiet">{{ branch.zone }}</span>
          </p>
          <p class="second">
            {{
              t('daysBackByFrontFilters', {
                loanDays: branch.loanDays,
                returnTime: branch.returnTime,
                frontFilters: branch.frontFilters === 'lent' ? t('areLent') : t('stayHere'),
                emergencyLine: branch.emergencyLine,
              })
            }}
          </p>
        </div>
        <ElButton v-if="branch.mayChange" @click="edit(branch)">{{ t('change') }}</ElButton>
      </li>
    </ul>
    <p v-if="data && session.coordinates.length > 0 && !open">
      <ElButton @click="edit(null)">{{ t('addABranch') }}</ElButton>
    </p>
    <SchemaForm
      v-if="open"
      :key="open.id ?? ''"
      :schema="branchFieldsSchema"
      :value="open.fields"
      :label="open.id ? t('changeTheBranch') : t('newBranch')"
      @send="keep"
    >
      <SchemaField :label="t('name')" path="name"
        ><ElInput v-model="open.fields.name" maxlength="200" name="branch-name"
      /></SchemaField>
      <SchemaField :label="t('timeZone')" path="zone">
        <ElSelect v-model="open.fields.zone" filterable :aria-label="t('timeZone')">
          <ElOption v-for="zone in zones" :key="zone" :value="zone" :label="zone" />
        </ElSelect>
      </SchemaField>
      <SchemaField class="wide" :label="t('emergencyLineAsGuidesSay')" path="emergencyLine"
        ><ElInput v-model="open.fields.emergencyLine" maxlength="200" name="emergency-line"
      /></SchemaField>
      <SchemaField :label="t('currency')" path="currency"
        ><ElInput v-model="open.fields.currency" maxlength="3" name="currency"
      /></SchemaField>
      <SchemaField :label="t('daysOfALoan')" path="loanDays"
        ><ElInputNumber v-model="open.fields.loanDays" :min="1" :max="365" :aria-label="t('daysOfALoan')"
      /></SchemaField>
      <SchemaField :label="t('backBy')" path="returnTime"
        ><ElInput v-model="open.fields.returnTime" maxlength="5" name="return-time"
      /></SchemaField>
      <SchemaField :label="t('fullApertureFrontFilters')" path="frontFilters">
        <ElSelect v-model="open.fields.frontFilters" :aria-label="t('fullApertureFrontFilters')">
          <ElOption value="stay-here" :label="t('stayHere')" />
          <ElOption value="lent" :label="t('areLentHeldAgainstA')" />
        </ElSelect>
      </SchemaField>
      <SchemaField :label="t('whatAPictureOfThe')" path="sameByPicture">
        <ElSelect v-model="open.fields.sameByPicture" :aria-label="t('whatAPictureOfThe')">
          <ElOption value="mark" :label="t('mayBeMarkedAtOne')" />
          <ElOption value="look" :label="t('isLookedAtAllThe')" />
        </ElSelect>
      </SchemaField>
      <SchemaField :label="t('chanceFromWhichAMirror')" path="dueChance">
        <ElInputNumber
          :model-value="Math.round(100 * open.fields.dueChance)"
          :min="5"
          :max="90"
          :aria-label="t('chanceFromWhichAMirror')"
          @change="open.fields.dueChance = ($event ?? 33) / 100"
        />
      </SchemaField>
      <p class="wide second">
        {{ t('filtersThatScrewIntoAn') }}
      </p>
      <ProblemNote class="wide" :problem="refusal" @retry="keep" />
      <p class="wide">
        <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('keepIt') }}</ElButton>
        <ElButton link type="primary" @click="open = null">{{ t('leaveIt') }}</ElButton>
      </p>
    </SchemaForm>
    <UnlinkingForm />
  </main>
</template>
