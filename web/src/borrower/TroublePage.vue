<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import { plain } from '@binoculum/core'
import { computed, onMounted, ref } from 'vue'
import FinderWindow from './FinderWindow.vue'
import PencilMark from '../shared/drawings/PencilMark.vue'
import ReportForm from './ReportForm.vue'
import SaidText from './SaidText.vue'
import TroubleSheet from './TroubleSheet.vue'
import { textOf } from './guide-pages.ts'
import { useWords } from './guide-language.ts'

/** What doesn't work, walked like a tree: the sign, what is ticked on the way, one question, what follows; at its end the
 * library is asked, with all that was tried. */
const { guide } = defineProps<{ guide: IssuedGuide; token: string }>()
const { say, language } = useWords()
const signs = computed(() => textOf(guide, language.value).trouble)
/** Without scripts, and on paper, the whole tree is read at once. */
const lives = ref(false)
onMounted(() => (lives.value = true))
const signKey = ref<string | null>(null)
const answerKey = ref<string | null>(null)
const ticked = ref<readonly number[]>([])
const asks = ref(false)
const has = (role: string) => guide.drawn?.parts.some((part) => part.role === role) ?? false
const hasFinder = computed(() => has('finder'))
const redDot = computed(() => (guide.drawn?.finderKind ?? (has('coin-cell') ? 'red-dot' : null)) === 'red-dot')
const sign = computed(() => signs.value.find(({ key }) => key === signKey.value) ?? null)
const answer = computed(() => sign.value?.answers.find(({ key }) => key === answerKey.value) ?? null)
const others = computed(() => signs.value.filter(({ key }) => key !== signKey.value))
const asked = computed(() => sign.value !== null && ticked.value.length >= sign.value.checks.length)
function choose(key: string | null) {
  signKey.value = key
  answerKey.value = null
  ticked.value = []
  asks.value = false
}
const tick = (index: number) => {
  ticked.value = ticked.value.includes(index)
    ? ticked.value.filter((each) => each !== index)
    : [...ticked.value, index]
}
/** The library reads it in English, whatever the borrower reads. */
const walked = computed(() => {
  const english = textOf(guide, 'en').trouble.find(({ key }) => key === signKey.value)
  const chosen = english?.answers.find(({ key }) => key === answerKey.value)
  return english
    ? [
        plain(english.sign),
        ...ticked.value.map((index) => plain(english.checks[index] ?? '')),
        ...(chosen ? [plain(chosen.answer)] : []),
      ]
    : []
})
</script>

<template>
  <TroubleSheet :guide="guide" :class="{ 'paper-only': lives }" />
  <div v-if="lives && !sign" class="screen-only">
    <button v-for="each in signs" :key="each.key" type="button" class="branch" @click="choose(each.key)">
      <b><SaidText :said="each.sign" /></b>
    </button>
  </div>
  <div v-else-if="sign" class="tree screen-only">
    <h2><SaidText :said="sign.sign" /></h2>
    <p class="twigs">
      <em>{{ say('rather:') }}</em>
      <button v-for="each in others" :key="each.key" type="button" class="link-button" @click="choose(each.key)">
        <SaidText :said="each.sign" />
      </button>
    </p>
    <button
      v-for="(check, index) in sign.checks"
      :key="index"
      type="button"
      class="check"
      :aria-pressed="ticked.includes(index)"
      @click="tick(index)"
    >
      <PencilMark aria-hidden="true" :mark="ticked.includes(index) ? 'present' : 'unseen'" />
      <SaidText :said="check" />
    </button>
    <p v-if="!asked" class="second">{{ say('Tick each when you have looked.') }}</p>
    <template v-if="asked">
      <h2><SaidText :said="sign.question" /></h2>
      <FinderWindow v-if="sign.key === 'black' && hasFinder" :red-dot="redDot" />
      <button
        v-for="each in sign.answers"
        :key="each.key"
        type="button"
        class="branch"
        :aria-pressed="each.key === answerKey"
        @click="answerKey = each.key"
      >
        <b><SaidText :said="each.answer" /></b> <span><SaidText :said="each.hint" /></span>
      </button>
      <div v-if="answer" class="then" aria-live="polite">
        <p v-for="(line, index) in answer.then" :key="index"><SaidText :said="line" /></p>
      </div>
      <p v-if="sign.besides" class="second"><SaidText :said="sign.besides" /></p>
    </template>
    <p class="never">{{ say('Never force anything; leave the mirrors to us.') }}</p>
    <button v-if="!asks && token" type="button" class="button ask screen-only" @click="asks = true">
      {{ say('Ask the library') }}
    </button>
    <ReportForm v-else-if="token" :token="token" :sign="signKey ?? ''" :walked="walked" />
  </div>
</template>

<style scoped>
.tree {
  padding-left: 14px;
  border-left: 2px solid var(--ink);
}

h2 {
  font-size: 18px;
  line-height: 24px;
  margin: 14px 0 10px;
  font-size: 24px;
  line-height: 29px;
}

.twigs {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: center;
}

.twigs .link-button,
.check {
  min-height: 40px;
  text-align: left;
}

.check {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  width: 100%;
  min-height: 48px;
  padding: 4px 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
}

.branch {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 52px;
  margin-bottom: 8px;
  padding: 8px 14px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--card);
  color: var(--ink);
  font: inherit;
  text-align: left;
}

.branch span {
  font-size: 15px;
}

.branch[aria-pressed='true'] {
  border-width: 2px;
  border-color: var(--night);
}

.then {
  margin: 4px 0 10px;
  padding: 6px 0 6px 12px;
  border-left: 3px solid var(--brass);
}

.never {
  margin-top: 14px;
  padding-top: 10px;
  border-top: 1px solid var(--rule);
  font-size: 15px;
}

.ask {
  width: 100%;
  min-height: 56px;
  margin-top: 10px;
  font-size: 18px;
}
</style>
