<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import { dateText } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import SerifText from '../../shared/SerifText.vue'
import ProgressLine from './ProgressLine.vue'
import GuidePrint from './GuidePrint.vue'
import HelpSheetView from './HelpSheetView.vue'
import GuideStepView from './GuideStepView.vue'
import SunSign from '../../shared/drawings/SunSign.vue'
import PowerTable from './PowerTable.vue'
import { chapterTitles, pagesOf, type Chapter } from './guide-pages.ts'
import { useScheme } from '../../shared/use-scheme.ts'

const route = useRoute()
const { scheme, toggle } = useScheme()
const {
  data: guide,
  problem,
  reload,
} = useLoaded<IssuedGuide>(`/api/guides/${encodeURIComponent(String(route.params.token))}`)
const at = ref(0)
const showsAll = ref(false)
const helpFor = ref<number | null>(null)

const pages = computed(() => (guide.value ? pagesOf(guide.value) : []))
const page = computed(() => pages.value[at.value] ?? { chapter: 'sun' as Chapter, step: null })
const step = computed(() => {
  const { chapter, step: index } = page.value
  if (!guide.value || index === null) return null
  return (chapter === 'set-up' ? guide.value.setUp : guide.value.putAway)[index] ?? null
})
const stepCount = computed(() =>
  page.value.chapter === 'set-up' ? (guide.value?.setUp.length ?? 0) : (guide.value?.putAway.length ?? 0),
)
const where = computed(() => {
  if (page.value.step === null) return 'guide'
  return `${page.value.chapter === 'set-up' ? 'set-up' : 'put away'}, step ${page.value.step + 1} of ${stepCount.value}`
})
const title = computed(() => step.value?.title ?? chapterTitles[page.value.chapter])
const nextTitle = computed(() => {
  const next = pages.value[at.value + 1]
  if (!next || !guide.value) return null
  const steps = next.chapter === 'set-up' ? guide.value.setUp : guide.value.putAway
  return next.step === null ? chapterTitles[next.chapter] : (steps[next.step]?.title ?? null)
})
const chapters = computed(() => {
  const first = new Map<Chapter, number>()
  pages.value.forEach(({ chapter }, index) => {
    if (!first.has(chapter)) first.set(chapter, index)
  })
  return [...first].map(([chapter, index]) => ({ chapter, index }))
})

function go(index: number) {
  at.value = index
  showsAll.value = false
}
const goChapter = (chapter: Chapter) => go(chapters.value.find((each) => each.chapter === chapter)?.index ?? 0)
watch(at, () => {
  helpFor.value = null
  window.scrollTo(0, 0)
})
const print = () => window.print()
</script>

