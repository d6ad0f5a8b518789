<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { clockText, degText, signedHours } from '@binoculum/core'
import { computed, ref } from 'vue'
import ChoiceSelect from '../../shared/controls/ChoiceSelect.vue'
import FigureInput from '../../shared/controls/FigureInput.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import SerifText from '../../shared/SerifText.vue'
import AxisDrawing from '../../shared/drawings/AxisDrawing.vue'
import BigChoice from '../../shared/controls/BigChoice.vue'
import { checkedKitOf, isDriven, isEquatorial, scaleRange, type CheckDraft } from './check-draft.ts'
import ControllerCard from './ControllerCard.vue'
import HomeDrawing from './HomeDrawing.vue'
import HourTwice from './HourTwice.vue'
import LiningUp from './lining-up/LiningUp.vue'
import { flipWords, markWords, meridianWords, needleWords } from './place-words.ts'
import RingDial from '../../shared/drawings/RingDial.vue'
import SideDial from './SideDial.vue'
import TwoStars from './TwoStars.vue'
import { LOOKING_MINUTES, usePlace } from './use-place.ts'
import { benchWords } from './words.ts'

const t = benchWords('placeStation')

const { kit } = defineProps<{ kit: KitSheet }>()
const draft = defineModel<CheckDraft['place']>({ required: true })
const place = usePlace(draft, () => kit)
const {
  sites,
  problem,
  reload,
  site,
  local,
  entries,
  head,
  setting,
  pole,
  scope,
  ringSeen,
  lines,
  stars,
  pair,
  apartDeg,
  byEyeDeg,
  sides,
} = place

const equatorial = computed(() => isEquatorial(kit))
const fieldDeg = computed(() => checkedKitOf(kit).lowestFieldDeg)
const south = computed(() => (site.value?.latitudeDeg ?? 0) < 0)
const ambiguous = computed(() => (entries.value && 'ambiguous' in entries.value ? entries.value.ambiguous : null))
const noSuchTime = computed(() => !!entries.value && 'reason' in entries.value)
const note = computed(() => (entries.value && 'note' in entries.value ? entries.value.note : null))
const ticked = ref<string[]>([])
const choosing = ref(false)
const setNow = computed(() => draft.value.leftDeg ?? draft.value.foundDeg)
const offDeg = computed(() =>
  setNow.value === null || !setting.value ? null : Math.abs(setNow.value - setting.value.setDeg),
)
const range = computed(() => scaleRange(kit))
const badScale = computed(
  () => setNow.value !== null && !(setNow.value >= range.value.minDeg && setNow.value <= range.value.maxDeg),
)
function setLocal(value: string | null) {
  draft.value.local = value
  draft.value.occurrence = null
}
function setScale(value: number | null) {
  if (draft.value.leftDeg === null) draft.value.foundDeg = value
  else draft.value.leftDeg = value
}
const advice = computed(() => {
  if (!site.value) return ''
  if (equatorial.value && scope.value !== 'none') return t('turnTheTwoSideBolts')
  if (equatorial.value)
    return setting.value
      ? t('setOnTheHeadsScale', {
          setDeg: degText(setting.value.setDeg),
          south: south.value ? t('south') : t('north'),
        })
      : ''
  return t('bringItToItsHome')
})
const marks = computed(() => markWords(setting.value))
const needle = computed(() => needleWords(site.value?.needle ?? null, south.value))
const flips = computed(() => flipWords(sides.value))
const meridian = computed(() => meridianWords(sides.value))
function hide(name: string) {
  draft.value.hidden = draft.value.hidden.includes(name) ? [] : [name]
}
const tick = (field: string) =>
  (ticked.value = ticked.value.includes(field)
    ? ticked.value.filter((each) => each !== field)
    : [...ticked.value, field])
const judged = [
  { value: 'fine', words: t('keyedInAndLinedUp') },
  { value: 'not-fine', words: t('doesntLineUp'), bad: true },
] as const
const starProps = computed(() => ({
  stars: stars.value,
  pair: pair.value,
  apartDeg: apartDeg.value,
  latitudeDeg: site.value?.latitudeDeg ?? 0,
  hidden: draft.value.hidden,
}))

function settled() {
  if (!equatorial.value) {
    draft.value.keyed.asFound ??= 'fine'
    return
  }
  if (!setting.value || draft.value.foundDeg === null) return
  draft.value.leftDeg = Math.round(setting.value.setDeg * 10) / 10
}
useKeys(() => ({
  Space: settled,
  e: () => (ticked.value = lines.value.map(({ field }) => field)),
  h: () => {
    const first = stars.value?.stars.find(({ name }) => !draft.value.hidden.includes(name))
    if (first) hide(first.name)
  },
  o: () => (choosing.value = !choosing.value),
}))
</script>

