<script setup lang="ts">
import { guideSchema, guideTextsSchema, shelfSchema, type IssuedGuide } from '@binoculum/contract'
import { blockTags, blockVariables, isEasyEnough, readingGrade, readingLimits, unknownIn } from '@binoculum/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import BorrowerGuide from '../../borrower/BorrowerGuide.vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ScaleBar from '../../shared/drawings/ScaleBar.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import SerifText from '../../shared/SerifText.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import BlockList from './BlockList.vue'
import BlockVersions from './BlockVersions.vue'
import FirstNights from './FirstNights.vue'
import LinesEditor from './LinesEditor.vue'
import { spokenBlock, useBlockDraft } from './use-block-draft.ts'
import { guidesWords } from './words.ts'

const t = guidesWords('guideTextsPage')

/** The blocks of a guide, against one kit: why each is here, its words to edit, and what the borrower will see. */
const route = useRoute()
const router = useRouter()
const kitCode = computed(() => String(route.params.code))
const language = ref('en')
const { data, problem, reload } = useLoaded(
  guideTextsSchema,
  () => `/api/guide-texts?kit=${encodeURIComponent(kitCode.value)}&language=${language.value}`,
)
const { data: shelf } = useLoaded(shelfSchema, '/api/kits')
const chosen = ref('power')
const block = computed(
  () => data.value?.blocks.find(({ key }) => key === chosen.value) ?? data.value?.blocks[0] ?? null,
)
const { draft, dirty, start, change } = useBlockDraft()
const scope = ref<'programme' | 'model' | 'kit'>('programme')
const reason = ref('')
watch(
  [block, language],
  ([now]) => {
    if (now) start({ key: now.key, language: language.value, title: now.title, text: now.text ?? now.defaultText })
  },
  { immediate: true },
)
const readingLanguage = computed(() => (language.value === 'es' ? 'es' : 'en'))
const grade = computed(() =>
  readingGrade(spokenBlock(draft.value.text, data.value?.variables ?? {}), readingLanguage.value),
)
const easy = computed(() => isEasyEnough(grade.value, readingLanguage.value))
const unknown = computed(() => unknownIn(draft.value.text, { variables: blockVariables, tags: blockTags }))
const faults = computed(() => [
  ...unknown.value.variables.map((name) => `{${name}}`),
  ...unknown.value.tags.map((name) => `[${name}]`),
])
const { sending, problem: refusal, run } = useSending()
const preview = ref<IssuedGuide | null>(null)
const form = (text: string | null, inUse: boolean) => ({
  kitCode: kitCode.value,
  scope: scope.value,
  key: draft.value.key,
  language: language.value,
  title: draft.value.title,
  text,
  reason: reason.value,
  inUse,
})
let asked = 0
async function look() {
  if (!block.value || faults.value.length > 0) return
  const mine = ++asked
  try {
    const guide = await api.post(guideSchema, '/api/guide-texts/preview', form(draft.value.text, true))
    if (mine === asked) preview.value = guide
  } catch {
    // The words stay; the picture beside them is the last good one.
  }
}
let timer: ReturnType<typeof setTimeout> | undefined
watch([() => draft.value.text, () => draft.value.title, block, language], () => {
  clearTimeout(timer)
  timer = setTimeout(() => void look(), 500)
})
const keep = (text: string | null, inUse: boolean) =>
  run(async () => {
    await api.act('/api/guide-texts', form(text, inUse))
    reason.value = ''
    await reload()
  })
const reorder = (keys: readonly string[]) =>
  run(async () => {
    await api.act('/api/guide-texts', { ...form(keys.join(','), true), key: '_order', language: 'en', title: '' })
    await reload()
  })
