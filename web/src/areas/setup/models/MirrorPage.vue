<script setup lang="ts">
import {
  mirrorDataSchema,
  mirrorOpticsSchema,
  type MirrorDataView,
  type MirrorOptics,
  type ModelSheet,
} from '@binoculum/contract'
import { cellThreads, peepholeTubeOf } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { z } from 'zod'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import { fieldProblems } from '../../../shared/field-problems.ts'
import type { Loose } from '../../../shared/loose.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import CellDrawing from '../../bench/collimation/CellDrawing.vue'
import PeepholePicture from '../../bench/collimation/PeepholePicture.vue'
import SetupTabs from '../SetupTabs.vue'
import FigureField from './FigureField.vue'
import KeptFormNote from './KeptFormNote.vue'
import ModelTabs from './ModelTabs.vue'
import { useKeptForm } from './use-kept-form.ts'

/** A model's mirrors, cell and cap: what lining up goes by. The drawings follow what is typed. */
const route = useRoute()
const id = String(route.params.id)
const { data: sheet, problem: unreadable, reload } = useLoaded<ModelSheet>(`/api/models/${id}`)
const { sending, problem, run } = useSending()

const ordinary = (apertureMm: number): MirrorDataView => ({
  correctorLens: false,
  cell: {
    screws: ['A', 'B', 'C'].map((name, i) => ({ name, angleDeg: 120 * i })),
    circleRadiusMm: Math.round(apertureMm * 0.38),
    pitchMm: 0.7,
    clockwise: 'towards-sky',
    locks: true,
  },
  holder: null,
  secondary: {
    minorAxisMm: Math.round(apertureMm * 0.3),
    offsetMm: 2,
    toFocusMm: Math.round(apertureMm / 2 + 85),
    vanes: 3,
  },
  mark: { outerDiameterMm: 8, innerDiameterMm: 4 },
  cap: { ringDiameterMm: 18, holeDiameterMm: 2 },
  drawtube: { innerDiameterMm: apertureMm > 140 ? 50.8 : 31.75, endToFocusMm: 62 },
  clips: 3,
})

const typed = ref<{ mirror: MirrorDataView | null; optics: Loose<MirrorOptics> } | null>(null)
const form = computed({
  get: () => typed.value?.mirror ?? null,
  set: (mirror) => typed.value && (typed.value.mirror = mirror),
})
const optics = computed(() => typed.value?.optics ?? null)
const page = useKeptForm(`mirror ${id}`, typed)
const kept = ref(false)
const tried = ref(false)
watch(sheet, (given) => {
  if (!given) return
  const { collimatable, primaryFocalLengthMm, mirrorFigure, peepholeOutsideFocusMm } = given.optics
  const read = { collimatable, primaryFocalLengthMm, mirrorFigure, peepholeOutsideFocusMm }
  page.begin({ mirror: given.mirror, optics: read }, given.version)
})
const schema = z.object({ mirror: mirrorDataSchema.nullable(), optics: mirrorOpticsSchema })
const wrong = computed(() => (tried.value ? fieldProblems(schema, { mirror: form.value, optics: optics.value }) : {}))
const mayChange = computed(() => sheet.value?.mayChange ?? false)
const shown = computed(() => (mirrorDataSchema.safeParse(form.value).success ? form.value : null))
const tube = computed(() => {
  const read = mirrorOpticsSchema.safeParse(optics.value)
  return shown.value && sheet.value && read.success
    ? peepholeTubeOf(shown.value, { ...sheet.value.optics, ...read.data })
    : null
})
const square = { axisErrorMm: { x: 0, y: 0 }, secondaryErrorMm: { x: 0, y: 0 } }

