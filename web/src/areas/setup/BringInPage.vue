<script setup lang="ts">
import type { ConfirmList, ListPreview } from '@binoculum/contract'
import { families, listFields, massText, roles, type Family, type ListField } from '@binoculum/core'
import { computed, ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from '../people/session.ts'
import SetupTabs from './SetupTabs.vue'

interface Choice {
  code: string
  chosen: boolean
  name: string
  family: Family
  apertureMm: number | null
  focalLengthMm: number | null
}

const session = useSession()
const { sending, problem, run } = useSending()
const branches = computed(() => session.current?.memberships.filter(({ role }) => role === 'coordinator') ?? [])
const branchId = ref(branches.value[0]?.branchId ?? '')
const file = ref<{ fileName: string; contentBase64: string } | null>(null)
const preview = ref<ListPreview | null>(null)
const columns = ref<ListPreview['columns'] | null>(null)
const choices = ref<Choice[]>([])
const leaveOut = ref(false)
const result = ref<{ kitCodes: string[]; partCount: number } | null>(null)

const delimiterWords: Record<string, string> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs' }
const fields = Object.entries(listFields) as [ListField, string][]
const fieldAt = (index: number) => fields.find(([field]) => preview.value?.columns[field] === index)?.[0] ?? ''
const badLines = computed(() => new Set(preview.value?.problems.map(({ line }) => line)))
const ready = computed(() => choices.value.filter(({ chosen }) => chosen))
const parts = computed(
  () =>
    preview.value?.kits
      .filter(({ code }) => ready.value.some((choice) => choice.code === code))
      .reduce((sum, kit) => sum + kit.parts.length, 0) ?? 0,
)
const complete = computed(
  () =>
    ready.value.length > 0 &&
    ready.value.every(({ apertureMm, focalLengthMm, name }) => apertureMm && focalLengthMm && name.trim() !== '') &&
    (preview.value?.problems.length === 0 || leaveOut.value),
)
const kitOf = (code: string) => preview.value?.kits.find((kit) => kit.code === code)

async function read(event: Event) {
  const chosen = (event.target as HTMLInputElement).files?.[0]
  if (!chosen) return
  const bytes = new Uint8Array(await chosen.arrayBuffer())
  let binary = ''
  for (let start = 0; start < bytes.length; start += 0x8000)
    binary += String.fromCharCode(...bytes.subarray(start, start + 0x8000))
  file.value = { fileName: chosen.name, contentBase64: btoa(binary) }
  columns.value = null
  result.value = null
  await look()
}

async function look() {
  if (!file.value) return
  preview.value = null
  await run(async () => {
    const body = { ...file.value, ...(columns.value ? { columns: columns.value } : {}) }
    const answer = await api.post<ListPreview>('/api/lists/preview', body)
    preview.value = answer
    choices.value = answer.kits.map((kit) => ({
      code: kit.code,
      chosen: !kit.codeTaken,
      name: kit.name,
      family: kit.proposedFamily,
      apertureMm: kit.proposedTube?.apertureMm ?? null,
      focalLengthMm: kit.proposedTube?.focalLengthMm ?? null,
    }))
  })
}

/** A column holds one field, and a field stands in one column. */
async function setColumn(index: number, field: string) {
  const next = { ...(preview.value?.columns ?? {}) } as ListPreview['columns']
  for (const [name] of fields) if (next[name] === index) next[name] = null
  if (field !== '') next[field as ListField] = index
  columns.value = next
  await look()
}

async function bringIn() {
  const sent = file.value
  if (!sent || !complete.value) return
  await run(async (idempotencyKey) => {
    const body: ConfirmList = {
      ...sent,
      idempotencyKey,
      branchId: branchId.value,
      leaveOutProblemRows: leaveOut.value,
      ...(columns.value ? { columns: columns.value } : {}),
      kits: ready.value.map(({ code, name, family, apertureMm, focalLengthMm }) => ({
        code,
        name,
        family,
        apertureMm: apertureMm ?? 0,
        focalLengthMm: focalLengthMm ?? 0,
      })),
    }
    result.value = await api.post('/api/lists/confirm', body)
  })
}
</script>

<template>
  <main class="bring-in">
    <div class="page">
      <SetupTabs />
      <header>
        <h1>Bring in a list</h1>
        <p v-if="preview" class="quiet">
          {{ file?.fileName }}, {{ preview.rowCount }} rows, {{ delimiterWords[preview.delimiter] }}, decimal
          {{ preview.decimal === ',' ? 'commas' : 'points' }}. Nothing is written before you say so.
        </p>
      </header>
      <p v-if="branches.length === 0" class="problem">Only a coordinator brings lists in. Ask yours.</p>
      <section v-else-if="result" class="result">
        <h2>
          {{ result.kitCodes.length }} {{ result.kitCodes.length === 1 ? 'kit is' : 'kits are' }} in, with
          {{ result.partCount }} parts.
        </h2>
        <p>They wait at the bench: count each case once, then check it.</p>
        <p>
          <RouterLink
            v-for="code in result.kitCodes"
            :key="code"
            :to="`/kits/${encodeURIComponent(code)}`"
            class="button"
            >{{ code }}</RouterLink
          >
        </p>
        <button type="button" class="link-button" @click="((result = null), (preview = null), (file = null))">
          Another list
        </button>
      </section>
      <template v-else>
        <label v-if="!preview" class="drop">
          <span class="serif">A CSV file as it is</span>
          <span class="quiet">
            One row for each part, a kit code in every row. Commas, semicolons or tabs; g, kg, oz or lb; mm or in;
            decimal point or comma.
          </span>
          <input type="file" accept=".csv,.txt,.tsv,text/csv" aria-label="List to bring in" @change="read" />
        </label>
        <ProblemNote :problem="problem" @retry="look" />
        <template v-if="preview">
          <p v-if="preview.missingColumns.length > 0" class="problem">
            No column holds: {{ preview.missingColumns.map((field) => listFields[field]).join(', ') }}. Say below
            which one does.
          </p>
          <div class="columns">
            <div class="table">
              <table>
                <thead>
                  <tr>
                    <th></th>
                    <th v-for="(cell, index) in preview.header" :key="index">
                      <em>{{ cell }}</em>
                      <select
                        class="field"
                        :value="fieldAt(index)"
                        :aria-label="`what column ${cell} holds`"
                        @change="setColumn(index, ($event.target as HTMLSelectElement).value)"
                      >
                        <option value="">not used</option>
                        <option v-for="[field, words] in fields" :key="field" :value="field">{{ words }}</option>
                      </select>
                    </th>
                  </tr>
                </thead>
                <tbody>
                  <tr v-for="row in preview.rows" :key="row.line" :class="{ bad: badLines.has(row.line) }">
                    <td class="line">{{ row.line }}</td>
                    <td v-for="(_cell, index) in preview.header" :key="index" :title="row.cells[index]">
                      {{ row.cells[index] }}
                    </td>
                  </tr>
                </tbody>
              </table>
              <p v-if="preview.rowCount > preview.rows.length" class="quiet">
                The first {{ preview.rows.length }} rows are shown; all {{ preview.rowCount }} are read.
              </p>
            </div>
            <aside>
              <template v-if="preview.problems.length > 0">
                <h2>{{ preview.problems.length }} cells can’t be read</h2>
                <ol class="problems">
                  <li v-for="(each, index) in preview.problems.slice(0, 20)" :key="index">{{ each.sentence }}</li>
                </ol>
                <label class="check"
                  ><input v-model="leaveOut" type="checkbox" /> leave these rows out, or correct the file and choose
                  it again</label
                >
              </template>
              <h2>What would come in</h2>
              <section v-for="choice in choices" :key="choice.code" class="kit">
                <label class="check">
                  <input v-model="choice.chosen" type="checkbox" :disabled="kitOf(choice.code)?.codeTaken" />
                  <strong>{{ choice.code }}</strong> {{ kitOf(choice.code)?.parts.length }} parts,
                  {{ massText(kitOf(choice.code)?.massG ?? 0) }}
                </label>
                <p v-if="kitOf(choice.code)?.codeTaken" class="rust">
                  This code is in use. Give the kit another one in the file.
                </p>
                <template v-else-if="choice.chosen">
                  <label class="labelled"><span>name</span><input v-model="choice.name" class="field" /></label>
                  <label class="labelled">
                    <span>family</span>
                    <ElSelect v-model="choice.family" aria-label="family">
                      <ElOption v-for="(words, family) in families" :key="family" :value="family" :label="words" />
                    </ElSelect>
                  </label>
                  <div class="pair">
                    <label class="labelled"
                      ><span>aperture, mm</span
                      ><input v-model.number="choice.apertureMm" class="field" type="number" min="1"
                    /></label>
                    <label class="labelled"
                      ><span>focal length, mm</span
                      ><input v-model.number="choice.focalLengthMm" class="field" type="number" min="1"
                    /></label>
                  </div>
                  <details>
                    <summary>its words, our parts</summary>
                    <p v-for="part in kitOf(choice.code)?.parts" :key="part.line" class="second">
                      {{ part.name }} → {{ roles[part.role].words }}, {{ part.criticality }},
                      {{
                        part.massG === null
                          ? 'no mass'
                          : `${part.count > 1 ? `${part.count} × ` : ''}${massText(part.massG)}`
                      }}
                    </p>
                  </details>
                </template>
              </section>
              <button type="button" class="link-button" @click="((preview = null), (file = null))">
                Another file
              </button>
            </aside>
          </div>
        </template>
      </template>
    </div>
    <footer v-if="preview && !result" class="night-bar">
      <p class="serif">Will come in</p>
      <ConditionMoon condition="half" :size="24" />
      <span
        ><b>{{ ready.map(({ name }) => name).join(', ') || 'nothing chosen' }}</b
        ><br /><span class="second">{{ parts }} parts, not counted yet; no kit of yours changes</span></span
      >
      <label v-if="branches.length > 1" class="where">
        <span class="second">to</span>
        <select v-model="branchId" class="field">
          <option v-for="branch in branches" :key="branch.branchId" :value="branch.branchId">
            {{ branch.branchName }}
          </option>
        </select>
      </label>
      <button
        type="button"
        :class="['bar-button', { ready: complete }]"
        :disabled="!complete || sending"
        @click="bringIn"
      >
        <b>Bring in</b>
      </button>
    </footer>
  </main>
</template>

<style scoped>
.bring-in {
  display: flex;
  flex: 1;
  flex-direction: column;
}

.page {
  flex: 1;
}

header {
  display: flex;
  gap: 16px;
  align-items: baseline;
  margin-bottom: 10px;
}

.drop {
  display: grid;
  gap: 10px;
  justify-items: start;
  max-width: 640px;
  padding: 28px;
  border: 1px dashed var(--rule-strong);
  border-radius: 4px;
  background: var(--card);
}

.drop .serif {
  font-size: 24px;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 350px;
  gap: 24px;
  align-items: start;
}

.table {
  max-height: calc(100vh - 240px);
  overflow: auto;
  border: 1px solid var(--rule-strong);
  background: var(--card);
}

table {
  border-collapse: collapse;
  font-size: 13.5px;
}

th {
  position: sticky;
  top: 0;
  padding: 6px;
  border-bottom: 1px solid var(--rule-strong);
  background: var(--card);
  font-weight: 400;
  text-align: left;
}

th .field {
  width: 124px;
  min-height: 28px;
  padding: 2px 4px;
  font-size: 13px;
}

td {
  max-width: 220px;
  padding: 4px 8px;
  border-right: 1px solid var(--rule);
  border-bottom: 1px solid var(--rule);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.line {
  color: var(--quiet);
}

.bad td {
  background: #f6e6df;
}

.bad .line {
  color: var(--rust);
  font-weight: 640;
}

aside {
  display: grid;
  gap: 8px;
}

.problems {
  margin: 0;
  padding-left: 18px;
  color: var(--rust);
  font-size: 14px;
}

.kit {
  display: grid;
  gap: 6px;
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}

.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}

.check {
  display: flex;
  gap: 8px;
  align-items: flex-start;
}

.result {
  display: grid;
  gap: 12px;
  justify-items: start;
}

.where {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-left: auto;
}

.where .field {
  min-height: 34px;
}

.bar-button {
  margin-left: 8px;
}
</style>