const list = useTemplateRef<InstanceType<typeof BlockList>>('list')
const mayKeep = computed(
  () => !sending.value && dirty.value && faults.value.length === 0 && data.value?.mayEdit === true,
)
const print = () => window.print()
useKeys(() => ({
  ArrowDown: (event) => (event.shiftKey ? list.value?.move(1) : list.value?.choose(1)),
  ArrowUp: (event) => (event.shiftKey ? list.value?.move(-1) : list.value?.choose(-1)),
  Enter: () => mayKeep.value && void keep(draft.value.text, true),
  s: () => mayKeep.value && void keep(draft.value.text, false),
  p: print,
}))
function addBlock() {
  const key = `own-${crypto.randomUUID().slice(0, 8)}`
  void run(async () => {
    await api.act('/api/guide-texts', {
      ...form('', true),
      key,
      title: t('ourOwn'),
      text: t('writeHereWhatYourBorrowers'),
    })
    await reload()
    chosen.value = key
  })
}
const translating = ref('')
const translate = (english: string) =>
  run(async () => {
    await api.act('/api/guide-texts', { ...form(translating.value, true), key: '_words', title: english })
    translating.value = ''
    await reload()
  })
const leave = ref(false)
const go = (code: string) => void router.push(`/guides/texts/${encodeURIComponent(code)}`)
</script>

