<script setup lang="ts">
import type { TakeBackConflict, TakeBackForm } from '@binoculum/contract'
import { outcomes, outcomeWords, reasonClause, reasonSentence, type Mark, type Outcome } from '@binoculum/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import { useDraft } from '../../shared/draft.ts'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import KitTag from '../../shared/drawings/KitTag.vue'
import PencilMark from '../../shared/drawings/PencilMark.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { dayText, lateText } from '../../shared/words.ts'
import ContentsCard from './ContentsCard.vue'
import TakenBack from './TakenBack.vue'
import TwoHands from './TwoHands.vue'
import {
  emptyTakeBack,
  judgeTakeBack,
  markOf,
  marksToSend,
  markRestPresent,
  nextUnseen,
  setMark,
  startFrom,
  type TakeBackDraft,
} from './take-back-state.ts'

const route = useRoute()
const loanId = String(route.params.loanId)
const { data: form, problem: unreadable, reload } = useLoaded<TakeBackForm>(`/api/loans/${loanId}/take-back`)
const { draft, wasKept, discard } = useDraft<TakeBackDraft>(`take-back ${loanId}`, emptyTakeBack)
const { sending, problem, run } = useSending()
const undoable = ref<TakeBackDraft[]>([])
const noteBox = useTemplateRef('noteBox')
const showsNote = ref(false)
const result = ref<{ kitCode: string; outcome: Outcome } | null>(null)
const conflict = ref<TakeBackConflict | null>(null)
const openedAtUtc = new Date().toISOString()

const kit = computed(() => form.value?.kit ?? null)
const parts = computed(() => kit.value?.parts ?? [])
const current = computed(() => parts.value[draft.value.at] ?? null)
const looked = computed(() => parts.value.filter((part) => markOf(draft.value, part) !== 'unseen').length)
const judgement = computed(() => (form.value ? judgeTakeBack(form.value, draft.value, openedAtUtc) : null))
const moons = { shelf: 'full', 'shelf-with-note': 'half', bench: 'crescent', hold: 'new' } as const
const proposed = computed<Outcome>(() => {
  const byCondition = { full: 'shelf', half: 'shelf-with-note', crescent: 'bench', new: 'hold' } as const
  return byCondition[judgement.value?.condition ?? 'half']
})
const chosen = computed(() => draft.value.outcome ?? proposed.value)
const never = computed(() => judgement.value?.reasons.filter(({ overrule }) => overrule === 'never') ?? [])
const isLax = computed(() => outcomes.indexOf(chosen.value) < outcomes.indexOf(proposed.value))
const cell = computed(() => never.value.find(({ remedy }) => remedy === 'ask-for-cell-now'))

function reasonFor(outcome: Outcome): string {
  if (outcome === proposed.value) {
    const worst = judgement.value?.reasons[0]
    const unlooked = parts.value.length - looked.value
    if (worst?.code === 'NOT_COUNTED') return `${unlooked} parts still to look at`
    return worst ? reasonClause(worst) : ''
  }
  const words: Record<Outcome, string> = {
    shelf: 'nothing against it',
    'shelf-with-note': 'the next borrower is told',
    bench: 'a check before it goes out',
    hold: 'until it is put right',
  }
  return words[outcome]
}

/** Every change to the draft can be undone, one step at a time. */
function change(next: TakeBackDraft) {
  undoable.value.push(JSON.parse(JSON.stringify(draft.value)) as TakeBackDraft)
  draft.value = next
}
function undo() {
  const before = undoable.value.pop()
  if (before) draft.value = before
}
function mark(to: Mark) {
  const part = current.value
  if (!part) return
  const marked = setMark(draft.value, part, to)
  change({ ...marked, at: nextUnseen(marked, parts.value, draft.value.at) })
  showsNote.value = false
}
function count(step: number) {
  const part = current.value
  if (!part || part.count === 1) return
  const now = draft.value.marks[part.id]?.presentCount ?? part.count
  const next = Math.min(Math.max(now + step, 0), part.count)
  change(setMark(draft.value, part, next === 0 ? 'missing' : 'present', next))
}
const move = (step: number) => {
  draft.value.at = Math.min(Math.max(draft.value.at + step, 0), parts.value.length - 1)
}
function note() {
  const part = current.value
  if (!part) return
  if (!draft.value.marks[part.id]) change(setMark(draft.value, part, 'damaged'))
  showsNote.value = true
  requestAnimationFrame(() => noteBox.value?.focus())
}
const rest = () => change(markRestPresent(draft.value, parts.value))
const choose = (outcome: Outcome) => (draft.value.outcome = outcome)

