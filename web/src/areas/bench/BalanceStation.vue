<script setup lang="ts">
import { drawerSchema, movedSpareSchema, type KitSheet } from '@binoculum/contract'
import {
  balanceOf,
  massText,
  setUpNames,
  setUpParts,
  setUpWords,
  spareThatWouldDo,
  tubeRolls,
  usualStand,
} from '@binoculum/core'
import { computed, ref, useTemplateRef } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ScaleBar from '../../shared/drawings/ScaleBar.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import AlongTheTube from '../../shared/drawings/AlongTheTube.vue'
import BalanceHand from './BalanceHand.vue'
import BalanceVerdict from './BalanceVerdict.vue'
import { balancesInClamp, onMountOf, type CheckDraft } from './check-draft.ts'
import ClampBalance from './ClampBalance.vue'
import RollDrawing from './RollDrawing.vue'
import { useBalance } from './use-balance.ts'
import { benchWords } from './words.ts'

const t = benchWords('balanceStation')

const { kit } = defineProps<{ kit: KitSheet }>()
const draft = defineModel<CheckDraft['balance']>({ required: true })
const emit = defineEmits<{ changed: [kit: KitSheet]; reload: [] }>()

const { data: drawer } = useLoaded(drawerSchema, '/api/spares')
const { sending, problem, run } = useSending()
const onMount = computed(() => onMountOf(kit))
const head = computed(() => kit.mount?.equatorial ?? null)
/** A tube on a rail can’t turn in it: nothing is said of a roll that can’t be. */
const rolls = computed(() =>
  tubeRolls(
    kit.stand ??
      usualStand(
        kit.family,
        kit.parts.map(({ role }) => role),
      ),
  ),
)
const choosing = ref(false)
const balance = useBalance(draft, () => kit)
const { report, riding, on, learnt, thicknessMm, massG } = balance

const rows = computed(() => {
  const known = onMount.value
  return known && head.value
    ? setUpNames.map((name) => ({
        name,
        ...balanceOf({ ...known, headMomentGmm: learnt.value }, setUpParts(kit.parts, name)),
      }))
    : []
})
/** The first set-up that the weight can't balance, with what the drawer holds against it. */
const short = computed(() => {
  const known = onMount.value
  const row = rows.value.find(({ shaft }) => shaft?.reason === 'too-light')
  if (!known || !row?.shaft) return null
  const spares = (drawer.value?.spares ?? []).filter(
    ({ role, count, branchId }) => role === 'counterweight' && count > 0 && branchId === kit.branchId,
  )
  const choice = spareThatWouldDo({ ...known, headMomentGmm: learnt.value }, setUpParts(kit.parts, row.name), spares)
  return { name: row.name, extraMassG: row.shaft.extraMassG, choice, some: spares.length > 0 }
})
const tooHeavy = computed(() => rows.value.find(({ shaft }) => shaft?.reason === 'too-heavy') ?? null)
const shaftEnd = computed(() => (head.value ? head.value.shaftEndMm - thicknessMm.value / 2 : 0))
const usualMargin = computed(() => {
  const load = rows.value.find(({ name }) => name === 'usual')?.load
  if (!load) return ''
  const margin = load.ratedLoadG - load.loadG
  return margin >= 0 ? t('toSpare', { margin: massText(margin) }) : t('tooMuch', { margin: massText(-margin) })
})
const overloaded = computed(() => rows.value.find(({ load }) => load?.verdict === 'over') ?? null)
const hand = useTemplateRef('hand')
/** Whether there is a length to say it stays at; the length itself moves too often to be read here. */
const mayStay = computed(() => balance.bare.value !== null && balance.badLength.value === '')

async function addSpare(spareId: string) {
  await run(async (idempotencyKey) => {
    const body = { idempotencyKey, kitId: kit.id, kitVersion: kit.version }
    const answer = await api.post(movedSpareSchema, `/api/spares/${spareId}/add`, body)
    drawer.value = answer.drawer
    emit('changed', answer.kit)
  })
  if (problem.value?.code === 'KIT_CHANGED') emit('reload')
}
useKeys(() => ({
  Space: balance.moved,
  y: balance.stays,
  s: balance.nextSetUp,
  t: () => hand.value?.focus(),
}))
</script>

