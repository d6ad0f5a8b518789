<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import {
  aimWords,
  arcminText,
  finderKindWords,
  finderParallax,
  finderTrain,
  firstLooksWords,
  lengthOf,
  mmText,
  nearFocusWords,
  sunDoubtWords,
  sunQuestionWords,
  toView,
  type PointXY,
} from '@binoculum/core'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import KeyCap from '../../../shared/keys/KeyCap.vue'
import { useKeys } from '../../../shared/keys/use-keys.ts'
import SerifText from '../../../shared/SerifText.vue'
import BigFigure from '../../../shared/drawings/BigFigure.vue'
import BorrowerLooks from '../BorrowerLooks.vue'
import ReadingHistory from '../ReadingHistory.vue'
import SunQuestion from '../SunQuestion.vue'
import DotCareForm from './DotCareForm.vue'
import OpticalCareForm from './OpticalCareForm.vue'
import type { FinderDraft } from './finder-draft.ts'
import FinderLookForm from './FinderLookForm.vue'
import KnobDial from './KnobDial.vue'
import OffsetForm from './OffsetForm.vue'
import PlanView from './PlanView.vue'
import SunStrip from '../../../shared/drawings/SunStrip.vue'
import TargetChoice from './TargetChoice.vue'
import { useFinder } from './use-finder.ts'
import { benchWords } from '../words.ts'

const t = benchWords('finderStation')

const { kit } = defineProps<{ kit: KitSheet }>()
const draft = defineModel<FinderDraft>({ required: true })
const emit = defineEmits<{ changed: [kit: KitSheet]; reload: [] }>()

const station = useFinder(draft, () => kit)
const { site, sites, now, day, landmarks, star, moon, target, chosen, finder, offset, offsetKnown } = station
const { fieldDeg, limit, look, misaligned, arcmin, found, foundAt, verdict, share, learnt, advice, lines } = station
const { thing, aim, focus, question, asksShade, barred, allowed, choose, lookAgain, takeBack } = station

const choosing = ref(false)
const root = useTemplateRef('root')
const view = computed(() => finderTrain(finder.value))
/** The aim mark, and what was found, as the finder itself shows them. */
const aimSeen = computed(() => toView(aim.value, view.value))
const foundSeen = computed<PointXY | null>(() =>
  foundAt.value && draft.value.between.length > 0
    ? toView({ x: foundAt.value.x + aim.value.x, y: foundAt.value.y + aim.value.y }, view.value)
    : null,
)
const hasFinder = computed(() =>
  kit.parts.some(({ role, mark }) => role === 'finder' && mark !== 'missing' && mark !== 'wrong'),
)
const parallax = computed(() =>
  target.value?.distanceM && offsetKnown.value
    ? finderParallax({ offsetMm: offset.value, distanceM: target.value.distanceM })
    : null,
)
const lead = computed(() => {
  if (!target.value) return t('chooseWhatToLineIt')
  if (barred.value) return `${target.value.name}: ${barred.value}.`
  if (arcmin.value === null) {
    if (look.value.how === 'finder') return t('inTheMiddleOfThe', { name: target.value.name, thing: thing.value })
    if (look.value.how === 'field')
      return t('putTheOnAndLook', { thing: thing.value, aimSentence: aimSentence.value })
    return t('lowestPowerInFocusedSmall')
  }
  if (verdict.value === 'good') return t('linedUpWellWhatStands')
  if (finder.value.knobs.length === 0) return t('aPeepSightHasNothing')
  if (lines.value.length === 0) return t('nearerThanASixteenthOf')
  return null
})
const aimSentence = computed(() => target.value?.name ?? t('it'))
const spotSentence = computed(() => {
  if (!parallax.value || !target.value) return ''
  return t('aPutOnTheSame', {
    thing: thing.value,
    angleArcmin: arcminText(parallax.value.angleArcmin),
    offset: aimWords(offset.value),
    offset2: mmText(lengthOf(offset.value)),
  })
})
const focusSentence = computed(() => {
  const { extraTravelMm, reaches } = focus.value
  if (!target.value?.distanceM) return ''
  if (reaches === false) return nearFocusWords(focus.value)
  if (extraTravelMm === null) return finder.value.focusing === 'moving-mirror' ? t('turnTheFocusKnobUntil') : ''
  return extraTravelMm < 0.5 ? '' : t('rackTheFocuserFartherOut', { extraTravelMm: mmText(extraTravelMm) })
})
const starNow = computed(() => {
  if (target.value?.kind !== 'star' || !star.value) return null
  const name = target.value.name
  return [star.value.target, ...star.value.others].find((each) => each?.name === name) ?? null
})
const drift = computed(() => kit.finderDrift)
async function toPad() {
  look.value.how = 'finder'
  await nextTick()
  root.value?.querySelector<HTMLElement>('.pad [role=application]')?.focus()
}
const printPath = computed(() => `/setup/labels?kind=finders&kits=${encodeURIComponent(kit.code)}`)
/** In the dark nothing else wants the large side. */
const padLeft = computed(() => target.value !== null && !choosing.value && !parallax.value)
const form = computed(() => ({
  finder: finder.value,
  thing: thing.value,
  targetName: target.value?.name ?? t('it'),
  aim: aimSeen.value,
  found: foundSeen.value,
  limit: limit.value,
  asideMm: parallax.value ? lengthOf(offset.value) : null,
  allowed: allowed.value,
}))