async function finish() {
  const given = form.value
  if (!given) return
  const done = await run(async (idempotencyKey) => {
    const { answers, outcomeReason } = draft.value
    const body = { loanVersion: given.loan.version, marks: marksToSend(draft.value), answers, outcome: chosen.value }
    result.value = await api.post(`/api/loans/${loanId}/take-back`, { idempotencyKey, ...body, outcomeReason })
  })
  if (done) return discard()
  if (problem.value?.code === 'LOAN_CLOSED') conflict.value = problem.value.reply.details as TakeBackConflict
}
watch(form, (given) => {
  if (given) draft.value = startFrom(draft.value, given.kit.parts)
})

useKeys(() =>
  result.value || conflict.value
    ? {}
    : {
        Space: () => mark('present'),
        m: () => mark('missing'),
        d: () => mark('damaged'),
        w: () => mark('wrong'),
        n: note,
        a: rest,
        u: undo,
        '-': () => count(-1),
        '+': () => count(1),
        ArrowDown: () => move(1),
        ArrowUp: () => move(-1),
        Enter: () => void finish(),
        ...Object.fromEntries(outcomes.map((outcome, index) => [String(index + 1), () => choose(outcome)])),
      },
)
</script>

<template>
  <TakenBack v-if="result" :kit-code="result.kitCode" :outcome="result.outcome" :name="kit?.name ?? ''" />
  <TwoHands
    v-else-if="conflict && kit"
    :conflict="conflict"
    :parts="kit.parts"
    :loan-id="loanId"
    :kit="kit"
    @done="discard"
  />
  <main v-else class="take-back">
    <div class="page">
      <ProblemNote :problem="unreadable" @retry="reload" />
      <template v-if="form && kit">
        <header>
          <h1>{{ kit.name }} is back</h1>
          <KitTag :code="kit.code" />
          <p>
            {{ kit.modelName }}<br />
            <span class="quiet">{{ form.loan.borrower }} · loan {{ form.loan.code }}</span>
            <span v-if="form.loan.outAtUtc" class="quiet">
              · out since {{ dayText(form.loan.outAtUtc, kit.zone) }}</span
            >
            <strong v-if="form.loan.daysLate > 0" class="rust"> · {{ lateText(form.loan.daysLate) }}</strong>
          </p>
          <div class="right">
            <span v-if="wasKept && undoable.length === 0" class="second">Taken up where you left it.</span>
            <button type="button" class="button" :disabled="undoable.length === 0" @click="undo">
              Undo <KeyCap name="u" />
            </button>
            <RouterLink to="/desk" class="button">Go on later</RouterLink>
          </div>
        </header>
        <p v-if="form.loan.state !== 'out'" class="problem">
          This loan was taken back already.
          <RouterLink :to="`/kits/${encodeURIComponent(kit.code)}`">Look at the kit’s sheet.</RouterLink>
        </p>
        <div class="columns">
          <div class="card-frame">
            <ContentsCard :parts="parts" :draft="draft" @choose="draft.at = $event" />
            <div v-if="current" class="current">
              <p>
                <strong class="night">{{ draft.at + 1 }} {{ current.name }}</strong> {{ current.lookFor }}.
                <span class="quiet looked">{{ looked }} of {{ parts.length }} looked at</span>
              </p>
              <div v-if="showsNote" class="note-line">
                <input
                  ref="noteBox"
                  v-model="draft.marks[current.id]!.note"
                  class="field"
                  placeholder="What is it? Enter when done"
                  aria-label="Note on this part"
                  @keydown.enter="showsNote = false"
                  @keydown.esc="showsNote = false"
                />
              </div>
              <div class="marks">
                <button type="button" class="mark-button" @click="mark('present')">
                  <KeyCap name="Space" /><PencilMark mark="present" /> present
                </button>
                <button type="button" class="mark-button" @click="mark('missing')">
                  <KeyCap name="m" /><PencilMark mark="missing" /> missing
                </button>
                <button type="button" class="mark-button" @click="mark('damaged')">
                  <KeyCap name="d" /><PencilMark mark="damaged" /> damaged
                </button>
                <button type="button" class="mark-button" @click="mark('wrong')">
                  <KeyCap name="w" /><PencilMark mark="wrong" /> wrong
                </button>
                <button type="button" class="mark-button" @click="note"><KeyCap name="n" /> note</button>
                <template v-if="current.count > 1">
                  <button type="button" class="mark-button" aria-label="one fewer" @click="count(-1)">
                    <KeyCap name="−" /> fewer
                  </button>
                  <button type="button" class="mark-button" aria-label="one more" @click="count(1)">
                    <KeyCap name="+" /> more
                  </button>
                </template>
                <button type="button" class="mark-button" @click="rest"><KeyCap name="a" /> all the rest</button>
              </div>
            </div>
          </div>
          <aside>
            <h2>“What didn’t work?”</h2>
            <textarea
              v-model="draft.answers.whatDidNotWork"
              class="field"
              rows="3"
              aria-label="What didn’t work?"
              placeholder="in the borrower’s words"
            ></textarea>
            <h2>Asked and seen</h2>
            <label class="check"
              ><input v-model="draft.answers.dropped" type="checkbox" /> dropped or knocked over</label
            >
            <label class="check"><input v-model="draft.answers.wet" type="checkbox" /> wet</label>
            <label class="check"
              ><input v-model="draft.answers.glassWhole" type="checkbox" /> glass whole, by torch</label
            >
            <label class="check"
              ><input v-model="draft.answers.batteryDoorShut" type="checkbox" /> finder off, its battery door screwed
              shut</label
            >
            <label class="check"
              ><input v-model="draft.answers.sunFilterFound" type="checkbox" /> a sun filter that screws into an
              eyepiece lies in the case</label
            >
            <p v-if="draft.answers.wet" class="second">
              Caps off, dried in the open for a day at least before anything is closed.
            </p>
            <section v-if="judgement && judgement.reasons[0]?.code !== 'ALL_GOOD'">
              <h2>What this means</h2>
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
        <div v-if="cell" class="alarm" role="alert">
          <strong>A coin cell is missing. Speak to the borrower now.</strong> Where is it? Could a child have it? If
          so, act at once: {{ kit.emergencyLine }}.
        </div>
        <ProblemNote class="refused" :problem="problem" @retry="finish" />
      </template>
    </div>
    <footer v-if="form && kit && form.loan.state === 'out'" class="night-bar">
      <p class="serif">{{ kit.name }} goes</p>
      <button
        v-for="(outcome, index) in outcomes"
        :key="outcome"
        type="button"
        :class="['bar-button', { ready: outcome === chosen }]"
        :disabled="never.length > 0 && outcome !== 'hold'"
        :aria-pressed="outcome === chosen"
        @click="choose(outcome)"
      >
        <ConditionMoon :condition="moons[outcome]" :size="24" />
        <span
          ><b>{{ outcomeWords[outcome] }}</b
          ><br /><span class="second why"
            >{{ reasonFor(outcome) }}{{ outcome === proposed ? ': proposed' : '' }}</span
          ></span
        >
        <KeyCap :name="String(index + 1)" />
      </button>
      <input
        v-if="isLax"
        v-model="draft.outcomeReason"
        class="field why-field"
        placeholder="why, all the same?"
        aria-label="Why it goes there all the same"
      />
      <button type="button" class="bar-button done" :disabled="sending" @click="finish">
        <b>Done</b> <KeyCap name="Enter" />
      </button>
    </footer>
  </main>
