<script setup lang="ts">
import { PRACTICE_HELP_LINES, screwPlace, turnFraction, wayWord } from '@binoculum/core'
import { computed, onMounted } from 'vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import SerifText from '../../shared/SerifText.vue'
import { dayText } from '../../shared/dates.ts'
import BigFigure from '../../shared/drawings/BigFigure.vue'
import SignIcon from '../../shared/controls/SignIcon.vue'
import PeepholePicture from '../../shared/drawings/PeepholePicture.vue'
import { levels, levelWords } from './levels.ts'
import PracticeTabs from './PracticeTabs.vue'
import TurningScrews from './TurningScrews.vue'
import { usePracticeTube } from './use-practice-tube.ts'
import { useSession } from '../people/session.ts'
import { practiceWords } from './words.ts'

const t = practiceWords('practiceTubePage')

const session = useSession()

const practice = usePracticeTube()
const {
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
} = practice
const { result, log, shown, level, startMm, problem } = practice
onMounted(practice.load)

/** A longer trail says no more, and a live view has to draw it at every frame. */
const TRAIL_SHOWN = 24
const MOVES_SHOWN = 6
const figure = computed(() => (stage.value === 'secondary' ? secondaryMm.value : errorMm.value))
const limit = computed(() => (stage.value === 'secondary' ? limits.value.secondaryMm : limits.value.limitMm))
const tube = computed(() => practice.practice.value.tube)
const recent = computed(() => {
  const { moves } = rested.value
  return moves
    .slice(-MOVES_SHOWN)
    .map((move, i) => ({ ...move, at: Math.max(moves.length - MOVES_SHOWN, 0) + i + 1 }))
})
const scaleTop = computed(() => Math.max(least.value * 1.5, used.value + toGo.value.sixteenths, 1))
const at = (sixteenths: number) => (sixteenths / scaleTop.value) * 240
const nextWay = computed(() => [...toGo.value.secondary, ...toGo.value.primary])

useKeys(() => ({
  a: () => (screw.value = 'A'),
  b: () => (screw.value = 'B'),
  c: () => (screw.value = 'C'),
  ArrowRight: ({ shiftKey }) => practice.turn(shiftKey ? 1 : 2),
  ArrowLeft: ({ shiftKey }) => practice.turn(shiftKey ? -1 : -2),
  Space: () => void practice.lock(),
  h: practice.nextHelp,
  u: practice.undo,
  w: () => (shown.value = !shown.value),
  n: () => practice.another(),
}))
</script>