<template>
  <main class="phone screen-only">
    <ProblemNote :problem="problem" @retry="reload" />
    <p v-if="problem?.code === 'LINK_OVER'">Ask the library for a new link; the number is on your loan slip.</p>
    <template v-if="guide">
      <header>
        <p>
          <span class="serif kit">{{ guide.kitName }}</span> <span class="quiet">{{ where }}</span>
        </p>
        <button type="button" class="scheme" @click="toggle">
          <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
            <circle cx="9" cy="9" r="7.6" />
            <circle cx="9" cy="9" r="3.4" class="inner" />
          </svg>
          {{ scheme === 'ember' ? 'Paper' : 'Ember' }}
        </button>
      </header>

      <nav v-if="showsAll" class="all" aria-label="All of the guide">
        <h1>All of it</h1>
        <button v-for="{ chapter, index } in chapters" :key="chapter" type="button" @click="go(index)">
          {{ chapterTitles[chapter] }}
          <span class="quiet">{{
            chapter === 'set-up'
              ? `${guide.setUp.length} steps`
              : chapter === 'away'
                ? `${guide.putAway.length} steps`
                : ''
          }}</span>
        </button>
        <button type="button" @click="print">Print it</button>
        <p class="quiet">
          {{ guide.modelName }}, {{ guide.kitCode }}. Back by {{ dateText(guide.dueOn) }} at {{ guide.branchName }}.
        </p>
      </nav>
      <article v-else>
        <ProgressLine :count="pages.length" :at="at" />
        <h1><SerifText :text="title" /></h1>
        <div v-if="page.chapter === 'sun'" class="sun">
          <div class="warning">
            <SunSign :size="64" />
            <p>{{ guide.sun[0] }}</p>
          </div>
          <p v-for="line in guide.sun.slice(1)" :key="line">{{ line }}</p>
          <ul>
            <li v-for="line in guide.safety" :key="line">{{ line }}</li>
          </ul>
        </div>
        <div v-else-if="page.chapter === 'case'">
          <p v-for="note in guide.notes" :key="note" class="note">{{ note }}</p>
          <section v-for="place in guide.contents" :key="place.place" class="place">
            <h2>{{ place.place }}</h2>
            <p>{{ place.parts.join(' · ') }}</p>
          </section>
          <p>Screws go back into their holes; nothing is wiped.</p>
        </div>
        <GuideStepView v-else-if="step" :step="step" />
        <ul v-else-if="page.chapter === 'look'" class="plain">
          <li v-for="line in [...guide.place, ...guide.firstLook, ...guide.expect]" :key="line">{{ line }}</li>
        </ul>
        <div v-else-if="page.chapter === 'powers'">
          <p>Always begin with the lowest power. Go higher only when you have found it and the air is steady.</p>
          <PowerTable :powers="guide.powers" />
        </div>
        <div v-else-if="page.chapter === 'trouble'" class="trouble">
          <template v-for="(sign, index) in guide.trouble" :key="sign.sign">
            <button
              type="button"
              :aria-expanded="helpFor === index"
              @click="helpFor = helpFor === index ? null : index"
            >
              {{ sign.sign }}
            </button>
            <ul v-if="helpFor === index" class="plain">
              <li v-for="attempt in sign.tries" :key="attempt">{{ attempt }}</li>
            </ul>
          </template>
          <p v-for="line in guide.collimation" :key="line" class="quiet">{{ line }}</p>
        </div>
        <template v-else-if="page.chapter === 'mirror' && guide.helpSheet">
          <p>Only if stars look like little comets at high power. In doubt leave it, and tell us: nobody minds.</p>
          <HelpSheetView :sheet="guide.helpSheet" />
        </template>
      </article>

      <footer>
        <p class="links">
          <button type="button" class="link-button" @click="showsAll = !showsAll">
            {{ showsAll ? 'Go on' : 'All of it' }}
          </button>
          <button type="button" class="link-button" @click="goChapter('trouble')">
            It doesn’t fit, or doesn’t work
          </button>
        </p>
        <div class="ways">
          <button type="button" class="button" :disabled="at === 0" @click="go(at - 1)">Back</button>
          <button v-if="nextTitle" type="button" class="button main" @click="go(at + 1)">
            <span class="clip">{{ page.chapter === 'sun' ? 'I understand' : `Next: ${nextTitle}` }}</span>
          </button>
          <button v-else type="button" class="button main" @click="go(0)">To the beginning</button>
        </div>
      </footer>
    </template>
  </main>
  <GuidePrint v-if="guide" :guide="guide" class="paper-only" />
</template>

<style scoped>
.phone {
  display: flex;
  flex-direction: column;
  max-width: 560px;
  min-height: 100vh;
  margin: 0 auto;
  padding: 10px 16px 0;
}

header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 40px;
}

.kit {
  font-size: 22px;
}

.scheme {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 40px;
  padding: 0 0 0 12px;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 16px;
  cursor: pointer;
}

.scheme circle {
  fill: none;
  stroke: var(--rust);
  stroke-width: 1.6;
}

.scheme .inner {
  fill: var(--rust);
}

article {
  flex: 1;
}

h1 {
  margin: 4px 0 14px;
  font-size: 32px;
  line-height: 37px;
}

article p,
article li {
  font-size: 17px;
  line-height: 24px;
}

.warning {
  display: flex;
  gap: 16px;
  align-items: center;
  margin-bottom: 14px;
  padding: 14px;
  border: 3px double var(--rust);
}

.warning p {
  color: var(--rust);
  font: 400 25px/30px var(--serif);
}

ul {
  margin: 12px 0 0;
  padding-left: 20px;
}

li {
  padding: 4px 0;
}

.plain {
  padding: 0;
  list-style: none;
}

.plain li {
  padding: 9px 0;
  border-bottom: 1px solid var(--rule);
}

.note {
  padding: 8px 0;
  font-weight: 640;
}

.place {
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}

.place p {
  font-size: 16px;
}

.trouble > button,
.all > button {
  display: flex;
  justify-content: space-between;
  width: 100%;
  min-height: 52px;
  margin-bottom: 8px;
  padding: 10px 14px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--card);
  color: var(--ink);
  font: 640 17px var(--sans);
  text-align: left;
  cursor: pointer;
}

.all {
  flex: 1;
}

footer {
  position: sticky;
  bottom: 0;
  padding: 6px 0 14px;
  background: var(--paper);
}

.links {
  display: flex;
  justify-content: space-between;
}

.links button {
  min-height: 44px;
  font-size: 16px;
}

.ways {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: 10px;
}

.ways .button {
  min-height: 56px;
  font-size: 18px;
}

.clip {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}
</style>
