<script setup lang="ts">
import { writeFinderSchema, type FinderDataView, type ModelSheet } from '@binoculum/contract'
import { finderKindWords, finderOnCard, nearFocus, nearFocusWords, usualFinder } from '@binoculum/core'
import { computed } from 'vue'
import type { Loose } from '../../../shared/loose.ts'
import FieldTable from '../fields/FieldTable.vue'
import { choice, choices, figure, text, type FieldSection } from '../fields/model-fields.ts'
import ModelFormPage from './ModelFormPage.vue'
import { useModelForm } from './use-model-form.ts'
import { setupWords } from '../words.ts'

const t = setupWords('finderPage')

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
  ['correct', t('asTheEyeSeesIt')],
  ['turned', t('turnedOver')],
  ['mirrored', t('rightAndLeftExchanged')],
])
const trains = choices([
  ['newtonian', t('turnedAMirrorTube')],
  ['mirror-diagonal', t('uprightRightAndLeftExchanged')],
  ['erecting-diagonal', t('asTheEyeSeesItAn')],
  ['straight', t('turnedOverStraightThrough')],
])
const sections = computed<readonly FieldSection[]>(() => {
  const finder = form.value?.finder
  if (!finder) return []
  return [
    {
      key: 'finder',
      title: t('finder'),
      fields: [
        choice('finder.view', t('itShowsThings'), views),
        figure('finder.arcminPerMark', t('marksOfItsOwnScale'), t('none')),
        figure('finderOffsetMm.x', t('fromTheTubesMiddleMm')),
        figure('finderOffsetMm.y', t('andMmUpSeenFrom')),
      ],
    },
    ...finder.knobs.map((knob, i) => ({
      key: `knob-${i}`,
      title: t('itsKnob', { name: knob.name }),
      fields: [
        text(`finder.knobs.${i}.name`, t('name')),
        figure(`finder.knobs.${i}.angleDeg`, t('alongClockwiseFromUp')),
        choice(
          `finder.knobs.${i}.clockwise`,
          t('clockwiseMovesTheDot'),
          choices([
            ['towards', t('thatWay')],
            ['away', t('theOtherWay')],
          ]),
        ),
        figure(`finder.knobs.${i}.arcminPerTurn`, t('oneTurn')),
      ],
    })),
    {
      key: 'tube',
      title: t('whatTheTubeShowsAnd'),
      fields: [
        choice('finder.tube.train', t('theEyepieceShowsThings'), trains),
        figure('finder.tube.outDeg', t('focuserOrDiagonalSticksOut')),
        choice(
          'finder.focusing',
          t('itFocusesBy'),
          choices([
            ['drawtube', t('rackingItsDrawtube')],
            ['moving-mirror', t('movingItsMirror')],
          ]),
        ),
        ...(finder.focusing === 'drawtube' ? [figure('finder.spareTravelMm', t('drawtubeGoesOutBeyondA'))] : []),
        figure('finder.knownNearestM', t('nearestItCameSharpIn'), t('notTried')),
      ],
    },
  ]
})
</script>

<template>
  <ModelFormPage :page="page" :keep="t('keepFinderAndFocuser')">
    <template #notes>
      <p v-if="sheet && !sheet.finder" class="second">
        {{ t('nobodyDescribedThisFinderYet') }}
      </p>
    </template>
    <FieldTable v-if="form" :form="form" :sections="sections" :wrong="wrong">
      <template #finder-before>
        <p class="labelled">
          <span>{{ t('kindFromThePartOn') }}</span>
          <strong>{{ finderKindWords[form.finder.kind] }}</strong>{{ ' ' }}
          <RouterLink :to="`/setup/models/${page.id}`" class="second">{{
            onCard ? t('changeItThere', { name: onCard.name }) : t('noFinderIsOnThe')
          }}</RouterLink>
        </p>
      </template>
      <template #knob-0-before>
        <p class="second col-span-full">
          {{ t('whichWayATurnClockwise') }}
        </p>
      </template>
      <template #tube>
        <p class="near col-span-full [font:400_19px/25px_var(--serif)]" role="status">{{ near }}</p>
      </template>
    </FieldTable>
    <p v-if="wrong['finder.knobs']" class="rust">{{ wrong['finder.knobs'] }}</p>
  </ModelFormPage>
</template>