<template>
  <main class="flex flex-1 flex-col">
    <div class="page flex-1">
      <PracticeTabs />
      <header v-memo="[level, tube]" class="flex flex-wrap gap-14px items-center mb-10px">
        <h1>{{ t('practice') }}</h1>
        <p class="quiet">
          {{
            t('aMadeUpF', {
              apertureMm: tube.apertureMm,
              focalLengthMm: tube.focalLengthMm,
              ratio: (tube.focalLengthMm / tube.apertureMm).toFixed(1),
            })
          }}<br />{{ t('nothingHereIsWrittenTo') }}
        </p>
        <p class="flex gap-8px ml-auto" role="group" :aria-label="t('whichTelescope')">
          <button
            v-for="each in levels"
            :key="each.key"
            type="button"
            :class="['button', { main: each.key === level }]"
            :aria-pressed="each.key === level"
            @click="practice.another(each.key)"
          >
            {{ each.words }}
          </button>
        </p>
      </header>
      <div
        class="columns grid grid-cols-[minmax(280px,400px)_minmax(0,1fr)] gap-y-16px gap-x-40px max-[900px]:grid-cols-[minmax(0,1fr)]"
      >
        <div>
          <em class="text-quiet">{{ t('openEndOfTheTube') }}</em>
          <PeepholePicture
            class="max-w-370px"
            :tube="tube"
            :alignment="alignment"
            :screws="stage === 'primary' ? practice.practice.value.cell.screws : []"
            :highlight="stage === 'primary' ? screw : null"
            :limit-mm="limits.limitMm * 2"
            :good-mm="limits.goodMm * 2"
            :trail="state.trail.slice(-TRAIL_SHOWN)"
          />
        </div>
        <div class="[contain:layout]">
          <BigFigure
            :value="figure"
            :limit="limit"
            :good="stage === 'primary' ? limits.goodMm : undefined"
            unit="mm"
          />
          <p>
            <strong>{{ stage === 'secondary' ? t('leftOverSecondaryAtThe') : t('leftOverPrimaryAtThe') }}</strong>
            <span v-if="stage === 'primary'" class="quiet">
              {{ ' ' }}{{ t('itBeganAt', { startMm: startMm.toFixed(1) }) }}</span
            >
          </p>
          <div class="grid grid-cols-[250px_minmax(0,1fr)] gap-20px max-[900px]:grid-cols-[minmax(0,1fr)]">
            <div class="relative [contain:layout]">
              <em class="text-quiet">{{ stage === 'secondary' ? t('intoTheOpenEnd') : t('fromBehind') }}</em>
              <em class="text-quiet absolute right-0">{{ t('focuserSide') }}</em>
              <TurningScrews
                :places="screws.map(({ name, angleDeg }) => ({ name, ...screwPlace(angleDeg, 78) }))"
                :in-hand="screw"
                :disabled="result !== null"
                @pick="screw = $event"
                @turn="practice.turn($event.sixteenths, $event.name)"
              />
            </div>
            <div v-memo="[rested, screw, state.locked, stage, result]">
              <ol class="order mx-0 mt-0 mb-8px p-0 [list-style-position:inside]">
                <li class="py-4px px-0 line-b-rule" :class="{ here: stage === 'secondary' }">
                  {{ t('secondaryItsThreeScrews') }} <SignIcon v-if="stage !== 'secondary'" name="done" />
                </li>
                <li class="py-4px px-0 line-b-rule" :class="{ here: stage === 'primary' && !state.locked }">
                  {{ t('primary') }}<template v-if="stage === 'primary'">{{ t('isInYourHand', { screw }) }}</template>
                </li>
                <li class="py-4px px-0 line-b-rule" :class="{ here: state.locked }">
                  {{ t('lockAndLookAgain') }} <SignIcon v-if="result" name="done" />
                </li>
              </ol>
              <div
                v-if="recent.length > 0"
                class="moves text-14px [font-variant-numeric:tabular-nums]"
                role="table"
                :aria-label="t('yourTurns')"
              >
                <p role="row" class="head">
                  <span role="columnheader"></span
                  ><em class="text-quiet" role="columnheader">{{ t('yourTurns2') }}</em
                  ><em class="text-quiet" role="columnheader">{{ t('turn') }}</em
                  ><em class="text-quiet" role="columnheader">{{ t('leftMm') }}</em>
                </p>
                <p v-for="(move, row) in recent" :key="row" role="row">
                  <span role="cell">{{ move.at }}</span>
                  <span role="cell"
                    ><b>{{ move.name }}</b> {{ wayWord(move.sixteenths) }}</span
                  >
                  <span role="cell">{{ turnFraction(move.sixteenths / 16) }}</span>
                  <span role="cell">{{ move.leftMm.toFixed(1) }}</span>
                </p>
              </div>
              <h3 class="mx-0 mt-6px mb-4px [font:italic_400_16px_var(--serif)] text-quiet">
                {{ t('turnsSoFarAndThe') }}
              </h3>
              <svg viewBox="-6 -12 260 24" class="turns block w-full max-w-300px" aria-hidden="true">
                <line x2="248" class="line stroke-quiet" />
                <line :x1="at(least)" :x2="at(least)" y1="-9" y2="9" class="stroke-brass stroke-2.4" />
                <line v-if="used > least" :x1="at(least)" :x2="at(used)" class="over stroke-rust stroke-3" />
                <circle class="fill-ink" :cx="at(used)" r="5" :class="used > least ? 'off' : ''" />
                <circle :cx="at(used + toGo.sixteenths)" r="4" class="fill-card stroke-rust stroke-1.4" />
              </svg>
              <p class="second">
                <b>{{ used }}</b> {{ t('sixteenthsUsedToGo', { sixteenths: toGo.sixteenths }) }} <b>{{ least }}</b>
                {{ t('wouldDo') }}
              </p>
            </div>
          </div>
        </div>
      </div>
      <div
        v-memo="[rested, helpLine, state.locked, result, log, shown, problem]"
        class="grid grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)_minmax(0,1fr)] gap-y-8px gap-x-32px mt-12px pt-8px line-t-rule-strong max-[900px]:grid-cols-[minmax(0,1fr)]"
      >
        <section :aria-label="t('help')" class="[contain:layout]">
          <h3 class="mx-0 mt-6px mb-4px [font:italic_400_16px_var(--serif)] text-quiet">
            {{ helpLine === 0 ? t('help2') : t('helpLineOf', { line: helpLine, lines: PRACTICE_HELP_LINES }) }}
          </h3>
          <p v-if="result" class="words text-22px lh-28px" role="status">
            <SerifText
              :text="
                t('linedUpToMmWith', {
                  leftMm: result.leftMm.toFixed(1),
                  sixteenthsUsed: result.sixteenthsUsed,
                  sixteenthsLeast: result.sixteenthsLeast,
                })
              "
            />
          </p>
          <p v-else-if="state.locked && errorMm > limits.limitMm" class="words text-22px lh-28px" role="status">
            <SerifText
              :text="t('lockingShiftedItMmAre', { errorMm: errorMm.toFixed(1), limitMm: limits.limitMm.toFixed(1) })"
            />
          </p>
          <p v-else class="words text-22px lh-28px">
            <SerifText :text="help || t('oneLineAtATime')" />
          </p>
          <p v-if="shown && nextWay.length > 0" class="second">
            {{
              t('shortestWayFromHere', {
                nextWay: nextWay
                  .map(({ name, sixteenths }) => `${name} ${wayWord(sixteenths)} ${turnFraction(sixteenths / 16)}`)
                  .join(', '),
              })
            }}
          </p>
          <p v-if="problem" class="problem">{{ problem }}</p>
        </section>
        <section class="[contain:layout]">
          <h3 class="mx-0 mt-6px mb-4px [font:italic_400_16px_var(--serif)] text-quiet">{{ t('howToTurn') }}</h3>
          <p class="second">
            <KeyCap name="a" /> <KeyCap name="b" /> <KeyCap name="c" /> {{ t('choose') }} <KeyCap name="←" />
            {{ t('anticlockwise') }} <KeyCap name="→" /> {{ t('clockwiseAnEighthAtA') }} <KeyCap name="Shift" />
            {{ t('halfOfThatOrThe') }}
          </p>
        </section>
        <section v-if="log.length > 0" class="[contain:layout]">
          <h3 class="mx-0 mt-6px mb-4px [font:italic_400_16px_var(--serif)] text-quiet">
            {{ t('keptForYouAndYour') }}
          </h3>
          <p v-for="(run, i) in log.slice(0, 4)" :key="i" class="second">
            {{ dayText(run.atUtc, session.zoneOf()) }} {{ run.mine ? '' : `${run.by}, ` }}{{ levelWords[run.level] }}:
            <b>{{ run.sixteenthsUsed }}</b>
            {{ t('ofSixteenthsMmLeft', { sixteenthsLeast: run.sixteenthsLeast, leftMm: run.leftMm.toFixed(1) }) }}
          </p>
          <p class="second">
            <RouterLink to="/practice/results">{{ t('howItGoesAllOf') }}</RouterLink>
          </p>
        </section>
      </div>
    </div>
    <footer v-memo="[state.locked, result, state.moves.length > 0, stage]" class="action-bar">
      <ElButton v-if="result" type="primary" size="large" @click="practice.another()">
        {{ t('anotherTube') }} <KeyCap name="n" />
      </ElButton>
      <ElButton v-else type="primary" size="large" :disabled="stage === 'secondary'" @click="practice.lock()">
        {{ state.locked ? t('loosenTheLocks') : t('lockAndLookAgain2') }} <KeyCap name="Space" />
      </ElButton>
      <ElButton size="large" :disabled="result !== null" @click="practice.nextHelp()">
        {{ t('nextHelpLine') }} <KeyCap name="h" />
      </ElButton>
      <ElButton size="large" :disabled="state.moves.length === 0 || result !== null" @click="practice.undo()">
        {{ t('undoATurn') }} <KeyCap name="u" />
      </ElButton>
      <ElButton size="large" @click="shown = !shown"> {{ t('showTheShortestWay') }} <KeyCap name="w" /> </ElButton>
      <ElButton v-if="!result" size="large" @click="practice.another()">
        {{ t('anotherTube') }} <KeyCap name="n" />
      </ElButton>
    </footer>
  </main>
</template>

<style scoped src="./practice-tube-page.css"></style>
