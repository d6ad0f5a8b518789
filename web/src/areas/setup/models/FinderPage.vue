<script setup lang="ts">
import { writeFinderSchema, type FinderDataView, type ModelSheet } from '@binoculum/contract'
import { finderKindWords, finderKinds, nearFocus, nearFocusWords, usualFinder, usualKnobs } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import { fieldProblems } from '../../../shared/field-problems.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import SetupTabs from '../SetupTabs.vue'
import ModelTabs from './ModelTabs.vue'

/** A model's finder and its knobs, how the tube shows things, and how near it comes sharp. */
const route = useRoute()
const id = String(route.params.id)
const { data: sheet, problem: unreadable, reload } = useLoaded<ModelSheet>(`/api/models/${id}`)
const { sending, problem, run } = useSending()

interface Form {
  finder: FinderDataView
  finderOffsetMm: { x: number; y: number }
}
const form = ref<Form | null>(null)
const tried = ref(false)
const kept = ref(false)
watch(sheet, (given) => {
  if (!given) return
  const usual = usualFinder(given.optics)
  form.value = structuredClone({
    finder: (given.finder ?? { ...usual, knobs: [...usual.knobs] }) as FinderDataView,
    finderOffsetMm: given.finderOffsetMm,
  })
})
watch(form, () => (kept.value = false), { deep: true })
const body = computed(() => ({ version: sheet.value?.version ?? 0, ...form.value }))
const wrong = computed<Record<string, string>>(() =>
  tried.value ? fieldProblems(writeFinderSchema, body.value) : {},
)
const near = computed(() => {
  const { finder } = form.value ?? {}
  if (!finder || !sheet.value) return ''
  const { focusing, spareTravelMm, knownNearestM } = finder
  const ok = (mm: number | null) => mm !== null && mm > 0
  return nearFocusWords(
    nearFocus({
      focalLengthMm: sheet.value.optics.focalLengthMm,
      focusing,
      ...(ok(spareTravelMm) ? { spareTravelMm: spareTravelMm as number } : {}),
      ...(ok(knownNearestM) ? { knownNearestM: knownNearestM as number } : {}),
    }),
  )
})
const number = (event: Event) => {
  const text = (event.target as HTMLInputElement).value.trim()
  return text === '' ? null : Number(text)
}
function setKind(kind: FinderDataView['kind']) {
  if (form.value) Object.assign(form.value.finder, { kind, knobs: usualKnobs(kind) })
}
async function save() {
  tried.value = true
  const read = writeFinderSchema.safeParse(body.value)
  if (!read.success) return
  kept.value = await run(async () => {
    sheet.value = await api.put<ModelSheet>(`/api/models/${id}/finder`, read.data)
  })
}
const trains = [
  ['newtonian', 'turned: a mirror tube'],
  ['mirror-diagonal', 'upright, right and left exchanged: a mirror diagonal'],
  ['erecting-diagonal', 'as the eye sees it: an erecting prism'],
  ['straight', 'turned over: straight through'],
] as const
const views = [
  ['correct', 'as the eye sees it'],
  ['turned', 'turned over'],
  ['mirrored', 'right and left exchanged'],
] as const
</script>

