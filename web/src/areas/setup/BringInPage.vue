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
import { setupWords } from './words.ts'

const t = setupWords('bringInPage')

const KITS_SHOWN = 60

const session = useSession()
const branches = computed(() => session.current?.memberships.filter(({ role }) => role === 'coordinator') ?? [])
const branchId = ref(branches.value[0]?.branchId ?? '')
const list = useBringIn(() => branchId.value)
const { preview, choices, ready, result, progress } = list
const archive = useSending()
const archived = ref<{ kits: string[] } | null>(null)

const delimiterWords: Record<string, string> = { ',': t('commas'), ';': t('semicolons'), '\t': t('tabs') }
const stateWords = {
  new: t('new'),
  changes: t('isHereAndChanges'),
  same: t('isHereJustSo'),
  elsewhere: t('anotherBranchUsesThisCode'),
} as const
const isListFile = (file: File) => !file.name.endsWith('.json')
const comingIn = computed(() => ready.value.filter(({ code }) => list.isNew(code)))
const changing = computed(() => ready.value.filter(({ code }) => list.kitOf(code)?.state === 'changes'))
const held = computed(() => comingIn.value.filter(({ code }) => list.kitOf(code)?.held))
const named = (all: readonly { name: string }[]) =>
  all.length > 4 ? t('allKits', { all: all.length }) : all.map(({ name }) => name).join(', ')
