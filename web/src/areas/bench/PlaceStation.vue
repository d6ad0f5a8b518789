<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { clockText, degText, needleSentence, signedHours } from '@binoculum/core'
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
import LiningUp from './lining-up/LiningUp.vue'
import RingDial from '../../shared/drawings/RingDial.vue'
import SideDial from './SideDial.vue'
import TwoStars from './TwoStars.vue'
import { LOOKING_MINUTES, usePlace } from './use-place.ts'

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
const markWords = computed(() => {
  const given = setting.value
  if (!given) return ''
  if (!given.reaches)
    return `This head’s scale doesn’t reach ${degText(given.setDeg)}: it can’t be set for this place.`
  const past = given.pastMarkDeg
  if (Math.abs(past) < 0.05) return `At its mark ${given.nearestMarkDeg}.`
  return `Nearest mark ${given.nearestMarkDeg}, then ${Math.abs(past).toFixed(1)}° ${past > 0 ? 'more' : 'less'}.`
})
const needle = computed(() => {
  const found = site.value?.needle
  if (!found) return ''
  if (found.declinationDeg === null)
    return found.reason === 'NEAR_MAGNETIC_POLE'
      ? 'So near the magnetic pole a needle is no guide.'
      : 'Needle’s declination isn’t known here: write it into the place.'
  return needleSentence(found.declinationDeg, south.value)
})
const advice = computed(() => {
  if (!site.value) return ''
  if (equatorial.value && scope.value !== 'none')
    return 'Turn the two side bolts and the latitude bolt until the star sits there.'
  if (equatorial.value)
    return setting.value
      ? `Set ${degText(setting.value.setDeg)} on the head’s scale, close its clamp, point the axis ${south.value ? 'south' : 'north'}.`
      : ''
  return 'Bring it to its home position, then key in line by line.'
})
const flips = computed(() => {
  const [first, second] = sides.value
  if (!first || !second) return ''
  return first.tubeSide === second.tubeSide
    ? 'Both on one side: the head needn’t turn over between them.'
    : 'In between the head turns over: a hand at the cable.'
})
const meridianWords = computed(() => {
  const near = sides.value.find(({ nearMeridian }) => nearMeridian)
  if (!near || near.hoursToMeridian === null) return ''
  const minutes = Math.round(near.hoursToMeridian * 60)
  const when = minutes > 0 ? `in ${minutes} min` : minutes < 0 ? `${-minutes} min ago` : 'now'
  return `${near.star.name} crosses the meridian ${when}: either start with the tube on the ${near.options[0]?.tubeSide} side, the weight a little high, or follow up to it and turn the head round afterwards.`
})
function hide(name: string) {
  draft.value.hidden = draft.value.hidden.includes(name) ? [] : [name]
}
const tick = (field: string) =>
  (ticked.value = ticked.value.includes(field)
    ? ticked.value.filter((each) => each !== field)
    : [...ticked.value, field])
