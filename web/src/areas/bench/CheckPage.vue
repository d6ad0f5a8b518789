<script setup lang="ts">
import { kitSheetSchema, type StationName } from '@binoculum/contract'
import { conditionWords, isBenchJob, reasonSentence } from '@binoculum/core'
import { useIntervalFn } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import { useDraft } from '../../shared/draft.ts'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import KitTag from '../../shared/drawings/KitTag.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import ReasonText from '../../shared/ReasonText.vue'
import { useScheme } from '../../shared/use-scheme.ts'
import {
  doneStations,
  emptyCheck,
  judgeAfter,
  readingsOf,
  stationsOf,
  stepsOf,
  type CheckDraft,
} from './check-draft.ts'
import AssemblyStation from './AssemblyStation.vue'
import CheckReadings from './CheckReadings.vue'
import BalanceStation from './BalanceStation.vue'
import CollimationStation from './collimation/CollimationStation.vue'
import FinderStation from './finder/FinderStation.vue'
import FocusStation from './focus/FocusStation.vue'
import PowerStation from './power/PowerStation.vue'
import GlassLookPart from './GlassLook.vue'
import LetGoStation from './LetGoStation.vue'
import JudgedStation from './JudgedStation.vue'
import PlaceStation from './PlaceStation.vue'
import StarLook from './star/StarLook.vue'
import StationLine from './StationLine.vue'
import { benchWords } from './words.ts'

const t = benchWords('checkPage')

const route = useRoute()
const router = useRouter()
const code = String(route.params.code)
const { data: kit, problem: unreadable, reload } = useLoaded(kitSheetSchema, `/api/kits/${encodeURIComponent(code)}`)
const { draft, wasKept, discard } = useDraft<CheckDraft>(t('checkCode', { code }), emptyCheck, { shape: 12 })
const { sending, problem, run } = useSending()
const station = ref<StationName | 'end'>('glass')
/** In the dark, red on black: white light costs the eyes twenty minutes. */
const { scheme, toggle } = useScheme()
const bench = useTemplateRef('bench')
// Keys belong to the station from now on, not to the button that opened it.
watch(station, () => nextTick(() => bench.value?.focus({ preventScroll: true })))
const openedAtUtc = new Date().toISOString()

const benchJobs = computed(() => kit.value?.jobs.filter(({ code: job }) => isBenchJob(job)) ?? [])
const stations = computed(() => (kit.value ? stationsOf(kit.value) : []))
const done = computed(() => (kit.value ? doneStations(draft.value, kit.value).map((each) => each.station) : []))
const readings = computed(() => (kit.value ? readingsOf(draft.value, kit.value) : []))
const after = computed(() => (kit.value ? judgeAfter(draft.value, kit.value, openedAtUtc) : null))
/** Goes back where it belongs when it is fit, unless somebody says otherwise. */
const backToShelf = computed({
  get: () => draft.value.backToShelf ?? (after.value?.condition === 'full' || after.value?.condition === 'half'),
  set: (chosen: boolean) => (draft.value.backToShelf = chosen),
})
const unpackLines = computed(() =>
  kit.value ? stepsOf(kit.value).flatMap(({ phase, lines }) => (phase === 'unpack' ? lines : [])) : [],
)

watch(kit, () => {
  if (wasKept) station.value = stations.value.find((name) => !done.value.includes(name)) ?? 'end'
})
// How long a station takes is measured, not asked.
useIntervalFn(() => {
  if (station.value !== 'end' && document.visibilityState === 'visible')
    draft.value.seconds[station.value] = (draft.value.seconds[station.value] ?? 0) + 5
}, 5000)

function next() {
  if (station.value === 'end') return void finish()
  const index = stations.value.indexOf(station.value)
  station.value = stations.value[index + 1] ?? 'end'
}
function back() {
  const index = station.value === 'end' ? stations.value.length : stations.value.indexOf(station.value)
  station.value = stations.value[Math.max(index - 1, 0)] ?? 'glass'
}

async function finish() {
  const sheet = kit.value
  if (!sheet) return
  const wentWell = await run(async (idempotencyKey) => {
    await api.act(`/api/kits/${sheet.id}/checks`, {
      idempotencyKey,
      kitVersion: sheet.version,
      stations: doneStations(draft.value, sheet),
      doneJobIds: benchJobs.value.filter(({ id }) => !draft.value.openJobIds.includes(id)).map(({ id }) => id),
      backToShelf: backToShelf.value,
      deviceUtc: new Date().toISOString(),
    })
  })
  if (wentWell) {
    discard()
    await router.push(`/kits/${encodeURIComponent(code)}`)
  } else if (problem.value?.code === 'KIT_CHANGED') await reload()
}
useKeys(() => ({ Enter: next, ArrowRight: next, ArrowLeft: back }))
</script>

