import '@fontsource/sorts-mill-goudy/latin-400.css'
import '@fontsource/sorts-mill-goudy/latin-400-italic.css'
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '../theme/tokens.css'
import '../theme/base.css'
import type { IssuedGuide } from '@binoculum/contract'
import { createSSRApp } from 'vue'
import BorrowerGuide from './BorrowerGuide.vue'
import { noMemory, openMemory } from './guide-memory.ts'
import { keepOffline } from './offline-copy.ts'

/** What the server put beside the page. */
interface PageState {
  readonly guide: IssuedGuide
  readonly token: string
  readonly startLanguage: string
  readonly assets: readonly string[]
}

const { assets, ...props } = JSON.parse(document.getElementById('guide-state')?.textContent ?? '{}') as PageState
const memory = props.token ? await openMemory(props.token) : noMemory
createSSRApp(BorrowerGuide, { ...props, memory }).mount('#guide')
// The copy is a help, not the page: without it the guide still works online.
void keepOffline({ token: props.token, guide: props.guide, assets }).catch(() => undefined)
