<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import { guideDate, isEnglish, pageLanguages, plain } from '@binoculum/core'
import { computed, defineAsyncComponent, nextTick, onMounted, onUnmounted, ref, watch } from 'vue'
import { laterComponent } from '../shared/later-component.ts'
import SerifText from '../shared/SerifText.vue'
import SunSign from '../shared/drawings/SunSign.vue'
import CasePage from './CasePage.vue'
import GuideDrawing from './GuideDrawing.vue'
import DrivePage from './DrivePage.vue'
import KitSteps from './KitSteps.vue'
import PolarPage from './PolarPage.vue'
import PowersPage from './PowersPage.vue'
import SaidText from './SaidText.vue'
import TicksLine from './TicksLine.vue'
import TonightPage from './TonightPage.vue'
import TroublePage from './TroublePage.vue'
import EmberFilter from '../theme/EmberFilter.vue'
import { isChapter, pagesOf, spokenText, textOf } from './guide-pages.ts'
import { provideLanguage } from './guide-language.ts'
import { copyEndsMs, forgetGuide } from './offline-copy.ts'
import { noMemory, type GuideMemory } from './guide-memory.ts'
import { provideMemory, useRemembered, useTaste } from './use-kept.ts'
import { provideNight } from './use-night.ts'
import RefusedNote from './RefusedNote.vue'
import { forgetRefused, sendWaiting } from './send-to-library.ts'
import './paper.css'

/** Only with a network is anything measured: without one these forms don't come. */
const LooksHere = laterComponent(() => import('./looks/LooksHere.vue'))
const HelpSheetView = defineAsyncComponent(() => import('./HelpSheetView.vue'))

/** A borrower's guide. As served it is one long readable page; once it lives, it shows one page at a time and remembers
 * where one was. */
const {
  guide,
  token,
  startLanguage,
  startBlock,
  memory = noMemory,
} = defineProps<{
  guide: IssuedGuide
  token: string
  startLanguage: string
  /** The block to begin at, where a coordinator looks at one. */
  startBlock?: string | undefined
  /** What the phone remembers of it; left out, nothing. */
  memory?: GuideMemory
}>()
const language = ref(startLanguage)
const t = provideLanguage(language)
provideNight(() => guide)
const say = (sentence: string, variables?: Record<string, string | number>) => t.value.text(sentence, variables)
const text = computed(() => textOf(guide, language.value))
const pages = computed(() => pagesOf(text.value))
const languages = pageLanguages.filter(({ code }) => code in guide.texts)

const isString = (value: unknown): value is string => typeof value === 'string'
provideMemory(memory)
const here = useRemembered(memory, 'page', '', isString)
const scheme = useTaste<'paper' | 'ember'>(
  'scheme',
  'paper',
  (value): value is 'paper' | 'ember' => value === 'paper' || value === 'ember',
)
const size = useTaste<number>('size', 1, (value): value is number => [1, 1.2, 1.45].includes(value as number))
const lives = ref(false)
const over = ref(false)
const showsAll = ref(false)
const speaking = ref(false)

const at = computed(() =>
  Math.max(
    0,
    pages.value.findIndex(({ key }) => key === here.value),
  ),
)
const page = computed(() => pages.value[at.value])
const next = computed(() => pages.value[at.value + 1] ?? null)
const where = computed(() => {
  const now = page.value
  if (!now?.step) return say('guide')
  return say(now.block.key === 'away' ? 'put away, step {at} of {all}' : 'set-up, step {at} of {all}', {
    at: now.stepNumber,
    all: now.stepCount,
  })
})
const firsts = computed(() =>
  pages.value.filter((each, index) => pages.value[index - 1]?.block.key !== each.block.key),
)