<template>
  <ClampBalance v-if="balancesInClamp(kit)" v-model="draft" :kit="kit" />
  <div v-else-if="!head || !onMount" class="grid gap-10px justify-items-start max-w-560px text-17px lh-25px">
    <p>{{ t('nobodyHasMeasuredThisModels') }}</p>
    <RouterLink :to="`/setup/models/${kit.modelId}/mount`">{{ t('measureItOnceShaftWeight') }}</RouterLink>
    <p class="quiet">{{ t('untilThenBalanceItBy') }}</p>
  </div>
  <div v-else-if="massG === 0" class="grid gap-10px justify-items-start max-w-560px text-17px lh-25px">
    <p>{{ t('thisKitHasNoWeight') }}</p>
    <RouterLink :to="`/kits/${encodeURIComponent(kit.code)}`">{{ t('toTheKitsSheet') }}</RouterLink>
  </div>
  <div
    v-else
    class="grid grid-cols-[minmax(0,62fr)_minmax(0,38fr)] gap-y-16px gap-x-28px max-[1000px]:grid-cols-[minmax(0,1fr)]"
  >
    <section class="[contain:layout]">
      <h2>
        {{ t('acrossTheHeadShaftLevel') }}
        <em class="ml-8px">{{ t('seenFromThePoleAlong') }}</em>
      </h2>
      <BalanceHand ref="hand" :balance="balance" :head="head" :tube="kit.mount?.tube ?? null" />
    </section>
    <section class="judgement grid gap-12px content-start justify-items-start [contain:layout]">
      <BalanceVerdict :balance="balance" :set-up="draft.setUp" @choose="choosing = !choosing" />
      <fieldset v-if="choosing" class="grid gap-2px w-full m-0 line-rule-strong">
        <legend>{{ t('whatIsOnTheTube') }}</legend>
        <ElCheckbox
          v-for="part in riding"
          :key="part.id"
          :model-value="on.includes(part.id)"
          @update:model-value="balance.toggle(part.id)"
        >
          {{ part.name }}
          <span class="second">{{ part.massG === null ? t('notWeighed') : massText(part.massG) }}</span>
        </ElCheckbox>
      </fieldset>
      <p v-if="report && report.unweighed.length > 0" class="rust">
        {{ t('notWeighedYetTheFigure', { unweighed: report.unweighed.join(', ') }) }}
      </p>
      <div class="acts flex flex-wrap gap-8px">
        <ElButton type="primary" size="large" :disabled="draft.foundMm === null" @click="balance.moved">
          {{ t('movedIt') }} <KeyCap name="Space" />
        </ElButton>
        <ElButton size="large" :class="{ main: draft.stays }" :disabled="!mayStay" @click="balance.stays">
          {{ t('itStays') }} <KeyCap name="y" />
        </ElButton>
        <ElButton size="large" @click="balance.nextSetUp">{{ t('otherSetUp') }} <KeyCap name="s" /></ElButton>
      </div>
      <p v-if="draft.moved" class="second">
        {{ t('foundWithMmOfBare', { foundMm: Math.round(draft.foundMm ?? 0) }) }}
        <ElButton link @click="balance.forget">{{ t('leftAsFoundAfterAll') }}</ElButton>
      </p>
      <table class="w-full [border-collapse:collapse]" :aria-label="t('threeSetUps')">
        <caption class="[font:italic_400_15px_var(--serif)] text-quiet text-right">
          {{
            t('weightsMiddleMmTickEnd')
          }}
        </caption>
        <tbody>
          <tr v-for="row in rows" :key="row.name" :class="{ here: row.name === draft.setUp }">
            <th class="py-4px px-0 line-b-rule text-left">
              {{ setUpWords[row.name] }}
              <span class="second fw-400">{{ row.names.slice(0, 3).join(', ') || t('tubeAlone') }}</span>
            </th>
            <td class="py-4px px-0 line-b-rule text-left pl-12px" :class="{ rust: row.shaft && !row.shaft.possible }">
              <b>{{ row.wantedMm === null ? '–' : Math.round(row.wantedMm) }}</b>
            </td>
            <td class="py-4px px-0 line-b-rule text-left pl-12px">
              <ScaleBar
                v-if="row.wantedMm !== null"
                :value="Math.max(row.wantedMm, 0)"
                :limit="shaftEnd"
                :label="
                  t('weightsMiddleAtMmThe', {
                    setUpWords: setUpWords[row.name],
                    wantedMm: Math.round(row.wantedMm),
                    shaftEnd: Math.round(shaftEnd),
                  })
                "
              />
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="learnt === null" class="second">
        {{ t('theHeadPullsOnOne') }}
        <i>{{ t('itStays2') }}</i>{{ t('itIsLearntAndEvery') }}
      </p>
    </section>
    <div
      class="strip grid col-span-full grid-cols-[minmax(0,1.25fr)_minmax(0,0.95fr)_minmax(0,1.2fr)] gap-y-16px gap-x-28px pt-12px line-t-rule-strong max-[1000px]:grid-cols-[minmax(0,1fr)]"
    >
      <AlongTheTube :kit="kit" :rows="rows" />
      <RollDrawing v-if="rolls" v-model="draft.magnetsG" :kit="kit" :report="report" />
      <section>
        <h2>
          {{
            short
              ? t('theWeightIsTooLight', { setUpWords: setUpWords[short.name] })
              : tooHeavy
                ? t('theWeightIsTooHeavy', { setUpWords: setUpWords[tooHeavy.name] })
                : overloaded
                  ? t('moreThanTheMountIs')
                  : t('theWeightReachesTheMount')
          }}
        </h2>
        <template v-if="short">
          <p>
            <strong class="rust">{{ t('tooLittle', { extraMassG: massText(short.extraMassG) }) }}</strong>
            {{ t('atTheEndOfThe') }}
            <template v-if="short.choice">
              {{ ' ' }}{{ t('drawer') }} <strong>{{ short.choice.spare.name }}</strong>
              {{
                t('wouldDoBothAtMm', {
                  positionMm: Math.round(short.choice.positionMm),
                  bareMm: Math.round(short.choice.bareMm),
                })
              }}{{ ' ' }}
            </template>
            <template v-else-if="short.some">{{ t('noWeightInTheDrawer') }}</template>
            <template v-else>{{ t('theDrawerHoldsNoWeight') }}</template>
          </p>
          <ElButton v-if="short.choice" :disabled="sending" @click="addSpare(short.choice.spare.id)">
            {{ t('addItFromTheDrawer') }}
          </ElButton>
        </template>
        <p v-else-if="tooHeavy?.shaft">
          {{
            t('evenCloseToTheAxis', {
              tubeSideExtraMassG: massText(tooHeavy.shaft.tubeSideExtraMassG),
              distanceMm: Math.round(tooHeavy.shaft.distanceMm ?? 0),
            })
          }}
        </p>
        <ProblemNote :problem="problem" @retry="emit('reload')" />
        <div v-if="rows[0]?.load" class="grid grid-cols-[auto_auto_1fr] gap-y-2px gap-x-14px items-center">
          <em class="col-span-full"
            >{{ t('loadOnTheMountTick') }}<template v-if="usualMargin">, {{ usualMargin }}</template></em
          >
          <template v-for="row in rows" :key="row.name">
            <template v-if="row.load">
              <span>{{ setUpWords[row.name].toLowerCase() }}</span>
              <b :class="{ rust: row.load.verdict === 'over' }">{{ massText(row.load.loadG) }}</b>
              <ScaleBar
                :value="row.load.loadG"
                :limit="row.load.ratedLoadG"
                :label="t('ofRated', { loadG: massText(row.load.loadG), ratedLoadG: massText(row.load.ratedLoadG) })"
              />
            </template>
          </template>
          <template v-if="draft.magnetsG > 0 && report?.load">
            <span>{{ t('withMagnets') }}</span>
            <b :class="{ rust: report.load.verdict === 'over' }">{{ massText(report.load.loadG) }}</b>
            <ScaleBar
              :value="report.load.loadG"
              :limit="report.load.ratedLoadG"
              :label="
                t('ofRated', { loadG: massText(report.load.loadG), ratedLoadG: massText(report.load.ratedLoadG) })
              "
            />
          </template>
        </div>
        <p v-else class="second">
          {{ t('whatTheMountIsRated') }}
          <RouterLink :to="`/setup/models/${kit.modelId}/mount`">{{ t('writeItIn') }}</RouterLink>.
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped src="./measuring-station.css"></style>

<style scoped src="./balance-station.css"></style>
