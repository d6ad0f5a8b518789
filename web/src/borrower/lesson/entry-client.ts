import '@fontsource/sorts-mill-goudy/latin-400.css'
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '../../theme/tokens.css'
import '../../theme/base.css'
import type { Lesson } from '@binoculum/core'
import { createSSRApp } from 'vue'
import LessonPage from './LessonPage.vue'

/** What the server put beside the page. */
interface PageState {
  readonly lesson: Lesson
  readonly token: string
  readonly startLanguage: string
}

const props = JSON.parse(document.getElementById('lesson-state')?.textContent ?? '{}') as PageState
createSSRApp(LessonPage, { ...props }).mount('#lesson')
