<script setup lang="ts">
import { archiveResultSchema } from '@binoculum/contract'
import { families, listFields, massText } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import FigureInput from '../../shared/controls/FigureInput.vue'
import FileButton from '../../shared/controls/FileButton.vue'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import PencilMark from '../../shared/drawings/PencilMark.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from '../people/session.ts'
import ListSheet from './ListSheet.vue'
import ListWords from './ListWords.vue'
import SetupTabs from './SetupTabs.vue'
import { useBringIn } from './use-bring-in.ts'

const KITS_SHOWN = 60

const session = useSession()
const branches = computed(() => session.current?.memberships.filter(({ role }) => role === 'coordinator') ?? [])
const branchId = ref(branches.value[0]?.branchId ?? '')
const list = useBringIn(() => branchId.value)
const { preview, choices, ready, result, progress } = list
const archive = useSending()
const archived = ref<{ kits: string[] } | null>(null)

const delimiterWords: Record<string, string> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs' }
const stateWords = {
  new: 'new',
  changes: 'is here, and changes',
  same: 'is here just so',
  elsewhere: 'another branch uses this code; give the kit another one in the file',
} as const
const isListFile = (file: File) => !file.name.endsWith('.json')
const comingIn = computed(() => ready.value.filter(({ code }) => list.isNew(code)))
const changing = computed(() => ready.value.filter(({ code }) => list.kitOf(code)?.state === 'changes'))
const held = computed(() => comingIn.value.filter(({ code }) => list.kitOf(code)?.held))
const named = (all: readonly { name: string }[]) =>
  all.length > 4 ? `${all.length} kits` : all.map(({ name }) => name).join(', ')
const parts = computed(() => comingIn.value.reduce((sum, { code }) => sum + (list.kitOf(code)?.partCount ?? 0), 0))
const firstToDo = computed(() => {
  const asked = list.undecided.value.length
  if (asked > 0) return `${asked} ${asked === 1 ? 'thing' : 'things'} first`
  if (list.badRows.value.length > 0 && !list.leaveOut.value) return 'rows that can’t be read'
  if (list.incomplete.value.length > 0) return `tube of ${list.incomplete.value[0]?.code} missing`
  return null
})

async function choose(file: File) {
  if (isListFile(file)) return list.read(file)
  await archive.run(async () => {
    const body: unknown = JSON.parse(await file.text())
    archived.value = await api.post(archiveResultSchema, `/api/archive?branchId=${branchId.value}`, body)
  })
}

function showFirst() {
  document.querySelector('.question:not(.decided), .kit .field:invalid')?.scrollIntoView({ block: 'center' })
}

watch(branchId, () => void list.look())
</script>

