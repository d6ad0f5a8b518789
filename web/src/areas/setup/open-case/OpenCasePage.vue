<script setup lang="ts">
import type { PointXY } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import FileButton from '../../../shared/controls/FileButton.vue'
import KitTag from '../../../shared/drawings/KitTag.vue'
import CasePlaces from '../../../shared/open-case/CasePlaces.vue'
import ProblemNote from '../../../shared/ProblemNote.vue'
import { whenText } from '../../../shared/dates.ts'
import { useSession } from '../../people/session.ts'
import SetupTabs from '../SetupTabs.vue'
import { useOpenCaseSetup } from './use-open-case-setup.ts'
import { setupWords } from '../words.ts'

const t = setupWords('openCasePage')

/** How a kit's case looks when it is open and complete, so that a picture can tell what differs. */
const code = String(useRoute().params.code)
const session = useSession()
const setup = useOpenCaseSetup(code)
const { data, width, height, caseMm, places, chosenId, changed, straight, stillWanted, corners } = setup
const mayDraw = computed(() => !!data.value && session.may(data.value.branchId, 'coordinator'))
const isReady = computed(() => stillWanted.value === 0 && places.value.length > 0 && !changed.value)

/** The library takes an empty value for no choice at all. */
const NOTHING = 'nothing'
const lineWords = (partId: string | null) => {
  const line = data.value?.parts.find(({ id }) => id === partId)
  return line ? `${line.number} ${line.name}` : t('nothingLiesHere')
}
const labels = computed(() =>
  Object.fromEntries(
    places.value.map(({ id, partId }) => [
      id,
      String(data.value?.parts.find((part) => part.id === partId)?.number ?? '–'),
    ]),
  ),
)

const names = computed(() => Object.fromEntries(places.value.map(({ id, partId }) => [id, lineWords(partId)])))

const shape = ref<'rectangle' | 'outline'>('rectangle')
watch(shape, () => (corners.value = []))
/** As far as it is drawn, to where the pointer is. */
const soFar = computed(() =>
  [...corners.value, ...(to.value ? [to.value] : [])].map(({ x, y }) => `${x},${y}`).join(' '),
)

/** The pointer's place in mm of the case. */
const from = ref<PointXY | null>(null)
const to = ref<PointXY | null>(null)
const sheet = ref<HTMLElement | null>(null)
function placeOf(event: PointerEvent): PointXY | null {
  const box = sheet.value?.querySelector('svg')?.getBoundingClientRect()
  if (!box || !caseMm.value) return null
  return {
    x: ((event.clientX - box.left) / box.width) * caseMm.value.width,
    y: ((event.clientY - box.top) / box.height) * caseMm.value.height,
  }
}
function begin(event: PointerEvent) {
  if (!mayDraw.value || event.button !== 0) return
  const at = placeOf(event)
  if (shape.value === 'outline') return at && setup.addCorner(at)
  from.value = at
  to.value = from.value
}
function drag(event: PointerEvent) {
  if (from.value || corners.value.length > 0) to.value = placeOf(event)
}
function end() {
  if (from.value && to.value) setup.draw(from.value, to.value)
  from.value = null
}
const stretched = computed(() => {
  if (!from.value || !to.value) return null
  return {
    x: Math.min(from.value.x, to.value.x),
    y: Math.min(from.value.y, to.value.y),
    width: Math.abs(to.value.x - from.value.x),
    height: Math.abs(to.value.y - from.value.y),
  }
})
</script>