async function go(key: string) {
  here.value = key
  showsAll.value = false
  stopSpeaking()
  await nextTick()
  window.scrollTo(0, 0)
  document.querySelector<HTMLElement>('.guide section.here h1')?.focus()
}
const goBlock = (block: string) => {
  const found = pages.value.find((each) => each.block.key === block)
  if (found) void go(found.key)
}
function stopSpeaking() {
  if (speaking.value) window.speechSynthesis.cancel()
  speaking.value = false
}
function listen() {
  if (speaking.value) return stopSpeaking()
  if (!page.value) return
  const said = new SpeechSynthesisUtterance(spokenText(page.value))
  said.lang = language.value
  said.onend = () => (speaking.value = false)
  speaking.value = true
  window.speechSynthesis.speak(said)
}
const canSpeak = ref(false)
const sizes = [1, 1.2, 1.45] as const
const bigger = () => (size.value = sizes[(sizes.indexOf(size.value as 1) + 1) % sizes.length] ?? 1)
const print = () => window.print()
function showScheme(now: 'paper' | 'ember') {
  if (now === 'ember') document.documentElement.dataset.scheme = 'ember'
  else delete document.documentElement.dataset.scheme
}
function choose(code: string) {
  language.value = code
  if (token) document.documentElement.lang = code
}
/** The language that the address asks for, also where an older copy in another one was kept on the phone. */
function turnToAsked() {
  const asked = token ? new URLSearchParams(location.search).get('lang') : null
  if (asked && asked !== language.value && languages.some(({ code }) => code === asked)) choose(asked)
}
const refused = ref<readonly string[]>([])
const online = async () => void (refused.value = await sendWaiting({ token, memory }))
function letRefusedGo() {
  refused.value = []
  void forgetRefused(memory)
}

onMounted(() => {
  if (startBlock) here.value = pages.value.find(({ block }) => block.key === startBlock)?.key ?? ''
  lives.value = true
  turnToAsked()
  // Where a coordinator looks at it, the room around it keeps its own scheme.
  if (token) watch(scheme, (now) => showScheme(now), { immediate: true })
  canSpeak.value = 'speechSynthesis' in window
  if (token && Date.now() > copyEndsMs(guide) && !navigator.onLine) {
    over.value = true
    void forgetGuide(token, memory)
  }
  void online()
  window.addEventListener('online', online)
})
onUnmounted(() => window.removeEventListener('online', online))
</script>

