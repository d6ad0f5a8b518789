<script setup lang="ts">
import { mountDataSchema, type ModelSheet, type MountDataView, type StandView } from '@binoculum/contract'
import {
  armJoints,
  armJointWords,
  controllerFields,
  controllerFieldWords,
  fixingWords,
  homeDrawings,
  isComputedField,
  trays,
  trayWords,
  tubeFixings,
  usualStand,
  type ControllerField,
  type TubeFigures,
} from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import { fieldProblems } from '../../../shared/field-problems.ts'
import type { Loose } from '../../../shared/loose.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import HomeDrawing from '../../bench/HomeDrawing.vue'
import SetupTabs from '../SetupTabs.vue'
import FigureField from './FigureField.vue'
import KeptFormNote from './KeptFormNote.vue'
import ModelTabs from './ModelTabs.vue'
import { useKeptForm } from './use-kept-form.ts'

const route = useRoute()
const id = String(route.params.id)
const { data: sheet, problem: unreadable, reload } = useLoaded<ModelSheet>(`/api/models/${id}`)
const { sending, problem, run } = useSending()

type Form = Loose<MountDataView>

const place = () => ({ alongMm: null, radiusMm: null, angleDeg: null })
const emptyHead = (): NonNullable<Form['equatorial']> => ({
  shaftStartMm: null,
  shaftEndMm: null,
  weightThicknessMm: null,
  tubeAxisMm: null,
  latitudeScale: { minDeg: 20, maxDeg: 70, stepDeg: 2 },
  sightingScope: 'none',
})
const emptyTube = (): NonNullable<Form['tube']> => ({
  lengthMm: null,
  diameterMm: null,
  frontRingMm: null,
  finder: place(),
  eyepiece: place(),
})
const emptyForm = (): Form => ({
  ratedLoadG: null,
  use: 'visual',
  equatorial: null,
  tube: null,
  standHeightMm: null,
  controller: null,
  home: null,
})
const typed = ref<{ mount: Form; stand: StandView } | null>(null)
const form = computed(() => typed.value?.mount ?? emptyForm())
const stand = computed(() => typed.value?.stand ?? { ...usualStand('equatorial-reflector', []) })
const page = useKeptForm(`mount ${id}`, typed)
const kept = ref(false)
const tried = ref(false)
watch(sheet, (given) => {
  if (!given) return
  const roles = given.parts.map(({ role }) => role)
  const usual = { ...usualStand(given.family, roles) }
  page.begin({ mount: (given.mount ?? emptyForm()) as Form, stand: given.stand ?? usual }, given.version)
})
const wrong = computed(() => (tried.value ? fieldProblems(mountDataSchema, form.value) : {}))
const mayChange = computed(() => sheet.value?.mayChange ?? false)
const headFields = [
  ['shaftStartMm', 'bare shaft begins, from the right-ascension axis, mm'],
  ['shaftEndMm', 'bare shaft ends at the end stop, from the axis, mm'],
  ['weightThicknessMm', 'weight along the shaft, mm'],
  ['tubeAxisMm', 'middle of the tube from the axis, mm'],
] as const
const scaleFields = [
  ['minDeg', 'latitude scale from, °'],
  ['maxDeg', 'to, °'],
  ['stepDeg', 'a mark every, °'],
] as const
const tubeFields = [
  ['lengthMm', 'tube’s length, mm'],
  ['diameterMm', 'tube across, mm'],
  ['frontRingMm', 'front ring (or clamp) from the low end, mm'],
] as const
const placeFields = [
  ['alongMm', 'along the tube from the balance point, mm, + to the sky'],
  ['radiusMm', 'from the tube’s axis, mm'],
  ['angleDeg', 'direction, °: 0 away from the head, clockwise from behind'],
] as const
const tubePlaces: readonly (readonly [keyof Pick<TubeFigures, 'finder' | 'eyepiece'>, string])[] = [
  ['finder', 'Finder'],
  ['eyepiece', 'Eyepiece and diagonal'],
]
const asksWords = controllerFieldWords
/** Questions that nothing computes: the model says what to answer. */
const toldFields = computed(() => form.value.controller?.asks.filter((field) => !isComputedField(field)) ?? [])
function setAnswer(field: ControllerField, words: string) {
  const controller = form.value.controller
  if (controller) controller.answers = { ...controller.answers, [field]: words }
}

function toggleAsk(field: (typeof controllerFields)[number]) {
  const controller = form.value.controller
  if (!controller) return
  controller.asks = controller.asks.includes(field)
    ? controller.asks.filter((each) => each !== field)
    : [...controller.asks, field]
}
async function save() {
  tried.value = true
  const given = sheet.value
  const read = mountDataSchema.safeParse(form.value)
  if (!given || !read.success) return
  const went = await run(async () => {
    const answer = await api.put<ModelSheet>(`/api/models/${id}/mount`, {
      version: given.version,
      mount: read.data,
      stand: stand.value,
    })
    page.done()
    sheet.value = answer
  })
  kept.value = went
}
watch(typed, () => (kept.value = false), { deep: true })
</script>

