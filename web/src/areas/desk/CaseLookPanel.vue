<script setup lang="ts">
import { openCaseSchema, type KitSheet, type Part } from '@binoculum/contract'
import { caseSentence, caseWarningWords, LEAST_REFERENCES, type CaseWarning, type Weighed } from '@binoculum/core'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import FileButton from '../../shared/controls/FileButton.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import CaseDifference from '../../shared/open-case/CaseDifference.vue'
import CasePlaces from '../../shared/open-case/CasePlaces.vue'
import { keepAgain, keepCaseView } from '../../shared/open-case/keep-case-view.ts'
import { useCaseWork } from '../../shared/open-case/use-case-work.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { sameParts, taughtPlaces, toldBy, type CaseLook, type CaseTold } from './case-look.ts'
import { deskWords } from './words.ts'

const t = deskWords('caseLookPanel')

/** A picture of the open case while it comes back: which compartments differ, and so where to look first. */
const { kit, loanId, look, weight, isUnseen } = defineProps<{
  kit: KitSheet
  loanId: string
  /** What was seen already, at whichever desk. */
  look: CaseLook | null
  weight: Weighed | null
  isUnseen: (part: Part) => boolean
}>()
const emit = defineEmits<{
  seen: [look: CaseLook]
  told: [told: CaseTold]
  present: [parts: readonly Part[]]
  choose: [partId: string]
}>()

const { data, problem: unreadable } = useLoaded(
  openCaseSchema,
  () => `/api/kits/${encodeURIComponent(kit.code)}/open-case`,
)
const work = useCaseWork()
const { sending, problem, run } = useSending()
const straight = ref<string | null>(null)
const warnings = shallowRef<readonly CaseWarning[]>([])
const release = () => straight.value && URL.revokeObjectURL(straight.value)
onScopeDispose(release)

const isReady = computed(
  () =>
    !!data.value?.caseMm &&
    data.value.places.length > 0 &&
    data.value.references.filter(({ referenceFor }) => referenceFor === null).length >= LEAST_REFERENCES,
)
watch(data, (given) => given && isReady.value && work.learn(given))
watch(
  () => [look, data.value] as const,
  ([seen, given]) => seen && given && emit('told', toldBy(seen, given.places)),
  { immediate: true },
)

const places = computed(() => data.value?.places ?? [])
const partAt = (placeId: string) => places.value.find(({ id }) => id === placeId)?.partId ?? null
const nameOf = (placeId: string) =>
  kit.parts.find(({ id }) => id === partAt(placeId))?.name ?? t('anEmptyCompartment')
const numberOf = (partId: string | null) => kit.parts.findIndex(({ id }) => id === partId) + 1
const labels = computed(() =>
  Object.fromEntries(places.value.map(({ id, partId }) => [id, partId === null ? '–' : String(numberOf(partId))])),
)
const names = computed(() => Object.fromEntries(places.value.map(({ id }) => [id, nameOf(id)])))
const verdicts = computed(() => Object.fromEntries((look?.compared ?? []).map(({ id, verdict }) => [id, verdict])))
const sentence = computed(() =>
  look ? caseSentence({ compared: look.compared, nameOf, partOf: partAt, weight }) : '',
)
const differing = computed(() => places.value.filter(({ id }) => verdicts.value[id] === 'different'))
/** A programme may want every part looked at all the same: then the picture only says where first. */
const same = computed(() =>
  look && kit.policies.sameByPicture !== 'look' ? sameParts(look, places.value, kit.parts).filter(isUnseen) : [],
)

async function take(file: File) {
  const given = data.value
  if (!given?.caseMm) return
  const told = await work.look(file, given.caseMm)
  if (!told) return
  release()
  straight.value = told.prepared.straight && URL.createObjectURL(told.prepared.straight)
  warnings.value = told.compared.warnings
  const compared = [...told.compared.compartments]
  await run(async () => {
    const { pictureId } = await keepCaseView(given, told.prepared, { referenceFor: [], loanId, compared })
    const { marks } = told.prepared
    emit('seen', {
      ...{ pictureId, compared },
      marks: { ...marks, kitCode: marks.kitCode ?? null, insetMm: marks.insetMm ?? 0 } as CaseLook['marks'],
    })
  })
}

function choose(placeId: string) {
  const partId = partAt(placeId)
  if (partId === null) return
  emit('choose', partId)
  // The pencil stands there now: Space and Enter are the card’s again.
  if (document.activeElement instanceof SVGElement) document.activeElement.blur()
}
const markSame = () => emit('present', same.value)

/** What was found in order though it looked different is learnt; a picture that can’t be kept keeps nobody waiting. */
async function learn(isPresent: (partId: string) => boolean): Promise<void> {
  if (!look || !data.value) return
  const referenceFor = taughtPlaces(look, places.value, isPresent)
  if (referenceFor.length === 0) return
  const { pictureId, marks } = look
  await keepAgain(data.value.kitId, { pictureId, marks, referenceFor, loanId: null, compared: null }).catch(
    () => undefined,
  )
}
defineExpose({ markSame, learn, same })
</script>

<template>
  <section v-if="isReady && data?.caseMm" class="grid gap-6px" :aria-label="t('theOpenCaseSeen')">
    <h2>{{ t('theOpenCaseSeen') }}</h2>
    <FileButton accept="image/*" camera :busy="work.busy.value || sending" @take="take">{{
      look ? t('anotherPicture') : t('aPictureOfTheOpen')
    }}</FileButton>
    <p v-if="work.problem.value" class="problem m-0" role="alert">{{ work.problem.value }}</p>
    <ProblemNote :problem="problem ?? unreadable" />
    <template v-if="look">
      <CasePlaces
        :case-mm="data.caseMm"
        :places="places"
        :picture="straight"
        :labels="labels"
        :names="names"
        :verdicts="verdicts"
        @choose="choose"
      />
      <p class="m-0" role="status">{{ sentence }}</p>
      <template v-if="straight && work.complete.value">
        <CaseDifference
          v-for="place in differing"
          :key="place.id"
          :case-mm="data.caseMm"
          :place="place"
          :name="nameOf(place.id)"
          :before="work.complete.value"
          :now="straight"
          @choose="choose(place.id)"
        />
      </template>
      <p v-for="warning in warnings" :key="warning" class="second m-0">{{ caseWarningWords[warning] }}</p>
      <ElButton v-if="same.length > 0" @click="markSame">
        {{ t('lookTheSameTheyAre', { n: same.length }) }}
        <KeyCap name="s" />
      </ElButton>
    </template>
  </section>
</template>