<template>
  <main class="page">
    <SetupTabs />
    <ProblemNote :problem="unreadable" @retry="reload" />
    <template v-if="sheet && form">
      <ModelTabs :model-id="sheet.id" :name="sheet.name" />
      <p v-if="!sheet.finder" class="second">Nobody described this finder yet: what stands here is usual, no more.</p>
      <form novalidate @submit.prevent="save">
        <fieldset :disabled="!sheet.mayChange">
          <section>
            <h2>Finder</h2>
            <label class="labelled"
              ><span>kind</span
              ><select
                class="field"
                name="finder.kind"
                :value="form.finder.kind"
                @change="setKind(($event.target as HTMLSelectElement).value as FinderDataView['kind'])"
              >
                <option v-for="kind in finderKinds" :key="kind" :value="kind">{{ finderKindWords[kind] }}</option>
              </select></label
            >
            <label class="labelled"
              ><span>it shows things</span
              ><select v-model="form.finder.view" class="field" name="finder.view">
                <option v-for="[value, words] in views" :key="value" :value="value">{{ words }}</option>
              </select></label
            >
            <label class="labelled"
              ><span>marks of its own scale, ′ apart</span
              ><input
                class="field"
                type="number"
                step="any"
                name="finder.arcminPerMark"
                placeholder="none"
                :value="form.finder.arcminPerMark"
                @input="form.finder.arcminPerMark = number($event)"
              /><i v-if="wrong['finder.arcminPerMark']" class="rust">{{ wrong['finder.arcminPerMark'] }}</i></label
            >
            <label class="labelled"
              ><span>from the tube’s middle, mm right</span
              ><input
                class="field"
                type="number"
                step="any"
                name="finderOffsetMm.x"
                :value="form.finderOffsetMm.x"
                @input="form.finderOffsetMm.x = number($event) as number"
              /><i v-if="wrong['finderOffsetMm.x']" class="rust">{{ wrong['finderOffsetMm.x'] }}</i></label
            >
            <label class="labelled"
              ><span>and mm up, seen from behind</span
              ><input
                class="field"
                type="number"
                step="any"
                name="finderOffsetMm.y"
                :value="form.finderOffsetMm.y"
                @input="form.finderOffsetMm.y = number($event) as number"
              /><i v-if="wrong['finderOffsetMm.y']" class="rust">{{ wrong['finderOffsetMm.y'] }}</i></label
            >
          </section>
          <section v-if="form.finder.knobs.length > 0">
            <h2>Its knobs</h2>
            <p class="second">
              Which way a turn clockwise, seen at the knob’s own head, brings the dot; the bench learns the rest from
              what turns do.
            </p>
            <div v-for="(knob, i) in form.finder.knobs" :key="i" class="knob">
              <label class="labelled"
                ><span>name</span><input v-model="knob.name" class="field" :name="`finder.knobs.${i}.name`" /><i
                  v-if="wrong[`finder.knobs.${i}.name`]"
                  class="rust"
                  >{{ wrong[`finder.knobs.${i}.name`] }}</i
                ></label
              >
              <label class="labelled"
                ><span>along, ° clockwise from up</span
                ><input
                  class="field"
                  type="number"
                  :name="`finder.knobs.${i}.angleDeg`"
                  :value="knob.angleDeg"
                  @input="knob.angleDeg = number($event) as number"
                /><i v-if="wrong[`finder.knobs.${i}.angleDeg`]" class="rust">{{
                  wrong[`finder.knobs.${i}.angleDeg`]
                }}</i></label
              >
              <label class="labelled"
                ><span>clockwise moves the dot</span
                ><select v-model="knob.clockwise" class="field" :name="`finder.knobs.${i}.clockwise`">
                  <option value="towards">that way</option>
                  <option value="away">the other way</option>
                </select></label
              >
              <label class="labelled"
                ><span>one turn, ′</span
                ><input
                  class="field"
                  type="number"
                  step="any"
                  :name="`finder.knobs.${i}.arcminPerTurn`"
                  :value="knob.arcminPerTurn"
                  @input="knob.arcminPerTurn = number($event) as number"
                /><i v-if="wrong[`finder.knobs.${i}.arcminPerTurn`]" class="rust">{{
                  wrong[`finder.knobs.${i}.arcminPerTurn`]
                }}</i></label
              >
            </div>
          </section>
          <section>
            <h2>What the tube shows, and how near</h2>
            <label class="labelled"
              ><span>the eyepiece shows things</span
              ><select v-model="form.finder.tube.train" class="field" name="finder.tube.train">
                <option v-for="[value, words] in trains" :key="value" :value="value">{{ words }}</option>
              </select></label
            >
            <label class="labelled"
              ><span>focuser or diagonal sticks out, ° clockwise from up, from behind</span
              ><input
                class="field"
                type="number"
                name="finder.tube.outDeg"
                :value="form.finder.tube.outDeg"
                @input="form.finder.tube.outDeg = number($event) as number"
              /><i v-if="wrong['finder.tube.outDeg']" class="rust">{{ wrong['finder.tube.outDeg'] }}</i></label
            >
            <label class="labelled"
              ><span>it focuses by</span
              ><select v-model="form.finder.focusing" class="field" name="finder.focusing">
                <option value="drawtube">racking its drawtube</option>
                <option value="moving-mirror">moving its mirror</option>
              </select></label
            >
            <label v-if="form.finder.focusing === 'drawtube'" class="labelled"
              ><span>drawtube goes out beyond a star’s focus, mm</span
              ><input
                class="field"
                type="number"
                step="any"
                name="finder.spareTravelMm"
                :value="form.finder.spareTravelMm"
                @input="form.finder.spareTravelMm = number($event)"
              /><i v-if="wrong['finder.spareTravelMm']" class="rust">{{ wrong['finder.spareTravelMm'] }}</i></label
            >
            <label class="labelled"
              ><span>nearest it came sharp in a trial, m</span
              ><input
                class="field"
                type="number"
                step="any"
                name="finder.knownNearestM"
                placeholder="not tried"
                :value="form.finder.knownNearestM"
                @input="form.finder.knownNearestM = number($event)"
              /><i v-if="wrong['finder.knownNearestM']" class="rust">{{ wrong['finder.knownNearestM'] }}</i></label
            >
            <p class="near" role="status">{{ near }}</p>
          </section>
          <p v-if="wrong['finder.knobs']" class="rust">{{ wrong['finder.knobs'] }}</p>
          <p class="row">
            <button type="submit" class="button main" :disabled="sending">Keep finder and focuser</button>
            <span v-if="kept" role="status">Kept.</span>
          </p>
          <ProblemNote :problem="problem" @retry="reload" />
        </fieldset>
      </form>
    </template>
  </main>
</template>

<style scoped>
fieldset {
  display: grid;
  gap: 18px;
  margin: 0;
  padding: 0;
  border: 0;
}

section {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 10px 20px;
  align-items: end;
}

section h2,
section > .second,
.knob,
.near {
  grid-column: 1 / -1;
}

.knob {
  display: grid;
  grid-template-columns: repeat(4, minmax(120px, 1fr));
  gap: 14px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}

.near {
  font: 400 19px/25px var(--serif);
}

.row {
  display: flex;
  gap: 14px;
  align-items: center;
}

@media (max-width: 900px) {
  .knob {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