const parts = computed(() => comingIn.value.reduce((sum, { code }) => sum + (list.kitOf(code)?.partCount ?? 0), 0))
const firstToDo = computed(() => {
  const asked = list.undecided.value.length
  if (asked > 0) return t('thingsFirst', { n: asked })
  if (list.badRows.value.length > 0 && !list.leaveOut.value) return t('rowsThatCantBeRead')
  if (list.incomplete.value.length > 0) return t('tubeOfMissing', { code: list.incomplete.value[0]?.code })
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
        <h1>{{ t('bringInAList') }}</h1>
        <p v-if="preview" class="quiet">
          {{
            t('rowsDecimalNothingIsWritten', {
              fileName: list.file.value?.fileName,
              rowCount: preview.rowCount,
              delimiterWords: delimiterWords[preview.delimiter],
              decimal: preview.decimal === ',' ? t('commas') : t('points'),
              titleLines:
                preview.titleLines > 0 ? t('linesAboveTheHeadingsLeft', { titleLines: preview.titleLines }) : '',
              columnsRemembered: preview.columnsRemembered ? t('columnsAsLastTime') : '',
            })
          }}
        </p>
        <p v-else-if="branches.length > 0" class="flex gap-18px ml-auto max-[760px]:ml-0">
          <a :href="`/api/lists/export?branchId=${branchId}`" download>{{ t('allKitsAsCsv') }}</a>
          <a :href="`/api/archive?branchId=${branchId}`" download>{{ t('archiveAsJson') }}</a>
        </p>
      </header>

      <p v-if="branches.length === 0" class="problem">{{ t('onlyACoordinatorBringsLists') }}</p>

      <section v-else-if="result" class="grid gap-12px justify-items-start">
        <h2>
          {{ t('kitsAreInWithParts', { n: result.kitCodes.length, partCount: result.partCount }) }}
        </h2>
        <p v-if="result.updated.length > 0">
          {{
            t('broughtUpToDate', {
              updated: result.updated.slice(0, 20).join(', '),
              more: result.updated.length > 20 ? ' …' : '',
            })
          }}
        </p>
        <p v-if="result.same.length > 0" class="quiet">{{ t('wereJustSoAlready', { same: result.same.length }) }}</p>
        <p v-if="result.spares > 0">{{ t('partsWentIntoTheDrawer', { spares: result.spares }) }}</p>
        <p v-for="failure in result.failed" :key="failure.code" class="rust">
          {{ t('didNotComeIn', { code: failure.code, message: failure.message }) }}
        </p>
        <p v-if="result.kitCodes.length > 0">{{ t('theyWaitAtTheBench') }}</p>
        <p class="flex flex-wrap gap-8px">
          <RouterLink
            v-for="code in result.kitCodes.slice(0, 24)"
            :key="code"
            :to="`/kits/${encodeURIComponent(code)}`"
            class="button"
            >{{ code }}</RouterLink
          >
        </p>
        <ElButton link @click="list.startOver">{{ t('anotherList') }}</ElButton>
      </section>

      <template v-else>
        <div
          v-if="!preview"
          class="grid gap-10px justify-items-start max-w-640px p-28px line-dashed-rule-strong rd-4px bg-card"
        >
          <span class="serif text-24px">{{ t('aCsvFileAsIt') }}</span>
          <span class="quiet"> {{ ' ' }}{{ t('oneRowForEachPart') }}{{ ' ' }} </span>
          <label v-if="branches.length > 1" class="labelled">
            <span>{{ t('into') }}</span>
            <ElSelect v-model="branchId" class="w-260px" :aria-label="t('into')">
              <ElOption
                v-for="branch in branches"
                :key="branch.branchId"
                :value="branch.branchId"
                :label="branch.branchName"
              />
            </ElSelect>
          </label>
          <FileButton accept=".csv,.txt,.tsv,.json,text/csv" name="list" @take="choose">{{
            t('chooseAFile')
          }}</FileButton>
          <p v-if="archived" role="status">{{ t('kitsCameInFromThe', { kits: archived.kits.length }) }}</p>
        </div>
        <ProblemNote :problem="list.problem.value ?? archive.problem.value" @retry="list.look" />
        <template v-if="preview">
          <p v-if="preview.missingColumns.length > 0" class="problem">
            {{
              t('noColumnHoldsSayBelow', {
                missingColumns: preview.missingColumns.map((field) => listFields[field]).join(', '),
              })
            }}
          </p>
          <div class="columns grid grid-cols-[minmax(0,1fr)_370px] gap-24px items-start">
            <div>
              <ListSheet :preview="preview" @column="list.setColumn" />
              <ListWords v-if="preview.words.length > 0" :words="preview.words" />
            </div>
            <aside class="grid gap-8px">
              <template v-if="preview.questions.length > 0">
                <h2>
                  {{ t('thingsNeedYou', { n: preview.questions.length }) }}
                  <em>{{
                    t('questionsDone', { questions: preview.questions.length - list.undecided.value.length })
                  }}</em>
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
                  {{ t('cellsCantBeRead', { n: preview.problems.length }) }}
                </h2>
                <ol class="m-0 pl-18px text-rust text-14px">
                  <li v-for="(each, index) in preview.problems.slice(0, 20)" :key="index">{{ each.sentence }}</li>
                </ol>
                <ElCheckbox v-model="list.openCells.value" @change="list.look">{{
                  t('bringThePartsInAnd')
                }}</ElCheckbox>
                <ElCheckbox v-if="list.badRows.value.length > 0" v-model="list.leaveOut.value">{{
                  t('leaveTheseRowsOutOr')
                }}</ElCheckbox>
              </template>
              <h2>{{ t('whatWouldComeIn') }}</h2>
              <section
                v-for="choice in choices.slice(0, KITS_SHOWN)"
                :key="choice.code"
                class="kit"
                :aria-label="choice.code"
              >
                <ElCheckbox v-model="choice.chosen" :disabled="list.kitOf(choice.code)?.state === 'elsewhere'">
                  <strong>{{ choice.code }}</strong>
                  {{
                    t('partCountParts', {
                      partCount: list.kitOf(choice.code)?.partCount,
                      massG: massText(list.kitOf(choice.code)?.massG ?? 0),
                    })
                  }}
                  <span v-if="!list.isNew(choice.code)" class="second">{{
                    stateWords[list.kitOf(choice.code)?.state ?? 'same']
                  }}</span>
                </ElCheckbox>
                <ul v-if="list.kitOf(choice.code)?.state === 'changes'" class="changes second">
                  <li v-for="change in list.kitOf(choice.code)?.changes.slice(0, 8)" :key="change">{{ change }}</li>
                </ul>
                <template v-if="choice.chosen && list.isNew(choice.code)">
                  <label class="labelled"
                    ><span>{{ t('name') }}</span
                    ><ElInput v-model="choice.name" required
                  /></label>
                  <label class="labelled">
                    <span>{{ t('family') }}</span>
                    <ElSelect
                      v-model="choice.family"
                      :aria-label="t('family')"
                      @change="choice.familyGuessed = false"
                    >
                      <ElOption
                        v-for="(words, family) in families"
                        :key="family"
                        :value="family"
                        :label="words"
                      /> </ElSelect
                    ><ElCheckbox
                      :model-value="!choice.familyGuessed"
                      @update:model-value="choice.familyGuessed = !$event"
                      >{{ t('lookedItIsSo') }}</ElCheckbox
                    >
                  </label>
                  <div class="grid grid-cols-[1fr_1fr] gap-10px">
                    <label class="labelled"
                      ><span>{{ t('aperture') }}</span
                      ><FigureInput v-model="choice.apertureMm" :label="t('aperture2')" unit="mm"
                    /></label>
                    <label class="labelled"
                      ><span>{{ t('focalLength') }}</span
                      ><FigureInput v-model="choice.focalLengthMm" :label="t('focalLength2')" unit="mm"
                    /></label>
                  </div>
                </template>
              </section>
              <p v-if="choices.length > KITS_SHOWN" class="quiet">
                {{ t('andMoreKits', { choices: choices.length - KITS_SHOWN }) }}
              </p>
              <ElButton link @click="list.startOver">{{ t('anotherFile') }}</ElButton>
            </aside>
          </div>
        </template>
      </template>
    </div>

    <footer v-if="preview && !result" class="night-bar">
      <p class="serif">{{ t('willComeIn') }}</p>
      <ConditionMoon condition="half" :size="24" />
      <span
        ><b>{{ named(comingIn) || t('nothingNew') }}</b
        ><br /><span class="second">{{ t('partsNotCountedYet', { parts }) }}</span></span
      >
      <template v-if="held.length > 0">
        <ConditionMoon condition="new" :size="24" />
        <span
          ><b>{{ named(held) }}</b
          ><br /><span class="second">{{ t('heldScrewInSunFilter') }}</span></span
        >
      </template>
      <span
        ><b>{{
          changing.length === 0
            ? t('noKitOfYoursChanges')
            : t('changingChange', { changing: named(changing), n: changing.length })
        }}</b
        ><br /><span class="second">{{
          preview.spares > 0 ? t('partsIntoTheDrawer', { spares: preview.spares }) : ''
        }}</span></span
      >
      <span v-if="progress" class="progress flex gap-10px items-center" role="status">
        <progress
          class="w-150px [accent-color:var(--lit)]"
          :value="progress.done"
          :max="progress.total"
          :aria-label="t('bringingIn')"
        ></progress>
        {{ t('doneOf', { done: progress.done, total: progress.total }) }}
      </span>
      <ElButton v-else-if="firstToDo" class="bar-button last" @click="showFirst">
        <b>{{ firstToDo }}</b>
      </ElButton>
      <ElButton
        :class="['bar-button', { ready: list.complete.value, last: !firstToDo && !progress }]"
        :disabled="!list.complete.value || list.sending.value"
        @click="list.bringIn"
      >
        <b>{{ t('bringIn') }}</b>
      </ElButton>
    </footer>
  </main>
</template>

<style scoped src="./bring-in-page.css"></style>
