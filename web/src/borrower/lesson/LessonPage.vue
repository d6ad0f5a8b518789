<script setup lang="ts">
import { guideDate, pageLanguages, type Lesson } from '@binoculum/core'
import { computed, onMounted, ref } from 'vue'
import SerifText from '../../shared/SerifText.vue'
import SunSign from '../../shared/drawings/SunSign.vue'
import GuideDrawing from '../GuideDrawing.vue'
import { provideLanguage } from '../guide-language.ts'
import FineOrNever from './FineOrNever.vue'
import FirstEyepiece from './FirstEyepiece.vue'
import InOrder from './InOrder.vue'

/** Three minutes with one's own kit before it is fetched: its steps in order, the eyepiece to begin with, what never. */
const { lesson, token, startLanguage } = defineProps<{ lesson: Lesson; token: string; startLanguage: string }>()
const language = ref(startLanguage)
const t = provideLanguage(language)
const say = (sentence: string, variables?: Record<string, string | number>) => t.value.text(sentence, variables)
const text = computed(() => lesson.texts[language.value] ?? lesson.texts.en)
const languages = pageLanguages.filter(({ code }) => code in lesson.texts)

const lives = ref(false)
onMounted(() => (lives.value = true))
const answered = ref({ order: false, eyepiece: false, acts: false })
const hasEyepieces = computed(() => (text.value?.eyepieces.length ?? 0) > 0)
const isThrough = computed(
  () => answered.value.order && answered.value.acts && (answered.value.eyepiece || !hasEyepieces.value),
)

const state = ref<'open' | 'sending' | 'sent' | 'failed'>('open')
async function done() {
  state.value = 'sending'
  const reply = await fetch(`/api/lessons/${encodeURIComponent(token)}/done`, { method: 'POST' }).catch(() => null)
  state.value = reply?.ok ? 'sent' : 'failed'
}
function choose(code: string) {
  language.value = code
  document.documentElement.lang = code
}
</script>

<template>
  <main v-if="text" class="lesson">
    <header>
      <p class="quiet">{{ lesson.branchName }} · {{ lesson.kitCode }}</p>
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
    </header>
    <h1><SerifText :text="say('Three minutes before you fetch it')" /></h1>
    <p>
      {{
        say('{kit} is yours from {date}. Three small questions about it, and you know your way.', {
          kit: lesson.kitName,
          date: guideDate(lesson.fromOn, language),
        })
      }}
    </p>
    <div class="sun">
      <SunSign :size="48" />
      <p>{{ say('Never point the telescope or its finder at the Sun. One look blinds.') }}</p>
    </div>
    <GuideDrawing :guide="{ drawn: lesson.drawn, place: null }" drawing="point" :undo="false" />

    <InOrder
      :key="`order-${language}`"
      :steps="text.steps"
      :seed="lesson.kitCode"
      @answered="answered.order = true"
    />
    <FirstEyepiece
      v-if="hasEyepieces"
      :key="`eyepiece-${language}`"
      :eyepieces="text.eyepieces"
      :seed="lesson.kitCode"
      @answered="answered.eyepiece = true"
    />
    <FineOrNever :key="`acts-${language}`" :acts="text.acts" @answered="answered.acts = true" />

    <footer v-if="lives">
      <p v-if="state === 'sent'" role="status" class="moss">
        <b>{{
          say('Thank you. The library sees that you went through it. See you on {date}.', {
            date: guideDate(lesson.fromOn, language),
          })
        }}</b>
      </p>
      <template v-else>
        <p v-if="state === 'failed'" role="alert">
          {{ say('That didn’t go. It doesn’t matter: just come and fetch it.') }}
        </p>
        <button type="button" class="button main" :disabled="!isThrough || state === 'sending'" @click="done">
          {{ say('I went through it') }}
        </button>
        <p class="quiet">{{ say('No time? Come all the same. Everything stands in the guide as well.') }}</p>
      </template>
    </footer>
  </main>
</template>

<style scoped>
.lesson {
  max-width: 480px;
  margin: 0 auto;
  padding: 12px 16px 40px;
  font-size: 17px;
  line-height: 24px;
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  justify-content: space-between;
}

.tongues {
  display: flex;
  gap: 6px;
}

.tongues button {
  min-height: 40px;
  padding: 4px 10px;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 15px;
}

.tongues button[aria-pressed='true'] {
  border-color: var(--night);
  font-weight: 640;
}

h1 {
  margin: 8px 0;
  font-size: 34px;
  line-height: 38px;
}

.sun {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 12px;
  align-items: center;
  margin: 14px 0;
  font-weight: 640;
}

footer .button {
  width: 100%;
  min-height: 52px;
  margin: 8px 0;
}
</style>
<style src="./lesson.css"></style>