</template>

<style scoped>
.take-back {
  display: flex;
  flex: 1;
  flex-direction: column;
}

.page {
  flex: 1;
  padding-bottom: 8px;
}

header {
  display: flex;
  gap: 14px;
  align-items: center;
  margin-bottom: 10px;
}

.right {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-left: auto;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 20px;
  align-items: start;
}

.card-frame {
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--card);
}

.current {
  position: sticky;
  bottom: 78px;
  padding: 8px 14px 10px;
  border-top: 1px solid var(--brass);
  background: var(--card);
}

.night {
  color: var(--night);
}

.looked {
  float: right;
}

.marks {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 7px;
}

.mark-button {
  display: flex;
  gap: 7px;
  align-items: center;
  min-height: 38px;
  padding: 2px 8px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
  font-size: 14px;
  cursor: pointer;
}

.mark-button:hover {
  border-color: var(--night);
}

.note-line {
  margin-top: 6px;
}

aside {
  display: grid;
  gap: 7px;
}

aside h2 {
  margin-top: 4px;
}

.check {
  display: flex;
  gap: 9px;
  align-items: flex-start;
  font-size: 14px;
}

.check input {
  flex: none;
  width: 17px;
  height: 17px;
  margin: 1px 0 0;
  accent-color: var(--night);
}

.means {
  margin-bottom: 6px;
  font-size: 14px;
}

.alarm {
  margin-top: 10px;
  padding: 10px 14px;
  border: 3px double var(--rust);
  background: var(--card);
  color: var(--rust);
  font-size: 17px;
  line-height: 24px;
}

.refused {
  margin-top: 10px;
}

.why {
  display: -webkit-box;
  max-width: 132px;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}

.why-field {
  width: 190px;
}

.done {
  margin-left: auto;
}

.night-bar {
  gap: 8px;
  padding-inline: 16px;
}

.night-bar .bar-button {
  gap: 9px;
  padding-inline: 10px;
}

@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
