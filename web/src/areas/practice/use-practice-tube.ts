import { practiceLogSchema, type PracticeLog, type PracticeResult } from '@binoculum/contract'
import {
  lockPractice,
  practiceAlignment,
  practiceErrorMm,
  practiceHelp,
  PRACTICE_HELP_LINES,
  practiceLimits,
  practiceStage,
  practiceTube,
  shortestWay,
  sixteenthsUsed,
  startedPractice,
  turnPracticeScrew,
  undoPractice,
  type PracticeLevel,
} from '@binoculum/core'
import { refDebounced } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { api } from '../../shared/api/client.ts'
import { practiceWords } from './words.ts'

const t = practiceWords('usePracticeTube')

const MS_PER_SECOND = 1000
/** The view and its figure follow the hand at every frame; what is only read follows when the hand rests. */
const RESTS_MS = 120

/** A made-up telescope as it is being lined up; a finished one is told to the practice log. */
export function usePracticeTube(seedOf: () => number = () => Math.floor(Math.random() * 1e9)) {
  const level = ref<PracticeLevel>('one-screw')
  const practice = shallowRef(practiceTube(level.value, seedOf()))
  const state = shallowRef(startedPractice(practice.value))
  const rested = refDebounced(state, RESTS_MS)
  const screw = ref('A')
  const helpLine = ref(0)
  const helpsUsed = ref(0)
  const startMm = ref(practiceErrorMm(practice.value, state.value))
  const least = ref(shortestWay(practice.value, state.value).sixteenths)
  const shown = ref(false)
  const result = shallowRef<PracticeResult | null>(null)
  const log = shallowRef<PracticeLog['results']>([])
  const problem = ref<string | null>(null)
  let beganMs = Date.now()

  const stage = computed(() => practiceStage(practice.value, state.value))
  const limits = computed(() => practiceLimits(practice.value))
  const errorMm = computed(() => practiceErrorMm(practice.value, state.value))
  const secondaryMm = computed(() => Math.hypot(state.value.secondaryErrorMm.x, state.value.secondaryErrorMm.y))
  const alignment = computed(() => practiceAlignment(practice.value, state.value))
  const used = computed(() => sixteenthsUsed(rested.value))
  const toGo = computed(() => shortestWay(practice.value, rested.value))
  const screws = computed(() =>
    stage.value === 'secondary' ? practice.value.holder.screws : practice.value.cell.screws,
  )
  const help = computed(() =>
    helpLine.value === 0 ? '' : practiceHelp(practice.value, rested.value, helpLine.value),
  )

  function another(at: PracticeLevel = level.value) {
    level.value = at
    practice.value = practiceTube(at, seedOf())
    state.value = startedPractice(practice.value)
    startMm.value = practiceErrorMm(practice.value, state.value)
    least.value = shortestWay(practice.value, state.value).sixteenths
    helpLine.value = 0
    helpsUsed.value = 0
    shown.value = false
    result.value = null
    beganMs = Date.now()
  }
  function turn(sixteenths: number, name = screw.value) {
    if (result.value) return
    screw.value = name
    const before = stage.value
    state.value = turnPracticeScrew(practice.value, state.value, { stage: before, name, sixteenths })
    if (stage.value !== before) helpLine.value = 0
  }
  function undo() {
    if (!result.value && state.value.moves.length > 0) state.value = undoPractice(practice.value, state.value)
  }
  function nextHelp() {
    helpsUsed.value++
    helpLine.value = helpLine.value >= PRACTICE_HELP_LINES ? 1 : helpLine.value + 1
  }
  /** Locks and looks again; a telescope that is still good after that is finished. */
  async function lock() {
    if (stage.value === 'secondary' || result.value) return
    state.value = lockPractice(practice.value, state.value)
    if (!state.value.locked || errorMm.value > limits.value.limitMm) return
    result.value = {
      level: level.value,
      sixteenthsUsed: sixteenthsUsed(state.value),
      sixteenthsLeast: least.value,
      startMm: startMm.value,
      leftMm: errorMm.value,
      limitMm: limits.value.limitMm,
      helpLines: helpsUsed.value,
      seconds: Math.round((Date.now() - beganMs) / MS_PER_SECOND),
    }
    try {
      log.value = (await api.post(practiceLogSchema, '/api/practice', result.value)).results
    } catch {
      problem.value = t('theResultWasNotKept')
    }
  }
  async function load() {
    try {
      log.value = (await api.get(practiceLogSchema, '/api/practice')).results
    } catch {
      // The log is a help, not a need.
    }
  }

  return {
    level,
    practice,
    state,
    rested,
    stage,
    screw,
    screws,
    limits,
    errorMm,
    secondaryMm,
    alignment,
    used,
    least,
    toGo,
    help,
    helpLine,
    shown,
    result,
    log,
    problem,
    startMm,
    another,
    turn,
    undo,
    nextHelp,
    lock,
    load,
  }
}