<template>
  <main class="check flex flex-1 flex-col">
    <div class="page flex-1">
      <ProblemNote :problem="unreadable" @retry="reload" />
      <template v-if="kit">
        <header class="flex flex-wrap gap-14px items-center mb-22px">
          <h1>{{ kit.name }}</h1>
          <KitTag :code="kit.code" />
          <p class="quiet">
            {{ kit.modelName }}, f/{{ (kit.optics.focalLengthMm / kit.optics.apertureMm).toFixed(1) }}
            <template v-if="wasKept"><br />{{ t('takenUpWhereItWas') }}</template>
          </p>
          <ElButton link @click="toggle">
            {{ scheme === 'ember' ? t('paper') : t('ember') }}
          </ElButton>
          <StationLine :stations="stations" :current="station" :done="done" @go="station = $event" />
        </header>
        <p v-if="kit.loan" class="problem">{{ t('isOutTakeItBack', { name: kit.name }) }}</p>

        <div ref="bench" role="region" :aria-label="t('station')" class="bench" tabindex="-1">
          <AssemblyStation v-if="station === 'assembly'" v-model="draft.assembly" :kit="kit" @over="next" />
          <BalanceStation
            v-else-if="station === 'balance'"
            v-model="draft.balance"
            :kit="kit"
            @changed="kit = $event"
            @reload="reload"
          />
          <PlaceStation v-else-if="station === 'place'" v-model="draft.place" :kit="kit" />
          <CollimationStation
            v-else-if="station === 'collimation'"
            v-model="draft.collimation"
            :kit="kit"
            @changed="kit = $event"
            @reload="reload"
          />
          <FinderStation
            v-else-if="station === 'finder'"
            v-model="draft.finder"
            :kit="kit"
            @changed="kit = $event"
            @reload="reload"
          />
          <LetGoStation v-else-if="station === 'let-go'" v-model="draft.letGo" :kit="kit" />
          <FocusStation v-else-if="station === 'focus'" v-model="draft.focus" :kit="kit" />
          <PowerStation v-else-if="station === 'power'" v-model="draft.power" :kit="kit" />
          <JudgedStation
            v-else-if="station !== 'end'"
            :key="station"
            v-model="draft[station]"
            :station="station"
            :lines="station === 'glass' ? unpackLines : []"
            ><GlassLookPart
              v-if="station === 'glass'"
              v-model:pair="draft.glass"
              v-model:look="draft.glassLook"
              :kit="kit" /><StarLook
              v-if="station === 'star'"
              v-model:pair="draft.star"
              v-model:look="draft.starLook"
              :kit="kit"
          /></JudgedStation>
          <div v-else class="grid grid-cols-[repeat(auto-fit,minmax(min(340px,100%),1fr))] gap-y-24px gap-x-48px">
            <section>
              <h2 class="mx-0 mt-0 mb-10px line-b-rule-strong">{{ t('thisCheck') }}</h2>
              <p v-if="readings.length === 0">{{ t('noStationIsDoneYet') }}</p>
              <CheckReadings v-else :readings="readings" />
              <template v-if="benchJobs.length > 0">
                <h2 class="mx-0 mt-0 mb-10px line-b-rule-strong">{{ t('askedFor') }}</h2>
                <ElCheckbox
                  v-for="job in benchJobs"
                  :key="job.id"
                  class="flex gap-10px items-center min-h-40px text-16px"
                  :model-value="!draft.openJobIds.includes(job.id)"
                  @update:model-value="
                    draft.openJobIds = $event
                      ? draft.openJobIds.filter((id) => id !== job.id)
                      : [...draft.openJobIds, job.id]
                  "
                >
                  {{ t('seenTo', { text: job.text || job.code.replaceAll('-', ' ') }) }}
                </ElCheckbox>
              </template>
            </section>
            <section v-if="after">
              <h2 class="mx-0 mt-0 mb-10px line-b-rule-strong">{{ t('then') }}</h2>
              <p class="flex gap-14px items-center mb-10px text-19px lh-26px">
                <ConditionMoon class="flex-none" :condition="after.condition" :size="44" />
                <span><ReasonText :condition="after.condition" :reasons="after.reasons" remedy /></span>
              </p>
              <p v-for="(reason, index) in after.reasons.slice(1)" :key="index" class="second">
                {{ reasonSentence(reason) }}
              </p>
              <ElCheckbox v-model="backToShelf" class="flex gap-10px items-center min-h-40px text-16px">{{
                t('itGoesBackTo', { place: kit.place === 'bench' ? t('theShelf') : kit.place })
              }}</ElCheckbox>
              <ProblemNote :problem="problem" @retry="finish" />
            </section>
          </div>
        </div>
      </template>
    </div>
    <footer v-if="kit" class="actions">
      <ElButton v-if="station !== 'end'" type="primary" size="large" @click="next">
        {{ done.includes(station) ? t('nextStation') : t('leaveItOut') }} <KeyCap name="Enter" />
      </ElButton>
      <ElButton
        v-else
        type="primary"
        size="large"
        :disabled="sending || readings.length === 0 || !!kit.loan"
        @click="finish"
      >
        {{
          t('keepThisCheck', { conditionWords: after ? `: ${conditionWords[after.condition].toLowerCase()}` : '' })
        }}
        <KeyCap name="Enter" />
      </ElButton>
      <ElButton size="large" @click="back">{{ t('back') }} <KeyCap name="←" /></ElButton>
      <label v-if="station !== 'end'" class="w-300px max-[700px]:flex-[1_0_120px] max-[700px]:w-auto">
        <ElInput v-model="draft.notes[station]" :placeholder="t('note')" :aria-label="t('noteOnThisStation')" />
      </label>
      <RouterLink to="/bench">{{ t('goOnLater') }}</RouterLink>
    </footer>
  </main>
</template>

<style scoped>
.bench:focus {
  outline: none;
}

.actions {
  position: sticky;
  bottom: 0;

  /* Over the library's ticks, which lie above the page. */
  z-index: 10;
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 10px 24px;
  border-top: 1px solid var(--rule-strong);
  background: var(--well);
}

.actions a {
  margin-left: auto;
}

@media (max-width: 700px) {
  .actions {
    flex-wrap: wrap;
    padding: 8px 16px;
  }
}
</style>
