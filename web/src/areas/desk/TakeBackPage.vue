<script setup lang="ts">
import { outcomeWords, reasonSentence, type Weighed } from '@binoculum/core'
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useScans } from '../../shared/devices/scanner.ts'
import CaseDrawing from '../../shared/drawings/CaseDrawing.vue'
import KitTag from '../../shared/drawings/KitTag.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import { laterComponent } from '../../shared/later-component.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import WeighIn from '../../shared/weigh-in/WeighIn.vue'
import { dayText, hourText, lateText, whenText } from '../../shared/dates.ts'
import AskedAndSeen from './AskedAndSeen.vue'
import type { CaseTold } from './case-look.ts'
import CellAlarm from './CellAlarm.vue'
import ContentsCard from './ContentsCard.vue'
import LineCut from './LineCut.vue'
import PartBar from './PartBar.vue'
import ScannedElsewhere from './ScannedElsewhere.vue'
import { outcomeKeys } from './outcome-keys.ts'
import { markOf } from './take-back-state.ts'
import TakenBack from './TakenBack.vue'
import TwoHands from './TwoHands.vue'
import { useOtherScan } from './use-other-scan.ts'
import { useTakeBack } from './use-take-back.ts'
import WhereItGoes from './WhereItGoes.vue'
import { deskWords } from './words.ts'

const t = deskWords('takeBackPage')

/** The card is on the screen first: what looks at pictures comes when the desk rests. */
const LOOKS_AFTER_MS = 400
const HowItLies = laterComponent(() => import('./HowItLies.vue'))
const CaseLookPanel = laterComponent(() => import('./CaseLookPanel.vue'))

const route = useRoute()
const loanId = String(route.params.loanId)
const correcting = route.meta.correcting === true
const back = useTakeBack(loanId, { correcting })
const { form, kit, parts, draft, current, at, shared, judgement, result, conflict } = back
const bar = useTemplateRef('bar')
const caseLook = useTemplateRef('caseLook')
const seen = shallowRef<CaseTold>({ chances: {}, differs: new Set() })
const weight = shallowRef<Weighed | null>(null)
const rests = ref(false)
watch(form, () => setTimeout(() => (rests.value = true), LOOKS_AFTER_MS), { once: true })
const { otherScan, nameScan } = useOtherScan()

const isOpen = computed(() => {
  if (correcting) return form.value?.loan.state === 'back' && form.value.isLatest
  return form.value?.loan.state === 'out' && !shared.closed.value
})
const weighIn = computed(() => {
  const given = form.value
  if (!given || correcting) return null
  const { lookAlikes, lossChances } = given
  const { marks, weighings } = draft.value
  return { kit: given.kit, lookAlikes, lossChances, marks, weighings, seen: seen.value.chances }
})

/** Taken while the marks still stand: when all is done they are gone. */
watch(back.sending, (isSending) => {
  if (!isSending) return
  const { marks } = draft.value
  const learnsFrom = caseLook.value
  const stop = watch(result, (done) => {
    if (done) void learnsFrom?.learn((partId) => marks[partId]?.mark === 'present')
    stop()
  })
})

function keepScanned() {
  const scan = otherScan.value
  if (!scan?.part) return
  back.addExtra({ name: scan.part, count: 1, belongsTo: scan.kitName, note: '', pictureIds: [] })
  otherScan.value = null
}

/** A scan never makes a mark: a part's label moves the pencil, another kit's is named with its owner. */
useScans((code) => {
  otherScan.value = null
  const [kitCode, number] = code.toUpperCase().split('/')
  if (kitCode !== kit.value?.code.toUpperCase()) return void nameScan(code)
  const part = parts.value[Number(number) - 1]
  if (number && part) back.goTo(part.id)
})

useKeys(() => {
  if (result.value || conflict.value || back.asksForCell.value) return {}
  const asked = bar.value?.keys
  if (asked) return asked
  return {
    Space: () => back.mark('present'),
    m: () => back.mark('missing'),
    d: () => back.mark('damaged'),
    w: () => bar.value?.openWrong(),
    n: () => bar.value?.openNote(),
    x: () => bar.value?.openExtra(),
    a: back.markRest,
    s: () => caseLook.value?.markSame(),
    u: back.undo,
    '-': () => back.count(-1),
    '+': () => back.count(1),
    ArrowDown: () => back.move(1),
    ArrowUp: () => back.move(-1),
    Enter: () => void back.finish(),
    ...Object.fromEntries(back.choices.value.map((outcome) => [outcomeKeys[outcome], () => back.choose(outcome)])),
  }
})
</script>

