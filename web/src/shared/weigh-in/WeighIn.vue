<script setup lang="ts">
import type { TakenWeighing } from '@binoculum/contract'
import {
  differenceText,
  explanationClause,
  massText,
  percentText,
  saysNothing,
  weightSentence,
  weightVerdict,
  type Explanation,
  type Weighed,
} from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { typedMassG } from '../typed-mass.ts'
import SignIcon from '../controls/SignIcon.vue'
import ScaleBar from '../drawings/ScaleBar.vue'
import { scaleKind, useScale } from '../devices/scale.ts'
import { groupsOf, groupWords, useWeighIn, type WeighInGiven } from './use-weigh-in.ts'
import { sharedWords } from '../words.ts'

const t = sharedWords('weighIn')

const { given } = defineProps<{ given: WeighInGiven }>()
const emit = defineEmits<{
  weigh: [taken: TakenWeighing]
  clear: [group: string]
  /** Parts that the chosen explanation names: they are looked for first. */
  look: [partIds: readonly string[]]
  /** What all weighings together come to. */
  told: [weight: Weighed | null]
}>()

const groups = computed(() => groupsOf(given.kit))
const group = ref(groups.value[0]?.name ?? '')
const chosen = computed(() => groups.value.find(({ name }) => name === group.value) ?? groups.value[0])
const taken = computed(() => given.weighings.find((each) => each.group === group.value) ?? null)
const typed = ref('')
const container = ref('')
const trouble = ref<string | null>(null)
const scale = useScale()

const { groups: weighed, explained, progress, problem, tooLightIn, nameOf, stop } = useWeighIn(() => given)
watch(explained, (all) => emit('told', all && { verdict: weightVerdict(all), differenceG: all.differenceG, nameOf }))
const tooLight = computed(() => tooLightIn(group.value))
const weight = computed(() => weighed.value.find((each) => each.group === group.value) ?? null)
const verdict = computed(() => weight.value?.verdict ?? null)
const sentence = computed(() => (verdict.value ? weightSentence(verdict.value, nameOf) : ''))
/** What the other groups' weighings say stands beside this one's, each under its own name. */
const others = computed(() =>
  weighed.value
    .filter((each) => each.group !== group.value && each.verdict.code !== 'ALL_THERE')
    .map((each) => ({ group: each.group, sentence: weightSentence(each.verdict, nameOf) })),
)
const ways = computed(
  () => weight.value?.explanations.filter(({ probability }) => probability > 0.005).slice(0, 4) ?? [],
)
const isHeld = (name: string) => given.weighings.some((each) => each.group === name)

function keep(measuredG: number, scaleStepG: number, source: 'scale' | 'typed') {
  const box = container.value.trim() === '' ? { ok: true as const, value: 0 } : typedMassG(container.value)
  if (!box.ok) return void (trouble.value = t('isNotAMassWrite', { container: container.value }))
  trouble.value = null
  emit('weigh', { group: group.value, measuredG, scaleStepG, containerG: box.value, source })
}

function keepTyped() {
  if (typed.value.trim() === '') return
  const mass = typedMassG(typed.value)
  if (!mass.ok) return void (trouble.value = t('isNotAMassWriteFor', { typed: typed.value }))
  keep(mass.value, chosen.value?.scaleStepG ?? 1, 'typed')
}

function keepShown() {
  const reading = scale.settled.value
  if (reading) keep(Math.max(reading.massG, 0), reading.stepG, 'scale')
}

const choose = ({ missing, swapped }: Explanation) =>
  emit(
    'look',
    [...missing, ...swapped].map(({ id }) => id),
  )
const massOf = ({ missing }: Explanation) =>
  missing.reduce(
    (sum, { id, count }) => sum + count * (given.kit.parts.find((part) => part.id === id)?.massG ?? 0),
    0,
  )

watch(group, () => {
  typed.value = ''
  trouble.value = null
})
</script>