<template>
  <main class="page pb-0">
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="data">
      <header>
        <h1 class="min-w-0 max-[900px]:basis-full"><SerifText :text="data.modelName" /></h1>
        <label class="for whitespace-nowrap flex gap-8px items-center">
          <span class="quiet">{{ t('asFor') }}</span>
          <ElSelect :model-value="kitCode" filterable :aria-label="t('kitToLookAt')" @update:model-value="go">
            <ElOption
              v-for="kit in shelf?.kits ?? []"
              :key="kit.code"
              :value="kit.code"
              :label="`${kit.name} ${kit.code}`"
            />
          </ElSelect>
        </label>
        <nav class="flex flex-wrap gap-18px ml-auto max-[900px]:ml-0" :aria-label="t('language')">
          <ElButton
            v-for="each in data.languages"
            :key="each.code"
            text
            class="h-auto min-h-40px pt-0 px-2px pb-4px line-none rd-0 text-left"
            :class="each.code === language ? 'line-b-2-night' : 'line-b-2-transparent'"
            :aria-pressed="each.code === language"
            @click="language = each.code"
          >
            <span>
              <b class="block">{{ each.name }}</b>
              <span class="second block">{{
                each.missing === 0 ? t('nothingMissing') : t('inEnglish', { missing: each.missing })
              }}</span>
            </span>
          </ElButton>
        </nav>
      </header>
      <div
        class="columns grid grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)_300px] gap-18px items-start max-[1000px]:grid-cols-[minmax(0,1fr)]"
      >
        <BlockList
          ref="list"
          v-model="chosen"
          :blocks="data.blocks"
          :may-edit="data.mayEdit"
          @order="reorder"
          @add="addBlock"
        />
        <section
          v-if="block"
          class="editor grid gap-10px py-14px px-16px line-rule-strong rd-4px bg-card"
          :aria-label="block.title"
        >
          <label class="labelled">
            <span>{{ t('heading') }}</span>
            <ElInput :model-value="draft.title" :disabled="!data.mayEdit" @input="change({ title: $event })" />
          </label>
          <div
            v-if="block.stays"
            role="note"
            :aria-label="t('theseWordsStay')"
            class="stays py-8px px-12px [border:3px_double_var(--rust)]"
          >
            <p v-for="line in block.stays.split('\n')" :key="line">{{ line }}</p>
            <p class="second">{{ t('thisStaysYouCanAdd') }}</p>
          </div>
          <LinesEditor
            :key="`${block.key} ${language} ${kitCode}`"
            :model-value="draft.text"
            :kit="data"
            :label="t('itsWordsOneSentenceOr')"
            :disabled="!data.mayEdit"
            @update:model-value="(words) => change({ text: words })"
          />
          <p v-if="faults.length > 0" class="rust" role="alert">
            {{ t('nothingStandsBehindTakeIt', { faults: faults.join(', ') }) }}
          </p>
          <div class="flex flex-wrap gap-y-4px gap-x-12px items-center">
            <b class="text-28px">{{ grade.grade.toFixed(1) }}</b>
            <ScaleBar
              v-if="readingLanguage === 'en'"
              :value="Math.max(grade.grade, 0)"
              :limit="readingLimits.en.limit"
              :width="84"
              :label="t('readingGradeLimit', { grade: grade.grade.toFixed(1), limit: readingLimits.en.limit })"
            />
            <span class="second">
              {{
                t('longestWords', {
                  readingLanguage: readingLanguage === 'en' ? t('readingGradeAtMost') : t('readingEaseAtLeast'),
                  limit: readingLimits[readingLanguage].limit,
                  longest: grade.longest,
                })
              }}
              <b v-if="!easy" class="rust"> {{ ' ' }}{{ t('hardToReadShorterSentences') }}</b>
            </span>
          </div>
          <details v-if="block.versions.length > 0">
            <summary>
              {{ t('beforeVersions', { n: block.versions.length }) }}
            </summary>
            <BlockVersions
              :versions="block.versions"
              :text="draft.text"
              @take-up="(version) => change({ title: version.title || draft.title, text: version.text ?? '' })"
            />
          </details>
          <details v-if="language !== 'en' && data.missing.length > 0" open>
            <summary>{{ t('stillInEnglish', { missing: data.missing.length }) }}</summary>
            <p>{{ data.missing[0] }}</p>
            <label class="labelled">
              <span>{{ t('inName', { name: data.languages.find(({ code }) => code === language)?.name }) }}</span>
              <ElInput v-model="translating" type="textarea" :rows="2" />
            </label>
            <ElButton
              :disabled="sending || translating.trim() === '' || !data.mayEdit"
              @click="translate(data.missing[0] ?? '')"
            >
              {{ t('keepThisTranslation') }}
            </ElButton>
          </details>
          <ProblemNote :problem="refusal" />
        </section>
        <aside
          v-if="preview"
          class="phone sticky top-12px h-[max(460px,calc(100vh_-_220px))] overflow-y-auto line-ink rd-14px"
          :aria-label="t('asTheBorrowerSeesIt')"
        >
          <BorrowerGuide
            :key="`${chosen} ${language}`"
            :guide="preview"
            token=""
            :start-language="language"
            :start-block="chosen"
          />
        </aside>
        <p v-else class="quiet">{{ t('thePreviewComesWithThe') }}</p>
      </div>
      <FirstNights :kit-code="kitCode" />
      <footer v-if="data.mayEdit && block" class="action-bar">
        <ElSelect v-model="scope" class="w-150px" :aria-label="t('whichKits')">
          <ElOption value="programme" :label="t('forAllKits')" />
          <ElOption value="model" :label="t('forThisModel')" />
          <ElOption value="kit" :label="t('forThisKit')" />
        </ElSelect>
        <ElButton type="primary" :disabled="!mayKeep" @click="keep(draft.text, true)">
          {{ t('useFromTheNextHand') }} <KeyCap name="Enter" />
        </ElButton>
        <ElButton :disabled="!mayKeep" @click="keep(draft.text, false)">
          {{ t('keepAsDraft') }} <KeyCap name="s" />
        </ElButton>
        <ElButton @click="print">{{ t('printTheBooklet') }} <KeyCap name="p" /></ElButton>
        <ElButton :disabled="sending" :aria-label="t('moveBlockUp')" @click="list?.move(-1)">
          ↑ <KeyCap name="⇧↑" />
        </ElButton>
        <ElButton :disabled="sending" :aria-label="t('moveBlockDown')" @click="list?.move(1)">
          ↓ <KeyCap name="⇧↓" />
        </ElButton>
        <ElButton v-if="!block.stays" link @click="leave = !leave">{{ t('takeItOut') }}</ElButton>
        <template v-if="leave && !block.stays">
          <ElInput v-model="reason" class="w-220px" :placeholder="t('why')" :aria-label="t('whyItIsLeftOut')" />
          <ElButton
            :disabled="sending || reason.trim() === ''"
            @click="
              () => {
                leave = false
                void keep(null, true)
              }
            "
          >
            {{ t('takeOut') }}
          </ElButton>
        </template>
      </footer>
    </template>
  </main>
</template>

<style scoped src="./guide-texts-page.css"></style>
