<script setup lang="ts">
import { cardName, handOutFormSchema, type Slip } from '@binoculum/contract'
import { kindWords, massText, moneyText, reasonSentence } from '@binoculum/core'
import dayjs from 'dayjs'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import KitTag from '../../shared/drawings/KitTag.vue'
import PencilMark from '../../shared/drawings/PencilMark.vue'
import ReadingFigure from '../../shared/drawings/ReadingFigure.vue'
import SunSign from '../../shared/drawings/SunSign.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import DayPicker from '../../shared/controls/DayPicker.vue'
import WayChoice from '../../shared/controls/WayChoice.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { dayText } from '../../shared/dates.ts'
import ReasonText from '../../shared/ReasonText.vue'
import { useSession } from '../people/session.ts'
import BorrowerPicker from './BorrowerPicker.vue'
import { draftSlip } from './draft-slip.ts'
import FormLine from '../../shared/controls/FormLine.vue'
import GuideWishesForm from './GuideWishesForm.vue'
import HandedOut from './HandedOut.vue'
import LoanSlip from './LoanSlip.vue'
import PromisedNote from './PromisedNote.vue'
import TakenNote from './TakenNote.vue'
import { useHandOut, type LineName } from './use-hand-out.ts'
import { deskWords } from './words.ts'

const t = deskWords('handOutPage')

const route = useRoute()
const router = useRouter()
const session = useSession()
const code = String(route.params.code)
const {
  data: form,
  problem: unreadable,
  reload,
} = useLoaded(handOutFormSchema, `/api/kits/${encodeURIComponent(code)}/hand-out`)
const { draft, wasKept, discard, fit, hasFilter, never, lines, firstOpen, startFrom, send } = useHandOut(code, form)
const { sending, problem, run } = useSending()
const slip = ref<Slip | null>(null)
const opened = ref<LineName | null>(null)

watch(form, (given) => given && startFrom(given))
watch(firstOpen, () => (opened.value = null))
const open = computed(() => opened.value ?? firstOpen.value)

const kit = computed(() => form.value?.kit ?? null)
const coordinator = computed(() => !!kit.value && session.may(kit.value.branchId, 'coordinator'))
const figures = computed(() => kit.value?.readings.filter(({ unit }) => unit !== 'judged') ?? [])
/** Known wear is shown to whoever takes it along. */
const worn = computed(() => kit.value?.parts.filter(({ knownWear }) => knownWear !== '') ?? [])
const missing = computed(() => kit.value?.parts.filter(({ mark }) => mark !== 'present') ?? [])
const lookEveryTime = computed(
  () => kit.value?.parts.filter((part) => part.lookEveryTime && part.mark === 'present') ?? [],
)
const massG = computed(
  () => kit.value?.parts.reduce((sum, part) => sum + (part.massG ?? 0) * part.presentCount, 0) ?? 0,
)
const tomorrow = dayjs().add(1, 'day').format('YYYY-MM-DD')
const borrowerName = computed(() => {
  const { isNew, cardOnly, name, cardNumber, borrower } = draft.value
  if (!isNew) return borrower?.name ?? ''
  return cardOnly ? cardName(cardNumber) : name
})

/** It is promised, and whoever stands here is somebody else. */
const toSomebodyElse = computed(() => {
  const { borrower, isNew } = draft.value
  return isNew || (borrower !== null && borrower.id !== form.value?.promised?.borrower.id)
})

const preview = computed<Slip | null>(() => {
  const given = form.value
  if (!given) return null
  return draftSlip(given, {
    borrower: borrowerName.value,
    dueOn: draft.value.dueOn,
    missing: missing.value.length,
    massG: massG.value,
    outAtUtc: new Date().toISOString(),
  })
})

/** The pencil stands where something is open: its first control has the focus, unless somebody is typing. */
const lineList = useTemplateRef('lineList')
watch([form, firstOpen], () => void nextTick(focusOpen), { flush: 'post' })
function focusOpen() {
  const active = document.activeElement
  if (active instanceof HTMLInputElement && !['checkbox', 'radio'].includes(active.type)) return
  const line = lineList.value?.querySelector<HTMLElement>('.form-line.open')
  // Not *somebody else*: the key that goes on must not throw away who is there.
  const first = line?.querySelector<HTMLElement>('input, select, button:not(.is-link)')
  ;(firstOpen.value ? first : handOutButton.value?.ref)?.focus({ preventScroll: false })
}
const handOutButton = useTemplateRef('handOutButton')

async function handOut() {
  if (firstOpen.value) {
    opened.value = firstOpen.value
    return
  }
  const done = await run(async (key) => {
    slip.value = await send(key)
  })
  if (done) discard()
  else if (problem.value?.code === 'KIT_CHANGED') await reload()
}