<template>
  <main class="page">
    <SetupTabs />
    <ProblemNote :problem="setup.problem.value" @retry="setup.reload" />
    <template v-if="data">
      <header class="flex flex-wrap gap-y-0 gap-x-14px items-center">
        <h1>{{ t('theOpenCaseOf', { kitName: data.kitName }) }}</h1>
        <KitTag :code="data.kitCode" />
        <RouterLink :to="`/kits/${encodeURIComponent(data.kitCode)}`">{{ t('toItsSheet') }}</RouterLink>
      </header>
      <p class="second">
        {{ t('withFourMarksInIts') }}
      </p>
      <div
        class="columns grid grid-cols-[minmax(0,1fr)_minmax(280px,360px)] gap-24px items-start max-[800px]:grid-cols-[minmax(0,1fr)]"
      >
        <section>
          <div
            v-if="caseMm && (straight || places.length > 0)"
            ref="sheet"
            :class="['sheet', { drawing: mayDraw }]"
            @pointerdown="begin"
            @pointermove="drag"
            @pointerup="end"
            @pointerleave="from = null"
          >
            <CasePlaces
              :case-mm="caseMm"
              :places="places"
              :picture="straight"
              :labels="labels"
              :names="names"
              :chosen-id="chosenId"
              @choose="chosenId = $event"
            >
              <rect
                v-if="stretched"
                v-bind="stretched"
                class="[fill:rgb(255_210_122_/_25%)] [stroke:#ffd27a] stroke-2 pointer-events-none"
              />
              <g
                v-if="corners.length > 0"
                class="[fill:rgb(255_210_122_/_25%)] [stroke:#ffd27a] stroke-2 pointer-events-none"
              >
                <polyline class="fill-none" :points="soFar" />
                <circle v-for="(corner, index) in corners" :key="index" :cx="corner.x" :cy="corner.y" r="3" />
              </g>
            </CasePlaces>
          </div>
          <p v-else class="grid place-items-center min-h-260px line-dashed-rule-strong text-quiet">
            {{ t('theStraightenedPictureStandsHere') }}
          </p>
          <div v-if="mayDraw && straight" class="ways flex gap-12px items-center mt-8px">
            <ElRadioGroup v-model="shape" :aria-label="t('howACompartmentIsDrawn')">
              <ElRadioButton value="rectangle">{{ t('rectangle') }}</ElRadioButton>
              <ElRadioButton value="outline">{{ t('outline') }}</ElRadioButton>
            </ElRadioGroup>
            <ElButton v-if="corners.length >= 3" @click="setup.closeOutline">{{ t('closeIt') }}</ElButton>
            <ElButton v-if="corners.length > 0" link @click="corners = []">{{ t('startAgain') }}</ElButton>
          </div>
          <p v-if="mayDraw && straight" class="second">
            {{
              t('drawEmptyOnesTooSomething', {
                shape: shape === 'rectangle' ? t('drawARectangleOverEach') : t('tapCornerAfterCornerRound'),
              })
            }}
          </p>
        </section>
        <aside class="grid gap-16px">
          <section>
            <h2>{{ t('itsMarks') }}</h2>
            <p>
              <RouterLink :to="{ path: '/setup/labels', query: { kind: 'case-marks', kits: data.kitCode } }">{{
                t('printTheFourMarks')
              }}</RouterLink>{{ t('glueThemInAndMeasure') }}
            </p>
            <div class="grid grid-cols-[1fr_1fr] gap-10px">
              <FigureInput
                v-model="width"
                :label="t('widthOverTheMarks')"
                name="case-width"
                :unit="t('mmWide')"
                :disabled="!mayDraw"
              />
              <FigureInput
                v-model="height"
                :label="t('heightOverTheMarks')"
                name="case-height"
                :unit="t('mmDeep')"
                :disabled="!mayDraw"
              />
            </div>
          </section>
          <section>
            <h2>
              {{ t('complete') }}
              <em>{{
                stillWanted > 0 ? t('morePicturesByOtherLight', { n: stillWanted }) : t('enoughToCompare')
              }}</em>
            </h2>
            <ul :aria-label="t('picturesOfTheCompleteCase')" class="mx-0 mt-0 mb-8px p-0 list-none">
              <li
                v-for="view in data.references"
                :key="view.id"
                class="grid grid-cols-[80px_1fr_auto] gap-10px items-center py-4px px-0"
              >
                <img
                  class="[object-fit:cover]"
                  :src="`/api/pictures/${view.pictureId}`"
                  alt=""
                  width="80"
                  height="60"
                />
                <span
                  >{{ view.referenceFor === null ? t('theWholeCase') : t('learntAtATakeBack') }}<br /><span
                    class="second"
                    >{{ whenText(view.atUtc, data.zone) }}, {{ view.by }}</span
                  ></span
                >
                <ElButton link @click="setup.forget(view.id)">{{ t('forgetIt') }}</ElButton>
              </li>
            </ul>
            <FileButton accept="image/*" :disabled="!caseMm" :busy="setup.sending.value" @take="setup.add">{{
              t('aPictureOfTheComplete')
            }}</FileButton>
            <p v-if="!caseMm" class="second">{{ t('firstItsWidthAndHeight') }}</p>
            <p v-if="setup.pictureProblem.value" class="problem" role="alert">{{ setup.pictureProblem.value }}</p>
          </section>
          <section v-if="places.length > 0">
            <h2>
              {{ t('whatLiesWhere') }} <em>{{ places.length }}</em>
            </h2>
            <ol :aria-label="t('whatLiesWhere')" class="places mx-0 mt-0 mb-8px p-0 list-none">
              <li
                v-for="place in places"
                :key="place.id"
                class="grid grid-cols-[1fr_auto] gap-8px items-center py-3px px-6px line-l-3-transparent"
                :class="{ chosen: place.id === chosenId }"
              >
                <ElSelect
                  :model-value="place.partId ?? NOTHING"
                  :aria-label="t('whatLiesInCompartment', { labels: labels[place.id] })"
                  :disabled="!mayDraw"
                  filterable
                  @update:model-value="setup.tie(place.id, $event === NOTHING ? null : $event)"
                  @focus="chosenId = place.id"
                >
                  <ElOption :value="NOTHING" :label="t('nothingLiesHere')" />
                  <ElOption v-for="line in data.parts" :key="line.id" :value="line.id" :label="lineWords(line.id)" />
                </ElSelect>
                <ElButton v-if="mayDraw" link @click="setup.takeOff(place.id)">{{ t('takeOff') }}</ElButton>
              </li>
            </ol>
          </section>
          <ProblemNote :problem="setup.refused.value" @retry="setup.save" />
          <ElButton
            v-if="mayDraw"
            type="primary"
            size="large"
            :disabled="!caseMm || (!changed && data.caseMm?.width === width && data.caseMm?.height === height)"
            :loading="setup.sending.value"
            @click="setup.save"
            >{{ t('keepItSo') }}</ElButton
          >
          <p v-if="isReady" class="moss">{{ t('readyAtTheNextTake') }}</p>
        </aside>
      </div>
    </template>
  </main>
</template>

<style scoped>
header + .second {
  margin-bottom: 14px;
}

.drawing {
  cursor: crosshair;
}

.places .chosen {
  border-left-color: var(--brass);
}
</style>
