<script setup lang="ts">
import { writeFinderSchema, type FinderDataView, type ModelSheet } from '@binoculum/contract'
import { finderKindWords, finderOnCard, nearFocus, nearFocusWords, usualFinder } from '@binoculum/core'
import { computed } from 'vue'
import type { Loose } from '../../../shared/loose.ts'
import FieldTable from '../fields/FieldTable.vue'
import { choice, choices, figure, text, type FieldSection } from '../fields/model-fields.ts'
import ModelFormPage from './ModelFormPage.vue'
import { useModelForm } from './use-model-form.ts'

/** A model's finder and its knobs, how the tube shows things, and how near it comes sharp. */
const page = useModelForm<Loose<Pick<ModelSheet, 'finderOffsetMm'> & { finder: FinderDataView }>>('finder', {
  schema: writeFinderSchema,
  begin: ({ finder, finderOffsetMm, optics, parts }) => ({
    finder: structuredClone(finderOnCard(finder ?? usualFinder(optics), parts)) as FinderDataView,
    finderOffsetMm,
  }),
})
const { form, sheet, wrong } = page
const onCard = computed(() => sheet.value?.parts.find(({ role }) => role === 'finder') ?? null)

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

const views = choices([
  ['correct', 'as the eye sees it'],
  ['turned', 'turned over'],
  ['mirrored', 'right and left exchanged'],
])
const trains = choices([
  ['newtonian', 'turned: a mirror tube'],
  ['mirror-diagonal', 'upright, right and left exchanged: a mirror diagonal'],
  ['erecting-diagonal', 'as the eye sees it: an erecting prism'],
  ['straight', 'turned over: straight through'],
])
const sections = computed<readonly FieldSection[]>(() => {
  const finder = form.value?.finder
  if (!finder) return []
  return [
    {
      key: 'finder',
      title: 'Finder',
      fields: [
        choice('finder.view', 'it shows things', views),
        figure('finder.arcminPerMark', 'marks of its own scale, ′ apart', 'none'),
        figure('finderOffsetMm.x', 'from the tube’s middle, mm right'),
        figure('finderOffsetMm.y', 'and mm up, seen from behind'),
      ],
    },
    ...finder.knobs.map((knob, i) => ({
      key: `knob-${i}`,
      title: `Its knob “${knob.name}”`,
      fields: [
        text(`finder.knobs.${i}.name`, 'name'),
        figure(`finder.knobs.${i}.angleDeg`, 'along, ° clockwise from up'),
        choice(
          `finder.knobs.${i}.clockwise`,
          'clockwise moves the dot',
          choices([
            ['towards', 'that way'],
            ['away', 'the other way'],
          ]),
        ),
        figure(`finder.knobs.${i}.arcminPerTurn`, 'one turn, ′'),
      ],
    })),
    {
      key: 'tube',
      title: 'What the tube shows, and how near',
      fields: [
        choice('finder.tube.train', 'the eyepiece shows things', trains),
        figure('finder.tube.outDeg', 'focuser or diagonal sticks out, ° clockwise from up, from behind'),
        choice(
          'finder.focusing',
          'it focuses by',
          choices([
            ['drawtube', 'racking its drawtube'],
            ['moving-mirror', 'moving its mirror'],
          ]),
        ),
        ...(finder.focusing === 'drawtube'
          ? [figure('finder.spareTravelMm', 'drawtube goes out beyond a star’s focus, mm')]
          : []),
        figure('finder.knownNearestM', 'nearest it came sharp in a trial, m', 'not tried'),
      ],
    },
  ]
})
</script>

<template>
  <ModelFormPage :page="page" keep="Keep finder and focuser">
    <template #notes>
      <p v-if="sheet && !sheet.finder" class="second">
        Nobody described this finder yet: what stands here is usual, no more.
      </p>
    </template>
    <FieldTable v-if="form" :form="form" :sections="sections" :wrong="wrong">
      <template #finder-before>
        <p class="labelled">
          <span>kind, from the part on the card</span>
          <strong>{{ finderKindWords[form.finder.kind] }}</strong>{{ ' ' }}
          <RouterLink :to="`/setup/models/${page.id}`" class="second">{{
            onCard ? `${onCard.name}: change it there` : 'no finder is on the card'
          }}</RouterLink>
        </p>
      </template>
      <template #knob-0-before>
        <p class="second col-span-full">
          Which way a turn clockwise, seen at the knob’s own head, brings the dot; the bench learns the rest from what
          turns do.
        </p>
      </template>
      <template #tube>
        <p class="near col-span-full [font:400_19px/25px_var(--serif)]" role="status">{{ near }}</p>
      </template>
    </FieldTable>
    <p v-if="wrong['finder.knobs']" class="rust">{{ wrong['finder.knobs'] }}</p>
  </ModelFormPage>
</template>