<template>
  <section class="grid gap-5px" :aria-label="t('weighIn')">
    <h2>
      {{ t('weighIn') }} <em>{{ chosen ? t('stepsOf', { scaleStepG: massText(chosen.scaleStepG) }) : '' }}</em>
    </h2>
    <div class="groups flex flex-wrap gap-y-2px gap-x-12px" role="tablist" :aria-label="t('whatIsOnTheScale')">
      <ElButton
        v-for="each in groups"
        :key="each.name"
        link
        role="tab"
        :aria-selected="each.name === group"
        :class="['group', { chosen: each.name === group, weighed: isHeld(each.name) }]"
        @click="group = each.name"
      >
        {{ groupWords(each.name)
        }}<span v-if="isHeld(each.name)" role="img" :aria-label="t('weighed')"><SignIcon name="done" /></span>
      </ElButton>
    </div>

    <form v-if="!taken" class="grid grid-cols-[1fr_64px_auto] gap-6px" @submit.prevent="keepTyped">
      <ElInput
        v-model="typed"
        :aria-label="t('weightOfThe', { group: groupWords(group) })"
        :placeholder="t('gKgLbOrOz')"
        inputmode="decimal"
      />
      <ElInput
        v-model="container"
        :aria-label="t('weightOfTheContainer')"
        :placeholder="t('box')"
        :title="t('whatTheBoxOrBag')"
      />
      <ElButton native-type="submit">{{ t('keep') }}</ElButton>
    </form>
    <div v-if="!taken && scaleKind !== 'none'" class="flex flex-wrap gap-10px items-center">
      <ElButton v-if="!scale.isOpen.value" @click="scale.open()">{{ t('readTheScale') }}</ElButton>
      <template v-else>
        <span class="min-w-96px text-24px fw-640" aria-live="polite">{{
          scale.shown.value ? massText(scale.shown.value.massG) : '–'
        }}</span>
        <ElButton :disabled="!scale.settled.value" @click="keepShown">
          {{ scale.settled.value ? t('takeIt') : t('comingToRest') }}
        </ElButton>
      </template>
      <p v-if="scale.trouble.value" class="rust second" role="status">{{ scale.trouble.value }}</p>
    </div>
    <p v-if="trouble" class="rust second" role="alert">{{ trouble }}</p>

    <template v-if="taken && weight">
      <dl class="grid grid-cols-[68px_1fr] gap-y-1px gap-x-6px m-0">
        <dt class="text-quiet">{{ t('expected') }}</dt>
        <dd class="flex gap-8px items-baseline m-0">
          <b>{{ massText(weight.expectedG) }}</b>
          <span class="second">{{
            weight.compared === 'baseline' ? t('ownLastCompleteWeighing') : t('fromItsCard')
          }}</span>
        </dd>
        <dt class="text-quiet">{{ t('measured') }}</dt>
        <dd class="flex gap-8px items-baseline m-0">
          <b>{{ massText(weight.measuredG) }}</b>
          <span class="second">{{ taken.source === 'scale' ? t('fromTheScale') : t('typedIn') }}</span>
          <ElButton link @click="emit('clear', group)">{{ t('again') }}</ElButton>
        </dd>
      </dl>
      <div class="flex gap-12px items-center">
        <output :class="['figure', { off: !weight.consistent }]">{{ differenceText(weight.differenceG) }}</output>
        <ScaleBar
          signed
          :width="142"
          :value="weight.differenceG"
          :limit="weight.smallestVisibleG"
          :label="
            t('differenceAndLoss', {
              differenceG: differenceText(weight.differenceG),
              smallestVisibleG: massText(weight.smallestVisibleG),
            })
          "
        />
      </div>
      <p class="second">{{ t('aLossShowsFrom', { smallestVisibleG: massText(weight.smallestVisibleG) }) }}</p>
    </template>
    <p v-if="progress !== null" class="second" role="status">
      {{ t('tryingSets', { progress: Math.round(progress * 100) }) }}
      <ElButton link @click="stop">{{ t('stop') }}</ElButton>
    </p>
    <p v-if="problem" class="rust second">{{ problem }}</p>
    <p v-if="sentence" class="fw-640" role="status">{{ sentence }}</p>
    <ul
      v-if="verdict && verdict.code !== 'ALL_THERE' && verdict.code !== 'NOTHING_FITS'"
      :aria-label="t('whatWouldExplainIt')"
      class="ways m-0 p-0 list-none"
    >
      <li v-for="(way, index) in ways" :key="index">
        <ElButton v-if="!saysNothing(way)" link class="way" @click="choose(way)">
          <span class="clause">{{ explanationClause(way, nameOf) }}</span>
          <span class="second">{{
            t('wayLeaves', { way: massText(massOf(way)), residualG: differenceText(way.residualG) })
          }}</span>
          <span class="row-[1] col-[2]">{{ percentText(way.probability) }}</span>
        </ElButton>
        <p v-else class="way">
          <span>{{ t('nothingMissing') }}</span>
          <span class="second">{{ t('leavesResidualG', { residualG: differenceText(way.residualG) }) }}</span>
          <span class="row-[1] col-[2]">{{ percentText(way.probability) }}</span>
        </p>
      </li>
    </ul>
    <p v-for="other in others" :key="other.group" class="second">
      <ElButton link @click="group = other.group">{{ groupWords(other.group) }}</ElButton>:
      {{ other.sentence }}
    </p>
    <p v-if="taken && tooLight.length > 0" class="second">
      {{
        t('tooLightToTellLook', {
          tooLight: tooLight.slice(0, 4).map(nameOf).join(', '),
          more: tooLight.length > 4 ? ' …' : '',
          n: tooLight.length,
        })
      }}
    </p>
  </section>
</template>

<style scoped>
.groups .group {
  padding: 2px 0;
  border-bottom: 2px solid transparent;
  border-radius: 0;
  color: var(--quiet);
  font: 400 14px/20px var(--sans);
}

.groups .group :deep(> span) {
  gap: 3px;
  text-decoration: none;
}

.groups .group.chosen {
  border-color: var(--night);
  color: var(--night);
}

.groups .group.weighed:not(.chosen) {
  color: var(--ink);
}

.figure {
  min-width: 100px;
  font-size: 34px;
  font-weight: 640;
  line-height: 40px;
}

.figure.off {
  color: var(--rust);
}

.ways .way {
  width: 100%;
  margin: 0;
  padding: 4px 0;
  border-top: 1px solid var(--rule);
  border-radius: 0;
  color: var(--ink);
  font: 400 14px/18px var(--sans);
  text-align: left;
}

p.way,
.ways .way :deep(> span) {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 8px;
  width: 100%;
  text-decoration: none;
}

.way:hover .clause {
  text-decoration: underline;
}

@media (pointer: coarse) {
  .groups .group,
  .ways .el-button.way {
    min-height: 40px;
  }
}
</style>