const judged = [
  { value: 'fine', words: 'Keyed in and lined up' },
  { value: 'not-fine', words: 'Doesn’t line up', bad: true },
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
      <p>No place is written down yet. Latitude, zone and needle come from it.</p>
      <RouterLink to="/setup/places">Write down where you observe</RouterLink>
    </div>
    <template v-if="site">
      <p role="group" aria-label="Place and hour" class="flex flex-wrap gap-y-4px gap-x-12px items-baseline mb-10px">
        <em>for</em>
        <ElButton link @click="choosing = !choosing">
          {{ site.name }}, {{ local.slice(0, 10) }} {{ local.slice(11) }} <KeyCap name="o" />
        </ElButton>
        <span class="second"
          >{{ site.zone }} · {{ degText(Math.abs(site.latitudeDeg)) }} {{ south ? 'south' : 'north' }}</span
        >
      </p>
      <div v-if="choosing || noSuchTime || ambiguous" class="flex flex-wrap gap-y-12px gap-x-20px items-end mb-16px">
        <label class="labelled w-230px"
          ><span>place</span
          ><ChoiceSelect
            :model-value="site.id"
            :options="sites.map(({ id, name }) => ({ value: id, words: name }))"
            label="Place"
            @update:model-value="$event && place.choose($event)"
        /></label>
        <label class="labelled w-230px"
          ><span>date and time there</span
          ><input
            class="field"
            type="datetime-local"
            name="local"
            :value="local"
            @change="setLocal(($event.target as HTMLInputElement).value || null)"
        /></label>
        <p v-if="noSuchTime" class="rust" role="alert">
          Clocks skip this hour that night: {{ local.slice(11) }} doesn’t exist. Choose an hour earlier or later.
        </p>
        <p v-if="ambiguous" class="rust" role="alert">
          Clocks show {{ local.slice(11) }} twice that night. Which one?
          <ElButton
            v-for="(each, index) in ambiguous"
            :key="each.utcOffsetHours"
            @click="draft.occurrence = index === 0 ? 'earlier' : 'later'"
          >
            the {{ index === 0 ? 'first' : 'second' }}, UTC {{ each.utcOffsetHours >= 0 ? '+' : '−'
            }}{{ Math.abs(each.utcOffsetHours) }}
          </ElButton>
        </p>
      </div>
      <div
        class="columns grid grid-cols-[minmax(0,62fr)_minmax(0,38fr)] gap-y-20px gap-x-32px max-[1000px]:grid-cols-[minmax(0,1fr)]"
      >
        <section class="grid gap-10px content-start">
          <template v-if="equatorial">
            <h2>The axis to the pole</h2>
            <div
              class="grid grid-cols-[minmax(0,290px)_auto_auto] gap-y-8px gap-x-16px items-start justify-start max-[1000px]:grid-cols-[minmax(0,290px)]"
            >
              <AxisDrawing v-if="head" :latitude-deg="site.latitudeDeg" :scale="head.latitudeScale" />
              <figure v-if="pole" class="grid gap-2px justify-items-center m-0 text-center">
                <em>as the eye sees it</em>
                <b>{{ clockText(pole.ringClock) }}</b>
                <RingDial :clock="pole.ringClock" dashed label="as the eye sees it" />
              </figure>
              <figure v-if="ringSeen !== null" class="grid gap-2px justify-items-center m-0 text-center">
                <em>as this scope shows it</em>
                <b>{{ clockText(ringSeen) }}</b>
                <RingDial :clock="ringSeen" label="in the scope" />
              </figure>
            </div>
            <div class="scale flex flex-wrap gap-y-8px gap-x-20px items-center">
              <p v-if="setting && ringSeen !== null">
                <b class="text-26px">{{ setting.setDeg.toFixed(1) }}°</b> on the head’s scale. {{ markWords }}
              </p>
              <label class="labelled flex gap-10px items-center"
                ><span>the scale stands at</span
                ><FigureInput
                  :model-value="setNow"
                  label="The scale stands at"
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
                Set it: right now <KeyCap name="Space" />
              </ElButton>
              <ElButton v-else link @click="draft.leftDeg = null"> left as found after all </ElButton>
              <p v-if="badScale" class="rust">
                This head’s scale goes from {{ range.minDeg }} to {{ range.maxDeg }}°.
              </p>
              <p v-else-if="offDeg !== null && offDeg > 0.05" :class="{ rust: offDeg > 2 }">
                {{ offDeg.toFixed(1) }}° off<template v-if="offDeg > 2">: still the last borrower’s place?</template>
              </p>
            </div>
            <p v-if="pole && south" class="second">
              {{ pole.star }} is faint, magnitude 5.4: sighting scope or compass only.
            </p>
            <p class="second">
              {{ needle }} Each degree off lets a star drift {{ place.driftPerDegree.toFixed(2) }}′ an hour at most:
              fine for looking: by eye it may be {{ byEyeDeg.toFixed(1) }}° off, and a star stays in the lowest
              power’s field for {{ LOOKING_MINUTES }} minutes. Not for long exposures. From now on the stand isn’t
              moved.
            </p>
          </template>
          <template v-if="kit.mount?.home">
            <h2>Home position <em>this model’s own</em></h2>
            <div class="grid grid-cols-[120px_minmax(0,1fr)] gap-14px">
              <HomeDrawing :drawing="kit.mount.home.drawing" :latitude-deg="site.latitudeDeg" />
              <ol class="m-0 pl-20px text-16px lh-24px">
                <li v-for="step in kit.mount.home.steps" :key="step">{{ step }}</li>
              </ol>
            </div>
          </template>
          <p v-else-if="!equatorial || kit.mount?.controller" class="quiet">
            No home position is written down for this model.
            <RouterLink :to="`/setup/models/${kit.modelId}/mount`">Write it in</RouterLink>
          </p>
          <TwoStars v-if="!equatorial && kit.mount?.controller" v-bind="starProps" @hide="hide" />
        </section>
        <section class="judgement grid gap-12px content-start justify-items-start">
          <p v-if="equatorial && ringSeen !== null && pole" class="figure">
            {{ clockText(ringSeen)
            }}<span><b>pole star on the ring</b>in this scope; by eye {{ clockText(pole.ringClock) }}</span>
          </p>
          <p v-else-if="equatorial && setting" :class="['figure', { off: !setting.reaches }]">
            {{ setting.setDeg.toFixed(1) }}°<span><b>on the head’s scale</b>{{ markWords }}</span>
          </p>
          <p class="advice" role="status" aria-label="What to do"><SerifText :text="advice" /></p>
          <template v-if="kit.mount?.controller">
            <h2>What to key in <em>controller, in its own order</em></h2>
            <ControllerCard :lines="lines" :ticked="ticked" @tick="tick" />
            <p v-if="note" class="rust">{{ note }}</p>
            <p><strong class="rust">A wrong answer to daylight saving</strong> puts every star 15° aside.</p>
          </template>
          <p v-else-if="!equatorial" class="quiet">
            How this model’s controller asks isn’t written down.
            <RouterLink :to="`/setup/models/${kit.modelId}/mount`">Write it in</RouterLink>
          </p>
          <div v-if="!equatorial" class="flex flex-wrap gap-12px items-center">
            <BigChoice v-model="draft.keyed.asFound" :options="judged" label="as found" />
            <template v-if="draft.keyed.asFound === 'not-fine'">
              <em>as left</em><BigChoice v-model="draft.keyed.asLeft" :options="judged" label="as left" />
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
          <h2>Which side the tube hangs <em>seen from the pole</em></h2>
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
                }}{{ Math.abs(signedHours(side.star.hourAngleHours)).toFixed(1) }} h<br /><b
                  >tube on the {{ side.tubeSide }} side</b
                >
              </figcaption>
            </figure>
          </div>
          <p class="second">{{ meridianWords || flips }}</p>
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