interface Field {
  readonly path: string
  readonly words: string
  readonly read: () => number | undefined
  /** Nothing written is missing: the schema says what is. */
  readonly write: (value: number | null) => void
}
const fields = computed<readonly { readonly title: string; readonly fields: readonly Field[] }[]>(() => {
  const data = form.value
  if (!data) return []
  const field = <T extends object>(owner: T, key: keyof T & string, at: string, words: string): Field => ({
    path: `mirror.${at}.${key}`,
    words,
    read: () => owner[key] as number | undefined,
    write: (value) => ((owner[key] as number | undefined) = value ?? undefined),
  })
  const { cell, holder, secondary, mark, cap, drawtube } = data
  return [
    ...(cell
      ? [
          {
            title: 'Primary’s cell, seen from behind',
            fields: [
              ...cell.screws.map((screw, i) => ({
                ...field(
                  screw,
                  'angleDeg',
                  `cell.screws.${i}`,
                  `screw ${screw.name}, ° clockwise from the focuser’s side`,
                ),
              })),
              field(cell, 'circleRadiusMm', 'cell', 'screws from the middle, mm'),
              field(cell, 'pitchMm', 'cell', 'thread’s pitch, mm'),
            ],
          },
        ]
      : []),
    ...(holder
      ? [
          {
            title: 'Secondary’s holder, looking into the open end',
            fields: [
              ...holder.screws.map((screw, i) => ({
                ...field(
                  screw,
                  'angleDeg',
                  `holder.screws.${i}`,
                  `screw ${screw.name}, ° clockwise from the focuser’s side`,
                ),
              })),
              field(holder, 'circleRadiusMm', 'holder', 'screws from the middle, mm'),
              field(holder, 'pitchMm', 'holder', 'thread’s pitch, mm'),
            ],
          },
        ]
      : []),
    {
      title: 'Secondary and drawtube',
      fields: [
        field(secondary, 'minorAxisMm', 'secondary', 'secondary across its short axis, mm'),
        field(secondary, 'offsetMm', 'secondary', 'set back from the focuser, mm'),
        field(secondary, 'toFocusMm', 'secondary', 'its middle to the focal plane, mm'),
        field(secondary, 'vanes', 'secondary', 'vanes'),
        field(drawtube, 'innerDiameterMm', 'drawtube', 'drawtube inside, mm'),
        field(drawtube, 'endToFocusMm', 'drawtube', 'its inner end to the focal plane, mm'),
        field(data, 'clips' as never, '', 'clips on the primary'),
      ].map((each) => (each.words === 'clips on the primary' ? { ...each, path: 'mirror.clips' } : each)),
    },
    {
      title: 'Mark and cap',
      fields: [
        ...(mark
          ? [
              field(mark, 'outerDiameterMm', 'mark', 'centre mark outside, mm'),
              field(mark, 'innerDiameterMm', 'mark', 'its hole, mm'),
            ]
          : []),
        field(cap, 'ringDiameterMm', 'cap', 'bright ring of the cap, mm'),
        field(cap, 'holeDiameterMm', 'cap', 'its hole, mm'),
      ],
    },
  ]
})

function toggle(part: 'cell' | 'holder' | 'mark') {
  const data = form.value
  const given = sheet.value
  if (!data || !given) return
  const fresh = ordinary(given.optics.apertureMm)
  if (data[part]) data[part] = null
  else if (part === 'holder')
    data.holder = {
      screws: ['1', '2', '3'].map((name, i) => ({ name, angleDeg: 120 * i })),
      circleRadiusMm: Math.round(data.secondary.minorAxisMm / 4),
      pitchMm: 0.7,
      clockwise: 'towards-primary',
    }
  else data[part] = fresh[part] as never
}
async function save() {
  tried.value = true
  const given = sheet.value
  const read = schema.safeParse({ mirror: form.value, optics: optics.value })
  if (!given || !read.success) return
  kept.value = await run(async () => {
    const answer = await api.put<ModelSheet>(`/api/models/${id}/mirror`, { version: given.version, ...read.data })
    page.done()
    sheet.value = answer
  })
}
watch(typed, () => (kept.value = false), { deep: true })
</script>