<template>
  <component
    :is="token ? 'main' : 'div'"
    class="guide"
    :class="{ lives, all: showsAll }"
    :lang="language"
    :data-scheme="!token && scheme === 'ember' ? 'ember' : undefined"
    :style="{ '--size': size }"
  >
    <EmberFilter />
    <p v-if="over" class="over">
      {{ say('This guide is over. Ask the library for a new link; the number is on your loan slip.') }}
    </p>
    <template v-else>
      <header>
        <p>
          <span class="serif kit">{{ guide.kitName }}</span>
          <span class="quiet where">{{ lives ? where : say('guide') }}</span>
        </p>
        <div class="tools screen-only">
          <button type="button" class="tool" :aria-label="say('Bigger text')" @click="bigger">A<b>A</b></button>
          <button type="button" class="tool scheme" @click="scheme = scheme === 'ember' ? 'paper' : 'ember'">
            <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
              <circle cx="9" cy="9" r="7.6" />
              <circle cx="9" cy="9" r="3.4" class="inner" />
            </svg>
            {{ scheme === 'ember' ? say('Paper') : say('Ember') }}
          </button>
        </div>
      </header>

      <RefusedNote v-if="refused.length > 0" :words="refused" @done="letRefusedGo" />
      <p class="paper-only">
        {{ guide.modelName }} · {{ guide.kitCode }} ·
        {{ say('Back by {date} at {place}.', { date: guideDate(guide.dueOn, language), place: guide.branchName }) }}
      </p>

      <nav v-if="showsAll" class="contents" :aria-label="say('All of the guide')">
        <h1>{{ say('All of it') }}</h1>
        <button v-for="each in firsts" :key="each.key" type="button" @click="go(each.key)">
          <SaidText :said="each.block.title" />
          <span v-if="each.stepCount > 0" class="quiet">{{ say('{count} steps', { count: each.stepCount }) }}</span>
        </button>
        <button type="button" @click="print">{{ say('Print it') }}</button>
        <div class="tongues">
          <button
            v-for="each in languages"
            :key="each.code"
            type="button"
            :lang="each.code"
            :aria-pressed="each.code === language"
            @click="choose(each.code)"
          >
            {{ each.name }}
          </button>
        </div>
        <p class="quiet">
          {{ guide.modelName }}, {{ guide.kitCode }}.
          {{ say('Back by {date} at {place}.', { date: guideDate(guide.dueOn, language), place: guide.branchName }) }}
        </p>
      </nav>

      <TicksLine
        v-if="lives && !showsAll"
        class="screen-only"
        :count="pages.length"
        :at="at"
        :label="say('page {at} of {all}', { at: at + 1, all: pages.length })"
      />

      <section
        v-for="(each, index) in pages"
        :id="`page-${each.key}`"
        :key="each.key"
        :class="[each.block.key, { here: index === at, step: each.step !== null }]"
        :aria-current="index === at ? 'step' : undefined"
      >
        <h2 v-if="isChapter(each, pages[index - 1])" class="paper-only chapter">
          <SaidText :said="each.block.title" />
        </h2>
        <h1 tabindex="-1" :data-number="each.step ? each.stepNumber : undefined">
          <SerifText
            :text="plain(each.title)"
            :lang="isEnglish(each.title) && language !== 'en' ? 'en' : undefined"
          />
        </h1>
        <KitSteps v-if="each.step" :step="each.step" :guide="guide" :token="token" />
        <template v-else>
          <div v-if="each.block.stays.length > 0" class="stays" :class="{ sun: each.block.key === 'sun' }">
            <SunSign v-if="each.block.key === 'sun'" :size="64" />
            <div>
              <p v-for="(line, place) in each.block.stays" :key="place"><SaidText :said="line" /></p>
            </div>
          </div>
          <CasePage
            v-if="each.block.key === 'case'"
            :guide="guide"
            :block="each.block"
            :token="token"
            :here="index === at && lives"
          />
          <TonightPage
            v-else-if="each.block.key === 'sky'"
            :guide="guide"
            :token="token"
            @lost="goBlock('trouble')"
          />
          <TroublePage v-else-if="each.block.key === 'trouble'" :guide="guide" :token="token" />
          <DrivePage v-else-if="each.block.key === 'controller'" :guide="guide" :block="each.block" />
          <PolarPage v-else-if="each.block.key === 'polar'" :guide="guide" :block="each.block" />
          <template v-else>
            <PowersPage v-if="each.block.key === 'power'" :powers="guide.powers" />
            <GuideDrawing
              v-if="each.block.key === 'point' && guide.drawn"
              :guide="guide"
              drawing="point"
              :undo="false"
            />
            <p v-for="(line, place) in each.block.lines" :key="place"><SaidText :said="line" /></p>
            <HelpSheetView v-if="lives && each.block.key === 'mirror' && text.helpSheet" :sheet="text.helpSheet" />
            <LooksHere
              v-if="index === at && lives && token && (each.block.key === 'mirror' || each.block.key === 'finder')"
              :token="token"
              :block="each.block.key"
            />
          </template>
        </template>
      </section>

      <p class="paper-only foot">
        <strong>{{ say('Doesn’t fit? Stop and tell us.') }}</strong> {{ say('Never force, never wipe.') }}
        {{ guide.branchName }} · {{ guide.kitCode }} · {{ guideDate(guide.issuedOn, language) }}
      </p>

      <footer v-if="lives" class="screen-only">
        <p class="links">
          <button type="button" class="link-button" @click="showsAll = !showsAll">
            {{ showsAll ? say('Go on') : say('All {count}', { count: pages.length }) }}
          </button>
          <button v-if="canSpeak" type="button" class="link-button" @click="listen">
            {{ speaking ? say('Stop') : say('Listen') }}
          </button>
          <button type="button" class="link-button" @click="goBlock('trouble')">{{ say('It doesn’t fit') }}</button>
        </p>
        <div class="ways">
          <button type="button" class="button" :disabled="at === 0" @click="go(pages[at - 1]?.key ?? '')">
            {{ say('Back') }}
          </button>
          <button v-if="next" type="button" class="button main" @click="go(next.key)">
            <span class="clip">{{
              page?.block.key === 'sun' ? say('I understand') : say('Next: {title}', { title: plain(next.title) })
            }}</span>
          </button>
          <button v-else type="button" class="button main" @click="go(pages[0]?.key ?? '')">
            {{ say('To the beginning') }}
          </button>
        </div>
      </footer>
    </template>
  </component>
</template>

<style scoped src="./borrower-guide.css"></style>