<template>
  <TakenBack
    v-if="result"
    class="flex-1 pb-8px"
    :kit-code="result.kitCode"
    :outcome="result.outcome"
    :name="kit?.name ?? ''"
  />
  <TwoHands
    v-else-if="conflict && kit"
    class="flex-1 pb-8px"
    :conflict="conflict"
    :parts="kit.parts"
    :loan-id="loanId"
    :kit="kit"
    @done="shared.discard()"
  />
  <main v-else class="take-back flex flex-1 flex-col">
    <div class="page flex-1 pb-8px">
      <ProblemNote :problem="back.unreadable.value" @retry="back.reload" />
      <template v-if="form && kit">
        <header class="flex gap-14px items-center mb-10px max-[1000px]:flex-wrap">
          <h1>{{ correcting ? t('whatCameBackOf', { name: kit.name }) : t('isBack', { name: kit.name }) }}</h1>
          <KitTag :code="kit.code" />
          <p>
            {{ kit.modelName }}<br />
            <span class="quiet">{{ t('borrowerLoan', { borrower: form.loan.borrower, code: form.loan.code }) }}</span>
            <span v-if="form.loan.outAtUtc" class="quiet">
              {{ ' ' }}{{ t('outSince', { outAtUtc: dayText(form.loan.outAtUtc, kit.zone) }) }}</span
            >
            <strong v-if="form.loan.daysLate > 0" class="rust"> · {{ lateText(form.loan.daysLate) }}</strong>
          </p>
          <div class="flex gap-10px items-center ml-auto">
            <span v-if="shared.wasKept.value && !back.touched.value" class="second">{{
              t('takenUpWhereItWas')
            }}</span>
            <ElButton :disabled="back.undoable.value.length === 0" @click="back.undo">
              {{ t('undo') }} <KeyCap name="u" />
            </ElButton>
            <RouterLink :to="correcting ? `/desk/loans/${loanId}` : '/desk'" class="button">{{
              t('goOnLater')
            }}</RouterLink>
          </div>
        </header>
        <LineCut
          v-if="shared.offlineSince.value"
          :since="hourText(shared.offlineSince.value.toISOString(), kit.zone)"
          :unsent="shared.unsent.value"
          @again="shared.tryNow()"
        />
        <ScannedElsewhere
          v-if="otherScan"
          :scan="otherScan"
          :kit-name="kit.name"
          @keep="keepScanned"
          @dismiss="otherScan = null"
        />
        <p v-if="correcting && !form.isLatest" class="problem">
          {{ t('hasBeenOutAgainSince', { name: kit.name }) }}
          <RouterLink v-if="kit.lastLoan" :to="`/desk/loans/${kit.lastLoan.id}`">{{
            t('loanCode', { code: kit.lastLoan.code })
          }}</RouterLink>
        </p>
        <p v-else-if="correcting && form.kept" class="second">
          {{
            t('takenBackByChangeWhat', {
              by: form.kept.by,
              atUtc: whenText(form.kept.atUtc, kit.zone),
              outcomeWords: outcomeWords[form.kept.outcome].toLowerCase(),
            })
          }}
        </p>
        <p v-else-if="form.loan.state !== 'out'" class="problem">
          {{ t('thisLoanWasTakenBack') }}
          <RouterLink v-if="form.isLatest" :to="`/desk/take-back/${loanId}/correct`">{{ t('correctIt') }}</RouterLink>
          {{ t('or') }}
          <RouterLink :to="`/kits/${encodeURIComponent(kit.code)}`">{{ t('lookAtTheKitsSheet') }}</RouterLink>
        </p>
        <p v-else-if="shared.closed.value" class="problem" role="alert">
          {{ t('anotherDeskHasTakenBack', { name: kit.name }) }}
          <ElButton link @click="back.finish">{{ t('compare') }}</ElButton>
        </p>
        <div
          class="columns grid grid-cols-[minmax(0,1fr)_316px] gap-20px items-start max-[1100px]:grid-cols-[minmax(0,1fr)]"
        >
          <div class="line-rule-strong rd-4px bg-card">
            <ContentsCard :parts="parts" :draft="draft" :at="at" :differs="seen.differs" @choose="at = $event" />
            <PartBar
              v-if="current"
              ref="bar"
              class="current"
              :part="current"
              :number="at + 1"
              :own="draft.marks[current.id] ?? null"
              :look-alikes="form.lookAlikes"
              :branch-id="kit.branchId"
              :looked="back.looked.value"
              :total="parts.length"
              @mark="back.mark"
              @detail="back.detail"
              @extra="back.addExtra"
              @count="back.count"
              @rest="back.markRest"
            />
          </div>
          <aside class="grid gap-7px">
            <CaseDrawing
              v-if="!draft.caseLook"
              :parts="parts"
              :mark-of="(part) => markOf(draft, part)"
              :current-id="current?.id ?? null"
              @choose="back.goTo"
            />
            <HowItLies v-if="rests && current" :code="kit.code" :place="current.place" />
            <CaseLookPanel
              v-if="rests && !correcting && isOpen"
              ref="caseLook"
              :kit="kit"
              :loan-id="loanId"
              :look="draft.caseLook"
              :weight="weight"
              :is-unseen="(part) => markOf(draft, part) === 'unseen'"
              @seen="back.seeCase"
              @told="seen = $event"
              @present="back.markSeen"
              @choose="back.goTo"
            />
            <WeighIn
              v-if="weighIn"
              :given="weighIn"
              @weigh="back.weigh"
              @clear="back.clearWeighing"
              @look="back.lookFirst"
              @told="weight = $event"
            />
            <section v-if="Object.keys(draft.extras).length > 0" :aria-label="t('notOnTheCard')">
              <h2 class="mt-4px">{{ t('notOnTheCard') }}</h2>
              <ul class="p-0 list-none text-14px">
                <li v-for="(extra, id) in draft.extras" :key="id">
                  {{ extra.name }}
                  <span class="second">{{
                    extra.belongsTo ? t('mayBelongTo', { belongsTo: extra.belongsTo }) : t('nobodyKnowsWhoseYet')
                  }}</span>
                  <ElButton link @click="back.dropExtra(id)">{{ t('takeOff') }}</ElButton>
                </li>
              </ul>
            </section>
            <AskedAndSeen
              v-if="!correcting"
              :answers="draft.answers"
              :has-pack="parts.some(({ role }) => role === 'power-pack')"
              @set="back.setAnswer"
            />
            <section v-if="judgement && judgement.reasons[0]?.code !== 'ALL_GOOD'">
              <h2 class="mt-4px">{{ t('whatThisMeans') }}</h2>
              <p
                v-for="(reason, index) in judgement.reasons.slice(0, 5)"
                :key="index"
                :class="['means', { rust: reason.overrule === 'never' }]"
              >
                {{ reasonSentence(reason) }}
              </p>
            </section>
          </aside>
        </div>
        <p v-if="draft.cellAnswer" class="mt-10px py-8px px-14px [border-left:6px_double_var(--rust)] bg-card">
          <strong class="rust">{{ t('theCoinCellIsMissing') }}</strong>
          {{
            t('saidAChild', {
              spokeTo: draft.cellAnswer.spokeTo,
              whereIsIt: draft.cellAnswer.whereIsIt,
              couldAChildHaveIt: draft.cellAnswer.couldAChildHaveIt.replace('-', ' '),
              emergencyLine: kit.emergencyLine,
            })
          }}
        </p>
        <ProblemNote class="mt-10px" :problem="back.problem.value" @retry="back.finish" />
        <CellAlarm
          v-if="back.asksForCell.value"
          :emergency-line="kit.emergencyLine"
          :contact="form.loan.contact"
          :borrower="form.loan.borrower"
          @answer="shared.set('cell', $event)"
          @found="back.cellFound"
        />
      </template>
    </div>
    <WhereItGoes v-if="form && kit && isOpen" :kit="kit" :back="back" />
  </main>
</template>

<style scoped src="./take-back-page.css"></style>