<template>
  <main>
    <div class="page">
      <SetupTabs />
      <ProblemNote :problem="unreadable" @retry="reload" />
      <template v-if="sheet && optics">
        <ModelTabs :model-id="id" :name="sheet.name" />
        <ProblemNote :problem="problem" @retry="reload" />
        <KeptFormNote :page="page" />
        <p v-if="!mayChange" class="quiet">Only a coordinator of every branch with such kits may change it.</p>
        <div class="columns">
          <fieldset :disabled="!mayChange">
            <section>
              <h2>Optics</h2>
              <label class="tick"
                ><input v-model="optics.collimatable" type="checkbox" /> the primary has adjusting screws; if not,
                star test and knock check only</label
              >
              <label v-if="form" class="tick"
                ><input v-model="form.correctorLens" type="checkbox" /> a lens in the drawtube, taken out before
                lining up</label
              >
              <FigureField
                v-model="optics.primaryFocalLengthMm"
                label="the primary’s own focal length, mm"
                name="optics.primaryFocalLengthMm"
                :problem="wrong['optics.primaryFocalLengthMm']"
              />
              <FigureField
                v-model="optics.peepholeOutsideFocusMm"
                label="cap’s hole outside the focal plane, mm, − inside"
                name="optics.peepholeOutsideFocusMm"
                :problem="wrong['optics.peepholeOutsideFocusMm']"
              />
              <label class="labelled"
                ><span>mirror’s figure</span
                ><select v-model="optics.mirrorFigure" class="field">
                  <option value="paraboloid">paraboloid</option>
                  <option value="sphere">sphere</option>
                  <option value="unknown">nobody knows</option>
                </select></label
              >
            </section>
            <p v-if="!form">
              Nobody measured this model’s mirrors yet: no screw can be named, and no picture be drawn.
              <button type="button" class="button" @click="form = ordinary(sheet.optics.apertureMm)">
                Begin with ordinary sizes
              </button>
            </p>
            <template v-else>
              <section>
                <h2>What it has</h2>
                <label class="tick"
                  ><input type="checkbox" :checked="!!form.cell" @change="toggle('cell')" /> primary’s screws</label
                >
                <label class="tick"
                  ><input type="checkbox" :checked="!!form.holder" @change="toggle('holder')" /> secondary’s
                  screws</label
                >
                <label class="tick"
                  ><input type="checkbox" :checked="!!form.mark" @change="toggle('mark')" /> a centre mark</label
                >
                <template v-if="form.cell">
                  <label class="tick"
                    ><input v-model="form.cell.locks" type="checkbox" /> locking screws beside them</label
                  >
                  <label class="labelled"
                    ><span>a primary screw, clockwise from behind, moves the mirror</span
                    ><select v-model="form.cell.clockwise" class="field" name="clockwise">
                      <option value="towards-sky">towards the sky</option>
                      <option value="away-from-sky">away from the sky</option>
                    </select></label
                  >
                  <label class="labelled"
                    ><span>its thread</span
                    ><select
                      class="field"
                      @change="form.cell.pitchMm = Number(($event.target as HTMLSelectElement).value)"
                    >
                      <option :value="form.cell.pitchMm">{{ form.cell.pitchMm }} mm as typed</option>
                      <option v-for="thread in cellThreads" :key="thread.name" :value="thread.pitchMm">
                        {{ thread.name }}, {{ thread.pitchMm.toFixed(3) }} mm
                      </option>
                    </select></label
                  >
                </template>
                <label v-if="form.holder" class="labelled"
                  ><span>a secondary screw, clockwise from the open end, moves its side</span
                  ><select v-model="form.holder.clockwise" class="field">
                    <option value="towards-primary">towards the primary</option>
                    <option value="away-from-primary">away from the primary</option>
                  </select></label
                >
              </section>
              <section v-for="group in fields" :key="group.title">
                <h2>{{ group.title }}</h2>
                <FigureField
                  v-for="each in group.fields"
                  :key="each.path"
                  :label="each.words"
                  :name="each.path"
                  :problem="wrong[each.path]"
                  :model-value="each.read() ?? null"
                  @update:model-value="each.write"
                />
              </section>
            </template>
          </fieldset>
          <aside v-if="tube && form">
            <em>through the peephole, all square; open end ↑</em>
            <PeepholePicture :tube="tube" :alignment="square" :screws="form.cell?.screws ?? []" plain />
            <template v-if="form.cell">
              <em>the cell from behind, focuser side ↑</em>
              <CellDrawing :screws="form.cell.screws" :locks="form.cell.locks" />
            </template>
          </aside>
        </div>
      </template>
    </div>
    <footer v-if="sheet && mayChange" class="action-bar">
      <button type="button" class="button main" :disabled="sending" @click="save">Keep mirrors and cell</button>
      <p v-if="kept" role="status">Kept.</p>
      <p v-else-if="Object.keys(wrong).length > 0" class="problem" role="alert">
        {{ Object.values(wrong)[0] }}
      </p>
    </footer>
  </main>
</template>

<style scoped src="../../../theme/action-bar.css"></style>

<style scoped>
main {
  display: flex;
  flex: 1;
  flex-direction: column;
}

.page {
  flex: 1;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 20px 44px;
}

fieldset {
  margin: 0;
  padding: 0;
  border: 0;
}

section {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 10px 20px;
  margin-bottom: 20px;
}

h2 {
  grid-column: 1 / -1;
  border-bottom: 1px solid var(--rule-strong);
}

.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 40px;
}

aside {
  display: grid;
  gap: 8px;
  align-content: start;
}

@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