<template>
  <main class="flex flex-1 flex-col">
    <div class="page flex-1">
      <SetupTabs />
      <header class="flex flex-wrap gap-y-0 gap-x-16px items-baseline mb-10px">
        <h1>Bring in a list</h1>
        <p v-if="preview" class="quiet">
          {{ list.file.value?.fileName }}, {{ preview.rowCount }} rows, {{ delimiterWords[preview.delimiter] }},
          decimal {{ preview.decimal === ',' ? 'commas' : 'points'
          }}{{ preview.titleLines > 0 ? `, ${preview.titleLines} lines above the headings left out` : ''
          }}{{ preview.columnsRemembered ? ', columns as last time' : '' }}. Nothing is written before you say so.
        </p>
        <p v-else-if="branches.length > 0" class="flex gap-18px ml-auto max-[760px]:ml-0">
          <a :href="`/api/lists/export?branchId=${branchId}`" download>All kits as CSV</a>
          <a :href="`/api/archive?branchId=${branchId}`" download>Archive as JSON</a>
        </p>
      </header>

      <p v-if="branches.length === 0" class="problem">Only a coordinator brings lists in. Ask yours.</p>

      <section v-else-if="result" class="grid gap-12px justify-items-start">
        <h2>
          {{ result.kitCodes.length }} {{ result.kitCodes.length === 1 ? 'kit is' : 'kits are' }} in, with
          {{ result.partCount }} parts.
        </h2>
        <p v-if="result.updated.length > 0">
          Brought up to date: {{ result.updated.slice(0, 20).join(', ')
          }}{{ result.updated.length > 20 ? ' …' : '' }}.
        </p>
        <p v-if="result.same.length > 0" class="quiet">{{ result.same.length }} were just so already.</p>
        <p v-if="result.spares > 0">{{ result.spares }} parts went into the drawer.</p>
        <p v-for="failure in result.failed" :key="failure.code" class="rust">
          {{ failure.code }} did not come in: {{ failure.message }}
        </p>
        <p v-if="result.kitCodes.length > 0">They wait at the bench: count each case once, then check it.</p>
        <p class="flex flex-wrap gap-8px">
          <RouterLink
            v-for="code in result.kitCodes.slice(0, 24)"
            :key="code"
            :to="`/kits/${encodeURIComponent(code)}`"
            class="button"
            >{{ code }}</RouterLink
          >
        </p>
        <ElButton link @click="list.startOver">Another list</ElButton>
      </section>

      <template v-else>
        <div
          v-if="!preview"
          class="grid gap-10px justify-items-start max-w-640px p-28px line-dashed-rule-strong rd-4px bg-card"
        >
          <span class="serif text-24px">A CSV file as it is</span>
          <span class="quiet">
            One row for each part; a kit code in every row, or on the first row of each kit. Commas, semicolons or
            tabs; g, kg, oz or lb; mm or in; decimal point or comma. Or one of our archives (.json).
          </span>
          <label v-if="branches.length > 1" class="labelled">
            <span>into</span>
            <ElSelect v-model="branchId" class="w-260px" aria-label="into">
              <ElOption
                v-for="branch in branches"
                :key="branch.branchId"
                :value="branch.branchId"
                :label="branch.branchName"
              />
            </ElSelect>
          </label>
          <FileButton accept=".csv,.txt,.tsv,.json,text/csv" name="list" @take="choose">Choose a file …</FileButton>
          <p v-if="archived" role="status">{{ archived.kits.length }} kits came in from the archive.</p>
        </div>
        <ProblemNote :problem="list.problem.value ?? archive.problem.value" @retry="list.look" />
        <template v-if="preview">
          <p v-if="preview.missingColumns.length > 0" class="problem">
            No column holds: {{ preview.missingColumns.map((field) => listFields[field]).join(', ') }}. Say below
            which one does.
          </p>
          <div class="columns grid grid-cols-[minmax(0,1fr)_370px] gap-24px items-start">
            <div>
              <ListSheet :preview="preview" @column="list.setColumn" />
              <ListWords v-if="preview.words.length > 0" :words="preview.words" />
            </div>
            <aside class="grid gap-8px">
              <template v-if="preview.questions.length > 0">
                <h2>
                  {{ preview.questions.length }}
                  {{ preview.questions.length === 1 ? 'thing needs' : 'things need' }} you
                  <em>{{ preview.questions.length - list.undecided.value.length }} done</em>
                </h2>
                <section
                  v-for="(question, index) in preview.questions"
                  :key="question.key"
                  :class="['question', { decided: question.answer !== null }]"
                  :aria-label="question.title"
                >
                  <i class="number text-rust [font:italic_400_19px_var(--serif)]">{{ index + 1 }}</i>
                  <div>
                    <p>
                      <strong>{{ question.title }}</strong>
                      <PencilMark v-if="question.answer !== null" mark="present" class="[float:right]" />
                    </p>
                    <p class="second">{{ question.why }}</p>
                    <p class="answers flex flex-wrap gap-6px mt-6px">
                      <ElButton
                        v-for="answer in question.answers"
                        :key="answer.value"
                        size="small"
                        :type="question.answer === answer.value ? 'primary' : 'default'"
                        :aria-pressed="question.answer === answer.value"
                        @click="list.decide(question.key, answer.value)"
                      >
                        {{ answer.words }}
                      </ElButton>
                    </p>
                  </div>
                </section>
              </template>
              <template v-if="preview.problems.length > 0">
                <h2>
                  {{ preview.problems.length }} {{ preview.problems.length === 1 ? 'cell' : 'cells' }} can’t be read
                </h2>
                <ol class="m-0 pl-18px text-rust text-14px">
                  <li v-for="(each, index) in preview.problems.slice(0, 20)" :key="index">{{ each.sentence }}</li>
                </ol>
                <ElCheckbox v-model="list.openCells.value" @change="list.look"
                  >bring the parts in and leave these cells open</ElCheckbox
                >
                <ElCheckbox v-if="list.badRows.value.length > 0" v-model="list.leaveOut.value"
                  >leave these rows out, or correct the file and choose it again</ElCheckbox
                >
              </template>
              <h2>What would come in</h2>
              <section
                v-for="choice in choices.slice(0, KITS_SHOWN)"
                :key="choice.code"
                class="kit"
                :aria-label="choice.code"
              >
                <ElCheckbox v-model="choice.chosen" :disabled="list.kitOf(choice.code)?.state === 'elsewhere'">
                  <strong>{{ choice.code }}</strong> {{ list.kitOf(choice.code)?.partCount }} parts,
                  {{ massText(list.kitOf(choice.code)?.massG ?? 0) }}
                  <span v-if="!list.isNew(choice.code)" class="second">{{
                    stateWords[list.kitOf(choice.code)?.state ?? 'same']
                  }}</span>
                </ElCheckbox>
                <ul v-if="list.kitOf(choice.code)?.state === 'changes'" class="changes second">
                  <li v-for="change in list.kitOf(choice.code)?.changes.slice(0, 8)" :key="change">{{ change }}</li>
                </ul>
                <template v-if="choice.chosen && list.isNew(choice.code)">
                  <label class="labelled"><span>name</span><ElInput v-model="choice.name" required /></label>
                  <label class="labelled">
                    <span>family</span>
                    <ElSelect v-model="choice.family" aria-label="family" @change="choice.familyGuessed = false">
                      <ElOption
                        v-for="(words, family) in families"
                        :key="family"
                        :value="family"
                        :label="words"
                      /> </ElSelect
                    ><ElCheckbox
                      :model-value="!choice.familyGuessed"
                      @update:model-value="choice.familyGuessed = !$event"
                      >looked, it is so</ElCheckbox
                    >
                  </label>
                  <div class="grid grid-cols-[1fr_1fr] gap-10px">
                    <label class="labelled"
                      ><span>aperture</span><FigureInput v-model="choice.apertureMm" label="Aperture" unit="mm"
                    /></label>
                    <label class="labelled"
                      ><span>focal length</span
                      ><FigureInput v-model="choice.focalLengthMm" label="Focal length" unit="mm"
                    /></label>
                  </div>
                </template>
              </section>
              <p v-if="choices.length > KITS_SHOWN" class="quiet">and {{ choices.length - KITS_SHOWN }} more kits</p>
              <ElButton link @click="list.startOver">Another file</ElButton>
            </aside>
          </div>
        </template>
      </template>
    </div>

    <footer v-if="preview && !result" class="night-bar">
      <p class="serif">Will come in</p>
      <ConditionMoon condition="half" :size="24" />
      <span
        ><b>{{ named(comingIn) || 'nothing new' }}</b
        ><br /><span class="second">{{ parts }} parts, not counted yet</span></span
      >
      <template v-if="held.length > 0">
        <ConditionMoon condition="new" :size="24" />
        <span
          ><b>{{ named(held) }}</b
          ><br /><span class="second">held: screw-in sun filter</span></span
        >
      </template>
      <span
        ><b>{{
          changing.length === 0
            ? 'no kit of yours changes'
            : `${named(changing)} ${changing.length === 1 ? 'changes' : 'change'}`
        }}</b
        ><br /><span class="second">{{
          preview.spares > 0 ? `${preview.spares} parts into the drawer` : ''
        }}</span></span
      >
      <span v-if="progress" class="progress flex gap-10px items-center" role="status">
        <progress
          class="w-150px [accent-color:var(--lit)]"
          :value="progress.done"
          :max="progress.total"
          aria-label="Bringing in"
        ></progress>
        {{ progress.done }} of {{ progress.total }}
      </span>
      <ElButton v-else-if="firstToDo" class="bar-button last" @click="showFirst">
        <b>{{ firstToDo }}</b>
      </ElButton>
      <ElButton
        :class="['bar-button', { ready: list.complete.value, last: !firstToDo && !progress }]"
        :disabled="!list.complete.value || list.sending.value"
        @click="list.bringIn"
      >
        <b>Bring in</b>
      </ElButton>
    </footer>
  </main>
</template>

<style scoped src="./bring-in-page.css"></style>
