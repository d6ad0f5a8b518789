<script setup lang="ts">
import { printedSchema, shelfSchema, type PrintKind } from '@binoculum/contract'
import { labelSheet, type Paper } from '@binoculum/core'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ChoiceSelect from '../../shared/controls/ChoiceSelect.vue'
import KitTag from '../../shared/drawings/KitTag.vue'
import PrintedSheet from '../../shared/drawings/PrintedSheet.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import SetupTabs from './SetupTabs.vue'
import { setupWords } from './words.ts'

const t = setupWords('labelsPage')

const kinds: readonly { kind: PrintKind; words: string; aside: string }[] = [
  { kind: 'cards', words: t('contentsCards'), aside: t('onePageForTheLid') },
  { kind: 'kits', words: t('kitLabels'), aside: t('qrAndBars') },
  { kind: 'parts', words: t('partLabels'), aside: t('oneForEachPart') },
  { kind: 'pouches', words: t('pouchLabels'), aside: t('whatBelongsInside') },
  { kind: 'tapes', words: t('tapesForTheTube'), aside: t('whereTheFrontRingBelongs') },
  { kind: 'case-marks', words: t('marksForTheOpenCase'), aside: t('fourToGlueIntoIts') },
  { kind: 'finders', words: t('sheetsOfTwoMarks'), aside: t('toLineAFinderUp') },
  { kind: 'charging', words: t('chargingCards'), aside: t('toHangBesideTheCharger') },
]
const route = useRoute()
const asked = (name: string) => (typeof route.query[name] === 'string' ? route.query[name] : null)
const { data: shelf, problem } = useLoaded(shelfSchema, '/api/kits')
const kind = ref<PrintKind>(kinds.find((each) => each.kind === asked('kind'))?.kind ?? 'cards')
const paper = useLocalStorage<Paper>(t('binoculumPaper'), 'a4')
const papers = [
  { value: 'a4', words: 'A4' },
  { value: 'letter', words: t('letter') },
] as const
const first = ref(1)
const filter = ref('')
const chosen = ref(new Set(asked('kits')?.split(',') ?? []))

const kits = computed(() => {
  const wanted = filter.value.trim().toLowerCase()
  const all = shelf.value?.kits ?? []
  return all.filter(({ name, code, modelName }) => `${name} ${code} ${modelName}`.toLowerCase().includes(wanted))
})
/** Labels come on sheets of cells; all else fills its page. */
const cells: Partial<Record<PrintKind, 'code' | 'pouch'>> = { kits: 'code', parts: 'code', pouches: 'pouch' }
const sheet = computed(() => {
  const cell = cells[kind.value]
  return cell ? labelSheet(paper.value, cell) : null
})
const query = computed(() => {
  if (chosen.value.size === 0) return null
  const set = new URLSearchParams({
    kind: kind.value,
    codes: [...chosen.value].join(','),
    paper: paper.value,
    first: String(sheet.value ? first.value : 1),
  })
  return set.toString()
})
const {
  data: printed,
  problem: refusal,
  reload,
  slow,
} = useLoaded(printedSchema, () => query.value && `/api/prints?${query.value}`)
const pages = computed(() => (query.value ? (printed.value?.pages ?? []) : []))
const SHOWN_PAGES = 6

watch(shelf, (given) => {
  const own = given?.kits[0]
  if (own && chosen.value.size === 0) chosen.value = new Set([own.code])
})
watch(sheet, (given) => {
  if (given && first.value > given.columns * given.rows) first.value = 1
})

function toggle(code: string) {
  const next = new Set(chosen.value)
  if (!next.delete(code)) next.add(code)
  chosen.value = next
}
const print = () => window.print()
</script>

