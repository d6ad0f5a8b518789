<script setup lang="ts">
import { writeFinderSchema, type FinderDataView, type ModelSheet } from '@binoculum/contract'
import { finderKindWords, finderOnCard, nearFocus, nearFocusWords, usualFinder } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import { fieldProblems } from '../../../shared/field-problems.ts'
import type { Loose } from '../../../shared/loose.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import SetupTabs from '../SetupTabs.vue'
import FigureField from './FigureField.vue'
import KeptFormNote from './KeptFormNote.vue'
import ModelTabs from './ModelTabs.vue'
import { useKeptForm } from './use-kept-form.ts'

/** A model's finder and its knobs, how the tube shows things, and how near it comes sharp. */
const route = useRoute()
const id = String(route.params.id)
const { data: sheet, problem: unreadable, reload } = useLoaded<ModelSheet>(`/api/models/${id}`)
const { sending, problem, run } = useSending()

type Form = Loose<Pick<ModelSheet, 'finderOffsetMm'> & { finder: FinderDataView }>
const form = ref<Form | null>(null)
const page = useKeptForm(`finder ${id}`, form)
const tried = ref(false)
const kept = ref(false)
watch(sheet, (given) => {
  if (!given) return
  const described = given.finder ?? usualFinder(given.optics)
  const finder = structuredClone(finderOnCard(described, given.parts)) as FinderDataView
  page.begin({ finder, finderOffsetMm: given.finderOffsetMm }, given.version)
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
const onCard = computed(() => sheet.value?.parts.find(({ role }) => role === 'finder') ?? null)
async function save() {
  tried.value = true
  const read = writeFinderSchema.safeParse(body.value)
  if (!read.success) return
  kept.value = await run(async () => {
    const answer = await api.put<ModelSheet>(`/api/models/${id}/finder`, read.data)
    page.done()
    sheet.value = answer
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
            <p class="labelled">
              <span>kind, from the part on the card</span>
              <strong>{{ finderKindWords[form.finder.kind] }}</strong>
              <RouterLink :to="`/setup/models/${id}`" class="second">{{
                onCard ? `${onCard.name}: change it there` : 'no finder is on the card'
              }}</RouterLink>
            </p>
            <label class="labelled"
              ><span>it shows things</span
              ><select v-model="form.finder.view" class="field" name="finder.view">
                <option v-for="[value, words] in views" :key="value" :value="value">{{ words }}</option>
              </select></label
            >
            <FigureField
              v-model="form.finder.arcminPerMark"
              label="marks of its own scale, ′ apart"
              name="finder.arcminPerMark"
              placeholder="none"
              :problem="wrong['finder.arcminPerMark']"
            />
            <FigureField
              v-model="form.finderOffsetMm.x"
              label="from the tube’s middle, mm right"
              name="finderOffsetMm.x"
              :problem="wrong['finderOffsetMm.x']"
            />
            <FigureField
              v-model="form.finderOffsetMm.y"
              label="and mm up, seen from behind"
              name="finderOffsetMm.y"
              :problem="wrong['finderOffsetMm.y']"
            />
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
              <FigureField
                v-model="knob.angleDeg"
                label="along, ° clockwise from up"
                :name="`finder.knobs.${i}.angleDeg`"
                :problem="wrong[`finder.knobs.${i}.angleDeg`]"
              />
              <label class="labelled"
                ><span>clockwise moves the dot</span
                ><select v-model="knob.clockwise" class="field" :name="`finder.knobs.${i}.clockwise`">
                  <option value="towards">that way</option>
                  <option value="away">the other way</option>
                </select></label
              >
              <FigureField
                v-model="knob.arcminPerTurn"
                label="one turn, ′"
                :name="`finder.knobs.${i}.arcminPerTurn`"
                :problem="wrong[`finder.knobs.${i}.arcminPerTurn`]"
              />
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
            <FigureField
              v-model="form.finder.tube.outDeg"
              label="focuser or diagonal sticks out, ° clockwise from up, from behind"
              name="finder.tube.outDeg"
              :problem="wrong['finder.tube.outDeg']"
            />
            <label class="labelled"
              ><span>it focuses by</span
              ><select v-model="form.finder.focusing" class="field" name="finder.focusing">
                <option value="drawtube">racking its drawtube</option>
                <option value="moving-mirror">moving its mirror</option>
              </select></label
            >
            <FigureField
              v-if="form.finder.focusing === 'drawtube'"
              v-model="form.finder.spareTravelMm"
              label="drawtube goes out beyond a star’s focus, mm"
              name="finder.spareTravelMm"
              :problem="wrong['finder.spareTravelMm']"
            />
            <FigureField
              v-model="form.finder.knownNearestM"
              label="nearest it came sharp in a trial, m"
              name="finder.knownNearestM"
              placeholder="not tried"
              :problem="wrong['finder.knownNearestM']"
            />
            <p class="near" role="status">{{ near }}</p>
          </section>
          <p v-if="wrong['finder.knobs']" class="rust">{{ wrong['finder.knobs'] }}</p>
          <p class="row">
            <button type="submit" class="button main" :disabled="sending">Keep finder and focuser</button>
            <span v-if="kept" role="status">Kept.</span>
          </p>
          <ProblemNote :problem="problem" @retry="reload" />
          <KeptFormNote :page="page" />
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
