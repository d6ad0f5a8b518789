import type { IssuedGuide } from '@binoculum/contract'
import { createSSRApp } from 'vue'
import { renderToString } from 'vue/server-renderer'
import BorrowerGuide from './BorrowerGuide.vue'

/** The guide's page as text: what is served before any script runs. */
export const renderGuide = (props: {
  readonly guide: IssuedGuide
  readonly token: string
  readonly startLanguage: string
}): Promise<string> => renderToString(createSSRApp(BorrowerGuide, props))