<template>
  <div class="place">
    <ProblemNote :problem="problem" @retry="reload" />
    <div v-if="sites.length === 0 && !problem" class="none">
      <p>{{ t('noPlaceIsWrittenDown') }}</p>
      <RouterLink to="/setup/places">{{ t('writeDownWhereYouObserve') }}</RouterLink>
    </div>
    <template v-if="site">
      <p
        role="group"
        :aria-label="t('placeAndHour')"
        class="flex flex-wrap gap-y-4px gap-x-12px items-baseline mb-10px"
      >
        <em>{{ t('for') }}</em>
        <ElButton link @click="choosing = !choosing">
          {{ site.name }}, {{ local.slice(0, 10) }} {{ local.slice(11) }} <KeyCap name="o" />
        </ElButton>
        <span class="second"
          >{{ site.zone }} · {{ degText(Math.abs(site.latitudeDeg)) }} {{ south ? t('south') : t('north') }}</span
        >
      </p>
      <div v-if="choosing || noSuchTime || ambiguous" class="flex flex-wrap gap-y-12px gap-x-20px items-end mb-16px">
        <label class="labelled w-230px"
          ><span>{{ t('place') }}</span
          ><ChoiceSelect
            :model-value="site.id"
            :options="sites.map(({ id, name }) => ({ value: id, words: name }))"
            :label="t('place2')"
            @update:model-value="$event && place.choose($event)"
        /></label>
        <label class="labelled w-230px"
          ><span>{{ t('dateAndTimeThere') }}</span
          ><input
            class="field"
            type="datetime-local"
            name="local"
            :value="local"
            @change="setLocal(($event.target as HTMLInputElement).value || null)"
        /></label>
        <p v-if="noSuchTime" class="rust" role="alert">
          {{ t('clocksSkipThisHourThat', { local: local.slice(11) }) }}
        </p>
        <HourTwice v-if="ambiguous" :ambiguous="ambiguous" :local="local" @choose="draft.occurrence = $event" />
      </div>
      <div
        class="columns grid grid-cols-[minmax(0,62fr)_minmax(0,38fr)] gap-y-20px gap-x-32px max-[1000px]:grid-cols-[minmax(0,1fr)]"
      >
        <section class="grid gap-10px content-start">
          <template v-if="equatorial">
            <h2>{{ t('theAxisToThePole') }}</h2>
            <div
              class="grid grid-cols-[minmax(0,290px)_auto_auto] gap-y-8px gap-x-16px items-start justify-start max-[1000px]:grid-cols-[minmax(0,290px)]"
            >
              <AxisDrawing v-if="head" :latitude-deg="site.latitudeDeg" :scale="head.latitudeScale" />
              <figure v-if="pole" class="grid gap-2px justify-items-center m-0 text-center">
                <em>{{ t('asTheEyeSeesIt') }}</em>
                <b>{{ clockText(pole.ringClock) }}</b>
                <RingDial :clock="pole.ringClock" dashed :label="t('asTheEyeSeesIt')" />
              </figure>
              <figure v-if="ringSeen !== null" class="grid gap-2px justify-items-center m-0 text-center">
                <em>{{ t('asThisScopeShowsIt') }}</em>
                <b>{{ clockText(ringSeen) }}</b>
                <RingDial :clock="ringSeen" :label="t('inTheScope')" />
              </figure>
            </div>
            <div class="scale flex flex-wrap gap-y-8px gap-x-20px items-center">
              <p v-if="setting && ringSeen !== null">
                <b class="text-26px">{{ setting.setDeg.toFixed(1) }}°</b>
                {{ t('onTheHeadsScale', { markWords: marks }) }}
              </p>
              <label class="labelled flex gap-10px items-center"
                ><span>{{ t('theScaleStandsAt') }}</span
                ><FigureInput
                  :model-value="setNow"
                  :label="t('theScaleStandsAt2')"
                  name="latitude-set"
                  unit="°"
                  large
                  @update:model-value="setScale"
              /></label>
              <ElButton
                v-if="draft.leftDeg === null"
                size="large"
                :disabled="draft.foundDeg === null || badScale"
                @click="settled"
              >
                {{ t('setItRightNow') }} <KeyCap name="Space" />
              </ElButton>
              <ElButton v-else link @click="draft.leftDeg = null"> {{ t('leftAsFoundAfterAll') }} </ElButton>
              <p v-if="badScale" class="rust">
                {{ t('thisHeadsScaleGoesFrom', { minDeg: range.minDeg, maxDeg: range.maxDeg }) }}
              </p>
              <p v-else-if="offDeg !== null && offDeg > 0.05" :class="{ rust: offDeg > 2 }">
                {{ t('offDegOff', { offDeg: offDeg.toFixed(1) })
                }}<template v-if="offDeg > 2">{{ t('stillTheLastBorrowersPlace') }}</template>
              </p>
            </div>
            <p v-if="pole && south" class="second">
              {{ t('isFaintMagnitudeSightingScope', { star: pole.star }) }}
            </p>
            <p class="second">
              {{
                t('eachDegreeOffLetsA', {
                  needle,
                  driftPerDegree: place.driftPerDegree.toFixed(2),
                  byEyeDeg: byEyeDeg.toFixed(1),
                  lookingMinutes: LOOKING_MINUTES,
                })
              }}
            </p>
          </template>
          <template v-if="kit.mount?.home">
            <h2>
              {{ t('homePosition') }} <em>{{ t('thisModelsOwn') }}</em>
            </h2>
            <div class="grid grid-cols-[120px_minmax(0,1fr)] gap-14px">
              <HomeDrawing :drawing="kit.mount.home.drawing" :latitude-deg="site.latitudeDeg" />
              <ol class="m-0 pl-20px text-16px lh-24px">
                <li v-for="step in kit.mount.home.steps" :key="step">{{ step }}</li>
              </ol>
            </div>
          </template>
          <p v-else-if="!equatorial || kit.mount?.controller" class="quiet">
            {{ t('noHomePositionIsWritten') }}
            <RouterLink :to="`/setup/models/${kit.modelId}/mount`">{{ t('writeItIn') }}</RouterLink>
          </p>
          <TwoStars v-if="!equatorial && kit.mount?.controller" v-bind="starProps" @hide="hide" />
        </section>
        <section class="judgement grid gap-12px content-start justify-items-start">
          <p v-if="equatorial && ringSeen !== null && pole" class="figure">
            {{ clockText(ringSeen)
            }}<span
              ><b>{{ t('poleStarOnTheRing') }}</b
              >{{ t('inThisScopeByEye', { ringClock: clockText(pole.ringClock) }) }}</span
            >
          </p>
          <p v-else-if="equatorial && setting" :class="['figure', { off: !setting.reaches }]">
            {{ setting.setDeg.toFixed(1) }}°<span
              ><b>{{ t('onTheHeadsScale2') }}</b
              >{{ marks }}</span
            >
          </p>
          <p class="advice" role="status" :aria-label="t('whatToDo')"><SerifText :text="advice" /></p>
          <template v-if="kit.mount?.controller">
            <h2>
              {{ t('whatToKeyIn') }} <em>{{ t('controllerInItsOwnOrder') }}</em>
            </h2>
            <ControllerCard :lines="lines" :ticked="ticked" @tick="tick" />
            <p v-if="note" class="rust">{{ note }}</p>
            <p>
              <strong class="rust">{{ t('aWrongAnswerToDaylight') }}</strong> {{ t('putsEveryStarAside') }}
            </p>
          </template>
          <p v-else-if="!equatorial" class="quiet">
            {{ t('howThisModelsControllerAsks') }}
            <RouterLink :to="`/setup/models/${kit.modelId}/mount`">{{ t('writeItIn') }}</RouterLink>
          </p>
          <div v-if="!equatorial" class="flex flex-wrap gap-12px items-center">
            <BigChoice v-model="draft.keyed.asFound" :options="judged" :label="t('asFound')" />
            <template v-if="draft.keyed.asFound === 'not-fine'">
              <em>{{ t('asLeft') }}</em><BigChoice
                v-model="draft.keyed.asLeft"
                :options="judged"
                :label="t('asLeft')"
              />
            </template>
          </div>
        </section>
      </div>
      <div
        v-if="kit.mount?.controller && equatorial"
        class="night grid grid-cols-[minmax(0,1.8fr)_minmax(0,1fr)] gap-y-16px gap-x-32px mt-16px pt-12px line-t-rule-strong max-[1000px]:grid-cols-[minmax(0,1fr)]"
      >
        <TwoStars v-bind="starProps" @hide="hide" />
        <section v-if="equatorial && sides.length > 0">
          <h2>
            {{ t('whichSideTheTubeHangs') }} <em>{{ t('seenFromThePole') }}</em>
          </h2>
          <div class="flex flex-wrap gap-20px">
            <figure
              v-for="(side, index) in sides"
              :key="side.star.name"
              class="grid gap-2px justify-items-center m-0 text-center"
            >
              <SideDial
                class="w-132px"
                :hour-angle-hours="side.star.hourAngleHours"
                :tube-side="side.tubeSide"
                :latitude-deg="site.latitudeDeg"
              />
              <figcaption>
                <b>{{ index + 1 }} {{ side.star.name }}</b
                >, {{ signedHours(side.star.hourAngleHours) > 0 ? '+' : '−'
                }}{{ Math.abs(signedHours(side.star.hourAngleHours)).toFixed(1) }} h<br /><b>{{
                  t('tubeOnTheSide', { tubeSide: side.tubeSide })
                }}</b>
              </figcaption>
            </figure>
          </div>
          <p class="second">{{ meridian || flips }}</p>
        </section>
      </div>
      <LiningUp
        v-model="draft.after"
        :kit="kit"
        :field-deg="fieldDeg"
        :latitude-deg="site.latitudeDeg"
        :is-driven="isDriven(kit)"
        :is-equatorial="equatorial"
      />
    </template>
  </div>
</template>

<style scoped src="./measuring-station.css"></style>

<style scoped src="./place-station.css"></style>
