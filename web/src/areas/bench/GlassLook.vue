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

/** The glass by torch: a short scale, a picture beside the one before, and whether it is cleaned: mostly not now. */
const { kit } = defineProps<{ kit: KitSheet }>()
const pair = defineModel<Pair<'fine' | 'not-fine' | null>>('pair', { required: true })
const look = defineModel<GlassDraft>('look', { required: true })
const { data } = useLoaded(glassLooksSchema, () => `/api/kits/${encodeURIComponent(kit.code)}/glass-looks`)

const words: Readonly<Record<GlassTrouble, string>> = {
  dust: 'dust',
  fungus: 'fungus: fine threads, like frost',
  scratches: 'scratches',
  coating: 'coating: spots, or gone at the edge',
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
  'hardly-costs-light': 'Not now: so little dust hardly costs light, and each cleaning costs coating.',
  'cleaned-lately': 'Blow it, don’t wipe: it was cleaned not long ago.',
  'much-dust': 'Much dust: cleaned once, by one who has done it. Blow first.',
  'fungus-first': 'No cloth: threads spread by wiping.',
}
const says = computed(() => {
  const now = advice.value
  if (!now) return ''
  const worse = now.worse.length > 0 ? `More than before: ${now.worse.map((each) => short[each]).join(', ')}.` : ''
  const apart = now.keepApart ? 'Dry it, keep it apart from other kits, and let a workshop see it.' : ''
  return [worse, apart, cleanWords[now.cleanWhy]].filter(Boolean).join(' ')
})
const wayWords: Readonly<Record<CleaningWay, string>> = { blown: 'blown', rinsed: 'rinsed', wiped: 'wiped' }
const ways = cleaningWays.map((value) => ({ value, words: wayWords[value] }))
</script>

<template>
  <section class="grid gap-10px mb-18px" aria-label="The glass by torch">
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
    <p v-if="open.length > 0" class="second">Still to look for: {{ open.map((each) => short[each]).join(', ') }}.</p>
    <p v-if="says" class="text-18px lh-26px" role="status">{{ says }}</p>
    <div class="row flex flex-wrap gap-10px items-center">
      <FileButton accept="image/*" name="glass-picture" @take="take">{{
        look.pictureId ? 'Another picture by torch …' : 'A picture by torch …'
      }}</FileButton>
      <label class="w-190px"
        ><ChoiceSelect v-model="cleanedHow" :options="ways" label="cleaned now" placeholder="not cleaned now"
      /></label>
      <ElInput
        v-if="look.cleaned"
        v-model="look.cleaned.why"
        class="flex-[1_1_200px] max-w-360px"
        maxlength="200"
        placeholder="why"
        aria-label="why it was cleaned"
      />
    </div>
    <p v-if="kept.problem.value" class="second">The picture couldn’t be kept; the scale stands without it.</p>
    <div v-if="look.pictureId || earlier?.pictureId" class="beside flex flex-wrap gap-14px">
      <figure v-if="earlier?.pictureId" class="m-0">
        <img
          class="block w-260px max-w-full h-180px [object-fit:cover]"
          :src="`/api/pictures/${earlier.pictureId}`"
          alt="The glass then"
        />
        <figcaption>{{ dateText(earlier.atUtc, kit.zone) }}, {{ earlier.by }}</figcaption>
      </figure>
      <figure v-if="look.pictureId" class="m-0">
        <img
          class="block w-260px max-w-full h-180px [object-fit:cover]"
          :src="`/api/pictures/${look.pictureId}`"
          alt="The glass now"
        />
        <figcaption>now</figcaption>
      </figure>
    </div>
    <p v-if="earlier" class="second">
      {{ dateText(earlier.atUtc, kit.zone) }}, {{ earlier.by }}:
      {{ glassTroubles.map((each) => `${short[each]} ${earlier?.[each]}`).join(', ') }}.
    </p>
    <p v-for="cleaning in data?.cleanings ?? []" :key="cleaning.atUtc" class="second">
      {{ dateText(cleaning.atUtc, kit.zone) }}: {{ wayWords[cleaning.how] }} by {{ cleaning.by }}, {{ cleaning.why }}
    </p>
  </section>
</template>
