<script setup lang="ts">
import { branchFieldsSchema, branchesSchema, type BranchFields, type BranchView } from '@binoculum/contract'
import { computed, ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import { fieldProblems } from '../../shared/field-problems.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from '../people/session.ts'
import SetupTabs from './SetupTabs.vue'
import UnlinkingForm from './UnlinkingForm.vue'

/** Lending places of the programme, and what is decided for each. */
const session = useSession()
const { data, problem, reload } = useLoaded(branchesSchema, '/api/branches')
const { sending, problem: refusal, run } = useSending()
const zones: readonly string[] = Intl.supportedValuesOf('timeZone')
const blank = (): BranchFields => ({
  name: '',
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  emergencyLine: '',
  currency: data.value?.branches[0]?.currency ?? 'EUR',
  loanDays: 14,
  returnTime: '17:00',
  frontFilters: 'stay-here',
})
const open = ref<{ id: string | null; fields: BranchFields } | null>(null)
const tried = ref(false)
const wrong = computed<Record<string, string>>(() =>
  tried.value && open.value ? fieldProblems(branchFieldsSchema, open.value.fields) : {},
)
function edit(branch: BranchView | null) {
  tried.value = false
  if (branch === null) return void (open.value = { id: null, fields: blank() })
  const { id, mayChange: _mayChange, ...fields } = branch
  open.value = { id, fields }
}
async function keep() {
  tried.value = true
  const given = open.value
  if (!given || Object.keys(wrong.value).length > 0) return
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
  <main class="page branches">
    <SetupTabs />
    <h1>Branches</h1>
    <ProblemNote :problem="problem" @retry="reload" />
    <ul v-if="data">
      <li v-for="branch in data.branches" :key="branch.id">
        <div>
          <p>
            <strong class="serif">{{ branch.name }}</strong> <span class="quiet">{{ branch.zone }}</span>
          </p>
          <p class="second">
            {{ branch.loanDays }} days, back by {{ branch.returnTime }} · front filters
            {{ branch.frontFilters === 'lent' ? 'are lent' : 'stay here' }} · {{ branch.emergencyLine }}
          </p>
        </div>
        <ElButton v-if="branch.mayChange" @click="edit(branch)">Change</ElButton>
      </li>
    </ul>
    <p v-if="session.coordinates.length > 0 && !open"><ElButton @click="edit(null)">Add a branch</ElButton></p>
    <form v-if="open" :aria-label="open.id ? 'Change the branch' : 'New branch'" @submit.prevent="keep">
      <label class="labelled"
        ><span>name</span><ElInput v-model="open.fields.name" maxlength="200" name="branch-name" /><i
          v-if="wrong.name"
          class="rust"
          >{{ wrong.name }}</i
        ></label
      >
      <label class="labelled">
        <span>time zone</span>
        <ElSelect v-model="open.fields.zone" filterable aria-label="time zone">
          <ElOption v-for="zone in zones" :key="zone" :value="zone" :label="zone" />
        </ElSelect>
      </label>
      <label class="labelled wide"
        ><span>emergency line, as guides say it</span
        ><ElInput v-model="open.fields.emergencyLine" maxlength="200" name="emergency-line" /><i
          v-if="wrong.emergencyLine"
          class="rust"
          >{{ wrong.emergencyLine }}</i
        ></label
      >
      <label class="labelled"
        ><span>currency</span><ElInput v-model="open.fields.currency" maxlength="3" name="currency" /><i
          v-if="wrong.currency"
          class="rust"
          >{{ wrong.currency }}</i
        ></label
      >
      <label class="labelled"
        ><span>days of a loan</span
        ><ElInputNumber v-model="open.fields.loanDays" :min="1" :max="365" aria-label="days of a loan"
      /></label>
      <label class="labelled"
        ><span>back by</span><ElInput v-model="open.fields.returnTime" maxlength="5" name="return-time" /><i
          v-if="wrong.returnTime"
          class="rust"
          >{{ wrong.returnTime }}</i
        ></label
      >
      <label class="labelled">
        <span>full-aperture front filters</span>
        <ElSelect v-model="open.fields.frontFilters" aria-label="full-aperture front filters">
          <ElOption value="stay-here" label="stay here" />
          <ElOption value="lent" label="are lent, held against a lamp before each loan" />
        </ElSelect>
      </label>
      <p class="wide second">
        Filters that screw into an eyepiece are never lent, whatever is decided here. Local rules come first.
      </p>
      <ProblemNote class="wide" :problem="refusal" @retry="keep" />
      <p class="wide">
        <ElButton type="primary" native-type="submit" :disabled="sending">Keep it</ElButton>
        <ElButton link type="primary" @click="open = null">Leave it</ElButton>
      </p>
    </form>
    <UnlinkingForm />
  </main>
</template>

<style scoped>
.branches {
  max-width: 900px;
}

ul {
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 16px;
  align-items: center;
  padding: 10px 0;
  border-bottom: 1px solid var(--rule);
}

form {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 320px));
  gap: 12px 16px;
  align-items: end;
  margin: 14px 0;
}

.serif {
  font-size: 20px;
  font-weight: 400;
}

.wide {
  grid-column: 1 / -1;
}

i {
  font-style: normal;
  font-size: 13px;
}
</style>
