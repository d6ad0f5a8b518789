import type { IssuedGuide } from '@binoculum/contract'
import type { Lesson } from '@binoculum/core'
import { createSSRApp } from 'vue'
import { renderToString } from 'vue/server-renderer'
import BorrowerGuide from './BorrowerGuide.vue'
import LessonPage from './lesson/LessonPage.vue'

interface Served {
  readonly token: string
  readonly startLanguage: string
}

/** The guide's page as text: what is served before any script runs. */
export const renderGuide = (props: Served & { readonly guide: IssuedGuide }): Promise<string> =>
  renderToString(createSSRApp(BorrowerGuide, { ...props }))

/** The same for the lesson before the kit is fetched. */
export const renderLesson = (props: Served & { readonly lesson: Lesson }): Promise<string> =>
  renderToString(createSSRApp(LessonPage, { ...props }))