useKeys(() => ({
  ...(misaligned.value ? { Space: lookAgain } : {}),
  m: () => void toPad(),
  l: () => (choosing.value = !choosing.value),
}))
</script>

<template>
  <p v-if="!hasFinder" class="none">
    <strong>{{ t('noFinderIsOnThis') }}</strong> {{ t('putItOnItsCard') }}
  </p>
  <div
    v-else
    ref="root"
    class="grid grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] gap-y-20px gap-x-36px max-[900px]:grid-cols-[minmax(0,1fr)]"
  >
    <div class="grid gap-10px content-start min-w-0">
      <header class="flex gap-14px justify-between items-center">
        <h2 class="overflow-hidden m-0 [font:400_23px/28px_var(--serif)] text-ellipsis">
          {{ target ? target.name : t('noTargetYet') }}
          <em v-if="target?.distanceM" class="text-quiet text-17px">{{
            target.distanceM >= 1000
              ? `${(target.distanceM / 1000).toFixed(1)} km`
              : `${Math.round(target.distanceM)} m`
          }}</em>
        </h2>
        <ElButton size="small" :aria-expanded="choosing" @click="choosing = !choosing">
          {{ choosing ? t('keepThisOne') : t('anotherTarget') }} <KeyCap name="l" />
        </ElButton>
      </header>
      <BorrowerLooks :kit-code="kit.code" :zone="kit.zone" :kinds="['finder']" />
      <TargetChoice
        v-if="choosing || !target"
        :site="site"
        :sites="sites"
        :landmarks="landmarks"
        :star="star"
        :moon="moon"
        :nearest-m="focus.nearestM"
        :target="target"
        :offset-known="offsetKnown"
        @choose="(choose($event), (choosing = false))"
        @site="((draft.siteId = $event), (station.remembered.value = $event))"
      />
      <template v-if="target && !choosing">
        <p v-if="barred" class="problem" role="alert">{{ t('takeAnotherTarget', { name: target.name, barred }) }}</p>
        <SunQuestion v-if="asksShade" v-model="draft.shaded" :words="sunQuestionWords(target.name, target.kind)" />
        <p v-if="asksShade && question.doubt" class="second">{{ sunDoubtWords[question.doubt] }}</p>
        <p v-if="asksShade && draft.shaded === false" class="problem" role="alert">
          {{ t('capsOnNowFinderToo') }}
        </p>
        <PlanView
          v-if="target.distanceM && parallax && target.distanceM < 20000"
          :offset-mm="offset"
          :distance-m="target.distanceM"
          :name="target.name"
          :misalignment="misaligned?.misalignmentArcmin ?? null"
          :parallax-arcmin="parallax.angleArcmin"
          :tube="`${kit.optics.kind}, f ${kit.optics.focalLengthMm}`"
          :thing="thing"
        />
        <p v-if="parallax">
          {{ spotSentence }} <b>{{ focusSentence }}</b>
        </p>
        <p v-if="target.kind === 'sheet'">
          <strong class="rust">{{ t('neverTowardsAWindowWith') }}</strong> {{ t('hangItLevelWithThe') }}
        </p>
        <template v-if="starNow">
          <p>
            {{
              t('aStarNeedsNoAim', {
                fieldDeg: starNow.still
                  ? t('itStandsStill')
                  : t('theSkyCarriesItFrom', {
                      fieldDeg: Math.round(fieldDeg * 60),
                      minutesInField: starNow.minutesInField.toFixed(1),
                    }),
              })
            }}
          </p>
          <p class="second flex gap-10px items-center">
            <svg width="74" height="30" viewBox="0 0 74 30" aria-hidden="true">
              <circle cx="14" cy="15" r="11" class="fill-crescent stroke-brass" />
              <circle cx="14" cy="15" r="4" class="fill-paper" />
              <path d="M34 15h12m-4 -4l4 4l-4 4" class="fill-none stroke-quiet" />
              <circle cx="60" cy="15" r="2" class="fill-ink" />
            </svg>
            {{ t('aSplotchOrARing') }}
          </p>
        </template>
        <FinderLookForm v-if="padLeft" v-model="draft.looks[draft.looks.length - 1]!" large v-bind="form" />
        <section v-if="day && chosen && site">
          <h3 class="overflow-hidden m-0 [font:400_23px/28px_var(--serif)] text-ellipsis">
            {{ t('theSunToday') }}
            <em class="text-quiet text-17px">{{ t('hatchedNearerThanToNever', { name: target.name }) }}</em>
          </h3>
          <SunStrip
            :day="day"
            :strip="chosen.strip"
            :target="{ azimuthDeg: chosen.landmark.bearingDeg, altitudeDeg: chosen.landmark.heightDeg }"
            :name="target.name"
            :zone="site.zone"
            :now="now"
          />
        </section>
      </template>
      <OffsetForm :kit="kit" :known="offsetKnown" @changed="emit('changed', $event)" @reload="emit('reload')" />
      <p class="second">
        {{ finderKindWords[finder.kind] }}{{ kit.finder ? '' : t('aUsualOneNobodyDescribed') }}.
        {{ nearFocusWords(focus) }}
        <RouterLink v-if="offsetKnown" :to="printPath">{{ t('printItsSheetOfTwo') }}</RouterLink>
      </p>
    </div>
    <div class="judgement grid gap-12px content-start justify-items-start">
      <BigFigure :value="arcmin" :limit="limit" :good="limit / 2" unit="′" />
      <p>
        <strong>{{ t('againstTubeAtTheStars', { thing }) }}</strong>
        <span class="quiet">
          {{ ' ' }}{{ t('lowestPowerShows', { limit: Math.round(limit * 2) })
          }}<template v-if="misaligned">
            {{ ' ' }}{{ t('giveOrTake', { uncertaintyArcmin: arcminText(misaligned.uncertaintyArcmin) }) }}</template
          ></span
        >
      </p>
      <p v-if="lead" class="advice" role="status" :aria-label="t('whatToDo')"><SerifText :text="lead" /></p>
      <div v-else role="list" :aria-label="t('knobs')" class="grid gap-4px">
        <p
          v-for="line in lines"
          :key="line.name"
          role="listitem"
          class="grid grid-cols-[80px_minmax(0,1fr)] gap-12px items-center"
        >
          <KnobDial :turns="line.turns" />
          <span
            ><span class="advice block"><SerifText :text="`${line.name}: ${line.howFar}`" /></span
            ><span class="quiet block">{{ line.what }}</span></span
          >
        </p>
        <p class="second">
          {{ t('leaveTheTubeWhereIt', { roundedResidualArcmin: arcminText(advice?.roundedResidualArcmin ?? 0) }) }}
          <template v-if="learnt.reversed.length > 0">{{
            t('learntFromTheLastTurns', { reversed: learnt.reversed.join(t('and')) })
          }}</template>
          <template v-if="learnt.slipping.length > 0">{{
            t('hardlyMovesItLookAt', { slipping: learnt.slipping.join(t('and')) })
          }}</template>
        </p>
      </div>
      <FinderLookForm v-if="!padLeft" v-model="draft.looks[draft.looks.length - 1]!" v-bind="form" />
      <p class="row">
        <ElButton size="large" :disabled="arcmin === null" @click="lookAgain">
          {{ t('turnedThemLookAgain') }} <KeyCap name="Space" />
        </ElButton>
        <ElButton v-if="draft.between.length > 0" link @click="takeBack"> {{ t('takeTheLastLookBack') }} </ElButton>
      </p>
      <dl class="flex gap-y-8px gap-x-14px m-0">
        <dt class="[font:italic_400_16px_var(--serif)] text-quiet">{{ t('asFound') }}</dt>
        <dd class="mr-12px ml-0 my-0 fw-640">{{ found === null ? '–' : arcminText(found) }}</dd>
        <dt class="[font:italic_400_16px_var(--serif)] text-quiet">{{ t('asLeft') }}</dt>
        <dd class="mr-12px ml-0 my-0 fw-640">
          {{ draft.between.length === 0 ? t('asFound') : arcmin === null ? '–' : arcminText(arcmin) }}
        </dd>
      </dl>
      <p v-if="share !== null" class="second">{{ firstLooksWords(share) }}</p>
      <section class="w-full">
        <h3 class="[font:italic_400_16px_var(--serif)] text-quiet">{{ t('theLastLoansAsFound') }}</h3>
        <ReadingHistory kind="finder" :past="kit.past" :limit="limit" />
        <p v-if="drift" class="second">
          {{
            t('findersOfItsKindHere', {
              ownMedianArcmin:
                drift.ownMedianArcmin === null
                  ? t('notCheckedYet')
                  : t('comesBackOffHalfOf', { ownMedianArcmin: arcminText(drift.ownMedianArcmin) }),
              medianArcmin: arcminText(drift.medianArcmin),
              loans: drift.loans,
            })
          }}
        </p>
      </section>
      <DotCareForm v-if="finder.kind === 'red-dot'" v-model="draft.care" :kit="kit" />
      <OpticalCareForm v-else-if="finder.kind !== 'peep'" v-model="draft.opticalCare" />
    </div>
  </div>
</template>

<style scoped src="../measuring-station.css"></style>

<style scoped src="./finder-station.css"></style>
