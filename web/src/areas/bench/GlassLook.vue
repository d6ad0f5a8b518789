<script setup lang="ts">
import { glassLooksSchema, type KitSheet } from '@binoculum/contract'
import {
  cleaningWays,
  glassAdvice,
  glassGrades,
  glassTroubles,
  type CleaningWay,
  type GlassAdvice,
  type GlassGrade,
  type GlassTrouble,
} from '@binoculum/core'
import { computed } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ChoiceSelect from '../../shared/controls/ChoiceSelect.vue'
import FileButton from '../../shared/controls/FileButton.vue'
import { dateText } from '../../shared/dates.ts'
import type { Pair } from './check-draft.ts'
import { glassLookOf, stillToLook, type GlassDraft } from './glass-draft.ts'
import { useKeptPicture } from './collimation/use-kept-picture.ts'
import { benchWords } from './words.ts'

const t = benchWords('glassLook')

/** The glass by torch: a short scale, a picture beside the one before, and whether it is cleaned: mostly not now. */
const { kit } = defineProps<{ kit: KitSheet }>()
const pair = defineModel<Pair<'fine' | 'not-fine' | null>>('pair', { required: true })
const look = defineModel<GlassDraft>('look', { required: true })
const { data } = useLoaded(glassLooksSchema, () => `/api/kits/${encodeURIComponent(kit.code)}/glass-looks`)

const words: Readonly<Record<GlassTrouble, string>> = {
  dust: t('dust'),
  fungus: t('fungusFineThreadsLikeFrost'),
  scratches: t('scratches'),
  coating: t('coatingSpotsOrGoneAt'),
}
const short: Readonly<Record<GlassTrouble, string>> = {
  dust: 'dust',
  fungus: 'fungus',
  scratches: 'scratches',
  coating: 'coating',
}
const earlier = computed(() => data.value?.looks[0] ?? null)
const DAY_MS = 86_400_000
const advice = computed<GlassAdvice | null>(() => {
  const whole = glassLookOf(look.value)
  if (!whole) return null
  const last = data.value?.cleanings[0]
  return glassAdvice(whole, {
    grades: earlier.value,
    daysSinceCleaning: last ? (Date.now() - Date.parse(last.atUtc)) / DAY_MS : null,
  })
})
const open = computed(() => stillToLook(look.value))
function grade(trouble: GlassTrouble, chosen: GlassGrade) {
  look.value.grades[trouble] = chosen
  if (advice.value) pair.value.asFound = advice.value.judged
}
const kept = useKeptPicture(
  () => kit.branchId,
  (pictureId) => (look.value.pictureId = pictureId),
)
const take = (file: File) => void kept.keep(file)
const cleanedHow = computed({
  get: () => look.value.cleaned?.how ?? null,
  set: (how) => (look.value.cleaned = how ? { how, why: look.value.cleaned?.why ?? '' } : null),
})
const cleanWords: Readonly<Record<GlassAdvice['cleanWhy'], string>> = {
  'hardly-costs-light': t('notNowSoLittleDust'),
  'cleaned-lately': t('blowItDontWipeIt'),
  'much-dust': t('muchDustCleanedOnceBy'),
  'fungus-first': t('noClothThreadsSpreadBy'),
}
const says = computed(() => {
  const now = advice.value
  if (!now) return ''
  const worse =
    now.worse.length > 0 ? t('moreThanBefore', { worse: now.worse.map((each) => short[each]).join(', ') }) : ''
  const apart = now.keepApart ? t('dryItKeepItApart') : ''
  return [worse, apart, cleanWords[now.cleanWhy]].filter(Boolean).join(' ')
})
const wayWords: Readonly<Record<CleaningWay, string>> = { blown: t('blown'), rinsed: t('rinsed'), wiped: t('wiped') }
const ways = cleaningWays.map((value) => ({ value, words: wayWords[value] }))
</script>

<template>
  <section class="grid gap-10px mb-18px" :aria-label="t('theGlassByTorch')">
    <div class="grid grid-cols-[repeat(auto-fit,minmax(210px,1fr))] gap-y-10px gap-x-18px">
      <label v-for="trouble in glassTroubles" :key="trouble" class="labelled"
        ><span>{{ words[trouble] }}</span>
        <ElRadioGroup
          :model-value="look.grades[trouble] ?? ''"
          :aria-label="words[trouble]"
          @update:model-value="grade(trouble, $event as GlassGrade)"
        >
          <ElRadioButton v-for="each in glassGrades" :key="each" :value="each">{{ each }}</ElRadioButton>
        </ElRadioGroup></label
      >
    </div>
    <p v-if="open.length > 0" class="second">
      {{ t('stillToLookFor', { open: open.map((each) => short[each]).join(', ') }) }}
    </p>
    <p v-if="says" class="text-18px lh-26px" role="status">{{ says }}</p>
    <div class="row flex flex-wrap gap-10px items-center">
      <FileButton accept="image/*" name="glass-picture" @take="take">{{
        look.pictureId ? t('anotherPictureByTorch') : t('aPictureByTorch')
      }}</FileButton>
      <label class="w-190px"
        ><ChoiceSelect
          v-model="cleanedHow"
          :options="ways"
          :label="t('cleanedNow')"
          :placeholder="t('notCleanedNow')"
      /></label>
      <ElInput
        v-if="look.cleaned"
        v-model="look.cleaned.why"
        class="flex-[1_1_200px] max-w-360px"
        maxlength="200"
        :placeholder="t('why')"
        :aria-label="t('whyItWasCleaned')"
      />
    </div>
    <p v-if="kept.problem.value" class="second">{{ t('thePictureCouldntBeKept') }}</p>
    <div v-if="look.pictureId || earlier?.pictureId" class="beside flex flex-wrap gap-14px">
      <figure v-if="earlier?.pictureId" class="m-0">
        <img
          class="block w-260px max-w-full h-180px [object-fit:cover]"
          :src="`/api/pictures/${earlier.pictureId}`"
          :alt="t('theGlassThen')"
        />
        <figcaption>{{ dateText(earlier.atUtc, kit.zone) }}, {{ earlier.by }}</figcaption>
      </figure>
      <figure v-if="look.pictureId" class="m-0">
        <img
          class="block w-260px max-w-full h-180px [object-fit:cover]"
          :src="`/api/pictures/${look.pictureId}`"
          :alt="t('theGlassNow')"
        />
        <figcaption>{{ t('now') }}</figcaption>
      </figure>
    </div>
    <p v-if="earlier" class="second">
      {{ dateText(earlier.atUtc, kit.zone) }}, {{ earlier.by }}:
      {{ glassTroubles.map((each) => `${short[each]} ${earlier?.[each]}`).join(', ') }}.
    </p>
    <p v-for="cleaning in data?.cleanings ?? []" :key="cleaning.atUtc" class="second">
      {{
        t('atUtcBy', {
          atUtc: dateText(cleaning.atUtc, kit.zone),
          wayWords: wayWords[cleaning.how],
          by: cleaning.by,
          why: cleaning.why,
        })
      }}
    </p>
  </section>
</template>