<template>
  <main class="page labels">
    <div class="screen-only">
      <SetupTabs />
      <h1>{{ t('labelsAndCards') }}</h1>
      <ProblemNote :problem="problem" />
    </div>
    <div
      class="columns grid grid-cols-[300px_minmax(0,1fr)] gap-32px items-start mt-10px max-[900px]:grid-cols-[minmax(0,1fr)]"
    >
      <section class="screen-only grid grid-cols-[minmax(0,1fr)] gap-10px">
        <ElRadioGroup v-model="kind" class="grid" :aria-label="t('whatToPrint')">
          <ElRadio v-for="each in kinds" :key="each.kind" class="long min-h-30px m-0 line-b-rule" :value="each.kind">
            <b>{{ each.words }}</b> <span class="second">{{ each.aside }}</span>
          </ElRadio>
        </ElRadioGroup>
        <label class="labelled"
          ><span>{{ t('paper') }}</span> <ChoiceSelect v-model="paper" :options="papers" :label="t('paper2')"
        /></label>
        <div v-if="sheet" class="labelled">
          <span>{{ t('firstFreeCellOfThe') }}</span>
          <div class="cells grid gap-3px w-150px" :style="{ gridTemplateColumns: `repeat(${sheet.columns}, 1fr)` }">
            <button
              v-for="cell in sheet.columns * sheet.rows"
              :key="cell"
              class="min-h-19px p-0 line-rule-strong rd-2px bg-card text-quiet [font:400_11px_var(--sans)] cursor-pointer"
              type="button"
              :class="{ used: cell < first, begin: cell === first }"
              :aria-label="t('beginWithCell', { cell })"
              :aria-pressed="cell === first"
              @click="first = cell"
            >
              {{ cell }}
            </button>
          </div>
          <p class="second">
            {{
              t('labelsOfMmPrintAt', {
                columns: sheet.columns,
                rows: sheet.rows,
                widthMm: sheet.widthMm.toFixed(1),
                heightMm: sheet.heightMm.toFixed(1),
              })
            }}
          </p>
        </div>
        <label class="labelled"
          ><span>{{ t('forWhichKits') }}</span
          ><ElInput v-model="filter" type="search" :placeholder="t('nameCodeOrModel')"
        /></label>
        <p class="flex gap-14px">
          <ElButton link @click="chosen = new Set([...chosen, ...kits.map(({ code }) => code)])">
            {{ t('allKits', { kits: kits.length }) }}
          </ElButton>
          <ElButton link :disabled="chosen.size === 0" @click="chosen = new Set()"> {{ t('none') }} </ElButton>
          <span class="quiet">{{ t('chosenChosen', { chosen: chosen.size }) }}</span>
        </p>
        <ul class="max-h-320px m-0 p-0 overflow-auto list-none">
          <li v-for="kit in kits" :key="kit.id">
            <ElCheckbox :model-value="chosen.has(kit.code)" @update:model-value="toggle(kit.code)"
              ><span class="serif">{{ kit.name }}</span> <KitTag :code="kit.code"
            /></ElCheckbox>
          </li>
        </ul>
        <p v-if="shelf && kits.length === 0" class="quiet">{{ t('noKitHasThatName') }}</p>
      </section>
      <section>
        <ProblemNote class="screen-only" :problem="refusal" @retry="reload" />
        <p class="screen-only flex gap-12px items-center mb-12px">
          <ElButton type="primary" size="large" :disabled="pages.length === 0" @click="print">{{
            t('print')
          }}</ElButton>
          <a v-if="query" class="button big" :href="`/api/prints/pdf?${query}`" target="_blank" rel="noopener">PDF</a>
          <span class="quiet" role="status">{{ slow ? t('drawing') : t('nPages', { n: pages.length }) }}</span>
        </p>
        <p v-if="!query" class="quiet screen-only">{{ t('chooseAKit') }}</p>
        <div class="grid gap-16px max-w-640px">
          <PrintedSheet
            v-for="(page, index) in pages"
            :key="index"
            :page="page"
            :class="{ 'paper-only': index >= SHOWN_PAGES }"
          />
        </div>
        <p v-if="pages.length > SHOWN_PAGES" class="quiet screen-only">
          {{ t('morePagesArePrintedBut', { pages: pages.length - SHOWN_PAGES }) }}
        </p>
      </section>
    </div>
  </main>
</template>

<style scoped>
.cells .used {
  border-style: dashed;
  background: none;
  color: var(--rule-strong);
}

.cells .begin {
  border-color: var(--night);
  background: var(--night);
  color: var(--on-fill);
}

@media (pointer: coarse) {
  .cells button {
    min-height: 40px;
  }
}

@media print {
  .labels,
  .columns,
  .sheets {
    display: block;
    max-width: none;
    margin: 0;
    padding: 0;
  }
}
</style>

<style>
/* Labels must sit where their cells are: no margin of the browser's own. */
@page sheet {
  margin: 0;
}

.labels {
  page: sheet;
}
</style>