useKeys(() => ({
  Space: () => {
    if (open.value === 'sun') draft.value.sunAcknowledged = true
    else if (open.value === 'contents') draft.value.contentsAgreed = true
    else if (open.value === 'agreement') draft.value.acceptance = 'screen'
  },
  Enter: () => void handOut(),
}))
</script>

<template>
  <HandedOut v-if="slip" class="flex-1" :slip="slip" />
  <main v-else class="flex flex-1 flex-col">
    <div class="page flex-1">
      <ProblemNote :problem="unreadable" @retry="reload" />
      <template v-if="form && kit">
        <header class="flex flex-wrap gap-y-0 gap-x-14px items-center mb-12px">
          <h1>{{ t('goesOut', { name: kit.name }) }}</h1>
          <KitTag :code="kit.code" />
          <p>
            {{ kit.modelName }}<br /><span class="quiet">{{
              form.promised ? t('promisedTo', { name: form.promised.borrower.name }) : t('notPromisedToAnybody')
            }}</span
            ><span v-if="form.promised?.lessonDoneAtUtc" class="moss">{{
              t('whoWentThroughItsLesson', {
                lessonDoneAtUtc: dayText(form.promised.lessonDoneAtUtc, session.zoneOf(kit.branchId)),
              })
            }}</span>
          </p>
          <p v-if="wasKept" class="second ml-auto">{{ t('takenUpWhereYouLeft') }}</p>
        </header>
        <p v-if="!session.may(kit.branchId, 'coordinator', 'volunteer')" class="problem" role="alert">
          {{ t('youMayLookAtNot', { branchName: kit.branchName }) }}
        </p>
        <p v-if="kit.loan" class="problem" role="alert">
          {{ t('isOutToAlready', { name: kit.name, borrower: kit.loan.borrower }) }}
          <RouterLink :to="`/desk/take-back/${kit.loan.id}`">{{ t('takeItBackFirst') }}</RouterLink>
        </p>
        <div
          class="columns grid grid-cols-[minmax(0,1fr)_284px] gap-28px items-start max-[1000px]:grid-cols-[minmax(0,1fr)]"
        >
          <div ref="lineList" class="lines line-rule-strong rd-4px bg-card">
            <FormLine :title="t('fit')" :done="lines.fit" :open="open === 'fit'" @open="opened = 'fit'">
              <p><ReasonText :condition="kit.condition" :reasons="kit.reasons" /></p>
              <div class="flex flex-wrap gap-y-4px gap-x-24px mt-4px">
                <span v-for="reading in figures" :key="reading.kind" class="flex gap-10px items-baseline"
                  ><span class="quiet">{{ kindWords[reading.kind] }}</span
                  ><ReadingFigure :reading="reading"
                /></span>
              </div>
              <template v-if="!fit">
                <p v-for="(reason, index) in kit.reasons" :key="index" class="second">{{ reasonSentence(reason) }}</p>
                <p v-if="never" class="rust">
                  <strong>{{ t('itStaysHere') }}</strong> {{ t('heldForSafetyNobodyMay') }}
                </p>
                <label v-else-if="coordinator" class="labelled mt-8px">
                  <span>{{ t('youMayOverruleItWith') }}</span>
                  <ElInput v-model="draft.overruleReason" name="overrule" />
                </label>
                <p v-else>
                  <strong>{{ t('notToday') }}</strong> {{ t('aCoordinatorMayOverruleThis') }}
                </p>
              </template>
            </FormLine>
            <FormLine
              :title="t('borrower')"
              :done="lines.borrower"
              :open="open === 'borrower'"
              @open="opened = 'borrower'"
            >
              <BorrowerPicker v-model="draft" :branch-id="kit.branchId" />
              <ElCheckbox v-model="draft.adultSeen" name="adult">{{ t('anAdultStandsHereAnd') }}</ElCheckbox>
              <p v-if="massG > 10000" class="second">{{ t('twoPeopleOrATrolley', { massG: massText(massG) }) }}</p>
            </FormLine>
            <FormLine :title="t('return')" :done="lines.return" :open="open === 'return'" @open="opened = 'return'">
              <label class="flex flex-wrap gap-8px items-center"
                >{{ t('back') }}
                <span class="flex-none w-200px"
                  ><DayPicker v-model="draft.dueOn" :from="tomorrow" :aria-label="t('dayOfReturn')"
                /></span>
                {{ t('byReturnTime', { returnTime: form.returnTime }) }}</label
              >
              <PromisedNote
                v-if="toSomebodyElse && form.promised"
                :promised="form.promised"
                :due-on="draft.dueOn"
                @day="draft.dueOn = $event"
              />
            </FormLine>
            <FormLine
              :title="t('contents')"
              :done="lines.contents"
              :open="open === 'contents'"
              @open="opened = 'contents'"
            >
              <p>
                <strong>{{
                  t('ofLines', { parts: kit.parts.length - missing.length, all: kit.parts.length })
                }}</strong>
                <template v-if="lookEveryTime.length > 0">
                  <span class="quiet"> {{ ' ' }}{{ t('lookAtEachOfThese') }}{{ ' ' }} </span
                  >{{ lookEveryTime.map(({ name }) => name).join(', ') }}.
                </template>
              </p>
              <p v-for="part in worn" :key="part.id" class="second">{{ part.name }}: {{ part.knownWear }}</p>
              <p v-for="part in missing" :key="part.id" class="flex gap-6px items-center">
                <PencilMark :mark="part.mark" :size="16" /> {{ part.name }}
              </p>
              <ElCheckbox v-if="hasFilter" v-model="draft.filterChecked" name="filter">{{
                t('theFrontFilterWasHeld')
              }}</ElCheckbox>
              <p class="second">
                {{ t('whatIsLostIsReplaced', { replacementMinor: moneyText(form.replacementMinor, kit.currency) }) }}
                <RouterLink :to="`/kits/${encodeURIComponent(kit.code)}`">{{ t('allPrices') }}</RouterLink>
              </p>
              <ElButton v-if="!draft.contentsAgreed" class="mt-6px" @click="draft.contentsAgreed = true">
                {{ t('goneThroughTogether') }} <KeyCap v-if="open === 'contents'" name="Space" />
              </ElButton>
            </FormLine>
            <FormLine :title="t('sun')" :done="lines.sun" :open="open === 'sun'" @open="opened = 'sun'">
              <div class="sun flex gap-14px mb-10px">
                <SunSign :size="52" />
                <p class="serif">
                  “<span class="rust">{{ form.sunWarning[0] }}</span> {{ form.sunWarning[1] }}”
                </p>
              </div>
              <ElButton
                v-if="!draft.sunAcknowledged"
                class="mt-6px"
                type="primary"
                @click="draft.sunAcknowledged = true"
              >
                {{ t('readOutAndUnderstood') }} <KeyCap v-if="open === 'sun'" name="Space" />
              </ElButton>
            </FormLine>
            <FormLine :title="t('guide')" :done="true" :open="false">
              <GuideWishesForm v-model="draft.guide" :branch-id="kit.branchId" />
            </FormLine>
            <FormLine
              :title="t('agreement')"
              :done="lines.agreement"
              :open="open === 'agreement'"
              @open="opened = 'agreement'"
            >
              <details>
                <summary>
                  {{ form.agreement.text.split('\n')[0] }}
                  <span class="quiet">{{ t('versionVersion', { version: form.agreement.version }) }}</span>
                </summary>
                <p class="whitespace-pre-line">{{ form.agreement.text }}</p>
              </details>
              <WayChoice
                v-model="draft.acceptance"
                :options="[
                  { value: 'screen', words: t('acceptedHereOnTheScreen') },
                  { value: 'paper', words: t('signedOnPaper') },
                ]"
                :label="t('howTheAgreementWasAccepted')"
              />
            </FormLine>
          </div>
          <aside><LoanSlip v-if="preview" :slip="preview" draft /></aside>
        </div>
        <ProblemNote class="mt-12px" :problem="problem" @retry="handOut" />
        <TakenNote
          :problem="problem"
          @kit="(_id, other) => router.push(`/desk/hand-out/${encodeURIComponent(other)}`)"
        />
      </template>
    </div>
    <footer v-if="form && kit" class="night-bar">
      <p class="serif">{{ t('goesTo', { name: kit.name, borrowerName: borrowerName || '…' }) }}</p>
      <ElButton
        ref="handOutButton"
        class="bar-button"
        :class="{ ready: !firstOpen }"
        :disabled="sending || never || !!kit.loan || (!fit && !coordinator)"
        @click="handOut"
      >
        <span
          ><b>{{ t('handOut') }}</b
          ><br /><span class="second">{{
            firstOpen ? t('firstFirstOpen', { firstOpen }) : t('linkAndSlipFollow')
          }}</span></span
        >
        <KeyCap name="Enter" />
      </ElButton>
      <RouterLink to="/desk">{{ t('notToday2') }}</RouterLink>
    </footer>
  </main>
</template>

<style scoped src="./hand-out-page.css"></style>