<template>
  <main class="mount">
    <div class="page">
      <SetupTabs />
      <ProblemNote :problem="unreadable" @retry="reload" />
      <template v-if="sheet">
        <ModelTabs :model-id="id" :name="sheet.name" />
        <ProblemNote :problem="problem" @retry="reload" />
        <KeptFormNote :page="page" />
        <p v-if="!mayChange" class="quiet">Only a coordinator of every branch with such kits may change it.</p>
        <fieldset :disabled="!mayChange">
          <section>
            <h2>Load</h2>
            <FigureField
              v-model="form.ratedLoadG"
              label="rated load, g, weights left out"
              name="rated-load"
              :problem="wrong.ratedLoadG"
            />
            <label class="labelled"
              ><span>used for</span
              ><select v-model="form.use" class="field">
                <option value="visual">looking</option>
                <option value="exposure">long exposures</option>
              </select></label
            >
            <FigureField
              v-model="form.standHeightMm"
              label="legs’ hinge above the ground, mm"
              name="stand-height"
              :problem="wrong.standHeightMm"
            />
          </section>
          <section>
            <h2>Stand and joints</h2>
            <label class="labelled"
              ><span>tray or spreader</span
              ><ElSelect v-model="stand.tray" aria-label="tray or spreader">
                <ElOption v-for="each in trays" :key="each" :value="each" :label="trayWords[each]" /></ElSelect
            ></label>
            <label class="labelled"
              ><span>what holds the tube</span
              ><ElSelect v-model="stand.fixing" aria-label="what holds the tube">
                <ElOption
                  v-for="each in tubeFixings"
                  :key="each"
                  :value="each"
                  :label="fixingWords[each]" /></ElSelect
            ></label>
            <label class="labelled"
              ><span>head or arm on its legs</span
              ><ElSelect v-model="stand.armJoint" aria-label="head or arm on its legs" :empty-values="[undefined]">
                <ElOption :value="null" label="nothing sits on legs" />
                <ElOption
                  v-for="each in armJoints"
                  :key="each"
                  :value="each"
                  :label="armJointWords[each]" /></ElSelect
            ></label>
            <ElCheckbox v-model="stand.axisLocks">each axis has a lock</ElCheckbox>
          </section>
          <section>
            <h2>
              Equatorial head
              <button
                type="button"
                class="link-button"
                @click="form.equatorial = form.equatorial ? null : emptyHead()"
              >
                {{ form.equatorial ? 'has none' : 'it has one' }}
              </button>
            </h2>
            <template v-if="form.equatorial">
              <FigureField
                v-for="[key, words] in headFields"
                :key="key"
                :label="words"
                :name="key"
                :problem="wrong[`equatorial.${key}`]"
                :model-value="form.equatorial[key]"
                @update:model-value="(figure) => form.equatorial && (form.equatorial[key] = figure)"
              />
              <FigureField
                v-for="[key, words] in scaleFields"
                :key="key"
                :label="words"
                :name="`scale-${key}`"
                :problem="wrong[`equatorial.latitudeScale.${key}`]"
                :model-value="form.equatorial.latitudeScale[key]"
                @update:model-value="(figure) => form.equatorial && (form.equatorial.latitudeScale[key] = figure)"
              />
              <label class="labelled"
                ><span>polar sighting scope</span
                ><select v-model="form.equatorial.sightingScope" class="field">
                  <option value="none">none</option>
                  <option value="upright">shows the sky upright</option>
                  <option value="turned">turns it by half</option>
                </select></label
              >
            </template>
          </section>
          <section>
            <h2>
              Tube
              <button type="button" class="link-button" @click="form.tube = form.tube ? null : emptyTube()">
                {{ form.tube ? 'not measured' : 'measured' }}
              </button>
            </h2>
            <template v-if="form.tube">
              <FigureField
                v-for="[key, words] in tubeFields"
                :key="key"
                :label="words"
                :name="`tube-${key}`"
                :problem="wrong[`tube.${key}`]"
                :model-value="form.tube[key]"
                @update:model-value="(figure) => form.tube && (form.tube[key] = figure)"
              />
              <template v-for="[part, title] in tubePlaces" :key="part">
                <h3>{{ title }}</h3>
                <FigureField
                  v-for="[key, words] in placeFields"
                  :key="key"
                  :label="words"
                  :name="`${part}-${key}`"
                  :problem="wrong[`tube.${part}.${key}`]"
                  :model-value="form.tube[part][key]"
                  @update:model-value="(figure) => form.tube && (form.tube[part][key] = figure)"
                />
              </template>
            </template>
          </section>
          <section>
            <h2>
              Hand controller
              <button
                type="button"
                class="link-button"
                @click="
                  form.controller = form.controller
                    ? null
                    : { dateOrder: 'month-first', clock: '24h', asks: ['date', 'time', 'zone', 'daylight-saving'] }
                "
              >
                {{ form.controller ? 'has none' : 'it has one' }}
              </button>
            </h2>
            <template v-if="form.controller">
              <label class="labelled"
                ><span>date</span
                ><select v-model="form.controller.dateOrder" class="field">
                  <option value="day-first">day first</option>
                  <option value="month-first">month first</option>
                  <option value="year-first">year first</option>
                </select></label
              >
              <label class="labelled"
                ><span>clock</span
                ><select v-model="form.controller.clock" class="field">
                  <option value="24h">24 h</option>
                  <option value="12h">12 h</option>
                </select></label
              >
              <div class="asks">
                <em>it asks, in this order</em>
                <button
                  v-for="field in controllerFields"
                  :key="field"
                  type="button"
                  class="button"
                  :class="{ main: form.controller.asks.includes(field) }"
                  :aria-pressed="form.controller.asks.includes(field)"
                  @click="toggleAsk(field)"
                >
                  {{ form.controller.asks.includes(field) ? `${form.controller.asks.indexOf(field) + 1} ` : ''
                  }}{{ asksWords[field] }}
                </button>
                <i v-if="wrong['controller.asks']" class="rust">{{ wrong['controller.asks'] }}</i>
              </div>
              <label v-for="field in toldFields" :key="field" class="labelled"
                ><span>{{ controllerFieldWords[field] }}: what to answer</span
                ><ElInput
                  :model-value="form.controller.answers?.[field] ?? ''"
                  maxlength="120"
                  :name="`answer-${field}`"
                  @update:model-value="(words: string) => setAnswer(field, words)"
              /></label>
            </template>
          </section>
          <section class="home">
            <h2>
              Home position
              <button
                type="button"
                class="link-button"
                @click="form.home = form.home ? null : { steps: [''], drawing: 'equatorial' }"
              >
                {{ form.home ? 'has none' : 'it has one' }}
              </button>
            </h2>
            <template v-if="form.home">
              <HomeDrawing :drawing="form.home.drawing" :latitude-deg="52" />
              <div>
                <label class="labelled"
                  ><span>drawing</span
                  ><select v-model="form.home.drawing" class="field">
                    <option v-for="each in homeDrawings" :key="each" :value="each">{{ each }}</option>
                  </select></label
                >
                <label v-for="(step, index) in form.home.steps" :key="index" class="labelled"
                  ><span>{{ index + 1 }}</span
                  ><input
                    class="field"
                    maxlength="200"
                    :value="step"
                    @input="form.home && (form.home.steps[index] = ($event.target as HTMLInputElement).value)"
                  /><i v-if="wrong[`home.steps.${index}`]" class="rust">{{ wrong[`home.steps.${index}`] }}</i></label
                >
                <button type="button" class="link-button" @click="form.home.steps.push('')">another step</button>
                <button
                  v-if="form.home.steps.length > 1"
                  type="button"
                  class="link-button"
                  @click="form.home.steps.pop()"
                >
                  one fewer
                </button>
              </div>
            </template>
          </section>
        </fieldset>
      </template>
    </div>
    <footer v-if="sheet && mayChange" class="action-bar">
      <button type="button" class="button main big" :disabled="sending" @click="save">Keep these figures</button>
      <span v-if="kept" class="moss" role="status">Kept for all kits of this model.</span>
      <span v-else-if="Object.keys(wrong).length > 0" class="rust" role="alert"
        >{{ Object.keys(wrong).length === 1 ? 'One figure' : `${Object.keys(wrong).length} figures` }} can’t be used
        yet.</span
      >
    </footer>
  </main>
</template>

<style scoped src="../../../theme/action-bar.css"></style>

<style scoped>
.mount {
  display: flex;
  flex: 1;
  flex-direction: column;
}

.page {
  flex: 1;
}

fieldset {
  display: grid;
  gap: 22px;
  margin: 0;
  padding: 0;
  border: 0;
}

section {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 12px 20px;
  align-items: end;
}

h2,
h3 {
  grid-column: 1 / -1;
}

h2 {
  border-bottom: 1px solid var(--rule-strong);
}

h2 .link-button {
  margin-left: 12px;
  font: 400 15px var(--sans);
}

i {
  font-style: normal;
  font-size: 13px;
}

.asks {
  display: flex;
  flex-wrap: wrap;
  grid-column: 1 / -1;
  gap: 8px;
  align-items: center;
}

.home {
  grid-template-columns: 150px minmax(0, 1fr);
  align-items: start;
}

.home div {
  display: grid;
  gap: 8px;
  justify-items: start;
}

.home .labelled {
  width: 100%;
}
</style>
